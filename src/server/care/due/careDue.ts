import "server-only";
import { type SQL, and, asc, desc, eq, inArray, lt, lte, notInArray, sql } from "drizzle-orm";
import { cache } from "react";
import type { Bar } from "@/core/bars/bar";
import { overdueDays } from "@/core/care/careDue";
import type { HallDay } from "@/core/units/hallDay";
import type { HallDb } from "@/data/hallDb";
import { inMany } from "@/data/inMany";
import { bars, carePlan, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { careTasksById, placesById } from "@/server/kit";

export interface DueItem {
  barId: string;
  tag: string;
  barName: string;
  family: Bar["family"];
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
  /** What hastens it, in a few words: "no record", "damp air"; empty as usual. */
  drivers: string[];
  minutes: number;
}

export type DueCursor = [dueOn: HallDay, barId: string, taskId: string];

/** What is due on or before a day, longest overdue first; bars that are retired or not here yet are left out. */
export const careDueOn = cache(
  async (context: Context, day: HallDay, task?: string): Promise<DueItem[]> =>
    (await careDuePage(context, day, { limit: 10_000, only: { task } })).items,
);

/** Of which task, bar or place; nothing for all. */
export interface DueFilter {
  task?: string;
  tag?: string;
  place?: string;
}

const OF_A_BAR_IN_USE = sql`exists (select 1 from ${bars} where ${bars.id} = ${carePlan.barId} and ${bars.state} not in ('retired', 'on-order'))`;

/** How much of each task is due on or before a day. */
export const careDueCounts = cache(async (context: Context, day: HallDay) =>
  context.hall.summary(
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
export async function careDueByTask(context: Context, day: HallDay, most = 4): Promise<TaskDue[]> {
  const { hall } = context;
  const counts = await careDueCounts(context, day);
  const first = await Promise.all(
    counts.map(({ taskId }) =>
      hall.rows(carePlan, {
        where: and(lte(carePlan.dueOn, day), eq(carePlan.taskId, taskId), OF_A_BAR_IN_USE),
        orderBy: [asc(carePlan.dueOn), asc(carePlan.barId)],
        limit: most,
      }),
    ),
  );
  const [items, tasks] = [await dueItems(hall, first.flat(), context.clock.today), await careTasksById(hall)];
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
  /** What needs it most first, as many as were asked for. */
  items: DueItem[];
  count: number;
  late: number;
  minutes: number;
}

/** How late a task is against its own interval: what is 9 days late of 10 needs it more than 20 of 180. */
const lateShare = (today: HallDay) =>
  sql<number>`(${today}::date - ${carePlan.dueOn})::float8 / greatest(${carePlan.intervalDays}, 1)`;

/** What is due on or before a day, counted whole and listed as far as asked, what needs it most first. */
export async function careDueList(context: Context, day: HallDay, only: DueFilter, most: number): Promise<DueList> {
  const { hall } = context;
  const isAsked = await isDue(hall, day, only);
  const [plan, counts, tasks] = await Promise.all([
    hall.rows(carePlan, {
      where: isAsked,
      orderBy: [desc(lateShare(context.clock.today)), asc(carePlan.barId), asc(carePlan.taskId)],
      limit: most,
    }),
    hall.summary(
      carePlan,
      {
        taskId: carePlan.taskId,
        count: sql<number>`count(*)::int`,
        late: sql<number>`(count(*) filter (where ${carePlan.dueOn} < ${context.clock.today}))::int`,
      },
      { where: isAsked, groupBy: [carePlan.taskId] },
    ),
    careTasksById(hall),
  ]);
  return {
    items: await dueItems(hall, plan, context.clock.today),
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
  context: Context,
  day: HallDay,
  { limit, after, only }: { limit: number; after?: DueCursor; only?: DueFilter },
): Promise<{ items: DueItem[]; nextCursor: string | null }> {
  const { hall } = context;
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
    items: await dueItems(hall, page, context.clock.today),
    nextCursor: plan.length > limit && last ? JSON.stringify([last.dueOn, last.barId, last.taskId]) : null,
  };
}

/** A bar that wants care, and why. */
export interface NeedyBar {
  tag: string;
  barName: string;
  /** "brush and wipe the shaft, 9 days late" for each task, the latest first. */
  what: string[];
  reason: string;
  drivers: string[];
}

/** So many are named. */
const NEEDIEST = 3;

/**
 * The bars that want care most, by the stored due days: how late a task is against its own interval, the worst of each
 * bar. One answer, for every page that asks. Bars that may not be used wait.
 */
export const neediestBars = cache(async (context: Context): Promise<NeedyBar[]> => {
  const { hall } = context;
  const { today } = context.clock;
  const share = lateShare(today);
  const late = await hall.summary(
    carePlan,
    { barId: carePlan.barId, worst: sql<number>`max(${share})` },
    {
      where: and(
        lt(carePlan.dueOn, today),
        sql`exists (select 1 from ${bars} where ${bars.id} = ${carePlan.barId} and ${bars.state} in ('in-service', 'watch'))`,
      ),
      groupBy: [carePlan.barId],
      orderBy: [sql`max(${share}) desc`, asc(carePlan.barId)],
      limit: NEEDIEST,
    },
  );
  const items = (
    await careOfBars(
      context,
      late.map(({ barId }) => barId),
    )
  ).filter((item) => item.overdueDays > 0);
  return late.flatMap(({ barId }) => {
    const own = items.filter((item) => item.barId === barId).sort((a, b) => b.overdueDays - a.overdueDays);
    const [first] = own;
    if (!first) return [];
    return [
      {
        ...{ tag: first.tag, barName: first.barName, reason: first.reason, drivers: first.drivers },
        what: own.map(({ taskName, overdueDays: n }) => `${taskName}, ${n} ${n === 1 ? "day" : "days"} late`),
      },
    ];
  });
});

/** All tasks of some bars with their next day. */
export async function careOfBars(context: Context, barIds: readonly string[]): Promise<DueItem[]> {
  const { hall } = context;
  if (barIds.length === 0) return [];
  return dueItems(hall, await hall.rows(carePlan, { where: inMany(carePlan.barId, barIds) }), context.clock.today);
}

/** All tasks of one bar with their next day, soonest first. */
export async function careOfBar(context: Context, barId: string): Promise<DueItem[]> {
  const { hall } = context;
  return dueItems(
    hall,
    await hall.rows(carePlan, { where: eq(carePlan.barId, barId), orderBy: [asc(carePlan.dueOn)] }),
    context.clock.today,
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
      family: bar.family,
      state: bar.state,
      place: place?.name ?? null,
      placeOrder: place?.roundOrder ?? 0,
      task: task.key,
      taskName: task.name,
      steps: task.steps,
      dueOn: item.dueOn,
      lastDoneOn: item.lastDoneOn,
      overdueDays: overdueDays(item.dueOn, today),
      reason: item.reason,
      drivers: item.drivers,
      minutes: task.minutes,
    };
  });
}
