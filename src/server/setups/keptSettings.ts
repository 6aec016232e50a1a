import "server-only";
import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { type Setting, settingWords } from "@/core/setups/setupOptions";
import { lifterSettings } from "@/data/schema";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { type Context, may } from "@/server/access";
import { namesById } from "@/server/kit";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { type SettingRow, setBarsById } from "./setBars";

/** A lifter's setting as people read it. */
export interface KeptSetting {
  id: string;
  lifterKey: string;
  lifterName: string;
  tag: string;
  barName: string;
  liftKey: string;
  liftName: string;
  words: string;
  setting: Setting;
  stationKey: string | null;
  jCupHole: number | null;
  safetyHole: number | null;
  note: string | null;
  keptAt: Date;
  /** Its day in the gym's zone. */
  keptOn: HallDay;
  by: string;
  isCurrent: boolean;
  /** The bar was calibrated again since: its marks may mean something else. */
  isOld: boolean;
}

/** Settings of lifters, newest first: current ones, or with all that they replaced. Nothing for whoever may not read. */
export async function keptSettings(
  context: Context,
  ask: { barId?: string; lifterId?: string; withHistory?: boolean } = {},
): Promise<KeptSetting[]> {
  if (!may(context, "lifter.read")) return [];
  const { hall } = context;
  const rows = await hall.rows(lifterSettings, {
    where: and(
      ask.barId ? eq(lifterSettings.barId, ask.barId) : undefined,
      ask.lifterId ? eq(lifterSettings.lifterId, ask.lifterId) : undefined,
      ask.withHistory ? undefined : isNull(lifterSettings.replacedAt),
    ),
    orderBy: [desc(lifterSettings.keptAt), desc(lifterSettings.id)],
    limit: 500,
  });
  return wordedSettings(context, rows);
}

async function wordedSettings(context: Context, rows: SettingRow[]): Promise<KeptSetting[]> {
  if (rows.length === 0) return [];
  const { hall } = context;
  const ids = [...new Set(rows.map(({ barId }) => barId))];
  const [people, lifts, names, sets] = await Promise.all([
    listLifters(context),
    allLifts(context),
    namesById(hall),
    setBarsById(context, ids),
  ]);
  const bySetBar = new Map(sets.map((one) => [one.id, one]));
  return rows.flatMap((row) => {
    const lifter = people.find(({ id }) => id === row.lifterId);
    const set = bySetBar.get(row.barId);
    if (!lifter || !set) return [];
    return [
      {
        id: row.id,
        lifterKey: lifter.key,
        lifterName: lifter.name,
        tag: set.bar.tag,
        barName: set.bar.name,
        liftKey: row.liftKey,
        liftName: lifts.find(({ key }) => key === row.liftKey)?.name ?? row.liftKey,
        words: settingWords(set.options, row.setting) || "as built",
        setting: row.setting,
        stationKey: row.stationKey,
        jCupHole: row.jCupHole,
        safetyHole: row.safetyHole,
        note: row.note,
        keptAt: row.keptAt,
        keptOn: hallDayAt(row.keptAt, context.actor.timeZone),
        by: names.get(row.personId) ?? "someone",
        isCurrent: row.replacedAt === null,
        isOld: row.chartVersion !== set.chartVersion,
      },
    ];
  });
}

/** The current setting of one lifter, bar and lift; null when none was kept. */
export async function currentSetting(context: Context, lifterId: string, barId: string, liftKey: string) {
  if (!may(context, "lifter.read")) return null;
  return context.hall.first(lifterSettings, {
    where: and(
      eq(lifterSettings.lifterId, lifterId),
      eq(lifterSettings.barId, barId),
      eq(lifterSettings.liftKey, liftKey),
      isNull(lifterSettings.replacedAt),
    ),
  });
}

/** The current settings of some lifters for one bar and lift, by lifter's id; nothing for whoever may not read them. */
export async function currentSettings(
  context: Context,
  lifterIds: readonly string[],
  barId: string,
  liftKey: string,
): Promise<Map<string, SettingRow>> {
  if (!may(context, "lifter.read") || lifterIds.length === 0) return new Map();
  const rows = await context.hall.rows(lifterSettings, {
    where: and(
      inArray(lifterSettings.lifterId, [...lifterIds]),
      eq(lifterSettings.barId, barId),
      eq(lifterSettings.liftKey, liftKey),
      isNull(lifterSettings.replacedAt),
    ),
  });
  return new Map(rows.map((row) => [row.lifterId, row]));
}
