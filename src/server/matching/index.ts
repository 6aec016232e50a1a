import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { barsToday } from "./barsToday";
export { hallCoverage, hallWants } from "./coverage";
export { type Matching, matchForLift } from "./matchForLift";
export { type OfferedCover, type OfferedMatch } from "./offered";
export { previewRules, saveMatchingRules } from "./policies";
export { type WallAnswer, wallAnswer } from "./wallScreen";
