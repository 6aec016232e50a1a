import "server-only";
import { asc, desc, isNotNull } from "drizzle-orm";
import { database } from "@/data/client";
import { environment, now } from "@/data/environment";
import { backups, halls } from "@/data/schema";

/** What is known of backups of the database, which belongs to no one hall. */
export interface BackupState {
  /** When the last good one was finished; null when there was none. */
  lastGoodAt: Date | null;
  /** When the first hall was made: before that there was nothing to back up. */
  since: Date;
  /** Why the last one failed, or its copy did; null when all was well. */
  problem: string | null;
}

/** How backups stand; null where the program makes none. */
export async function backupState(): Promise<BackupState | null> {
  if (environment().backupFolder === null) return null;
  const newest = desc(backups.finishedAt);
  const [[good], [last], [first]] = await Promise.all([
    database().select().from(backups).where(isNotNull(backups.file)).orderBy(newest).limit(1),
    database().select().from(backups).orderBy(newest).limit(1),
    database().select({ at: halls.createdAt }).from(halls).orderBy(asc(halls.createdAt)).limit(1),
  ]);
  return { lastGoodAt: good?.finishedAt ?? null, since: first?.at ?? now(), problem: last?.problem ?? null };
}

/** From which hour of the day backups are made, 0 to 23. */
export const backupHour = (): number => environment().backupHour;
