import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { PARTS, exportBars, exportHall, importHall } from "./hallFile";
export { barCells } from "./parts/readBars";
export { restoreArchive, takeArchive } from "./archive";
