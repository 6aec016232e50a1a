import "server-only";
import { and, eq, isNotNull } from "drizzle-orm";
import { cache } from "react";
import { barsInUse } from "@/core/classes/inUse";
import type { PlannedClass } from "@/core/classes/planClass";
import type { BarToday } from "@/core/matching/question";
import { hallClockAt } from "@/core/units/hallDay";
import { classes } from "@/data/schema";
import { barsOnTheWall } from "./bars";
import { careDueOn } from "./care";
import { listStations } from "./equipment";
import { hallDb, type Who } from "./who";

/** What is going on with each bar just now: the care that is longest overdue, the station it is at, where it hangs. */
export const barsToday = cache(async (who: Who): Promise<Map<string, BarToday>> => {
  const [wall, due, running, stations] = await Promise.all([
    barsOnTheWall(who),
    careDueOn(who, who.today),
    hallDb(who).rows(classes, { where: and(eq(classes.heldOn, who.today), isNotNull(classes.plan)) }),
    listStations(who),
  ]);
  const overdue = new Map<string, NonNullable<BarToday["overdue"]>>();
  for (const { tag, taskName, overdueDays: days } of due)
    if (days > (overdue.get(tag)?.days ?? 0)) overdue.set(tag, { task: taskName, days });
  const used = barsInUse(
    running.map((row) => ({ ...row, plan: row.plan as PlannedClass })),
    hallClockAt(new Date(), who.timeZone),
  );
  const nameOf = new Map(stations.items.map(({ key, name }) => [key, name]));
  return new Map(
    wall.map(({ bar: { tag }, place }) => {
      const station = used.get(tag);
      return [
        tag,
        { overdue: overdue.get(tag) ?? null, takenAt: station ? (nameOf.get(station) ?? station) : null, place },
      ];
    }),
  );
});
