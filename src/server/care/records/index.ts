import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type BarCondition, barCondition, rustAgainstCare } from "./condition";
export { type CareRecords, careLogRows, careRecords, recordYears } from "./records";
