import "server-only";
import { and, asc, desc, eq, inArray, ne, or, sql } from "drizzle-orm";
import { fieldTexts } from "@/core/bars/fieldText";
import { presetsOf } from "@/core/setups/armSettings";
import type { SetupChart } from "@/core/setups/chartFields";
import { type SetupOption, settingWords, setupOptions } from "@/core/setups/setupOptions";
import {
  PLACE_FIELDS,
  type StorageConflict,
  type StoragePlace,
  type StoredBar,
  readLooseParts,
  storageConflicts,
} from "@/core/setups/storage";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import { type BarRow, barFromRow } from "@/data/barRows";
import { barQuantities, barSetups, bars, places, putAways, stations } from "@/data/schema";
import type { Context } from "@/server/access";
import { placesById } from "@/server/kit";

export interface ListedPlace extends StoragePlace {
  id: string;
  version: number;
  texts: Record<string, string>;
  /** Where it stands on the floor sketch, in thousandths; null when nobody put it there. */
  at: { x: number; y: number } | null;
  order: number;
}

export interface ListedStored extends StoredBar {
  family: string;
  looseParts: { name: string; count: number }[];
  lastPutAway: { on: HallDay; missing: string[] } | null;
}

/** A rack, bench, platform or open floor on the sketch. */
export interface ListedStation {
  id: string;
  name: string;
  at: { x: number; y: number } | null;
}

export interface Storage {
  places: ListedPlace[];
  stations: ListedStation[];
  bars: ListedStored[];
  conflicts: StorageConflict[];
}

const onSketch = (x: number | null, y: number | null) => (x === null || y === null ? null : { x, y });

/** Where every bar hangs, and what is wrong with it. */
export async function storageOf(context: Context): Promise<Storage> {
  const { hall } = context;
  const [placeRows, barRows, setups, stationRows, puts] = await Promise.all([
    hall.rows(places, { orderBy: [asc(places.roundOrder), asc(places.name)] }),
    hall.rows(bars, {
      where: and(ne(bars.state, "retired"), ne(bars.state, "on-order")),
      orderBy: [asc(bars.tag), asc(bars.id)],
    }),
    hall.rows(barSetups),
    hall.rows(stations, { orderBy: [asc(stations.key)] }),
    hall.rows(putAways, { orderBy: [desc(putAways.at)] }),
  ]);
  const lengths = new Map(
    (await hall.rows(barQuantities, { where: eq(barQuantities.kind, "overallLength") })).map(({ barId, effective }) => [
      barId,
      effective,
    ]),
  );
  const placeById = new Map(placeRows.map(({ id, name }) => [id, name]));
  const setupOf = new Map(setups.map((setup) => [setup.barId, setup]));
  const putOf = new Map([...puts].reverse().map((put) => [put.barId, put]));
  const pairsAt = new Map(stationRows.map(({ key, jCupPairs }) => [key, jCupPairs]));
  const list = placeRows.map((row): ListedPlace => ({
    id: row.id,
    version: row.version,
    texts: fieldTexts(PLACE_FIELDS, row),
    at: onSketch(row.planX, row.planY),
    order: row.roundOrder,
    name: row.name,
    kind: row.kind,
    slots: row.slots,
    lengthMm: row.lengthMm,
    heightMm: row.heightMm,
    reachMm: row.reachMm,
    isByWalkway: row.isByWalkway,
    jCupPairs: row.kind === "rack" && row.stationKey ? (pairsAt.get(row.stationKey) ?? null) : null,
  }));
  const stored = barRows.map((row): ListedStored => {
    const setup = setupOf.get(row.id);
    const options = setup ? setupOptions(optionBar(row), (setup.chart ?? null) as SetupChart | null) : [];
    const put = putOf.get(row.id);
    return {
      tag: row.tag,
      name: row.name,
      family: row.family,
      place: row.placeId ? (placeById.get(row.placeId) ?? null) : null,
      slot: row.placeSlot,
      overallMm: lengths.get(row.id) ?? null,
      hangsWay: row.hangsWay,
      handlesPoint: row.handlesPoint,
      sticksOutMm: row.sticksOutMm,
      swingMm: row.swingMm,
      storedSetting: storedWords(options, setup),
      presentSetting: setup?.present ? settingWords(options, setup.present) : null,
      missingParts: put?.missing ?? [],
      looseParts: readLooseParts(row.looseParts ?? []),
      lastPutAway: put ? { on: hallDayAt(put.at, context.actor.timeZone), missing: put.missing } : null,
    };
  });
  return {
    places: list,
    stations: stationRows.map(({ id, name, planX, planY }) => ({ id, name, at: onSketch(planX, planY) })),
    bars: stored,
    conflicts: storageConflicts(list, stored),
  };
}

/** How a bar must be set when it hangs: as somebody chose; an adjustable yoke bar else like a yoke (handbook §9). */
function storedWords(options: readonly SetupOption[], setup: typeof barSetups.$inferSelect | undefined): string | null {
  if (setup?.stored) return settingWords(options, setup.stored);
  const chart = (setup?.chart ?? null) as SetupChart | null;
  const yoke = chart?.kind === "arm" ? presetsOf(chart).find(({ key }) => key === "yoke") : undefined;
  return yoke ? settingWords(options, { mark: yoke.setting.mark, pin: yoke.setting.pin }) : null;
}

/** A bar as far as its options go; quantities do not matter for the words of a setting that was kept. */
const optionBar = (row: BarRow) => ({ ...barFromRow(row, {}), gripOptions: row.gripOptions });

/** What of storage can hurt somebody; looks at few bars, since every page counts it. */
export async function storageDangers(context: Context): Promise<StorageConflict[]> {
  const { hall } = context;
  const isHere = sql`${bars.state} not in ('retired', 'on-order')`;
  const lacking = await hall.rows(putAways, {
    where: sql`cardinality(${putAways.missing}) > 0 and not exists (select 1 from ${putAways} as later where later.bar_id = ${putAways.barId} and later.at > ${putAways.at})`,
    limit: 50,
  });
  const ids = lacking.map(({ barId }) => barId);
  const rows = await hall.rows(bars, {
    where: and(
      isHere,
      or(
        and(eq(bars.handlesPoint, "room"), sql`${bars.sticksOutMm} > 0`),
        ids.length > 0 ? inArray(bars.id, ids) : undefined,
      ),
    ),
    orderBy: [asc(bars.tag)],
    limit: 50,
  });
  if (rows.length === 0) return [];
  const at = await placesById(hall);
  return storageConflicts(
    [...at.values()].map((place) => ({
      ...place,
      kind: place.kind,
      slots: null,
      jCupPairs: null,
    })),
    rows.map((row) => ({
      tag: row.tag,
      name: row.name,
      place: row.placeId ? (at.get(row.placeId)?.name ?? null) : null,
      slot: null,
      overallMm: null,
      hangsWay: null,
      handlesPoint: row.handlesPoint,
      sticksOutMm: row.sticksOutMm,
      swingMm: null,
      storedSetting: null,
      presentSetting: null,
      missingParts: lacking.find(({ barId }) => barId === row.id)?.missing ?? [],
    })),
  ).filter(({ isDangerous }) => isDangerous);
}
