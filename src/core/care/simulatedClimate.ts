import type { ClimateReading } from "./climateDay";

/**
 * Air in an unheated hall beside a tidal river, made up hour by hour from a seed: seasons, days and nights, spells of
 * wet and dry weather, roller doors that let the damp in. The same hour always reads the same.
 *
 * @returns the reading at that moment, in °C and %
 */
export function simulatedClimate(seed: number, at: number): ClimateReading {
  const hour = Math.floor(at / 3_600_000);
  const days = hour / 24;
  const season = Math.cos((2 * Math.PI * (days - 15)) / 365.25);
  const clock = Math.cos((2 * Math.PI * (hour - 4)) / 24);
  // Weather comes in spells of some days.
  const spell = smooth(seed, days / 3.7);
  const gust = smooth(seed + 7, hour / 5);
  // Some mornings the doors go up and warm damp air from the river meets the night's cold steel.
  const hourOfDay = ((hour % 24) + 24) % 24;
  const isOpen = hourOfDay >= 8 && hourOfDay <= 10 && hashed(seed + 21, Math.floor(days)) > 0.45 + 0.35 * season;
  const temperatureC = 10.5 - 6.5 * season - 2.6 * clock + 3.2 * spell + 0.8 * gust + (isOpen ? 5 : 0);
  const humidity = 76 + 7 * season + 6.5 * clock - 9 * spell + 3 * gust + 8 * smooth(seed + 3, days / 26);
  return {
    at: hour * 3_600_000,
    temperatureC: Math.round(temperatureC * 10) / 10,
    relativeHumidityPct: Math.round(Math.min(99, Math.max(35, isOpen ? Math.max(90, humidity) : humidity)) * 10) / 10,
  };
}

/** Noise from −1 to 1 that changes smoothly from one whole number to the next. */
function smooth(seed: number, x: number): number {
  const i = Math.floor(x);
  const t = x - i;
  const ease = t * t * (3 - 2 * t);
  return hashed(seed, i) * (1 - ease) + hashed(seed, i + 1) * ease;
}

function hashed(seed: number, i: number): number {
  let h = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(i | 0, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 2 ** 31 - 1;
}
