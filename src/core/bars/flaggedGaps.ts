import type { Bar } from "./bar";
import { gapToStated } from "./effectiveQuantity";
import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "./quantities";

export interface FlaggedGap {
  kind: QuantityKind;
  /** Measured minus stated. */
  gap: number;
  tolerance: number;
}

/** Quantities of a bar whose measured value lies beyond its tolerance from the stated one. */
export function flaggedGaps(bar: Pick<Bar, "quantities">): FlaggedGap[] {
  return QUANTITY_KINDS.flatMap((kind) => {
    const gap = gapToStated(bar.quantities[kind] ?? null);
    const { tolerance } = QUANTITIES[kind];
    return gap !== null && tolerance !== null && Math.abs(gap) > tolerance + ROUNDING ? [{ kind, gap, tolerance }] : [];
  });
}

/** A gap that is exactly the tolerance is within it, whatever the doubles say. */
const ROUNDING = 1e-9;
