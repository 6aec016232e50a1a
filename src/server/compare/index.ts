import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type ComparedKind, type Comparison, comparisonFor, questionWords } from "./comparison";
