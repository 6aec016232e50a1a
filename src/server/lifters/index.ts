import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type LifterBar, barUse, barsOfLifter, noteBarUse } from "./barUse";
export { eraseLifter, eraseRow } from "./eraseLifter";
export { confirmLifter, confirmable, lifterKind, lifterTexts, rulesKnown, saveLifter } from "./lifterChanges";
export { linkPerson, peopleToLink, personOfLifter } from "./linkPerson";
export { type LifterRow, buildOf, listLifterPage, listLifters } from "./lifters";
export { matchLifterOf } from "./matchLifter";
