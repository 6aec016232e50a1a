/** Climates that practice tells apart when it says how often. */
export const CLIMATE_CLASSES = ["dry", "temperate", "salt-humid"] as const;
export type ClimateClass = (typeof CLIMATE_CLASSES)[number];

/** How a sentence names the air. */
export const CLIMATE_WORDS: Record<ClimateClass, string> = {
  dry: "dry air",
  temperate: "temperate air",
  "salt-humid": "salt-humid air",
};
