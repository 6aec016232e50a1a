import { careDue, type CareHouse } from "@/core/care/careDue";
import type { CareDue } from "@/core/care/nextDue";
import { isTaskFor, type CareTaskKey } from "@/core/care/careTasks";
import { METER_TASKS } from "@/core/care/meterTasks";
import { needOf, onCondition, type MeterTask, type Need } from "@/core/care/needMeter";
import type { HallDay } from "@/core/units/hallDay";
import type { BarRow } from "./barRows";
import type { carePlan, careTasks } from "./schema";

export type CareTaskRow = typeof careTasks.$inferSelect;
export type CarePlanRow = typeof carePlan.$inferSelect;
type PlannedBar = Pick<BarRow, "id" | "family" | "finish" | "sleeveRotation" | "knownSince"> & {
  placeId?: string | null;
};

/** A task's frequency as the core takes it. */
export function careFrequencyOf(task: CareTaskRow) {
  return {
    dependsOnFinish: task.dependsOnFinish,
    baseDays: { dry: task.dryDays, temperate: task.temperateDays, "salt-humid": task.saltHumidDays },
  };
}

/** A task as the need meter takes it: the hall's figures, else the usual of its key. */
export function meterTaskOf(task: CareTaskRow): MeterTask {
  const usual: Omit<MeterTask, "dependsOnFinish"> = METER_TASKS[task.key as CareTaskKey] ?? {
    baseDays: task.temperateDays,
    climateShare: 0.5,
  };
  return {
    baseDays: task.meterDays ?? usual.baseDays,
    climateShare: task.climateShare ?? usual.climateShare,
    dependsOnFinish: task.dependsOnFinish,
    ...(usual.useShare === undefined ? {} : { useShare: usual.useShare }),
  };
}

/** Whether a task is done on a bar. */
export const isTaskOf = (task: CareTaskRow, bar: PlannedBar) => isTaskFor(task.key as CareTaskKey, careBarOf(bar));

const careBarOf = (bar: PlannedBar) => ({ family: bar.family, finish: bar.finish, sleeveRotation: bar.sleeveRotation });

/** The plan row for one bar and task, or null when the task is not done on this bar. */
export function carePlanRow(
  bar: PlannedBar,
  task: CareTaskRow,
  house: CareHouse,
  lastDoneOn: HallDay | null,
): Omit<CarePlanRow, "hallId"> | null {
  if (!isTaskOf(task, bar)) return null;
  const { dueOn, intervalDays, reason, drivers } = dueBy(bar, task, house, lastDoneOn);
  return { barId: bar.id, taskId: task.id, lastDoneOn, dueOn, intervalDays, reason, drivers };
}

function dueBy(bar: PlannedBar, task: CareTaskRow, house: CareHouse, lastDoneOn: HallDay | null): CareDue {
  const { meter } = house;
  if (!meter) return careDue(careFrequencyOf(task), careBarOf(bar), house, lastDoneOn, bar.knownSince);
  if (meter.rule === "meter") return needNow(bar, task, meter, lastDoneOn);
  const asked = meter.askedOf(bar.id);
  // What was done since it was asked for is answered.
  const isOpen = asked !== null && (lastDoneOn === null || asked.on > lastDoneOn);
  return onCondition(isOpen ? asked.on : null, isOpen ? asked.because : null);
}

/** How the need of one bar and task stands today. */
export function needNow(
  bar: PlannedBar,
  task: CareTaskRow,
  meter: NonNullable<CareHouse["meter"]>,
  lastDoneOn: HallDay | null,
): Need {
  return needOf(meterTaskOf(task), careBarOf(bar), meter.factorsOf(bar.id), meter.clockOf(bar.placeId ?? null), {
    lastDoneOn,
    knownSince: bar.knownSince,
    today: meter.today,
  });
}
