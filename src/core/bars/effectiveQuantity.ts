/** A quantity as it counts: the measured mean when there is one, else what the seller states. */
export interface Quantity {
  value: number;
  source: "measured" | "stated";
  statedValue?: number;
  /** The readings behind a measured value, in the computing unit. */
  readings?: readonly number[];
}

/**
 * The value that counts, from what the seller states and the latest readings.
 *
 * @param readings up to three readings of one measurement; empty when never measured.
 * @returns null when nothing is known.
 * @example effectiveQuantity(20, [20.4, 20.4, 20.5]) // { value: 20.433…, source: "measured", statedValue: 20, readings: … }
 */
export function effectiveQuantity(stated: number | null, readings: readonly number[]): Quantity | null {
  if (readings.length > 0) {
    const value = readings.reduce((sum, reading) => sum + reading, 0) / readings.length;
    return { value, source: "measured", ...(stated === null ? {} : { statedValue: stated }), readings };
  }
  return stated === null ? null : { value: stated, source: "stated", statedValue: stated };
}

/**
 * Largest reading minus smallest; 0 for a single reading.
 *
 * @returns in the unit of the readings, 0 or more
 */
export function spreadOf(readings: readonly number[]): number {
  return readings.length === 0 ? 0 : Math.max(...readings) - Math.min(...readings);
}

/**
 * Measured minus stated, or null when either is missing.
 *
 * @returns in the quantity's unit, positive when more was measured
 */
export function gapToStated(quantity: Quantity | null): number | null {
  if (!quantity || quantity.source !== "measured" || quantity.statedValue === undefined) return null;
  return quantity.value - quantity.statedValue;
}
