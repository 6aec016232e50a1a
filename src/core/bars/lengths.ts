import { valueOf, type Bar } from "./bar";
import type { Quantity } from "./effectiveQuantity";

/** A seat-to-seat reading this far from shaft + 2 collars is flagged. House rule to start from. */
export const SEAT_SUM_TOLERANCE_MM = 2;

/** The length identity must close within this. House rule to start from. */
export const LENGTH_IDENTITY_TOLERANCE_MM = 6;

/**
 * Distance between the two faces on which the first plates sit.
 * What a tape read directly wins over the sum shaft + 2 × collar; the sum wins over what a seller states.
 *
 * @returns mm, with where it comes from; null when nothing says it
 */
export function seatToSeatOf(bar: Pick<Bar, "quantities">): Quantity | null {
  const own = bar.quantities.seatToSeat;
  if (own?.source === "measured") return own;
  const shaft = bar.quantities.shaftLength;
  const collar = bar.quantities.collarThickness;
  if (!shaft || !collar) return own ?? null;
  const isMeasured = shaft.source === "measured" && collar.source === "measured";
  return { value: shaft.value + 2 * collar.value, source: isMeasured ? "measured" : "stated" };
}

/**
 * Seat-to-seat as read with the tape minus shaft + 2 × collar, when both are known and disagree; else null.
 *
 * @returns mm, positive when the tape read more; null when they agree or one is unknown
 */
export function seatSumMismatchMm(bar: Pick<Bar, "quantities">): number | null {
  const own = bar.quantities.seatToSeat;
  const shaft = valueOf(bar, "shaftLength");
  const collar = valueOf(bar, "collarThickness");
  if (own?.source !== "measured" || shaft === null || collar === null) return null;
  const mismatch = own.value - (shaft + 2 * collar);
  return Math.abs(mismatch) > SEAT_SUM_TOLERANCE_MM ? mismatch : null;
}

/**
 * What is left of the overall length after shaft, collars and sleeves: the two end caps together, in mm.
 * Null when a length is missing. Less than −6 mm means that one of the numbers is wrong.
 *
 * @returns mm; null when a length is missing
 */
export function endCapRemainderMm(bar: Pick<Bar, "quantities">): number | null {
  const overall = valueOf(bar, "overallLength");
  const seats = seatToSeatOf(bar)?.value ?? null;
  const sleeve = valueOf(bar, "sleeveLength");
  return overall === null || seats === null || sleeve === null ? null : overall - seats - 2 * sleeve;
}
