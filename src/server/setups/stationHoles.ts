import "server-only";
import { and, asc, desc, eq, inArray, ne } from "drizzle-orm";
import type { Build } from "@/core/balance/body";
import type { Lift } from "@/core/matching/lifts";
import { barAtSetting } from "@/core/setups/barAtSetting";
import { pairsLeft, rackHole, rackSetting } from "@/core/setups/rackHeight";
import { isBackOrFrontLift } from "@/core/setups/setupCard";
import type { Setting } from "@/core/setups/setupOptions";
import { bars, lifterSettings, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { placesById } from "@/server/kit";
import type { SetBar } from "./setBars";

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

export interface HolesAsk {
  setting: Setting;
  build: Build | null;
  lifterId: string | null;
}

/** Where J-cups and safeties go at every rack and bench, for a lifter, a lift and a bar as it is set. */
export async function stationHoles(
  context: Context,
  { set, lift, ...ask }: HolesAsk & { set: SetBar; lift: Lift | null },
): Promise<StationHoles[]> {
  return (await stationHolesOfEach(context, set, lift, [ask]))[0]!;
}

/** The same for several lifters who share a bar, in the order they are asked for; no more queries than for one. */
export async function stationHolesOfEach(
  context: Context,
  set: SetBar,
  lift: Lift | null,
  asks: readonly HolesAsk[],
): Promise<StationHoles[][]> {
  const { hall } = context;
  const lifterIds = asks.flatMap(({ lifterId }) => lifterId ?? []);
  const [rows, used, hanging] = await Promise.all([
    hall.rows(stations, { orderBy: [asc(stations.key)] }),
    lifterIds.length > 0 && lift && may(context, "lifter.read")
      ? hall.rows(lifterSettings, {
          where: and(
            inArray(lifterSettings.lifterId, lifterIds),
            eq(lifterSettings.barId, set.id),
            eq(lifterSettings.liftKey, lift.key),
          ),
          orderBy: [desc(lifterSettings.keptAt)],
        })
      : [],
    barsInRacks(context),
  ]);
  return asks.map(({ setting, build, lifterId }) => {
    const atSetting = barAtSetting(set.bar, set.chart, setting);
    const own = used.filter((row) => row.lifterId === lifterId);
    return rows.flatMap((row) => {
      const { firstHoleMm, holePitchMm } = row;
      if ((row.kind !== "rack" && row.kind !== "bench") || firstHoleMm === null || holePitchMm === null) return [];
      const byRule =
        row.kind === "rack" && build && lift && isBackOrFrontLift(lift.like)
          ? rackSetting(build, atSetting, lift, { firstHoleMm, holePitchMm })
          : null;
      const last = own.find(({ stationKey, jCupHole }) => stationKey === row.key && jCupHole !== null);
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
