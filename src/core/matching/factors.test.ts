import { describe, expect, it, test } from "vitest";
import type { Bar } from "../bars/bar";
import type { FamilyKey } from "../bars/families";
import { stated, testBar } from "../bars/testBar.fixture";
import { MATCHING_RULES, type MatchingRules } from "./houseRules";
import { lifterWith, type MatchLifter, type Purpose } from "./lifter";
import { LIFTS, type LiftKey } from "./lifts";
import { matchBar, type MatchOptions } from "./match";
import type { Policies } from "./policies";
import type { Reason, Verdict } from "./verdict";

/* One consideration at a time, on both sides of every limit it has. All limits: common practice, no source, unless said. */

const STRAIGHT = {
  mass: stated(20),
  shaftDiameter: stated(28.5),
  shaftLength: stated(1310),
  collarThickness: stated(30),
  sleeveLength: stated(415),
};
const bar = (family: FamilyKey = "power", more: Partial<Bar> = {}, quantities = {}): Bar =>
  testBar(
    { ...STRAIGHT, ...quantities },
    { tag: "B", family, rating: { kg: 500, basis: "total" }, yieldMPa: 1100, alloy: "alloy-steel", ...more },
  );
const house = (policies: Partial<Policies>, numbers: Partial<MatchingRules> = {}): MatchingRules => ({
  ...MATCHING_RULES,
  ...numbers,
  policies: { ...MATCHING_RULES.policies, ...policies },
});
function reason(factor: string, one: Bar, lift: LiftKey, kg = 100, options: MatchOptions = {}): Reason | undefined {
  return matchBar(one, LIFTS[lift], kg, options).reasons.find((own) => own.factor === factor);
}
const atBest = (...ask: Parameters<typeof reason>): Verdict | null => reason(...ask)?.atBest ?? null;
const person = (known: Partial<MatchLifter>): MatchOptions => ({ lifter: lifterWith(known) });

describe("a bar that spares a joint", () => {
  it.each([
    ["yoke", "back-squat-high", "reach", "Spares the shoulder: nothing to reach back for."],
    ["yoke", "back-squat-high", "elbow", "Spares the elbow: the hands hold handles in front."],
    ["multi-grip", "bench", "shoulder", "Spares the shoulder: the palms can face each other."],
    ["curl", "curl", "wrist", "Spares the wrist: the grips are turned in."],
  ] as const)("%s for a %s: %s", (family, lift, limit, text) =>
    expect(reason("comfort", bar(family), lift, 60, person({ limits: [limit] }))).toMatchObject({
      ...{ text, atBest: "made-for", isPrivate: true },
    }),
  );
  it("says nothing where a straight bar would ask nothing of it either, nor of the back, nor of a straight bar", () => {
    expect(reason("comfort", bar("open-frame"), "deadlift", 60, person({ limits: ["reach"] }))).toBeUndefined();
    expect(reason("comfort", bar("yoke"), "back-squat-high", 60, person({ limits: [] }))).toBeUndefined();
    expect(reason("comfort", bar("power"), "back-squat-high", 60, person({ limits: ["wrist"] }))).toBeUndefined();
  });
});

describe("rating", () => {
  test.each<[number, Verdict]>([
    [400, "made-for"],
    [400.1, "usable"],
    [500, "usable"],
    [500.1, "never"],
  ])("500 kg, %s kg on it: %s", (kg, wanted) => expect(atBest("rating", bar(), "deadlift", kg)).toBe(wanted));
  it("for plates only allows the bar on top, a hard limit counts before it, an unknown basis is the stricter", () => {
    const rated = (basis: "total" | "plates-only" | "unknown", hardLimitKg: number | null = null) =>
      bar("power", { rating: { kg: 100, basis }, hardLimitKg });
    expect(atBest("rating", rated("plates-only"), "deadlift", 120)).toBe("usable");
    expect(atBest("rating", rated("plates-only"), "deadlift", 120.1)).toBe("never");
    expect(atBest("rating", rated("unknown"), "deadlift", 100.1)).toBe("never");
    expect(atBest("rating", rated("total", 60), "deadlift", 61)).toBe("never");
  });
  it("warns where the gym says", () => {
    const rules = house({}, { ratingWarnShare: 0.5 });
    expect(atBest("rating", bar(), "deadlift", 250, { rules })).toBe("made-for");
    expect(atBest("rating", bar(), "deadlift", 251, { rules })).toBe("usable");
  });
  it("unknown is usable at best and says whom to ask", () =>
    expect(reason("rating", bar("power", { rating: null }), "deadlift")).toMatchObject({
      atBest: "usable",
      basis: "data",
      wouldChange: "The seller's rating, entered with its basis.",
    }));
});

describe("the empty bar against the load", () => {
  test.each<[number, Verdict | null]>([
    [19.9, "never"],
    [20, "poor"],
    [33.3, "poor"],
    [33.4, null],
  ])("20 kg bar, %s kg wished: %s", (kg, wanted) => expect(atBest("empty-mass", bar(), "bench", kg)).toBe(wanted));
  it("is no matter in a set marked as learning, by the set or by the person", () => {
    expect(atBest("empty-mass", bar(), "bench", 25, { purpose: "learning" })).toBeNull();
    expect(atBest("empty-mass", bar(), "bench", 25, person({ experience: "learning" }))).toBeNull();
    // Heavier than the load stays never.
    expect(atBest("empty-mass", bar(), "bench", 15, { purpose: "learning" })).toBe("never");
  });
});

describe("margin and stiffness", () => {
  it("a margin under the gym’s least is poor, under one never; a better shaft says nothing", () => {
    const yields = (yieldMPa: number) => bar("power", { yieldMPa }, { shaftDiameter: stated(28) });
    // 250 kg and a 20 kg bar: 115 kg a side; about 280 MPa at 220 mm (handbook §5 gives 303 at 125 kg a side).
    expect(atBest("margin", yields(250), "deadlift", 250)).toBe("never");
    expect(atBest("margin", yields(400), "deadlift", 250)).toBe("poor");
    expect(atBest("margin", yields(1100), "deadlift", 250)).toBeNull();
    expect(atBest("margin", bar("power", { yieldMPa: null }), "deadlift", 250)).toBeNull();
  });
  it("shows the slack of a pull, the drop of a squat, and calls a bouncing squat poor", () => {
    expect(reason("slack", bar(), "deadlift", 200)).toMatchObject({ atBest: "made-for", basis: "physics", unit: "mm" });
    expect(reason("stiffness", bar(), "back-squat-low", 100)).toMatchObject({ atBest: "made-for", unit: "mm" });
    expect(atBest("stiffness", bar("power", {}, { shaftDiameter: stated(25) }), "back-squat-low", 300)).toBe("poor");
  });
  it("says what to measure where bending cannot be said", () => {
    const unknown = bar("power", {}, { shaftDiameter: undefined, shaftLength: undefined });
    expect(reason("stiffness", unknown, "bench")).toMatchObject({
      atBest: "usable",
      wouldChange: "Measure shaft diameter, shaft length, seat to seat.",
    });
  });
});

describe("sleeves", () => {
  test.each<[Bar["sleeveRotation"], LiftKey, Policies["sleeves"], Verdict | null]>([
    ["bushing", "clean", "decides", "good"],
    ["bushing", "clean", "hardly-matters", "made-for"],
    ["needle", "clean", "decides", "made-for"],
    ["ball", "snatch", "decides", "made-for"],
    ["needle", "bench", "decides", "usable"],
    ["needle", "bench", "hardly-matters", null],
    ["hybrid", "bench", "decides", null],
    ["needle", "back-squat-high", "decides", "good"],
    ["needle", "deadlift", "decides", "good"],
    ["fixed", "bench", "decides", null],
    [null, "bench", "hardly-matters", "usable"],
  ])("%s in the %s where it %s: %s", (sleeveRotation, lift, sleeves, wanted) =>
    expect(atBest("sleeves", bar("power", { sleeveRotation }), lift, 60, { rules: house({ sleeves }) })).toBe(wanted),
  );
});

describe("thickness and hands", () => {
  test.each<[number, LiftKey, Verdict | null]>([
    [29.4, "clean", null],
    [29.5, "clean", "poor"],
    [34.9, "deadlift", null],
    [35, "deadlift", "poor"],
    [35, "bench", null],
  ])("a %s mm shaft in the %s: %s", (mm, lift, wanted) =>
    expect(atBest("thickness", bar("power", {}, { shaftDiameter: stated(mm) }), lift, 60)).toBe(wanted),
  );
  test.each<[number, number, Verdict | null]>([
    [174, 26.1, "good"],
    [174, 26, "made-for"],
    [175, 28, null],
    [205, 25, null],
    [206, 25.9, "good"],
    [206, 26, null],
  ])("a hand of %s mm and a shaft of %s mm: %s", (handLengthMm, mm, wanted) =>
    expect(
      atBest("hands", bar("power", {}, { shaftDiameter: stated(mm) }), "snatch", 60, person({ handLengthMm })),
    ).toBe(wanted),
  );
  it("nothing is said of a hand that nobody measured, nor where the hands only push", () => {
    expect(atBest("hands", bar(), "snatch", 60, person({}))).toBeNull();
    expect(atBest("hands", bar(), "bench", 60, person({ handLengthMm: 160 }))).toBeNull();
  });
});

describe("surface", () => {
  test.each<[Bar["knurl"], LiftKey, number, Verdict | null]>([
    ["aggressive", "clean", 60, "good"],
    ["aggressive", "deadlift", 200, null],
    ["passive", "deadlift", 139, null],
    ["passive", "deadlift", 140, "good"],
    ["none", "deadlift", 140, "poor"],
    ["medium", "deadlift", 250, null],
    [null, "bench", 60, "usable"],
    [null, "back-squat-low", 60, null],
  ])("knurl %s in the %s at %s kg: %s", (knurl, lift, kg, wanted) =>
    expect(atBest("knurl", bar("power", { knurl }), lift, kg)).toBe(wanted),
  );
  test.each<[Bar["centreKnurl"], LiftKey, Policies["centreKnurl"], Verdict | null]>([
    ["full", "back-squat-low", "by-lift", "made-for"],
    ["none", "back-squat-low", "by-lift", "good"],
    ["none", "back-squat-low", "wanted", "good"],
    ["none", "back-squat-low", "unwanted", null],
    ["full", "back-squat-low", "unwanted", "good"],
    ["passive", "back-squat-low", "unwanted", "made-for"],
    ["full", "clean", "by-lift", "usable"],
    ["full", "clean", "unwanted", "usable"],
    ["full", "deadlift", "by-lift", "made-for"],
    ["full", "deadlift", "unwanted", "good"],
    ["passive", "clean", "by-lift", null],
    ["full", "bench", "unwanted", null],
    [null, "back-squat-low", "by-lift", "usable"],
  ])("centre knurl %s in the %s, %s: %s", (centreKnurl, lift, policy, wanted) =>
    expect(
      atBest("centre-knurl", bar("power", { centreKnurl }), lift, 60, { rules: house({ centreKnurl: policy }) }),
    ).toBe(wanted),
  );
  test.each<[Bar["ringMarks"], LiftKey, Verdict | null]>([
    ["powerlifting", "bench", null],
    ["dual", "bench", null],
    ["weightlifting", "bench", "good"],
    ["none", "snatch", "good"],
    ["weightlifting", "snatch", null],
    ["none", "deadlift", null],
    [null, "bench", "usable"],
  ])("marks %s in the %s: %s", (ringMarks, lift, wanted) =>
    expect(atBest("marks", bar("power", { ringMarks }), lift, 60)).toBe(wanted),
  );
});

describe("the shaft for the slow lifts", () => {
  test.each<[number, number, Policies["shaft"], Verdict | null]>([
    [29, 30, "29-slim", "made-for"],
    [28.75, 35, "29-slim", "made-for"],
    [28.7, 30, "29-slim", "good"],
    [29, 36, "29-slim", "good"],
    [28.5, 40, "28.5-thick", "made-for"],
    [28.5, 39, "28.5-thick", "good"],
    [28.75, 45, "28.5-thick", "good"],
    [28.2, 45, "28.5-thick", "good"],
    [29, 30, "either", null],
  ])("%s mm with %s mm collars where the gym says %s: %s", (mm, collar, shaft, wanted) => {
    const one = bar("power", {}, { shaftDiameter: stated(mm), collarThickness: stated(collar) });
    expect(atBest("slow-shaft", one, "bench", 100, { rules: house({ shaft }) })).toBe(wanted);
  });
  it("leaves fast lifts and specialists alone, and wants what is not known measured", () => {
    const rules = house({ shaft: "29-slim" });
    expect(atBest("slow-shaft", bar(), "clean", 60, { rules })).toBeNull();
    expect(atBest("slow-shaft", bar("deadlift"), "deadlift", 100, { rules })).toBeNull();
    expect(atBest("slow-shaft", bar("power", {}, { collarThickness: undefined }), "bench", 100, { rules })).toBe(
      "usable",
    );
  });
});

describe("the person", () => {
  it("swinging bars: not while learning, hinges once confirmed, prerequisites of the lift by its own key", () => {
    const swing = bar("cambered", { sleeveRotation: "fixed" });
    expect(atBest("experience", swing, "box-squat", 100, { purpose: "learning" })).toBe("poor");
    expect(atBest("prerequisite", swing, "good-morning", 100)).toBe("usable");
    expect(atBest("prerequisite", swing, "good-morning", 100, person({}))).toBe("poor");
    expect(atBest("prerequisite", swing, "box-squat", 100, person({}))).toBeNull();
    const asks = { ...LIFTS.bench, prerequisite: "a steady push-up" };
    const of = (confirmed: string[]) =>
      matchBar(bar(), asks, 60, person({ confirmed })).reasons.find(({ factor }) => factor === "prerequisite")?.atBest;
    expect([of([]), of(["bench"])]).toEqual(["poor", undefined]);
  });
  test.each<[string, Verdict | null]>([
    ["2026-02-28", "good"],
    ["2026-02-27", null],
  ])("a specialty bar first used on %s is new on 20 March for three weeks: %s", (first, wanted) => {
    const used = new Map([["B", { first, last: "2026-03-19" }]]);
    const options = { ...person({ used, usualKg: 100 }), today: "2026-03-20" };
    expect(atBest("familiarity", bar("yoke", { sleeveRotation: "fixed" }), "back-squat-high", 100, options)).toBe(
      wanted,
    );
  });
  test.each<[number, Verdict]>([
    [70, "made-for"],
    [71, "good"],
  ])("new to them, at %s of their usual 100 kg: %s", (kg, wanted) =>
    expect(atBest("familiarity", bar("yoke"), "back-squat-high", kg, person({ usualKg: 100 }))).toBe(wanted),
  );
  it("the lean limit is the gym’s, and a pose that cannot balance is poor", () => {
    const lean = (leanLimitDeg: number) =>
      atBest("build", bar(), "back-squat-low", 100, {
        ...person({ build: { heightMm: 1800, massKg: 85 } }),
        rules: house({}, { leanLimitDeg }),
      });
    // Handbook §8: low on the back at its own shank lean leans 55.1°.
    expect([lean(56), lean(55)]).toEqual(["made-for", "usable"]);
    const legs = { heightMm: 1800, massKg: 85, thighLengthMm: 900, trunkLengthMm: 300 };
    expect(atBest("build", bar(), "back-squat-low", 30, person({ build: legs }))).toBe("poor");
    expect(atBest("build", bar(), "bench", 100, person({ build: legs }))).toBeNull();
  });
  it("all of it is private", () => {
    const options: MatchOptions = {
      lifter: lifterWith({
        build: { heightMm: 1950, massKg: 95 },
        handLengthMm: 160,
        limits: ["shoulder"],
        usualKg: 90,
        experience: "learning",
      }),
      rules: house({ tall: "yoke" }),
    };
    for (const lift of ["back-squat-high", "snatch", "good-morning"] as const)
      for (const family of ["power", "cambered", "yoke"] as const)
        for (const { factor, isPrivate } of matchBar(bar(family), LIFTS[lift], 100, options).reasons)
          if (
            ["comfort", "hands", "build", "tall", "experience", "prerequisite", "familiarity", "meeting"].includes(
              factor,
            )
          )
            expect([factor, isPrivate]).toEqual([factor, true]);
  });
});

describe("purpose (opinions)", () => {
  test.each<[FamilyKey, Purpose, Verdict | null]>([
    ["power", "general", null],
    ["power", "upper-back", "good"],
    ["yoke", "upper-back", "made-for"],
    ["power", "hips", "made-for"],
    ["yoke", "hips", "good"],
    ["low-yoke", "hips", "made-for"],
    ["cambered", "weak-link", "made-for"],
    ["power", "weak-link", "good"],
    ["power", "carry-over", "made-for"],
    ["cambered", "carry-over", "usable"],
    ["power", "spare-joint", "usable"],
    ["yoke", "spare-joint", "made-for"],
  ])("%s bar for %s: %s", (family, purpose, wanted) =>
    expect(atBest("purpose", bar(family), "back-squat-high", 100, { purpose })).toBe(wanted),
  );
});

it("a bar that cannot be racked never starts a squat, and may still be pulled or carried", () => {
  const frame = bar("open-frame", { canBeRacked: false });
  expect(atBest("rack", frame, "back-squat-high", 100)).toBe("never");
  for (const lift of ["deadlift", "carry", "shrug"] as const) expect(atBest("rack", frame, lift, 100)).toBeNull();
});

describe("the station", () => {
  const racks = [
    { name: "Rack 1", kind: "rack", supportSpacingMm: 1090, ratedKg: 200 },
    { name: "Rack 2", kind: "rack", supportSpacingMm: 1090, ratedKg: 300 },
  ] as const;
  it("holds what it holds: over it nothing is lifted there, and elsewhere where another holds it", () => {
    expect(atBest("station", bar(), "back-squat-high", 200, { stations: racks, at: racks[0] })).toBeNull();
    expect(reason("station", bar(), "back-squat-high", 210, { stations: racks, at: racks[0] })).toMatchObject({
      ...{ atBest: "never", text: "Rack 1 holds 200 kg at most; 210 kg is planned." },
    });
    expect(atBest("station", bar(), "back-squat-high", 210, { stations: racks })).toBeNull();
    expect(atBest("station", bar(), "back-squat-high", 310, { stations: racks })).toBe("never");
    // A pull needs none of them.
    expect(atBest("station", bar(), "deadlift", 310, { stations: racks })).toBeNull();
  });
  it("takes nobody while it is out of use, however light", () => {
    const out = { ...racks[0], outOfUse: "bolts and anchors loose" };
    expect(reason("station", bar(), "back-squat-high", 40, { stations: racks, at: out })).toMatchObject({
      ...{ atBest: "never", text: "Rack 1 is out of use: bolts and anchors loose." },
    });
    expect(atBest("station", bar(), "back-squat-high", 40, { stations: [out, racks[1]] })).toBeNull();
  });
});
