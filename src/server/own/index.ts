import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type OwnSheet, eraseOwn, exportOwn, ownSheet, saveOwnComfort, saveOwnNote } from "./own";
