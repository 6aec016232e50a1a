import { blockTimes } from "./blockTimes";
import type { PlannedClass } from "./planClass";

interface RunningClass {
  startsAt: string;
  blockMinutes: number;
  blocks: number;
  plan: PlannedClass | null;
}

/**
 * Which bars are at which station just now, by the plans of the day's classes.
 *
 * @param clock the hall's time of day, "18:40".
 * @returns station keys by tag.
 */
export function barsInUse(classes: readonly RunningClass[], clock: string): Map<string, string> {
  const used = new Map<string, string>();
  const minutes = (time: string) => 60 * Number(time.slice(0, 2)) + Number(time.slice(3, 5));
  for (const { startsAt, blockMinutes, blocks, plan } of classes) {
    const since = (time: string) => (minutes(clock) - minutes(time) + 1440) % 1440;
    const block = blockTimes(startsAt, blockMinutes, blocks).findIndex((time) => since(time) < blockMinutes);
    if (block < 0 || !plan) continue;
    for (const { tag, station, block: own } of plan.entries)
      if (own === block && tag !== null && station !== null) used.set(tag, station);
  }
  return used;
}
