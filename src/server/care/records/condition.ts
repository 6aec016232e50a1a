import "server-only";
import { and, asc, eq, gte, inArray, isNull } from "drizzle-orm";
import {
  type CareSpan,
  type ConditionPoint,
  type RustByCare,
  careSpans,
  rustByCare,
} from "@/core/care/careAndCondition";
import { groupBy } from "@/core/collections/groupBy";
import { type HallDay, addDays } from "@/core/units/hallDay";
import { careLog, carePlan, inspections } from "@/data/schema";
import type { Context } from "@/server/access";
import { careTasksById } from "@/server/kit";

/** What was done to one bar and how it was found, over time. */
export interface BarCondition {
  care: { on: HallDay; task: string; taskName: string }[];
  looks: ConditionPoint[];
  spans: CareSpan[];
}

/** Looks and care further back than this are left out. */
const DAYS_BACK = 3 * 366;

/** The task that keeps rust off. */
const SHAFT = "shaft";

/** One bar's care against its condition, oldest first. */
export async function barCondition(context: Context, barId: string): Promise<BarCondition> {
  const { hall } = context;
  const since = addDays(context.clock.today, -DAYS_BACK);
  const [log, looked, tasks, planned] = await Promise.all([
    hall.rows(careLog, {
      where: and(eq(careLog.barId, barId), isNull(careLog.undoneAt), gte(careLog.doneOn, since)),
      orderBy: [asc(careLog.doneOn), asc(careLog.enteredAt)],
    }),
    hall.rows(inspections, {
      where: and(eq(inspections.barId, barId), gte(inspections.inspectedOn, since)),
      orderBy: [asc(inspections.inspectedOn), asc(inspections.enteredAt)],
    }),
    careTasksById(hall),
    hall.rows(carePlan, { where: eq(carePlan.barId, barId) }),
  ]);
  const care = log.flatMap(({ doneOn, taskId }) => {
    const task = tasks.get(taskId);
    return task ? [{ on: doneOn, task: task.key, taskName: task.name }] : [];
  });
  const looks = looked.map(({ inspectedOn, tirMm, facts }) => ({ on: inspectedOn, tirMm, rust: facts.rust ?? null }));
  return { care, looks, spans: careSpans(shaftDays(care), looks, intervalOf(planned, tasks)) };
}

/** Rust against care over all bars that were looked at more than once; null while that is too few. */
export async function rustAgainstCare(context: Context): Promise<RustByCare | null> {
  const { hall } = context;
  const since = addDays(context.clock.today, -DAYS_BACK);
  const [looked, tasks] = await Promise.all([
    hall.rows(inspections, { where: gte(inspections.inspectedOn, since) }),
    careTasksById(hall),
  ]);
  const shaft = [...tasks.values()].find(({ key }) => key === SHAFT);
  const byBar = [...groupBy(looked, ({ barId }) => barId)].filter(([, list]) => list.length > 1);
  if (!shaft || byBar.length === 0) return null;
  const ids = byBar.map(([barId]) => barId);
  const [plan, brushed] = await Promise.all([
    hall.rows(carePlan, { where: and(inArray(carePlan.barId, ids), eq(carePlan.taskId, shaft.id)) }),
    hall.rows(careLog, {
      where: and(
        inArray(careLog.barId, ids),
        eq(careLog.taskId, shaft.id),
        isNull(careLog.undoneAt),
        gte(careLog.doneOn, since),
      ),
    }),
  ]);
  const [planOf, logOf] = [groupBy(plan, ({ barId }) => barId), groupBy(brushed, ({ barId }) => barId)];
  return rustByCare(
    byBar.flatMap(([barId, list]) =>
      careSpans(
        (logOf.get(barId) ?? []).map(({ doneOn }) => doneOn),
        list.map(({ inspectedOn, tirMm, facts }) => ({ on: inspectedOn, tirMm, rust: facts.rust ?? null })),
        intervalOf(planOf.get(barId) ?? [], tasks),
      ),
    ),
  );
}

const shaftDays = (care: BarCondition["care"]) => care.flatMap(({ on, task }) => (task === SHAFT ? [on] : []));

/** How often the shaft should be brushed; 0 where nothing says. */
const intervalOf = (plan: readonly { taskId: string; intervalDays: number }[], tasks: Map<string, { key: string }>) =>
  plan.find(({ taskId }) => tasks.get(taskId)?.key === SHAFT)?.intervalDays ?? 0;
