import { QUANTITIES, QUANTITY_KINDS } from "../bars/quantities";
import { STARTING_TOLERANCES, type Tolerances } from "../bars/tolerances";
import type { Problem } from "../problem";
import { type NumberRule, readNumberRule } from "../units/numberRule";
import { NOTICEABLE_MM } from "../whip/compareWhip";

/** What a gym decides about measuring and comparing. */
export interface MeasuringChoice {
  /** How far measured may be from stated, by quantity, in its unit. */
  tolerances: Partial<Tolerances>;
  /** A difference in slack below this is not noticed, in mm. */
  noticeableMm: number;
}

const MAX_NOTICEABLE_MM = 50;
const MAX_TOLERANCE = 100;

/** The fields of such rules: the noticeable difference, and each quantity that is ever flagged. */
export const MEASURING_NUMBERS: Readonly<Record<string, NumberRule & { start: number }>> = {
  noticeableMm: {
    label: "noticeable difference in slack",
    unit: "mm",
    range: [0, MAX_NOTICEABLE_MM],
    start: NOTICEABLE_MM,
  },
  ...Object.fromEntries(
    QUANTITY_KINDS.flatMap((kind) => {
      const start = STARTING_TOLERANCES[kind];
      const { label, unit } = QUANTITIES[kind];
      return start === null ? [] : [[kind, { label, unit, range: [0, MAX_TOLERANCE] as const, start }]];
    }),
  ),
};

/**
 * What somebody typed of them; what is blank takes its starting value.
 *
 * @returns the rules, or every problem
 */
export function readMeasuring(
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; value: MeasuringChoice } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const values = Object.entries(MEASURING_NUMBERS).map(([path, rule]) => {
    const text = texts[path] ?? "";
    if (text.trim() === "") return [path, rule.start] as const;
    const read = readNumberRule(rule, text);
    if (!read.ok) problems.push({ path, message: read.message });
    else if (path === "noticeableMm" && read.value === 0)
      problems.push({ path, message: `${rule.label}: must be more than 0` });
    return [path, read.ok ? read.value : rule.start] as const;
  });
  const { noticeableMm, ...tolerances } = Object.fromEntries(values);
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: { tolerances, noticeableMm: noticeableMm! } };
}
