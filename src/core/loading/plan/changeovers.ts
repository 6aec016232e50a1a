import type { PlanSet } from "./sessionQuestion";

/** What is changed between sets beside plates. */
export interface Changeovers {
  /** Times the bar is set anew. */
  setups: number;
  /** Times the J-cups are moved to another hole. */
  cups: number;
}

/**
 * Counts changes of setup and J-cups through sets in the order they are lifted; the first set is no change. A set for
 * which nothing is known (null) leaves both as they are.
 *
 * @returns counts of changes of setup and of J-cups
 */
export function changeovers(sets: readonly Pick<PlanSet, "setup" | "cup">[]): Changeovers {
  const count = (of: (set: Pick<PlanSet, "setup" | "cup">) => string | number | null | undefined) => {
    let [last, changes]: [string | number | null, number] = [null, 0];
    for (const set of sets) {
      const now = of(set) ?? null;
      if (now === null) continue;
      if (last !== null && now !== last) changes += 1;
      last = now;
    }
    return changes;
  };
  return { setups: count(({ setup }) => setup), cups: count(({ cup }) => cup) };
}
