import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { closeDatabase as closeConnections, databaseAnswers as isReady } from "@/data/client";
export { isUnavailable } from "@/data/unavailable";
export type { Database } from "@/data/client";
export { log } from "@/data/log";
export { type BackupState, backupHour, backupState } from "./backups";
export { keptBriefly } from "./briefly";
export { type Actor, type Clock, type Context, inTransaction } from "./context";
export { endNews, onNews } from "./news";
export { cookieToken, dropCookie, setCookie } from "./cookie";
export { DEVICE_HOME } from "./deviceScreens";
export { type Door, isConfirmed } from "./door";
export { doorstep, type Doorstep, doorstepOfProgram } from "./doorstep";
export { frameIsOut } from "./frame";
export { DEVICE_MARK, deviceRoleOf, IDLE_MS, SESSION_MARK } from "./entry";
export { isTablet, may, type Permission } from "./permissions";
export { secondsToWait } from "./rate";
export { hashOf, hmacOf, newToken, sealed, unsealed } from "./secrets";
export {
  contextOfCalendar,
  contextOfEachHall,
  maybeContext,
  Nobody,
  requestContext,
  requestContextOf,
} from "./session";
