import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { exportHall, importHall } from "./hallFile";
export { barCells, exportBars } from "./parts/exportBars";
