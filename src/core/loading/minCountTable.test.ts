import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { commonStep, countsFor, fewestPlates, minCountTable } from "./minCountTable";
import type { PlateKind } from "./plateKind";
import { EMPTY_SIDE, withCounts, withPlates, sideOf } from "./side";
import { tableFinder, type SideLimits } from "./sideFinder";

const kind = (massUnits: number, pairs: number, over: Partial<PlateKind> = {}): PlateKind => ({
  ...{ id: `p${massUnits}`, massUnits, pairs, thicknessMm: 20, diameterMm: 450, material: "iron" },
  ...over,
});

/** Up to four kinds, each of another mass, larger first. */
const kinds = fc
  .uniqueArray(fc.record({ massUnits: fc.integer({ min: 1, max: 12 }), pairs: fc.integer({ min: 0, max: 3 }) }), {
    minLength: 1,
    maxLength: 4,
    selector: ({ massUnits }) => massUnits,
  })
  .map((all) =>
    all.toSorted((a, b) => b.massUnits - a.massUnits).map(({ massUnits, pairs }) => kind(massUnits, pairs)),
  );

/** Every way to take plates, by trying all. */
function waysOf(all: readonly PlateKind[]): number[][] {
  return all.reduce<number[][]>(
    (ways, { pairs }) => ways.flatMap((way) => Array.from({ length: pairs + 1 }, (_, count) => [...way, count])),
    [[]],
  );
}
const massOf = (all: readonly PlateKind[], way: readonly number[]) =>
  way.reduce((sum, count, k) => sum + count * all[k]!.massUnits, 0);
const platesOf = (way: readonly number[]) => way.reduce((sum, count) => sum + count, 0);
/** Fewest plates first, then more of the larger. */
const better = (a: readonly number[], b: readonly number[]) => {
  const k = a.findIndex((count, i) => count !== b[i]);
  return platesOf(a) - platesOf(b) || (k < 0 ? 0 : b[k]! - a[k]!);
};

describe("the table of fewest plates", () => {
  it("has for every mass what trying every way finds, down to which plates", () => {
    fc.assert(
      fc.property(kinds, (all) => {
        const step = commonStep(all);
        const most = all.reduce((sum, { massUnits, pairs }) => sum + massUnits * pairs, 0);
        const cells = most / step + 1;
        const table = minCountTable(all, step, cells);
        const ways = waysOf(all);
        for (let cell = 0; cell < cells; cell += 1) {
          const [best] = ways.filter((way) => massOf(all, way) === cell * step).sort(better);
          expect(fewestPlates(table, cell)).toBe(best === undefined ? null : platesOf(best));
          if (best) expect(countsFor(table, cell)).toEqual(best);
        }
      }),
    );
  });

  it("steps by what all masses are multiples of, and by nothing without plates", () => {
    expect(commonStep([kind(2500, 1), kind(1250, 1), kind(500, 1)])).toBe(250);
    expect(commonStep([kind(7, 1)])).toBe(7);
    expect(commonStep([])).toBe(0);
  });
});

describe("the finder over the table", () => {
  const limits = (mostUnits: number): SideLimits => ({
    ...{ mostUnits, aimUnits: mostUnits, slackUnits: Infinity, roomMm: null, isAllowed: () => true },
    concerns: { thickness: false, dropping: false },
  });

  it("gives the least plates within two masses, the most below one and the least above one, on what stays on the bar", () => {
    fc.assert(
      fc.property(
        kinds,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 12 }),
        (all, from, width, stays) => {
          const start = stays === 0 ? EMPTY_SIDE : sideOf([kind(stays, 1)]);
          const finder = tableFinder(all, start, limits(1000))!;
          const ways = waysOf(all).map((way) => ({ way, units: start.massUnits + massOf(all, way) }));
          const best = (allowed: typeof ways) => allowed.map(({ way }) => way).sort(better)[0] ?? null;
          expect(finder.best(from, from + width)?.counts ?? null).toEqual(
            best(ways.filter(({ units }) => units >= from && units <= from + width)),
          );
          const below = Math.max(-1, ...ways.map(({ units }) => units).filter((units) => units <= from));
          expect(finder.atOrBelow(from)?.side.massUnits ?? -1).toBe(below);
          const above = Math.min(9999, ...ways.map(({ units }) => units).filter((units) => units > from));
          expect(finder.above(from)?.side.massUnits ?? 9999).toBe(above);
        },
      ),
    );
  });

  it("gives way to a search where its cells would be too many", () => {
    expect(tableFinder([kind(1, 3), kind(999_999, 9)], EMPTY_SIDE, limits(1e9))).toBeNull();
  });
});

describe("a side", () => {
  it("adds up plate by plate as kind by kind, and leaves what it was added to", () => {
    const all = [kind(20, 4, { material: "bumper" }), kind(10, 4), kind(5, 4, { thicknessMm: null })];
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 3, maxLength: 3 }), (counts) => {
        const before = { ...EMPTY_SIDE };
        const together = withCounts(EMPTY_SIDE, all, counts);
        const each = counts.reduce((side, count, k) => withPlates(side, all[k]!, count), EMPTY_SIDE);
        expect(each).toEqual(together);
        expect(sideOf(counts.flatMap((count, k) => Array<PlateKind>(count).fill(all[k]!)))).toEqual(together);
        expect(together.ironUnits + together.rubberUnits).toBe(together.massUnits);
        expect(EMPTY_SIDE).toEqual(before);
      }),
    );
  });
});
