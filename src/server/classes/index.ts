import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { addEntry, assignTonight, lockEntry, removeEntry, saveClass } from "./classChanges";
export { type PoolStation, classPool } from "./classPool";
export {
  type ClassDetails,
  type ClassItem,
  type ClassRow,
  classDetails,
  classesUnassigned,
  listClasses,
} from "./classes";
