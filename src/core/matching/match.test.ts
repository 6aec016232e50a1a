import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import type { Bar } from "../bars/bar";
import type { Quantity } from "../bars/effectiveQuantity";
import { FAMILIES, FAMILY_KEYS, type FamilyKey } from "../bars/families";
import { MATCHING_RULES } from "./houseRules";
import { lifterWith } from "./lifter";
import { LIFT_KEYS, LIFTS, type LiftKey } from "./lifts";
import { matchBar, matchBars } from "./match";
import type { Policies } from "./policies";
import { rankOf } from "./verdict";

const stated = (value: number): Quantity => ({ value, source: "stated", statedValue: value });
const bar = (family: FamilyKey, more: Partial<Bar> = {}): Bar => ({
  tag: family,
  name: family,
  family,
  state: "in-service",
  quantities: {
    mass: stated(20),
    shaftDiameter: stated(28.5),
    shaftLength: stated(1310),
    collarThickness: stated(30),
    sleeveLength: stated(415),
  },
  sleeveRotation: "bushing",
  alloy: "alloy-steel",
  elasticModulusGPa: null,
  yieldMPa: 1100,
  finish: "bare",
  knurl: "medium",
  centreKnurl: "none",
  ringMarks: "dual",
  plainGapMm: null,
  canBeRacked: null,
  rating: { kg: 500, basis: "total" },
  hardLimitKg: null,
  stateReason: null,
  ...more,
});
const house = (policies: Partial<Policies>) => ({
  ...MATCHING_RULES,
  policies: { ...MATCHING_RULES.policies, ...policies },
});
const factor = (match: ReturnType<typeof matchBar>, name: string) =>
  match.reasons.find((reason) => reason.factor === name);

describe("what a coach would say (common practice, no source)", () => {
  test.each<[FamilyKey, LiftKey, string, Partial<Bar>]>([
    ["weightlifting", "snatch", "made-for", { sleeveRotation: "needle" }],
    ["weightlifting", "bench", "poor", { sleeveRotation: "needle" }],
    ["power", "bench", "made-for", {}],
    ["power", "snatch", "poor", {}],
    ["deadlift", "deadlift", "made-for", {}],
    ["deadlift", "bench", "poor", {}],
    ["yoke", "deadlift", "never", {}],
    ["yoke", "clean", "never", {}],
    ["open-frame", "deadlift", "good", {}],
    ["open-frame", "bench", "never", {}],
    ["all-round", "clean", "good", {}],
  ])("%s bar for %s: %s", (family, lift, verdict, more) =>
    expect(matchBar(bar(family, more), LIFTS[lift], 60).verdict).toBe(verdict),
  );

  it("ranks the deadlift bar first for a deadlift and the weightlifting bar first for a clean", () => {
    const bars = [bar("all-round"), bar("power"), bar("deadlift"), bar("weightlifting", { sleeveRotation: "needle" })];
    expect(matchBars(bars, LIFTS.clean, 80)[0]!.tag).toBe("weightlifting");
    expect(["deadlift", "power"]).toContain(matchBars(bars, LIFTS.deadlift, 200)[0]!.tag);
  });
});

describe("never", () => {
  const never = (b: Bar, lift: LiftKey, kg: number) => matchBar(b, LIFTS[lift], kg);
  it("over the rating or the hard limit, and not on it", () => {
    expect(never(bar("power"), "deadlift", 500).verdict).not.toBe("never");
    expect(factor(never(bar("power"), "deadlift", 500.1), "rating")).toMatchObject({ atBest: "never", value: 100 });
    expect(never(bar("technique", { hardLimitKg: 40, rating: null }), "snatch", 41).verdict).toBe("never");
    expect(never(bar("technique", { hardLimitKg: 40, rating: null }), "snatch", 40).verdict).not.toBe("never");
  });
  it("for a bar that is itself heavier than the load, and poor over 60 % unless the set is marked as learning", () => {
    expect(never(bar("all-round"), "back-squat-high", 19).verdict).toBe("never");
    expect(never(bar("all-round"), "back-squat-high", 30).verdict).toBe("poor");
    expect(never(bar("all-round"), "back-squat-high", 34).verdict).not.toBe("poor");
    expect(
      matchBar(bar("all-round"), LIFTS["back-squat-high"], 30, { lifter: lifterWith({ experience: "learning" }) })
        .verdict,
    ).toBe("good");
  });
  it("for a fixed sleeve or a specialty bar turned over", () => {
    expect(factor(never(bar("all-round", { sleeveRotation: "fixed" }), "clean", 60), "turnover")!.atBest).toBe("never");
    expect(factor(never(bar("bowed"), "clean", 60), "turnover")!.atBest).toBe("never");
  });
  it("for a shaft that would stay bent", () => {
    const soft = bar("all-round", { yieldMPa: 100 });
    expect(factor(never(soft, "deadlift", 250), "margin")).toMatchObject({ atBest: "never", basis: "physics" });
  });
  it("cannot be outvoted: a quarantined, retired or ordered bar is never, and comes last, for every lift", () => {
    for (const state of ["quarantined", "retired", "on-order"] as const)
      for (const key of LIFT_KEYS) {
        const matches = matchBars(
          [bar("power", { tag: "A", state }), bar("yoke", { tag: "B" }), bar("curl", { tag: "C" })],
          LIFTS[key],
          100,
        );
        expect(matches.at(-1)).toMatchObject({ tag: "A", verdict: "never" });
      }
  });
});

describe("reasons", () => {
  it("never count missing data as good, and say what to measure", () => {
    const unknown = bar("power", { quantities: {}, sleeveRotation: null, rating: null });
    const match = matchBar(unknown, LIFTS.bench, 100);
    expect(match.verdict).toBe("usable");
    for (const name of ["empty-mass", "sleeves", "rating", "stiffness"])
      expect(factor(match, name)!.wouldChange).toBeTruthy();
  });
  it("put what decides first and carry a basis", () => {
    const match = matchBar(bar("deadlift"), LIFTS.bench, 100);
    expect(match.reasons[0]!.atBest).toBe(match.verdict);
    for (const reason of match.reasons) expect(reason.basis).toBeTruthy();
  });
  it("give the slack at this load for a lift from the floor", () => {
    const slack = (kg: number) => factor(matchBar(bar("power"), LIFTS.deadlift, kg), "slack")!.value!;
    expect(slack(270)).toBeGreaterThan(15);
    expect(slack(270)).toBeGreaterThan(2 * slack(140));
  });
  it("obey the house on sleeves and centre knurl", () => {
    const clean = (sleeves: Policies["sleeves"]) =>
      matchBar(bar("all-round"), LIFTS.clean, 60, { rules: house({ sleeves }) });
    expect(factor(clean("decides"), "sleeves")!.basis).toBe("common-practice");
    expect(factor(clean("hardly-matters"), "sleeves")!.basis).toBe("house-rule");
    const squat = (centreKnurl: Policies["centreKnurl"]) =>
      matchBar(bar("power"), LIFTS["back-squat-low"], 100, { rules: house({ centreKnurl }) });
    expect([squat("wanted").verdict, squat("unwanted").verdict]).toEqual(["good", "made-for"]);
  });
  it("mark what would reveal the lifter as private", () => {
    const match = matchBar(bar("all-round"), LIFTS.clean, 60, { lifter: lifterWith({ handLengthMm: 165 }) });
    expect(factor(match, "hands")!.isPrivate).toBe(true);
  });
});

it("never gets better with more load past the rating, whatever the bar and lift", () =>
  fc.assert(
    fc.property(
      fc.constantFrom(...FAMILY_KEYS),
      fc.constantFrom(...LIFT_KEYS),
      fc.integer({ min: 501, max: 1500 }),
      (family, lift, kg) => {
        expect(rankOf(matchBar(bar(family), LIFTS[lift], kg).verdict)).toBe(4);
      },
    ),
  ));

it("has a name and a judgement for every family and lift", () => {
  for (const family of FAMILY_KEYS)
    for (const key of LIFT_KEYS)
      expect(matchBar(bar(family), LIFTS[key], 100).reasons.some((r) => r.text.includes(FAMILIES[family].name))).toBe(
        true,
      );
});
