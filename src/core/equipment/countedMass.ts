/**
 * What one plate of a kind counts as when the house counts exact masses: the mean of those that were weighed, as whole
 * units of 10⁻¹⁰ kg; as it is stamped while none was. Pairs differ from the mean by less than they differ from each other.
 *
 * @returns mass units of 10⁻¹⁰ kg
 */
export function countedPlateUnits(stampedUnits: number, weighedUnits: readonly number[]): number {
  if (weighedUnits.length === 0) return stampedUnits;
  return Math.round(weighedUnits.reduce((sum, units) => sum + units, 0) / weighedUnits.length);
}
