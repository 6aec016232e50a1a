import "server-only";
import { and, desc, eq, inArray, isNull, ne, sql } from "drizzle-orm";
import type { BarRecord } from "@/core/bars/barRecord";
import { groupBy } from "@/core/collections/groupBy";
import { quantityRows, recordFromRow, rowFromRecord } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { planCare } from "@/server/care/planning";
import { latestOfEach } from "./barPage";

/** A row and what is to stand in it. */
export interface RecordToWrite {
  row: BarRow;
  record: BarRecord;
}

/**
 * Writes records over rows: columns, stated quantities, effective values, version, and care that follows from them; as
 * many statements for a thousand bars as for one. Call it in the transaction that locked the rows.
 */
export async function writeRecords(context: Context, items: readonly RecordToWrite[]): Promise<void> {
  await writeRecordsWithoutCare(context, items);
  await planCareOf(
    context,
    items.map(({ row }) => row.id),
  );
}

/** Sets the care of bars that were written. */
export async function planCareOf(context: Context, ids: readonly string[]): Promise<void> {
  if (ids.length > 0) await planCare(context, await context.hall.rows(bars, { where: inArray(bars.id, [...ids]) }));
}

/** The same without their care, for whoever writes many and plans it at the end. */
export async function writeRecordsWithoutCare(context: Context, items: readonly RecordToWrite[]): Promise<void> {
  if (items.length === 0) return;
  const { hall, actor } = context;
  const placeIds = await placeIdsFor(
    hall,
    items.map(({ record }) => record.place),
  );
  const changed = items.map(({ row, record }) => ({
    row: { ...row, ...rowFromRecord(record, placeIds(record.place), actor.currency) },
    stated: record.stated,
  }));
  await refreshEffective(hall, changed);
}

/** A row as it is to stand, and what is stated of it; as it was stated where that is left out. */
export interface RowToRefresh {
  row: BarRow;
  stated?: BarRecord["stated"];
}

/**
 * Writes rows with effective values worked out anew, from what is stated and the latest readings that count; their
 * versions move on.
 *
 * @returns the effective value of each quantity of each bar, by the bar's id and the quantity.
 */
export async function refreshEffective(
  hall: HallDb,
  items: readonly RowToRefresh[],
): Promise<Map<string, Map<string, number>>> {
  const ids = items.map(({ row }) => row.id);
  const measured = groupBy(
    await hall.rows(barMeasurements, {
      where: and(
        inArray(barMeasurements.barId, ids),
        isNull(barMeasurements.undoneAt),
        eq(barMeasurements.counts, true),
      ),
      orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
    }),
    ({ barId }) => barId,
  );
  const kept = groupBy(
    await hall.rows(barQuantities, { where: inArray(barQuantities.barId, ids) }),
    ({ barId }) => barId,
  );
  const worked = items.map(({ row, stated }) => {
    const own = kept.get(row.id) ?? [];
    const { columns, quantities } = quantityRows(
      row,
      stated ?? recordFromRow(row, own, null).stated,
      latestOfEach(measured.get(row.id) ?? []),
    );
    const gone = own.filter(({ kind }) => !quantities.some((quantity) => quantity.kind === kind));
    return { row: { ...row, ...columns, version: row.version + 1 }, quantities, gone };
  });
  await hall.updateMany(
    bars,
    worked.map(({ row }) => row),
  );
  await hall.putMany(
    barQuantities,
    [barQuantities.barId, barQuantities.kind],
    worked.flatMap(({ row, quantities }) => quantities.map((quantity) => ({ ...quantity, barId: row.id }))),
  );
  const gone = worked.flatMap((one) => one.gone.map(({ barId, kind }) => `${barId} ${kind}`));
  if (gone.length > 0)
    await hall.remove(
      barQuantities,
      and(
        inArray(barQuantities.barId, ids),
        inArray(sql`${barQuantities.barId} || ' ' || ${barQuantities.kind}`, gone),
      ),
    );
  return new Map(
    worked.map(({ row, quantities }) => [row.id, new Map(quantities.map(({ kind, effective }) => [kind, effective]))]),
  );
}

/** The record that a row holds. */
export async function recordOf(hall: HallDb, row: BarRow): Promise<BarRecord> {
  const stated = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const place = row.placeId ? await hall.first(places, { where: eq(places.id, row.placeId) }) : null;
  return recordFromRow(row, stated, place?.name ?? null);
}

/**
 * Ids of places by name, whatever the case. Places that the hall does not have are made, in the order in which they are
 * named.
 */
export async function placeIdsFor(
  hall: HallDb,
  names: readonly (string | null)[],
): Promise<(name: string | null) => string | null> {
  const all = await hall.rows(places);
  const ids = new Map(all.map(({ id, name }) => [name.toLowerCase(), id]));
  const missing = new Map<string, string>();
  for (const name of names)
    if (name !== null && !ids.has(name.toLowerCase()) && !missing.has(name.toLowerCase()))
      missing.set(name.toLowerCase(), name);
  const last = Math.max(0, ...all.map(({ roundOrder }) => roundOrder));
  const made = await hall.insert(
    places,
    [...missing.values()].map((name, i) => ({ name, roundOrder: last + 1 + i })),
  );
  for (const { id, name } of made) ids.set(name.toLowerCase(), id);
  return (name) => (name === null ? null : ids.get(name.toLowerCase())!);
}

/** Which of some tags hang on bars that are not retired. */
export async function tagsInUse(hall: HallDb, tags: readonly string[]): Promise<string[]> {
  if (tags.length === 0) return [];
  const rows = await hall.rows(bars, { where: and(inArray(bars.tag, [...tags]), ne(bars.state, "retired")) });
  const used = new Set(rows.map(({ tag }) => tag));
  return tags.filter((tag) => used.has(tag));
}

/** The bar of a tag that is not retired, locked. */
export function lockedByTag(hall: HallDb, tag: string): Promise<BarRow | null> {
  return hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });
}
