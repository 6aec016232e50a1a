import { KG_PER_LB, MM_PER_IN } from "./constants";
import { fixed, trimmed } from "./format";

/** The units that a person reads and types in. What is kept and computed stays kg and mm. */
export interface Units {
  mass: "kg" | "lb";
  length: "mm" | "in";
}

export const METRIC: Units = { mass: "kg", length: "mm" };

/** Inches are cut into so many parts. */
const PARTS = 32;
/** Below this, and where tenths of a millimetre are said, a length is a diameter or a difference: thousandths say it. */
const FINE_MM = 100;

/**
 * A mass as a person reads it, without its unit.
 *
 * @param kg mass
 * @param decimals at most so many, in kg as in lb; of 100 lb and more none, where not more than one is asked for
 * @returns "100", "220.5"; never "-0"
 */
export function shownMass(kg: number, decimals: number, { mass }: Units): string {
  if (mass === "kg") return trimmed(kg, decimals);
  const lb = kg / KG_PER_LB;
  // A tenth of a kilogram is said of a bar; of a load of hundreds of pounds nobody says tenths.
  return trimmed(lb, decimals <= 1 && Math.abs(lb) >= 100 ? 0 : Math.min(decimals, 2));
}

/**
 * A length as a person reads it, without its unit: millimetres, thousandths of an inch for what is small and exact, and
 * fractions to 1/32 for the rest.
 *
 * @param mm length
 * @param decimals at most so many, in mm; they also say how exact the figure is
 * @returns "28.5", "1.122", "51 9/16"; never "-0"
 */
export function shownLength(mm: number, decimals: number, { length }: Units): string {
  if (length === "mm") return trimmed(mm, decimals);
  const inches = mm / MM_PER_IN;
  if (Math.abs(mm) < FINE_MM && (decimals > 0 || Math.abs(mm) < 6)) return trimmed(inches, 3);
  return inchFraction(inches);
}

/**
 * How tall someone is, as people say it: to the centimetre or the inch.
 *
 * @returns with its unit, "1.80 m" or "5 ft 11 in"
 */
export function heightText(mm: number, { length }: Units): string {
  if (length === "mm") return `${fixed(mm / 1000, 2)} m`;
  const inches = Math.round(mm / MM_PER_IN);
  return `${Math.floor(inches / 12)} ft ${inches % 12} in`;
}

/**
 * Inches to the nearest 1/32: "51 9/16", "3/4", "−2".
 *
 * @returns whole inches and a fraction in its lowest terms
 */
export function inchFraction(inches: number): string {
  const all = Math.round(Math.abs(inches) * PARTS);
  let [parts, of] = [all % PARTS, PARTS];
  while (parts > 0 && parts % 2 === 0) [parts, of] = [parts / 2, of / 2];
  const whole = Math.floor(all / PARTS);
  const text = [...(whole > 0 || parts === 0 ? [String(whole)] : []), ...(parts > 0 ? [`${parts}/${of}`] : [])].join(
    " ",
  );
  return inches < 0 && all > 0 ? `-${text}` : text;
}

const NUMBER = String.raw`[−+-]?\d[\d,]*(?:\.\d+)?`;
/** Between figures of which only the last names the unit. */
const BETWEEN = " to |–| and | against | of | · ";
/** A figure, or several of which only the last names the unit; a ratio ("kg a mm", "N/mm") and a plate's own mark stay. */
const QUANTITY = new RegExp(
  String.raw`(?<![\d.,×/])(${NUMBER}(?:(?:${BETWEEN})${NUMBER})*)([  ])(kg|mm)(?![\p{L}\d²³/·])(?! (?:a mm|discs?|plates?|bumpers?|on each millimetre))`,
  "gu",
);

/**
 * A sentence with its masses and lengths as a person reads them. Ratios, and plates by the name that is cast into them,
 * stay as they are.
 *
 * @param text as the core wrote it, in kg and mm
 * @returns the sentence in other units
 */
export function saidIn(text: string, units: Units): string {
  if (units.mass === "kg" && units.length === "mm") return text;
  return text.replace(QUANTITY, (all, figures: string, gap: string, unit: string) => {
    if (unit === "kg" ? units.mass === "kg" : units.length === "mm") return all;
    const plainOf = (number: string) => number.replaceAll(",", "").replace("−", "-").replace("+", "");
    const numbers = figures.match(new RegExp(NUMBER, "g")) ?? [];
    // Figures that stand together are said equally exactly.
    const decimals = Math.max(...numbers.map((number) => plainOf(number).split(".")[1]?.length ?? 0));
    const turned = (number: string) => {
      const plain = Number(plainOf(number));
      const said = unit === "kg" ? shownMass(plain, Math.max(1, decimals), units) : shownLength(plain, decimals, units);
      return number.startsWith("+") ? `+${said}` : number.startsWith("−") ? said.replace("-", "−") : said;
    };
    return `${figures.replace(new RegExp(NUMBER, "g"), turned)}${gap}${unit === "kg" ? "lb" : "in"}`;
  });
}

/**
 * The name of a unit as a person reads it.
 *
 * @returns the unit that stands in a head or behind a field
 */
export function unitName(unit: string, units: Units): string {
  return unit === "kg" ? units.mass : unit === "mm" ? units.length : unit;
}

/**
 * What a person typed, with the unit that a bare number has for them.
 *
 * @param unit what the field counts in: kg or mm
 * @returns the text as it was where it names a unit, is no number, or is in kg or mm anyway
 */
export function typedIn(text: string, unit: string, units: Units): string {
  const name = unitName(unit, units);
  return name !== unit && /^\s*[+−-]?(?:\d[\d\s]*(?:[.,]\d+)?|[.,]\d+|(?:\d+[\s-]+)?\d+\/\d+)\s*$/.test(text)
    ? `${text.trim()} ${name}`
    : text;
}

/**
 * A number that stands in a field before anything is typed.
 *
 * @param value in kg or mm
 * @returns digits in the person's unit, exact enough to come back as the same number
 */
export function fieldNumber(value: number, unit: string, units: Units): string {
  if (unit === "kg" && units.mass === "lb") return trimmed(value / KG_PER_LB, 2);
  if (unit === "mm" && units.length === "in") return trimmed(value / MM_PER_IN, 3);
  return fixed(value, 3).replace(/\.?0+$/, "");
}
