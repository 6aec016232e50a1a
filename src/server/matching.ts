import "server-only";
import { asc, eq } from "drizzle-orm";
import type { Bar } from "@/core/bars/bar";
import type { Lift } from "@/core/matching/lifts";
import { matchBars, type Match } from "@/core/matching/match";
import { lifters, lifts } from "@/data/schema";
import { listBars, type ListedBar } from "./bars";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

export type LifterRow = typeof lifters.$inferSelect;

/** Lifters by name; nobody but coach and manager sees any. */
export async function listLifters(who: Who): Promise<LifterRow[]> {
  return may(who, "lifter.read") ? hallDb(who).rows(lifters, { orderBy: [asc(lifters.name)] }) : [];
}

export interface Matching {
  lift: Lift;
  lifter: LifterRow | null;
  loadKg: number;
  items: (Match & { bar: Bar; place: string | null })[];
}

/** Which bars suit a lift, a load and perhaps a lifter: best first, with reasons. */
export async function matchForLift(
  who: Who,
  liftKey: string,
  loadKg: number,
  lifterKey: string | null,
): Promise<Outcome<{ matching: Matching }>> {
  const hall = hallDb(who);
  if (lifterKey !== null && !may(who, "lifter.read")) return forbidden("ask for a lifter");
  const lift = await hall.first(lifts, { where: eq(lifts.key, liftKey) });
  if (!lift) return notFound(`lift "${liftKey}"`);
  const lifter = lifterKey === null ? null : await hall.first(lifters, { where: eq(lifters.key, lifterKey) });
  if (lifterKey !== null && !lifter) return notFound(`lifter "${lifterKey}"`);
  if (!(loadKg > 0))
    return failed("invalid", "The load must be more than 0 kg.", [{ path: "loadKg", message: "must be more than 0" }]);

  const listed = await everyBar(who);
  const byTag = new Map(listed.map((item) => [item.bar.tag, item]));
  const matches = matchBars(
    listed.map(({ bar }) => bar),
    lift as Lift,
    loadKg,
    lifter,
  );
  return {
    ok: true,
    matching: {
      lift: lift as Lift,
      lifter,
      loadKg,
      items: matches.map((match) => ({ ...match, bar: byTag.get(match.tag)!.bar, place: byTag.get(match.tag)!.place })),
    },
  };
}

async function everyBar(who: Who): Promise<ListedBar[]> {
  return (await listBars(who, { limit: 10_000 })).items;
}
