import { STANDARD_GRAVITY } from "../units/constants";
import { plateCentresMm, secondMomentMm4, type BendingBar, type SidePlate } from "./bendingBar";

/** A stretch of the half bar in which bending moment is linear and stiffness constant. Positions in mm from the middle. */
interface Stretch {
  from: number;
  to: number;
  /** Moment in N·mm at `from`; positive hogs (the ends go down). */
  momentFrom: number;
  slopeOfMoment: number;
  stiffness: number;
}

export interface BentBar {
  /** How far the plate centres fall below the supports, in mm, in the order given (inside first). */
  plateDropsMm: number[];
  /** Fall of the plates' mass centroid, mean of the drops weighted by mass. */
  meanDropMm: number;
  centreRiseMm: number;
  maxMomentNm: number;
  maxStressMPa: number;
  /** Height of the bar's axis against the supports at a distance from the middle, in mm; positive upwards. */
  heightAtMm(distanceMm: number): number;
}

/**
 * Whip with every plate at its own place, and a second stiffness beyond the collar, where the shaft
 * and the sleeve tube share the curvature. Small slopes, symmetric, weightless shaft.
 *
 * The moment is linear and the stiffness constant between two neighbouring places (support, collar, plate
 * centres), so slope and height follow by integrating exactly from one place to the next.
 *
 * @param sleeve outer and inner diameter of the sleeve tube in mm; without it the bar has one stiffness all along.
 * @returns null when the supports are not inside the innermost plate's centre.
 * @throws RangeError when there is no plate on a side
 */
export function bentBar(
  bar: BendingBar,
  supportHalfSpacingMm: number,
  perSide: readonly SidePlate[],
  sleeve?: { outerMm: number; innerMm: number },
): BentBar | null {
  if (perSide.length === 0) throw new RangeError("bending needs at least one plate a side");
  const centres = plateCentresMm(bar.seatToSeatMm, perSide);
  const weights = perSide.map(({ massKg }) => massKg * STANDARD_GRAVITY);
  const h = supportHalfSpacingMm;
  if (!(centres[0]! > h)) return null;

  const E = bar.elasticModulusGPa * 1000;
  const shaft = E * secondMomentMm4(bar.shaftDiameterMm);
  const beyond = sleeve ? shaft + E * (secondMomentMm4(sleeve.outerMm) - secondMomentMm4(sleeve.innerMm)) : shaft;
  const stretches = stretchesOf(centres, weights, h, bar.shaftLengthMm / 2, shaft, beyond);

  const heightAtMm = (distanceMm: number) => heightAt(stretches, h, Math.abs(distanceMm));
  const plateDropsMm = centres.map((x) => -heightAtMm(x));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const momentNmm = stretches[0]!.momentFrom;
  return {
    plateDropsMm,
    meanDropMm: plateDropsMm.reduce((sum, drop, i) => sum + drop * weights[i]!, 0) / total,
    centreRiseMm: heightAtMm(0),
    maxMomentNm: momentNmm / 1000,
    maxStressMPa: (32 * momentNmm) / (Math.PI * bar.shaftDiameterMm ** 3),
    heightAtMm,
  };
}

/** Cuts the half bar at support, collar and plate centres, from the middle outwards to the outermost plate. */
function stretchesOf(
  centres: readonly number[],
  weights: readonly number[],
  h: number,
  collarAt: number,
  shaft: number,
  beyond: number,
): Stretch[] {
  const end = centres.at(-1)!;
  const cuts = [...new Set([0, h, ...centres, ...(collarAt < end ? [collarAt] : [])])].sort((a, b) => a - b);
  const stretches: Stretch[] = [];
  for (let i = 0; i + 1 < cuts.length; i += 1) {
    const from = cuts[i]!;
    const to = cuts[i + 1]!;
    // Between the supports the moment is constant; outside it falls by the load still to come.
    const outside = Math.max(from, h);
    let momentFrom = 0;
    let load = 0;
    for (let k = 0; k < centres.length; k += 1)
      if (centres[k]! > outside) {
        momentFrom += weights[k]! * (centres[k]! - outside);
        load += weights[k]!;
      }
    stretches.push({
      from,
      to,
      momentFrom,
      slopeOfMoment: from < h ? 0 : -load,
      stiffness: (from + to) / 2 < collarAt ? shaft : beyond,
    });
  }
  return stretches;
}

/** Integrates curvature twice from the middle (slope 0) outwards, then sets the support to height 0. */
function heightAt(stretches: readonly Stretch[], support: number, at: number): number {
  return heightFromMiddle(stretches, at) - heightFromMiddle(stretches, support);
}

function heightFromMiddle(stretches: readonly Stretch[], at: number): number {
  let slope = 0;
  let height = 0;
  for (const { from, to, momentFrom, slopeOfMoment, stiffness } of stretches) {
    if (at <= from) return height;
    const u = Math.min(at, to) - from;
    height += slope * u - (momentFrom * u * u) / (2 * stiffness) - (slopeOfMoment * u ** 3) / (6 * stiffness);
    slope -= (momentFrom * u + (slopeOfMoment * u * u) / 2) / stiffness;
    if (at <= to) return height;
  }
  // Past the outermost plate nothing bends: straight on.
  return height + slope * (at - stretches.at(-1)!.to);
}
