import "server-only";
import { eq, sql } from "drizzle-orm";
import { desc } from "drizzle-orm";
import { bars, lifters, logSets } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, forbidden } from "@/server/kit";

export interface LoggedItem {
  id: string;
  on: string;
  lifter: string;
  lift: string;
  bar: string;
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
}

/** Sets of everybody, newest first, a page at a time; for programs of a coach. */
export async function listLog(
  context: Context,
  { limit, after }: { limit: number; after?: [on: string, id: string] },
): Promise<Outcome<{ items: LoggedItem[]; nextCursor: string | null }>> {
  if (!may(context, "lifter.read")) return forbidden("read the log");
  const rows = await context.hall.rowsWith(
    logSets,
    {
      bar: { table: bars, on: eq(bars.id, logSets.barId), columns: { tag: bars.tag } },
      lifter: { table: lifters, on: eq(lifters.id, logSets.lifterId), columns: { key: lifters.key } },
    },
    {
      where: after && sql`(${logSets.liftedOn}, ${logSets.id}) < (${after[0]}::date, ${after[1]}::uuid)`,
      orderBy: [desc(logSets.liftedOn), desc(logSets.id)],
      limit: limit + 1,
    },
  );
  const items = rows.slice(0, limit).map(({ row, bar, lifter }): LoggedItem => ({
    ...{ id: row.id, on: row.liftedOn, lifter: lifter!.key, lift: row.liftKey, bar: bar!.tag, loadKg: row.loadKg },
    ...{ repetitions: row.repetitions, reserve: row.reserve, isMade: row.isMade },
  }));
  const last = items.at(-1);
  return { ok: true, items, nextCursor: rows.length > limit && last ? JSON.stringify([last.on, last.id]) : null };
}
