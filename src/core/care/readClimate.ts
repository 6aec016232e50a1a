import type { Problem } from "../problem";
import { type NumberRule, readNumberRule } from "../units/numberRule";
import { CLIMATE_CLASSES, type ClimateClass } from "./climateClass";
import type { Air } from "./corrosion";

/** The gym's own figures of its air. */
export const AIR_NUMBERS: Readonly<Record<keyof Air, NumberRule>> = {
  temperatureC: { label: "Temperature", unit: "°C", range: [-60, 60] },
  relativeHumidityPct: { label: "Humidity", unit: "%", range: [0, 100] },
  so2Deposition: { label: "Sulphur dioxide", unit: "mg/m² a day", range: [0, 2000] },
  chlorideDeposition: { label: "Salt (chloride)", unit: "mg/m² a day", range: [0, 2000] },
};
export const AIR_KEYS = Object.keys(AIR_NUMBERS) as (keyof Air)[];

/**
 * What somebody chose of the air: a climate, or all four figures of their own.
 *
 * @returns the climate or the figures, or every problem
 */
export function readClimate(
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; climate: ClimateClass | Air } | { ok: false; problems: Problem[] } {
  const said = texts.climate ?? "";
  const known = CLIMATE_CLASSES.find((one) => one === said);
  const problems: Problem[] = [];
  const figures = AIR_KEYS.map((path) => {
    const text = texts[path] ?? "";
    if (known && text.trim() !== "")
      problems.push({ path, message: `${AIR_NUMBERS[path].label}: leave it blank, or choose your own figures` });
    const read = readNumberRule(AIR_NUMBERS[path], text);
    if (said === "own" && !read.ok) problems.push({ path, message: read.message });
    return [path, read.ok ? read.value : NaN] as const;
  });
  if (!known && said !== "own") problems.push({ path: "climate", message: "Choose a climate, or your own figures." });
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, climate: known ?? (Object.fromEntries(figures) as unknown as Air) };
}
