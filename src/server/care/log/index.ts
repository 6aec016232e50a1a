import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type LogItem,
  type Tick,
  careCrew,
  careLately,
  logDone,
  planToTick,
  tickCare,
  tickProblems,
  undoCare,
} from "./careLog";
