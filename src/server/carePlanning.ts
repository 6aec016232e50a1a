import "server-only";
import { and, asc, desc, eq, gte, isNotNull, isNull, lte, ne, sql } from "drizzle-orm";
import type { CareHouse, MeterHouse } from "@/core/care/careDue";
import { ClimateClock } from "@/core/care/climateClock";
import { classFactor, climateFactor } from "@/core/care/climateFactor";
import { CARE_RULES, CHALK_LEFT_FACTOR, factorOfUse, USUAL_FACTORS, type CareRule } from "@/core/care/needMeter";
import type { StaffHours } from "@/core/care/staffHours";
import { INSPECTION_LIMITS, type InspectionLimits } from "@/core/care/inspection";
import type { PlannedClass } from "@/core/classes/planClass";
import { rulesFrom, type MatchingRules } from "@/core/matching/houseRules";
import { addDays, daysBetween, hallDayAt, type HallDay } from "@/core/units/hallDay";
import type { BarRow } from "@/data/barRows";
import { carePlanRow } from "@/data/carePlanRows";
import type { HallDb } from "@/data/hallDb";
import {
  barCare,
  bars,
  careFindings,
  careLog,
  carePlan,
  careTasks,
  classes,
  climateDays,
  climateSensors,
  houseRules,
  lifterBars,
  places,
  runs,
} from "@/data/schema";
import type { Context } from "./access/context";

/** Under this the house's rules for matching, loading and care are stored. */
export const MATCHING_KEY = "matching";
/** Under this the house's rules for care are stored. */
export const CARE_KEY = "care";

/** The house's rules as they stand; inside a transaction it sees what the transaction wrote. */
export async function storedRules(hall: HallDb): Promise<MatchingRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, MATCHING_KEY) });
  return { ...rulesFrom(row?.value), version: row?.version ?? 0 };
}

/** By which rule care is due, and by which limits an inspection is judged. */
export interface CareRules {
  rule: CareRule;
  limits: InspectionLimits;
  /** What an hour of care costs, in minor units; null where the house did not say. */
  hourMinor: number | null;
  /** When no round may be, week by week; classes are quiet by themselves. */
  quiet: StaffHours[];
}

/** The house's rules for care; a house that decided nothing goes by the calendar. */
export async function storedCareRules(hall: HallDb): Promise<CareRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, CARE_KEY) });
  return { ...careRulesFrom(row?.value), version: row?.version ?? 0 };
}

/** Rules for care as stored; what is missing or not understood is as a house starts. */
export function careRulesFrom(saved: unknown): CareRules {
  const value = (saved ?? {}) as Record<string, unknown>;
  const limits = (value.limits ?? {}) as Record<string, unknown>;
  const isNumber = (one: unknown, most: number) => typeof one === "number" && one >= 0 && one <= most;
  const hours = Array.isArray(value.quiet) ? (value.quiet as Partial<StaffHours>[]) : [];
  return {
    rule: CARE_RULES.find((rule) => rule === value.rule) ?? "calendar",
    limits: Object.fromEntries(
      Object.entries(INSPECTION_LIMITS).map(([key, start]) => [key, isNumber(limits[key], 100) ? limits[key] : start]),
    ) as unknown as InspectionLimits,
    hourMinor: isNumber(value.hourMinor, 1_000_000) ? (value.hourMinor as number) : null,
    quiet: hours.filter(
      (one): one is StaffHours =>
        isNumber(one.weekday, 7) && isNumber(one.fromMinute, 1439) && isNumber(one.toMinute, 1440),
    ),
  };
}

/** What the house decides about care. */
export async function careHouse(context: Context): Promise<CareHouse> {
  const { hall } = context;
  const [{ schools }, { rule }] = [await storedRules(hall), await storedCareRules(hall)];
  return {
    climate: context.actor.climateClass,
    isAllRoundBusiest: schools.bars === "one-all-round",
    meter: rule === "calendar" ? null : await meterHouse(context, rule),
  };
}

/* Asked one after the other: within a transaction there is one connection. */

/** So far back need is counted, and so far ahead it is forecast. */
const DAYS_BACK = 800;
const DAYS_AHEAD = 800;
/** Uses of the last weeks, and of what is planned, make a bar busy. */
const USE_BACK = 28;
const USE_AHEAD = 14;

/** Everything the need meter goes by: the clock of each place, and what is particular to each bar. */
export async function meterHouse(context: Context, rule: Exclude<CareRule, "calendar">): Promise<MeterHouse> {
  const { hall } = context;
  const first = addDays(context.clock.today, -DAYS_BACK);
  const [sensors, days, where, own, uses, findings] = [
    await hall.rows(climateSensors, { orderBy: [asc(climateSensors.key)] }),
    await hall.rows(climateDays, {
      where: and(gte(climateDays.day, first), lte(climateDays.day, context.clock.today)),
    }),
    await hall.rows(places),
    await hall.rows(barCare),
    await usesByBar(context),
    await hall.rows(careFindings, { where: isNull(careFindings.settledAt), orderBy: [asc(careFindings.foundAt)] }),
  ];
  const fallback = classFactor(context.actor.climateClass);
  const clocks = new Map(
    sensors.map(({ id, key }) => {
      const factors: (number | null)[] = Array.from({ length: DAYS_BACK + 1 }, () => null);
      for (const one of days)
        if (one.sensorId === id) factors[daysBetween(first, one.day)] = climateFactor(one.rateUmPerYear);
      return [key, new ClimateClock(first, factors, DAYS_BACK + DAYS_AHEAD, fallback)];
    }),
  );
  const usual = clocks.get(sensors[0]?.key ?? "") ?? new ClimateClock(first, [], DAYS_BACK + DAYS_AHEAD, fallback);
  const sensorOf = new Map(where.map(({ id, sensorKey }) => [id, sensorKey]));
  const byBar = new Map(own.map((row) => [row.barId, row]));
  const total = [...uses.values()].reduce((sum, n) => sum + n, 0);
  const mean = uses.size === 0 ? 0 : total / uses.size;
  const asked = new Map<string, { on: HallDay; because: string }>();
  for (const { barId, foundAt, note } of findings)
    asked.set(barId, { on: hallDayAt(foundAt, context.actor.timeZone), because: `found: ${note}` });
  return {
    rule,
    today: context.clock.today,
    clockOf: (placeId) => clocks.get(sensorOf.get(placeId ?? "") ?? "") ?? usual,
    factorsOf: (barId) => {
      const set = byBar.get(barId);
      return {
        ...USUAL_FACTORS,
        use: set?.useFactor ?? factorOfUse(uses.get(barId) ?? 0, mean, total),
        isUseSet: set?.useFactor != null,
        chalk: set?.chalkSeenOn ? CHALK_LEFT_FACTOR : 1,
        finish: set?.finishFactor ?? null,
      };
    },
    askedOf: (barId) => {
      const chalk = byBar.get(barId)?.chalkSeenOn;
      return asked.get(barId) ?? (chalk ? { on: chalk, because: "chalk was left on it" } : null);
    },
  };
}

/**
 * How often each bar was used lately or is planned to be: places in classes, sessions run, and lifters who are known to
 * have used it. Every bar in use has an entry.
 */
export async function usesByBar({ hall, clock }: Pick<Context, "hall" | "clock">): Promise<Map<string, number>> {
  const [inUse, held, ran, lifted] = [
    await hall.summary(
      bars,
      { id: bars.id, tag: bars.tag },
      { where: sql`${bars.state} not in ('retired', 'on-order')`, groupBy: [bars.id, bars.tag] },
    ),
    await hall.rows(classes, {
      where: and(
        isNotNull(classes.plan),
        gte(classes.heldOn, addDays(clock.today, -USE_BACK)),
        lte(classes.heldOn, addDays(clock.today, USE_AHEAD)),
      ),
    }),
    await hall.summary(
      runs,
      { barId: runs.barId, count: sql<number>`count(*)::int` },
      { where: gte(runs.startedAt, new Date(clock.now().getTime() - USE_BACK * 86_400_000)), groupBy: [runs.barId] },
    ),
    await hall.summary(
      lifterBars,
      { barId: lifterBars.barId, count: sql<number>`count(*)::int` },
      { where: gte(lifterBars.lastUsedOn, addDays(clock.today, -USE_BACK)), groupBy: [lifterBars.barId] },
    ),
  ];
  const uses = new Map(inUse.map(({ id }) => [id, 0]));
  const idOf = new Map(inUse.map(({ id, tag }) => [tag, id]));
  const add = (id: string | undefined, count: number) => {
    if (id !== undefined && uses.has(id)) uses.set(id, uses.get(id)! + count);
  };
  for (const { plan } of held)
    for (const { tag } of (plan as PlannedClass).entries) if (tag !== null) add(idOf.get(tag), 1);
  for (const { barId, count } of [...ran, ...lifted]) add(barId, count);
  return uses;
}

/** Care follows from family, finish and sleeves: sets the plan of every task that this bar needs, and drops the rest. */
export async function planCare(hall: HallDb, house: CareHouse, row: BarRow): Promise<void> {
  for (const task of await hall.rows(careTasks)) {
    const latest = await hall.first(careLog, {
      where: and(eq(careLog.barId, row.id), eq(careLog.taskId, task.id), isNull(careLog.undoneAt)),
      orderBy: [desc(careLog.doneOn), desc(careLog.enteredAt)],
    });
    const plan = carePlanRow(row, task, house, latest?.doneOn ?? null);
    if (plan) await hall.put(carePlan, [carePlan.barId, carePlan.taskId], plan);
    else await hall.remove(carePlan, and(eq(carePlan.barId, row.id), eq(carePlan.taskId, task.id)));
  }
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
  const last = new Map(known.map(({ barId, taskId, lastDoneOn }) => [`${barId} ${taskId}`, lastDoneOn]));
  const plan = rows.flatMap((row) =>
    tasks.flatMap((task) => carePlanRow(row, task, house, last.get(`${row.id} ${task.id}`) ?? null) ?? []),
  );
  await hall.putMany(carePlan, [carePlan.barId, carePlan.taskId], plan);
  return plan.length;
}
