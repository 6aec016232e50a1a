import "server-only";
import { and, asc, desc, eq, gte, lt, sql } from "drizzle-orm";
import { cache } from "react";
import { climateDay, steelReadings, type ClimateReading, type SteelReading } from "@/core/care/climateDay";
import { simulatedClimate } from "@/core/care/simulatedClimate";
import { hallDayAt, type HallDay } from "@/core/units/hallDay";
import type { HallDb } from "@/data/hallDb";
import { climateDays, climateReadings, climateSensors } from "@/data/schema";
import { replanCare, storedCareRules } from "./carePlanning";
import { recordChange } from "./history";
import { failed, forbidden, notFound, type Outcome, type Problem } from "./outcome";
import { may } from "./access/permissions";
import { inTransaction, type Context } from "./access/context";

export type SensorRow = typeof climateSensors.$inferSelect;
export type ClimateDayRow = typeof climateDays.$inferSelect;

const HOUR = 3_600_000;
/** A simulated sensor that was not asked for long catches up no further than this. */
const MOST_CATCH_UP_HOURS = 400 * 24;

/** Places whose air is read, by short name. */
export const listSensors = cache((context: Context): Promise<SensorRow[]> =>
  context.hall.rows(climateSensors, { orderBy: [asc(climateSensors.key)] }),
);

/** Days of one sensor, oldest first. */
export const sensorDays = (context: Context, sensorId: string, from: HallDay): Promise<ClimateDayRow[]> =>
  context.hall.rows(climateDays, {
    where: and(eq(climateDays.sensorId, sensorId), gte(climateDays.day, from)),
    orderBy: [asc(climateDays.day)],
  });

/** The last two days of readings with the steel behind them, oldest first. */
export async function latestSteel(context: Context, sensor: SensorRow): Promise<SteelReading[]> {
  const rows = await context.hall.rows(climateReadings, {
    where: and(
      eq(climateReadings.sensorId, sensor.id),
      gte(climateReadings.at, new Date(context.clock.now().getTime() - 48 * HOUR)),
    ),
    orderBy: [asc(climateReadings.at)],
  });
  return steelReadings(rows.map(readingOf), sensor.lagHours);
}

const readingOf = (row: typeof climateReadings.$inferSelect): ClimateReading => ({
  at: row.at.getTime(),
  temperatureC: row.temperatureC,
  relativeHumidityPct: row.humidityPct,
});

/** Lets the simulated ones among sensors read what they have not read yet, up to an hour. Call it in a transaction. */
export async function readSensors(context: Context, sensors: readonly SensorRow[], until: number): Promise<void> {
  const { hall } = context;
  for (const sensor of sensors) if (sensor.kind === "simulated") await tick(context, sensor, until);
}

async function tick(context: Context, sensor: SensorRow, until: number): Promise<void> {
  const { hall } = context;
  const last = await hall.first(climateReadings, {
    where: eq(climateReadings.sensorId, sensor.id),
    orderBy: [desc(climateReadings.at)],
  });
  const from = Math.max((last?.at.getTime() ?? 0) + HOUR, until - MOST_CATCH_UP_HOURS * HOUR);
  const readings: ClimateReading[] = [];
  for (let at = from; at <= until; at += HOUR) readings.push(simulatedClimate(sensor.seed!, at));
  await keepReadings(context, sensor, readings);
}

/** Keeps readings, each in place of what was read at that moment, and sums their days up anew. */
export async function keepReadings(
  context: Context,
  sensor: SensorRow,
  readings: readonly ClimateReading[],
  deposition: ReadonlyMap<HallDay, { so2: number; chloride: number }> = new Map(),
): Promise<void> {
  if (readings.length === 0) return;
  const {
    hall,
    actor: { timeZone },
  } = context;
  await hall.putMany(
    climateReadings,
    [climateReadings.sensorId, climateReadings.at],
    readings.map(({ at, temperatureC, relativeHumidityPct }) => ({
      sensorId: sensor.id,
      at: new Date(at),
      temperatureC,
      humidityPct: relativeHumidityPct,
    })),
  );
  const earliest = readings.reduce((least, { at }) => Math.min(least, at), Infinity);
  const latest = readings.reduce((most, { at }) => Math.max(most, at), -Infinity);
  const firstDay = hallDayAt(new Date(earliest), timeZone);
  // A day before, so that the steel starts as it was; a day after, since its steel followed what changed.
  const rows = await hall.rows(climateReadings, {
    where: and(
      eq(climateReadings.sensorId, sensor.id),
      gte(climateReadings.at, new Date(earliest - 48 * HOUR)),
      lt(climateReadings.at, new Date(latest + 48 * HOUR)),
    ),
    orderBy: [asc(climateReadings.at)],
  });
  const byDay = new Map<HallDay, SteelReading[]>();
  for (const reading of steelReadings(rows.map(readingOf), sensor.lagHours)) {
    const day = hallDayAt(new Date(reading.at), timeZone);
    const own = byDay.get(day);
    if (own) own.push(reading);
    else byDay.set(day, [reading]);
  }
  const known = new Map(
    (
      await hall.rows(climateDays, {
        where: and(eq(climateDays.sensorId, sensor.id), gte(climateDays.day, firstDay)),
      })
    ).map((row) => [row.day, row]),
  );
  const lastDay = hallDayAt(new Date(latest), timeZone);
  await hall.putMany(
    climateDays,
    [climateDays.sensorId, climateDays.day],
    [...byDay].flatMap(([day, own]) => {
      if (day < firstDay || day > lastDay) return [];
      const { so2, chloride } = deposition.get(day) ?? known.get(day) ?? sensor;
      return [{ sensorId: sensor.id, day, so2, chloride, ...climateDay(own, { so2, chloride }) }];
    }),
  );
}

const MOST_READINGS = 20_000;

/** Rows of a file as they are typed; heads are looked at by what they begin with. */
export interface ClimateFileRow {
  at: string;
  temperature: string;
  humidity: string;
  so2: string;
  chloride: string;
}

/** Takes readings from a file: all of them, or none with every problem. Due days follow at once. */
export async function importClimate(
  context: Context,
  sensorKey: string,
  rows: readonly ClimateFileRow[],
): Promise<Outcome<{ readings: number; days: number; firstDay: HallDay; lastDay: HallDay }>> {
  if (!may(context, "climate.edit")) return forbidden("enter readings of the air");
  const sensor = (await listSensors(context)).find(({ key }) => key === sensorKey);
  if (!sensor) return notFound(`sensor ${sensorKey}`);
  if (rows.length === 0) return failed("invalid", "The file has no rows.");
  if (rows.length > MOST_READINGS)
    return failed("invalid", `That are ${rows.length} readings; take in at most ${MOST_READINGS} at once.`);
  const problems: Problem[] = [];
  const deposition = new Map<HallDay, { so2: number; chloride: number }>();
  const readings = rows.flatMap((row, i): ClimateReading[] => {
    const line = i + 2;
    const at = momentOf(row.at);
    const number = (path: string, text: string, least: number, most: number) => {
      const value = Number(text.trim().replace(",", "."));
      if (text.trim() !== "" && value >= least && value <= most) return value;
      problems.push({ path: `line ${line}, ${path}`, message: `“${text}” must be a number from ${least} to ${most}` });
      return NaN;
    };
    if (at === null)
      problems.push({ path: `line ${line}, at`, message: `“${row.at}” is no moment; write 2026-11-25T14:00Z` });
    else if (at > context.clock.now().getTime() + HOUR)
      problems.push({ path: `line ${line}, at`, message: `“${row.at}” has not come yet` });
    const temperatureC = number("temperature", row.temperature, -60, 60);
    const relativeHumidityPct = number("humidity", row.humidity, 0, 100);
    if (at !== null && (row.so2.trim() || row.chloride.trim())) {
      const so2 = row.so2.trim() ? number("so2", row.so2, 0, 2000) : sensor.so2;
      const chloride = row.chloride.trim() ? number("chloride", row.chloride, 0, 2000) : sensor.chloride;
      deposition.set(hallDayAt(new Date(at), context.actor.timeZone), { so2, chloride });
    }
    return at === null ? [] : [{ at, temperatureC, relativeHumidityPct }];
  });
  if (problems.length > 0) return failed("invalid", "Nothing was taken in.", problems.slice(0, 200));
  // One reading a moment: the last of a file counts.
  const single = [...new Map(readings.map((reading) => [reading.at, reading])).values()];
  const days = [...new Set(single.map(({ at }) => hallDayAt(new Date(at), context.actor.timeZone)))].sort();
  await inTransaction(context, async (context) => {
    const { hall } = context;
    await keepReadings(context, sensor, single, deposition);
    await recordChange(context, {
      entity: "sensor",
      entityId: sensor.id,
      action: "readings from a file",
      after: { readings: single.length, firstDay: days[0], lastDay: days.at(-1) },
    });
    if ((await storedCareRules(hall)).rule !== "calendar") await replanCare(context);
  });
  return { ok: true, readings: single.length, days: days.length, firstDay: days[0]!, lastDay: days.at(-1)! };
}

/** A moment with its offset, as milliseconds; null when it is none. */
function momentOf(text: string): number | null {
  const said = text.trim().replace(" ", "T");
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$/.test(said)) return null;
  const at = new Date(said).getTime();
  return Number.isFinite(at) ? at : null;
}

/** Whether the bars sweat, for the morning: the driest gap of the last hours, at the worst sensor. */
export async function sweatWarning(
  context: Context,
): Promise<{ sensor: string; steelC: number; dewPointC: number; at: Date } | null> {
  for (const sensor of await listSensors(context)) {
    const recent = (await latestSteel(context, sensor)).filter(
      ({ at }) => at >= context.clock.now().getTime() - 6 * HOUR,
    );
    const wet = recent.findLast(({ isWet }) => isWet);
    if (wet) return { sensor: sensor.name, steelC: wet.steelC, dewPointC: wet.dewPointC!, at: new Date(wet.at) };
  }
  return null;
}

/** Changes what falls at a place and how far its bars lag; sums of days follow. */
export async function saveSensor(
  context: Context,
  form: { key: string; version: number; so2: string; chloride: string; lagHours: string },
): Promise<Outcome<{ version: number }>> {
  if (!may(context, "climate.edit")) return forbidden("change sensors");
  const problems: Problem[] = [];
  const number = (path: "so2" | "chloride" | "lagHours", most: number) => {
    const value = Number(form[path].trim().replace(",", "."));
    if (form[path].trim() === "" || !(value >= 0 && value <= most))
      problems.push({ path, message: `“${form[path]}” must be a number from 0 to ${most}` });
    return value;
  };
  const [so2, chloride, lagHours] = [number("so2", 2000), number("chloride", 2000), number("lagHours", 24)];
  if (problems.length > 0) return failed("invalid", "The sensor was not changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(climateSensors, { where: eq(climateSensors.key, form.key), forUpdate: true });
    if (!row) return notFound(`sensor ${form.key}`);
    if (row.version !== form.version)
      return failed("stale", "Somebody changed this sensor meanwhile. Look at it again before you change it.");
    const [sensor] = await hall.update(climateSensors, eq(climateSensors.id, row.id), {
      so2,
      chloride,
      lagHours,
      version: row.version + 1,
    });
    // What a file said of single days stays.
    await hall.update(
      climateDays,
      and(eq(climateDays.sensorId, row.id), eq(climateDays.so2, row.so2), eq(climateDays.chloride, row.chloride)),
      { so2, chloride },
    );
    const all = await hall.rows(climateReadings, {
      where: eq(climateReadings.sensorId, row.id),
      orderBy: [asc(climateReadings.at)],
    });
    await keepReadings(context, sensor!, all.map(readingOf));
    await recordChange(context, {
      entity: "sensor",
      entityId: row.id,
      action: "edited",
      before: { so2: row.so2, chloride: row.chloride, lagHours: row.lagHours },
      after: { so2, chloride, lagHours },
    });
    if ((await storedCareRules(hall)).rule !== "calendar") await replanCare(context);
    return { ok: true as const, version: row.version + 1 };
  });
}

/** How many readings there are of a sensor, and since when. */
export async function sensorExtent(
  context: Context,
  sensorId: string,
): Promise<{ readings: number; since: Date | null }> {
  const [row] = await context.hall.summary(
    climateReadings,
    { readings: sql<number>`count(*)::int`, since: sql<string | null>`min(${climateReadings.at})` },
    { where: eq(climateReadings.sensorId, sensorId) },
  );
  return { readings: row!.readings, since: row!.since ? new Date(row!.since) : null };
}
