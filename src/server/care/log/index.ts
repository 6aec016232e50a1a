import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type LogItem, careCrew, careLately, logDone, tickCare, undoCare } from "./careLog";
