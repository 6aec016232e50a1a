import { describe, expect, it, test } from "vitest";
import type { Bar } from "../bars/bar";
import { stated, testBar } from "../bars/testBar.fixture";
import { MATCHING_RULES } from "../matching/houseRules";
import { lifterWith } from "../matching/lifter";
import { LIFTS, type LiftKey } from "../matching/lifts";
import { hallClockAt } from "../units/hallDay";
import { blockTimes } from "./blockTimes";
import { barsInUse } from "./inUse";
import { planClass, type ClassEntry, type ClassQuestion } from "./planClass";
import { fitsStation, stationKindsFor, type ClassStation } from "./stationSuits";

const known = {
  mass: stated(20),
  shaftDiameter: stated(29),
  shaftLength: stated(1310),
  collarThickness: stated(30),
  sleeveLength: stated(415),
};
const RATED = { rating: { kg: 500, basis: "total" as const } };
const POWER = testBar(known, { ...RATED, tag: "P" });
const SQUAT = testBar({ ...known, mass: stated(25) }, { ...RATED, tag: "S", family: "squat" });
const YOKE = testBar({ ...known, mass: stated(30) }, { ...RATED, tag: "Y", family: "yoke", sleeveRotation: "fixed" });
const RACK: ClassStation = { key: "rack-1", name: "Rack 1", kind: "rack", supportSpacingMm: 1090, nearPlace: null };

const entry = (name: string, lift: LiftKey, more: Partial<ClassEntry> = {}): ClassEntry => ({
  id: `${name} ${lift}`,
  person: name,
  personName: name,
  lift: LIFTS[lift],
  loadKg: 100,
  lifter: lifterWith({}),
  purpose: "general",
  block: null,
  station: null,
  tag: null,
  ...more,
});
const plan = (entries: ClassEntry[], more: Partial<ClassQuestion> = {}) =>
  planClass({
    entries,
    stations: [
      { ...RACK, capacity: 1 },
      { ...RACK, key: "rack-2", name: "Rack 2", capacity: 1 },
    ],
    blocks: 1,
    bars: [POWER, SQUAT, YOKE],
    rules: MATCHING_RULES,
    today: "2026-03-20",
    ...more,
  });

describe("a class", () => {
  it("gives the yoke to the sore shoulder, and tells the other what that cost", () => {
    const sore = entry("Bram", "back-squat-high", { lifter: lifterWith({ limits: ["reach"] }) });
    const builder = entry("Isla", "back-squat-high", { purpose: "upper-back" });
    const { entries, isProven } = plan([sore, builder]);
    expect(isProven).toBe(true);
    expect(entries.map(({ tag, verdict }) => [tag, verdict])).toEqual([
      ["Y", "made-for"],
      [expect.stringMatching(/[PS]/), "good"],
    ]);
    expect(entries[1]!.tradeOff).toMatch(/^Y went to Bram; [PS] instead: good rather than made for it\.$/);
    expect(entries[0]!.tradeOff).toBe("");
  });
  it("keeps what is fixed, also where it is not the best, and says why the best does not come", () => {
    const fixed = entry("Isla", "back-squat-high", { tag: "Y", block: 0, station: "rack-2" });
    expect(plan([fixed]).entries[0]).toMatchObject({ tag: "Y", station: "rack-2", block: 0 });
    const narrow = { ...YOKE, quantities: { ...YOKE.quantities, rackSpanInner: stated(1140) } };
    const sore = entry("Bram", "back-squat-high", { lifter: lifterWith({ limits: ["reach"] }) });
    expect(plan([sore], { bars: [POWER, narrow] }).entries[0]).toMatchObject({
      tag: "P",
      verdict: "poor",
      tradeOff: expect.stringMatching(/^Y would suit better and does not lie in the J-cups of a station/),
    });
  });
  it("spares the yoke where a plain bar does as well, and takes the one that hangs near", () => {
    expect(plan([entry("Isla", "back-squat-high")]).entries[0]!.tag).toMatch(/[PS]/);
    const near = (nearPlace: string) =>
      plan([entry("Isla", "back-squat-high")], {
        stations: [{ ...RACK, nearPlace, capacity: 1 }],
        placeOf: new Map([
          ["P", "Wall A"],
          ["S", "Wall B"],
          ["Y", "Wall A"],
        ]),
      }).entries[0]!.tag;
    expect([near("Wall A"), near("Wall B")]).toEqual(["P", "S"]);
  });
  it("says why there is no place: no station, no room, no bar", () => {
    const reasons = plan([
      entry("A", "snatch"),
      entry("B", "back-squat-high"),
      entry("C", "back-squat-high"),
      entry("D", "back-squat-high"),
      entry("E", "back-squat-high", { loadKg: 900 }),
    ]).entries.flatMap(({ block, tradeOff }) => (block === null ? [tradeOff] : []));
    expect(reasons.sort()).toEqual([
      "Every station that suits it is full.",
      "No bar here can be used for this.",
      "No station of the class suits this lift.",
    ]);
  });
  it("puts nobody at a station that does not hold their load", () => {
    const stations = [
      { ...RACK, ratedKg: 140, capacity: 2 },
      { ...RACK, key: "rack-2", name: "Rack 2", ratedKg: 300, capacity: 1 },
    ];
    const heavy = entry("Hale", "back-squat-high", { loadKg: 180 });
    const light = entry("Isla", "back-squat-high", { loadKg: 80 });
    expect(plan([light, heavy], { stations }).entries.map(({ station }) => station)).toEqual(["rack-1", "rack-2"]);
    expect(plan([heavy], { stations: [stations[0]!] }).entries[0]).toMatchObject({
      station: null,
      tradeOff: "No station of the class holds this load.",
    });
  });
  it("counts how much of everybody's own best it reaches", () => {
    expect(plan([entry("A", "back-squat-high")]).fit).toBe(1);
    expect(plan([]).fit).toBe(1);
    expect(plan([entry("A", "snatch"), entry("B", "back-squat-high")]).fit).toBeLessThan(1);
  });
});

describe("stations (common practice, no source)", () => {
  test.each<[LiftKey, string]>([
    ["bench", "bench"],
    ["back-squat-low", "rack"],
    ["front-squat", "rack"],
    ["overhead-press", "rack"],
    ["jerk", "rack"],
    ["snatch", "platform"],
    ["deadlift", "platform floor"],
    ["curl", "rack platform floor"],
  ])("%s: %s", (lift, kinds) => expect(stationKindsFor(LIFTS[lift]).join(" ")).toBe(kinds));
  it("a bar must span the J-cups, and the rack be as wide as it needs", () => {
    const short: Bar = testBar({ shaftLength: stated(1090) });
    expect([fitsStation(short, RACK), fitsStation(POWER, RACK)]).toEqual([false, true]);
    expect(fitsStation({ ...POWER, canBeRacked: false }, RACK)).toBe(false);
    expect(fitsStation(short, { ...RACK, kind: "platform" })).toBe(true);
    expect(fitsStation(short, { ...RACK, supportSpacingMm: null })).toBe(true);
  });
});

describe("the clock", () => {
  it("tells when blocks begin, over midnight too", () => {
    expect(blockTimes("18:30", 25, 3)).toEqual(["18:30", "18:55", "19:20"]);
    expect(blockTimes("23:40", 30, 2)).toEqual(["23:40", "00:10"]);
  });
  it("is the hall's own", () => {
    expect(hallClockAt(new Date("2026-07-01T17:05:00Z"), "Europe/London")).toBe("18:05");
    expect(hallClockAt(new Date("2026-01-01T00:05:00Z"), "Europe/London")).toBe("00:05");
  });
  it("tells which bars are at which station just now", () => {
    const { entries, ...rest } = plan([entry("A", "back-squat-high", { tag: "P", station: "rack-1" })]);
    const running = [{ startsAt: "18:30", blockMinutes: 25, blocks: 2, plan: { ...rest, entries } }];
    expect([...barsInUse(running, "18:54")]).toEqual([["P", "rack-1"]]);
    for (const clock of ["18:29", "18:55", "19:21", "03:00"]) expect([...barsInUse(running, clock)]).toEqual([]);
    expect([...barsInUse([{ ...running[0]!, plan: null }], "18:40")]).toEqual([]);
  });
});
