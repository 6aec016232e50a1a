import "server-only";
import { and, asc, eq, inArray, ne } from "drizzle-orm";
import { cache } from "react";
import type { Build } from "@/core/balance/body";
import { FAMILIES, FAMILY_KEYS } from "@/core/bars/families";
import type { Lift } from "@/core/matching/lifts";
import { type SetupChart, chartKindOf } from "@/core/setups/chartFields";
import { type Setting, type SetupBar, type SetupOption, setupOptions } from "@/core/setups/setupOptions";
import { inMany } from "@/data/inMany";
import { barSetups, bars, type lifterSettings } from "@/data/schema";
import type { Context } from "@/server/access";
import { type ListedBar, withQuantities } from "@/server/bars";
import { type LifterRow, buildOf, listLifters } from "@/server/lifters";
import { allLifts, liftOf } from "@/server/lifts";

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
  const rows = await context.hall.rows(bars, {
    where: and(ne(bars.state, "retired"), inArray(bars.family, ADJUSTING)),
    orderBy: [asc(bars.tag), asc(bars.id)],
  });
  return setBars(context, rows);
});

const ADJUSTING = FAMILY_KEYS.filter((family) => !["straight", "zigzag"].includes(FAMILIES[family].form));

/** One bar with what can be set of it; null when there is none. */
export async function barToSet(context: Context, tag: string): Promise<SetBar | null> {
  const row = await context.hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) });
  return row ? (await setBars(context, [row]))[0]! : null;
}

/** Some bars by their ids, whatever their state. */
export async function setBarsById(context: Context, ids: readonly string[]): Promise<SetBar[]> {
  if (ids.length === 0) return [];
  return setBars(context, await context.hall.rows(bars, { where: inMany(bars.id, ids) }));
}

async function setBars(context: Context, rows: (typeof bars.$inferSelect)[]): Promise<SetBar[]> {
  if (rows.length === 0) return [];
  const { hall } = context;
  const ids = rows.map(({ id }) => id);
  const [listed, setups] = await Promise.all([
    withQuantities(hall, rows),
    hall.rows(barSetups, { where: inMany(barSetups.barId, ids) }),
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

/** Lifters with a build, for choosing; empty for whoever may not read them. */
export async function liftersToSet(context: Context): Promise<{ row: LifterRow; build: Build | null }[]> {
  return (await listLifters(context)).map((row) => ({ row, build: buildOf(row) }));
}

/** Lifts of the hall as the core sees them. */
export const liftsToSet = async (context: Context): Promise<Lift[]> => (await allLifts(context)).map(liftOf);
