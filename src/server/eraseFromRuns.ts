import "server-only";
import { eq, sql } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import { runs, runSteps } from "@/data/schema";

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
