import "server-only";
import { and, desc, eq, isNotNull } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import { startRun, type RunSet, type RunState } from "@/core/loading/run/runState";
import { stepOfTouch, type RunTouch } from "@/core/loading/run/runTouch";
import { stepRun, type RunStep, type SteppedRun } from "@/core/loading/run/runStep";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { HallDb } from "@/data/hallDb";
import { bars, runs, runSteps } from "@/data/schema";
import { activeRuns, isOver } from "./activeRuns";
import type { ListedBar } from "./bars";
import { idempotent, recordChange } from "./history";
import { namesById } from "./lookups";
import { failed, forbidden, notFound, type Outcome } from "./outcome";
import { may } from "./access/permissions";
import { pairsAtHand, platesAtHand } from "./platesAtHand";
import { planRun, type SessionWish } from "./sessionPlanning";
import { inTransaction, type Context } from "./access/context";

export type RunRow = typeof runs.$inferSelect;

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

/** Starts the run sheet of a plan and answers its id. One session a bar at a time. */
export async function beginRun(
  context: Context,
  item: ListedBar,
  wish: SessionWish,
  more: { liftKey: string | null; planAddress: string; lifterIds: Record<string, string> },
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "session.run")) return forbidden("run sessions");
  const other = (await activeRuns(context)).find(({ barId }) => barId === item.id);
  if (other)
    return failed(
      "impossible",
      `${item.bar.tag} is in a session already${other.where === item.bar.tag ? "" : ` at ${other.where}`}: end that one first.`,
    );
  const planned = await planRun(context, item, wish);
  if (!planned.ok) return planned;
  const { question, plan, sets } = planned.run;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const [row] = await hall.insert(runs, {
      barId: item.id,
      stationKey: wish.station?.key ?? null,
      clampKey: wish.clamps?.key ?? null,
      ...more,
      state: startRun(question, plan, sets),
      startedBy: context.actor.personId,
    });
    return { ok: true as const, id: row!.id };
  });
}

/** Runs of the hall, those that are on first, then the latest. */
export async function listRuns(
  context: Context,
  limit = 12,
): Promise<{ row: RunRow; tag: string; by: string; isOver: boolean }[]> {
  if (!may(context, "session.run")) return [];
  const { hall } = context;
  const rows = await hall.rows(runs, { orderBy: [desc(runs.startedAt)], limit });
  const [names, own] = [await namesById(hall), await hall.rows(bars)];
  const tags = new Map(own.map(({ id, tag }) => [id, tag]));
  return rows
    .map((row) => ({
      row,
      tag: tags.get(row.barId)!,
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

/** Carries out one touch, once, however often and from wherever it is sent. */
export async function touchRun(
  context: Context,
  id: string,
  { key, madeAt, ...touch }: RunTouch & { key: string; madeAt: string },
): Promise<Outcome<{ view: RunView; outcome: SteppedRun["outcome"] }>> {
  if (!may(context, "session.run")) return forbidden("run sessions");
  const result = await inTransaction(context, (context) =>
    idempotent(context.hall, key, "run.step", async () => {
      const row = await findRun(context.hall, id, true);
      if (!row) return notFound("such session");
      const step = stepOfTouch(touch);
      const before = row.state.sets.find((set) => set.id === touch.set);
      const next = stepRun(await amongOthers(context, row), step);
      const isTaken = next.outcome === "taken";
      const seq = row.seq + (isTaken ? 1 : 0);
      if (isTaken) await context.hall.update(runs, eq(runs.id, id), { state: next.state, seq });
      await context.hall.insert(runSteps, {
        runId: id,
        seq,
        kind: step.kind,
        setId: touch.set,
        detail: { ...touch },
        outcome: next.outcome,
        notice: before ? noticeOf(step, before, next) : `A set that this session does not have: ${touch.set}.`,
        personId: context.actor.personId,
        madeAt: new Date(madeAt),
      });
      return { ok: true as const, outcome: next.outcome };
    }),
  );
  if (!result.ok) return result;
  const row = (await findRun(context.hall, id))!;
  return { ok: true, outcome: result.outcome, view: await viewOf(context, row) };
}

/** Ends a run: the bar is empty and its plates are free. Sets that were not lifted stay as they are. */
export async function endRun(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "session.run")) return forbidden("end sessions");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await findRun(hall, id, true);
    if (!row) return notFound("such session");
    if (row.endedAt) return { ok: true };
    await hall.update(runs, eq(runs.id, id), { endedAt: context.clock.now() });
    await recordChange(context, {
      entity: "run",
      entityId: id,
      action: "ended",
      after: { sets: row.state.sets.length, done: row.state.sets.filter(({ state }) => state === "done").length },
    });
    return { ok: true };
  });
}

const findRun = async (hall: HallDb, id: string, forUpdate = false) =>
  /^[0-9a-f-]{36}$/.test(id) ? hall.first(runs, { where: eq(runs.id, id), forUpdate }) : null;

/** Plates put away, counted or weighed anew since the plan: what comes is planned again, and it is said. */
async function withPlatesOfNow(context: Context, row: RunRow): Promise<RunRow> {
  const changed = await platesChanged(context, row);
  if (changed.length === 0) return row;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const locked = (await findRun(hall, row.id, true))!;
    const changes = await platesChanged(context, locked);
    if (changes.length === 0) return locked;
    const fresh = new Map(changes.map((one) => [one.plate.id, one.plate]));
    const plates = locked.state.plates.map((plate) => fresh.get(plate.id) ?? plate);
    const { state } = stepRun(locked.state, { kind: "plates", plates });
    const [updated] = await hall.update(runs, eq(runs.id, row.id), { state, seq: locked.seq + 1 });
    await hall.insert(runSteps, {
      runId: row.id,
      seq: locked.seq + 1,
      kind: "plates",
      setId: null,
      detail: changes.map(({ plate }) => plate),
      outcome: "taken",
      notice: `${changes.map(({ words }) => words).join(" ")} What comes was planned anew.`,
      personId: context.actor.personId,
      madeAt: context.clock.now(),
    });
    return updated!;
  });
}

/** Plates that count otherwise than the plan took them, or of which the hall has fewer than it may use. */
async function platesChanged(context: Context, { id, state }: RunRow) {
  const atHand = await platesAtHand(context, id);
  return state.plates.flatMap((plate) => {
    const now = atHand.get(plate.id);
    const label = now ? `${trimmed(Number(now.row.massValue), 3)} ${now.row.massUnit}` : plate.id;
    // More than was planned with is no reason to plan again; fewer is, and so is another mass.
    const pairs = Math.min(plate.pairs, now?.row.pairs ?? 0);
    const massUnits = now?.massUnits ?? plate.massUnits;
    const thicknessMm = now?.row.thicknessMm ?? plate.thicknessMm;
    if (pairs === plate.pairs && massUnits === plate.massUnits && thicknessMm === plate.thicknessMm) return [];
    const words =
      pairs < plate.pairs
        ? pairs === 0
          ? `No ${label} plates are left.`
          : `Of the ${label} plates ${pairs} ${pairs === 1 ? "pair is" : "pairs are"} left.`
        : `The ${label} plates were measured anew.`;
    return [{ plate: { ...plate, pairs, massUnits, thicknessMm }, words }];
  });
}

/** The run with the pairs that other sessions leave it from now on, for planning what comes. */
async function amongOthers(context: Context, { id, state }: RunRow): Promise<RunState> {
  const atHand = await platesAtHand(context, id);
  return {
    ...state,
    plates: state.plates.map((plate) => {
      const now = atHand.get(plate.id);
      return now ? { ...plate, pairs: pairsAtHand(now, "throughout") } : plate;
    }),
  };
}

async function viewOf(context: Context, row: RunRow): Promise<RunView> {
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
  const stop = isUsable(bar!.state as "in-service")
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

const kgWords = (units: number) => `${trimmed(kgFromMassUnits(units), 2)} kg`;

/** What everybody at the bar should read of a touch; null where the sheet itself says it. */
function noticeOf(step: RunStep, before: RunSet, next: SteppedRun): string | null {
  const set = `${before.lifter}'s set of ${kgWords(before.targetUnits)}`;
  if (next.outcome === "late")
    return step.kind === "reopen"
      ? `${set} was not taken back: more was lifted since.`
      : `${set} was lifted on one tablet while another ${step.kind === "skip" ? "left it out" : "changed its load"}: it counts as lifted.`;
  if (next.outcome !== "taken") return null;
  const after = next.state.sets.find(({ id }) => id === before.id)!;
  switch (step.kind) {
    case "load":
      return `${before.lifter}: ${kgWords(step.targetUnits)} instead of ${kgWords(before.targetUnits)}. What comes was planned anew.`;
    case "skip":
      return `${set} was left out. What comes was planned anew.`;
    case "reopen":
      return `${set} was taken back.`;
    case "done":
      if (before.state === "skipped") return `${set} had been left out and was lifted after all.`;
      return before.perSide.join() === after.perSide.join()
        ? null
        : `${before.lifter} lifted ${kgWords(after.achievedUnits)}, with other plates than planned last. What comes was planned anew.`;
    default:
      return null;
  }
}
