import { CLIMATE_CLASSES, type ClimateClass } from "./climateClass";
import { corrosionRate, type Air } from "./corrosion";

/** Air at which common practice says how often; the figures are ours (handbook §11). */
export const ANCHOR_AIR: Record<ClimateClass, Air> = {
  dry: { temperatureC: 22, relativeHumidityPct: 35, so2Deposition: 1, chlorideDeposition: 1 },
  temperate: { temperatureC: 15, relativeHumidityPct: 65, so2Deposition: 5, chlorideDeposition: 5 },
  humid: { temperatureC: 22, relativeHumidityPct: 78, so2Deposition: 5, chlorideDeposition: 15 },
  "salt-humid": { temperatureC: 26, relativeHumidityPct: 82, so2Deposition: 5, chlorideDeposition: 200 },
};

/** Practice spans threefold between dry and salt-humid where the rate spans thirtyfold (handbook §11). */
export const CLIMATE_EXPONENT = 0.35;
export const CLIMATE_LIMITS = [0.5, 4] as const;

const TEMPERATE_RATE = corrosionRate(ANCHOR_AIR.temperate);

/**
 * How much faster care is needed than in temperate air, by the corrosion rate in µm/year: 0.5 to 4.
 *
 * @returns a factor from 0.5 to 4; 1 at the temperate anchor
 */
export function climateFactor(rateUmPerYear: number): number {
  const [least, most] = CLIMATE_LIMITS;
  return Math.min(most, Math.max(least, (rateUmPerYear / TEMPERATE_RATE) ** CLIMATE_EXPONENT));
}

/**
 * The factor of a hall that has no readings, by its class.
 *
 * @returns a factor from 0.5 to 4
 */
export const classFactor = (climate: ClimateClass): number => climateFactor(corrosionRate(ANCHOR_AIR[climate]));

/**
 * The class whose air makes bars rust most nearly as fast.
 *
 * @returns a class
 */
export function nearestClass(air: Air): ClimateClass {
  const factor = climateFactor(corrosionRate(air));
  const off = (one: ClimateClass) => Math.abs(Math.log(classFactor(one) / factor));
  return CLIMATE_CLASSES.reduce((best, one) => (off(one) < off(best) ? one : best));
}
