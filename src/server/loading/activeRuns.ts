import "server-only";
import { and, asc, gt, inArray, isNull } from "drizzle-orm";
import { cache } from "react";
import { currentSet, onBarNow, platesHeldByRun } from "@/core/loading/run/runState";
import { bars, runs } from "@/data/schema";
import type { Context } from "@/server/access";
import { stationNames } from "@/server/kit";

/** A session that nobody ended is taken for over after so long. */
const OVER_AFTER_HOURS = 12;

/** A session that is on: what it holds, without names or loads. */
export interface ActiveRun {
  id: string;
  tag: string;
  barId: string;
  /** The station, or the bar where there is none. */
  where: string;
  startedAt: Date;
  /** Sets done or left out, of all. */
  closed: number;
  sets: number;
  /** Pairs of each plate on the bar now (or being put on), and at most from now on. */
  now: Map<string, number>;
  most: Map<string, number>;
}

/** Whether a session is over at a moment: ended, or started so long ago that somebody forgot to. */
export const isOver = ({ endedAt, startedAt }: { endedAt: Date | null; startedAt: Date }, now: Date) =>
  endedAt !== null || startedAt < overBefore(now);

/** A session that began before this is over, ended or not. */
export const overBefore = (now: Date) => new Date(now.getTime() - OVER_AFTER_HOURS * 3_600_000);

/** Every session that is on in the hall, the oldest first. */
export const activeRuns = cache(async (context: Context): Promise<ActiveRun[]> => {
  const { hall } = context;
  const rows = await hall.rows(runs, {
    where: and(isNull(runs.endedAt), gt(runs.startedAt, overBefore(context.clock.now()))),
    orderBy: [asc(runs.startedAt)],
    limit: 50,
  });
  if (rows.length === 0) return [];
  const [own, stations] = await Promise.all([
    hall.rows(bars, { where: inArray(bars.id, [...new Set(rows.map(({ barId }) => barId))]) }),
    stationNames(hall),
  ]);
  return rows.map((row) => {
    const tag = own.find(({ id }) => id === row.barId)!.tag;
    const now = new Map<string, number>();
    const stacks = [onBarNow(row.state), currentSet(row.state)?.perSide ?? []];
    for (const stack of stacks) {
      const counts = new Map<string, number>();
      for (const id of stack) counts.set(id, (counts.get(id) ?? 0) + 1);
      for (const [id, pairs] of counts) now.set(id, Math.max(now.get(id) ?? 0, pairs));
    }
    return {
      id: row.id,
      tag,
      barId: row.barId,
      where: (row.stationKey && stations.get(row.stationKey)) || tag,
      startedAt: row.startedAt,
      closed: row.state.sets.filter(({ state }) => state !== "open").length,
      sets: row.state.sets.length,
      now,
      most: platesHeldByRun(row.state),
    };
  });
});
