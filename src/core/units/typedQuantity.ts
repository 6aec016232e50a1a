import { KG_PER_LB, MM_PER_IN } from "./constants";

/** Units that a person may type; the first of each kind is what the product computes in. */
export const MASS_UNITS = ["kg", "lb"] as const;
export const LENGTH_UNITS = ["mm", "cm", "in"] as const;

export type MassUnit = (typeof MASS_UNITS)[number];
export type LengthUnit = (typeof LENGTH_UNITS)[number];
export type Unit = MassUnit | LengthUnit | "s" | "MPa" | "GPa" | "deg";

/** What somebody typed: the digits as they stand, and the unit. `45 lb` stays `45 lb` for ever. */
export interface TypedQuantity {
  /** A plain decimal number in digits, e.g. "45" or "1.25". */
  value: string;
  unit: Unit;
}

/** Numerator and power of ten by which a typed value is multiplied to reach the computing unit. */
const FACTOR: Record<Unit, { times: bigint; shift: number; to: Unit }> = {
  kg: { times: 1n, shift: 0, to: "kg" },
  lb: { times: BigInt(Math.round(KG_PER_LB * 1e8)), shift: 8, to: "kg" },
  mm: { times: 1n, shift: 0, to: "mm" },
  cm: { times: 10n, shift: 0, to: "mm" },
  in: { times: BigInt(Math.round(MM_PER_IN * 10)), shift: 1, to: "mm" },
  s: { times: 1n, shift: 0, to: "s" },
  MPa: { times: 1n, shift: 0, to: "MPa" },
  GPa: { times: 1n, shift: 0, to: "GPa" },
  deg: { times: 1n, shift: 0, to: "deg" },
};

const DECIMAL = /^([+-]?)(\d*)(?:\.(\d*))?$/;

/**
 * The unit that a typed unit is converted into: kg for masses, mm for lengths.
 *
 * @returns the unit
 */
export function computingUnit(unit: Unit): Unit {
  return FACTOR[unit].to;
}

/**
 * A typed quantity in the unit the product computes in (kg, mm, s, MPa, GPa or degrees).
 *
 * The product of the digits and the exact factor is formed in whole numbers and rounded to a double once,
 * so 45 lb is the double nearest to 20.41165665 and 1 in is exactly 25.4.
 *
 * @throws RangeError when the digits are not a plain decimal number.
 * @returns the double nearest to the exact value
 *
 * @example convertTyped({ value: "45", unit: "lb" }) // 20.41165665
 */
export function convertTyped({ value, unit }: TypedQuantity): number {
  const parts = DECIMAL.exec(value.trim());
  const whole = parts?.[2] ?? "";
  const fraction = parts?.[3] ?? "";
  if (!parts || whole + fraction === "") throw new RangeError(`not a plain decimal number: ${value}`);
  const { times, shift } = FACTOR[unit];
  const scaled = BigInt(whole + fraction) * times;
  return Number(`${parts[1]}${scaled}e-${fraction.length + shift}`);
}

const WRITTEN = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*(kgs?|lbs?|mm|cm|in|″|"|s|sec)?$/i;

/**
 * Reads what a person typed into a field: a number, perhaps with a unit; a comma counts as the decimal point.
 *
 * @param fallback the unit when none is written.
 * @returns null when it is not a number with a known unit.
 * @example readTyped("45 lb", "kg") // { value: "45", unit: "lb" }
 */
export function readTyped(text: string, fallback: Unit): TypedQuantity | null {
  const parts = WRITTEN.exec(text.trim());
  if (!parts) return null;
  const written = parts[2]?.toLowerCase();
  const unit = written === undefined ? fallback : SPELLINGS[written];
  if (unit === undefined || computingUnit(unit) !== computingUnit(fallback)) return null;
  return { value: parts[1]!.replace(",", "."), unit };
}

const SPELLINGS: Record<string, Unit> = {
  kg: "kg",
  kgs: "kg",
  lb: "lb",
  lbs: "lb",
  mm: "mm",
  cm: "cm",
  in: "in",
  "″": "in",
  '"': "in",
  s: "s",
  sec: "s",
};
