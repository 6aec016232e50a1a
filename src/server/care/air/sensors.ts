import "server-only";
import { and, asc, eq, gte, sql } from "drizzle-orm";
import { cache } from "react";
import { type ClimateReading, type SteelReading, steelReadings } from "@/core/care/climateDay";
import type { HallDay } from "@/core/units/hallDay";
import { climateDays, climateReadings, climateSensors } from "@/data/schema";
import type { Context } from "@/server/access";

export type SensorRow = typeof climateSensors.$inferSelect;

export type ClimateDayRow = typeof climateDays.$inferSelect;

export const HOUR = 3_600_000;

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

export const readingOf = (row: typeof climateReadings.$inferSelect): ClimateReading => ({
  at: row.at.getTime(),
  temperatureC: row.temperatureC,
  relativeHumidityPct: row.humidityPct,
});

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

/** How many readings there are of a sensor, and since when. */
export async function sensorExtent(
  context: Context,
  sensorId: string,
): Promise<{ readings: number; uploaded: number; since: Date | null }> {
  const [row] = await context.hall.summary(
    climateReadings,
    {
      readings: sql<number>`count(*)::int`,
      uploaded: sql<number>`(count(*) filter (where ${climateReadings.isUploaded}))::int`,
      since: sql<string | null>`min(${climateReadings.at})`,
    },
    { where: eq(climateReadings.sensorId, sensorId) },
  );
  return { readings: row!.readings, uploaded: row!.uploaded, since: row!.since ? new Date(row!.since) : null };
}
