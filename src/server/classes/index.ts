import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { addEntry, assignTonight, lockEntry, reassignTonight, removeEntry, saveClass } from "./classChanges";
export { type PoolStation, classPool } from "./classPool";
export {
  type BrokenClass,
  type ClassDetails,
  type ClassItem,
  type ClassRow,
  classDetails,
  classesBroken,
  classesUnassigned,
  listClasses,
} from "./classes";
