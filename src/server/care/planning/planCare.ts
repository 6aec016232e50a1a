import "server-only";
import { and, inArray, isNull, ne, sql } from "drizzle-orm";
import type { BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { bars, careLog, carePlan, careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { careHouse } from "./meterHouse";

/**
 * Care follows from family, finish and sleeves: sets the plan of every task that these bars need, and drops the rest.
 * Call it in the transaction that changed the bars.
 */
export async function planCare(context: Context, rows: readonly BarRow[]): Promise<void> {
  if (rows.length === 0) return;
  const { hall } = context;
  const house = await careHouse(context);
  const ids = rows.map(({ id }) => id);
  const [tasks, done] = [await hall.rows(careTasks), await lastDone(hall, ids)];
  const plan = rows.flatMap((row) =>
    tasks.flatMap((task) => carePlanRow(row, task, house, done.get(keyOf(row.id, task.id)) ?? null) ?? []),
  );
  // What stays as it is is not touched: whoever ticks it off meanwhile need not wait.
  const known = new Map(
    (await hall.rows(carePlan, { where: inArray(carePlan.barId, ids) })).map((row) => [
      keyOf(row.barId, row.taskId),
      row as Record<string, unknown>,
    ]),
  );
  const differs = (row: (typeof plan)[number]) => {
    const now = known.get(keyOf(row.barId, row.taskId));
    return !now || Object.entries(row).some(([key, value]) => (now[key] ?? null) !== (value ?? null));
  };
  await hall.putMany(carePlan, [carePlan.barId, carePlan.taskId], plan.filter(differs));
  const wanted = new Set(plan.map(({ barId, taskId }) => keyOf(barId, taskId)));
  const dropped = [...known.keys()].filter((key) => !wanted.has(key));
  if (dropped.length > 0)
    await hall.remove(
      carePlan,
      and(inArray(carePlan.barId, ids), inArray(sql`${carePlan.barId} || ' ' || ${carePlan.taskId}`, dropped)),
    );
}

const keyOf = (barId: string, taskId: string) => `${barId} ${taskId}`;

/** The last day on which each task was done on each bar, by bar and task; what was taken back does not count. */
async function lastDone(hall: HallDb, barIds: readonly string[]): Promise<Map<string, string>> {
  const rows = await hall.summary(
    careLog,
    { barId: careLog.barId, taskId: careLog.taskId, last: sql<string>`max(${careLog.doneOn})::text` },
    {
      where: and(inArray(careLog.barId, [...barIds]), isNull(careLog.undoneAt)),
      groupBy: [careLog.barId, careLog.taskId],
    },
  );
  return new Map(rows.map(({ barId, taskId, last }) => [keyOf(barId, taskId), last]));
}

/** Works out every due day anew: after a change of rules, readings or tasks, and once a day. */
export async function replanCare(context: Context): Promise<number> {
  const { hall } = context;
  const house = await careHouse(context);
  const [rows, tasks, known] = [
    await hall.rows(bars, { where: ne(bars.state, "retired") }),
    await hall.rows(careTasks),
    await hall.rows(carePlan),
  ];
  const last = new Map(known.map(({ barId, taskId, lastDoneOn }) => [keyOf(barId, taskId), lastDoneOn]));
  const plan = rows.flatMap((row) =>
    tasks.flatMap((task) => carePlanRow(row, task, house, last.get(keyOf(row.id, task.id)) ?? null) ?? []),
  );
  await hall.putMany(carePlan, [carePlan.barId, carePlan.taskId], plan);
  return plan.length;
}
