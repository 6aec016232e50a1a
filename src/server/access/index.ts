import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { closeDatabase as closeConnections, databaseAnswers as isReady } from "@/data/client";
export { isUnavailable } from "@/data/unavailable";
export { log } from "@/data/log";
export { type BackupState, backupHour, backupState } from "./backups";
export { keptBriefly } from "./briefly";
export { type Actor, type Clock, type Context, inTransaction } from "./context";
export { endNews, onNews } from "./news";
export { may } from "./permissions";
export { secondsToWait } from "./rate";
export {
  becomePerson,
  contextOfCalendar,
  contextOfEachHall,
  peopleToBecome,
  requestContext,
  requestContextOf,
} from "./session";
