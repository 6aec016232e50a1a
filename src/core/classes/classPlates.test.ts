import fc from "fast-check";
import highs from "highs";
import { describe, expect, it } from "vitest";
import { assignClass } from "./assignClass";
import { assignWithPlates, conflictOf, isMadeAtOnce, type ClassPlates } from "./classPlates";
import { checkPlan, worthOf, type ClassProblem } from "./problem";

/* Classes with their plates, against a MIP solver package on small seeded instances: equal value. */

const SEED = 20261127;
const solver = await highs();

interface World {
  problem: ClassProblem;
  plates: ClassPlates;
}

/** Loads of one side in whole units, of plates of 4, 2 and 1 units, on bars that weigh 0 or 1. */
const world = fc
  .record({
    pairs: fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 2 }), fc.integer({ min: 1, max: 2 })),
    loads: fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 2, maxLength: 5 }),
    fits: fc.array(fc.array(fc.constantFrom(-1, 10, 40, 80, 100), { minLength: 3, maxLength: 3 }), {
      minLength: 5,
      maxLength: 5,
    }),
    blocks: fc.integer({ min: 1, max: 2 }),
    stations: fc.integer({ min: 2, max: 3 }),
    capacity: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ pairs, loads, fits, blocks, stations, capacity }): World => {
    const slots = Array.from({ length: blocks * stations }, (_, k) => ({
      block: Math.floor(k / stations),
      capacity,
      bars: [true, true, true],
    }));
    return {
      problem: {
        slots,
        entries: loads.map((_, e) => ({ person: `p${e}`, fit: fits[e]!, slots: slots.map(() => true) })),
      },
      plates: { pairs, waysOf: (entry, bar) => waysTo(loads[entry]! - (bar === 2 ? 1 : 0), pairs) },
    };
  });

const VALUES = [4, 2, 1];

/** Every way to a mass with the pairs there are; of the nearest below where it cannot be made. */
function waysTo(mass: number, pairs: readonly number[]): Uint8Array[] {
  for (let aim = Math.max(0, mass); aim >= 0; aim -= 1) {
    const ways: Uint8Array[] = [];
    for (let a = 0; a <= pairs[0]!; a += 1)
      for (let b = 0; b <= pairs[1]!; b += 1) {
        const c = aim - VALUES[0]! * a - VALUES[1]! * b;
        if (c >= 0 && c <= pairs[2]!) ways.push(Uint8Array.from([a, b, c]));
      }
    if (ways.length > 0) return ways;
  }
  return [];
}

/** Whether loads can be made at once, by trying every choice of ways. */
function canAtOnce({ plates }: World, parts: { entry: number; bar: number }[]): boolean {
  let sums: number[][] = [[0, 0, 0]];
  for (const { entry, bar } of parts)
    sums = sums.flatMap((sum) => plates.waysOf(entry, bar).map((way) => sum.map((n, k) => n + way[k]!)));
  return sums.some((sum) => sum.every((n, k) => n <= plates.pairs[k]!));
}

/** The same class for a MIP solver: z says who is where with what, y which bar stands where, and a cut for each clash. */
function byMip(world: World): number {
  const { entries, slots } = world.problem;
  const bars = [0, 1, 2];
  const terms: string[] = [];
  const rows: string[] = [];
  const z = (e: number, k: number, b: number) => `z_${e}_${k}_${b}`;
  const all = entries.flatMap((_, e) => slots.flatMap((_, k) => bars.map((b) => [e, k, b] as const)));
  const can = all.filter(([e, k, b]) => worthOf(world.problem, e, k, b) >= 0);
  if (can.length === 0) return 0;
  for (const [e, k, b] of can) terms.push(`${worthOf(world.problem, e, k, b)} ${z(e, k, b)}`);
  const sum = (list: readonly (readonly [number, number, number])[]) => list.map((one) => z(...one)).join(" + ");
  entries.forEach((_, e) => {
    const own = can.filter((one) => one[0] === e);
    if (own.length > 0) rows.push(`${sum(own)} <= 1`);
  });
  slots.forEach(({ capacity }, k) => {
    const own = can.filter((one) => one[1] === k);
    if (own.length > 0) rows.push(`${sum(own)} <= ${capacity}`);
    rows.push(`${bars.map((b) => `y_${k}_${b}`).join(" + ")} <= 1`);
  });
  for (const [e, k, b] of can) rows.push(`${z(e, k, b)} - y_${k}_${b} <= 0`);
  for (const block of new Set(slots.map((slot) => slot.block))) {
    const own = slots.flatMap((slot, k) => (slot.block === block ? [k] : []));
    for (const b of bars) rows.push(`${own.map((k) => `y_${k}_${b}`).join(" + ")} <= 1`);
    // Whoever of up to three stations lifts at once: other entries, other bars.
    const pairs = entries.flatMap((_, entry) => bars.map((bar) => ({ entry, bar })));
    const sets = pairs.flatMap((a, i) =>
      pairs.slice(i + 1).flatMap((b, j) => {
        const two = differ([a, b]) ? [[a, b]] : [];
        const three = pairs.slice(i + j + 2).flatMap((c) => (differ([a, b, c]) ? [[a, b, c]] : []));
        return [...two, ...three];
      }),
    );
    for (const parts of sets)
      if (!canAtOnce(world, parts)) {
        const there = can.filter(
          ([e, k, b]) => own.includes(k) && parts.some(({ entry, bar }) => entry === e && bar === b),
        );
        if (there.length > 0) rows.push(`${sum(there)} <= ${parts.length - 1}`);
      }
  }
  const binaries = [...can.map((one) => z(...one)), ...slots.flatMap((_, k) => bars.map((b) => `y_${k}_${b}`))];
  const model = `Maximize\n obj: ${terms.join(" + ")}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join("\n")}\nBinary\n ${binaries.join(" ")}\nEnd`;
  return Math.round(solver.solve(model).ObjectiveValue);
}

const differ = (parts: { entry: number; bar: number }[]) =>
  new Set(parts.map(({ entry }) => entry)).size === parts.length &&
  new Set(parts.map(({ bar }) => bar)).size === parts.length;

describe("a class with its plates", () => {
  it("is worth what a MIP solver finds, and its plates are enough whoever lifts at once", () =>
    fc.assert(
      fc.property(world, (one) => {
        const answer = assignWithPlates(one.problem, one.plates);
        expect(answer.isServed).toBe(true);
        expect(checkPlan(one.problem, answer)).toBe(answer.total);
        expect(conflictOf(one.problem, one.plates, answer)).toBeNull();
        expect(answer.isProven).toBe(true);
        expect(answer.total).toBe(byMip(one));
      }),
      { seed: SEED, numRuns: 40 },
    ));
  it("says whether loads can be made at once as trying every choice does", () =>
    fc.assert(
      fc.property(world, fc.array(fc.tuple(fc.nat(4), fc.nat(2)), { maxLength: 3 }), (one, picks) => {
        const parts = picks.map(([e, bar]) => ({ entry: e % one.problem.entries.length, bar }));
        expect(isMadeAtOnce(one.plates, parts)).toBe(canAtOnce(one, parts));
      }),
      { seed: SEED, numRuns: 300 },
    ));
  it("is the plain class where plates are plenty", () =>
    fc.assert(
      fc.property(world, (one) => {
        const plenty = { ...one.plates, pairs: one.plates.pairs.map((n) => 3 * n) };
        const answer = assignWithPlates(one.problem, plenty);
        expect(answer.conflicts).toEqual([]);
        expect(answer.total).toBe(assignClass(one.problem).total);
      }),
      { seed: SEED, numRuns: 60 },
    ));
  it("keeps two apart whose plates would not reach, and says which pairs are missing", () => {
    const slots = [0, 0, 1, 1].map((block) => ({ block, capacity: 1, bars: [true, true] }));
    const entries = ["a", "b"].map((person) => ({ person, fit: [100, 80], slots: slots.map(() => true) }));
    // Both want the one pair; they could stand side by side on different bars if it were not for that.
    const plates: ClassPlates = { pairs: [1], waysOf: () => [Uint8Array.from([1])] };
    const answer = assignWithPlates({ slots, entries }, plates);
    expect(answer.isServed && answer.isProven).toBe(true);
    expect(new Set(answer.slotOf.map((slot) => slots[slot]!.block)).size).toBe(2);
    const alone = assignWithPlates(
      { slots: slots.slice(0, 2), entries: entries.map((one) => ({ ...one, slots: [true, true] })) },
      plates,
    );
    expect(alone.slotOf.filter((slot) => slot >= 0)).toHaveLength(1);
    expect(alone.conflicts[0]!.missing).toEqual([1]);
    const kept = assignWithPlates(
      { slots: slots.slice(0, 2), entries: entries.map((one) => ({ ...one, slots: [true, true] })) },
      plates,
      { mayLeaveOut: false },
    );
    expect(kept).toMatchObject({ isServed: false, isProven: false });
    expect(kept.slotOf.filter((slot) => slot >= 0)).toHaveLength(2);
  });
});
