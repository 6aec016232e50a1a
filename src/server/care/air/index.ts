import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { importClimate } from "./importClimate";
export { keepReadings, readSensors } from "./readings";
export { saveSensor } from "./saveSensor";
export { type SensorRow, latestSteel, listSensors, sensorDays, sensorExtent, sweatWarning } from "./sensors";
