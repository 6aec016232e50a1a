import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { planBreaks, planWarnings } from "@/core/bars/fitness";
import type { RunState } from "@/core/loading/run/runState";
import { runSteps, runs } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { barById } from "@/server/bars";
import { openFindings } from "@/server/care/findings";
import { listStations } from "@/server/equipment";
import { type Outcome, forbidden, namesById, notFound, withTag } from "@/server/kit";
import { matchingRules } from "@/server/rules";
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
  /** What should be known of the bar and stops nobody. */
  warnings: string[];
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
      by: names.get(row.startedBy) ?? "someone",
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
  const [listed, { items: stations }, { rackMarginMm }, findings, steps, names] = await Promise.all([
    barById(context, row.barId),
    listStations(context),
    matchingRules(context),
    openFindings(context),
    hall.rows(runSteps, {
      where: and(eq(runSteps.runId, row.id), isNotNull(runSteps.notice)),
      orderBy: [desc(runSteps.arrivedAt), desc(runSteps.seq)],
      limit: 5,
    }),
    namesById(hall),
  ]);
  const { bar } = listed!;
  const heaviest = Math.max(0, ...row.state.sets.flatMap((set) => (set.state === "open" ? set.achievedUnits : [])));
  const asked = {
    totalKg: kgFromMassUnits(heaviest),
    countedKg: kgFromMassUnits(row.state.bar.barUnits),
    station: stations.find(({ key }) => key === row.stationKey) ?? null,
    stations,
    marginMm: rackMarginMm,
  };
  const breaks = planBreaks(bar, asked);
  const stop =
    breaks.length === 0
      ? null
      : `${breaks.join(" ")} ${isUsable(bar.state) ? "Plan again before anyone lifts." : "Nobody lifts with it: empty it evenly, and take another bar."}`;
  const isRounded = Number.isInteger(asked.countedKg);
  const warnings = planWarnings(bar, findings.get(bar.tag) ?? [], isRounded ? {} : asked);
  return {
    id: row.id,
    seq: row.seq,
    stamp: [
      row.seq,
      steps[0]?.id ?? "",
      stop ?? "",
      warnings.join(),
      isOver(row, context.clock.now()) ? "over" : "",
    ].join("."),
    state: row.state,
    stop,
    warnings,
    isOver: isOver(row, context.clock.now()),
    notices: steps.map(({ id, notice, personId, arrivedAt }) => ({
      id,
      text: notice!,
      by: names.get(personId) ?? "someone",
      at: arrivedAt.toISOString(),
    })),
  };
}

/** Sessions in progress that nobody may go on with, and why; for coach and manager. */
export async function runsStopped(context: Context): Promise<{ id: string; tag: string; stop: string }[]> {
  const found = [];
  for (const { row, tag } of (await listRuns(context)).filter((one) => !one.isOver)) {
    const { stop } = await viewOf(context, row);
    if (stop) found.push({ id: row.id, tag, stop });
  }
  return found;
}
