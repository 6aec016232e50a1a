import "server-only";
import { randomUUID } from "node:crypto";
import { and, eq, isNull, lt } from "drizzle-orm";
import { startRun } from "@/core/loading/run/runState";
import { type SteppedRun, stepRun } from "@/core/loading/run/runStep";
import { type RunTouch, stepOfTouch } from "@/core/loading/run/runTouch";
import { runSteps, runs } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careFollows } from "@/server/care/planning";
import type { ListedBar } from "@/server/bars";
import { runSetLogged } from "@/server/logbook";
import { type Outcome, failed, forbidden, idempotent, inTurn, notFound, recordChange } from "@/server/kit";
import { activeRuns, overBefore } from "./activeRuns";
import { type SessionWish, planRun } from "./planRun";
import { noticeOf } from "./runNotices";
import { amongOthers } from "./runPlates";
import { findRun } from "./runRow";
import { type RunView, viewOf } from "./runView";

/** Starts the run sheet of a plan and answers its id. One session a bar at a time. */
export async function beginRun(
  context: Context,
  item: ListedBar,
  wish: SessionWish,
  more: { liftKey: string | null; planAddress: string; lifterIds: Record<string, string> },
): Promise<Outcome<{ id: string }>> {
  if (!may(context, "session.run")) return forbidden("run sessions");
  const other = (await activeRuns(context)).find(({ barId }) => barId === item.id);
  if (other) return isInSession(item, other.where === item.bar.tag ? "" : ` at ${other.where}`);
  const planned = await planRun(context, item, wish);
  if (!planned.ok) return planned;
  const { question, plan, sets } = planned.run;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const now = context.clock.now();
    // One that nobody ended is over by now, and gives its bar free.
    await hall.update(runs, and(eq(runs.barId, item.id), isNull(runs.endedAt), lt(runs.startedAt, overBefore(now))), {
      endedAt: now,
    });
    const id = randomUUID();
    const isBegun = await hall.insertOnce(runs, {
      id,
      barId: item.id,
      stationKey: wish.station?.key ?? null,
      clampKey: wish.clamps?.key ?? null,
      ...more,
      state: startRun(question, plan, sets),
      startedBy: context.actor.personId,
      startedAt: now,
    });
    if (isBegun) await careFollows(context);
    // Somebody else's tablet was a moment earlier: the database lets one session a bar begin.
    return isBegun ? { ok: true as const, id } : isInSession(item, "");
  });
}

const isInSession = ({ bar }: ListedBar, where: string) =>
  failed("impossible", `${bar.tag} is in a session already${where}: end that one first.`);

/** Carries out one touch, once, however often and from wherever it is sent. */
export async function touchRun(
  context: Context,
  id: string,
  { key, madeAt, ...touch }: RunTouch & { key: string; madeAt: string },
): Promise<Outcome<{ view: RunView; outcome: SteppedRun["outcome"] }>> {
  if (!may(context, "session.run")) return forbidden("run sessions");
  const result = await inTurn(`run ${id}`, () =>
    inTransaction(context, (context) =>
      idempotent(context, key, "run.step", async () => {
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
          arrivedAt: context.clock.now(),
          kind: step.kind,
          setId: touch.set,
          detail: { ...touch },
          outcome: next.outcome,
          notice: before ? noticeOf(step, before, next) : `A set that this session does not have: ${touch.set}.`,
          personId: context.actor.personId,
          madeAt: new Date(madeAt),
        });
        if (isTaken) await runSetLogged(context, { ...row, state: next.state }, touch.set);
        await context.hall.tell("run", id);
        return { ok: true as const, outcome: next.outcome };
      }),
    ),
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
