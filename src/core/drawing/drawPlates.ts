import type { Shape } from "./shapes";

/** A plate as it is drawn on the right-hand sleeve. */
export interface DrawnPlate {
  thicknessMm: number;
  diameterMm: number;
  /** What is written on it, e.g. "25". */
  label: string;
  /** A colour name for the screen; never the only carrier of meaning. */
  tone?: string;
}

/**
 * Plates on the right-hand sleeve from the seat outwards, to scale, in the order given (inside first).
 *
 * @returns shapes in mm, inside first
 */
export function drawPlates(seatMm: number, perSide: readonly DrawnPlate[]): Shape[] {
  let x = seatMm;
  return perSide.map(({ thicknessMm, diameterMm, label, tone }) => {
    const shape: Shape = {
      kind: "box",
      role: "plate",
      x,
      y: -diameterMm / 2,
      width: thicknessMm,
      height: diameterMm,
      radius: 4,
      label,
      ...(tone ? { tone } : {}),
    };
    x += thicknessMm;
    return shape;
  });
}
