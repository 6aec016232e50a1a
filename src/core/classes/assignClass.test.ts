import fc from "fast-check";
import highs from "highs";
import { describe, expect, it } from "vitest";
import { assignClass } from "./assignClass";
import { bestAssignment, pricedAssignment } from "./assignment";
import { inventedClass } from "./classWorld.fixture";
import { placePeople } from "./placePeople";
import { spareSpecialBars } from "./spareSpecialBars";
import { checkPlan, worthOf, type ClassProblem } from "./problem";

const solver = await highs();

/** The same class for a general-purpose MIP solver: who is where with what, and which bar stands where. */
function mipTotal(problem: ClassProblem): number {
  const { entries, slots } = problem;
  const bars = entries[0]!.fit.map((_, j) => j);
  const goal: string[] = [];
  const rules: string[] = [];
  const binaries: string[] = [];
  const once = new Map<string, string[]>();
  const seats = slots.map(() => [] as string[]);
  const sum = (terms: readonly string[]) => terms.join(" + ");
  const person = new Map<string, string[]>();
  const users = new Map<string, string[]>();
  for (let e = 0; e < entries.length; e += 1)
    for (let k = 0; k < slots.length; k += 1)
      for (const j of bars) {
        const worth = worthOf(problem, e, k, j);
        if (worth < 0) continue;
        const x = `x${e}_${k}_${j}`;
        goal.push(`${worth} ${x}`);
        binaries.push(x);
        const add = (to: Map<string, string[]>, key: string) => to.set(key, [...(to.get(key) ?? []), x]);
        add(once, `e${e}`);
        add(person, `${entries[e]!.person} ${slots[k]!.block}`);
        add(users, `${k}_${j}`);
        seats[k]!.push(x);
      }
  for (const terms of [...once.values(), ...person.values()]) rules.push(`${sum(terms)} <= 1`);
  seats.forEach((terms, k) => terms.length > 0 && rules.push(`${sum(terms)} <= ${slots[k]!.capacity}`));
  for (const [key, terms] of users) {
    binaries.push(`y${key}`);
    // Strong form: nobody uses a bar that does not stand there.
    for (const x of terms) rules.push(`${x} - y${key} <= 0`);
  }
  const y = [...users.keys()];
  slots.forEach((_, k) => {
    const own = y.filter((key) => key.startsWith(`${k}_`)).map((key) => `y${key}`);
    if (own.length > 0) rules.push(`${sum(own)} <= 1`);
  });
  for (const block of new Set(slots.map((slot) => slot.block)))
    for (const j of bars) {
      const own = y
        .filter((key) => key.endsWith(`_${j}`) && slots[Number(key.split("_")[0])]!.block === block)
        .map((key) => `y${key}`);
      if (own.length > 1) rules.push(`${sum(own)} <= 1`);
    }
  if (goal.length === 0) return 0;
  const model = `Maximize\n obj: ${sum(goal)}\nSubject To\n${rules.map((rule, i) => ` r${i}: ${rule}`).join("\n")}\nBinary\n ${binaries.join(" ")}\nEnd`;
  return Math.round(solver.solve(model).ObjectiveValue);
}

describe("tonight's class against a MIP solver package", () => {
  const worlds = [
    { entries: 6, stations: 2, blocks: 2, bars: 5, capacities: [2, 1], twice: 4 },
    { entries: 9, stations: 3, blocks: 2, bars: 6, capacities: [2], twice: 0 },
    { entries: 12, stations: 3, blocks: 3, bars: 8, capacities: [1, 2], twice: 6 },
    { entries: 10, stations: 2, blocks: 2, bars: 4, capacities: [3], twice: 6 },
    { entries: 14, stations: 4, blocks: 2, bars: 9, capacities: [2, 1], twice: 8 },
  ];
  // Fifty cases, seeds 1 to 50, the worlds in turn.
  it.each(Array.from({ length: 50 }, (_, i) => i + 1))(
    "seed %i: proven, equal, and a plan that can be carried out",
    (seed) => {
      const problem = inventedClass(seed, worlds[seed % worlds.length]!);
      const answer = assignClass(problem);
      expect(answer.isProven).toBe(true);
      expect(checkPlan(problem, answer)).toBe(answer.total);
      expect(answer.total).toBe(mipTotal(problem));
    },
  );
  it("a whole evening, 40 lifters, 12 station-blocks, 60 bars: proven, whatever the seed", () => {
    const evening = { entries: 40, stations: 4, blocks: 3, bars: 60, capacities: [3, 4], twice: 8 };
    for (let seed = 1; seed <= 4; seed += 1) {
      const problem = inventedClass(seed, evening);
      const answer = assignClass(problem);
      expect(answer.isProven).toBe(true);
      expect(checkPlan(problem, answer)).toBe(answer.total);
    }
  });
});

describe("what holds for any class", () => {
  const small = fc
    .integer({ min: 1, max: 1_000_000 })
    .map((seed) => inventedClass(seed, { entries: 5, stations: 2, blocks: 2, bars: 3, capacities: [1, 2], twice: 2 }));
  it("a plan can be carried out and is as good as every other", () =>
    fc.assert(
      fc.property(small, (problem) => {
        const answer = assignClass(problem);
        expect(checkPlan(problem, answer)).toBe(answer.total);
        expect(answer.total).toBe(everyWay(problem));
      }),
      { numRuns: 40 },
    ));
  it("never has a bar at two stations in one block, also where a bar moved to a slot that had none", () => {
    const open = [true, true, true];
    const problem = {
      slots: [
        { block: 0, capacity: 1, bars: [false, true, true] },
        { block: 0, capacity: 2, bars: open },
        { block: 1, capacity: 1, bars: open },
        { block: 1, capacity: 2, bars: open },
      ],
      entries: [
        { person: "p0", fit: [100, 100, 100], slots: [false, true, false, true] },
        { person: "p0", fit: [-1, -1, 100], slots: [false, true, false, true] },
        { person: "p2", fit: [-1, -1, -1], slots: [false, false, false, false] },
        { person: "p3", fit: [-1, -1, 10], slots: [true, false, true, false] },
        { person: "p4", fit: [40, 40, 40], slots: [true, false, true, false] },
      ],
    };
    const answer = assignClass(problem);
    expect(checkPlan(problem, answer)).toBe(answer.total);
    expect(answer.total).toBe(everyWay(problem));
  });
  it("sparing the special bars costs nobody anything and leaves no plain bar unused that would do", () =>
    fc.assert(
      fc.property(small, fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }), (problem, isPlain) => {
        const answer = assignClass(problem);
        const spared = spareSpecialBars(problem, answer, isPlain);
        expect(checkPlan(problem, spared)).toBe(answer.total);
        const special = (barOf: readonly number[]) => barOf.filter((bar) => bar >= 0 && !isPlain[bar]).length;
        expect(special(spared.barOf)).toBeLessThanOrEqual(special(answer.barOf));
      }),
      { numRuns: 60 },
    ));
  it("one more seat never makes it worse, and a choice that is fixed never better", () =>
    fc.assert(
      fc.property(small, fc.nat({ max: 3 }), fc.nat({ max: 4 }), (problem, k, e) => {
        const before = assignClass(problem).total;
        const more = problem.slots.map((slot, i) => (i === k ? { ...slot, capacity: slot.capacity + 1 } : slot));
        expect(assignClass({ ...problem, slots: more }).total).toBeGreaterThanOrEqual(before);
        const fixed = problem.entries.map((entry, i) =>
          i === e ? { ...entry, slots: entry.slots.map((is, at) => is && at === k) } : entry,
        );
        expect(assignClass({ ...problem, entries: fixed }).total).toBeLessThanOrEqual(before);
      }),
      { numRuns: 60 },
    ));
  it("an empty class, and a class that nobody can be placed in", () => {
    expect(assignClass({ entries: [], slots: [] })).toMatchObject({ total: 0, isProven: true });
    const never = {
      entries: [{ person: "a", fit: [-1], slots: [true] }],
      slots: [{ block: 0, capacity: 2, bars: [true] }],
    };
    expect(assignClass(never)).toMatchObject({ slotOf: [-1], barOf: [-1], total: 0, isProven: true });
  });
});

describe("assignment of rows to columns", () => {
  const matrix = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 6 })).chain(([rows, columns]) =>
    fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: columns, maxLength: columns }), {
      minLength: rows,
      maxLength: rows,
    }),
  );
  const totalOf = (value: number[][], taken: number[]) =>
    taken.reduce((sum, column, row) => sum + (column < 0 ? 0 : value[row]![column]!), 0);
  it("is as good as trying every way", () =>
    fc.assert(
      fc.property(matrix, (value) => {
        const taken = bestAssignment(value);
        expect(new Set(taken.filter((column) => column >= 0)).size).toBe(taken.filter((column) => column >= 0).length);
        const every = (row: number, used: number): number =>
          row === value.length
            ? 0
            : Math.max(
                every(row + 1, used),
                ...value[row]!.map((own, j) => (used & (1 << j) ? 0 : own + every(row + 1, used | (1 << j)))),
              );
        expect(totalOf(value, taken)).toBe(every(0, 0));
      }),
    ));
  it("has prices that leave no row and column better off together", () =>
    fc.assert(
      fc.property(matrix, (value) => {
        const { taken, prices } = pricedAssignment(value);
        const left = value[0]!.map((_, j) => Math.max(0, ...value.map((row, i) => row[j]! - prices[i]!)));
        const dual = [...prices, ...left].reduce((sum, one) => sum + one, 0);
        // Weak duality; equal when there are columns enough for everybody.
        expect(dual).toBeGreaterThanOrEqual(totalOf(value, taken) - 1e-9);
      }),
    ));
});

/** Every way to set bars and people, one after the other. */
function everyWay(problem: ClassProblem): number {
  const { slots, entries } = problem;
  let best = 0;
  const setBars = (k: number, barOf: number[]) => {
    if (k === slots.length) {
      best = Math.max(
        best,
        setPeople(
          0,
          barOf,
          slots.map(({ capacity }) => capacity),
          new Set(),
        ),
      );
      return;
    }
    for (let j = -1; j < entries[0]!.fit.length; j += 1) {
      if (j >= 0 && barOf.some((bar, i) => bar === j && slots[i]!.block === slots[k]!.block)) continue;
      setBars(k + 1, [...barOf, j]);
    }
  };
  const setPeople = (e: number, barOf: number[], room: number[], there: Set<string>): number => {
    if (e === entries.length) return 0;
    let most = setPeople(e + 1, barOf, room, there);
    slots.forEach(({ block }, k) => {
      const key = `${entries[e]!.person} ${block}`;
      if (room[k]! === 0 || barOf[k]! < 0 || there.has(key)) return;
      const worth = worthOf(problem, e, k, barOf[k]!);
      if (worth < 0) return;
      const left = room.map((n, i) => (i === k ? n - 1 : n));
      most = Math.max(most, worth + setPeople(e + 1, barOf, left, new Set([...there, key])));
    });
    return most;
  };
  setBars(0, []);
  return best;
}

it("places people exactly when the bars stand, and says so when nothing beats what is known", () => {
  const problem: ClassProblem = {
    slots: [
      { block: 0, capacity: 1, bars: [true, true] },
      { block: 0, capacity: 1, bars: [true, true] },
    ],
    entries: [
      { person: "a", fit: [100, 40], slots: [true, true] },
      { person: "a", fit: [80, 80], slots: [true, true] },
    ],
  };
  // One person, one block: only the better of the two.
  expect(placePeople(problem, [0, 1])).toMatchObject({ total: 1100, slotOf: [0, -1] });
  expect(placePeople(problem, [0, 1], 1100)).toBeNull();
});
