import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { TooBusy, TookTooLong } from "./busy";
export { drawPaper, endPress } from "./papers";
export { AT_ONCE_OF_INTERFACE, compute, endThreads } from "./threads";
