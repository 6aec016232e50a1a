import type { Problem } from "../problem";
import { type NumberRule, readNumberRule } from "../units/numberRule";

/** What a gym says of the air at a place beside its readings. */
export interface SensorNumbers {
  chloride: number;
  so2: number;
  lagHours: number;
}

export const SENSOR_NUMBERS: Readonly<Record<keyof SensorNumbers, NumberRule>> = {
  chloride: { label: "salt", unit: "mg/m² a day", range: [0, 2000] },
  so2: { label: "sulphur dioxide", unit: "mg/m² a day", range: [0, 2000] },
  lagHours: { label: "steel lags by", unit: "hours", range: [0, 24] },
};
export const SENSOR_KEYS = Object.keys(SENSOR_NUMBERS) as (keyof SensorNumbers)[];

/**
 * What somebody typed of it.
 *
 * @returns mg/m² a day and hours, or every problem
 */
export function readSensor(
  texts: Readonly<Partial<Record<keyof SensorNumbers, string>>>,
): { ok: true; value: SensorNumbers } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const values = SENSOR_KEYS.map((path) => {
    const read = readNumberRule(SENSOR_NUMBERS[path], texts[path] ?? "");
    if (!read.ok) problems.push({ path, message: read.message });
    return [path, read.ok ? read.value : 0] as const;
  });
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, value: Object.fromEntries(values) as unknown as SensorNumbers };
}
