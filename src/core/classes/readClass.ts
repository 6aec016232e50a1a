import type { Problem } from "../problem";
import { isHallDay } from "../units/hallDay";

/** When a class is and where, as it is kept. */
export interface ClassTimes {
  name: string;
  heldOn: string;
  /** "18:30" */
  startsAt: string;
  blockMinutes: number;
  blocks: number;
  /** How many share each station, by its short name. */
  capacities: Record<string, number>;
}

/**
 * The field of a station in a form.
 *
 * @returns "capacity." and its short name
 */
export const capacityKey = (station: string): string => `capacity.${station}`;

/**
 * Reads a class as a form says it: name, heldOn, startsAt, blockMinutes, blocks, and capacity.KEY of each station.
 *
 * @param stations what may be used; others are not asked
 * @returns the class, or every problem with its field
 */
export function readClass(
  texts: Readonly<Record<string, string | undefined>>,
  stations: readonly { key: string; name: string }[],
): { ok: true; value: ClassTimes } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const textOf = (key: string) => (texts[key] ?? "").trim();
  const whole = (path: string, label: string, [least, most]: readonly [number, number]) => {
    const value = /^\d{1,3}$/.test(textOf(path)) ? Number(textOf(path)) : NaN;
    if (value >= least && value <= most) return value;
    problems.push({ path, message: `${label}: a whole number from ${least} to ${most}` });
    return least;
  };
  const [name, heldOn, startsAt] = [textOf("name"), textOf("heldOn"), textOf("startsAt")];
  if (name === "" || name.length > 60) problems.push({ path: "name", message: "name: up to 60 characters" });
  if (!isHallDay(heldOn)) problems.push({ path: "heldOn", message: "day: write YYYY-MM-DD" });
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(startsAt))
    problems.push({ path: "startsAt", message: "starts at: write 18:30" });
  const blockMinutes = whole("blockMinutes", "minutes a block", [5, 180]);
  const blocks = whole("blocks", "blocks", [1, 12]);
  const capacities: Record<string, number> = {};
  for (const { key, name: station } of stations) {
    const path = capacityKey(key);
    if (textOf(path) !== "" && textOf(path) !== "0") capacities[key] = whole(path, station, [1, 12]);
  }
  if (Object.keys(capacities).length === 0)
    problems.push({ path: "capacities", message: "stations: say for one at least how many share it" });
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, value: { name, heldOn, startsAt, blockMinutes, blocks, capacities } };
}
