import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { factProblems, inspectBar, inspectionsOf, partsOf } from "./inspections";
