import { describe, expect, it } from "vitest";
import type { Bar } from "../bars/bar";
import { assumedPlates } from "./assumedPlates";
import { bendUnder, loadWhereTheyDiffer } from "./compareWhip";

const bar = (shaftDiameter: number, seatToSeat: number, more: Partial<Bar> = {}): Bar =>
  ({
    family: "deadlift",
    alloy: "alloy-steel",
    elasticModulusGPa: null,
    yieldMPa: 1100,
    quantities: {
      mass: { value: 20, source: "measured" },
      shaftDiameter: { value: shaftDiameter, source: "measured" },
      shaftLength: { value: 1310, source: "measured" },
      seatToSeat: { value: seatToSeat, source: "measured" },
    },
    ...more,
  }) as Bar;

it("assumes 25 kg discs of 27 mm and a thinner last one", () => {
  expect(assumedPlates(60).map(({ massKg, thicknessMm }) => [massKg, thicknessMm])).toEqual([
    [25, 27],
    [25, 27],
    [10, 10.8],
  ]);
  expect(assumedPlates(0)).toEqual([]);
});

describe("bars over one another", () => {
  it("bends a real bar as the handbook's 27 mm case: 37.8 mm at 270 kg, the outermost plate at about 41.7", () => {
    const bent = bendUnder(bar(27, 1552.6), 270, 220);
    expect(bent.ok && bent.whip.deflectionMm).toBeCloseTo(37.8, 1);
    expect(bent.ok && bent.lastPlateMm).toBeCloseTo(41.7, 0);
    expect(bent.ok && bent.firstPlateMm < bent.whip.deflectionMm).toBe(true);
  });
  it("says what to measure, or why not, instead of guessing", () => {
    expect(bendUnder(bar(27, 1552, { quantities: {} }), 270, 220)).toMatchObject({
      ok: false,
      why: expect.stringContaining("shaft diameter"),
    });
    expect(bendUnder(bar(27, 1552, { family: "yoke" }), 270, 220)).toMatchObject({
      ok: false,
      why: expect.stringContaining("not a straight bar"),
    });
    expect(bendUnder(bar(27, 1552), 20, 220)).toMatchObject({ ok: false });
  });
  it("finds the load where two bars differ by an amount: there they do, a little below they do not", () => {
    const [a, b] = [bar(27, 1552), bar(29, 1370)];
    const at = loadWhereTheyDiffer(a, b, { supportHalfSpacingMm: 220, differenceMm: 5, mostKg: 400 })!;
    const gap = (kg: number) => {
      const [one, two] = [bendUnder(a, kg, 220), bendUnder(b, kg, 220)];
      return one.ok && two.ok ? Math.abs(one.whip.deflectionMm - two.whip.deflectionMm) : NaN;
    };
    expect(gap(at)).toBeGreaterThanOrEqual(5);
    expect(gap(at - 1)).toBeLessThan(5);
    expect(loadWhereTheyDiffer(a, a, { supportHalfSpacingMm: 220, differenceMm: 1.5, mostKg: 400 })).toBeNull();
  });
});
