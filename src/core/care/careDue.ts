import { addDays, daysBetween, type HallDay } from "../units/hallDay";
import { FINISH_FACTOR, type CareBar, type CareTask } from "./careTasks";
import { CLIMATE_WORDS, daysIn, type ClimateClass } from "./climateClass";
import type { ClimateClock } from "./climateClock";
import type { BarFactors, CareRule } from "./needMeter";
import type { CareDue } from "./nextDue";

/** What the house decides about care besides its air. */
export interface CareHouse {
  climate: ClimateClass;
  /** Where one all-round bar serves most lifters, such bars are the busiest. */
  isAllRoundBusiest: boolean;
  /** By which rule care is due; null for the fixed calendar. */
  meter?: MeterHouse | null;
}

/** What the need meter, and care on condition only, go by. */
export interface MeterHouse {
  rule: Exclude<CareRule, "calendar">;
  today: HallDay;
  /** The clock of the place where a bar hangs. */
  clockOf: (placeId: string | null) => ClimateClock;
  factorsOf: (barId: string) => BarFactors;
  /** A finding that is open, or chalk that was seen: what asks for care where only that counts. */
  askedOf: (barId: string) => { on: HallDay; because: string } | null;
}

/** The busiest bars come round a fifth sooner. Ours; the need meter will count real use. */
const BUSIEST_FACTOR = 0.8;

/** What decides how often a task comes round. */
export type CareFrequency = Pick<CareTask, "baseDays" | "dependsOnFinish">;

/**
 * Days between two times for one bar and task: the base interval for the hall's air, stretched by the finish
 * where the finish protects. An unknown finish counts as bare, the one that needs most care.
 *
 * @returns whole days, at least 1
 */
export function careIntervalDays(task: CareFrequency, bar: CareBar, house: CareHouse): number {
  const { baseDays, dependsOnFinish } = task;
  const finish = dependsOnFinish ? FINISH_FACTOR[bar.finish ?? "bare"] : 1;
  return Math.round(daysIn(baseDays, house.climate) * finish * (isBusiest(bar, house) ? BUSIEST_FACTOR : 1));
}

const isBusiest = ({ family }: CareBar, { isAllRoundBusiest }: CareHouse) =>
  isAllRoundBusiest && (family === "all-round" || family === "hybrid");

/**
 * When a task is due next, and why.
 *
 * @param lastDoneOn null when there is no record; then it is due on the day the bar is known since.
 * @returns the day, the interval in days and the reason in words
 */
export function careDue(
  task: CareFrequency,
  bar: CareBar,
  house: CareHouse,
  lastDoneOn: HallDay | null,
  knownSince: HallDay,
): CareDue {
  const intervalDays = careIntervalDays(task, bar, house);
  const air = CLIMATE_WORDS[house.climate];
  const use = isBusiest(bar, house) ? ", the gym’s bar for most" : "";
  const what = (task.dependsOnFinish ? `${finishWords(bar)} in ${air}` : air) + use;
  const drivers = [
    ...(house.climate === "salt-humid" ? ["salty air"] : []),
    ...(isBusiest(bar, house) ? ["heavy use"] : []),
    ...(task.dependsOnFinish && (bar.finish ?? "bare") === "bare" ? ["bare steel"] : []),
  ];
  if (lastDoneOn === null)
    return {
      intervalDays,
      dueOn: knownSince,
      reason: `never recorded; ${what}: every ${intervalDays} days`,
      drivers: ["no record", ...drivers],
    };
  return {
    intervalDays,
    dueOn: addDays(lastDoneOn, intervalDays),
    reason: `${what}: every ${intervalDays} days`,
    drivers,
  };
}

/**
 * Days past the due day; 0 on the day itself and before.
 *
 * @returns whole days, 0 or more
 */
export function overdueDays(dueOn: HallDay, today: HallDay): number {
  return Math.max(0, daysBetween(dueOn, today));
}

function finishWords({ finish }: CareBar): string {
  return finish === null ? "shaft of unknown finish" : `${finish.replace("-", " ")} shaft`;
}
