import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { MATCHING_KEY, matchingRules, storedRules } from "./matchingRules";
export { MEASURING_KEY, measuringRules, saveMeasuringRules } from "./measuringRules";
export { type LabelRules, labelRules, saveLabelRules } from "./labelRules";
export { type KeepingRules, keepingRules, saveKeepingRules } from "./keepingRules";
export { saveUseCard, type UsageRules, usageRules } from "./usageRules";
export { saveStrengthRules, STRENGTH_KEY, strengthRules } from "./strengthRules";
export { saveSteadiness, steadinessRules } from "./steadinessRules";
export { floorRules, saveFloor } from "./floorRules";
