import { fixed, trimmed } from "../units/format";
import { valueOf, type Bar } from "./bar";
import { seatToSeatOf } from "./lengths";
import type { Quantity } from "./effectiveQuantity";
import { STARTING_TOLERANCES, type Tolerances } from "./tolerances";

export const RULE_BOOKS = ["iwf-men", "iwf-women", "ipf"] as const;
export type RuleBook = (typeof RULE_BOOKS)[number];

/** Published rules, from memory (handbook §7): the federation's own text comes first. */
export const RULE_BOOK_NAMES: Record<RuleBook, { name: string; source: string }> = {
  "iwf-men": { name: "IWF, men's bar", source: "IWF Technical and Competition Rules, from memory" },
  "iwf-women": { name: "IWF, women's bar", source: "IWF Technical and Competition Rules, from memory" },
  ipf: { name: "IPF", source: "IPF Technical Rules Book, from memory" },
};

export type LineResult = "meets" | "fails" | "unknown" | "nothing-to-say";

export interface ConformityLine {
  about: string;
  /** What the rule asks, in its own numbers; null where it is silent. */
  rule: string | null;
  /** What the bar has, with its unit; null when nobody knows. */
  found: string | null;
  source: "measured" | "stated" | null;
  result: LineResult;
  /** How far off, what to measure, or which tolerance was counted. */
  note: string;
}

export interface Conformity {
  book: RuleBook;
  lines: ConformityLine[];
  /** Fails when a line fails; unknown when none fails and something is missing or only stated. */
  result: "meets" | "fails" | "unknown";
}

interface Ask {
  about: string;
  unit: "kg" | "mm";
  decimals: number;
  quantity: Quantity | null;
  least: number;
  most: number;
  rule: string;
  note?: string;
}

/**
 * A bar against the published rules, line by line.
 * Where a rule gives a figure and no tolerance, the house's measuring tolerance for that quantity is allowed and said.
 *
 * @param clampPairKg mass of the clamps that go with the bar; the IPF rule counts bar and clamps together.
 * @returns lines with what is wanted and what is there, in mm and kg, and whether all are met
 */
export function conformity(
  bar: Bar,
  book: RuleBook,
  { tolerances = STARTING_TOLERANCES, clampPairKg = 5 }: { tolerances?: Tolerances; clampPairKg?: number } = {},
): Conformity {
  const lines = book === "ipf" ? ipfLines(bar, tolerances, clampPairKg) : iwfLines(bar, book, tolerances);
  const has = (result: LineResult) => lines.some((line) => line.result === result);
  const isSure = lines.every(({ rule, source }) => rule === null || source !== "stated");
  return { book, lines, result: has("fails") ? "fails" : has("unknown") || !isSure ? "unknown" : "meets" };
}

function iwfLines(bar: Bar, book: RuleBook, tolerances: Tolerances): ConformityLine[] {
  const isMen = book === "iwf-men";
  const mass = isMen ? 20 : 15;
  const exactly = (
    about: string,
    kind: "overallLength" | "shaftDiameter" | "shaftLength" | "sleeveLength",
    wanted: number,
  ) => {
    const slack = tolerances[kind] ?? 0;
    return lineOf({
      about,
      unit: "mm",
      decimals: kind === "shaftDiameter" ? 2 : 1,
      quantity: bar.quantities[kind] ?? null,
      least: wanted - slack,
      most: wanted + slack,
      rule: `${wanted} mm`,
      note: `no tolerance known here; ±${trimmed(slack, 2)} mm for measuring is allowed`,
    });
  };
  return [
    lineOf({
      about: "mass",
      unit: "kg",
      decimals: 3,
      quantity: bar.quantities.mass ?? null,
      // Mass tolerance above 5 kg: +0.1 % and −0.05 %.
      least: mass * 0.9995,
      most: mass * 1.001,
      rule: `${mass} kg, +0.1 % −0.05 %: ${trimmed(mass * 0.9995, 4)} to ${trimmed(mass * 1.001, 3)} kg`,
    }),
    exactly("overall length", "overallLength", isMen ? 2200 : 2010),
    exactly("shaft diameter", "shaftDiameter", isMen ? 28 : 25),
    exactly("between the collars", "shaftLength", 1310),
    exactly("sleeve length", "sleeveLength", isMen ? 415 : 320),
    silent("sleeve diameter", quantityText(bar.quantities.sleeveDiameter ?? null, "mm", 1)),
    silent("seat to seat", quantityText(seatToSeatOf(bar), "mm", 1)),
    silent("knurl coarseness", bar.knurl),
    silent("sleeve rotation", bar.sleeveRotation),
  ];
}

function ipfLines(bar: Bar, tolerances: Tolerances, clampPairKg: number): ConformityLine[] {
  const own = bar.quantities.mass ?? null;
  const withClamps = own && { ...own, value: own.value + clampPairKg };
  const slack = tolerances.mass ?? 0;
  return [
    lineOf({
      about: "bar and clamps",
      unit: "kg",
      decimals: 2,
      quantity: withClamps,
      least: 25 - slack,
      most: 25 + slack,
      rule: "25 kg",
      note: `with clamps of ${trimmed(clampPairKg, 2)} kg a pair; no tolerance known here, ±${trimmed(slack, 2)} kg is allowed`,
    }),
    lineOf({
      about: "overall length",
      unit: "mm",
      decimals: 1,
      quantity: bar.quantities.overallLength ?? null,
      least: 0,
      most: 2200,
      rule: "at most 2200 mm",
    }),
    lineOf({
      about: "between the collars",
      unit: "mm",
      decimals: 1,
      quantity: bar.quantities.shaftLength ?? null,
      least: 1310,
      most: 1320,
      rule: "1310 to 1320 mm",
    }),
    lineOf({
      about: "shaft diameter",
      unit: "mm",
      decimals: 2,
      quantity: bar.quantities.shaftDiameter ?? null,
      least: 28,
      most: 29,
      rule: "28 to 29 mm",
    }),
    lineOf({
      about: "sleeve diameter",
      unit: "mm",
      decimals: 2,
      quantity: bar.quantities.sleeveDiameter ?? null,
      least: 50,
      most: 52,
      rule: "50 to 52 mm",
    }),
    marksLine(bar),
    silent("loadable sleeve", quantityText(bar.quantities.sleeveLength ?? null, "mm", 1)),
    silent("knurl coarseness", bar.knurl),
    silent("sleeve rotation", bar.sleeveRotation),
  ];
}

function marksLine(bar: Bar): ConformityLine {
  const base = { about: "ring marks", rule: "810 mm apart", source: null };
  if (bar.ringMarks === null)
    return { ...base, found: null, result: "unknown", note: "look at the bar and enter them" };
  const meets = bar.ringMarks === "powerlifting" || bar.ringMarks === "dual";
  const found = { none: "none", powerlifting: "810 mm", weightlifting: "910 mm", dual: "810 and 910 mm" };
  return { ...base, found: found[bar.ringMarks], result: meets ? "meets" : "fails", note: "" };
}

function silent(about: string, found: string | null): ConformityLine {
  return { about, rule: null, found, source: null, result: "nothing-to-say", note: "the rule is silent" };
}

function lineOf({ about, unit, decimals, quantity, least, most, rule, note = "" }: Ask): ConformityLine {
  const base = { about, rule };
  if (!quantity) return { ...base, found: null, source: null, result: "unknown", note: "measure it" };
  const { value, source } = quantity;
  const found = quantityText(quantity, unit, decimals);
  // A value on the limit is inside it, whatever the doubles say.
  const off = value < least - 1e-9 ? value - least : value > most + 1e-9 ? value - most : 0;
  const offText = `${fixed(Math.abs(off), decimals)} ${unit} ${off < 0 ? "under" : "over"}`;
  const only = source === "stated" ? "only stated: measure it to be sure" : "";
  const words = [off === 0 ? "" : offText, note, only].filter(Boolean).join("; ");
  return { ...base, found, source, result: off === 0 ? "meets" : "fails", note: words };
}

function quantityText(quantity: Quantity | null, unit: string, decimals: number): string | null {
  return quantity && `${trimmed(quantity.value, decimals)} ${unit}`;
}

/**
 * The rule books that a bar of this kind is worth holding against; specialty bars have none.
 *
 * @returns keys of the books; none for specialty bars
 */
export function ruleBooksFor(bar: Pick<Bar, "family" | "quantities">): RuleBook[] {
  switch (bar.family) {
    case "weightlifting-short":
    case "technique":
      return ["iwf-women"];
    case "weightlifting":
      return ["iwf-men", "ipf"];
    case "power":
    case "all-round":
    case "hybrid":
      return (valueOf(bar, "shaftDiameter") ?? 28.5) < 26 ? ["iwf-women"] : ["ipf", "iwf-men"];
    case "deadlift":
    case "squat":
      return ["ipf"];
    default:
      return [];
  }
}
