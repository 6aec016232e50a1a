import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { INK, QUIET, RULE, colorOf, drawSheet, printable, wrapped } from "./pdfSheet";
export { qrPath } from "./qrPath";
