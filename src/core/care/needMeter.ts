import { finishName } from "../bars/bar";
import type { HallDay } from "../units/hallDay";
import { trimmed } from "../units/format";
import { FINISH_FACTOR, type CareBar } from "./careTasks";
import type { ClimateClock } from "./climateClock";
import type { CareDue } from "./nextDue";

/** By which rule the house says when care is due. */
export const CARE_RULES = ["calendar", "meter", "condition"] as const;
export type CareRule = (typeof CARE_RULES)[number];

/** What of a task the meter needs. */
export interface MeterTask {
  /** Days between two times in temperate air, on a bare shaft, in usual use. */
  baseDays: number;
  dependsOnFinish: boolean;
  /** How much of the air's influence reaches it, 0 to 1: all of it a bare shaft, half of it what is inside a sleeve. */
  climateShare: number;
  /** How much of the use reaches it: 1, or half for sleeves (handbook §11). */
  useShare?: number;
}

/** What hastens or slows need on one bar; 1 is as usual. */
export interface BarFactors {
  /** Recorded and planned use against the hall's usual bar; or what somebody set. */
  use: number;
  isUseSet: boolean;
  /** Chalk left in the knurl draws water. */
  chalk: number;
  /** Set by somebody in place of the finish's own; null for that. */
  finish: number | null;
}

export const USUAL_FACTORS: BarFactors = { use: 1, isUseSet: false, chalk: 1, finish: null };

/** While chalk was seen left on and nobody brushed it since. Ours. */
export const CHALK_LEFT_FACTOR = 1.5;

/** So far a due day is looked for; beyond it a task is as good as never due. */
export const NEVER: HallDay = "9999-12-31";

/** What hastens by less than a twentieth is not named as a cause. Ours. */
const FELT_FACTOR = 1.05;

export interface Need extends CareDue {
  /** 1 is due. */
  need: number;
  /** What it grows by on the day asked about, in shares of the whole. */
  perDay: number;
  factors: { label: string; value: number }[];
}

/**
 * The need meter (handbook §11): need grows each day by (1/base) × climate × finish × use × chalk and is due at 1.
 *
 * @param lastDoneOn null when there is no record; then it is due on the day the bar is known since.
 * @returns need as a share (due at 1), every factor, the day it is due and the interval in days
 */
export function needOf(
  task: MeterTask,
  bar: Pick<CareBar, "finish">,
  factors: BarFactors,
  clock: ClimateClock,
  { lastDoneOn, knownSince, today }: { lastDoneOn: HallDay | null; knownSince: HallDay; today: HallDay },
): Need {
  const finish = task.dependsOnFinish ? 1 / (factors.finish ?? FINISH_FACTOR[bar.finish ?? "bare"]) : 1;
  const chalk = task.dependsOnFinish ? factors.chalk : 1;
  const use = 1 + (factors.use - 1) * (task.useShare ?? 1);
  const still = finish * use * chalk;
  const climate = clock.factorOn(today) ** task.climateShare;
  const perDay = (climate * still) / task.baseDays;
  const everyDays = Math.max(1, Math.round(1 / perDay));
  const parts = [
    { label: "air", driver: "damp air", value: climate },
    {
      label: task.dependsOnFinish ? `${bar.finish ? finishName(bar.finish) : "unknown"} finish` : "finish",
      driver: "worn finish",
      value: finish,
    },
    { label: "use", driver: "heavy use", value: use },
    { label: "chalk left on", driver: "chalk left on", value: chalk },
  ];
  const why = parts
    .filter(({ value }) => Math.abs(value - 1) >= 0.005)
    .map(({ label, value }) => `${label} × ${trimmed(value, 2)}`);
  const drivers = parts.filter(({ value }) => value >= FELT_FACTOR).map(({ driver }) => driver);
  const every = `every ${everyDays} ${everyDays === 1 ? "day" : "days"}`;
  const isUsual = everyDays === Math.round(task.baseDays);
  const reason =
    why.length > 0
      ? `${why.join(", ")}: ${every}${isUsual ? "" : ` instead of ${trimmed(task.baseDays, 0)}`}`
      : `as usual: ${every}`;
  if (lastDoneOn === null)
    return {
      need: 1,
      perDay,
      factors: parts,
      intervalDays: everyDays,
      dueOn: knownSince,
      reason: `never recorded; ${reason}`,
      drivers: ["no record", ...drivers],
    };
  return {
    need: (clock.passed(lastDoneOn, today, task.climateShare) * still) / task.baseDays,
    perDay,
    factors: parts,
    intervalDays: everyDays,
    dueOn: clock.dayWhen(lastDoneOn, task.baseDays / still, task.climateShare),
    reason,
    drivers,
  };
}

/**
 * On condition only: due when a finding or a spot check asks for it, on the day it did.
 *
 * @returns the day it was asked for; far off when nothing asks
 */
export function onCondition(askedOn: HallDay | null, because: string | null): CareDue {
  return askedOn
    ? { dueOn: askedOn, intervalDays: 0, reason: because ?? "asked for", drivers: [because ?? "asked for"] }
    : {
        dueOn: NEVER,
        intervalDays: 0,
        reason: "on condition only: when a finding or a spot check asks for it",
        drivers: [],
      };
}

/** So many average weeks count as seen before anything was recorded: a quiet month says little (handbook §11). */
const USUAL_WEEKS = 4;
const USE_LIMITS = [0.7, 1.4] as const;

/**
 * Use against the hall's usual bar (handbook §11): f = (uses + 4m)/((weeks + 4)·m), clamped to 0.7–1.4.
 *
 * @param usualUse the hall's usual uses a bar and week, as `usualUseOf` says.
 * @returns a factor around 1; 1 where nothing is used
 */
export function factorOfUse(uses: number, weeks: number, usualUse: number): number {
  if (!(usualUse > 0)) return 1;
  const [least, most] = USE_LIMITS;
  return Math.min(most, Math.max(least, (uses + USUAL_WEEKS * usualUse) / ((weeks + USUAL_WEEKS) * usualUse)));
}

/**
 * The median of uses a bar and week. Where most bars hang unused it would be nothing: then the mean (ours).
 *
 * @returns uses a week, 0 or more
 */
export function usualUseOf(uses: readonly number[], weeks: number): number {
  if (uses.length === 0) return 0;
  const sorted = [...uses].sort((a, b) => a - b);
  const median = (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
  return (median || sorted.reduce((sum, one) => sum + one, 0) / sorted.length) / weeks;
}

/**
 * How need will stand day by day from today on; for a forecast to look at.
 *
 * @returns need as a share for each day, today first
 */
export function needForecast(
  task: MeterTask,
  still: number,
  clock: ClimateClock,
  lastDoneOn: HallDay,
  today: HallDay,
  days: number,
): Float64Array {
  const perDay = still / task.baseDays;
  return clock.passedDaily(lastDoneOn, today, days, task.climateShare).map((passed) => passed * perDay);
}
