import "server-only";
import { and, gte, sql } from "drizzle-orm";
import type { GrippedSets } from "@/core/wear/wearAlong";
import { addDays } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { lifters, logSets } from "@/data/schema";
import type { Context } from "@/server/access";
import { allLifts } from "@/server/lifts";

/** What was lifted longer ago has been brushed and worn over. Ours. */
const DAYS = 365;

/**
 * How often lifts gripped some bars in the last year, by the bar's id: sums over everybody, nobody's own sets.
 */
export async function grippedOn(
  context: Context,
  barIds: readonly string[],
): Promise<ReadonlyMap<string, GrippedSets[]>> {
  if (barIds.length === 0) return new Map();
  const { hall, clock } = context;
  const [rows, heights, lifts] = await Promise.all([
    hall.summary(
      logSets,
      { barId: logSets.barId, liftKey: logSets.liftKey, lifterId: logSets.lifterId, sets: sql<number>`count(*)::int` },
      {
        where: and(inMany(logSets.barId, [...barIds]), gte(logSets.liftedOn, addDays(clock.today, -DAYS))),
        groupBy: [logSets.barId, logSets.liftKey, logSets.lifterId],
      },
    ),
    hall.summary(lifters, { id: lifters.id, heightMm: lifters.heightMm }),
    allLifts(context),
  ]);
  const height = new Map(heights.map(({ id, heightMm }) => [id, heightMm]));
  const like = new Map(lifts.map((lift) => [lift.key, lift.like]));
  const by = new Map<string, GrippedSets[]>();
  for (const { barId, liftKey, lifterId, sets } of rows) {
    const judged = like.get(liftKey);
    if (!judged) continue;
    by.set(barId, [...(by.get(barId) ?? []), { like: judged, sets, heightMm: height.get(lifterId) ?? null }]);
  }
  return by;
}
