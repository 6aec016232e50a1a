import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { massUnitsFromKg } from "../units/exactMass";
import { KG_PER_LB } from "../units/constants";
import { judgeStack } from "./judgeStack";
import { keptAway } from "./keptAway";
import { load } from "./load";
import { exhaustiveSession } from "./plan/everySession.fixture";
import { planSession } from "./plan/planSession";
import type { SessionQuestion } from "./plan/sessionQuestion";
import type { PlateKind } from "./plateKind";
import type { LoadQuestion } from "./question";
import { readStack } from "./readStack";

/* Loads as gyms do them: a quarter of a kilogram either way, the fewest and largest plates (handbook §10). */

const SEED = 20261127;
const kind = (id: string, kg: number, pairs: number, more: Partial<PlateKind> = {}): PlateKind => ({
  ...{ id, massUnits: massUnitsFromKg(kg), pairs, thicknessMm: 30, diameterMm: 450, material: "steel" },
  ...more,
});
const HALL = [
  ...[kind("25", 25, 4), kind("20", 20, 4), kind("15", 15, 2), kind("10", 10, 2), kind("5", 5, 2)],
  ...[kind("2.5", 2.5, 2), kind("1.25", 1.25, 2), kind("0.5", 0.5, 2)],
  ...[kind("45lb", 45 * KG_PER_LB, 2), kind("10lb", 10 * KG_PER_LB, 2), kind("2.5lb", 2.5 * KG_PER_LB, 2)],
];
const asked = (targetKg: number, more: Partial<LoadQuestion> = {}): LoadQuestion => ({
  targetUnits: massUnitsFromKg(targetKg),
  ...{ barUnits: massUnitsFromKg(20), clampPairUnits: 0, roomMm: 415, ratedUnits: null, plates: HALL },
  ...{ ending: "racked", rounding: "nearest", toleranceUnits: 0, floorUnits: massUnitsFromKg(0.25), onBar: null },
  ...more,
});

describe("a load within the floor's tolerance", () => {
  // Handbook §10: a bar of 20.01 kg with 100 kg wished is 25 + 15 a side, not seven plates to stay under.
  it("is 25 + 15 a side for 100 kg on a bar of 20.01 kg, in a load and in a session", () => {
    const barUnits = massUnitsFromKg(20.01);
    expect(load(asked(100, { barUnits }))).toMatchObject({ ok: true, perSide: ["25", "15"], warnings: [] });
    const exact = load(asked(100, { barUnits, floorUnits: undefined, rounding: "at-or-below" }));
    expect(exact.ok && exact.perSide.length).toBeGreaterThan(2);
    const plan = planSession({
      ...{ barUnits, clampPairUnits: 0, roomMm: 415, changesSetupEmpty: false, start: [], endsEmpty: true },
      plates: HALL.map((plate) => ({ ...plate, thicknessMm: plate.thicknessMm! })),
      sets: [60, 80, 100].map((kg) => ({ id: String(kg), targetUnits: massUnitsFromKg(kg), setup: null })),
      ...{ toleranceUnits: massUnitsFromKg(0.25), isFloor: true, order: "larger-inside" },
    });
    expect(plan.isProven).toBe(true);
    for (const { errorUnits } of plan.sets) expect(Math.abs(errorUnits)).toBeLessThanOrEqual(massUnitsFromKg(0.25));
    expect(plan.sets.at(-1)!.perSide.length).toBeLessThanOrEqual(3);
    for (const order of ["any", "larger-inside"] as const) {
      const alone = planSession({
        ...{ barUnits, clampPairUnits: 0, roomMm: 415, changesSetupEmpty: false, start: [], endsEmpty: true, order },
        plates: HALL.map((plate) => ({ ...plate, thicknessMm: plate.thicknessMm! })),
        sets: [{ id: "work", targetUnits: massUnitsFromKg(100), setup: null }],
        ...{ toleranceUnits: massUnitsFromKg(0.25), isFloor: true },
      });
      expect(alone.sets[0]!.perSide).toEqual(["25", "15"]);
    }
  });
  it("has the fewest plates of all within it, and where nothing is within it the nearest, by trying every choice", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 2 })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: 0, max: 3 }),
        (kinds, over, tolerance) => {
          const plates = kinds.map(([quarter, pairs], i) => kind(`p${i}`, quarter / 4 + i / 100, pairs));
          const question = asked(20 + over / 4, { plates, roomMm: null, floorUnits: massUnitsFromKg(tolerance / 8) });
          const sums = plates.reduce<{ mass: number; count: number }[]>(
            (all, { massUnits, pairs }) =>
              all.flatMap(({ mass, count }) =>
                Array.from({ length: pairs + 1 }, (_, n) => ({ mass: mass + n * massUnits, count: count + n })),
              ),
            [{ mass: 0, count: 0 }],
          );
          const need = question.targetUnits - question.barUnits;
          const offs = sums.map(({ mass, count }) => ({ off: Math.abs(2 * mass - need), count }));
          const within = offs.filter(({ off }) => off <= question.floorUnits!);
          const answer = load(question);
          if (!answer.ok) throw new Error(answer.message);
          if (within.length > 0) {
            expect(Math.abs(answer.errorUnits)).toBeLessThanOrEqual(question.floorUnits!);
            expect(answer.perSide).toHaveLength(Math.min(...within.map(({ count }) => count)));
          } else expect(Math.abs(answer.errorUnits)).toBe(Math.min(...offs.map(({ off }) => off)));
        },
      ),
      { seed: SEED, numRuns: 300 },
    ));
  it("is never over the rating", () => {
    const plates = [kind("10", 10, 2), kind("0.1", 0.1, 1)];
    const ratedUnits = massUnitsFromKg(60);
    const answer = load(asked(60, { plates, barUnits: massUnitsFromKg(20.05), ratedUnits }));
    expect(answer.ok && answer.achievedUnits).toBeLessThanOrEqual(ratedUnits);
  });
  it("with larger inside keeps what is on the bar only as far as that holds", () => {
    const answer = load(asked(130, { onBar: ["10", "5"], order: "larger-inside" }));
    expect(answer.ok && answer.perSide.map((id) => HALL.find((one) => one.id === id)!.massUnits)).toEqual(
      answer.ok && answer.perSide.map((id) => HALL.find((one) => one.id === id)!.massUnits).toSorted((a, b) => b - a),
    );
    expect(load(asked(100, { onBar: ["25"], order: "larger-inside" }))).toMatchObject({ perSide: ["25", "15"] });
  });
});

describe("a session within the floor's tolerance", () => {
  it("handles as few as trying every stack finds, in both schools, within the rating", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 4, max: 60 }), fc.integer({ min: 0, max: 2 })), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.array(fc.integer({ min: 0, max: 160 }), { minLength: 1, maxLength: 4 }),
        fc.boolean(),
        fc.constantFrom("any" as const, "larger-inside" as const),
        (kinds, targets, isRated, order) => {
          const question: SessionQuestion = {
            ...{ barUnits: massUnitsFromKg(20.01), clampPairUnits: 0, roomMm: null, changesSetupEmpty: false },
            plates: kinds.map(([quarter, pairs], i) => ({
              ...{ id: `p${i}`, massUnits: massUnitsFromKg(quarter / 4), pairs, thicknessMm: 0 },
            })),
            sets: targets.map((over, i) => ({
              ...{ id: `s${i}`, targetUnits: massUnitsFromKg(20 + over / 4), setup: null },
            })),
            ...{ start: [], endsEmpty: true, toleranceUnits: massUnitsFromKg(0.25), isFloor: true, order },
            ratedUnits: isRated ? massUnitsFromKg(60) : null,
          };
          const plan = planSession(question);
          expect(plan.handled).toBe(exhaustiveSession(question));
          expect(plan.isProven).toBe(true);
          for (const { achievedUnits, errorUnits } of plan.sets)
            if (isRated && errorUnits > 0 && achievedUnits > question.barUnits)
              expect(achievedUnits).toBeLessThanOrEqual(massUnitsFromKg(60));
        },
      ),
      { seed: SEED, numRuns: 200 },
    ));
});

describe("what keeps a load away (contract of /load)", () => {
  const exact = (targetKg: number, more: Partial<LoadQuestion> = {}) =>
    asked(targetKg, { floorUnits: undefined, rounding: "at-or-below", ...more });
  const rubber = kind("r20", 20, 2, { material: "bumper", thicknessMm: 60 });
  test.each<[string, LoadQuestion, string[]]>([
    ["nothing, when it is exact", exact(100), []],
    ["too few pairs", exact(140, { plates: [kind("20", 20, 2)] }), ["not-enough-plates"]],
    ["a full sleeve", exact(140, { plates: [kind("20", 20, 4)], roomMm: 70 }), ["sleeve-full"]],
    ["no small plate", exact(101, { plates: [kind("20", 20, 4)] }), ["no-smaller-plate"]],
    [
      "the rule for iron and rubber",
      exact(90, { ending: "dropped", plates: [rubber, kind("15", 15, 1)], roomMm: null }),
      ["rubber-rule"],
    ],
    [
      "two at once, each alone gets nearer",
      exact(100, { plates: [kind("20", 20, 1), kind("9", 9, 1, { thicknessMm: 40 })], roomMm: 65 }),
      ["not-enough-plates", "sleeve-full"],
    ],
    ["within the floor's tolerance, nothing", asked(100.1, { plates: [kind("20", 20, 4)] }), []],
  ])("is %s", (_, question, codes) => {
    expect(keptAway(question, load(question)).map(({ code }) => code)).toEqual(codes);
  });
});

describe("a stack of one's own", () => {
  const verdicts = (question: LoadQuestion, perSide: string[]) =>
    judgeStack(question, perSide, (id) => id).lines.map(({ verdict }) => verdict);
  it("is totalled to the unit, and every limit is said", () => {
    const fine = judgeStack(asked(100), ["25", "15"], (id) => id);
    expect(fine).toMatchObject({ totalUnits: massUnitsFromKg(100), errorUnits: 0, thicknessMm: 60 });
    expect(new Set(fine.lines.map(({ verdict }) => verdict))).toEqual(new Set(["fine"]));
    const ratedUnits = massUnitsFromKg(90);
    expect(verdicts(asked(100, { ratedUnits }), ["25", "15"])[0]).toBe("refuse");
    expect(verdicts(asked(100, { roomMm: 50 }), ["25", "15"])[0]).toBe("refuse");
    expect(verdicts(asked(100), ["15", "15", "15"])[0]).toBe("refuse");
    expect(verdicts(asked(100, { ending: "dropped" }), ["25", "15"])[0]).toBe("refuse");
    expect(verdicts(asked(100, { order: "larger-inside" }), ["15", "25"])[0]).toBe("warn");
    expect(verdicts(asked(120), ["25", "15"])[0]).toBe("warn");
  });
  const known = [
    { id: "r25", value: "25", unit: "kg" as const, material: "bumper" as const },
    { id: "s25", value: "25", unit: "kg" as const, material: "steel" as const },
    { id: "i25lb", value: "25", unit: "lb" as const, material: "iron" as const },
    { id: "s2.5", value: "2.5", unit: "kg" as const, material: "steel" as const },
    { id: "i45", value: "45", unit: "lb" as const, material: "iron" as const },
  ];
  test.each<[string, string[]]>([
    ["25 kg, 2.5", ["r25", "s2.5"]],
    ["2 x 25 KG steel; 45", ["s25", "s25", "i45"]],
    ["25kg rubber + 2,5 kg", ["r25", "s2.5"]],
    ["45 lb × 2 and 25 lb", ["i45", "i45", "i25lb"]],
    ["45lbs,2,5", ["i45", "s2.5"]],
    ["", []],
  ])("is read from %j", (text, perSide) => expect(readStack(text, known)).toEqual({ ok: true, perSide }));
  test.each([
    ["25", 1],
    ["7 kg, purple, 25 kg plastic", 3],
    ["41 x 45", 1],
  ])("is refused with every problem: %j", (text, count) => {
    const read = readStack(text, known);
    expect(!read.ok && read.problems).toHaveLength(count);
  });
});
