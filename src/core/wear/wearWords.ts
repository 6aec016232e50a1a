import type { WearAlong } from "./wearAlong";

/**
 * Where to look first on a shaft, in one sentence.
 *
 * @returns a sentence in mm
 */
export function wearWords({ bands, sets }: WearAlong): string {
  const places = bands.map(({ fromMm, toMm }) => `${Math.round(fromMm)} to ${Math.round(toMm)} mm`);
  const said = places.length === 0 ? "nowhere in particular" : `${places.join(" and ")} from the middle, both sides`;
  return sets > 0
    ? `Hands wear it most ${said}, by ${sets} ${sets === 1 ? "set" : "sets"} in a year.`
    : `Nobody logged a set on it; hands would wear it most ${said}.`;
}

/**
 * What somebody who brushes it is told.
 *
 * @returns a sentence in mm; empty where nothing stands out
 */
export function lookWords({ bands }: WearAlong): string {
  if (bands.length === 0) return "";
  const places = bands.map(({ fromMm, toMm }) => `${Math.round(fromMm)} to ${Math.round(toMm)} mm`);
  return `Look and brush first ${places.join(" and ")} from the middle, both sides: hands grip there.`;
}
