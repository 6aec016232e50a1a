import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { massUnitsFromKg } from "../../units/exactMass";
import { platesHandled } from "../handled";
import { load } from "../load";
import { exhaustiveSession } from "./everySession.fixture";
import { handledThrough } from "./handledThrough";
import { nestedPlan, Numbering, windowCost } from "./nestedPlan";
import { planSession, type PlanOptions } from "./planSession";
import { sideWaysOf } from "./sessionWays";
import { stackPlan } from "./stackPlan";
import type { PlanPlate, SessionPlan, SessionQuestion } from "./sessionQuestion";

const plate = (kg: number, pairs: number, thicknessMm = 0): PlanPlate => ({
  id: `p${kg}`,
  massUnits: massUnitsFromKg(kg),
  pairs,
  thicknessMm,
});
const session = (plates: PlanPlate[], targets: number[], more: Partial<SessionQuestion> = {}): SessionQuestion => ({
  barUnits: massUnitsFromKg(20),
  clampPairUnits: 0,
  roomMm: null,
  changesSetupEmpty: false,
  plates,
  sets: targets.map((kg, i) => ({ id: `s${i}`, targetUnits: massUnitsFromKg(kg), setup: null })),
  start: [],
  endsEmpty: false,
  ...more,
});

/** Plates handled when the plan is carried out, one side. */
function replayed(question: SessionQuestion, plan: SessionPlan): number {
  let before: readonly string[] = question.start;
  let handled = 0;
  plan.sets.forEach(({ perSide }, i) => {
    const isEmptied = question.changesSetupEmpty && i > 0 && question.sets[i]!.setup !== question.sets[i - 1]!.setup;
    handled += isEmptied ? before.length + perSide.length : platesHandled(before, perSide);
    before = perSide;
  });
  return handled + (question.endsEmpty ? before.length : 0);
}

/** What must hold of every plan: masses exact, never a plate too many, what it says is what is handled. */
function check(question: SessionQuestion, plan: SessionPlan): void {
  expect(replayed(question, plan)).toBe(plan.handled);
  expect(plan.lowerBound).toBeLessThanOrEqual(plan.handled);
  expect(plan.isProven).toBe(plan.lowerBound === plan.handled);
  plan.sets.forEach(({ perSide, achievedUnits, errorUnits }, i) => {
    const { targetUnits, pairs } = question.sets[i]!;
    let [mass, thickness] = [0, 0];
    question.plates.forEach(({ id, massUnits, thicknessMm, pairs: all }, k) => {
      const count = perSide.filter((one) => one === id).length;
      expect(count).toBeLessThanOrEqual(pairs?.[k] ?? all);
      mass += count * massUnits;
      thickness += count * thicknessMm;
    });
    expect(achievedUnits).toBe(question.barUnits + question.clampPairUnits + 2 * mass);
    expect(errorUnits).toBe(achievedUnits - targetUnits);
    if (question.order === "larger-inside") {
      const masses = perSide.map((id) => question.plates.find((one) => one.id === id)!.massUnits);
      expect(masses).toEqual([...masses].sort((a, b) => b - a));
    }
    if (question.roomMm !== null) expect(thickness).toBeLessThanOrEqual(question.roomMm);
  });
}

describe("a session's plan", () => {
  it("is the handbook's: 60, 100, 140, 100 kg from empty are 6 handled a side", () => {
    const plates = [plate(25, 3), plate(20, 1), plate(15, 1), plate(10, 2), plate(5, 1), plate(2.5, 1), plate(1.25, 1)];
    const question = session(plates, [60, 100, 140, 100]);
    const plan = planSession(question);
    check(question, plan);
    expect(plan).toMatchObject({ handled: 6, lowerBound: 6, isProven: true });
  });
  // Google Code Jam 2022, round 1A, "Weightlifting" (from memory, and confirmed by exhaustive search): each exercise has
  // fixed plates. Masses are powers of a base over the greatest count, so that a mass has one choice of plates only.
  test.each([
    [[[1], [2], [1]], 4],
    [
      [
        [1, 2, 1],
        [2, 1, 2],
      ],
      12,
    ],
    [
      [
        [3, 1, 1],
        [3, 3, 3],
        [2, 3, 3],
      ],
      20,
    ],
  ])("of the published puzzle %j is %i", (exercises, handled) => {
    const kinds = exercises[0]!.length;
    const plates = Array.from({ length: kinds }, (_, k) => ({
      id: `k${k}`,
      massUnits: 10_000_000_000 * 5 ** k,
      pairs: 3,
      thicknessMm: 0,
    }));
    const question: SessionQuestion = {
      ...session(plates, []),
      sets: exercises.map((counts, i) => ({
        id: `e${i}`,
        targetUnits: massUnitsFromKg(20) + 2 * counts.reduce((sum, count, k) => sum + count * plates[k]!.massUnits, 0),
        setup: null,
      })),
      endsEmpty: true,
    };
    const plan = planSession(question);
    check(question, plan);
    expect(plan.handled).toBe(handled);
    expect(exhaustiveSession(question)).toBe(handled);
  });
  it("never loads over the target, and the empty bar when the target is under it", () => {
    const question = session([plate(20, 2), plate(1.25, 1)], [15, 59, 61]);
    const plan = planSession(question);
    check(question, plan);
    // By hand: under the bar; 19.5 a side allows only 1.25; 20.5 a side allows a 20.
    expect(plan.sets.map(({ achievedUnits }) => achievedUnits / 1e10)).toEqual([20, 22.5, 60]);
    expect(plan.sets.map(({ errorUnits }) => errorUnits / 1e10)).toEqual([5, -36.5, -1]);
  });
  it("empties the sleeve where the setup changes on a bar that may only be changed empty", () => {
    const plates = [plate(20, 2), plate(10, 2)];
    const sets = ["a", "a", "b"].map((setup, i) => ({ id: `${i}`, targetUnits: massUnitsFromKg(80), setup }));
    const free = planSession({ ...session(plates, []), sets });
    const empty = planSession({ ...session(plates, []), sets, changesSetupEmpty: true });
    check({ ...session(plates, []), sets, changesSetupEmpty: true }, empty);
    expect([free.handled, empty.handled]).toEqual([2, 6]);
  });
  it("starts from what is on the bar, in its order", () => {
    const plates = [plate(20, 2), plate(10, 2), plate(5, 2)];
    const question = session(plates, [70], { start: ["p5", "p20"] });
    const plan = planSession(question);
    check(question, plan);
    expect(plan).toMatchObject({ handled: 0, sets: [{ perSide: ["p5", "p20"] }] });
    expect(() => planSession(session(plates, [70], { start: ["p1"] }))).toThrow("no plate of the session");
  });
  it("takes no plate that another station holds at that set", () => {
    const plates = [plate(20, 1), plate(10, 2)];
    const question = session(plates, [60, 60]);
    question.sets[1]!.pairs = [0, 2];
    const plan = planSession(question);
    check(question, plan);
    expect(plan.sets[1]!.perSide).toEqual(["p10", "p10"]);
  });
  it("of no sets is nothing, or the start taken off", () => {
    expect(planSession(session([plate(5, 1)], []))).toMatchObject({ sets: [], handled: 0, isProven: true });
    expect(planSession(session([plate(5, 1)], [], { start: ["p5"], endsEmpty: true })).handled).toBe(1);
  });
});

/** Small sessions with everything in them, from a seed. */
const small = fc
  .record({
    plates: fc.uniqueArray(fc.constantFrom(20, 15, 10, 5, 2.5, 1.25, 11.339809), { minLength: 1, maxLength: 4 }),
    pairs: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 4, maxLength: 4 }),
    targets: fc.array(fc.integer({ min: 8, max: 60 }), { minLength: 1, maxLength: 5 }),
    setups: fc.array(fc.constantFrom("a", "b"), { minLength: 5, maxLength: 5 }),
    roomMm: fc.constantFrom(null, 60, 90),
    changesSetupEmpty: fc.boolean(),
    endsEmpty: fc.boolean(),
    startPlates: fc.integer({ min: 0, max: 2 }),
    order: fc.constantFrom("any" as const, "larger-inside" as const),
    toleranceKg: fc.constantFrom(0, 0, 0.25, 2.5),
    diameters: fc.array(fc.constantFrom(450, 320), { minLength: 4, maxLength: 4 }),
  })
  .map(({ plates, pairs, targets, setups, roomMm, changesSetupEmpty, endsEmpty, startPlates, ...more }) => {
    // Two kinds of one mass now and then: what is inside is then a matter of their diameters.
    const list = plates.map((kg, k) => ({
      ...plate(kg === 15 ? 20 : kg, pairs[k]!, 20 + 5 * k),
      id: `p${kg}`,
      diameterMm: more.diameters[k]!,
    }));
    const asked: SessionQuestion = {
      ...session(list, []),
      order: more.order,
      toleranceUnits: massUnitsFromKg(more.toleranceKg),
      roomMm,
      changesSetupEmpty,
      endsEmpty,
      sets: targets.map((kg, i) => ({ id: `${i}`, targetUnits: massUnitsFromKg(2.5 * kg), setup: setups[i]! })),
      start: list
        .filter(({ pairs: owned }) => owned > 0)
        .slice(0, startPlates)
        .map(({ id }) => id),
    };
    return asked;
  });

describe("against the slow and obvious way", () => {
  test.each<[string, PlanOptions]>([
    ["with tables", {}],
    ["with the search", { withoutTable: true }],
  ])("300 small sessions %s: as few as trying every stack", (_, options) =>
    fc.assert(
      fc.property(small, (question) => {
        const plan = planSession(question, options);
        check(question, plan);
        const least = exhaustiveSession(question);
        expect(plan.lowerBound).toBeLessThanOrEqual(least);
        if (options.withoutTable && question.order === "larger-inside") return;
        expect(plan.handled).toBe(least);
        expect(plan.isProven).toBe(true);
      }),
      { numRuns: 300, seed: 20_261_125 },
    ),
  );
  it("300 small sessions in any order: the table of stacks agrees with the table of spans", () =>
    fc.assert(
      fc.property(small, (question) => {
        const lists = sideWaysOf(question).map(({ ways }) => ways);
        const asked = {
          ways: lists,
          isEmptiedBefore: lists.map((list, i) => i > 0 && list !== lists[i - 1]),
          start: question.start.map((id) => question.plates.findIndex((one) => one.id === id)),
          endsEmpty: question.endsEmpty,
        };
        const order = question.plates.map((_, k) => k);
        const stacks = stackPlan({ ...asked, groups: [order] }, { maxStacks: 100_000 })!;
        const nested = nestedPlan({ ...asked, order })!;
        expect(stacks.handled).toBe(nested.handled);
        expect(handledThrough(stacks.stacks, asked)).toBe(stacks.handled);
        expect(handledThrough(nested.stacks, asked)).toBe(nested.handled);
      }),
      { numRuns: 300, seed: 20_261_127 },
    ));
  it("reaches what the single load reaches", () =>
    fc.assert(
      fc.property(small, (question) => {
        for (const [i, { achievedUnits }] of planSession({ ...question, toleranceUnits: 0 }).sets.entries()) {
          const single = load({
            targetUnits: question.sets[i]!.targetUnits,
            barUnits: question.barUnits,
            clampPairUnits: 0,
            roomMm: question.roomMm,
            ratedUnits: null,
            plates: question.plates.map((one) => ({ ...one, diameterMm: null, material: null })),
            ending: "racked",
            rounding: "at-or-below",
            toleranceUnits: 0,
            onBar: null,
          });
          expect(achievedUnits).toBe(single.ok ? single.achievedUnits : question.barUnits);
        }
      }),
      { numRuns: 200 },
    ));
});

describe("larger sessions", () => {
  const seeded = (seed: number) => () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
  const eight = [
    plate(25, 4),
    plate(20, 2),
    plate(15, 2),
    plate(10, 2),
    plate(5, 2),
    plate(2.5, 2),
    plate(1.25, 2),
    plate(0.5, 2),
  ];
  it("of six lifters and eight rounds are proven, and the search agrees where it can prove", () => {
    for (const seed of [1, 2, 3]) {
      const next = seeded(seed);
      const tops = Array.from({ length: 6 }, () => Math.round((60 + next() * 60) / 2.5) * 2.5);
      const targets = Array.from(
        { length: 48 },
        (_, i) => Math.round((tops[i % 6]! * (0.5 + (0.5 * Math.floor(i / 6)) / 7)) / 2.5) * 2.5,
      );
      const question = session(eight, targets, { endsEmpty: true });
      const plan = planSession(question);
      check(question, plan);
      expect(plan.isProven).toBe(true);
      const searched = planSession(question, { withoutTable: true });
      check(question, searched);
      expect(searched.handled).toBeGreaterThanOrEqual(plan.handled);
      expect(searched.lowerBound).toBeLessThanOrEqual(plan.handled);
      if (searched.isProven) expect(searched.handled).toBe(plan.handled);
    }
  });
  it.each([0, 1, 5, 40, 400])(
    "answer when time is over after %i looks at the clock, with a bound that holds",
    (looks) => {
      const many = Array.from({ length: 24 }, (_, i) => plate(1.25 + i * 0.5, 8, 12 + i));
      const targets = Array.from({ length: 30 }, (_, i) => 40 + ((7 * i) % 29) * 5.5);
      for (const order of ["any", "larger-inside"] as const) {
        const question = session(many, targets, { endsEmpty: true, roomMm: 380, order });
        let asked = 0;
        const plan = planSession(question, { spent: () => ((asked += 1) > looks ? 1 : 0) });
        check(question, plan);
        expect(plan.sets.every(({ errorUnits }) => errorUnits <= 0)).toBe(true);
      }
    },
  );
  it("with more kinds than can be listed still keep every promise but the proof", () => {
    const many = Array.from({ length: 30 }, (_, i) => plate(1.25 + i * 0.625, 60));
    const question = session(many, [100, 400, 250, 900], { endsEmpty: true });
    const plan = planSession(question);
    check(question, plan);
    expect(plan.sets.every(({ errorUnits }) => errorUnits <= 0)).toBe(true);
  });
});

it("windows of a session, alone, never cost more than the session does between their sets", () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 8, max: 40 }), { minLength: 2, maxLength: 6 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 2, max: 5 }),
      (loads, from, length) => {
        const plates = [plate(20, 2), plate(10, 2), plate(5, 2), plate(2.5, 2)];
        const asked = session(
          plates,
          loads.map((n) => 2.5 * n),
        );
        const numbering = new Numbering(sideWaysOf(asked).map(({ ways }) => ways));
        const sets = loads.map((_, i) => i).slice(from, from + length);
        if (sets.length === 0) return;
        const plan = planSession(asked);
        const between = sets
          .slice(1)
          .reduce((sum, i) => sum + platesHandled(plan.sets[i - 1]!.perSide, plan.sets[i]!.perSide), 0);
        expect(windowCost(numbering, { sets })).toBeLessThanOrEqual(between);
        // From an empty sleeve to an empty one, the first and the last stack count too.
        const whole = planSession({ ...asked, endsEmpty: true });
        const all = loads.map((_, i) => i);
        expect(windowCost(numbering, { sets: all })).toBeLessThanOrEqual(
          whole.handled - whole.sets[0]!.perSide.length - whole.sets.at(-1)!.perSide.length,
        );
      },
    ),
    { numRuns: 120 },
  ));
