/** Air at a place: what corrosion depends on. Depositions in mg/m²·day. */
export interface Air {
  temperatureC: number;
  relativeHumidityPct: number;
  so2Deposition: number;
  chlorideDeposition: number;
}

/** Corrosivity classes of ISO 9223:2012 for carbon steel in its first year, with their greatest rate in µm/year. */
export const CORROSIVITY = [
  ["C1", 1.3],
  ["C2", 25],
  ["C3", 50],
  ["C4", 80],
  ["C5", 200],
  ["CX", 700],
] as const;
export type Corrosivity = (typeof CORROSIVITY)[number][0];

/**
 * First-year corrosion rate of carbon steel in open air, in µm/year (ISO 9223:2012, dose-response function). Indoors it
 * ranks days and places; it does not predict microns there.
 *
 * @returns µm/year, 0 or more
 */
export function corrosionRate({
  temperatureC: t,
  relativeHumidityPct: rh,
  so2Deposition,
  chlorideDeposition,
}: Air): number {
  const f = t <= 10 ? 0.15 * (t - 10) : -0.054 * (t - 10);
  return (
    1.77 * so2Deposition ** 0.52 * Math.exp(0.02 * rh + f) +
    0.102 * chlorideDeposition ** 0.62 * Math.exp(0.033 * rh + 0.04 * t)
  );
}

/**
 * The class of a rate; beyond the last limit it is still the last class.
 *
 * @returns "C1" to "CX"
 */
export function corrosivityOf(rateUmPerYear: number): Corrosivity {
  return CORROSIVITY.find(([, most]) => rateUmPerYear <= most)?.[0] ?? "CX";
}

/**
 * The temperature at which air of this temperature and humidity is saturated, in °C (Alduchov & Eskridge 1996). Null at
 * 0 % humidity, where there is none.
 *
 * @returns °C; null at 0 % humidity
 */
export function dewPointC(temperatureC: number, relativeHumidityPct: number): number | null {
  if (!(relativeHumidityPct > 0)) return null;
  const gamma = Math.log(relativeHumidityPct / 100) + (17.625 * temperatureC) / (243.04 + temperatureC);
  return (243.04 * gamma) / (17.625 - gamma);
}
