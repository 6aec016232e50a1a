import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { startClock } from "./clock";
export { keepCareCurrent } from "./housekeeping";
