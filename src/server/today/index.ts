import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type TodayItem, todayCount, todayItems } from "./today";
