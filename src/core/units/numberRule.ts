import { convertTyped, readTyped } from "./typedQuantity";

/** A number that a gym chooses: what its field is called, in which unit, from which to which. */
export interface NumberRule {
  label: string;
  /** "kg" and "mm" may be typed in any unit of their kind; others may be written behind the number or left out. */
  unit: string;
  range: readonly [least: number, most: number];
}

const DECIMAL = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/;

/**
 * What somebody typed for such a number.
 *
 * @param text not empty: what stands for an empty field is for whoever asks
 * @returns the number in the rule's unit, or what is wrong, named as the field is
 * @example readNumberRule({ label: "tall from", unit: "mm", range: [1500, 2300] }, "6 ft 3") // 1905
 */
export function readNumberRule(
  { label, unit, range: [least, most] }: NumberRule,
  text: string,
): { ok: true; value: number } | { ok: false; message: string } {
  const value = numberIn(unit, text.trim());
  if (value !== null && value >= least && value <= most) return { ok: true, value };
  const of = unit === "" ? "" : ` ${unit}`;
  return { ok: false, message: `${label}: “${text.trim()}” must be a number from ${least} to ${most}${of}` };
}

function numberIn(unit: string, said: string): number | null {
  if (unit === "kg" || unit === "mm") {
    const typed = readTyped(said, unit);
    return typed && convertTyped(typed);
  }
  const bare = unit !== "" && said.endsWith(unit) ? said.slice(0, -unit.length).trimEnd() : said;
  return DECIMAL.test(bare) ? Number(bare.replace(",", ".")) : null;
}
