import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type LogImport,
  type SetsForm,
  addSets,
  deleteSets,
  editSet,
  importSets,
  lastLogChange,
  undoLog,
} from "./changeLog";
export { grippedOn } from "./gripped";
export { type GymLog, type GymSet, MAX_SETS, gymLog } from "./gymLog";
export { type LoggedItem, listLog } from "./logList";
export { type LogItem, logOf } from "./logRows";
export { runSetLogged } from "./runLog";
export {
  type Expected,
  type Expecting,
  type KnownBar,
  type LifterLog,
  type LiftStrength,
  expecting,
  lifterByKey,
  lifterLog,
  loggableBars,
  usualWorths,
} from "./strength";
