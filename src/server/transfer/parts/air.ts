import "server-only";
import { asc, eq } from "drizzle-orm";
import { groupBy } from "@/core/collections/groupBy";
import type { FileAir } from "@/core/hallFileParts";
import type { Problem } from "@/core/problem";
import { climateDays, climateReadings, climateSensors } from "@/data/schema";
import type { Context } from "@/server/access";
import { type SensorRow, keepReadings } from "@/server/care/air";
import { recordChange } from "@/server/kit";
import { type ListItem, diffList } from "../listPart";
import type { Difference, FilePart } from "../part";

/**
 * The air of every place, with everything that was read there. What was read at a moment is replaced by what a file says,
 * other moments stay.
 */
export const airPart: FilePart<"air"> = { key: "air", read, diff };

async function read({ hall }: Context): Promise<FileAir[]> {
  const [sensors, readings, days] = [
    await hall.rows(climateSensors, { orderBy: [asc(climateSensors.key)] }),
    groupBy(await hall.rows(climateReadings, { orderBy: [asc(climateReadings.at)] }), ({ sensorId }) => sensorId),
    groupBy(await hall.rows(climateDays, { orderBy: [asc(climateDays.day)] }), ({ sensorId }) => sensorId),
  ];
  return sensors.map(({ id, key, name, kind, seed, so2, chloride, lagHours }) => ({
    key,
    name,
    kind: kind,
    seed,
    so2,
    chloride,
    lagHours,
    readings: (readings.get(id) ?? []).map(({ at, temperatureC, humidityPct }) => ({
      at: at.toISOString(),
      temperatureC,
      humidityPct,
    })),
    deposition: (days.get(id) ?? [])
      .filter((day) => day.so2 !== so2 || day.chloride !== chloride)
      .map((day) => ({ day: day.day, so2: day.so2, chloride: day.chloride })),
  }));
}

/**
 * Reads the air of a file against the hall's: what was read at a moment is replaced by what the file says, other
 * moments stay.
 */
async function diff(context: Context, incoming: readonly FileAir[]): Promise<Difference> {
  const there = new Map((await read(context)).map((one) => [one.key, one]));
  /** What the hall's air would be. */
  const merged = (item: FileAir): FileAir => {
    const own = there.get(item.key);
    const readings = new Map([...(own?.readings ?? []), ...item.readings].map((one) => [Date.parse(one.at), one]));
    const deposition = new Map([...(own?.deposition ?? []), ...item.deposition].map((one) => [one.day, one]));
    return {
      ...item,
      readings: [...readings]
        .sort(([a], [b]) => a - b)
        .map(([at, one]) => ({ ...one, at: new Date(at).toISOString() })),
      deposition: [...deposition.values()].sort((a, b) => (a.day < b.day ? -1 : 1)),
    };
  };
  return diffList<FileAir, FileAir>({
    name: "place of air",
    incoming,
    there,
    read: (item): ListItem<FileAir> => {
      const late = item.readings.findIndex(({ at }) => !(Date.parse(at) <= context.clock.now().getTime() + 3_600_000));
      const problems: Problem[] = [
        ...(/^[a-z0-9-]{1,40}$/.test(item.key) ? [] : [{ path: "key", message: "small letters, digits and hyphens" }]),
        ...(item.kind === "simulated" && item.seed === null
          ? [{ path: "seed", message: "a simulated sensor has a seed" }]
          : []),
        ...(late < 0 ? [] : [{ path: `readings.${late}.at`, message: "is no moment that has come" }]),
      ];
      return { problems, key: item.key, tag: item.key, value: problems.length > 0 ? item : merged(item) };
    },
    write: async (items) => {
      for (const { key, value } of items) await writePlace(context, key, value);
    },
  });
}

async function writePlace(context: Context, key: string, value: FileAir): Promise<void> {
  const { hall } = context;
  const { readings, deposition, ...facts } = value;
  const before = await hall.first(climateSensors, { where: eq(climateSensors.key, key), forUpdate: true });
  const [sensor] = before
    ? await hall.update(climateSensors, eq(climateSensors.id, before.id), { ...facts, version: before.version + 1 })
    : await hall.insert(climateSensors, facts);
  await keepReadings(
    context,
    sensor as SensorRow,
    readings.map(({ at, temperatureC, humidityPct }) => ({
      at: Date.parse(at),
      temperatureC,
      relativeHumidityPct: humidityPct,
    })),
    {
      deposition: new Map(deposition.map(({ day, so2, chloride }) => [day, { so2, chloride }])),
      isUploaded: sensor!.kind === "entered",
    },
  );
  await recordChange(context, {
    entity: "sensor",
    entityId: sensor!.id,
    action: "readings from a file",
    after: { readings: readings.length },
  });
}
