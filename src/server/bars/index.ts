import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { enterBars } from "./addBars";
export { type BarDetails, barDetails, latestOfEach } from "./barPage";
export { planCareOf, refreshEffective, writeRecords, writeRecordsWithoutCare } from "./barRows";
export { changeBarState } from "./barState";
export {
  barById,
  barsByTag,
  barsInState,
  barsNeverWeighed,
  barsOffTheirLabel,
  barsOnTheWall,
  countInState,
  listBars,
  withQuantities,
} from "./bars";
export type { ListedBar } from "./listedBar";
export { editBar } from "./editBar";
export { insertBars, insertMeasurements } from "./insertBars";
export { type Measuring, measureBar } from "./measureBar";
export { returnLacks } from "./returnToService";
export { undoLastChange } from "./undoBarChange";
export { type WallBar, type WallFacts, wallBars, wallFacts } from "./wall";
export { withoutMoney } from "./withoutMoney";
export { type LabelAsk, labelledBars } from "./labels";
