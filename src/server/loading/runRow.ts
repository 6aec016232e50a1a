import "server-only";
import { eq } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import { runs } from "@/data/schema";

export type RunRow = typeof runs.$inferSelect;

/** A run of the hall; null when there is none, or what was asked for is no id. */
export const findRun = async (hall: HallDb, id: string, forUpdate = false) =>
  /^[0-9a-f-]{36}$/.test(id) ? hall.first(runs, { where: eq(runs.id, id), forUpdate }) : null;
