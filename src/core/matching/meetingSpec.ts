import { RULE_BOOK_NAMES, type RuleBook } from "../bars/conformity";
import { seatToSeatOf } from "../bars/lengths";
import { valueOf, type Bar, type RingMarks } from "../bars/bar";
import { trimmed } from "../units/format";

/** Quantities that a meeting may ask something of, with the words and unit of each. */
export const MEETING_QUANTITIES = {
  mass: { label: "mass", unit: "kg", decimals: 2, slack: 0.2 },
  overallLength: { label: "overall length", unit: "mm", decimals: 1, slack: 2 },
  shaftLength: { label: "between the collars", unit: "mm", decimals: 1, slack: 2 },
  shaftDiameter: { label: "shaft diameter", unit: "mm", decimals: 2, slack: 0.1 },
  sleeveDiameter: { label: "sleeve diameter", unit: "mm", decimals: 2, slack: 0.3 },
  sleeveLength: { label: "sleeve length", unit: "mm", decimals: 1, slack: 2 },
  seatToSeat: { label: "seat to seat", unit: "mm", decimals: 1, slack: 2 },
} as const;
export type MeetingQuantity = keyof typeof MEETING_QUANTITIES;

/** What one lift of a meeting asks of its bar. */
export interface MeetingSpec {
  /** Name of the rules, for reasons. */
  name: string;
  /** Where they are written down. */
  source: string;
  ranges: Partial<Record<MeetingQuantity, { least?: number; most?: number }>>;
  /** Ring marks that must be there. */
  marks: "powerlifting" | "weightlifting" | null;
}

const about = (value: number, slack: number) => ({ least: value - slack, most: value + slack });
const exactly = (kind: MeetingQuantity, value: number) => about(value, MEETING_QUANTITIES[kind].slack);

/**
 * The published bars as meetings ask for them (handbook §7, from memory; the federation's own text comes first). A
 * figure without a tolerance is held to what measuring allows: house tolerances at their start.
 */
export const BOOK_SPECS: Record<RuleBook, MeetingSpec> = {
  "iwf-men": iwf("iwf-men", 20, 2200, 28, 415),
  "iwf-women": iwf("iwf-women", 15, 2010, 25, 320),
  ipf: {
    ...RULE_BOOK_NAMES.ipf,
    // Bar and clamps weigh 25 kg; the usual pair weighs 5.
    ranges: {
      mass: exactly("mass", 20),
      overallLength: { most: 2200 },
      shaftLength: { least: 1310, most: 1320 },
      shaftDiameter: { least: 28, most: 29 },
      sleeveDiameter: { least: 50, most: 52 },
    },
    marks: "powerlifting",
  },
};

function iwf(book: RuleBook, mass: number, overall: number, shaft: number, sleeve: number): MeetingSpec {
  return {
    ...RULE_BOOK_NAMES[book],
    ranges: {
      // Mass tolerance above 5 kg: +0.1 % and −0.05 %.
      mass: { least: mass * 0.9995, most: mass * 1.001 },
      overallLength: exactly("overallLength", overall),
      shaftLength: exactly("shaftLength", 1310),
      shaftDiameter: exactly("shaftDiameter", shaft),
      sleeveLength: exactly("sleeveLength", sleeve),
    },
    marks: null,
  };
}

export interface SpecAnswer {
  result: "meets" | "fails" | "unknown";
  /** What is off, in words; empty when it meets. */
  off: string[];
  /** What would have to be measured or looked at. */
  missing: string[];
}

/**
 * Whether a bar is what a meeting's lift asks for; what nobody knows is never taken as met.
 *
 * @returns whether it is met, and what is against it or unknown
 */
export function meetsSpec(bar: Bar, { ranges, marks }: MeetingSpec): SpecAnswer {
  const off: string[] = [];
  const missing: string[] = [];
  for (const kind of Object.keys(ranges) as MeetingQuantity[]) {
    const { least = -Infinity, most = Infinity } = ranges[kind]!;
    const { label, unit, decimals } = MEETING_QUANTITIES[kind];
    const value = kind === "seatToSeat" ? (seatToSeatOf(bar)?.value ?? null) : valueOf(bar, kind);
    if (value === null) missing.push(label);
    else if (value < least - 1e-9 || value > most + 1e-9)
      off.push(`${label} ${trimmed(value, decimals)} ${unit}, asked ${rangeWords({ least, most }, decimals)}`);
  }
  if (marks !== null) {
    if (bar.ringMarks === null) missing.push("ring marks");
    else if (!hasMarks(bar.ringMarks, marks)) off.push(`no marks ${marks === "powerlifting" ? 810 : 910} mm apart`);
  }
  return { result: off.length > 0 ? "fails" : missing.length > 0 ? "unknown" : "meets", off, missing };
}

/**
 * Whether rings say where hands go in a sport.
 *
 * @returns true for the marks themselves and for dual ones
 */
export function hasMarks(marks: RingMarks, wanted: "powerlifting" | "weightlifting"): boolean {
  return marks === wanted || marks === "dual";
}

/**
 * "1310 to 1320", "at most 2200", "at least 28".
 *
 * @returns words without a unit
 */
export function rangeWords({ least, most }: { least: number; most: number }, decimals: number): string {
  if (least === -Infinity) return `at most ${trimmed(most, decimals)}`;
  if (most === Infinity) return `at least ${trimmed(least, decimals)}`;
  return `${trimmed(least, decimals)} to ${trimmed(most, decimals)}`;
}
