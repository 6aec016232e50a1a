import "server-only";
import { asc, eq } from "drizzle-orm";
import { isDeepStrictEqual } from "node:util";
import { QUANTITY_KINDS } from "@/core/bars/quantities";
import { tolerancesFrom } from "@/core/bars/tolerances";
import type { FileAir, FileRule } from "@/core/hallFileParts";
import { MATCHING_RULES, RULE_NUMBERS, RULE_NUMBER_KEYS, type RuleNumber, rulesFrom } from "@/core/matching/houseRules";
import type { Problem } from "@/core/problem";
import { climateDays, climateReadings, climateSensors, houseRules } from "@/data/schema";
import type { Context } from "@/server/access";
import { type SensorRow, keepReadings } from "@/server/care/air";
import { CARE_KEY, careRulesFrom } from "@/server/care/planning";
import { recordChange } from "@/server/kit";
import { MATCHING_KEY, MEASURING_KEY } from "@/server/rules";
import { type ListItem, NOTHING, prepareList } from "../listPart";
import type { PreparedPart } from "../part";

/* What the house decides and what its air was, as files carry it. */

/** What is understood of a rule's value: the same way as the program reads what it stored. */
const UNDERSTOOD: Record<string, (value: Record<string, unknown>) => Record<string, unknown>> = {
  [MATCHING_KEY]: (value) => ({ ...rulesFrom(value) }),
  [MEASURING_KEY]: ({ tolerances, noticeableMm }) => {
    const kept = tolerancesFrom(tolerances);
    return {
      tolerances: Object.fromEntries(
        QUANTITY_KINDS.flatMap((kind) => (kept[kind] === null ? [] : [[kind, kept[kind]]])),
      ),
      noticeableMm: typeof noticeableMm === "number" && noticeableMm > 0 && noticeableMm <= 50 ? noticeableMm : null,
    };
  },
  [CARE_KEY]: (value) => ({ ...careRulesFrom(value) }),
};

export async function exportRules(context: Context): Promise<FileRule[]> {
  const rows = await context.hall.rows(houseRules, { orderBy: [asc(houseRules.key)] });
  return rows.flatMap(({ key, value }) => {
    const understood = UNDERSTOOD[key];
    return understood ? [{ key, value: understood(value as Record<string, unknown>) }] : [];
  });
}

/** Reads rules of a file against the house's; a value that the program would not understand is a problem at its place. */
export async function prepareRules(context: Context, incoming: readonly FileRule[]): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const rows = new Map((await hall.rows(houseRules)).map((row) => [row.key, row]));
  const there = new Map((await exportRules(context)).map(({ key, value }) => [key, value]));
  return prepareList<FileRule, Record<string, unknown>>({
    name: "rule",
    incoming,
    there,
    read: ({ key, value }) => {
      const understood = UNDERSTOOD[key]?.(value);
      const problems = understood
        ? [...unlike(value, understood), ...(key === MATCHING_KEY ? outOfRange(value) : [])]
        : [{ path: "key", message: `“${key}” is none of ${Object.keys(UNDERSTOOD).join(", ")}` }];
      return { problems, key, tag: key, value: understood ?? value };
    },
    write: async ({ key, value }) => {
      const row = rows.get(key);
      await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key, value, version: (row?.version ?? 0) + 1 });
      await recordChange(context, {
        entity: "rule",
        entityId: context.actor.hallId,
        action: `changed the rules for ${key}`,
        before: row?.value,
        after: value,
        reason: "from a file",
      });
    },
  });
}

/** Where a value is not what was understood of it. */
function unlike(said: unknown, understood: unknown, path = "value"): Problem[] {
  if (isPlain(said) && isPlain(understood))
    return Object.keys(said).flatMap((key) =>
      unlike(said[key], Object.hasOwn(understood, key) ? understood[key] : undefined, `${path}.${key}`),
    );
  return isDeepStrictEqual(said, understood) ? [] : [{ path, message: "is not understood" }];
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function outOfRange(value: Record<string, unknown>): Problem[] {
  return RULE_NUMBER_KEYS.filter((key) => Object.hasOwn(value, key)).flatMap((key: RuleNumber) => {
    const { range, factor } = RULE_NUMBERS[key];
    const number = Number(value[key]) * factor;
    // What a house starts with is in range whatever rounding says.
    const isFine = value[key] === MATCHING_RULES[key] || (number >= range[0] && number <= range[1]);
    return isFine ? [] : [{ path: `value.${key}`, message: `must lie between ${range[0]} and ${range[1]}` }];
  });
}

export async function exportAir(context: Context): Promise<FileAir[]> {
  const { hall } = context;
  const [sensors, readings, days] = await Promise.all([
    hall.rows(climateSensors, { orderBy: [asc(climateSensors.key)] }),
    hall.rows(climateReadings, { orderBy: [asc(climateReadings.at)] }),
    hall.rows(climateDays, { orderBy: [asc(climateDays.day)] }),
  ]);
  return sensors.map(({ id, key, name, kind, seed, so2, chloride, lagHours }) => ({
    key,
    name,
    kind: kind as FileAir["kind"],
    seed,
    so2,
    chloride,
    lagHours,
    readings: readings
      .filter(({ sensorId }) => sensorId === id)
      .map(({ at, temperatureC, humidityPct }) => ({ at: at.toISOString(), temperatureC, humidityPct })),
    deposition: days
      .filter((day) => day.sensorId === id && (day.so2 !== so2 || day.chloride !== chloride))
      .map((day) => ({ day: day.day, so2: day.so2, chloride: day.chloride })),
  }));
}

/**
 * Reads the air of a file against the hall's: what was read at a moment is replaced by what the file says, other
 * moments stay.
 */
export async function prepareAir(context: Context, incoming: readonly FileAir[]): Promise<PreparedPart> {
  const { hall } = context;
  if (incoming.length === 0) return NOTHING;
  const there = new Map((await exportAir(context)).map((one) => [one.key, one]));
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
  return prepareList<FileAir, FileAir>({
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
    write: async ({ key, value }) => {
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
        new Map(deposition.map(({ day, so2, chloride }) => [day, { so2, chloride }])),
      );
      await recordChange(context, {
        entity: "sensor",
        entityId: sensor!.id,
        action: "readings from a file",
        after: { readings: readings.length },
      });
    },
  });
}
