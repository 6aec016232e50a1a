import "server-only";
import { and, asc, eq, inArray, ne, sql } from "drizzle-orm";
import { cache } from "react";
import type { BarState } from "@/core/bars/bar";
import { groupBy } from "@/core/collections/groupBy";
import { type BarRow, barFromRow, storedQuantities } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { inMany } from "@/data/inMany";
import { barQuantities, bars } from "@/data/schema";
import type { Context } from "@/server/access";
import { placesById } from "@/server/kit";
import type { ListedBar } from "./listedBar";
import { keptWall } from "./wallCache";

export interface BarPage {
  items: ListedBar[];
  /** Where the next page starts, or null when this is the last. */
  nextCursor: string | null;
}

/** Bars of the hall by tag, retired ones included, a page at a time. */
export async function listBars(
  context: Context,
  { limit = 500, after }: { limit?: number; after?: { tag: string; id: string } } = {},
): Promise<BarPage> {
  const { hall } = context;
  const rows = await hall.rows(bars, {
    where: after ? sql`(${bars.tag}, ${bars.id}) > (${after.tag}, ${after.id}::uuid)` : undefined,
    orderBy: [asc(bars.tag), asc(bars.id)],
    limit: limit + 1,
  });
  const page = rows.slice(0, limit);
  const last = page.at(-1);
  return {
    items: await withQuantities(hall, page),
    nextCursor: rows.length > limit && last ? JSON.stringify([last.tag, last.id]) : null,
  };
}

/** Every bar of the hall that is not retired; looked at once a request, and read again when something of it changed. */
export const barsOnTheWall = cache(async ({ hall }: Context): Promise<ListedBar[]> => {
  return keptWall(hall, async () =>
    withQuantities(
      hall,
      await hall.rows(bars, { where: ne(bars.state, "retired"), orderBy: [asc(bars.tag), asc(bars.id)] }),
    ),
  );
});

/** Bars in some states, by tag; at most so many. */
export async function barsInState(context: Context, states: readonly BarState[], most: number): Promise<ListedBar[]> {
  const { hall } = context;
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: inArray(bars.state, [...states]),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** How many bars are in some states. */
export async function countInState(context: Context, states: readonly BarState[]): Promise<number> {
  const where = inArray(bars.state, [...states]);
  const [row] = await context.hall.summary(bars, { n: sql<number>`count(*)::int` }, { where });
  return row!.n;
}

/** Bars on the wall whose mass was measured beyond the tolerance from what is stated; at most so many. */
export async function barsOffTheirLabel(context: Context, toleranceKg: number, most: number): Promise<ListedBar[]> {
  const { hall } = context;
  const isOff = sql`exists (select 1 from ${barQuantities} where ${barQuantities.barId} = ${bars.id} and ${barQuantities.kind} = 'mass' and ${barQuantities.source} = 'measured' and abs(${barQuantities.effective} - ${barQuantities.stated}) > ${toleranceKg + 1e-9}::float8)`;
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: and(ne(bars.state, "retired"), isOff),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** Bars here whose mass nobody has measured; at most so many. */
export async function barsNeverWeighed(context: Context, most: number): Promise<ListedBar[]> {
  const { hall } = context;
  const isWeighed = sql`exists (select 1 from ${barQuantities} where ${barQuantities.barId} = ${bars.id} and ${barQuantities.kind} = 'mass' and ${barQuantities.source} = 'measured')`;
  return withQuantities(
    hall,
    await hall.rows(bars, {
      where: and(sql`${bars.state} not in ('retired', 'on-order')`, sql`not ${isWeighed}`),
      orderBy: [asc(bars.tag), asc(bars.id)],
      limit: most,
    }),
  );
}

/** One bar by its id, whatever its state; null when the hall has none. */
export async function barById(context: Context, id: string): Promise<ListedBar | null> {
  const { hall } = context;
  const rows = await hall.rows(bars, { where: eq(bars.id, id) });
  return (await withQuantities(hall, rows))[0] ?? null;
}

/** Some bars by tag, in the order asked for; tags that do not exist are left out. */
export async function barsByTag(context: Context, tags: readonly string[]): Promise<ListedBar[]> {
  if (tags.length === 0) return [];
  const { hall } = context;
  const found = await withQuantities(
    hall,
    await hall.rows(bars, { where: and(inArray(bars.tag, [...tags]), ne(bars.state, "retired")) }),
  );
  return tags.map((tag) => found.find(({ bar }) => bar.tag === tag)).filter((bar) => bar !== undefined);
}

export async function withQuantities(hall: HallDb, rows: BarRow[]): Promise<ListedBar[]> {
  if (rows.length === 0) return [];
  const quantities = groupBy(
    await hall.rows(barQuantities, {
      where: inMany(
        barQuantities.barId,
        rows.map(({ id }) => id),
      ),
    }),
    ({ barId }) => barId,
  );
  const hangsAt = await placesById(hall);
  return rows.map((row) => {
    const place = row.placeId ? hangsAt.get(row.placeId) : undefined;
    return {
      id: row.id,
      bar: barFromRow(row, storedQuantities(quantities.get(row.id) ?? [])),
      place: place?.name ?? null,
      placeOrder: place?.roundOrder ?? 0,
      version: row.version,
    };
  });
}
