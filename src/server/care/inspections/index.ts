import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { checkBar, checkLacks, factProblems, inspectBar, inspectionsOf, partsOf, tickCheck } from "./inspections";
