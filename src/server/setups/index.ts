import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type KeptSetting, currentSetting, currentSettings, keptSettings } from "./keptSettings";
export { type SetBar, barToSet, barsToSet, liftersToSet, liftsToSet } from "./setBars";
export { type CardPage, cardPage, cardPages, settingCounts, settingSheet } from "./setupCards";
export { calibrate, copySetting, keepSetting, noteStand, usualKgOf, writeSettings } from "./setupChanges";
export { type StationHoles, stationHoles, stationHolesOfEach } from "./stationHoles";
export {
  type ListedPlace,
  type ListedStation,
  type ListedStored,
  type Storage,
  storageDangers,
  storageOf,
} from "./storage";
export { type Space, spaceOf } from "./space";
export { hangBar, movePlace, putAway, savePlace } from "./storageChanges";
