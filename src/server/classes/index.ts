import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { assignTonight, reassignTonight } from "./assign";
export { boardPlates } from "./boardPlates";
export { type ClassMove, type MoveCost, moveInClass, weighMove } from "./moveInClass";
export { addEntry, lockEntry, removeEntry, saveClass } from "./classChanges";
export { type PoolStation, USUAL_WARM_UP, classPool } from "./classPool";
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
export { saveBrushDuty } from "./brushDuty";
