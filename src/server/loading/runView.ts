import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import type { RunState } from "@/core/loading/run/runState";
import { bars, runSteps, runs } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, forbidden, namesById, notFound, withTag } from "@/server/kit";
import { isOver } from "./activeRuns";
import { withPlatesOfNow } from "./runPlates";
import { findRun, type RunRow } from "./runRow";

/** A run as tablets show it: plain JSON. */
export interface RunView {
  id: string;
  seq: number;
  /** Differs whenever anything of it does. */
  stamp: string;
  state: RunState;
  /** Why nobody may go on; null while all is well. */
  stop: string | null;
  isOver: boolean;
  /** What should be known, newest first. */
  notices: { id: string; text: string; by: string; at: string }[];
}

/** Runs of the hall, those that are on first, then the latest. */
export async function listRuns(
  context: Context,
  limit = 12,
): Promise<{ row: RunRow; tag: string; by: string; isOver: boolean }[]> {
  if (!may(context, "session.run")) return [];
  const { hall } = context;
  const rows = await hall.rowsWith(runs, { bar: withTag(runs.barId) }, { orderBy: [desc(runs.startedAt)], limit });
  const names = await namesById(hall);
  return rows
    .map(({ row, bar }) => ({
      row,
      tag: bar!.tag,
      by: names.get(row.startedBy) ?? "somebody",
      isOver: isOver(row, context.clock.now()),
    }))
    .sort((a, b) => Number(a.isOver) - Number(b.isOver));
}

/** One run with its row; for coach and manager, since it names lifters and loads. Brings its plates up to date. */
export async function runOf(context: Context, id: string): Promise<Outcome<{ row: RunRow; view: RunView }>> {
  if (!may(context, "session.run")) return forbidden("see sessions with their lifters");
  const row = await findRun(context.hall, id);
  if (!row) return notFound("such session");
  const fresh = isOver(row, context.clock.now()) ? row : await withPlatesOfNow(context, row);
  return { ok: true, row: fresh, view: await viewOf(context, fresh) };
}

export async function viewOf(context: Context, row: RunRow): Promise<RunView> {
  const { hall } = context;
  const [bar, steps, names] = await Promise.all([
    hall.first(bars, { where: eq(bars.id, row.barId) }),
    hall.rows(runSteps, {
      where: and(eq(runSteps.runId, row.id), isNotNull(runSteps.notice)),
      orderBy: [desc(runSteps.arrivedAt), desc(runSteps.seq)],
      limit: 5,
    }),
    namesById(hall),
  ]);
  const stop = isUsable(bar!.state)
    ? null
    : `${bar!.tag} is ${bar!.state.replace("-", " ")}${bar!.stateReason ? `, ${bar!.stateReason}` : ""}. Nobody lifts with it: empty it, and take another bar.`;
  return {
    id: row.id,
    seq: row.seq,
    stamp: [row.seq, steps[0]?.id ?? "", stop ? "stop" : "", isOver(row, context.clock.now()) ? "over" : ""].join("."),
    state: row.state,
    stop,
    isOver: isOver(row, context.clock.now()),
    notices: steps.map(({ id, notice, personId, arrivedAt }) => ({
      id,
      text: notice!,
      by: names.get(personId) ?? "somebody",
      at: arrivedAt.toISOString(),
    })),
  };
}
