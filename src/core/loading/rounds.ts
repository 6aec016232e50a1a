import { ladder, type LadderWay } from "./ladder";

/** How everybody on a bar warms up, and how many work sets follow. */
export interface LadderWish {
  way: LadderWay;
  /** For jumps, in kg; for a number of warm-ups. */
  jumpKg: number;
  count: number;
  workSets: number;
}

export interface RoundSet {
  lifter: number;
  targetKg: number;
  isWork: boolean;
}

/**
 * The sets of several lifters on one bar, round by round; null where a lifter has none. Everybody reaches the work sets
 * in the same round, so the shorter ladders begin later.
 *
 * @throws RangeError for a ladder that cannot be made; see `ladder`.
 * @returns rounds, each with a set or null for each lifter; total loads in kg
 */
export function ladderRounds(
  workKgs: readonly number[],
  emptyKg: number,
  { way, jumpKg, count, workSets }: LadderWish,
): (RoundSet | null)[][] {
  const ladders = workKgs.map((workKg) => ladder({ workKg, emptyKg, way, jumpKg, count }));
  const longest = Math.max(0, ...ladders.map((steps) => steps.length));
  if (longest === 0) return [];
  return Array.from({ length: longest + workSets - 1 }, (_, r) =>
    ladders.map((steps, lifter) => {
      const step = r - (longest - steps.length);
      if (step < 0) return null;
      const isWork = step >= steps.length - 1;
      return { lifter, targetKg: step < steps.length ? steps[step]! : workKgs[lifter]!, isWork };
    }),
  );
}
