import "server-only";
import { type BackupState, type Context, backupState, may } from "@/server/access";

const DAY = 86_400_000;

/** What the manager should know of backups, in words. */
export interface BackupAlarm {
  title: string;
  because: string;
}

/** How backups stand, for the manager; null for others and where none are made. */
export const backupsOf = async (context: Context): Promise<BackupState | null> =>
  may(context, "backup.read") ? backupState() : null;

/** The alarm when the last good backup is over a day old, or its copy failed; null when all is well or none are made. */
export async function backupAlarm(context: Context): Promise<BackupAlarm | null> {
  if (!may(context, "backup.read")) return null;
  const state = await backupState();
  return state && alarmOf(state, context.clock.now());
}

/** The same from what is known, at a moment. */
export function alarmOf({ lastGoodAt, since, problem }: BackupState, now: Date): BackupAlarm | null {
  const why = problem ? `The last try said: ${problem}` : "None was made since.";
  const days = Math.floor((now.getTime() - (lastGoodAt ?? since).getTime()) / DAY);
  if (lastGoodAt === null && (days >= 1 || problem)) return { title: "There is no backup yet.", because: why };
  if (days >= 1)
    return { title: `The last good backup is ${days === 1 ? "1 day" : `${days} days`} old.`, because: why };
  return problem ? { title: "The last backup is good, its copy is not.", because: problem } : null;
}
