import "server-only";
import { and, desc, eq, isNull, ne, sql } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import { barCost, type BarCost, resaleMinor } from "@/core/buying/barCost";
import { readMoney } from "@/core/buying/money";
import { gradeBar } from "@/core/matching/match";
import { rankOf } from "@/core/matching/verdict";
import type { Problem } from "@/core/problem";
import { daysBetween, isHallDay } from "@/core/units/hallDay";
import { barRepairs, bars, careLog, lifterBars, logSets, runs } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { storedCareRules } from "@/server/care/planning";
import { type Outcome, careTasksById, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { buyingWorld } from "./world";

const YEAR_DAYS = 365.25;

/** What one bar has cost, and who would miss it. */
export interface BarCostItem extends BarCost {
  tag: string;
  name: string;
  priceMinor: number | null;
  careMinutes: number;
  repairsMinor: number;
  sessions: number;
  lastUsedOn: string | null;
  /** In service; a bar that is out goes to nobody, and brings nothing. */
  isUsable: boolean;
  resaleMinor: number;
  /** Lifts of people that would be worse off without it: "Back squat for Isla". */
  missed: { lift: string; person: string }[];
}

/** What bars have cost, the dearest by session first. */
export async function barCosts(context: Context): Promise<BarCostItem[]> {
  if (!may(context, "price.read")) return [];
  const { hall, clock } = context;
  const [rows, care, repairs, lifted, ran, used, tasks, { hourMinor }] = await Promise.all([
    hall.rows(bars, { where: and(ne(bars.state, "retired"), ne(bars.state, "on-order")) }),
    hall.summary(
      careLog,
      {
        ...{ barId: careLog.barId, taskId: careLog.taskId, jobs: sql<number>`count(*)::int` },
        timed: sql<number>`count(${careLog.minutes})::int`,
        minutes: sql<number>`coalesce(sum(${careLog.minutes}), 0)::float8`,
      },
      { where: isNull(careLog.undoneAt), groupBy: [careLog.barId, careLog.taskId] },
    ),
    hall.summary(
      barRepairs,
      { barId: barRepairs.barId, minor: sql<number>`sum(${barRepairs.minor})::float8` },
      { groupBy: [barRepairs.barId] },
    ),
    hall.summary(
      logSets,
      {
        barId: logSets.barId,
        days: sql<number>`count(distinct (${logSets.liftedOn}, ${logSets.lifterId}))::int`,
        last: sql<string>`max(${logSets.liftedOn})::text`,
      },
      { groupBy: [logSets.barId] },
    ),
    hall.summary(runs, { barId: runs.barId, count: sql<number>`count(*)::int` }, { groupBy: [runs.barId] }),
    hall.summary(
      lifterBars,
      { barId: lifterBars.barId, last: sql<string>`max(${lifterBars.lastUsedOn})::text` },
      { groupBy: [lifterBars.barId] },
    ),
    careTasksById(hall),
    storedCareRules(hall),
  ]);
  const missing = await missedWithout(context);
  return rows
    .map((row): BarCostItem => {
      const careMinutes = care
        .filter(({ barId }) => barId === row.id)
        .reduce((sum, one) => sum + one.minutes + (one.jobs - one.timed) * (tasks.get(one.taskId)?.minutes ?? 0), 0);
      const own = lifted.find(({ barId }) => barId === row.id);
      // A run that filled the log is a session of the log already.
      const sessions = Math.max(own?.days ?? 0, ran.find(({ barId }) => barId === row.id)?.count ?? 0);
      const lasts = [own?.last, used.find(({ barId }) => barId === row.id)?.last].filter((day) => day !== undefined);
      const lastUsedOn = lasts.sort().at(-1) ?? null;
      const years = row.boughtOn ? daysBetween(row.boughtOn, clock.today) / YEAR_DAYS : 0;
      const facts = {
        ...{ priceMinor: row.priceMinor, careMinutes, hourMinor: hourMinor ?? 0, sessions },
        repairsMinor: repairs.find(({ barId }) => barId === row.id)?.minor ?? 0,
        resaleMinor:
          row.priceMinor === null || !isUsable(row.state) ? 0 : resaleMinor(row.priceMinor, row.stock, years),
      };
      return {
        ...{
          tag: row.tag,
          name: row.name,
          lastUsedOn,
          isUsable: isUsable(row.state),
          missed: missing.get(row.tag) ?? [],
        },
        ...facts,
        ...barCost(facts),
      };
    })
    .sort((a, b) => (b.perSessionMinor ?? Infinity) - (a.perSessionMinor ?? Infinity) || (a.tag < b.tag ? -1 : 1));
}

/** By bar, lifts of people for whom no other bar is as good. */
async function missedWithout(context: Context): Promise<Map<string, BarCostItem["missed"]>> {
  const { bars: usable, wants, rules, today } = await buyingWorld(context);
  const missed = new Map<string, BarCostItem["missed"]>();
  const here = usable.filter(({ state }) => isUsable(state));
  for (const { lift, loadKg, lifter, personName } of wants) {
    const options = { ...(lifter ? { lifter } : {}), rules, today };
    const ranks = here.map((bar) => rankOf(gradeBar(bar, lift, loadKg, options)));
    const best = Math.min(...ranks);
    const firsts = here.filter((_, i) => ranks[i] === best);
    if (firsts.length !== 1) continue;
    const { tag } = firsts[0]!;
    missed.set(tag, [...(missed.get(tag) ?? []), { lift: lift.name, person: personName }]);
  }
  return missed;
}

/** Notes what a repair cost. */
export async function addRepair(
  context: Context,
  { tag, paidOn, amount, note }: { tag: string; paidOn: string; amount: string; note: string },
): Promise<Outcome<object>> {
  if (!may(context, "offer.edit")) return forbidden("note what repairs cost");
  const { actor, clock } = context;
  const problems: Problem[] = [];
  const read = readMoney(amount, actor.currency);
  if (!read.ok) problems.push({ path: "amount", message: `Amount: ${read.message}` });
  else if (read.money.currency !== actor.currency || read.money.minor === 0)
    problems.push({ path: "amount", message: `Amount: more than nothing, in ${actor.currency}` });
  if (!isHallDay(paidOn) || paidOn > clock.today)
    problems.push({ path: "paidOn", message: `Day: “${paidOn}” must be a day up to today` });
  if (note.trim() === "" || note.length > 200)
    problems.push({ path: "note", message: "For what: up to 200 characters" });
  if (!read.ok || problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, async (context) => {
    const bar = await context.hall.first(bars, { where: eq(bars.tag, tag), orderBy: [desc(bars.knownSince)] });
    if (!bar) return notFound(`bar ${tag}`);
    const [made] = await context.hall.insert(barRepairs, {
      ...{ barId: bar.id, paidOn, minor: read.money.minor, note: note.trim(), personId: actor.personId },
    });
    await recordChange(context, {
      ...{ entity: "repair", entityId: made!.id, action: "added", after: { tag, paidOn, minor: read.money.minor } },
    });
    return { ok: true as const };
  });
}

export const repairsOf = ({ hall }: Context, barId: string) =>
  hall.rows(barRepairs, { where: eq(barRepairs.barId, barId), orderBy: [desc(barRepairs.paidOn)] });
