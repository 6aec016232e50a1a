import { KG_PER_LB, MM_PER_IN } from "./constants";

/** Which system a person reads in; what is stored and computed stays metric. */
export type UnitSystem = "metric" | "imperial";

/**
 * A number with a fixed number of decimals; never "-0.0".
 *
 * @returns digits with a decimal point
 */
export function fixed(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  return Number(text) === 0 ? text.replace("-", "") : text;
}

/**
 * A number with at most so many decimals and no trailing zeros: 2.5, 20, 20.41.
 *
 * @returns digits with a decimal point
 */
export function trimmed(value: number, decimals: number): string {
  const text = fixed(value, decimals);
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}

/**
 * A mass for reading, without its unit.
 *
 * @returns kg or lb, without the unit
 */
export function massText(kg: number, system: UnitSystem, decimals = 2): string {
  return trimmed(system === "metric" ? kg : kg / KG_PER_LB, decimals);
}

/**
 * A length for reading, without its unit: whole and half millimetres, or hundredths of an inch.
 *
 * @returns mm or inches, without the unit
 */
export function lengthText(mm: number, system: UnitSystem): string {
  return system === "metric" ? trimmed(mm, 1) : trimmed(mm / MM_PER_IN, 2);
}

/**
 * A sum or difference with its sign written: "+0.4", "−1.25", "0".
 *
 * @returns digits with a sign
 */
export function signed(value: number, decimals: number): string {
  const text = trimmed(Math.abs(value), decimals);
  if (Number(text) === 0) return "0";
  return `${value < 0 ? "−" : "+"}${text}`;
}

/**
 * Words as a list a person would say: "a", "a and b", "a, b and c".
 *
 * @returns words
 */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

/**
 * A noun with its article: "a power bar", "an axle".
 *
 * @returns words
 */
export function withArticle(noun: string): string {
  return `${/^[aeiou]/i.test(noun) ? "an" : "a"} ${noun}`;
}

/**
 * A sentence with its first letter large.
 *
 * @returns the text
 */
export function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
