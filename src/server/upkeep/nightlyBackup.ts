import "server-only";
import { execFile } from "node:child_process";
import { promisify } from "node:util";
import { hallClockAt } from "@/core/units/hallDay";
import { type Context, backupHour, backupState, log, may } from "@/server/access";
import { noteAccount } from "@/server/accounts";
import { type Outcome, failed, forbidden } from "@/server/kit";

const HOUR = 3_600_000;
/** Nightly, whatever the minute the last one was finished. */
const DUE_AFTER_HOURS = 23;
/** So late it is made at any hour: the computer slept through the night. */
const LATE_AFTER_HOURS = 25;
/** One that failed is tried again after so long. */
const RETRY_AFTER = HOUR / 4;

let triedAt = -Infinity;

/**
 * Whether a backup is to be made.
 *
 * @param lastGoodAt null when there was none.
 * @param hour of the gym's day, 0 to 23.
 */
export function isBackupDue(lastGoodAt: Date | null, now: Date, hour: number, fromHour: number): boolean {
  if (lastGoodAt === null) return true;
  const hours = (now.getTime() - lastGoodAt.getTime()) / HOUR;
  return hours >= LATE_AFTER_HOURS || (hours >= DUE_AFTER_HOURS && hour >= fromHour);
}

/** Makes a backup now, for an owner who asks; the script writes into the database how it went. */
export async function backUpNow(context: Context): Promise<Outcome<object>> {
  if (!may(context, "hall.archive")) return forbidden("make a backup");
  if (!(await backupState())) return failed("impossible", "No backups are made: BACKUP_FOLDER is not set.");
  try {
    await promisify(execFile)(process.execPath, ["scripts/backup.mjs"], { cwd: process.cwd() });
  } catch (error) {
    context.log.error({ code: (error as { code?: unknown }).code }, "a backup by hand failed");
    return failed("impossible", "The backup failed; the reason is beside it.");
  }
  await noteAccount(context, "backup-made");
  return { ok: true };
}

/** Makes the nightly backup when it is due, by the script that people call by hand too. Never throws. */
export async function backUpWhenDue({ clock, actor }: Pick<Context, "clock" | "actor">): Promise<void> {
  try {
    const state = await backupState();
    const now = clock.now();
    if (!state || now.getTime() - triedAt < RETRY_AFTER) return;
    const hour = Number(hallClockAt(now, actor.timeZone).slice(0, 2));
    if (!isBackupDue(state.lastGoodAt, now, hour, backupHour())) return;
    triedAt = now.getTime();
    await promisify(execFile)(process.execPath, ["scripts/backup.mjs", "--nightly"], { cwd: process.cwd() });
    log().info("backed up");
  } catch (error) {
    // The script wrote why into the database, where Today reads it.
    log().error({ code: (error as { code?: unknown }).code }, "the nightly backup failed");
  }
}
