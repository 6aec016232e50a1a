import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type BackupAlarm, backupAlarm, backupsOf, lastDrill, noteDrill } from "./backupAlarm";
export { backUpNow } from "./nightlyBackup";
export { keepCareCurrent } from "./housekeeping";
export { startProgram } from "./program";
