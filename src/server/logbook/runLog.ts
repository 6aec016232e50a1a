import "server-only";
import { and, eq } from "drizzle-orm";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import { hallDayAt } from "@/core/units/hallDay";
import { logSets, type runs } from "@/data/schema";
import type { Context } from "@/server/access";
import { follow } from "./changeLog";
import { nextSeq } from "./logRows";

type Run = Pick<typeof runs.$inferSelect, "id" | "barId" | "liftKey" | "lifterIds" | "startedAt" | "state">;

/**
 * Brings the log up to one set of a run sheet: a work set that was lifted stands in it, with how it went as far as
 * somebody said; one that was undone does not. What somebody edited in the log stays as they wrote it. Of sheets without
 * a lift, and of names that are no lifter's, nothing is logged. Call it in the touch's transaction.
 */
export async function runSetLogged(context: Context, run: Run, setId: string): Promise<void> {
  const { hall, actor } = context;
  const set = run.state.sets.find(({ id }) => id === setId);
  const lifterId = set && run.lifterIds[set.lifter];
  if (!set || !lifterId || !run.liftKey) return;
  const before = await hall.first(logSets, { where: and(eq(logSets.runId, run.id), eq(logSets.runSetId, setId)) });
  // A warm-up says nothing of strength, unless somebody says how it went.
  const isLogged = set.state === "done" && (set.isWork || set.effort !== undefined);
  if (!isLogged) {
    if (!before) return;
    await hall.remove(logSets, eq(logSets.id, before.id));
    return follow(context, lifterId, [before]);
  }
  if (before && before.version > 1) return;
  const kg = kgFromMassUnits(set.achievedUnits);
  const { repetitions = set.repetitions ?? 1, reserve = null, isMade = true, handsHelped = false } = set.effort ?? {};
  const row = {
    ...{ loadValue: trimmed(kg, 4), loadUnit: "kg" as const, loadKg: kg },
    ...{ repetitions, reserve, isMade, handsHelped, setting: (set.setup ?? "").slice(0, 60) },
  };
  if (before) await hall.update(logSets, eq(logSets.id, before.id), row);
  else {
    // A session that runs past midnight belongs to the evening it began.
    const liftedOn = hallDayAt(run.startedAt, actor.timeZone);
    await hall.insert(logSets, {
      ...row,
      ...{ lifterId, barId: run.barId, liftKey: run.liftKey, liftedOn, seq: await nextSeq(hall, lifterId, liftedOn) },
      ...{ source: "run", runId: run.id, runSetId: setId },
    });
  }
  await follow(context, lifterId, [{ liftKey: run.liftKey }]);
}
