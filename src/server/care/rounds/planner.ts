import "server-only";
import { and, asc, eq, gte, inArray, lte, notInArray } from "drizzle-orm";
import { outOfUseText } from "@/core/bars/fitness";
import { clockText, outsideQuiet, readStaffHours, staffHoursText } from "@/core/care/staffHours";
import { groupBy } from "@/core/collections/groupBy";
import { weekdayOf } from "@/core/units/calendar";
import { type HallDay, addDays, daysBetween, hallClockAt, hallDayAt } from "@/core/units/hallDay";
import { inMany } from "@/data/inMany";
import { bars, carePlan, careRounds, classes, people, staffHours } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careCrew } from "@/server/care/log";
import { storedCareRules } from "@/server/care/planning";
import { compute } from "@/server/computing";
import {
  type Outcome,
  careTasksById,
  failed,
  forbidden,
  namesById,
  notFound,
  placesById,
  recordChange,
} from "@/server/kit";
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

export interface PlannedRound {
  id: string;
  version: number;
  day: HallDay;
  from: string;
  person: string;
  personId: string;
  minutes: number;
  /** By task, with the bars in the order they hang, and how many days late each is. */
  tasks: { key: string; name: string; bars: { tag: string; late: number }[] }[];
  /** Bars of it that may not be used now, each with why: nothing is done on them. */
  outOfUse: string[];
  lateness: number;
  /** When each job of it is due, for what a move does. */
  dues: HallDay[];
}

/** Whether somebody may know and set when a person is in. */
export const mayKnowHours = (context: Context, personId: string): boolean =>
  personId === context.actor.personId || may(context, "hours.of-others");

/** When everybody of the crew is in, as lines of text by person. */
export async function crewHours(context: Context): Promise<{ id: string; name: string; text: string }[]> {
  const [everybody, rows] = [
    await careCrew(context),
    await context.hall.rows(staffHours, { orderBy: [asc(staffHours.weekday), asc(staffHours.fromMinute)] }),
  ];
  // When others are in is for whoever makes the plan of it.
  const crew = everybody.filter(({ id }) => mayKnowHours(context, id));
  return crew.map(({ id, name }) => ({
    id,
    name,
    text: rows
      .filter(({ personId }) => personId === id)
      .map(staffHoursText)
      .join("\n"),
  }));
}

/**
 * Sets when somebody is in, week by week.
 *
 * @param was what the screen showed; hours that somebody else set since then are not overwritten.
 */
export async function saveStaffHours(
  context: Context,
  personId: string,
  text: string,
  was?: string,
): Promise<Outcome<object>> {
  if (!may(context, "care.plan")) return forbidden("plan rounds");
  if (!mayKnowHours(context, personId)) return forbidden("set the hours of others");
  const read = readStaffHours(text.slice(0, 2000));
  if (!read.ok) return failed("invalid", "The hours were not changed.", read.problems);
  if (!(await careCrew(context)).some(({ id }) => id === personId)) return notFound("such person in the crew");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold(`hours of ${personId}`);
    const now = (await crewHours(context)).find(({ id }) => id === personId)?.text ?? "";
    if (was !== undefined && now !== was.replaceAll("\r\n", "\n"))
      return failed(
        "stale",
        `Someone else changed these hours meanwhile: ${now === "" ? "none" : now.replaceAll("\n", ", ")}. Nothing was changed; what you typed is still here. Save again to overwrite.`,
        [],
      );
    await hall.remove(staffHours, eq(staffHours.personId, personId));
    await hall.insert(
      staffHours,
      read.hours.map((one) => ({ personId, ...one })),
    );
    await recordChange(context, {
      entity: "round",
      entityId: personId,
      action: "staff hours",
      after: { hours: read.hours.map(staffHoursText) },
    });
    return { ok: true as const };
  });
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
  const [learned, tasks, spans, held, due, inUse] = await Promise.all([
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
  ]);
  if (spans.length === 0)
    return failed("impossible", "Nobody's hours are known yet: say first when someone is in to do care.");
  const barOf = new Map(inUse.map((bar) => [bar.id, bar]));
  const known = due.flatMap(({ barId, taskId, dueOn, intervalDays }) => {
    const task = tasks.get(taskId);
    if (!task || !barOf.has(barId)) return [];
    return [
      {
        id: `${barId} ${taskId}`,
        barId,
        taskId,
        task: task.key,
        minutes: learned.get(task.key) ?? task.minutes,
        due: daysBetween(context.clock.today, dueOn),
        intervalDays,
      },
    ];
  });
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
      care: known,
      windows,
      setupMinutes: setupsOf([...tasks.values()].map(({ key }) => key)),
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
        items: items.map(({ barId, taskId, dueOn }) => ({ barId, taskId, dueOn })),
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
      unplaced: unplaced.map(({ barId, taskId, turn, dueOn }) => {
        const again = turn === 0 ? "" : ` (again by ${dueOn})`;
        return `${barOf.get(barId)!.tag}: ${tasks.get(taskId)!.name}${again}`;
      }),
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

/** Planned rounds from a day on, in the order they come; only one person's when asked. */
export async function plannedRounds(
  context: Context,
  { from, personId }: { from: HallDay; personId?: string | null },
): Promise<PlannedRound[]> {
  const { hall } = context;
  const rows = await hall.rows(careRounds, {
    where: and(gte(careRounds.day, from), personId ? eq(careRounds.personId, personId) : undefined),
    orderBy: [asc(careRounds.day), asc(careRounds.fromMinute)],
    limit: 400,
  });
  if (rows.length === 0) return [];
  const ids = [...new Set(rows.flatMap(({ items }) => items.map(({ barId }) => barId)))];
  const [tasks, names, places, own] = await Promise.all([
    careTasksById(hall),
    namesById(hall),
    placesById(hall),
    hall.rows(bars, { where: inArray(bars.id, ids) }),
  ]);
  const barOf = new Map(own.map((bar) => [bar.id, bar]));
  const orderOf = (barId: string) => places.get(barOf.get(barId)?.placeId ?? "")?.roundOrder ?? 999;
  return rows.map((row) => {
    const late = (dueOn: string) => Math.max(0, daysBetween(dueOn, row.day));
    const items = [...row.items].sort(
      (a, b) => orderOf(a.barId) - orderOf(b.barId) || (barOf.get(a.barId)!.tag < barOf.get(b.barId)!.tag ? -1 : 1),
    );
    const keys = [...new Set(items.map(({ taskId }) => taskId))];
    return {
      id: row.id,
      version: row.version,
      day: row.day,
      from: clockText(row.fromMinute),
      person: names.get(row.personId) ?? "somebody",
      personId: row.personId,
      minutes: row.minutes,
      tasks: keys.map((taskId) => ({
        key: tasks.get(taskId)?.key ?? taskId,
        name: tasks.get(taskId)?.name ?? "care",
        bars: items
          .filter((item) => item.taskId === taskId)
          .map(({ barId, dueOn }) => ({ tag: barOf.get(barId)!.tag, late: late(dueOn) })),
      })),
      outOfUse: [...new Set(items.map(({ barId }) => barId))].flatMap((id) => outOfUseText(barOf.get(id)!) ?? []),
      lateness: items.reduce((sum, { dueOn }) => sum + late(dueOn), 0),
      dues: items.map(({ dueOn }) => dueOn),
    };
  });
}

/** Rounds of today of which something is still to do. */
export async function roundsOfToday(context: Context): Promise<PlannedRound[]> {
  const { hall } = context;
  const { today } = context.clock;
  const rows = await hall.rows(careRounds, { where: eq(careRounds.day, today) });
  if (rows.length === 0) return [];
  const ids = [...new Set(rows.flatMap(({ items }) => items.map(({ barId }) => barId)))];
  const done = new Set(
    (await hall.rows(carePlan, { where: and(inMany(carePlan.barId, ids), eq(carePlan.lastDoneOn, today)) })).map(
      ({ barId, taskId }) => `${barId} ${taskId}`,
    ),
  );
  const open = new Set(
    rows.filter(({ items }) => items.some(({ barId, taskId }) => !done.has(`${barId} ${taskId}`))).map(({ id }) => id),
  );
  if (open.size === 0) return [];
  return (await plannedRounds(context, { from: today })).filter(({ id, day }) => day === today && open.has(id));
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

/** Whose hours are known, for calendars; names of people of the hall. */
export const crewOf = (context: Context) =>
  context.hall.rows(people, { where: inArray(people.role, ["manager", "coach", "care"]), orderBy: [asc(people.name)] });
