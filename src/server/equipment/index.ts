import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type ClampRow,
  type Page,
  type PlateRow,
  type StationRow,
  listClamps,
  listLifts,
  listPlates,
  listStations,
  plateKindOf,
} from "./equipment";
export { type AnyRow, EQUIPMENT_KINDS, EQUIPMENT_TABLES, equipmentTexts, saveEquipment } from "./equipmentChanges";
export {
  type CheckedStation,
  type StationCheck,
  type StationJob,
  type StationsDue,
  checkStation,
  stationCare,
  stationJobs,
  stationsDue,
} from "./stationChecks";
export { massText, platePairings, readWeight, weighPlate, writeWeight } from "./weighing";
