/**
 * Masses as whole numbers, so that mixed kilogram and pound collections add up without a rounding.
 *
 * One unit is 10⁻¹⁰ kg. At that size a kilogram, a pound and a quarter pound are all whole numbers,
 * and the largest mass the product accepts (2000 kg) is 2·10¹³, far below 2⁵³.
 */
export type MassUnits = number;

/** Units in one kilogram, exact. */
export const UNITS_PER_KG = 10_000_000_000;

/** Units in one pound, exact: 0.45359237 kg · 10¹⁰. */
export const UNITS_PER_LB = 4_535_923_700;

/**
 * The nearest whole number of units to a mass in kilograms.
 *
 * @throws RangeError when the mass is not finite or too large to stay a safe integer.
 * @returns a safe integer, in units of 10⁻¹⁰ kg
 *
 * @example massUnitsFromKg(20) // 200_000_000_000
 */
export function massUnitsFromKg(kg: number): MassUnits {
  const units = Math.round(kg * UNITS_PER_KG);
  if (!Number.isSafeInteger(units)) throw new RangeError(`mass out of range: ${kg} kg`);
  return units === 0 ? 0 : units;
}

/**
 * Kilograms as the double nearest to the exact value; for showing and for physics, never for comparing.
 *
 * @returns kg
 */
export function kgFromMassUnits(units: MassUnits): number {
  return units / UNITS_PER_KG;
}
