/* What other rooms, pages and routes may use of this one. */

export { FACES, printable } from "./fonts";
export { DANGER, Foot, INK, Paper, pdfBytes, QUIET, RULE } from "./Paper";
export { Picture } from "./Picture";
export { Qr } from "./Qr";
