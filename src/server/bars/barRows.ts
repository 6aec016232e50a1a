import "server-only";
import { and, desc, eq, isNull, ne } from "drizzle-orm";
import type { BarRecord } from "@/core/bars/barRecord";
import { quantityRows, recordFromRow, rowFromRecord } from "@/data/barRecordRows";
import type { BarRow } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { barMeasurements, barQuantities, bars, places } from "@/data/schema";
import type { Context } from "@/server/access";
import { careHouse, planCare } from "@/server/care/planning";
import { latestOfEach } from "./barPage";

/** Writes a record over a row: columns, stated quantities, effective values, version, and care that follows from them. */
export async function writeRecord(context: Context, row: BarRow, record: BarRecord): Promise<void> {
  const { hall } = context;
  const columns = rowFromRecord(record, await placeIdFor(hall, record.place), context.actor.currency);
  await hall.update(bars, eq(bars.id, row.id), columns);
  await refreshEffective(hall, { ...row, ...columns }, record.stated);
  const [changed] = await hall.rows(bars, { where: eq(bars.id, row.id) });
  await planCare(hall, await careHouse(context), changed!);
}

/** Works out effective values anew from what is stated and the latest readings that count; the version moves on. */
export async function refreshEffective(hall: HallDb, row: BarRow, stated?: BarRecord["stated"]) {
  const measured = await hall.rows(barMeasurements, {
    where: and(eq(barMeasurements.barId, row.id), isNull(barMeasurements.undoneAt)),
    orderBy: [desc(barMeasurements.measuredAt), desc(barMeasurements.id)],
  });
  const rows = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const isStated = stated ?? recordFromRow(row, rows, null).stated;
  const { columns, quantities } = quantityRows(row, isStated, latestOfEach(measured));
  for (const quantity of quantities)
    await hall.put(barQuantities, [barQuantities.barId, barQuantities.kind], { barId: row.id, ...quantity });
  for (const { kind } of rows)
    if (!quantities.some((quantity) => quantity.kind === kind))
      await hall.remove(barQuantities, and(eq(barQuantities.barId, row.id), eq(barQuantities.kind, kind)));
  await hall.update(bars, eq(bars.id, row.id), { ...columns, version: row.version + 1 });
  return new Map(quantities.map(({ kind, effective }) => [kind, effective]));
}

/** The record that a row holds. */
export async function recordOf(hall: HallDb, row: BarRow): Promise<BarRecord> {
  const stated = await hall.rows(barQuantities, { where: eq(barQuantities.barId, row.id) });
  const place = row.placeId ? await hall.first(places, { where: eq(places.id, row.placeId) }) : null;
  return recordFromRow(row, stated, place?.name ?? null);
}

/** The place of a name, made when the hall has none of that name. */
export async function placeIdFor(hall: HallDb, name: string | null): Promise<string | null> {
  if (name === null) return null;
  const all = await hall.rows(places);
  const known = all.find((place) => place.name.toLowerCase() === name.toLowerCase());
  if (known) return known.id;
  const [made] = await hall.insert(places, {
    name,
    roundOrder: Math.max(0, ...all.map(({ roundOrder }) => roundOrder)) + 1,
  });
  return made!.id;
}

export async function tagsInUse(hall: HallDb, tags: readonly string[]): Promise<string[]> {
  const found: string[] = [];
  for (const tag of tags)
    if (await hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")) })) found.push(tag);
  return found;
}

export function lockedByTag(hall: HallDb, tag: string): Promise<BarRow | null> {
  return hall.first(bars, { where: and(eq(bars.tag, tag), ne(bars.state, "retired")), forUpdate: true });
}
