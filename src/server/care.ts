import "server-only";
import { cache } from "react";
import { and, asc, desc, eq, gte, inArray, isNull, lte, notInArray, sql, type SQL } from "drizzle-orm";
import { overdueDays } from "@/core/care/careDue";
import { addDays, daysBetween, isHallDay, type HallDay } from "@/core/units/hallDay";
import { carePlanRow, type CareTaskRow } from "@/data/carePlanRows";
import { database } from "@/data/client";
import { inTransaction, type HallDb } from "@/data/hallDb";
import { barCare, bars, careLog, carePlan, careTasks, people, places } from "@/data/schema";
import type { Bar } from "@/core/bars/bar";
import { once, recordChange } from "./history";
import { careHouse } from "./carePlanning";
import { careTasksById, namesById, placesById } from "./lookups";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./permissions";
import { hallDb, type Who } from "./who";

export interface DueItem {
  barId: string;
  tag: string;
  barName: string;
  state: Bar["state"];
  place: string | null;
  placeOrder: number;
  task: string;
  taskName: string;
  steps: string[];
  dueOn: HallDay;
  lastDoneOn: HallDay | null;
  overdueDays: number;
  reason: string;
  minutes: number;
}

export type DueCursor = [dueOn: HallDay, barId: string, taskId: string];

/** What is due on or before a day, longest overdue first; bars that are retired or not here yet are left out. */
export const careDueOn = cache(
  async (who: Who, day: HallDay, task?: string): Promise<DueItem[]> =>
    (await careDuePage(who, day, { limit: 10_000, only: { task } })).items,
);

/** Of which task, bar or place; nothing for all. */
export interface DueFilter {
  task?: string;
  tag?: string;
  place?: string;
}

const OF_A_BAR_IN_USE = sql`exists (select 1 from ${bars} where ${bars.id} = ${carePlan.barId} and ${bars.state} not in ('retired', 'on-order'))`;

/** How much of each task is due on or before a day. */
export const careDueCounts = cache(async (who: Who, day: HallDay) =>
  hallDb(who).summary(
    carePlan,
    { taskId: carePlan.taskId, count: sql<number>`count(*)::int`, firstDue: sql<string>`min(${carePlan.dueOn})` },
    { where: and(lte(carePlan.dueOn, day), OF_A_BAR_IN_USE), groupBy: [carePlan.taskId] },
  ),
);

export interface TaskDue {
  task: string;
  taskName: string;
  bars: number;
  minutes: number;
  /** The longest overdue few. */
  first: DueItem[];
}

/** What is due on or before a day, task by task, the longest overdue first. */
export async function careDueByTask(who: Who, day: HallDay, most = 4): Promise<TaskDue[]> {
  const hall = hallDb(who);
  const counts = await careDueCounts(who, day);
  const first = await Promise.all(
    counts.map(({ taskId }) =>
      hall.rows(carePlan, {
        where: and(lte(carePlan.dueOn, day), eq(carePlan.taskId, taskId), OF_A_BAR_IN_USE),
        orderBy: [asc(carePlan.dueOn), asc(carePlan.barId)],
        limit: most,
      }),
    ),
  );
  const [items, tasks] = [await dueItems(hall, first.flat(), who.today), await careTasksById(hall)];
  return counts
    .flatMap(({ taskId, count, firstDue }) => {
      const task = tasks.get(taskId)!;
      const own = items.filter((item) => item.task === task.key);
      return own.length === 0
        ? []
        : [{ task: task.key, taskName: task.name, bars: count, minutes: count * task.minutes, first: own, firstDue }];
    })
    .sort((a, b) => (a.firstDue < b.firstDue ? -1 : a.firstDue > b.firstDue ? 1 : a.task < b.task ? -1 : 1));
}

export interface DueList {
  /** The longest overdue, as many as were asked for. */
  items: DueItem[];
  count: number;
  late: number;
  minutes: number;
}

/** What is due on or before a day, counted whole and listed as far as asked. */
export async function careDueList(who: Who, day: HallDay, only: DueFilter, most: number): Promise<DueList> {
  const hall = hallDb(who);
  const [{ items }, counts, tasks] = await Promise.all([
    careDuePage(who, day, { limit: most, only }),
    hall.summary(
      carePlan,
      {
        taskId: carePlan.taskId,
        count: sql<number>`count(*)::int`,
        late: sql<number>`(count(*) filter (where ${carePlan.dueOn} < ${who.today}))::int`,
      },
      { where: await isDue(hall, day, only), groupBy: [carePlan.taskId] },
    ),
    careTasksById(hall),
  ]);
  return {
    items,
    count: counts.reduce((sum, { count }) => sum + count, 0),
    late: counts.reduce((sum, { late }) => sum + late, 0),
    minutes: counts.reduce((sum, { count, taskId }) => sum + count * (tasks.get(taskId)?.minutes ?? 0), 0),
  };
}

async function isDue(hall: HallDb, day: HallDay, { task, tag, place }: DueFilter = {}): Promise<SQL | undefined> {
  const known = task ? [...(await careTasksById(hall)).values()].find(({ key }) => key === task) : undefined;
  return and(
    lte(carePlan.dueOn, day),
    OF_A_BAR_IN_USE,
    task ? (known ? eq(carePlan.taskId, known.id) : sql`false`) : undefined,
    tag
      ? sql`${carePlan.barId} in (select ${bars.id} from ${bars} where ${bars.hallId} = ${hall.hallId} and ${bars.tag} = ${tag})`
      : undefined,
    place
      ? sql`${carePlan.barId} in (select ${bars.id} from ${bars} join ${places} on ${places.id} = ${bars.placeId} where ${bars.hallId} = ${hall.hallId} and ${places.hallId} = ${hall.hallId} and ${places.name} = ${place})`
      : undefined,
  );
}

/** The same, a page at a time. */
export async function careDuePage(
  who: Who,
  day: HallDay,
  { limit, after, only }: { limit: number; after?: DueCursor; only?: DueFilter },
): Promise<{ items: DueItem[]; nextCursor: string | null }> {
  const hall = hallDb(who);
  const plan = await hall.rows(carePlan, {
    where: and(
      await isDue(hall, day, only),
      after &&
        sql`(${carePlan.dueOn}, ${carePlan.barId}, ${carePlan.taskId}) > (${after[0]}::date, ${after[1]}::uuid, ${after[2]}::uuid)`,
    ),
    orderBy: [asc(carePlan.dueOn), asc(carePlan.barId), asc(carePlan.taskId)],
    limit: limit + 1,
  });
  const page = plan.slice(0, limit);
  const last = page.at(-1);
  return {
    items: await dueItems(hall, page, who.today),
    nextCursor: plan.length > limit && last ? JSON.stringify([last.dueOn, last.barId, last.taskId]) : null,
  };
}

/** All tasks of one bar with their next day, soonest first. */
export async function careOfBar(who: Who, barId: string): Promise<DueItem[]> {
  const hall = hallDb(who);
  return dueItems(
    hall,
    await hall.rows(carePlan, { where: eq(carePlan.barId, barId), orderBy: [asc(carePlan.dueOn)] }),
    who.today,
  );
}

async function dueItems(hall: HallDb, plan: (typeof carePlan.$inferSelect)[], today: HallDay): Promise<DueItem[]> {
  if (plan.length === 0) return [];
  const [tasks, hangsAt] = [await careTasksById(hall), await placesById(hall)];
  const rows = await hall.rows(bars, {
    where: and(
      inArray(bars.id, [...new Set(plan.map(({ barId }) => barId))]),
      notInArray(bars.state, ["retired", "on-order"]),
    ),
  });
  const byId = new Map(rows.map((row) => [row.id, row]));
  return plan.flatMap((item) => {
    const bar = byId.get(item.barId);
    const task = tasks.get(item.taskId);
    if (!bar || !task) return [];
    const place = bar.placeId ? hangsAt.get(bar.placeId) : undefined;
    return {
      barId: bar.id,
      tag: bar.tag,
      barName: bar.name,
      state: bar.state as Bar["state"],
      place: place?.name ?? null,
      placeOrder: place?.roundOrder ?? 0,
      task: task.key,
      taskName: task.name,
      steps: task.steps,
      dueOn: item.dueOn,
      lastDoneOn: item.lastDoneOn,
      overdueDays: overdueDays(item.dueOn, today),
      reason: item.reason,
      minutes: task.minutes,
    };
  });
}

/** Who may be named as having done care. */
export async function careCrew(who: Who): Promise<{ id: string; name: string }[]> {
  return hallDb(who).rows(people, {
    where: inArray(people.role, ["manager", "coach", "care"]),
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

/** Marks a task as done and moves its next due day. Sent twice, it counts once. */
export async function tickCare(who: Who, tick: Tick): Promise<Outcome<{ logId: string; dueOn: HallDay }>> {
  if (!may(who, "care.tick")) return forbidden("tick off care");
  const problems: Problem[] = [];
  if (!isHallDay(tick.doneOn)) problems.push({ path: "doneOn", message: "Give the day as YYYY-MM-DD." });
  else if (daysBetween(tick.doneOn, who.today) < 0)
    problems.push({ path: "doneOn", message: "That day has not come yet." });
  else if (daysBetween(tick.doneOn, who.today) > 365)
    problems.push({ path: "doneOn", message: "That is more than a year ago." });
  if (tick.note.length > 500) problems.push({ path: "note", message: "At most 500 characters." });
  if (!/^[\w-]{8,64}$/.test(tick.idempotencyKey))
    problems.push({ path: "idempotencyKey", message: "8 to 64 letters, digits, - or _." });
  const crew = await careCrew(who);
  if (!crew.some(({ id }) => id === tick.doneBy)) problems.push({ path: "doneBy", message: "Choose who did it." });
  if (problems.length > 0) return failed("invalid", "Nothing was ticked off.", problems);

  return inTransaction(database(), who.hallId, (hall) =>
    once(hall, tick.idempotencyKey, "care.tick", async () => {
      const bar = await hall.first(bars, {
        where: and(eq(bars.tag, tick.tag), notInArray(bars.state, ["retired", "on-order"])),
      });
      if (!bar) return notFound(`bar ${tick.tag} to care for`);
      const task = await hall.first(careTasks, { where: eq(careTasks.key, tick.task) });
      const planned =
        task &&
        (await hall.first(carePlan, {
          where: and(eq(carePlan.barId, bar.id), eq(carePlan.taskId, task.id)),
          forUpdate: true,
        }));
      if (!task || !planned) return notFound(`task "${tick.task}" on ${tick.tag}`);
      const done = await logDone(hall, who, bar, task, { ...tick, minutes: tick.minutes ?? null });
      await recordChange(hall, who, {
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

/** Writes that a task was done, and when it is due next. Call it in the transaction of whatever did it. */
export async function logDone(
  hall: HallDb,
  who: Who,
  bar: typeof bars.$inferSelect,
  task: CareTaskRow,
  { doneOn, doneBy, note, minutes }: { doneOn: HallDay; doneBy: string; note: string; minutes: number | null },
): Promise<{ logId: string; dueOn: HallDay }> {
  const [entry] = await hall.insert(careLog, {
    barId: bar.id,
    taskId: task.id,
    doneOn,
    doneBy,
    enteredBy: who.personId,
    note: note.trim() || null,
    minutes,
  });
  // A brushed shaft has no chalk on it any more.
  if (task.key === "shaft")
    await hall.update(barCare, and(eq(barCare.barId, bar.id), lte(barCare.chalkSeenOn, doneOn)), { chalkSeenOn: null });
  return { logId: entry!.id, dueOn: await replan(hall, who, bar, task) };
}

/** Takes a tick back: the entry stays, marked, and the task is due as if it had not been made. */
export async function undoCare(who: Who, logId: string): Promise<Outcome<{ dueOn: HallDay }>> {
  if (!may(who, "care.tick")) return forbidden("undo care");
  if (!/^[0-9a-f-]{36}$/.test(logId)) return notFound("such entry in the care log");
  return inTransaction(database(), who.hallId, async (hall) => {
    const entry = await hall.first(careLog, { where: eq(careLog.id, logId), forUpdate: true });
    if (!entry) return notFound("such entry in the care log");
    const bar = (await hall.first(bars, { where: eq(bars.id, entry.barId) }))!;
    const task = (await hall.first(careTasks, { where: eq(careTasks.id, entry.taskId) }))!;
    const isFirst = entry.undoneAt === null;
    if (isFirst) await hall.update(careLog, eq(careLog.id, logId), { undoneAt: new Date(), undoneBy: who.personId });
    const dueOn = await replan(hall, who, bar, task);
    if (isFirst)
      await recordChange(hall, who, {
        entity: "care-log",
        entityId: logId,
        action: "undone",
        after: { dueOn, tag: bar.tag, task: task.key },
      });
    return { ok: true, dueOn };
  });
}

/** Sets the plan by the latest entry of the log that was not taken back. */
async function replan(hall: HallDb, who: Who, bar: typeof bars.$inferSelect, task: CareTaskRow): Promise<HallDay> {
  const latest = await hall.first(careLog, {
    where: and(eq(careLog.barId, bar.id), eq(careLog.taskId, task.id), isNull(careLog.undoneAt)),
    orderBy: [desc(careLog.doneOn), desc(careLog.enteredAt)],
  });
  const row = carePlanRow(bar, task, await careHouse(hall, who), latest?.doneOn ?? null)!;
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
  who: Who,
  { days = 14, limit = 12, barId }: { days?: number; limit?: number; barId?: string } = {},
): Promise<LogItem[]> {
  const hall = hallDb(who);
  const rows = await hall.rows(careLog, {
    where: barId ? eq(careLog.barId, barId) : gte(careLog.doneOn, addDays(who.today, -days)),
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
    by: names.get(row.doneBy) ?? "somebody",
    note: row.note,
    isUndone: row.undoneAt !== null,
  }));
}
