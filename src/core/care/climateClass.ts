/** Climates that practice tells apart when it says how often. */
export const CLIMATE_CLASSES = ["dry", "temperate", "humid", "salt-humid"] as const;
export type ClimateClass = (typeof CLIMATE_CLASSES)[number];

/** How a sentence names the air. */
export const CLIMATE_WORDS: Record<ClimateClass, string> = {
  dry: "dry air",
  temperate: "temperate air",
  humid: "humid air",
  "salt-humid": "salt-humid air",
};

/** Days between two times in climates that practice gives figures for. */
export type DaysByClimate = Record<Exclude<ClimateClass, "humid">, number>;

/**
 * Days between two times in a climate. Humid air without salt lies between temperate and salt-humid: the geometric mean
 * of both (ours).
 *
 * @returns whole days
 */
export const daysIn = (days: DaysByClimate, climate: ClimateClass): number =>
  climate === "humid" ? Math.round(Math.sqrt(days.temperate * days["salt-humid"])) : days[climate];
