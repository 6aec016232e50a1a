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

const NUMBER = String.raw`[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)`;
const WRITTEN = new RegExp(String.raw`^(${NUMBER})\s*([a-z″"′\'’#]*)\.?$`, "i");
/** Feet and inches, stone and pounds: "5 ft 11 in", "5′ 11″", "12 st 4". */
const IN_TWO = new RegExp(
  String.raw`^(\d+)\s*(ft|foot|feet|′|\'|’|st|stones?)\s*(${NUMBER})\s*(in|inch|inches|″|"|\'\'|lbs?|pounds?)?\.?$`,
  "i",
);
/** 1,310 mm: nobody measures a micrometre of a metre. */
const THOUSANDS = /^\d{1,3}(?:,\d{3})+$/;

/**
 * Reads what a person typed into a field: a number, perhaps with a unit; a comma counts as the decimal point, and in
 * millimetres before three digits as the thousands'; halves to sixty-fourths are taken as fractions. Metres, feet, grams and stone are taken too, and kept as mm, in,
 * kg and lb: the units that the product keeps.
 *
 * @param fallback the unit when none is written.
 * @returns null when it is not a number with a known unit of that kind.
 * @example readTyped("45 lb", "kg") // { value: "45", unit: "lb" }
 * @example readTyped("1.93 m", "mm") // { value: "1930", unit: "mm" }
 * @example readTyped("5 ft 11", "mm") // { value: "71", unit: "in" }
 * @example readTyped("1 1/8 in", "mm") // { value: "1.125", unit: "in" }
 */
export function readTyped(text: string, fallback: Unit): TypedQuantity | null {
  const typed = readUnits(withoutFraction(text.trim()), fallback);
  return typed && computingUnit(typed.unit) === computingUnit(fallback) ? typed : null;
}

/** A whole number and parts of one, as inches are cut: 1 1/8, 1-1/8, 3/4, 5 ft 11 1/2. */
const FRACTION = /(?<![\d.,/])(?:(\d+)(?:\s+|-))?(\d+)\/(2|4|8|16|32|64)(?![\d/])/;
const SIGNS: Readonly<Record<string, string>> = {
  ...{ "½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8" },
};

/** The same text with its fraction as decimals, which sixty-fourths have exactly. */
function withoutFraction(text: string): string {
  const spelt = text.replace(/(\d)?([½¼¾⅛⅜⅝⅞])/, (_, whole: string | undefined, sign: string) =>
    whole ? `${whole} ${SIGNS[sign]}` : SIGNS[sign]!,
  );
  return spelt.replace(FRACTION, (_, whole = "0", top: string, below: string) =>
    written(BigInt(whole as string) * 1_000_000n + (BigInt(top) * 1_000_000n) / BigInt(below), 6),
  );
}

function readUnits(text: string, fallback: Unit): TypedQuantity | null {
  const both = IN_TWO.exec(text);
  if (both) {
    const [, whole, large, rest, small = ""] = both;
    const isStone = SPELLINGS[large!.toLowerCase()]!.unit === "lb";
    const last = SPELLINGS[small.toLowerCase()]?.unit;
    if (last !== undefined && last !== (isStone ? "lb" : "in")) return null;
    return {
      value: summed(whole!, isStone ? 14n : 12n, rest!.replace(",", ".")),
      unit: isStone ? "lb" : "in",
    };
  }
  const parts = WRITTEN.exec(text);
  if (!parts) return null;
  const known: Spelling | undefined = parts[2] === "" ? { unit: fallback } : SPELLINGS[parts[2]!.toLowerCase()];
  if (!known) return null;
  const isThousands = computingUnit(known.unit) === "mm" && THOUSANDS.test(parts[1]!);
  const digits = isThousands ? parts[1]!.replaceAll(",", "") : parts[1]!.replace(",", ".");
  return { value: scaled(digits, known), unit: known.unit };
}

interface Spelling {
  unit: Unit;
  /** How many of the unit it is: 12 in to a foot. */
  times?: bigint;
  /** Places by which the decimal point moves: 3 from m to mm. */
  shift?: number;
}

const spelt = (words: string, spelling: Spelling) => words.split(" ").map((word) => [word, spelling] as const);

const SPELLINGS: Readonly<Record<string, Spelling>> = Object.fromEntries([
  ...spelt("kg kgs kilo kilos kilogram kilograms", { unit: "kg" }),
  ...spelt("g gram grams", { unit: "kg", shift: -3 }),
  ...spelt("lb lbs pound pounds #", { unit: "lb" }),
  ...spelt("st stone stones", { unit: "lb", times: 14n }),
  ...spelt("mm millimetre millimetres", { unit: "mm" }),
  ...spelt("cm centimetre centimetres", { unit: "cm" }),
  ...spelt("m metre metres", { unit: "mm", shift: 3 }),
  ...spelt("in inch inches ″ \" ''", { unit: "in" }),
  ...spelt("ft foot feet ′ ' ’", { unit: "in", times: 12n }),
  ...spelt("s sec secs second seconds", { unit: "s" }),
]);

/** A plain decimal number as a whole number and how many of its digits are decimals. */
function parted(digits: string): { units: bigint; places: number } {
  const [whole = "", fraction = ""] = digits.replace(/^[+-]/, "").split(".");
  const units = BigInt(whole + fraction || "0");
  return { units: digits.startsWith("-") ? -units : units, places: fraction.length };
}

/** The shortest plain decimal number of so many units of the last place; places may be negative. */
function written(units: bigint, places: number): string {
  const digits = (units < 0n ? -units : units).toString() + "0".repeat(Math.max(0, -places));
  const padded = digits.padStart(Math.max(0, places) + 1, "0");
  const at = padded.length - Math.max(0, places);
  const fraction = padded.slice(at).replace(/0+$/, "");
  return (units < 0n ? "-" : "") + padded.slice(0, at) + (fraction && `.${fraction}`);
}

/** Digits after a change of unit, exactly. */
function scaled(digits: string, { times = 1n, shift = 0 }: Spelling): string {
  if (times === 1n && shift === 0) return digits;
  const { units, places } = parted(digits);
  return written(units * times, places - shift);
}

/** So many of the large unit and so many of the small one, in the small one. */
function summed(large: string, times: bigint, small: string): string {
  const [a, b] = [parted(large), parted(small)];
  const places = Math.max(a.places, b.places);
  const unitsOf = ({ units, places: own }: typeof a) => units * 10n ** BigInt(places - own);
  return written(unitsOf(a) * times + unitsOf(b), places);
}
