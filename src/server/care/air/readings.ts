import "server-only";
import { and, asc, desc, eq, gte, lt } from "drizzle-orm";
import { type ClimateReading, type SteelReading, climateDay, steelReadings } from "@/core/care/climateDay";
import { simulatedClimate } from "@/core/care/simulatedClimate";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { climateDays, climateReadings } from "@/data/schema";
import type { Context } from "@/server/access";
import { HOUR, type SensorRow, readingOf } from "./sensors";

/** A simulated sensor that was not asked for long catches up no further than this. */
const MAX_CATCH_UP_HOURS = 400 * 24;

/** Lets the simulated ones among sensors read what they have not read yet, up to an hour. Call it in a transaction. */
export async function readSensors(context: Context, sensors: readonly SensorRow[], until: number): Promise<void> {
  for (const sensor of sensors) if (sensor.kind === "simulated") await tick(context, sensor, until);
}

async function tick(context: Context, sensor: SensorRow, until: number): Promise<void> {
  const { hall } = context;
  const last = await hall.first(climateReadings, {
    where: eq(climateReadings.sensorId, sensor.id),
    orderBy: [desc(climateReadings.at)],
  });
  const from = Math.max((last?.at.getTime() ?? 0) + HOUR, until - MAX_CATCH_UP_HOURS * HOUR);
  const readings: ClimateReading[] = [];
  for (let at = from; at <= until; at += HOUR) readings.push(simulatedClimate(sensor.seed!, at));
  await keepReadings(context, sensor, readings);
}

/** Keeps readings, each in place of what was read at that moment, and sums their days up anew. */
export async function keepReadings(
  context: Context,
  sensor: SensorRow,
  readings: readonly ClimateReading[],
  {
    deposition = new Map(),
    isUploaded = false,
  }: { deposition?: ReadonlyMap<HallDay, { so2: number; chloride: number }>; isUploaded?: boolean } = {},
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
      isUploaded,
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
