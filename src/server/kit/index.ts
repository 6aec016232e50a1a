import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type FieldKind, type FieldRow, type RowToWrite, type Values, readRow, saveRow, writeRows } from "./fieldRows";
export { checkForm } from "./checkForm";
export { fieldSchema, problemsOfTexts } from "./fieldSchema";
export { barsByTag, withTag } from "./barTags";
export { changesOf, lastChangeOf, recordChange, recordChanges } from "./history";
export { idempotent } from "./idempotent";
export { inTurn } from "./inTurn";
export { careTasksById, doneByWords, namesById, placeNames, placesById, stationNames } from "./lookups";
export { type Failed, type Outcome, failed, forbidden, notFound, stale } from "./outcome";
