import "server-only";
import { and, asc, eq, ne, sql } from "drizzle-orm";
import { type CareRule, type Need, USUAL_FACTORS, needForecast } from "@/core/care/needMeter";
import type { Problem } from "@/core/problem";
import { isTaskOf, meterTaskOf, needNow } from "@/data/carePlanRows";
import { inMany } from "@/data/inMany";
import { barCare, bars, carePlan, careTasks } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, notFound, recordChange, stale } from "@/server/kit";
import { meterHouse } from "./meterHouse";
import { replanCare } from "./planCare";
import { storedCareRules } from "./storedCareRules";

/** Up to so many bars the list is whole; a longer one comes in parts. */
const WHOLE_UP_TO = 60;
export const A_PART = 30;
/** Need is forecast so far ahead. */
const FORECAST_DAYS = 56;

/** The need of one bar's tasks, with every factor. */
export interface MeterItem {
  barId: string;
  tag: string;
  barName: string;
  finish: string | null;
  isUseSet: boolean;
  isFinishSet: boolean;
  chalkSeenOn: string | null;
  /** Of the row that keeps what somebody set; 0 when there is none yet. */
  version: number;
  /** Need as it will stand week by week from today on, by measured air and monthly normals, if nothing is done. */
  tasks: { task: string; taskName: string; need: Need; forecast: number[] }[];
}

/** The meters of every bar in use, the neediest first, whatever rule the house goes by. */
export async function careMeters(
  context: Context,
  { from = 0 }: { from?: number } = {},
): Promise<{ rule: CareRule; items: MeterItem[]; total: number; from: number }> {
  const { hall } = context;
  const inUse = and(ne(bars.state, "retired"), ne(bars.state, "on-order"));
  const [counted] = await hall.summary(bars, { n: sql<number>`count(*)::int` }, { where: inUse });
  const total = counted!.n;
  const isLong = total > WHOLE_UP_TO;
  // Of a long wall a part at a time, by the first day on which something is due.
  const firstDue = sql`(select min(p.due_on) from care_plan p where p.hall_id = ${bars.hallId} and p.bar_id = ${bars.id})`;
  const rows = await hall.rows(bars, {
    where: inUse,
    orderBy: isLong ? [sql`${firstDue} asc nulls last`, asc(bars.tag)] : [asc(bars.tag)],
    ...(isLong ? { limit: A_PART, offset: from } : {}),
  });
  const ids = rows.map(({ id }) => id);
  const [{ rule }, meter, tasks, plan, own] = await Promise.all([
    storedCareRules(hall),
    meterHouse(context, "meter"),
    hall.rows(careTasks, { orderBy: [asc(careTasks.listOrder)] }),
    hall.rows(carePlan, { where: inMany(carePlan.barId, ids) }),
    hall.rows(barCare, { where: inMany(barCare.barId, ids) }),
  ]);
  const planned = new Map(plan.map((row) => [`${row.barId} ${row.taskId}`, row]));
  const set = new Map(own.map((row) => [row.barId, row]));
  const items = rows.map((row): MeterItem => ({
    barId: row.id,
    tag: row.tag,
    barName: row.name,
    finish: row.finish,
    isUseSet: set.get(row.id)?.useFactor != null,
    isFinishSet: set.get(row.id)?.finishFactor != null,
    chalkSeenOn: set.get(row.id)?.chalkSeenOn ?? null,
    version: set.get(row.id)?.version ?? 0,
    tasks: tasks
      .filter((task) => isTaskOf(task, row))
      .map((task) => {
        const stored = planned.get(`${row.id} ${task.id}`);
        const lastDoneOn = stored?.lastDoneOn ?? null;
        // There is one due day, the stored one, and every screen reads it (handbook §11).
        const computed = needNow(row, task, meter, lastDoneOn);
        const need = stored ? { ...computed, dueOn: stored.dueOn } : computed;
        const still = need.factors.reduce(
          (product, { label, value }) => (label === "air" ? product : product * value),
          1,
        );
        const daily = needForecast(
          meterTaskOf(task),
          still,
          meter.clockOf(row.placeId),
          lastDoneOn ?? row.knownSince,
          context.clock.today,
          FORECAST_DAYS + 1,
        );
        return {
          task: task.key,
          taskName: task.name,
          need,
          forecast: [...daily].filter((_, i) => i % 7 === 0),
        };
      }),
  }));
  const most = ({ tasks: all }: MeterItem) => Math.max(0, ...all.map(({ need }) => need.need));
  const sorted = items.sort((a, b) => most(b) - most(a) || (a.tag < b.tag ? -1 : 1));
  return { rule, items: sorted, total, from: isLong ? from : 0 };
}

/** Sets or clears what hastens or slows care on one bar. Empty is worked out. */
export async function saveBarFactors(
  context: Context,
  form: { tag: string; version: number; use: string; finish: string },
): Promise<Outcome<object>> {
  if (!may(context, "bar.edit")) return forbidden("change what care of a bar goes by");
  const problems: Problem[] = [];
  const factor = (path: "use" | "finish") => {
    const text = form[path].trim().replace(",", ".");
    if (text === "") return null;
    const value = Number(text);
    if (!(value >= 0.1 && value <= 10))
      problems.push({ path, message: `${path}: “${form[path]}” must be a number from 0.1 to 10` });
    return value;
  };
  const [useFactor, finishFactor] = [factor("use"), factor("finish")];
  if (problems.length > 0) return failed("invalid", "Nothing was changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const bar = await hall.first(bars, { where: and(eq(bars.tag, form.tag), ne(bars.state, "retired")) });
    if (!bar) return notFound(`bar ${form.tag}`);
    await hall.hold(`care of ${bar.id}`);
    const row = await hall.first(barCare, { where: eq(barCare.barId, bar.id), forUpdate: true });
    if ((row?.version ?? 0) !== form.version)
      return stale(
        "Someone else changed this meanwhile. Nothing was changed; what you typed is still here.",
        row?.version ?? 0,
        [
          { path: "use", message: `use: it is now “${row?.useFactor ?? ""}”` },
          { path: "finish", message: `finish: it is now “${row?.finishFactor ?? ""}”` },
        ],
      );
    await hall.put(barCare, [barCare.barId], {
      barId: bar.id,
      useFactor,
      finishFactor,
      chalkSeenOn: row?.chalkSeenOn ?? null,
      version: form.version + 1,
    });
    await recordChange(context, {
      entity: "bar",
      entityId: bar.id,
      action: "care factors",
      before: { use: row?.useFactor ?? USUAL_FACTORS.use, finish: row?.finishFactor ?? null },
      after: { use: useFactor, finish: finishFactor },
    });
    await replanCare(context);
    return { ok: true as const };
  });
}
