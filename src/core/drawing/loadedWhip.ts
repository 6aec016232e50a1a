import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { bendingBarOf, type SidePlate } from "../whip/bendingBar";
import { bentBar } from "../whip/generalSolver";
import type { Point } from "./shapes";

/** Half the distance between J-cups that is drawn with when no rack is named, in mm. */
export const USUAL_HALF_SPACING_MM = 550;

/** The bent right half of a loaded bar, heights multiplied by a stated exaggeration. */
export interface LoadedWhip {
  exaggeration: number;
  supportHalfSpacingMm: number;
  /** The shaft's axis from a place inwards of the seat to the seat; y up from the supports, exaggerated. */
  axis: Point[];
  /** Where the sleeve begins and which way it points: drawn straight from there. */
  seat: Point;
  /** Of the sleeve as drawn, in degrees, positive when its end is down. */
  angleDeg: number;
  /** True fall of the plates' mass centroid below the supports, in mm. */
  dropMm: number;
}

/** A drawn drop of about this much can be seen and leaves the plates where they are looked for. */
const WISHED_DROP_MM = 15;
const STEPS = [1, 2, 5, 10, 20];
const POINTS = 25;

/**
 * Null for bars whose bending is not a straight shaft's, for an empty bar, and where a size is missing.
 *
 * @returns the exaggerated axis in mm, y up from the supports, and the true drop in mm; or null
 */
export function loadedWhip(
  bar: Bar,
  perSide: readonly SidePlate[],
  { fromMm, supportHalfSpacingMm = USUAL_HALF_SPACING_MM }: { fromMm: number; supportHalfSpacingMm?: number },
): LoadedWhip | null {
  if (perSide.length === 0 || FAMILIES[bar.family].form !== "straight") return null;
  const bending = bendingBarOf(bar);
  if (!bending.ok) return null;
  const bent = bentBar(bending.bar, supportHalfSpacingMm, perSide);
  if (!bent) return null;
  const exaggeration = STEPS.findLast((step) => bent.meanDropMm * step <= WISHED_DROP_MM) ?? 1;
  const seatMm = bending.bar.seatToSeatMm / 2;
  const at = (x: number): Point => [x, bent.heightAtMm(x) * exaggeration];
  const slope = (bent.heightAtMm(seatMm + 1) - bent.heightAtMm(seatMm)) * exaggeration;
  return {
    exaggeration,
    supportHalfSpacingMm,
    axis: Array.from({ length: POINTS }, (_, i) => at(fromMm + ((seatMm - fromMm) * i) / (POINTS - 1))),
    seat: at(seatMm),
    angleDeg: (-Math.atan(slope) * 180) / Math.PI,
    dropMm: bent.meanDropMm,
  };
}
