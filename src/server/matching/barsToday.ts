import "server-only";
import { and, eq, isNotNull, lt } from "drizzle-orm";
import { cache } from "react";
import { overdueDays } from "@/core/care/careDue";
import { barsInUse } from "@/core/classes/inUse";
import type { PlannedClass } from "@/core/classes/planClass";
import type { BarToday } from "@/core/matching/question";
import { hallClockAt } from "@/core/units/hallDay";
import { carePlan, classes } from "@/data/schema";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listStations } from "@/server/equipment";
import { openFindings } from "@/server/care/findings";
import { careTasksById } from "@/server/kit";

/** What is going on with each bar just now: the care that is longest overdue, the station it is at, where it hangs. */
export const barsToday = cache(async (context: Context): Promise<Map<string, BarToday>> => {
  const { hall } = context;
  const [wall, due, tasks, running, stations, found] = await Promise.all([
    barsOnTheWall(context),
    hall.rows(carePlan, { where: lt(carePlan.dueOn, context.clock.today) }),
    careTasksById(hall),
    hall.rows(classes, { where: and(eq(classes.heldOn, context.clock.today), isNotNull(classes.plan)) }),
    listStations(context),
    openFindings(context),
  ]);
  const overdue = new Map<string, NonNullable<BarToday["overdue"]>>();
  for (const { barId, taskId, dueOn } of due) {
    const days = overdueDays(dueOn, context.clock.today);
    if (days > (overdue.get(barId)?.days ?? 0)) overdue.set(barId, { task: tasks.get(taskId)!.name, days });
  }
  const used = barsInUse(
    running.map((row) => ({ ...row, plan: row.plan as PlannedClass })),
    hallClockAt(context.clock.now(), context.actor.timeZone),
  );
  const nameOf = new Map(stations.items.map(({ key, name }) => [key, name]));
  return new Map(
    wall.map(({ id, bar: { tag }, place }) => {
      const station = used.get(tag);
      return [
        tag,
        {
          overdue: overdue.get(id) ?? null,
          takenAt: station ? (nameOf.get(station) ?? station) : null,
          place,
          findings: found.get(tag) ?? [],
        },
      ];
    }),
  );
});
