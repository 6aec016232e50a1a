import "server-only";
import { and, eq, inArray, ne } from "drizzle-orm";
import type { AnyPgColumn } from "drizzle-orm/pg-core";
import type { BarRow } from "@/data/barRows";
import type { HallDb } from "@/data/hallDb";
import { bars } from "@/data/schema";

/** Tag and name of the bar that a row names, for `rowsWith`. */
export const withTag = (barId: AnyPgColumn) => ({
  table: bars,
  on: eq(bars.id, barId),
  columns: { tag: bars.tag, name: bars.name },
});

/** Bars that are not retired, by tag. */
export async function barsByTag(hall: HallDb, tags: readonly string[]): Promise<Map<string, BarRow>> {
  const rows = await hall.rows(bars, {
    where: and(inArray(bars.tag, [...new Set(tags)]), ne(bars.state, "retired")),
  });
  return new Map(rows.map((row) => [row.tag, row]));
}
