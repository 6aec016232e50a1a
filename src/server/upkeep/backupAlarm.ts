import "server-only";
import { desc, eq } from "drizzle-orm";
import { accountLog } from "@/data/schema";
import { type BackupState, type Context, backupState, may } from "@/server/access";
import { noteAccount } from "@/server/accounts";
import { type Outcome, forbidden } from "@/server/kit";

const DAY = 86_400_000;
const DRILL_DAYS = 365;

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
  return state && (alarmOf(state, context.clock.now()) ?? (await drillAlarm(context, state.since)));
}

/** Once a year somebody has to see that a backup can be restored at all; the owner is reminded. */
async function drillAlarm(context: Context, since: Date): Promise<BackupAlarm | null> {
  if (!may(context, "hall.archive")) return null;
  const last = (await lastDrill(context)) ?? since;
  const days = Math.floor((context.clock.now().getTime() - last.getTime()) / DAY);
  if (days < DRILL_DAYS) return null;
  return {
    title: "Nobody has tried to restore a backup for a year.",
    because: "A backup that nobody can restore is none. Settings, Backups says how to try it on another computer.",
  };
}

/** When somebody last said that a restore was tried; null when nobody did. */
export async function lastDrill({ hall }: Pick<Context, "hall">): Promise<Date | null> {
  const row = await hall.first(accountLog, {
    where: eq(accountLog.kind, "drill-done"),
    orderBy: [desc(accountLog.at)],
  });
  return row?.at ?? null;
}

/** Notes that a restore was tried. */
export async function noteDrill(context: Context): Promise<Outcome<object>> {
  if (!may(context, "hall.archive")) return forbidden("note a restore drill");
  await noteAccount(context, "drill-done");
  return { ok: true };
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
