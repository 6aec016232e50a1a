import { trimmed } from "../units/format";

/** How warm-ups climb to the work set. */
export const LADDER_WAYS = ["percent", "jumps", "count"] as const;
export type LadderWay = (typeof LADDER_WAYS)[number];

export interface LadderQuestion {
  /** Work set, total on the bar. */
  workKg: number;
  /** The empty bar with its clamps: the first step. */
  emptyKg: number;
  way: LadderWay;
  /** Percent of the work set, for "percent". */
  percents?: readonly number[];
  /** Between two steps, for "jumps". */
  jumpKg?: number;
  /** Warm-ups before the work set, the empty bar among them, for "count". */
  count?: number;
  /** Steps are rounded down to multiples of this over the empty bar; the work set never is. */
  roundKg?: number;
}

/** Shares of the work set that many start from (common practice, no source). */
export const USUAL_PERCENTS = [40, 55, 70, 80, 90];
const MAX_STEPS = 30;

/**
 * Loads from the empty bar to the work set, each greater than the one before: by percentages of the work set, by even
 * jumps, or by a number of warm-ups evenly apart. A work set that is not more than the empty bar is the empty bar alone.
 *
 * @throws RangeError for jumps or a rounding that are not more than 0, or more than thirty steps.
 * @returns total loads in kg, rising, the work set last
 */
export function ladder(question: LadderQuestion): number[] {
  const { workKg, emptyKg, way, percents = USUAL_PERCENTS, jumpKg = 20, count = 5, roundKg = 2.5 } = question;
  if (!(roundKg > 0)) throw new RangeError(`steps cannot be rounded to ${roundKg} kg`);
  if (workKg <= emptyKg) return [emptyKg];
  const between =
    way === "percent"
      ? percents.map((percent) => (workKg * percent) / 100)
      : way === "jumps"
        ? jumpsOf(emptyKg, workKg, jumpKg)
        : Array.from({ length: Math.max(0, count - 1) }, (_, i) => emptyKg + ((workKg - emptyKg) * (i + 1)) / count);
  const steps = [emptyKg];
  for (const kg of [...between].sort((a, b) => a - b)) {
    // Rounding from the empty bar, so that odd bars get plates that are there.
    const rounded = Number(trimmed(emptyKg + Math.floor((kg - emptyKg) / roundKg + 1e-9) * roundKg, 4));
    if (rounded > steps.at(-1)! + 1e-3 && rounded < workKg - 1e-3) steps.push(rounded);
  }
  if (steps.length >= MAX_STEPS)
    throw new RangeError(`${steps.length} warm-up steps are too many; ${MAX_STEPS} at most`);
  return [...steps, workKg];
}

function jumpsOf(emptyKg: number, workKg: number, jumpKg: number): number[] {
  if (!(jumpKg > 0)) throw new RangeError(`jumps must be over 0 kg, not ${jumpKg} kg`);
  const steps = Math.ceil((workKg - emptyKg) / jumpKg) - 1;
  if (steps >= MAX_STEPS) throw new RangeError(`${steps} jumps are too many; ${MAX_STEPS} at most`);
  // Down from the work set, so that every jump is whole and the first is the short one.
  return Array.from({ length: Math.max(0, steps) }, (_, i) => workKg - (steps - i) * jumpKg);
}
