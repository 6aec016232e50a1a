import { assignClass } from "./assignClass";
import type { ClassPlan, ClassProblem } from "./problem";

/** The plates of a gym as a class shares them. */
export interface ClassPlates {
  /** Pairs of each kind. */
  pairs: readonly number[];
  /**
   * Ways to load one entry's work set on a bar, one side: plates by kind. None where it cannot be said: then it needs
   * nothing.
   */
  waysOf: (entry: number, bar: number) => readonly Uint8Array[];
}

/** Entries, each with its bar, whose work sets cannot be on their bars at the same moment. */
export interface PlateConflict {
  block: number;
  parts: { entry: number; bar: number }[];
  /** The fewest pairs that are missing, by kind. */
  missing: number[];
}

export interface ClassWithPlates extends ClassPlan {
  isProven: boolean;
  /** Whether the plates are enough whoever of each station lifts at the same moment. */
  isServed: boolean;
  /** What the best class without a thought for plates could not load at once, one a block. */
  conflicts: PlateConflict[];
}

/** Plans looked at. */
const MAX_NODES = 6000;
/** Steps of one question whether some loads can be made at once; beyond that they are taken not to be. */
const MAX_STEPS = 20_000;

interface Node {
  problem: ClassProblem;
  plan: ClassPlan;
  bound: number;
  isProven: boolean;
}

/**
 * A class together with its plates: as many placed as can be, then the greatest fit, so that at no moment of a block the
 * plates run short, whoever of each station has their work set on the bar. Branch and bound over what cannot be at once:
 * of two or more such entries at least one is in another block or has another bar.
 *
 * @param options `mayGoOn` is asked between plans, and false ends the search; without `mayLeaveOut` nobody loses their
 *   place for want of plates: then it is not served.
 * @returns the plan; proven where nothing better can be served, and the plain plan, not served, where none was found
 */
export function assignWithPlates(
  problem: ClassProblem,
  plates: ClassPlates,
  { mayGoOn = () => true, mayLeaveOut = true }: { mayGoOn?: () => boolean; mayLeaveOut?: boolean } = {},
): ClassWithPlates {
  const root = solved(problem);
  const conflicts = conflictsOf(problem, plates, root.plan);
  const open: Node[] = [root];
  const tried = new Set<string>();
  let nodes = 0;
  let isWhole = true;
  while (open.length > 0) {
    const best = open.reduce((top, one, i) => (one.bound > open[top]!.bound ? i : top), 0);
    const [node] = open.splice(best, 1) as [Node];
    if (!mayLeaveOut && placedOf(node.plan) < placedOf(root.plan)) continue;
    const conflict = conflictOf(problem, plates, node.plan);
    if (!conflict) {
      const isBest = isWhole && node.isProven && open.every(({ bound }) => bound <= node.plan.total);
      return { ...node.plan, isProven: isBest, isServed: true, conflicts };
    }
    nodes += 1;
    if (nodes >= MAX_NODES || !mayGoOn()) {
      isWhole = false;
      break;
    }
    for (const child of apart(node.problem, conflict)) {
      // Two ways to the same restrictions are one.
      const key = keyOf(child);
      if (tried.has(key)) continue;
      tried.add(key);
      open.push(solved(child));
    }
  }
  return { ...root.plan, isProven: false, isServed: false, conflicts };
}

const placedOf = ({ slotOf }: ClassPlan) => slotOf.filter((slot) => slot >= 0).length;

const keyOf = ({ entries }: ClassProblem) =>
  entries.map(({ fit, slots }) => `${fit.join()};${slots.map(Number).join("")}`).join("|");

function solved(problem: ClassProblem): Node {
  const { slotOf, barOf, total, bound, isProven } = assignClass(problem);
  return { problem, plan: { slotOf, barOf, total }, bound, isProven };
}

/** The problem in every way in which one part of a conflict is elsewhere: in another block, or with another bar there. */
function apart({ entries, slots }: ClassProblem, { block, parts }: PlateConflict): ClassProblem[] {
  const changed = (
    entry: number,
    change: (one: ClassProblem["entries"][number]) => ClassProblem["entries"][number],
  ) => ({
    slots,
    entries: entries.map((one, e) => (e === entry ? change(one) : one)),
  });
  const isThere = (slot: number) => slots[slot]!.block === block;
  return parts.flatMap(({ entry, bar }) => [
    changed(entry, (one) => ({ ...one, slots: one.slots.map((can, slot) => can && !isThere(slot)) })),
    changed(entry, (one) => ({
      ...one,
      fit: one.fit.map((points, other) => (other === bar ? -1 : points)),
      slots: one.slots.map((can, slot) => can && isThere(slot)),
    })),
  ]);
}

/**
 * The first thing that cannot be loaded at once.
 *
 * @returns null where all loads of every block can be made at once
 */
export const conflictOf = (problem: ClassProblem, plates: ClassPlates, plan: ClassPlan): PlateConflict | null =>
  conflictsOf(problem, plates, plan, 1)[0] ?? null;

/**
 * Some entries of each block, no more than needed, whose loads cannot be made at once.
 *
 * @param most so many are looked for.
 * @returns one a block where there is one
 */
export function conflictsOf(
  problem: ClassProblem,
  plates: ClassPlates,
  plan: ClassPlan,
  most = Infinity,
): PlateConflict[] {
  const found: PlateConflict[] = [];
  for (const block of new Set(problem.slots.map((slot) => slot.block))) {
    if (found.length >= most) break;
    const stations = problem.slots.flatMap((slot, k) => {
      const own = plan.slotOf.flatMap((at, e) => (at === k ? [e] : []));
      return slot.block === block && own.length > 0 ? [own.map((entry) => ({ entry, bar: plan.barOf[k]! }))] : [];
    });
    for (const parts of choices(stations)) {
      if (isMadeAtOnce(plates, parts)) continue;
      // No more of them than are needed to run short.
      const needed = [...parts];
      for (const part of parts) {
        const less = needed.filter((one) => one !== part);
        if (less.length > 0 && !isMadeAtOnce(plates, less)) needed.splice(0, needed.length, ...less);
      }
      found.push({ block, parts: needed, missing: fewestMissing(plates, needed) });
      break;
    }
  }
  return found;
}

/** One of each list, in every way. */
function* choices<T>(lists: readonly (readonly T[])[], from = 0): Generator<T[]> {
  if (from === lists.length) yield [];
  else for (const one of lists[from]!) for (const rest of choices(lists, from + 1)) yield [one, ...rest];
}

/**
 * Whether loads can be made at once of the pairs there are.
 *
 * @returns true when they can
 */
export function isMadeAtOnce({ pairs, waysOf }: ClassPlates, parts: PlateConflict["parts"]): boolean {
  const lists = parts
    .map(({ entry, bar }) => waysOf(entry, bar))
    .filter((ways) => ways.length > 0)
    .sort((a, b) => a.length - b.length);
  const left = [...pairs];
  let steps = 0;
  const place = (i: number): boolean => {
    if (i === lists.length) return true;
    for (const way of lists[i]!) {
      steps += 1;
      if (steps > MAX_STEPS) return false;
      if (!way.every((n, k) => n <= left[k]!)) continue;
      way.forEach((n, k) => (left[k]! -= n));
      if (place(i + 1)) return true;
      way.forEach((n, k) => (left[k]! += n));
    }
    return false;
  };
  return place(0);
}

/** Pairs by kind that would have to be brought, few rather than many: each load in turn with what lacks least. */
function fewestMissing({ pairs, waysOf }: ClassPlates, parts: PlateConflict["parts"]): number[] {
  const left = [...pairs];
  const missing = pairs.map(() => 0);
  for (const { entry, bar } of parts) {
    let best: { lacks: number[]; count: number; way: Uint8Array } | null = null;
    for (const way of waysOf(entry, bar)) {
      const lacks = pairs.map((_, k) => Math.max(0, way[k]! - left[k]!));
      const count = lacks.reduce((sum, n) => sum + n, 0);
      if (!best || count < best.count) best = { lacks, count, way };
    }
    best?.lacks.forEach((n, k) => (missing[k]! += n));
    best?.way.forEach((n, k) => (left[k] = Math.max(0, left[k]! - n)));
  }
  return missing;
}
