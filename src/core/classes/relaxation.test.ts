import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { assignClass } from "./assignClass";
import { inventedClass, stream } from "./classWorld.fixture";
import { placePeople } from "./placePeople";
import { checkPlan } from "./problem";
import { layoutOf, relax, seatBound, type Layout, type Prices } from "./relaxation";

const world = fc.integer({ min: 1, max: 1_000_000 }).map((seed) => ({
  seed,
  problem: inventedClass(seed, { entries: 7, stations: 2, blocks: 2, bars: 5, capacities: [2, 1], twice: 4 }),
}));
const anyPrices = ({ problem, people, blocks }: Layout, seed: number): Prices => {
  const random = stream(seed);
  return {
    entry: Float64Array.from(problem.entries, () => 1200 * random()),
    person: Float64Array.from({ length: people * blocks.length }, () => 300 * random()),
  };
};
const allowedOf = ({ problem }: Layout) => problem.slots.map(({ bars }) => bars);

describe("the bounds of a class", () => {
  it("hold over the best plan at whatever prices", () =>
    fc.assert(
      fc.property(world, fc.integer(), ({ problem }, seed) => {
        const layout = layoutOf(problem);
        const { total } = assignClass(problem);
        expect(relax(layout, anyPrices(layout, seed), allowedOf(layout)).bound).toBeGreaterThanOrEqual(total - 1e-6);
        expect(seatBound(layout, allowedOf(layout)).bound).toBeGreaterThanOrEqual(total - 1e-6);
      }),
      { numRuns: 80 },
    ));
  it("the prices of the seats bring the relaxation to the seats' own bound or below", () =>
    fc.assert(
      fc.property(world, ({ problem }) => {
        const layout = layoutOf(problem);
        const { bound, prices } = seatBound(layout, allowedOf(layout));
        expect(relax(layout, prices, allowedOf(layout)).bound).toBeLessThanOrEqual(bound + 1e-6);
      }),
      { numRuns: 80 },
    ));
  it("leaving out bars that others stand in for costs nothing", () =>
    fc.assert(
      fc.property(world, ({ problem }) => {
        const kept = layoutOf(problem).bars;
        const fewer = {
          ...problem,
          entries: problem.entries.map((entry) => ({
            ...entry,
            fit: entry.fit.map((fit, bar) => (kept.includes(bar) ? fit : -1)),
          })),
        };
        expect(assignClass(fewer).total).toBe(assignClass(problem).total);
      }),
      { numRuns: 40 },
    ));
  it("fewer bars allowed never raise a bound", () =>
    fc.assert(
      fc.property(world, fc.integer(), fc.nat({ max: 3 }), fc.nat({ max: 4 }), ({ problem }, seed, slot, bar) => {
        const layout = layoutOf(problem);
        const all = allowedOf(layout);
        const less = all.map((own, k) => (k === slot ? own.map((is, j) => is && j !== bar) : own));
        const prices = anyPrices(layout, seed);
        expect(relax(layout, prices, less).bound).toBeLessThanOrEqual(relax(layout, prices, all).bound + 1e-6);
        expect(seatBound(layout, less).bound).toBeLessThanOrEqual(seatBound(layout, all).bound + 1e-6);
      }),
      { numRuns: 60 },
    ));
  it("what is placed for given bars can be carried out and is never over the best", () =>
    fc.assert(
      fc.property(world, ({ problem, seed }) => {
        const random = stream(seed);
        const taken = new Set<string>();
        const barOf = problem.slots.map(({ block }) => {
          const bar = Math.floor(random() * 5);
          const key = `${block} ${bar}`;
          if (taken.has(key)) return -1;
          taken.add(key);
          return bar;
        });
        const plan = placePeople(problem, barOf);
        if (!plan) return;
        expect(checkPlan(problem, plan)).toBe(plan.total);
        expect(plan.total).toBeLessThanOrEqual(assignClass(problem).total);
      }),
      { numRuns: 60 },
    ));
});
