import "server-only";
import { ne, sql } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import { bars, places } from "@/data/schema";
import type { ListedBar } from "./listedBar";

interface Kept {
  stamp: string;
  items: ListedBar[];
}

/** Bars that are kept in all, of the walls that were read last. */
const MAX_KEPT = 60_000;
const kept = new Map<string, Kept>();

/**
 * A hall's wall as it is, read again only when one of its bars or places was written since. Every write gives a row
 * another transaction number, so their sum tells, whoever wrote: this copy of the program or another, or somebody at the
 * database. What stands in a bar's other tables moves the bar's own row on too.
 *
 * @param read reads it; what it gave is shared between requests, and nobody changes it.
 */
export async function keptWall(hall: HallDb, read: () => Promise<ListedBar[]>): Promise<ListedBar[]> {
  const stamp = await stampOf(hall);
  const known = kept.get(hall.hallId);
  kept.delete(hall.hallId);
  if (known?.stamp === stamp) {
    kept.set(hall.hallId, known);
    return known.items;
  }
  const items = await read();
  kept.set(hall.hallId, { stamp, items });
  let all = [...kept.values()].reduce((sum, one) => sum + one.items.length, 0);
  for (const [hallId, one] of kept) {
    if (all <= MAX_KEPT || hallId === hall.hallId) break;
    kept.delete(hallId);
    all -= one.items.length;
  }
  return items;
}

async function stampOf(hall: HallDb): Promise<string> {
  const written = (table: string) => sql<string>`coalesce(sum(${sql.raw(table)}.xmin::text::bigint), 0)::text`;
  const count = sql<number>`count(*)::int`;
  const [[wall], [hung]] = await Promise.all([
    hall.summary(bars, { count, written: written("bars") }, { where: ne(bars.state, "retired") }),
    hall.summary(places, { count, written: written("places") }),
  ]);
  return [wall!.count, wall!.written, hung!.count, hung!.written].join();
}
