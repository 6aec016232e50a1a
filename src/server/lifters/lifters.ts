import "server-only";
import { and, asc, isNull, sql } from "drizzle-orm";
import { cache } from "react";
import type { Build } from "@/core/balance/body";
import { lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, forbidden } from "@/server/kit";

export type LifterRow = typeof lifters.$inferSelect;

/** Lifters by name; nobody but coach and manager sees any. Read once a request. */
export const listLifters = cache(async (context: Context): Promise<LifterRow[]> => {
  if (!may(context, "lifter.read")) return [];
  return context.hall.rows(lifters, {
    where: isNull(lifters.retiredAt),
    orderBy: [asc(lifters.name), asc(lifters.id)],
  });
});

/** Lifters a page at a time, for programs of a coach. */
export async function listLifterPage(
  context: Context,
  { limit, after }: { limit: number; after?: [name: string, id: string] },
): Promise<Outcome<{ items: LifterRow[]; nextCursor: string | null }>> {
  if (!may(context, "lifter.read")) return forbidden("read lifters");
  const rows = await context.hall.rows(lifters, {
    where: and(
      isNull(lifters.retiredAt),
      after && sql`(${lifters.name}, ${lifters.id}) > (${after[0]}, ${after[1]}::uuid)`,
    ),
    orderBy: [asc(lifters.name), asc(lifters.id)],
    limit: limit + 1,
  });
  const items = rows.slice(0, limit);
  const last = items.at(-1);
  return { ok: true, items, nextCursor: rows.length > limit && last ? JSON.stringify([last.name, last.id]) : null };
}

/** Body lengths as far as known; null without height and mass. */
export function buildOf(row: LifterRow): Build | null {
  const { heightMm, massKg, trunkLengthMm, thighLengthMm, shankLengthMm } = row;
  return heightMm && massKg ? { heightMm, massKg, trunkLengthMm, thighLengthMm, shankLengthMm } : null;
}
