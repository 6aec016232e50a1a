import "server-only";
import { and, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import {
  barNotes,
  barWorths,
  changes,
  lifterBars,
  lifterSettings,
  lifters,
  logSets,
  rotations,
  runSteps,
  runs,
  sideViews,
} from "@/data/schema";
import { type Context, inTransaction, isConfirmed, may } from "@/server/access";
import { CONFIRM_FIRST, noteAccount } from "@/server/accounts";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";

/**
 * Erases a person: name, sizes, limits, notes and loads go, also from the history; that somebody was there stays, so
 * that what refers to them still counts.
 */
export async function eraseLifter(context: Context, key: string): Promise<Outcome<object>> {
  if (!may(context, "lifter.erase")) return forbidden("erase lifters");
  if (!isConfirmed(context)) return failed("forbidden", CONFIRM_FIRST);
  return eraseRow(context, eq(lifters.key, key));
}

/** Erases whoever the condition names; for those who may, and for somebody who erases themselves. */
export async function eraseRow(context: Context, where: SQL): Promise<Outcome<object>> {
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(lifters, { where, forUpdate: true });
    if (!row) return notFound("such lifter");
    await hall.update(lifters, eq(lifters.id, row.id), {
      key: `erased-${row.id.slice(0, 8)}`,
      name: "erased",
      squad: null,
      heightMm: null,
      massKg: null,
      trunkLengthMm: null,
      thighLengthMm: null,
      shankLengthMm: null,
      handLengthMm: null,
      experience: "regular",
      isMinor: null,
      guardianConsent: null,
      limits: null,
      comfortNote: null,
      coachNote: null,
      purposes: null,
      confirmed: null,
      usualLoads: null,
      meetings: null,
      personId: null,
      retiredAt: context.clock.now(),
      version: row.version + 1,
    });
    await hall.remove(lifterBars, eq(lifterBars.lifterId, row.id));
    await hall.remove(lifterSettings, eq(lifterSettings.lifterId, row.id));
    await hall.remove(barNotes, eq(barNotes.lifterId, row.id));
    await hall.remove(sideViews, eq(sideViews.lifterId, row.id));
    await hall.remove(logSets, eq(logSets.lifterId, row.id));
    await hall.remove(barWorths, eq(barWorths.lifterId, row.id));
    await eraseFromRuns(hall, row.id);
    await eraseFromRotations(hall, row.id);
    await hall.update(changes, and(inArray(changes.entity, ["lifter", "log"]), eq(changes.entityId, row.id)), {
      before: null,
      after: null,
    });
    await recordChange(context, { entity: "lifter", entityId: row.id, action: "erased" });
    await noteAccount(context, "erased");
    return { ok: true };
  });
}

/** Takes a name out of every run that it is known in; for a lifter who is erased. */
export async function eraseFromRuns(hall: HallDb, lifterId: string): Promise<void> {
  const rows = await hall.rows(runs, {
    where: sql`${runs.lifterIds}::text like ${`%${lifterId}%`}`,
    forUpdate: true,
  });
  for (const row of rows) {
    const names = Object.entries(row.lifterIds).flatMap(([name, id]) => (id === lifterId ? [name] : []));
    const sets = row.state.sets.map((set) => (names.includes(set.lifter) ? { ...set, lifter: "erased" } : set));
    await hall.update(runs, eq(runs.id, row.id), {
      state: { ...row.state, sets },
      planAddress: "/load/session",
      lifterIds: Object.fromEntries(Object.entries(row.lifterIds).filter(([name]) => !names.includes(name))),
    });
    await hall.update(runSteps, eq(runSteps.runId, row.id), { notice: null });
  }
}

/** Takes a lifter out of every rotation: who was planned beside them stays planned. */
async function eraseFromRotations(hall: HallDb, lifterId: string): Promise<void> {
  const rows = await hall.rows(rotations, {
    where: sql`${rotations.wish}::text like ${`%${lifterId}%`}`,
    forUpdate: true,
  });
  for (const { id, wish, plan, version } of rows)
    await hall.update(rotations, eq(rotations.id, id), {
      wish: {
        ...wish,
        lifterIds: wish.lifterIds.filter((one) => one !== lifterId),
        pins: wish.pins.filter((pin) => pin.lifterId !== lifterId),
      },
      plan: plan && { ...plan, rows: plan.rows.filter((row) => row.lifterId !== lifterId) },
      version: version + 1,
    });
}
