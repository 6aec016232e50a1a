import type { Bar } from "./bar";
import { gapToStated } from "./effectiveQuantity";
import { QUANTITY_KINDS, type QuantityKind } from "./quantities";
import { STARTING_TOLERANCES, type Tolerances } from "./tolerances";

export interface FlaggedGap {
  kind: QuantityKind;
  /** Measured minus stated. */
  gap: number;
  tolerance: number;
}

/**
 * Quantities of a bar whose measured value lies beyond the house's tolerance from the stated one.
 *
 * @returns each with its gap and tolerance in the quantity's unit, in the order of the quantities
 */
export function flaggedGaps(bar: Pick<Bar, "quantities">, tolerances: Tolerances = STARTING_TOLERANCES): FlaggedGap[] {
  return QUANTITY_KINDS.flatMap((kind) => {
    const gap = gapToStated(bar.quantities[kind] ?? null);
    const tolerance = tolerances[kind];
    return gap !== null && tolerance !== null && Math.abs(gap) > tolerance + ROUNDING ? [{ kind, gap, tolerance }] : [];
  });
}

/** A gap that is exactly the tolerance is within it, whatever the doubles say. */
const ROUNDING = 1e-9;
