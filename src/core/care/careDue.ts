import { addDays, daysBetween, type HallDay } from "../units/hallDay";
import { FINISH_FACTOR, type CareBar, type CareTask } from "./careTasks";
import { CLIMATE_WORDS, type ClimateClass } from "./climateClass";

export interface CareDue {
  dueOn: HallDay;
  intervalDays: number;
  /** Why, in one sentence without a date that ages: "bare shaft in salt-humid air: every 10 days". */
  reason: string;
}

/** What decides how often a task comes round. */
export type CareFrequency = Pick<CareTask, "baseDays" | "dependsOnFinish">;

/**
 * Days between two times for one bar and task: the base interval for the hall's air, stretched by the finish
 * where the finish protects. An unknown finish counts as bare, the one that needs most care.
 */
export function careIntervalDays(task: CareFrequency, bar: CareBar, climate: ClimateClass): number {
  const { baseDays, dependsOnFinish } = task;
  return Math.round(baseDays[climate] * (dependsOnFinish ? FINISH_FACTOR[bar.finish ?? "bare"] : 1));
}

/**
 * When a task is due next, and why.
 *
 * @param lastDoneOn null when there is no record; then it is due on the day the bar is known since.
 */
export function careDue(
  task: CareFrequency,
  bar: CareBar,
  climate: ClimateClass,
  lastDoneOn: HallDay | null,
  knownSince: HallDay,
): CareDue {
  const intervalDays = careIntervalDays(task, bar, climate);
  const what = task.dependsOnFinish ? `${finishWords(bar)} in ${CLIMATE_WORDS[climate]}` : CLIMATE_WORDS[climate];
  if (lastDoneOn === null)
    return {
      intervalDays,
      dueOn: knownSince,
      reason: `no record that it was ever done; ${what}: every ${intervalDays} days`,
    };
  return { intervalDays, dueOn: addDays(lastDoneOn, intervalDays), reason: `${what}: every ${intervalDays} days` };
}

/** Days past the due day; 0 on the day itself and before. */
export function overdueDays(dueOn: HallDay, today: HallDay): number {
  return Math.max(0, daysBetween(dueOn, today));
}

function finishWords({ finish }: CareBar): string {
  return finish === null ? "shaft of unknown finish" : `${finish.replace("-", " ")} shaft`;
}
