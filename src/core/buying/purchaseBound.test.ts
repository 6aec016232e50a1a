import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { costOf, fill, servedBy, slope, total } from "./purchaseBound";
import type { Market } from "./purchaseQuestion";

const NEEDS = 4;

/** Offers of one to three levels, each dearer than the one before. */
const market: fc.Arbitrary<Market> = fc
  .array(
    fc.array(
      fc.record({
        dearer: fc.integer({ min: 1, max: 20 }),
        points: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: NEEDS, maxLength: NEEDS }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((offers) => ({
    needs: NEEDS,
    grain: 1,
    levels: offers.map((own) => {
      let cost = 0;
      return [
        { copies: 0, cost: 0, needs: new Int32Array(0), values: new Float64Array(0) },
        ...own.map(({ dearer, points }, i) => {
          cost += dearer;
          const met = points.map((value, need) => [need, value] as const).filter(([, value]) => value > 0);
          return {
            copies: i + 1,
            cost,
            needs: Int32Array.from(met, ([need]) => need),
            values: Float64Array.from(met, ([, value]) => value),
          };
        }),
      ];
    }),
  }));
const prices = fc
  .array(fc.integer({ min: 0, max: 12 }), { minLength: NEEDS, maxLength: NEEDS })
  .map((all) => Float64Array.from(all));

/** Every way to choose a level of each offer. */
function* choices({ levels }: Market): Generator<Int8Array> {
  const at = new Int8Array(levels.length);
  for (;;) {
    yield at.slice();
    let offer = 0;
    while (offer < at.length && at[offer] === levels[offer]!.length - 1) at[offer++] = 0;
    if (offer === at.length) return;
    at[offer]! += 1;
  }
}

const everything = ({ levels }: Market) => ({
  low: new Int8Array(levels.length),
  high: Int8Array.from(levels, (own) => own.length - 1),
});
const nothing = () => new Float64Array(NEEDS);

describe("what a choice gains", () => {
  it("counts each need once, by the bar that serves it best", () =>
    fc.assert(
      fc.property(market, (asked) => {
        for (const chosen of choices(asked)) {
          const served = servedBy(asked, chosen);
          for (let need = 0; need < NEEDS; need += 1)
            expect(served[need]).toBe(
              Math.max(
                0,
                ...[...chosen].map((level, offer) => {
                  const { needs, values } = asked.levels[offer]![level]!;
                  return values[needs.indexOf(need)] ?? 0;
                }),
              ),
            );
        }
      }),
      { numRuns: 30 },
    ));
});

describe("what a budget gains at most", () => {
  it("is at no price below what any choice within it gains", () =>
    fc.assert(
      fc.property(market, prices, fc.integer({ min: 0, max: 80 }), (asked, price, budget) => {
        const { bound } = fill(asked, everything(asked), nothing(), price, budget);
        for (const chosen of choices(asked))
          if (costOf(asked, chosen) <= budget)
            expect(bound).toBeGreaterThanOrEqual(total(servedBy(asked, chosen)) - 1e-9);
      }),
    ));

  it("holds too where some offers are bought in any case and others not at all", () =>
    fc.assert(
      fc.property(market, prices, fc.integer({ min: 0, max: 80 }), fc.nat(), (asked, price, budget, pick) => {
        const range = everything(asked);
        const offer = pick % asked.levels.length;
        range.low[offer] = 1;
        const other = (offer + 1) % asked.levels.length;
        if (other !== offer) range.high[other] = 0;
        const left = budget - costOf(asked, range.low);
        if (left < 0) return;
        const { bound } = fill(asked, range, servedBy(asked, range.low), price, left);
        for (const chosen of choices(asked))
          if (
            costOf(asked, chosen) <= budget &&
            chosen.every((level, i) => level >= range.low[i]! && level <= range.high[i]!)
          )
            expect(bound).toBeGreaterThanOrEqual(total(servedBy(asked, chosen)) - 1e-9);
      }),
    ));

  it("changes with the prices as its slope says, or less: no step along it overshoots", () =>
    fc.assert(
      fc.property(market, prices, prices, fc.integer({ min: 0, max: 80 }), (asked, here, there, budget) => {
        const range = everything(asked);
        const at = fill(asked, range, nothing(), here, budget);
        const g = slope(asked, range, nothing(), here, at);
        const promised = at.bound + total(g.map((by, need) => by * (there[need]! - here[need]!)));
        expect(fill(asked, range, nothing(), there, budget).bound).toBeGreaterThanOrEqual(promised - 1e-9);
      }),
    ));

  it("is everything where the budget is no limit and needs are priced at what serves them best", () =>
    fc.assert(
      fc.property(market, (asked) => {
        const { high } = everything(asked);
        const best = Float64Array.from({ length: NEEDS }, (_, need) =>
          Math.max(
            0,
            ...asked.levels.flatMap((own) => own.map(({ needs, values }) => values[needs.indexOf(need)] ?? 0)),
          ),
        );
        const { bound, ratio } = fill(asked, everything(asked), nothing(), best, 1e6);
        expect(bound).toBe(total(best));
        expect(ratio).toBe(0);
        expect(costOf(asked, high)).toBeLessThan(1e6);
      }),
    ));

  it("grows with the budget", () =>
    fc.assert(
      fc.property(market, prices, fc.integer({ min: 0, max: 60 }), fc.nat(20), (asked, price, budget, more) => {
        const of = (left: number) => fill(asked, everything(asked), nothing(), price, left).bound;
        expect(of(budget + more)).toBeGreaterThanOrEqual(of(budget) - 1e-9);
      }),
    ));
});
