import "server-only";
import { and, asc, eq, gte, inArray, isNull, lte, ne, sql } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import type { HallDay } from "@/core/units/hallDay";
import { bars, careFindings, careLog, inspections } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { storedCareRules } from "@/server/care/planning";
import { type Outcome, careTasksById, doneByWords, forbidden, namesById } from "@/server/kit";

export interface RecordsMonth {
  /** "2026-11". */
  month: string;
  jobs: number;
  minutes: number;
}

/** One bar's year: what was done to it, and how its condition went meanwhile. */
export interface BarRecord {
  tag: string;
  name: string;
  state: string;
  jobs: number;
  minutes: number;
  /** Times each task was done, by its name. */
  tasks: { name: string; times: number }[];
  firstTirMm: number | null;
  lastTirMm: number | null;
  lastRust: string | null;
  findings: number;
}

export interface CareRecords {
  year: number;
  months: RecordsMonth[];
  bars: BarRecord[];
  jobs: number;
  minutes: number;
  /** What an hour of care costs, in minor units; null where the house did not say. */
  hourMinor: number | null;
  currency: string;
}

const yearOf = (year: number): [HallDay, HallDay] => [`${year}-01-01`, `${year}-12-31`];

/** A year of care by month and by bar. Minutes are as timed, else as the task says. */
export async function careRecords(context: Context, year: number): Promise<Outcome<{ records: CareRecords }>> {
  if (!may(context, "care.tick")) return forbidden("read the records of care");
  const { hall } = context;
  const [from, to] = yearOf(year);
  const month = sql<string>`to_char(${careLog.doneOn}, 'YYYY-MM')`;
  const done = {
    taskId: careLog.taskId,
    jobs: sql<number>`count(*)::int`,
    timed: sql<number>`count(${careLog.minutes})::int`,
    minutes: sql<number>`coalesce(sum(${careLog.minutes}), 0)::float8`,
  };
  const inYear = and(isNull(careLog.undoneAt), gte(careLog.doneOn, from), lte(careLog.doneOn, to));
  // By month and by bar apart: both together would be a row for every bar, task and month.
  const [log, monthly, tasks, rows, looked, found, { hourMinor }] = await Promise.all([
    hall.summary(
      careLog,
      { barId: careLog.barId, ...done },
      { where: inYear, groupBy: [careLog.barId, careLog.taskId] },
    ),
    hall.summary(careLog, { month, ...done }, { where: inYear, groupBy: [careLog.taskId, month] }),
    careTasksById(hall),
    hall.rows(bars, { where: ne(bars.state, "on-order"), orderBy: [asc(bars.tag)] }),
    hall.rows(inspections, {
      where: and(gte(inspections.inspectedOn, from), lte(inspections.inspectedOn, to)),
      orderBy: [asc(inspections.inspectedOn), asc(inspections.enteredAt)],
    }),
    hall.summary(
      careFindings,
      { barId: careFindings.barId, count: sql<number>`count(*)::int` },
      {
        where: and(
          gte(careFindings.foundAt, new Date(`${from}T00:00:00Z`)),
          lte(careFindings.foundAt, new Date(`${to}T23:59:59Z`)),
        ),
        groupBy: [careFindings.barId],
      },
    ),
    storedCareRules(hall),
  ]);
  type Done = Omit<(typeof log)[number], "barId">;
  const minutesOf = (one: Done) => one.minutes + (one.jobs - one.timed) * (tasks.get(one.taskId)?.minutes ?? 0);
  const sum = (list: readonly Done[]) => ({
    jobs: list.reduce((total, { jobs }) => total + jobs, 0),
    minutes: list.reduce((total, one) => total + minutesOf(one), 0),
  });
  const byMonth = groupBy(monthly, (one) => one.month);
  const byBar = groupBy(log, ({ barId }) => barId);
  const inspected = groupBy(looked, ({ barId }) => barId);
  const findings = new Map(found.map(({ barId, count }) => [barId, count]));
  return {
    ok: true,
    records: {
      year,
      months: Array.from({ length: 12 }, (_, i) => {
        const month = `${year}-${String(i + 1).padStart(2, "0")}`;
        return { month, ...sum(byMonth.get(month) ?? []) };
      }),
      bars: rows.flatMap((row): BarRecord[] => {
        const own = byBar.get(row.id) ?? [];
        const turns = (inspected.get(row.id) ?? []).flatMap(({ tirMm }) => tirMm ?? []);
        const rust = (inspected.get(row.id) ?? []).flatMap(({ facts }) => facts.rust ?? []);
        if (own.length === 0 && row.state === "retired") return [];
        return [
          {
            tag: row.tag,
            name: row.name,
            state: row.state,
            ...sum(own),
            tasks: [...groupBy(own, ({ taskId }) => taskId)]
              .map(([taskId, list]) => ({
                name: tasks.get(taskId)?.name ?? "care",
                times: list.reduce((total, { jobs }) => total + jobs, 0),
              }))
              .sort((a, b) => b.times - a.times || (a.name < b.name ? -1 : 1)),
            firstTirMm: turns[0] ?? null,
            lastTirMm: turns.at(-1) ?? null,
            lastRust: rust.at(-1) ?? null,
            findings: findings.get(row.id) ?? 0,
          },
        ];
      }),
      ...sum(log),
      hourMinor,
      currency: context.actor.currency,
    },
  };
}

/** Every entry of a year's log, for a spreadsheet; what was taken back says so. */
export async function careLogRows(context: Context, year: number): Promise<Outcome<{ rows: string[][] }>> {
  if (!may(context, "care.tick")) return forbidden("read the records of care");
  const { hall } = context;
  const [from, to] = yearOf(year);
  const [log, tasks, names] = await Promise.all([
    hall.rows(careLog, {
      where: and(gte(careLog.doneOn, from), lte(careLog.doneOn, to)),
      orderBy: [asc(careLog.doneOn), asc(careLog.enteredAt)],
      limit: 200_000,
    }),
    careTasksById(hall),
    namesById(hall),
  ]);
  const ids = [...new Set(log.map(({ barId }) => barId))];
  const own =
    ids.length === 0 ? [] : await hall.rows(bars, { where: ids.length > 5000 ? undefined : inArray(bars.id, ids) });
  const tagOf = new Map(own.map(({ id, tag }) => [id, tag]));
  return {
    ok: true,
    rows: log.map(({ doneOn, barId, taskId, doneBy, enteredBy, minutes, note, undoneAt }) => [
      doneOn,
      tagOf.get(barId) ?? "",
      tasks.get(taskId)?.name ?? "",
      doneByWords(names, { doneBy, enteredBy }),
      minutes === null ? "" : String(Math.round(minutes * 100) / 100),
      note ?? "",
      undoneAt ? "undone" : "",
    ]),
  };
}

/** Years that have records, newest first; this year always. */
export async function recordYears(context: Context): Promise<number[]> {
  const [row] = await context.hall.summary(
    careLog,
    { first: sql<string | null>`min(${careLog.doneOn})` },
    { where: eq(careLog.hallId, context.actor.hallId) },
  );
  const now = Number(context.clock.today.slice(0, 4));
  const first = row?.first ? Number(row.first.slice(0, 4)) : now;
  return Array.from({ length: Math.min(30, now - first + 1) }, (_, i) => now - i);
}
