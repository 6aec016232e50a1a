import "server-only";
import type { ClimateReading } from "@/core/care/climateDay";
import type { Problem } from "@/core/problem";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { type Context, inTransaction, may } from "@/server/access";
import { replanCare, storedCareRules } from "@/server/care/planning";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { keepReadings } from "./readings";
import { HOUR, listSensors } from "./sensors";

const MAX_READINGS = 20_000;

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
  if (rows.length > MAX_READINGS)
    return failed("invalid", `That are ${rows.length} readings; import at most ${MAX_READINGS} at once.`);
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
  if (problems.length > 0) return failed("invalid", "Nothing imported.", problems.slice(0, 200));
  // One reading a moment: the last of a file counts.
  const single = [...new Map(readings.map((reading) => [reading.at, reading])).values()];
  const days = [...new Set(single.map(({ at }) => hallDayAt(new Date(at), context.actor.timeZone)))].sort();
  await inTransaction(context, async (context) => {
    const { hall } = context;
    await keepReadings(context, sensor, single, { deposition, isUploaded: true });
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
