import { STANDARD_GRAVITY } from "../units/constants";
import { secondMomentMm4, type BendingBar, type SidePlate } from "./bendingBar";

/** How a loaded bar bends over two supports. */
export interface Whip {
  seatToSeatMm: number;
  /** Distance of the plates' mass centroid from the middle of the bar. */
  loadCentroidMm: number;
  /** Fall of the plates' mass centroid below the supports; positive downwards. For a lift from the floor: the slack. */
  deflectionMm: number;
  /** Rise of the middle above the supports; positive upwards. */
  centreRiseMm: number;
  maxMomentNm: number;
  maxStressMPa: number;
  /** Yield strength over greatest stress; null when the yield strength is unknown. Not a load rating. */
  safetyFactor: number | null;
  /** Load over deflection, one side. */
  stiffnessNPerMm: number;
  /** Free oscillation of the plates on the shaft. */
  oscillationHz: number;
}

/**
 * The mass of one side in kg and where it acts, in mm from the middle of the bar.
 *
 * @returns kg and mm
 */
export function loadOnSide(
  seatToSeatMm: number,
  perSide: readonly SidePlate[],
): { massKg: number; centroidMm: number } {
  let massKg = 0;
  let moment = 0;
  let inside = seatToSeatMm / 2;
  for (const plate of perSide) {
    massKg += plate.massKg;
    moment += plate.massKg * (inside + plate.thicknessMm / 2);
    inside += plate.thicknessMm;
  }
  return { massKg, centroidMm: moment / massKg };
}

/**
 * Whip by the closed form: small slopes, Euler–Bernoulli, a symmetric weightless shaft of one stiffness
 * (the collar and sleeve are taken as stiff as the shaft), the plates of a side acting at their mass centroid.
 *
 * Source: Roark's Formulas for Stress and Strain, beam with two equal overhanging end loads.
 *
 * @param supportHalfSpacingMm hands or edges of the back, from the middle of the bar; 0 is a single support in the middle.
 * @param perSide the plates of one side, inside first; at least one.
 * @returns null when the supports are not inside the load, where the formulas do not hold.
 * @throws RangeError when there is no plate.
 */
export function whip(bar: BendingBar, supportHalfSpacingMm: number, perSide: readonly SidePlate[]): Whip | null {
  if (perSide.length === 0) throw new RangeError("whip needs at least one plate a side");
  const { massKg, centroidMm } = loadOnSide(bar.seatToSeatMm, perSide);
  return whipOfSide(bar, supportHalfSpacingMm, massKg, centroidMm);
}

/**
 * The same for a side already summed up: a mass in kg acting `centroidMm` from the middle.
 *
 * @returns mm, N·m, MPa, N/mm and Hz; null when the supports are not inside the load
 */
export function whipOfSide(bar: BendingBar, h: number, massKg: number, centroidMm: number): Whip | null {
  const b = centroidMm - h;
  if (!(b > 0)) return null;
  const W = STANDARD_GRAVITY * massKg;
  const EI = bar.elasticModulusGPa * 1000 * secondMomentMm4(bar.shaftDiameterMm); // N·mm²
  const deflectionMm = (W * b * b * (3 * h + b)) / (3 * EI);
  const momentNmm = W * b;
  const maxStressMPa = (32 * momentNmm) / (Math.PI * bar.shaftDiameterMm ** 3);
  const stiffnessNPerMm = W / deflectionMm;
  return {
    seatToSeatMm: bar.seatToSeatMm,
    loadCentroidMm: centroidMm,
    deflectionMm,
    centreRiseMm: (W * b * h * h) / (2 * EI),
    maxMomentNm: momentNmm / 1000,
    maxStressMPa,
    safetyFactor: bar.yieldMPa === null ? null : bar.yieldMPa / maxStressMPa,
    stiffnessNPerMm,
    oscillationHz: Math.sqrt((stiffnessNPerMm * 1000) / massKg) / (2 * Math.PI),
  };
}
