import type { BentBar } from "../whip/generalSolver";
import type { Point } from "./shapes";

/**
 * The axis of a bent bar from end to end, its heights multiplied by an exaggeration that must be stated beside it.
 *
 * @param halfLengthMm from the middle to the end of the bar.
 * @returns points in mm, left to right; the supports are at height 0.
 */
export function bentAxis(bent: BentBar, halfLengthMm: number, exaggeration: number, points = 97): Point[] {
  return Array.from({ length: points }, (_, i) => {
    const x = halfLengthMm * ((2 * i) / (points - 1) - 1);
    return [x, bent.heightAtMm(x) * exaggeration] as const;
  });
}
