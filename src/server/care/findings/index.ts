import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type Finding,
  barToCareFor,
  checkedPhoto,
  findingPhoto,
  keepFinding,
  listFindings,
  settleFinding,
} from "./findings";
