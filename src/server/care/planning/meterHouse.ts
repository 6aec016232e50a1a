import "server-only";
import { and, asc, gte, isNull, lte, sql } from "drizzle-orm";
import type { CareHouse, MeterHouse } from "@/core/care/careDue";
import { ClimateClock } from "@/core/care/climateClock";
import { classFactor, climateFactor, nearestClass } from "@/core/care/climateFactor";
import { corrosionRate } from "@/core/care/corrosion";
import { CHALK_LEFT_FACTOR, type CareRule, USUAL_FACTORS, factorOfUse, usualUseOf } from "@/core/care/needMeter";
import { type HallDay, addDays, daysBetween, hallDayAt } from "@/core/units/hallDay";
import { barCare, careFindings, climateDays, climateSensors, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { storedRules } from "@/server/rules";
import { storedCareRules } from "./storedCareRules";
import { USE_WEEKS, usesByBar } from "./uses";

/** What the house decides about care. */
export async function careHouse(context: Context): Promise<CareHouse> {
  const { hall } = context;
  const [{ policies }, { rule, climate }] = [await storedRules(hall), await storedCareRules(hall)];
  const usual = climate ?? context.actor.climateClass;
  return {
    climate: typeof usual === "string" ? usual : nearestClass(usual),
    isAllRoundBusiest: policies.bars === "one-all-round",
    meter: rule === "calendar" ? null : await meterHouse(context, rule),
  };
}

/* Asked one after the other: within a transaction there is one connection. */

/** So far back need is counted, and so far ahead it is forecast. */
const DAYS_BACK = 800;

const DAYS_AHEAD = 800;

/** The newest thing found wrong with each bar and not resolved; not the rest of them, nor their photos. */
const lastFindings = (hall: Context["hall"]) =>
  hall.summary(
    careFindings,
    {
      barId: careFindings.barId,
      foundAt: sql<string>`max(${careFindings.foundAt})`,
      note: sql<string>`(array_agg(${careFindings.note} order by ${careFindings.foundAt} desc))[1]`,
    },
    { where: isNull(careFindings.settledAt), groupBy: [careFindings.barId] },
  );

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
    await lastFindings(hall),
  ];
  const air = (await storedCareRules(hall)).climate ?? context.actor.climateClass;
  const fallback = typeof air === "string" ? classFactor(air) : climateFactor(corrosionRate(air));
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
  const usualUse = usualUseOf([...uses.values()], USE_WEEKS);
  const asked = new Map<string, { on: HallDay; because: string }>();
  for (const { barId, foundAt, note } of findings)
    asked.set(barId, { on: hallDayAt(new Date(foundAt), context.actor.timeZone), because: `found: ${note}` });
  return {
    rule,
    today: context.clock.today,
    clockOf: (placeId) => clocks.get(sensorOf.get(placeId ?? "") ?? "") ?? usual,
    factorsOf: (barId) => {
      const set = byBar.get(barId);
      return {
        ...USUAL_FACTORS,
        use: set?.useFactor ?? factorOfUse(uses.get(barId) ?? 0, USE_WEEKS, usualUse),
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
