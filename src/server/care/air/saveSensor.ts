import "server-only";
import { and, asc, eq } from "drizzle-orm";
import { readSensor } from "@/core/care/readSensor";
import { climateDays, climateReadings, climateSensors } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { replanCare, storedCareRules } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { keepReadings } from "./readings";
import { readingOf } from "./sensors";

/** Changes what falls at a place and how far its bars lag; sums of days follow. */
export async function saveSensor(
  context: Context,
  form: { key: string; version: number; so2: string; chloride: string; lagHours: string },
): Promise<Outcome<{ version: number }>> {
  if (!may(context, "climate.edit")) return forbidden("change sensors");
  const read = readSensor(form);
  if (!read.ok) return failed("invalid", "The sensor was not changed.", read.problems);
  const { so2, chloride, lagHours } = read.value;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(climateSensors, { where: eq(climateSensors.key, form.key), forUpdate: true });
    if (!row) return notFound(`sensor ${form.key}`);
    if (row.version !== form.version)
      return failed("stale", "Someone else changed this sensor meanwhile. Look at it again before you change it.");
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
