import "server-only";
import { and, asc, inArray, isNull, ne, sql } from "drizzle-orm";
import type { BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import { bars, careLog, carePlan, careTasks } from "@/data/schema";
import type { Context } from "@/server/access";
import { careHouse } from "./meterHouse";
import { storedCareRules } from "./storedCareRules";

/**
 * Care follows from family, finish and sleeves: sets the plan of every task that these bars need, and drops the rest.
 * Call it in the transaction that changed the bars.
 */
export async function planCare(context: Context, rows: readonly BarRow[]): Promise<void> {
  if (rows.length === 0) return;
  const { hall } = context;
  const house = await careHouse(context);
  const ids = rows.map(({ id }) => id);
  const tasks = await hall.rows(careTasks);
  const workedOut = async () => {
    const done = await lastDone(hall, ids);
    return rows.flatMap((row) =>
      tasks.flatMap((task) => carePlanRow(row, task, house, done.get(keyOf(row.id, task.id)) ?? null) ?? []),
    );
  };
  const known = byKey(await hall.rows(carePlan, { where: inArray(carePlan.barId, ids) }));
  let plan = await workedOut();
  // What stays as it is is not touched: whoever ticks it off meanwhile need not wait.
  const touched = barsOf(plan.filter((row) => differs(row, known)));
  if (touched.length > 0) {
    // What is to be written is held, and then worked out for good: a tick that came meanwhile counts.
    for (const row of await held(hall, touched)) known.set(keyOf(row.barId, row.taskId), row);
    plan = await workedOut();
    const changed = plan.filter((row) => touched.includes(row.barId) && differs(row, known));
    await hall.putMany(carePlan, [carePlan.barId, carePlan.taskId], changed);
  }
  const wanted = new Set(plan.map(({ barId, taskId }) => keyOf(barId, taskId)));
  const dropped = [...known.keys()].filter((key) => !wanted.has(key));
  if (dropped.length > 0)
    await hall.remove(
      carePlan,
      and(inArray(carePlan.barId, ids), inArray(sql`${carePlan.barId} || ' ' || ${carePlan.taskId}`, dropped)),
    );
}

type PlanRow = typeof carePlan.$inferSelect;
type Planned = NonNullable<ReturnType<typeof carePlanRow>>;

const byKey = (rows: readonly PlanRow[]) => new Map(rows.map((row) => [keyOf(row.barId, row.taskId), row]));

const barsOf = (rows: readonly Planned[]) => [...new Set(rows.map(({ barId }) => barId))];

/** Whether a row is to be written at all. */
function differs(row: Planned, known: ReadonlyMap<string, PlanRow>): boolean {
  const now = known.get(keyOf(row.barId, row.taskId)) as Record<string, unknown> | undefined;
  // A list is the same when it says the same.
  const said = (value: unknown) => (Array.isArray(value) ? JSON.stringify(value) : (value ?? null));
  return !now || Object.entries(row).some(([key, value]) => said(now[key]) !== said(value));
}

/** So many bars are named; of more everything is held. */
const MAX_NAMED = 20_000;

/** The plan of some bars, held until the transaction ends, always in the same order. */
function held(hall: HallDb, barIds: readonly string[]): Promise<PlanRow[]> {
  return hall.rows(carePlan, {
    where: barIds.length > MAX_NAMED ? undefined : inArray(carePlan.barId, [...barIds]),
    orderBy: [asc(carePlan.barId), asc(carePlan.taskId)],
    forUpdate: true,
  });
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

/**
 * Whatever changes how much bars are used, where they hang or which there are changes due days where need decides. Call it
 * in the transaction of the change.
 */
export async function careFollows(context: Context): Promise<void> {
  if ((await storedCareRules(context.hall)).rule !== "calendar") await replanCare(context);
}

/** Works out every due day anew: after a change of rules, readings or tasks, and once a day. */
export async function replanCare(context: Context): Promise<number> {
  const { hall } = context;
  const house = await careHouse(context);
  const [rows, tasks, known] = [
    await hall.rows(bars, { where: ne(bars.state, "retired") }),
    await hall.rows(careTasks),
    byKey(await hall.rows(carePlan)),
  ];
  const workedOut = () =>
    rows.flatMap((row) =>
      tasks.flatMap(
        (task) => carePlanRow(row, task, house, known.get(keyOf(row.id, task.id))?.lastDoneOn ?? null) ?? [],
      ),
    );
  const touched = barsOf(workedOut().filter((row) => differs(row, known)));
  if (touched.length > 0)
    // Held before it is worked out for good: a tick that came meanwhile counts.
    for (const row of await held(hall, touched)) known.set(keyOf(row.barId, row.taskId), row);
  const plan = workedOut();
  await hall.putMany(
    carePlan,
    [carePlan.barId, carePlan.taskId],
    plan.filter((row) => differs(row, known)),
  );
  return plan.length;
}
