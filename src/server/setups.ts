import "server-only";
import { and, asc, desc, eq, inArray, isNull, ne } from "drizzle-orm";
import { cache } from "react";
import type { Build } from "@/core/balance/body";
import { FAMILIES } from "@/core/bars/families";
import { barAtSetting } from "@/core/setups/barAtSetting";
import { chartKindOf, type SetupChart } from "@/core/setups/chartFields";
import { pairsLeft, rackHole, rackSetting } from "@/core/setups/rackHeight";
import { settingWords, setupOptions, type Setting, type SetupBar, type SetupOption } from "@/core/setups/setupOptions";
import { isBackOrFrontLift } from "@/core/setups/setupCard";
import type { Lift } from "@/core/matching/lifts";
import { bars, barSetups, lifterSettings, stations } from "@/data/schema";
import { withQuantities, type ListedBar } from "./bars";
import { buildOf, listLifters, type LifterRow } from "./lifters";
import { allLifts, liftOf } from "./lifts";
import { namesById, placesById } from "./lookups";
import { may } from "./access/permissions";
import type { Context } from "./access/context";

export type SettingRow = typeof lifterSettings.$inferSelect;

/** A bar with everything that can be set of it. */
export interface SetBar extends ListedBar {
  bar: SetupBar;
  chart: SetupChart | null;
  /** Whether it adjusts by marks or holes and so wants a chart. */
  wantsChart: boolean;
  chartVersion: number;
  /** Of the row that keeps all this, for edits; 0 when there is none yet. */
  setupVersion: number;
  calibratedOn: string | null;
  options: SetupOption[];
  present: Setting | null;
  presentAt: Date | null;
  stored: Setting | null;
  looseParts: readonly string[];
}

/** Every bar that can be set, by tag: those that adjust, those with grips to choose, and those that rack elsewhere. */
export const barsToSet = cache(async (context: Context): Promise<SetBar[]> => {
  const { hall } = context;
  const rows = await hall.rows(bars, { where: ne(bars.state, "retired"), orderBy: [asc(bars.tag), asc(bars.id)] });
  const own = rows.filter(({ family }) => {
    const { form } = FAMILIES[family as SetupBar["family"]];
    return form !== "straight" && form !== "zigzag";
  });
  return setBars(context, own);
});

/** One bar with what can be set of it; null when there is none. */
export async function barToSet(context: Context, tag: string): Promise<SetBar | null> {
  const row = await context.hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) });
  return row ? (await setBars(context, [row]))[0]! : null;
}

/** One bar by its id, whatever its state. */
export async function barToSetById(context: Context, id: string): Promise<SetBar | null> {
  const row = await context.hall.first(bars, { where: eq(bars.id, id) });
  return row ? (await setBars(context, [row]))[0]! : null;
}

async function setBars(context: Context, rows: (typeof bars.$inferSelect)[]): Promise<SetBar[]> {
  if (rows.length === 0) return [];
  const { hall } = context;
  const ids = rows.map(({ id }) => id);
  const [listed, setups] = await Promise.all([
    withQuantities(hall, rows),
    hall.rows(barSetups, { where: inArray(barSetups.barId, ids) }),
  ]);
  const setupOf = new Map(setups.map((setup) => [setup.barId, setup]));
  return listed.map((item, i) => {
    const row = rows[i]!;
    const setup = setupOf.get(item.id);
    const bar: SetupBar = { ...item.bar, gripOptions: row.gripOptions };
    const chart = (setup?.chart ?? null) as SetupChart | null;
    return {
      ...item,
      bar,
      chart,
      wantsChart: chartKindOf(bar.family) !== null,
      chartVersion: setup?.chartVersion ?? 0,
      setupVersion: setup?.version ?? 0,
      calibratedOn: setup?.calibratedOn ?? null,
      options: setupOptions(bar, chart),
      present: setup?.present ?? null,
      presentAt: setup?.presentAt ?? null,
      stored: setup?.stored ?? null,
      looseParts: row.looseParts ?? [],
    };
  });
}

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
  const [people, lifts, names, barRows] = await Promise.all([
    listLifters(context),
    allLifts(context),
    namesById(hall),
    hall.rows(bars, { where: inArray(bars.id, ids) }),
  ]);
  const bySetBar = new Map((await setBars(context, barRows)).map((one) => [one.id, one]));
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
        words: settingWords(set.options, row.setting) || "as it is built",
        setting: row.setting,
        stationKey: row.stationKey,
        jCupHole: row.jCupHole,
        safetyHole: row.safetyHole,
        note: row.note,
        keptAt: row.keptAt,
        by: names.get(row.personId) ?? "somebody",
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

/** J-cups and safeties at one station. */
export interface StationHoles {
  key: string;
  name: string;
  kind: string;
  /** By the rule; null where nothing follows (benches, lifts from the floor, no build). */
  ruleHole: number | null;
  /** Holes above those of a straight bar. */
  fromStraight: number | null;
  safetyHole: number | null;
  /** What the lifter used last here with this bar. */
  lastHole: number | null;
  /** What to use. */
  hole: number | null;
  note: string | null;
  /** Pairs of J-cups that store no bar. */
  pairsLeft: number;
  supportSpacingMm: number | null;
}

/** Where J-cups and safeties go at every rack and bench, for a lifter, a lift and a bar as it is set. */
export async function stationHoles(
  context: Context,
  ask: { set: SetBar; setting: Setting; lift: Lift | null; build: Build | null; lifterId: string | null },
): Promise<StationHoles[]> {
  const { set, setting, lift, build, lifterId } = ask;
  const { hall } = context;
  const [rows, used, hanging] = await Promise.all([
    hall.rows(stations, { orderBy: [asc(stations.key)] }),
    lifterId && lift && may(context, "lifter.read")
      ? hall.rows(lifterSettings, {
          where: and(
            eq(lifterSettings.lifterId, lifterId),
            eq(lifterSettings.barId, set.id),
            eq(lifterSettings.liftKey, lift.key),
          ),
          orderBy: [desc(lifterSettings.keptAt)],
        })
      : [],
    barsInRacks(context),
  ]);
  const atSetting = barAtSetting(set.bar, set.chart, setting);
  return rows.flatMap((row) => {
    const { firstHoleMm, holePitchMm } = row;
    if ((row.kind !== "rack" && row.kind !== "bench") || firstHoleMm === null || holePitchMm === null) return [];
    const byRule =
      row.kind === "rack" && build && lift && isBackOrFrontLift(lift.like)
        ? rackSetting(build, atSetting, lift, { firstHoleMm, holePitchMm })
        : null;
    const last = used.find(({ stationKey, jCupHole }) => stationKey === row.key && jCupHole !== null);
    return [
      {
        key: row.key,
        name: row.name,
        kind: row.kind,
        ruleHole: byRule?.hole ?? null,
        fromStraight: byRule?.fromStraight ?? null,
        safetyHole: last?.safetyHole ?? byRule?.safetyHole ?? null,
        lastHole: last?.jCupHole ?? null,
        ...rackHole(byRule?.hole ?? null, last?.jCupHole ?? null),
        pairsLeft: pairsLeft(row.jCupPairs, hanging.get(row.key) ?? 0),
        supportSpacingMm: row.supportSpacingMm,
      },
    ];
  });
}

/** How many bars hang on spare J-cups, by short name of the rack. */
async function barsInRacks(context: Context): Promise<Map<string, number>> {
  const { hall } = context;
  const racks = [...(await placesById(hall)).values()].filter(({ kind, stationKey }) => kind === "rack" && stationKey);
  const counts = new Map<string, number>();
  if (racks.length === 0) return counts;
  const ids = racks.map(({ id }) => id);
  for (const { placeId } of await hall.rows(bars, {
    where: and(ne(bars.state, "retired"), inArray(bars.placeId, ids)),
  })) {
    const key = racks.find(({ id }) => id === placeId)!.stationKey!;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return counts;
}

/** Lifters with a build, for choosing; empty for whoever may not read them. */
export async function liftersToSet(context: Context): Promise<{ row: LifterRow; build: Build | null }[]> {
  return (await listLifters(context)).map((row) => ({ row, build: buildOf(row) }));
}

/** Lifts of the hall as the core sees them. */
export const liftsToSet = async (context: Context): Promise<Lift[]> => (await allLifts(context)).map(liftOf);
