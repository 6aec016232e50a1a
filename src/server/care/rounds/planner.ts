import "server-only";
import { and, asc, eq, gte, lte, notInArray } from "drizzle-orm";
import { outsideQuiet, staffHoursText } from "@/core/care/staffHours";
import { groupBy } from "@/core/collections/groupBy";
import { weekdayOf } from "@/core/units/calendar";
import { type HallDay, addDays, daysBetween, hallClockAt, hallDayAt } from "@/core/units/hallDay";
import { bars, carePlan, careRounds, classes, staffHours, type RoundItem } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { storedCareRules } from "@/server/care/planning";
import { compute } from "@/server/computing";
import { stationJobs } from "@/server/equipment";
import { type Outcome, careTasksById, failed, forbidden, namesById, notFound, recordChange } from "@/server/kit";
import { minutesLearned } from "./round";

/** Whoever plans four weeks waits for it; on a busy machine that takes a while. */
const PLAN_MS = 60_000;

/** Rounds are planned so far ahead. */
export const PLAN_DAYS = 28;

/** Getting ready, once a round: fetching oil and brush; for sleeves also turning every bar over. */
const SETUP_MINUTES: Record<string, number> = { sleeves: 3 };

const USUAL_SETUP = 1;

/** Care may come so much before its day, as a share of its interval. */
const EARLY_SHARE = 0.35;

/** One job as it comes round: care of a bar, or a look at a part of a station. */
interface Job {
  id: string;
  /** Whatever is got ready once a round for all of them. */
  task: string;
  minutes: number;
  /** Days from today. */
  due: number;
  intervalDays: number;
  item: (dueOn: HallDay) => RoundItem;
  words: string;
}

export interface PlanResult {
  jobs: number;
  lateness: number;
  /** Days of it that had passed before today: nobody can mend them. */
  already: number;
  rounds: number;
  /** What fits into nobody's hours, in words. */
  unplaced: string[];
}

/**
 * Packs what is due in the next four weeks, as often as it comes round, into the crew's hours, around classes, and keeps
 * it in place of what was planned from today on: least lateness first, then fewest rounds. What fits nowhere is said.
 */
export async function planRounds(context: Context): Promise<Outcome<PlanResult>> {
  if (!may(context, "care.plan")) return forbidden("plan rounds");
  const { hall } = context;
  const [learned, tasks, spans, held, due, inUse, looks] = await Promise.all([
    minutesLearned(context),
    careTasksById(hall),
    hall.rows(staffHours),
    hall.rows(classes, {
      where: and(
        gte(classes.heldOn, context.clock.today),
        lte(classes.heldOn, addDays(context.clock.today, PLAN_DAYS)),
      ),
    }),
    hall.rows(carePlan, { where: lte(carePlan.dueOn, addDays(context.clock.today, PLAN_DAYS)) }),
    hall.rows(bars, { where: notInArray(bars.state, ["retired", "on-order", "quarantined"]) }),
    stationJobs(context),
  ]);
  if (spans.length === 0)
    return failed("impossible", "Nobody's hours are known yet: say first when someone is in to do care.");
  const barOf = new Map(inUse.map((bar) => [bar.id, bar]));
  const ofBars = due.flatMap(({ barId, taskId, dueOn, intervalDays }): Job[] => {
    const task = tasks.get(taskId);
    if (!task || !barOf.has(barId)) return [];
    return [
      {
        id: `${barId} ${taskId}`,
        task: task.key,
        minutes: learned.get(task.key) ?? task.minutes,
        due: daysBetween(context.clock.today, dueOn),
        intervalDays,
        item: (dueOn) => ({ barId, taskId, dueOn }),
        words: `${barOf.get(barId)!.tag}: ${task.name}`,
      },
    ];
  });
  const ofStations = looks.map(({ stationId, name, part, partName, minutes, dueOn, intervalDays }): Job => ({
    ...{ id: `${stationId} ${part}`, task: `station ${part}`, minutes, intervalDays },
    due: daysBetween(context.clock.today, dueOn),
    item: (dueOn) => ({ stationId, part, dueOn }),
    words: `${name}: ${partName}`,
  }));
  const known = [...ofBars, ...ofStations];
  const house = await storedCareRules(hall);
  // Of today only what is left of it.
  const now = context.clock.now();
  const [h, m] = hallClockAt(now, context.actor.timeZone).split(":").map(Number);
  const past = hallDayAt(now, context.actor.timeZone) === context.clock.today ? 60 * h! + m! : 0;
  const windows = Array.from({ length: PLAN_DAYS }, (_, day) => {
    const on = addDays(context.clock.today, day);
    const weekday = weekdayOf(on);
    const quiet = held
      .filter(({ heldOn }) => heldOn === on)
      .map(({ startsAt, blocks, blockMinutes }) => {
        const [hours, minutes] = startsAt.split(":").map(Number);
        const fromMinute = 60 * hours! + minutes!;
        return { fromMinute, toMinute: fromMinute + blocks * blockMinutes };
      });
    for (const one of house.quiet) if (one.weekday === weekday) quiet.push(one);
    if (day === 0 && past > 0) quiet.push({ fromMinute: 0, toMinute: past });
    return spans
      .filter((one) => one.weekday === weekday)
      .flatMap((one) =>
        outsideQuiet(one, quiet).map(({ fromMinute, toMinute }) => ({
          id: `${day} ${one.personId} ${fromMinute}`,
          day,
          on,
          personId: one.personId,
          fromMinute,
          minutes: toMinute - fromMinute,
        })),
      );
  }).flat();
  const packed = await compute(
    context,
    "careTurns",
    {
      care: known.map(({ id, task, minutes, due, intervalDays }) => ({ id, task, minutes, due, intervalDays })),
      windows,
      setupMinutes: setupsOf(known.map(({ task }) => task)),
      horizon: PLAN_DAYS,
      earlyShare: EARLY_SHARE,
    },
    { ms: PLAN_MS },
  );
  const jobs = packed.turns.map(({ care, turn, due, windowId }) => ({
    ...known[care]!,
    turn,
    windowId,
    dueOn: addDays(context.clock.today, due),
  }));
  const unplaced = jobs.filter(({ windowId }) => windowId === null);
  const byWindow = groupBy(jobs, ({ windowId }) => windowId);
  const rounds = windows.flatMap((window) => {
    const items = byWindow.get(window.id);
    return items === undefined ? [] : [{ window, items }];
  });
  return inTransaction(context, async (context) => {
    const { hall: own } = context;
    await own.remove(careRounds, gte(careRounds.day, context.clock.today));
    await own.insert(
      careRounds,
      rounds.map(({ window, items }) => ({
        personId: window.personId,
        day: window.on,
        fromMinute: window.fromMinute,
        minutes: roundMinutes(items),
        items: items.map(({ item, dueOn }) => item(dueOn)),
        updatedAt: context.clock.now(),
      })),
    );
    await recordChange(context, {
      entity: "round",
      entityId: context.actor.personId,
      action: "planned",
      after: { jobs: jobs.length, rounds: rounds.length, lateness: packed.lateness, unplaced: unplaced.length },
    });
    return {
      ok: true as const,
      jobs: jobs.length,
      lateness: packed.lateness,
      already: known.reduce((sum, { due: day }) => sum + Math.max(0, -day), 0),
      rounds: rounds.length,
      unplaced: unplaced.map(({ words, turn, dueOn }) => (turn === 0 ? words : `${words} (again by ${dueOn})`)),
    };
  });
}

const setupsOf = (keys: readonly string[]) =>
  Object.fromEntries(keys.map((key) => [key, SETUP_MINUTES[key] ?? USUAL_SETUP]));

function roundMinutes(items: readonly { task: string; minutes: number }[]): number {
  const setups = setupsOf([...new Set(items.map(({ task }) => task))]);
  return items.reduce(
    (sum, { minutes }) => sum + minutes,
    Object.values(setups).reduce((sum, one) => sum + one, 0),
  );
}

/** Moves a round to another day: what that does to lateness is answered, and kept in the history. */
export async function moveRound(
  context: Context,
  { id, day, version, isSure = false }: { id: string; day: HallDay; version: number; isSure?: boolean },
): Promise<Outcome<{ before: number; after: number }>> {
  if (!may(context, "care.plan")) return forbidden("plan rounds");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such round");
  if (
    !/^\d{4}-\d\d-\d\d$/.test(day) ||
    day < context.clock.today ||
    daysBetween(context.clock.today, day) > 2 * PLAN_DAYS
  )
    return failed("invalid", "The round was not moved.", [{ path: "day", message: "Choose a day of the next weeks." }]);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(careRounds, { where: eq(careRounds.id, id), forUpdate: true });
    if (!row) return notFound("such round");
    if (row.version !== version)
      return failed("stale", `Someone else moved this round meanwhile: it is on ${row.day} now.`);
    const missing = isSure ? null : await notIn(context, row, day);
    if (missing) return failed("impossible", missing, [{ path: "isSure", message: missing }]);
    const late = (on: HallDay) => row.items.reduce((sum, { dueOn }) => sum + Math.max(0, daysBetween(dueOn, on)), 0);
    await hall.update(careRounds, eq(careRounds.id, id), { day, version: version + 1, updatedAt: context.clock.now() });
    await recordChange(context, {
      entity: "round",
      entityId: id,
      action: "moved",
      before: { day: row.day, lateness: late(row.day) },
      after: { day, lateness: late(day) },
    });
    return { ok: true as const, before: late(row.day), after: late(day) };
  });
}

/** That the person of a round is not in at its time on a day, in a sentence; null when they are, or nobody said when. */
async function notIn(
  context: Context,
  { personId, fromMinute, minutes }: typeof careRounds.$inferSelect,
  day: HallDay,
): Promise<string | null> {
  const { hall } = context;
  const own = await hall.rows(staffHours, {
    where: eq(staffHours.personId, personId),
    orderBy: [asc(staffHours.weekday), asc(staffHours.fromMinute)],
  });
  const weekday = weekdayOf(day);
  const isIn = own.some(
    (one) => one.weekday === weekday && one.fromMinute <= fromMinute && one.toMinute >= fromMinute + minutes,
  );
  if (own.length === 0 || isIn) return null;
  const name = (await namesById(hall)).get(personId) ?? "Their person";
  return `${name} is not in then. In: ${own.map(staffHoursText).join(", ")}.`;
}
