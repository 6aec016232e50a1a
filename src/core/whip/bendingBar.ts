import { elasticModulusOf } from "../bars/elasticModulus";
import { seatToSeatOf } from "../bars/lengths";
import { valueOf, type Bar } from "../bars/bar";

/** The part of a bar that bending needs. Lengths in mm along the bar, modulus in GPa, yield strength in MPa. */
export interface BendingBar {
  shaftDiameterMm: number;
  /** Between the collars' inner faces. */
  shaftLengthMm: number;
  /** Between the faces on which the first plates sit. */
  seatToSeatMm: number;
  elasticModulusGPa: number;
  yieldMPa: number | null;
  sleeveOuterMm?: number;
}

/** One plate on one side; the order in a list is the order on the sleeve, inside first. */
export interface SidePlate {
  massKg: number;
  thicknessMm: number;
}

/**
 * What a real bar gives to bending, or the names of the quantities to measure first.
 *
 * @returns mm, GPa and MPa, or what is missing
 */
export function bendingBarOf(bar: Bar): { ok: true; bar: BendingBar } | { ok: false; missing: string[] } {
  const diameter = valueOf(bar, "shaftDiameter");
  const length = valueOf(bar, "shaftLength");
  const seats = seatToSeatOf(bar)?.value ?? null;
  const missing = [
    ...(diameter === null ? ["shaft diameter"] : []),
    ...(length === null ? ["shaft length"] : []),
    ...(seats === null ? ["seat to seat"] : []),
  ];
  if (diameter === null || length === null || seats === null) return { ok: false, missing };
  return {
    ok: true,
    bar: {
      shaftDiameterMm: diameter,
      shaftLengthMm: length,
      seatToSeatMm: seats,
      elasticModulusGPa: elasticModulusOf(bar),
      yieldMPa: bar.yieldMPa,
      sleeveOuterMm: valueOf(bar, "sleeveDiameter") ?? 50,
    },
  };
}

/**
 * Distance of each plate's centre from the middle of the bar, in mm, in the order given.
 *
 * @returns mm
 */
export function plateCentresMm(seatToSeatMm: number, perSide: readonly SidePlate[]): number[] {
  let inside = seatToSeatMm / 2;
  return perSide.map(({ thicknessMm }) => {
    const centre = inside + thicknessMm / 2;
    inside += thicknessMm;
    return centre;
  });
}

/**
 * Second moment of area of a solid round shaft in mm⁴: πd⁴/64.
 *
 * @returns mm⁴
 */
export function secondMomentMm4(diameterMm: number): number {
  return (Math.PI * diameterMm ** 4) / 64;
}
