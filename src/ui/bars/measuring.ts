import type { Bar } from "@/core/bars/bar";
import { effectiveQuantity } from "@/core/bars/effectiveQuantity";
import { FAMILIES } from "@/core/bars/families";
import { flaggedGaps } from "@/core/bars/flaggedGaps";
import { gapMeaning } from "@/core/bars/gapMeaning";
import { lengthCulprit } from "@/core/bars/lengthCulprit";
import { seatSumMismatchMm } from "@/core/bars/lengths";
import {
  measurableKinds,
  QUANTITIES,
  quantityLabel,
  type QuantityFacts,
  type QuantityKind,
} from "@/core/bars/quantities";
import type { Tolerances } from "@/core/bars/tolerances";
import { sentence, signed, trimmed } from "@/core/units/format";
import { readReadings } from "@/core/units/readReadings";
import { METRIC, unitName, type Units } from "@/core/units/shown";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";

/** One bar of a session. */
export interface SessionBar {
  bar: Bar;
  place: string | null;
}

/** The order of a session at one bar: first what changes the sums, then what changes the bend, then the rest. */
const ORDER: readonly QuantityKind[] = [
  "mass",
  "shaftDiameter",
  "seatToSeat",
  "collarThickness",
  "shaftLength",
  "sleeveLength",
  "sleeveDiameter",
  "overallLength",
];

export function sessionKinds(bar: Bar): QuantityKind[] {
  const kinds = measurableKinds(FAMILIES[bar.family].form, bar.sleeveRotation === "fixed");
  const first = ORDER.filter((kind) => kinds.includes(kind));
  return [...first, ...kinds.filter((kind) => !first.includes(kind))];
}

export interface Step {
  tag: string;
  kind: QuantityKind;
}

/** The step after or before one, bar by bar; null past either end. */
export function stepFrom(bars: readonly SessionBar[], { tag, kind }: Step, by: 1 | -1): Step | null {
  const at = bars.findIndex(({ bar }) => bar.tag === tag);
  if (at < 0) return null;
  const kinds = sessionKinds(bars[at]!.bar);
  const next = kinds[kinds.indexOf(kind) + by];
  if (next) return { tag, kind: next };
  const neighbour = bars[at + by]?.bar;
  if (!neighbour) return null;
  const its = sessionKinds(neighbour);
  return { tag: neighbour.tag, kind: by === 1 ? its[0]! : its.at(-1)! };
}

const EXAMPLE = {
  kg: "20.1, or 44.3 lb",
  mm: "28.05 mm, or 1.105 in, or 1 1/8 in",
  s: "12.5",
} satisfies Record<QuantityFacts["unit"], string>;

export type Entered =
  { ok: true; typed: TypedQuantity[]; values: number[]; mean: number; spread: number } | { ok: false; message: string };

/** The boxes of one step as readings, a bare number in the person's unit, or what is wrong; empty boxes are skipped. */
export function enteredReadings(kind: QuantityKind, boxes: readonly string[], units: Units = METRIC): Entered {
  const { unit, range, label } = QUANTITIES[kind];
  const read = readReadings(boxes.filter((box) => box.trim() !== "").join("; "), unitName(unit, units) as Unit);
  if (!read.ok)
    return { ok: false, message: `“${read.unread.join("”, “")}” is not a number. Write it like ${EXAMPLE[unit]}.` };
  const typed = read.readings;
  if (typed.length === 0) return { ok: false, message: "No reading yet." };
  if (new Set(typed.map((one) => one.unit)).size > 1) return { ok: false, message: "Write all readings in one unit." };
  const values = typed.map(convertTyped);
  const wild = values.findIndex((value) => !(value >= range[0] && value <= range[1]));
  if (wild >= 0)
    return { ok: false, message: `${typed[wild]!.value} ${typed[wild]!.unit} cannot be the ${label} of a bar.` };
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return { ok: true, typed, values, mean, spread: Math.max(...values) - Math.min(...values) };
}

/** The bar as it would be with these readings. */
export function withReadings(bar: Bar, kind: QuantityKind, values: readonly number[]): Bar {
  const stated = bar.quantities[kind]?.statedValue ?? null;
  return { ...bar, quantities: { ...bar.quantities, [kind]: effectiveQuantity(stated, values)! } };
}

/** What the readings say against what is stated and against the other lengths, as sentences; nothing when all is well. */
export function findings(bar: Bar, kind: QuantityKind, tolerances: Tolerances): string[] {
  const label = quantityLabel(kind, FAMILIES[bar.family].form);
  const { unit, decimals } = QUANTITIES[kind];
  const gap = flaggedGaps(bar, tolerances).find((one) => one.kind === kind);
  const found = gap
    ? [
        `${label} is ${signed(gap.gap, decimals)} ${unit} from the stated ${trimmed(bar.quantities[kind]!.statedValue!, 2)} ${unit} (tolerance ${gap.tolerance} ${unit}). ${sentence(gapMeaning(bar, gap))}`,
      ]
    : [];
  const isLength = ["seatToSeat", "shaftLength", "collarThickness", "sleeveLength", "overallLength"].includes(kind);
  const mismatch = isLength ? seatSumMismatchMm(bar) : null;
  if (mismatch !== null)
    found.push(`the tape between the seats and shaft + 2 collars differ by ${signed(mismatch, 1)} mm; the tape counts`);
  const culprit = isLength ? lengthCulprit(bar) : null;
  if (culprit)
    found.push(
      `shaft, collars and sleeves add up to ${trimmed(culprit.excessMm, 1)} mm more than the overall length; most likely the ${QUANTITIES[culprit.kind].label} is wrong: ${culprit.why}`,
    );
  return found.map(sentence);
}
