import "server-only";
import type { Bar } from "@/core/bars/bar";
import { careIntervalDays } from "@/core/care/careDue";
import { type CareTaskKey, isTaskFor } from "@/core/care/careTasks";
import type { Context } from "@/server/access";
import { careHouse, careTasksOf } from "@/server/care/planning";

const YEAR_DAYS = 365.25;

/** Minutes of care that a bar asks for in a year, by its finish and the gym's air. */
export async function careMinutesOf(
  context: Context,
  bar: Pick<Bar, "family" | "finish" | "sleeveRotation">,
): Promise<number> {
  return (await careParts(context, bar)).reduce((sum, { minutes }) => sum + minutes, 0);
}

/** Minutes a year that depend on the finish, for a bare shaft like it. */
export async function bareMinutesOf(context: Context, bar: Bar): Promise<number> {
  const parts = await careParts(context, { ...bar, finish: "bare" });
  return parts.filter(({ dependsOnFinish }) => dependsOnFinish).reduce((sum, { minutes }) => sum + minutes, 0);
}

async function careParts(context: Context, bar: Pick<Bar, "family" | "finish" | "sleeveRotation">) {
  const [house, tasks] = [await careHouse(context), await careTasksOf(context)];
  return tasks
    .filter(({ key }) => isTaskFor(key as CareTaskKey, bar))
    .map((task) => {
      const baseDays = { dry: task.dryDays, temperate: task.temperateDays, "salt-humid": task.saltHumidDays };
      const { dependsOnFinish, minutes } = task;
      const days = careIntervalDays({ baseDays, dependsOnFinish }, bar, house);
      return { dependsOnFinish, minutes: (minutes * YEAR_DAYS) / days };
    });
}
