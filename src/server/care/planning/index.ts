import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { saveCareRules } from "./careRules";
export { CARE_TASK_KIND, careTaskTexts, careTasksOf, saveCareTask } from "./careTasks";
export { careHouse } from "./meterHouse";
export { type MeterItem, careMeters, saveBarFactors } from "./meters";
export { careFollows, planCare, replanCare } from "./planCare";
export { saveClimate } from "./climate";
export { CARE_KEY, careRulesFrom, storedCareRules, storedCareRulesOf } from "./storedCareRules";
export { usesByBar } from "./uses";
