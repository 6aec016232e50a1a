import "server-only";
import { type SQL, and, asc, desc, sql } from "drizzle-orm";
import type { AnyPgColumn } from "drizzle-orm/pg-core";
import type { PlateKind } from "@/core/loading/plateKind";
import type { HallTable } from "@/data/hallDb";
import { clamps, lifts, plates, stations } from "@/data/schema";
import type { Context } from "@/server/access";

export type PlateRow = typeof plates.$inferSelect;

export type ClampRow = typeof clamps.$inferSelect;

export type StationRow = typeof stations.$inferSelect;

export type LiftRow = typeof lifts.$inferSelect;

export interface Page<T> {
  items: T[];
  nextCursor: string | null;
}

export interface PageQuery {
  limit?: number;
  /** What the last page's nextCursor said. */
  after?: [string | number, string];
}

/** Plates of the hall, heaviest first. */
export const listPlates = (context: Context, query: PageQuery = {}): Promise<Page<PlateRow>> =>
  pageOf(context, plates, plates.massUnits, plates.id, "desc", query, (row) => [row.massUnits, row.id]);

/** Stations of the hall, by key. */
export const listStations = (context: Context, query: PageQuery = {}): Promise<Page<StationRow>> =>
  pageOf(context, stations, stations.key, stations.id, "asc", query, (row) => [row.key, row.id]);

/** Lifts of the hall, in the order people list them. */
export const listLifts = (context: Context, query: PageQuery = {}): Promise<Page<LiftRow>> =>
  pageOf(context, lifts, lifts.listOrder, lifts.id, "asc", query, (row) => [row.listOrder, row.id]);

export function listClamps(context: Context): Promise<ClampRow[]> {
  return context.hall.rows(clamps, { orderBy: [asc(clamps.pairMassUnits)] });
}

/** A plate as the loading takes it. */
export function plateKindOf(row: PlateRow): PlateKind {
  return {
    id: row.key,
    massUnits: row.massUnits,
    pairs: row.pairs,
    thicknessMm: row.thicknessMm,
    diameterMm: row.diameterMm,
    material: row.material,
  };
}

async function pageOf<T extends HallTable>(
  context: Context,
  table: T,
  sortBy: AnyPgColumn,
  id: AnyPgColumn,
  direction: "asc" | "desc",
  { limit = 500, after }: PageQuery,
  keyOf: (row: T["$inferSelect"]) => [string | number, string],
): Promise<Page<T["$inferSelect"]>> {
  const beyond: SQL | undefined =
    after &&
    (direction === "asc"
      ? sql`(${sortBy}, ${id}) > (${after[0]}, ${after[1]}::uuid)`
      : sql`(${sortBy}, ${id}) < (${after[0]}, ${after[1]}::uuid)`);
  const order = direction === "asc" ? asc : desc;
  const rows = await context.hall.rows(table, {
    where: and(beyond),
    orderBy: [order(sortBy), order(id)],
    limit: limit + 1,
  });
  const items = rows.slice(0, limit);
  return { items, nextCursor: rows.length > limit ? JSON.stringify(keyOf(items.at(-1)!)) : null };
}
