import "server-only";
import { and, eq, isNotNull, lt } from "drizzle-orm";
import { cache } from "react";
import { overdueDays } from "@/core/care/careDue";
import { barsInUse } from "@/core/classes/inUse";
import type { PlannedClass } from "@/core/classes/planClass";
import type { BarToday } from "@/core/matching/question";
import { hallClockAt } from "@/core/units/hallDay";
import { carePlan, classes } from "@/data/schema";
import { barsOnTheWall } from "./bars";
import { listStations } from "./equipment";
import { careTasksById } from "./lookups";
import { hallDb, type Who } from "./who";

/** What is going on with each bar just now: the care that is longest overdue, the station it is at, where it hangs. */
export const barsToday = cache(async (who: Who): Promise<Map<string, BarToday>> => {
  const hall = hallDb(who);
  const [wall, due, tasks, running, stations] = await Promise.all([
    barsOnTheWall(who),
    hall.rows(carePlan, { where: lt(carePlan.dueOn, who.today) }),
    careTasksById(hall),
    hall.rows(classes, { where: and(eq(classes.heldOn, who.today), isNotNull(classes.plan)) }),
    listStations(who),
  ]);
  const overdue = new Map<string, NonNullable<BarToday["overdue"]>>();
  for (const { barId, taskId, dueOn } of due) {
    const days = overdueDays(dueOn, who.today);
    if (days > (overdue.get(barId)?.days ?? 0)) overdue.set(barId, { task: tasks.get(taskId)!.name, days });
  }
  const used = barsInUse(
    running.map((row) => ({ ...row, plan: row.plan as PlannedClass })),
    hallClockAt(new Date(), who.timeZone),
  );
  const nameOf = new Map(stations.items.map(({ key, name }) => [key, name]));
  return new Map(
    wall.map(({ id, bar: { tag }, place }) => {
      const station = used.get(tag);
      return [
        tag,
        { overdue: overdue.get(id) ?? null, takenAt: station ? (nameOf.get(station) ?? station) : null, place },
      ];
    }),
  );
});
