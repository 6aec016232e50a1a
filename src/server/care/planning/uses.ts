import "server-only";
import { and, gte, isNotNull, lte, sql } from "drizzle-orm";
import type { PlannedClass } from "@/core/classes/planClass";
import { addDays } from "@/core/units/hallDay";
import { bars, classes, lifterBars, runs } from "@/data/schema";
import type { Context } from "@/server/access";

/** Uses of the last weeks, and of what is planned, make a bar busy. */
const USE_BACK = 28;

const USE_AHEAD = 14;

/** Weeks that uses are counted over. */
export const USE_WEEKS = (USE_BACK + USE_AHEAD) / 7;

/**
 * How often each bar was used lately or is planned to be: places in classes, sessions run, and lifters who are known to
 * have used it. Every bar in use has an entry.
 */
export async function usesByBar({ hall, clock }: Pick<Context, "hall" | "clock">): Promise<Map<string, number>> {
  const [inUse, held, ran, lifted] = [
    await hall.summary(
      bars,
      { id: bars.id, tag: bars.tag },
      { where: sql`${bars.state} not in ('retired', 'on-order')`, groupBy: [bars.id, bars.tag] },
    ),
    await hall.rows(classes, {
      where: and(
        isNotNull(classes.plan),
        gte(classes.heldOn, addDays(clock.today, -USE_BACK)),
        lte(classes.heldOn, addDays(clock.today, USE_AHEAD)),
      ),
    }),
    await hall.summary(
      runs,
      { barId: runs.barId, count: sql<number>`count(*)::int` },
      { where: gte(runs.startedAt, new Date(clock.now().getTime() - USE_BACK * 86_400_000)), groupBy: [runs.barId] },
    ),
    await hall.summary(
      lifterBars,
      { barId: lifterBars.barId, count: sql<number>`count(*)::int` },
      { where: gte(lifterBars.lastUsedOn, addDays(clock.today, -USE_BACK)), groupBy: [lifterBars.barId] },
    ),
  ];
  const uses = new Map(inUse.map(({ id }) => [id, 0]));
  const idOf = new Map(inUse.map(({ id, tag }) => [tag, id]));
  const add = (id: string | undefined, count: number) => {
    if (id !== undefined && uses.has(id)) uses.set(id, uses.get(id)! + count);
  };
  for (const { plan } of held)
    for (const { tag } of (plan as PlannedClass).entries) if (tag !== null) add(idOf.get(tag), 1);
  for (const { barId, count } of [...ran, ...lifted]) add(barId, count);
  return uses;
}
