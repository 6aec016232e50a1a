import type { Build } from "../balance/body";
import { type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { type RackPlace } from "../bars/rackSpan";
import { type StrengthRules } from "../strength/strengthRules";
import { type Lift } from "../matching/lifts";
import { type Disc } from "../whip/assumedPlates";
import { type SteadyKind } from "./steadiness";

/** What a sentence rests on. */
export type LineBasis = "physics" | "data" | "common practice" | "house rule" | "opinion";

export interface ComparedLine {
  text: string;
  basis: LineBasis;
  /** Of an opinion: what others say. */
  others?: string;
}

export const COMPARED_PARTS = ["body", "rack", "plates", "storage", "care", "purpose"] as const;

export type ComparedPart = (typeof COMPARED_PARTS)[number];

export const COMPARED_PART_NAMES: Record<ComparedPart, string> = {
  body: "For the body",
  rack: "In the rack",
  plates: "Plates and load",
  storage: "On the wall",
  care: "Care",
  purpose: "What it is good for",
};

export interface ComparedSide {
  bar: Bar;
  /** Facts that only the record has; null where nobody said. */
  areSleevesGrooved?: boolean | null;
  looseParts?: number;
  sticksOutMm?: number | null;
  /** The lightest bar of the same family that the gym has besides, where it is lighter. */
  lighter?: { tag: string; kg: number } | null;
}

export interface ComparedAt {
  lift: Lift;
  loadKg: number;
  build: Build;
  handsHalfMm: number;
  disc?: Disc;
  racks: readonly RackPlace[];
  steadiness: readonly SteadyKind[];
  noticeableMm: number;
  /** Between two holes of the gym's racks, in mm; null where nobody measured. */
  holePitchMm: number | null;
  strength?: StrengthRules;
}

/** Smaller differences nobody notices: kg of an empty bar, degrees of lean, N·m, mm in the rack and on the wall. Ours. */
export const FELT = { kg: 0.3, leanDeg: 2, momentNm: 8, rackMm: 15, wallMm: 30, shaftMm: 0.4 };

/** Two bars as they are compared. */
export type Pair = [ComparedSide, ComparedSide];

/**
 * The pair ordered by a figure.
 *
 * @returns the greater first; null where one is unknown or they are as good as equal
 */
export function apart<T extends ComparedSide>([a, b]: [T, T], of: (side: T) => number | null, felt: number) {
  const [x, y] = [of(a), of(b)];
  if (x === null || y === null || Math.abs(x - y) < felt) return null;
  return x > y ? { more: a, less: b, high: x, low: y } : { more: b, less: a, high: y, low: x };
}

/**
 * Whether a bar is straight from end to end.
 *
 * @returns true for straight families
 */
export const isStraight = (bar: Bar) => FAMILIES[bar.family].form === "straight";
