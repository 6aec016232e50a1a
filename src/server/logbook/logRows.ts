import "server-only";
import { and, asc, desc, eq } from "drizzle-orm";
import type { FamilyKey } from "@/core/bars/families";
import { type LoggedSet, byLift, worthsOf } from "@/core/strength/lifterLog";
import type { StrengthRules } from "@/core/strength/strengthRules";
import type { HallDay } from "@/core/units/hallDay";
import { trimNumeric } from "@/data/barRecordRows";
import type { HallDb } from "@/data/hallDb";
import { barWorths, bars, logSets } from "@/data/schema";

export type LogRow = typeof logSets.$inferSelect;

/** A logged set with its bar, retired ones included: a log outlives its bars. */
export interface LogItem extends LoggedSet {
  tag: string;
  barName: string;
  loadValue: string;
  loadUnit: "kg" | "lb";
  note: string | null;
  source: LogRow["source"];
  version: number;
}

const withBar = {
  bar: {
    table: bars,
    on: eq(bars.id, logSets.barId),
    columns: { tag: bars.tag, name: bars.name, family: bars.family },
  },
};

/** Everything a lifter lifted, by day and order; of one lift where it is named. */
export async function logOf(hall: HallDb, lifterId: string, liftKey?: string): Promise<LogItem[]> {
  const rows = await hall.rowsWith(logSets, withBar, {
    where: and(eq(logSets.lifterId, lifterId), liftKey === undefined ? undefined : eq(logSets.liftKey, liftKey)),
    orderBy: [asc(logSets.liftedOn), asc(logSets.seq)],
  });
  return rows.map(({ row, bar }) => itemOf(row, bar!));
}

export function itemOf(row: LogRow, bar: { tag: string; name: string; family: string }): LogItem {
  // Field by field: a long log has thousands of these.
  return {
    id: row.id,
    liftKey: row.liftKey,
    variant: row.variant,
    barId: row.barId,
    setting: row.setting,
    handsHelped: row.handsHelped,
    loadKg: row.loadKg,
    repetitions: row.repetitions,
    reserve: row.reserve,
    isMade: row.isMade,
    family: bar.family as FamilyKey,
    tag: bar.tag,
    barName: bar.name,
    on: row.liftedOn,
    loadValue: trimNumeric(row.loadValue),
    loadUnit: row.loadUnit === "lb" ? "lb" : "kg",
    note: row.note,
    source: row.source,
    version: row.version,
  };
}

/** The next place in a lifter's day. */
export async function nextSeq(hall: HallDb, lifterId: string, on: HallDay): Promise<number> {
  const last = await hall.first(logSets, {
    where: and(eq(logSets.lifterId, lifterId), eq(logSets.liftedOn, on)),
    orderBy: [desc(logSets.seq)],
  });
  return (last?.seq ?? 0) + 1;
}

/** Brings what bars are worth to a lifter in one lift up to their log. */
export async function worthsFollow(
  hall: HallDb,
  rules: StrengthRules,
  lifterId: string,
  liftKeys: ReadonlySet<string>,
  today: HallDay,
): Promise<void> {
  for (const liftKey of liftKeys) {
    await hall.remove(barWorths, and(eq(barWorths.lifterId, lifterId), eq(barWorths.liftKey, liftKey)));
    const logs = byLift(await logOf(hall, lifterId, liftKey));
    const rows = logs.flatMap((log) => worthsOf(rules, log, today)).map((row) => ({ ...row, lifterId }));
    if (rows.length > 0) await hall.insert(barWorths, rows);
  }
}
