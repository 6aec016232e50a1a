import "server-only";
import { and, desc, eq, gte } from "drizzle-orm";
import { addDays, type HallDay } from "@/core/units/hallDay";
import { bars, lifters, logSets } from "@/data/schema";
import { type Context, may } from "@/server/access";

/** A set in the gym's log: who, on which bar, how much. */
export interface GymSet {
  id: string;
  on: HallDay;
  lifterKey: string;
  lifter: string;
  liftKey: string;
  variant: string;
  tag: string;
  setting: string;
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
  note: string | null;
}

export interface GymLog {
  sets: GymSet[];
  /** There are more in these days than are told. */
  isCut: boolean;
}

/** More than these in one list nobody reads; a lifter’s own log has all of theirs. */
export const MAX_SETS = 600;

/**
 * What was lifted in the gym, the newest first.
 *
 * @param days back from today, today included
 * @returns null for whoever may not read lifters
 */
export async function gymLog(
  context: Context,
  { days, lifterKey, liftKey, tag }: { days: number; lifterKey?: string; liftKey?: string; tag?: string },
): Promise<GymLog | null> {
  if (!may(context, "lifter.read")) return null;
  const rows = await context.hall.rowsWith(
    logSets,
    {
      bar: { table: bars, on: eq(bars.id, logSets.barId), columns: { tag: bars.tag } },
      lifter: {
        table: lifters,
        on: eq(lifters.id, logSets.lifterId),
        columns: { key: lifters.key, name: lifters.name },
      },
    },
    {
      where: and(
        gte(logSets.liftedOn, addDays(context.clock.today, 1 - days)),
        lifterKey ? eq(lifters.key, lifterKey) : undefined,
        liftKey ? eq(logSets.liftKey, liftKey) : undefined,
        tag ? eq(bars.tag, tag) : undefined,
      ),
      orderBy: [desc(logSets.liftedOn), desc(logSets.lifterId), desc(logSets.seq)],
      limit: MAX_SETS + 1,
    },
  );
  return {
    isCut: rows.length > MAX_SETS,
    sets: rows.slice(0, MAX_SETS).map(({ row, bar, lifter }) => ({
      ...{ id: row.id, on: row.liftedOn, lifterKey: lifter!.key, lifter: lifter!.name, tag: bar!.tag },
      ...{ liftKey: row.liftKey, variant: row.variant, setting: row.setting, loadKg: row.loadKg },
      ...{ repetitions: row.repetitions, reserve: row.reserve, isMade: row.isMade, note: row.note },
    })),
  };
}
