import "server-only";
import { and, asc, desc, eq, gte, inArray, isNull, lte, notInArray } from "drizzle-orm";
import { checkAnswers } from "@/core/care/checks";
import type { Problem } from "@/core/problem";
import { type HallDay, addDays, daysBetween, isHallDay } from "@/core/units/hallDay";
import { type CareTaskRow, carePlanRow } from "@/data/carePlanRows";
import { barCare, bars, careLog, carePlan, careTasks, people } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careHouse } from "@/server/care/planning";
import {
  type Outcome,
  careTasksById,
  doneByWords,
  failed,
  forbidden,
  idempotent,
  namesById,
  notFound,
  recordChange,
} from "@/server/kit";

/** Who may be named as having done care. */
export async function careCrew(context: Context): Promise<{ id: string; name: string }[]> {
  return context.hall.rows(people, {
    where: and(inArray(people.role, ["owner", "manager", "coach", "care"]), isNull(people.removedAt)),
    orderBy: [asc(people.name)],
  });
}

export interface Tick {
  tag: string;
  task: string;
  doneOn: HallDay;
  doneBy: string;
  note: string;
  /** How long it took, where somebody knows. */
  minutes?: number;
  /** Made by the screen, once for each tick. */
  idempotencyKey: string;
}

/** What cannot be in a tick. */
export async function tickProblems(context: Context, tick: Tick): Promise<Problem[]> {
  const problems: Problem[] = [];
  if (!isHallDay(tick.doneOn)) problems.push({ path: "doneOn", message: "Choose a day." });
  else if (daysBetween(tick.doneOn, context.clock.today) < 0)
    problems.push({ path: "doneOn", message: "The day is in the future." });
  else if (daysBetween(tick.doneOn, context.clock.today) > 365)
    problems.push({ path: "doneOn", message: "That is more than a year ago." });
  if (tick.note.length > 500) problems.push({ path: "note", message: "At most 500 characters." });
  if (!/^[\w-]{8,64}$/.test(tick.idempotencyKey))
    problems.push({ path: "idempotencyKey", message: "8 to 64 letters, digits, - or _." });
  const crew = await careCrew(context);
  // A tablet ticks in its own name, where no person says who they are.
  const isTablet = context.door.kind === "device" && tick.doneBy === context.actor.personId;
  if (!isTablet && !crew.some(({ id }) => id === tick.doneBy))
    problems.push({ path: "doneBy", message: "Choose who did it." });
  return problems;
}

/** Marks a task as done and moves its next due day. Sent twice, it counts once. Checks want a result: `tickCheck`. */
export async function tickCare(context: Context, tick: Tick): Promise<Outcome<{ logId: string; dueOn: HallDay }>> {
  if (!may(context, "care.tick")) return forbidden("tick off care");
  const problems = await tickProblems(context, tick);
  if (problems.length > 0) return failed("invalid", "Nothing was ticked off.", problems);

  return inTransaction(context, (context) =>
    idempotent(context, tick.idempotencyKey, "care.tick", async () => {
      const found = await planToTick(context, tick);
      if (!found.ok) return found;
      const { bar, task, planned } = found;
      if (checkAnswers(tick.task, bar.family).length > 0)
        return failed("invalid", "Not saved: a check needs a result.", [
          { path: "result", message: `Say what the check of ${tick.tag} found.` },
        ]);
      const done = await logDone(context, bar, task, { ...tick, minutes: tick.minutes ?? null });
      await recordChange(context, {
        entity: "care-log",
        entityId: done.logId,
        action: "done",
        before: { dueOn: planned.dueOn },
        after: { dueOn: done.dueOn, tag: bar.tag, task: task.key, doneOn: tick.doneOn },
      });
      return { ok: true as const, ...done };
    }),
  );
}

/**
 * The bar, the task and its plan that a tick is about, the plan held; with the bar held before it where the bar's state may
 * follow. Everybody who holds both takes the bar first.
 */
export async function planToTick(
  { hall }: Context,
  { tag, task: key }: { tag: string; task: string },
  { holdsBar = false }: { holdsBar?: boolean } = {},
): Promise<Outcome<{ bar: typeof bars.$inferSelect; task: CareTaskRow; planned: typeof carePlan.$inferSelect }>> {
  const bar = await hall.first(bars, {
    where: and(eq(bars.tag, tag), notInArray(bars.state, ["retired", "on-order"])),
    forUpdate: holdsBar,
  });
  if (!bar) return notFound(`bar ${tag} to care for`);
  const task = await hall.first(careTasks, { where: eq(careTasks.key, key) });
  const planned =
    task &&
    (await hall.first(carePlan, {
      where: and(eq(carePlan.barId, bar.id), eq(carePlan.taskId, task.id)),
      forUpdate: true,
    }));
  return task && planned ? { ok: true, bar, task, planned } : notFound(`task "${key}" on ${tag}`);
}

/** Writes that a task was done, and when it is due next. Call it in the transaction of whatever did it. */
export async function logDone(
  context: Context,
  bar: typeof bars.$inferSelect,
  task: CareTaskRow,
  { doneOn, doneBy, note, minutes }: { doneOn: HallDay; doneBy: string; note: string; minutes: number | null },
): Promise<{ logId: string; dueOn: HallDay }> {
  const { hall } = context;
  const [entry] = await hall.insert(careLog, {
    barId: bar.id,
    enteredAt: context.clock.now(),
    taskId: task.id,
    doneOn,
    doneBy,
    enteredBy: context.actor.personId,
    note: note.trim() || null,
    minutes,
  });
  // A brushed shaft has no chalk on it any more.
  if (task.key === "shaft")
    await hall.update(barCare, and(eq(barCare.barId, bar.id), lte(barCare.chalkSeenOn, doneOn)), { chalkSeenOn: null });
  return { logId: entry!.id, dueOn: await replan(context, bar, task) };
}

/** Takes a tick back: the entry stays, marked, and the task is due as if it had not been made. */
export async function undoCare(context: Context, logId: string): Promise<Outcome<{ dueOn: HallDay }>> {
  if (!may(context, "care.tick")) return forbidden("undo care");
  if (!/^[0-9a-f-]{36}$/.test(logId)) return notFound("such entry in the care log");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const entry = await hall.first(careLog, { where: eq(careLog.id, logId), forUpdate: true });
    if (!entry) return notFound("such entry in the care log");
    const bar = (await hall.first(bars, { where: eq(bars.id, entry.barId) }))!;
    const task = (await hall.first(careTasks, { where: eq(careTasks.id, entry.taskId) }))!;
    const isFirst = entry.undoneAt === null;
    if (isFirst)
      await hall.update(careLog, eq(careLog.id, logId), {
        undoneAt: context.clock.now(),
        undoneBy: context.actor.personId,
      });
    const dueOn = await replan(context, bar, task);
    if (isFirst)
      await recordChange(context, {
        entity: "care-log",
        entityId: logId,
        action: "undone",
        after: { dueOn, tag: bar.tag, task: task.key },
      });
    return { ok: true, dueOn };
  });
}

/** Sets the plan by the latest entry of the log that was not taken back. */
async function replan(context: Context, bar: typeof bars.$inferSelect, task: CareTaskRow): Promise<HallDay> {
  const { hall } = context;
  const latest = await hall.first(careLog, {
    where: and(eq(careLog.barId, bar.id), eq(careLog.taskId, task.id), isNull(careLog.undoneAt)),
    orderBy: [desc(careLog.doneOn), desc(careLog.enteredAt)],
  });
  const row = carePlanRow(bar, task, await careHouse(context), latest?.doneOn ?? null)!;
  await hall.put(carePlan, [carePlan.barId, carePlan.taskId], row);
  return row.dueOn;
}

export interface LogItem {
  id: string;
  tag: string;
  barName: string;
  taskName: string;
  doneOn: HallDay;
  by: string;
  note: string | null;
  isUndone: boolean;
}

/** What was done in the last days, latest entry first. */
export async function careLately(
  context: Context,
  { days = 14, limit = 12, barId }: { days?: number; limit?: number; barId?: string } = {},
): Promise<LogItem[]> {
  const { hall } = context;
  const rows = await hall.rows(careLog, {
    where: barId ? eq(careLog.barId, barId) : gte(careLog.doneOn, addDays(context.clock.today, -days)),
    orderBy: barId ? [desc(careLog.doneOn), desc(careLog.enteredAt)] : [desc(careLog.enteredAt), desc(careLog.doneOn)],
    limit,
  });
  if (rows.length === 0) return [];
  const [tasks, names] = [await careTasksById(hall), await namesById(hall)];
  const found = await hall.rows(bars, { where: inArray(bars.id, [...new Set(rows.map((row) => row.barId))]) });
  const byId = new Map(found.map((bar) => [bar.id, bar]));
  return rows.map((row) => ({
    id: row.id,
    tag: byId.get(row.barId)!.tag,
    barName: byId.get(row.barId)!.name,
    taskName: tasks.get(row.taskId)!.name,
    doneOn: row.doneOn,
    by: doneByWords(names, row),
    note: row.note,
    isUndone: row.undoneAt !== null,
  }));
}
