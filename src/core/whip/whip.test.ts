import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import type { BendingBar } from "./bendingBar";
import { whip } from "./closedForm";
import { bentByFiniteElements } from "./finiteElements.fixture";
import { bentBar } from "./generalSolver";

const steel = (shaftDiameterMm: number, shaftLengthMm: number, collarMm: number): BendingBar => ({
  shaftDiameterMm,
  shaftLengthMm,
  seatToSeatMm: shaftLengthMm + 2 * collarMm,
  elasticModulusGPa: 207,
  yieldMPa: 1200,
});
/** 125 kg a side as five 27 mm plates, as in the handbook's check values. */
const FIVE = Array.from({ length: 5 }, () => ({ massKg: 25, thicknessMm: 27 }));

describe("closed form (Roark, overhanging beam with two equal end loads)", () => {
  // Handbook §5, check values.
  test.each([
    [28, 1310, 30, 22.1, 303],
    [29, 1310, 30, 19.2, null],
    [27, 1452.6, 50, 37.8, 396],
    [32, 1420, 40, 17.2, null],
  ])("%d mm, shaft %d, collar %d drops %d mm", (d, length, collar, drop, stress) => {
    const result = whip(steel(d, length, collar), 220, FIVE)!;
    expect(result.deflectionMm).toBeCloseTo(drop, 1);
    if (stress !== null) expect(Math.round(result.maxStressMPa)).toBe(stress);
  });

  test.each([
    [29, 28.5, 1.072],
    [29, 27, 1.33],
    [32, 29, 1.48],
  ])("a %d mm shaft against %d mm is %d times as stiff", (thick, thin, ratio) => {
    const of = (d: number) => whip(steel(d, 1310, 30), 220, FIVE)!.stiffnessNPerMm;
    expect(of(thick) / of(thin)).toBeCloseTo(ratio, 2);
  });

  it("gives about 3 mm for 41 mm more between the seats of a 27 mm bar at 270 kg (handbook §5)", () => {
    const slack = (seats: number) =>
      whip({ ...steel(27, 1452.6, 50), seatToSeatMm: seats }, 220, [{ massKg: 125, thicknessMm: 135 }])!.deflectionMm;
    expect(slack(1552.6) - slack(1511.6)).toBeCloseTo(3, 1);
  });

  it("refuses supports that are not inside the load", () => {
    expect(whip(steel(28, 1310, 30), 753, FIVE)).toBeNull();
    expect(whip(steel(28, 1310, 30), 752, FIVE)).not.toBeNull();
    expect(() => whip(steel(28, 1310, 30), 220, [])).toThrow(RangeError);
  });

  it("is linear in the load and falls with the fourth power of the diameter", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 20, max: 35, noNaN: true }),
        (kg, d) => {
          const one = whip(steel(d, 1310, 30), 220, [{ massKg: kg, thicknessMm: 50 }])!;
          const two = whip(steel(d, 1310, 30), 220, [{ massKg: 2 * kg, thicknessMm: 50 }])!;
          const thick = whip(steel(2 * d, 1310, 30), 220, [{ massKg: kg, thicknessMm: 50 }])!;
          expect(two.deflectionMm / one.deflectionMm).toBeCloseTo(2, 9);
          expect(one.deflectionMm / thick.deflectionMm).toBeCloseTo(16, 9);
          expect(one.safetyFactor).toBeCloseTo(1200 / one.maxStressMPa, 9);
        },
      ),
    ));

  it("gives no margin without a yield strength", () =>
    expect(whip({ ...steel(28, 1310, 30), yieldMPa: null }, 220, FIVE)!.safetyFactor).toBeNull());
});

describe("general solver", () => {
  it("quotes the first and the last plate to leave: the outermost at about 41.7 mm in the 27 mm case", () => {
    const drops = bentBar(steel(27, 1452.6, 50), 220, FIVE)!.plateDropsMm;
    expect(drops.at(-1)!).toBeCloseTo(41.7, 0);
    expect(drops[0]!).toBeLessThan(37.8);
  });

  it("equals the closed form for a single plate and one stiffness", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 600, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 150, noNaN: true }),
        (h, massKg, thicknessMm) => {
          const bar = steel(28, 1310, 30);
          const one = bentBar(bar, h, [{ massKg, thicknessMm }])!;
          const closed = whip(bar, h, [{ massKg, thicknessMm }])!;
          expect(one.meanDropMm / closed.deflectionMm).toBeCloseTo(1, 9);
          expect(one.centreRiseMm).toBeCloseTo(closed.centreRiseMm, 7);
          expect(one.maxStressMPa).toBeCloseTo(closed.maxStressMPa, 7);
        },
      ),
    ));

  it("agrees with finite elements on a general matrix library to 0.1 %, with and without the sleeve's stiffness", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ massKg: fc.integer({ min: 1, max: 25 }), thicknessMm: fc.integer({ min: 10, max: 90 }) }),
          {
            minLength: 1,
            maxLength: 6,
          },
        ),
        fc.integer({ min: 150, max: 450 }),
        fc.integer({ min: 25, max: 32 }),
        fc.boolean(),
        (perSide, h, d, hasSleeve) => {
          const sleeve = hasSleeve ? { outerMm: 50, innerMm: 34 } : undefined;
          const ours = bentBar(steel(d, 1310, 30), h, perSide, sleeve)!;
          const theirs = bentByFiniteElements(steel(d, 1310, 30), h, perSide, sleeve);
          ours.plateDropsMm.forEach((drop, i) =>
            expect(Math.abs(drop / -theirs.plateHeightsMm[i]! - 1)).toBeLessThan(1e-3),
          );
          expect(Math.abs(ours.centreRiseMm / theirs.middleMm - 1)).toBeLessThan(1e-3);
        },
      ),
      { numRuns: 60, seed: 20260101 },
    ));

  it("is symmetric, level at the supports and straight beyond the last plate", () => {
    const bent = bentBar(steel(28, 1310, 30), 220, FIVE)!;
    expect(bent.heightAtMm(-500)).toBe(bent.heightAtMm(500));
    expect(bent.heightAtMm(220)).toBeCloseTo(0, 12);
    const [a, b, c] = [900, 1000, 1100].map((x) => bent.heightAtMm(x));
    expect(b! - a!).toBeCloseTo(c! - b!, 9);
  });
});
