import { describe, expect, it, test } from "vitest";
import { cursorParts, isText, isUuid, isWhole, wireCursor } from "./fields";
import { keptAway } from "@/core/loading/keptAway";
import { load } from "@/core/loading/load";
import { answerLoad, loadProblems, loadQuestion, loadRequest, type LoadRequest } from "./load";
import { checked } from "./problems";
import { answerWhip, whipRequest, type WhipRequest } from "./whip";

const WHIP = {
  bar: { shaftDiameterMm: 28, shaftLengthMm: 1310, collarThicknessMm: 30 },
  supportHalfSpacingMm: 220,
  perSide: Array.from({ length: 5 }, () => ({ massKg: 25, thicknessMm: 27 })),
};
const LOAD = { targetKg: 100, bar: { massKg: 20 }, plates: [{ id: "r20", massKg: 20, pairs: 2 }] };

const paths = (result: ReturnType<typeof checked>) => (result.ok ? [] : result.problems.map(({ path }) => path));
const whipWith = (change: object) => checked(whipRequest, { ...WHIP, ...change });
const loadWith = (change: object) => checked(loadRequest, { ...LOAD, ...change });

describe("checking a request", () => {
  it("fills in the defaults of the contract", () => {
    expect(checked(whipRequest, WHIP)).toMatchObject({ ok: true, value: { bar: { elasticModulusGPa: 207 } } });
    expect(checked(loadRequest, LOAD)).toMatchObject({
      ok: true,
      value: {
        clampPairKg: 0,
        ending: "racked",
        rounding: "at-or-below",
        toleranceKg: 0,
        ironToRubber: { warn: 0.2, refuse: 0.3 },
      },
    });
    expect(loadWith({ ironToRubber: { warn: 0.1 } })).toMatchObject({
      value: { ironToRubber: { warn: 0.1, refuse: 0.3 } },
    });
  });

  it("lists every problem with its path", () =>
    expect(
      paths(
        checked(whipRequest, {
          bar: { shaftDiameterMm: "28", shaftLengthMm: null, collarThicknessMm: 0.5, colour: "red" },
          perSide: [WHIP.perSide[0], { massKg: 25, thicknessMm: 27 }, { massKg: 0, thicknessMm: NaN }],
        }),
      ).toSorted(),
    ).toEqual([
      "bar.collarThicknessMm",
      "bar.colour",
      "bar.shaftDiameterMm",
      "bar.shaftLengthMm",
      "perSide.2.massKg",
      "perSide.2.thicknessMm",
      "supportHalfSpacingMm",
    ]));

  test.each([
    ["a string for a number", { supportHalfSpacingMm: "220" }],
    ["null", { supportHalfSpacingMm: null }],
    ["Infinity", { supportHalfSpacingMm: Infinity }],
    ["an unknown field", { gravity: 9.8 }],
    ["no plate", { perSide: [] }],
    ["41 plates", { perSide: Array.from({ length: 41 }, () => WHIP.perSide[0]) }],
    ["a length over 10 m", { supportHalfSpacingMm: 10_001 }],
    ["a negative length", { supportHalfSpacingMm: -1 }],
    ["a list for an object", { bar: [] }],
  ])("refuses %s", (_name, change) => expect(whipWith(change).ok).toBe(false));

  test.each([
    [
      "the largest and smallest that are allowed",
      { supportHalfSpacingMm: 10_000, perSide: [{ massKg: 2000, thicknessMm: 10_000 }] },
    ],
    ["a fraction", { perSide: [{ massKg: 0.0001, thicknessMm: 1 }] }],
  ])("accepts %s", (_name, change) => expect(whipWith(change).ok).toBe(true));

  test.each([
    ["two plates of one id", { plates: [LOAD.plates[0], LOAD.plates[0]] }],
    ["half a pair", { plates: [{ ...LOAD.plates[0], pairs: 1.5 }] }],
    ["101 pairs", { plates: [{ ...LOAD.plates[0], pairs: 101 }] }],
    ["an empty id", { plates: [{ ...LOAD.plates[0], id: "" }] }],
    ["an id of 65 characters", { plates: [{ ...LOAD.plates[0], id: "x".repeat(65) }] }],
    ["a target of nothing", { targetKg: 0 }],
    ["an unknown ending", { ending: "thrown" }],
    ["an unknown material", { plates: [{ ...LOAD.plates[0], material: "wood" }] }],
  ])("refuses %s", (_name, change) => expect(loadWith(change).ok).toBe(false));

  it("refuses what is no object, and a field called __proto__", () => {
    for (const value of [null, 5, "x", [], undefined]) expect(checked(whipRequest, value).ok).toBe(false);
    expect(paths(checked(whipRequest, JSON.parse('{"bar":{"__proto__":{"x":1}}}')))).toContain("bar.__proto__");
  });

  it("does not look into lists that are far too long", () => {
    const started = performance.now();
    expect(loadWith({ plates: Array.from({ length: 60_000 }, () => ({ id: "x" })) })).toMatchObject({
      problems: [{ path: "plates", message: expect.stringContaining("60000") }],
    });
    expect(performance.now() - started).toBeLessThan(2000);
  });

  it("names plates on the bar that are not there, or too many of them", () => {
    const request = {
      ...LOAD,
      onBar: ["r20", "x", "r20", "r20"],
      ironToRubber: { warn: 0.4, refuse: 0.3 },
    } as unknown as LoadRequest;
    expect(loadProblems(request).map(({ path }) => path)).toEqual(["ironToRubber.warn", "onBar.1", "onBar.3"]);
  });
});

describe("answers", () => {
  it("/whip is the closed form of the handbook: 22.1 mm and 303 MPa", () => {
    const result = answerWhip((checked(whipRequest, WHIP) as { value: WhipRequest }).value)!;
    expect(result.deflectionMm).toBeCloseTo(22.1, 1);
    expect(Math.round(result.maxStressMPa)).toBe(303);
    expect(result).toMatchObject({ seatToSeatMm: 1370, safetyFactor: null });
    expect(Object.keys(result)).toEqual([
      "seatToSeatMm",
      "loadCentroidMm",
      "deflectionMm",
      "centreRiseMm",
      "maxMomentNm",
      "maxStressMPa",
      "safetyFactor",
      "stiffnessNPerMm",
      "oscillationHz",
    ]);
  });
  it("/whip takes a seat-to-seat as read over the sum", () =>
    expect(answerWhip({ ...WHIP, bar: { ...WHIP.bar, elasticModulusGPa: 207, seatToSeatMm: 1400 } })).toMatchObject({
      seatToSeatMm: 1400,
    }));
  it("/load is exact in kilograms", () => {
    const question = loadQuestion((checked(loadRequest, { ...LOAD, targetKg: 60.1 }) as { value: LoadRequest }).value);
    const answer = load(question);
    const result = answerLoad({ answer, away: keptAway(question, answer) });
    expect(result).toMatchObject({
      ok: true,
      body: { achievedKg: 60, errorKg: -0.1, exact: false, perSide: ["r20"], warnings: [{ code: "no-smaller-plate" }] },
    });
  });
});

describe("cursors", () => {
  it("come back as they went, and nothing else is taken for one", () => {
    const uuid = "0198c0de-0000-7000-8000-000000000000";
    expect(cursorParts(wireCursor(JSON.stringify(["K04", uuid]))!, isText, isUuid)).toEqual(["K04", uuid]);
    expect(wireCursor(null)).toBeNull();
    for (const cursor of [
      "",
      "x",
      wireCursor('["K04"]')!,
      wireCursor('["K04","x"]')!,
      wireCursor("{}")!,
      wireCursor(`[1,"${uuid}"]`)!,
    ])
      expect(cursorParts(cursor, isText, isUuid)).toBeNull();
    expect(cursorParts(wireCursor(`["5","${uuid}"]`)!, isWhole, isUuid)).toBeNull();
  });
});
