import { careDue, type CareHouse } from "@/core/care/careDue";
import { isTaskFor, type CareBar, type CareTaskKey } from "@/core/care/careTasks";
import type { HallDay } from "@/core/units/hallDay";
import type { BarRow } from "./barRows";
import type { carePlan, careTasks } from "./schema";

export type CareTaskRow = typeof careTasks.$inferSelect;
export type CarePlanRow = typeof carePlan.$inferSelect;

/** A task's frequency as the core takes it. */
export function careFrequencyOf(task: CareTaskRow) {
  return {
    dependsOnFinish: task.dependsOnFinish,
    baseDays: { dry: task.dryDays, temperate: task.temperateDays, "salt-humid": task.saltHumidDays },
  };
}

/** The plan row for one bar and task, or null when the task is not done on this bar. */
export function carePlanRow(
  bar: Pick<BarRow, "id" | "family" | "finish" | "sleeveRotation" | "knownSince">,
  task: CareTaskRow,
  house: CareHouse,
  lastDoneOn: HallDay | null,
): Omit<CarePlanRow, "hallId"> | null {
  const careBar = { family: bar.family, finish: bar.finish, sleeveRotation: bar.sleeveRotation } as CareBar;
  if (!isTaskFor(task.key as CareTaskKey, careBar)) return null;
  const { dueOn, intervalDays, reason } = careDue(careFrequencyOf(task), careBar, house, lastDoneOn, bar.knownSince);
  return { barId: bar.id, taskId: task.id, lastDoneOn, dueOn, intervalDays, reason };
}
