import "server-only";
import { and, asc, eq, isNotNull, isNull, ne } from "drizzle-orm";
import { FAMILIES } from "@/core/bars/families";
import { cageUse, type CageUse, type FloorSize, type UsedHole } from "@/core/setups/floorSpace";
import { holeHeightMm } from "@/core/setups/rackHeight";
import { barQuantities, bars, lifterSettings, lifters, places, stations } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { floorRules } from "@/server/rules";

/** What a gym's room allows: its floor, lengths of straight bars, cages with stored bars, places on the sketch. */
export interface Space {
  floor: FloorSize | null;
  version: number;
  /** Lengths of straight bars, the shortest first, with how many there are. */
  lengths: { mm: number; tags: string[] }[];
  cages: { rack: string; uses: CageUse[] }[];
  /** Places where bars hang and stations, wherever they stand on the sketch. */
  spots: { name: string; isStation: boolean; at: { x: number; y: number } }[];
}

/** Bars whose lengths differ by less lie in rows alike. */
const ALIKE_MM = 30;

/** Everything that the room of the gym is worked out from. */
export async function spaceOf(context: Context): Promise<Space> {
  const { hall } = context;
  const [rule, rows, long, placeRows, stationRows, kept] = await Promise.all([
    floorRules(context),
    hall.summary(
      bars,
      { id: bars.id, tag: bars.tag, family: bars.family, placeId: bars.placeId, slot: bars.placeSlot },
      { where: and(ne(bars.state, "retired"), ne(bars.state, "on-order")) },
    ),
    hall.summary(
      barQuantities,
      { barId: barQuantities.barId, mm: barQuantities.effective },
      { where: eq(barQuantities.kind, "overallLength") },
    ),
    hall.rows(places),
    hall.rows(stations, { orderBy: [asc(stations.key)] }),
    hall.rowsWith(
      lifterSettings,
      { lifter: { table: lifters, on: eq(lifters.id, lifterSettings.lifterId), columns: { name: lifters.name } } },
      {
        where: and(
          isNull(lifterSettings.replacedAt),
          isNotNull(lifterSettings.stationKey),
          isNotNull(lifterSettings.jCupHole),
        ),
      },
    ),
  ]);
  const lengthOf = new Map(long.map(({ barId, mm }) => [barId, mm]));
  const lengths: Space["lengths"] = [];
  for (const { id, tag, family } of rows) {
    const mm = lengthOf.get(id);
    if (mm === undefined || FAMILIES[family].form !== "straight") continue;
    const like = lengths.find((one) => Math.abs(one.mm - mm) < ALIKE_MM);
    if (like) {
      like.tags.push(tag);
      like.mm = Math.max(like.mm, mm);
    } else lengths.push({ mm, tags: [tag] });
  }
  const mayName = may(context, "lifter.read");
  const cages = stationRows.flatMap((rack) => {
    if (rack.kind !== "rack") return [];
    const { holePitchMm, firstHoleMm } = rack;
    const stored = placeRows
      .filter(({ kind, stationKey }) => kind === "rack" && stationKey === rack.key)
      .flatMap((place) =>
        rows
          .filter(({ placeId }) => placeId === place.id)
          .flatMap(({ tag, slot }) => {
            // A pair beyond the first is spare: it holds the bar where the place says no height.
            const hole = rack.jCupHoles?.[slot ?? 1] ?? null;
            const heightMm =
              place.heightMm ??
              (hole !== null && holePitchMm && firstHoleMm !== null
                ? holeHeightMm({ firstHoleMm, holePitchMm }, hole)
                : null);
            return heightMm === null ? [] : [{ tag, heightMm }];
          }),
      );
    if (stored.length === 0) return [];
    const used =
      holePitchMm && firstHoleMm !== null
        ? kept.flatMap(({ row, lifter }): UsedHole[] =>
            row.stationKey === rack.key && row.jCupHole !== null
              ? [
                  {
                    who: mayName ? (lifter?.name ?? "someone") : "someone",
                    hole: row.jCupHole,
                    heightMm: holeHeightMm({ firstHoleMm, holePitchMm }, row.jCupHole),
                  },
                ]
              : [],
          )
        : [];
    return [{ rack: rack.name, uses: cageUse(stored, used) }];
  });
  return {
    ...rule,
    lengths: lengths.sort((a, b) => a.mm - b.mm),
    cages,
    spots: [
      ...placeRows.map((row) => ({ ...row, isStation: false })),
      ...stationRows.map((row) => ({ ...row, isStation: true })),
    ].flatMap(({ name, isStation, planX, planY }) =>
      planX === null || planY === null ? [] : [{ name, isStation, at: { x: planX, y: planY } }],
    ),
  };
}
