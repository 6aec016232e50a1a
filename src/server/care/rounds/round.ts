import "server-only";
import { and, eq, gte, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { checkAnswers } from "@/core/care/checks";
import { learnedMinutes } from "@/core/care/learnedMinutes";
import type { RoundTouch } from "@/core/care/roundTouch";
import { groupBy } from "@/core/collections/groupBy";
import { type HallDay, addDays, daysBetween, hallDayAt } from "@/core/units/hallDay";
import { bars, careLog, carePlan, careRounds, careSkips, careTasks } from "@/data/schema";
import { type Context, inTransaction, isTablet, may } from "@/server/access";
import { type DueItem, careDueOn, careOfBars } from "@/server/care/due";
import { barToCareFor, checkedPhoto, keepFinding } from "@/server/care/findings";
import { checkBar, checkLacks } from "@/server/care/inspections";
import { logDone } from "@/server/care/log";
import { stationJobs } from "@/server/equipment";
import {
  type Outcome,
  careTasksById,
  failed,
  forbidden,
  idempotent,
  namesById,
  notFound,
  recordChange,
} from "@/server/kit";

/** One bar on a round with what is due on it, in the order bars hang. */
export interface RoundStop {
  tag: string;
  barName: string;
  place: string | null;
  state: string;
  tasks: {
    key: string;
    name: string;
    steps: string[];
    cautions: string[];
    reason: string;
    overdueDays: number;
    skipped: string | null;
    /** Of a check: what it may find, the good answer first. */
    answers: { key: string; name: string; isSound: boolean }[];
  }[];
  /** By what was learnt of such tasks. */
  minutes: number;
}

export interface RoundView {
  day: HallDay;
  stops: RoundStop[];
  /** Bars that wait beyond these. */
  beyond: number;
  minutes: number;
  /** What to take along. */
  materials: string[];
}

/** A station on a planned round with the parts that are still to be looked at. */
export interface RoundStations {
  key: string;
  name: string;
  parts: string[];
}

/** More than anybody walks past in one go; the rest comes with the next. */
const MAX_STOPS = 60;

/** What is due on a day as a walk past the bars; of some tasks or all. */
export async function roundOf(
  context: Context,
  { task, day }: { task: string | null; day: HallDay },
): Promise<RoundView> {
  const { hall } = context;
  const [due, learned, skips, tasks] = await Promise.all([
    careDueOn(context, day, task ?? undefined),
    minutesLearned(context),
    hall.rows(careSkips, { where: eq(careSkips.skippedOn, context.clock.today) }),
    careTasksById(hall),
  ]);
  return asRound({ day, items: due, skips, learned, tasks });
}

/**
 * A planned round as a walk past its bars: what was planned for it, due or not yet, without what was done since it was
 * planned. Bars that may not be used are left out.
 *
 * @returns null when there is no such round
 */
export async function plannedRoundOf(
  context: Context,
  id: string,
): Promise<(RoundView & { person: string; stations: RoundStations[] }) | null> {
  const { hall } = context;
  const row = /^[0-9a-f-]{36}$/.test(id) ? await hall.first(careRounds, { where: eq(careRounds.id, id) }) : null;
  if (!row) return null;
  const ofBars = row.items.flatMap((one) => ("barId" in one ? [one] : []));
  const ofStations = row.items.flatMap((one) => ("stationId" in one ? [one] : []));
  const [all, learned, skips, tasks, names, looks] = await Promise.all([
    careOfBars(
      context,
      ofBars.map(({ barId }) => barId),
    ),
    minutesLearned(context),
    hall.rows(careSkips, { where: eq(careSkips.skippedOn, context.clock.today) }),
    careTasksById(hall),
    namesById(hall),
    ofStations.length > 0 ? stationJobs(context) : [],
  ]);
  const asked = new Map(ofStations.map(({ stationId, part, dueOn }) => [`${stationId} ${part}`, dueOn]));
  // Looked at since it was planned, it comes with the next round.
  const open = looks.filter(({ stationId, part, dueOn, intervalDays }) => {
    const wasDue = asked.get(`${stationId} ${part}`);
    return wasDue !== undefined && daysBetween(wasDue, dueOn) <= intervalDays / 2;
  });
  const planned = new Map(ofBars.map(({ barId, taskId, dueOn }) => [`${barId} ${tasks.get(taskId)?.key}`, dueOn]));
  const items = all.filter(({ barId, task, dueOn, lastDoneOn }) => {
    const wasDue = planned.get(`${barId} ${task}`);
    if (wasDue === undefined) return false;
    // Done since it was planned, its next day lies well beyond the one it was planned for.
    const interval = lastDoneOn === null ? 0 : daysBetween(lastDoneOn, dueOn);
    return daysBetween(wasDue, dueOn) <= interval / 2;
  });
  return {
    ...asRound({ day: row.day, items, skips, learned, tasks }),
    person: names.get(row.personId) ?? "someone",
    stations: [...groupBy(open, ({ station }) => station)].map(([key, parts]) => ({
      ...{ key, name: parts[0]!.name },
      parts: parts.map(({ partName }) => partName),
    })),
  };
}

interface ToWalk {
  day: HallDay;
  items: readonly DueItem[];
  skips: readonly (typeof careSkips.$inferSelect)[];
  learned: ReadonlyMap<string, number>;
  tasks: Awaited<ReturnType<typeof careTasksById>>;
}

function asRound({ day, items: due, skips, learned, tasks }: ToWalk): RoundView {
  const skipped = new Map(skips.map(({ barId, taskId, reason }) => [`${barId} ${tasks.get(taskId)?.key}`, reason]));
  const items = due
    .filter((item) => item.state !== "quarantined")
    .sort((a, b) => a.placeOrder - b.placeOrder || (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0));
  const taskOf = new Map([...tasks.values()].map((one) => [one.key, one]));
  const stops: RoundStop[] = [];
  for (const item of items) {
    const last = stops.at(-1);
    const stop = last?.tag === item.tag ? last : newStop(item);
    if (stop !== last) stops.push(stop);
    stop.tasks.push({
      key: item.task,
      name: item.taskName,
      steps: item.steps,
      cautions: taskOf.get(item.task)?.cautions ?? [],
      reason: item.reason,
      overdueDays: item.overdueDays,
      skipped: skipped.get(`${item.barId} ${item.task}`) ?? null,
      answers: checkAnswers(item.task, item.family).map(({ key, name, isSound }) => ({ key, name, isSound })),
    });
    stop.minutes += learned.get(item.task) ?? item.minutes;
  }
  const beyond = Math.max(0, stops.length - MAX_STOPS);
  stops.splice(MAX_STOPS);
  return {
    day,
    stops,
    beyond,
    minutes: stops.reduce((sum, { minutes }) => sum + minutes, 0),
    materials: [...new Set(items.flatMap((item) => taskOf.get(item.task)?.materials ?? []))],
  };
}

const newStop = ({ tag, barName, place, state }: DueItem): RoundStop => ({
  tag,
  barName,
  place,
  state,
  tasks: [],
  minutes: 0,
});

/** Minutes that a task takes by what it took lately; starts from what the task says. */
export async function minutesLearned(context: Context): Promise<Map<string, number>> {
  const { hall } = context;
  const [tasks, took] = await Promise.all([
    careTasksById(hall),
    hall.summary(
      careLog,
      {
        taskId: careLog.taskId,
        count: sql<number>`count(*)::int`,
        total: sql<number>`sum(${careLog.minutes})::float8`,
      },
      {
        where: and(
          isNotNull(careLog.minutes),
          isNull(careLog.undoneAt),
          gte(careLog.doneOn, addDays(context.clock.today, -120)),
        ),
        groupBy: [careLog.taskId],
      },
    ),
  ]);
  const byTask = new Map(took.map((row) => [row.taskId, row]));
  return new Map(
    [...tasks.values()].map((task) => {
      const { count = 0, total = 0 } = byTask.get(task.id) ?? {};
      return [task.key, learnedMinutes(task.minutes, count, total)];
    }),
  );
}

/** Two touches within seconds are ticks, not work. Common practice, no source. */
const MIN_WORK_MINUTES = 0.25;

/** Minutes a task took, where the time between two touches can be work at all. */
const workedMinutes = (minutes: number | undefined, tasks: number): number | null =>
  minutes === undefined || minutes / tasks < MIN_WORK_MINUTES ? null : minutes / tasks;

/** Carries out one touch, once, however often it is sent; a round is the day's on which it was made. */
export async function touchRound(
  context: Context,
  touch: RoundTouch,
): Promise<Outcome<{ kind: RoundTouch["kind"]; tag: string }>> {
  if (!may(context, "care.tick")) return forbidden("tick off care");
  const note = (touch.note ?? "").trim();
  if (touch.kind !== "done" && note === "")
    return failed("invalid", "Not saved.", [
      { path: "note", message: touch.kind === "skip" ? "Say why not now." : "Say what is wrong." },
    ]);
  const photo = touch.photo ? await checkedPhoto(context, touch.photo) : null;
  if (photo && !photo.ok) return photo;
  // A tablet's clock may run ahead; nothing is done tomorrow.
  const made = new Date(touch.madeAt);
  const day = hallDayAt(made, context.actor.timeZone);
  const doneOn = day > context.clock.today ? context.clock.today : day;
  return inTransaction(context, (context) =>
    idempotent(context, touch.key, "care.round", async () => {
      const bar = await barToCareFor(context.hall, touch.tag);
      if (!bar) return notFound(`bar ${touch.tag} to care for`);
      if (touch.kind === "wrong") {
        await keepFinding(context, bar, {
          ...{ note, photo: photo?.ok ? photo : null, foundAt: made },
          zone: touch.zone ?? null,
        });
        return { ok: true as const, kind: touch.kind, tag: touch.tag };
      }
      const tasks = await context.hall.rows(careTasks, {
        where: inArray(careTasks.key, touch.tasks.length > 0 ? touch.tasks : [""]),
      });
      if (tasks.length === 0) return notFound(`task "${touch.tasks.join(", ")}"`);
      // Nothing is saved of a bar whose checks have no result.
      const checks = touch.kind === "done" ? tasks.filter(({ key }) => checkAnswers(key, bar.family).length > 0) : [];
      const results: Record<string, string | undefined> = {};
      if (checks.length > 0) {
        const isSound = checks.every(({ key }) =>
          checkAnswers(key, bar.family).some((answer) => answer.isSound && answer.key === touch.results?.[key]),
        );
        // What takes a bar out is somebody's word, and not a tablet's.
        if (!isSound && isTablet(context))
          return failed(
            "forbidden",
            "Not saved: this may take the bar out. Choose your name and type your PIN first.",
            [{ path: "as", message: "Who found it?" }],
          );
        const lacks = checkLacks(bar, Object.fromEntries(checks.map(({ key }) => [key, touch.results?.[key]])));
        if (lacks) return lacks;
        // Its state may follow: the bar is held before its plan, as everywhere.
        await context.hall.first(bars, { where: eq(bars.id, bar.id), forUpdate: true });
      }
      for (const task of tasks) {
        if (touch.kind === "skip") {
          await context.hall.insert(careSkips, {
            barId: bar.id,
            taskId: task.id,
            skippedOn: doneOn,
            at: context.clock.now(),
            reason: note,
            personId: context.actor.personId,
          });
          continue;
        }
        const planned = await context.hall.first(carePlan, {
          where: and(eq(carePlan.barId, bar.id), eq(carePlan.taskId, task.id)),
          forUpdate: true,
        });
        // Two people may tick the same bar: the second changes nothing.
        if (!planned || planned.lastDoneOn === doneOn) continue;
        if (checks.includes(task)) {
          results[task.key] = touch.results?.[task.key];
          continue;
        }
        const done = await logDone(context, bar, task, {
          doneOn,
          doneBy: context.actor.personId,
          note,
          minutes: workedMinutes(touch.minutes, tasks.length),
        });
        await recordChange(context, {
          entity: "care-log",
          entityId: done.logId,
          action: "done",
          before: { dueOn: planned.dueOn },
          after: { dueOn: done.dueOn, tag: bar.tag, task: task.key, doneOn },
        });
      }
      if (Object.keys(results).length > 0)
        await checkBar(context, {
          ...{ bar, results, doneOn, note },
          doneBy: context.actor.personId,
          minutes: workedMinutes(touch.minutes, tasks.length),
        });
      return { ok: true as const, kind: touch.kind, tag: touch.tag };
    }),
  );
}
