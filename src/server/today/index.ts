import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type TodayBeside, todayBeside } from "./beside";
export { type FirstStep, firstWeek } from "./firstWeek";
export { todayCount, todayItems } from "./today";
export type { TodayItem } from "./todayItem";
