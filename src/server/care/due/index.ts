import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type DueCursor,
  type DueItem,
  type NeedyBar,
  type TaskDue,
  careDueByTask,
  careDueCounts,
  careDueList,
  careDueOn,
  careDuePage,
  careOfBar,
  careOfBars,
  neediestBars,
} from "./careDue";
