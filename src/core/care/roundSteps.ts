/** Tasks of which one side is done on every bar before all are turned over for the other (handbook §11). */
const BY_SIDES: readonly string[] = ["sleeves"];

/**
 * Whether a round of one task goes by sides.
 *
 * @returns true for sleeves
 */
export const isBySides = (task: string): boolean => BY_SIDES.includes(task);

/** How far a round by sides is. */
export interface Sides {
  /** Bars of which the first side is done. */
  first: readonly string[];
  /** Whether all were turned over since. */
  isTurned: boolean;
}

export const NO_SIDES: Sides = { first: [], isTurned: false };

/** What is to be done next on a round by sides. */
export type RoundStep =
  | { kind: "bar"; tag: string; side: "first" | "second" | "both" }
  /** Turn all of these over. */
  | { kind: "turn"; tags: readonly string[] };

/**
 * The next step of a round by sides: the first side of every bar in the order they hang, then all turned over, then the
 * second side of every bar. A bar that became due after the turning is done on both sides where it hangs.
 *
 * @param open bars that are not answered yet, in the order they hang
 * @returns what to do next; null when the round is done
 */
export function nextRoundStep(open: readonly string[], { first, isTurned }: Sides): RoundStep | null {
  const [next] = open;
  if (next === undefined) return null;
  if (isTurned) return { kind: "bar", tag: next, side: first.includes(next) ? "second" : "both" };
  const untouched = open.find((tag) => !first.includes(tag));
  return untouched === undefined ? { kind: "turn", tags: open } : { kind: "bar", tag: untouched, side: "first" };
}
