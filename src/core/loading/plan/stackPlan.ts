import { childOf, singleStack, type StackTrie, stackTrie, type TrieLimits } from "./stackTrie";

export interface StackQuestion {
  /** Choices of every set: how many of each kind. Not empty; sets with the same list share their part of the work. */
  ways: readonly (readonly Uint8Array[])[];
  isEmptiedBefore: readonly boolean[];
  /** Kinds on the sleeve at first, inside first. */
  start: readonly number[];
  endsEmpty: boolean;
  /** Kinds that go on before others, by group; within a group any order may be. */
  groups: readonly (readonly number[])[];
}

/** What a stack can never cost. */
const NEVER = 0x7fff;
/** Costs kept for the way back, over all sets. */
const MAX_COSTS = 60_000_000;

/**
 * The least that is handled among all ordered stacks of every set, proven, set by set: two stacks share their common
 * inner part, so the least over all stacks before is found along the way from the root to each stack, and the work grows
 * with the stacks and not with their pairs.
 *
 * @returns the stack of each set, inside first, and plates handled on one side; null when there are too many stacks, or
 * time is over
 */
export function stackPlan(
  { ways, isEmptiedBefore, start, endsEmpty, groups }: StackQuestion,
  limits: TrieLimits,
): { handled: number; stacks: number[][] } | null {
  const session = SessionStacks.of(ways, groups, limits);
  if (!session) return null;
  const { tries } = session;
  let before = singleStack(start);
  let costs: Int16Array = new Int16Array(before.nodes).fill(NEVER);
  costs[before.nodes - 1] = 0;
  const costsOf: Int16Array[] = [];
  for (let i = 0; i < tries.length; i += 1) {
    if (limits.isOver?.()) return null;
    const least = leastBySubtree(before, costs);
    costs = isEmptiedBefore[i] ? fromEmpty(tries[i]!, least[0]!) : fromStacks(before, least, tries[i]!);
    costsOf.push(costs);
    before = tries[i]!;
  }
  let last = -1;
  let handled = NEVER;
  for (let node = 0; node < before.nodes; node += 1) {
    if (before.isStack[node] === 0) continue;
    const cost = costs[node]! + (endsEmpty ? before.depth[node]! : 0);
    if (cost < handled) [last, handled] = [node, cost];
  }
  const stacks: number[][] = new Array(tries.length);
  for (let i = tries.length - 1; i >= 0; i -= 1) {
    stacks[i] = kindsOf(tries[i]!, last);
    if (i > 0)
      last = stackBefore(tries[i - 1]!, costsOf[i - 1]!, tries[i]!, last, costsOf[i]![last]!, isEmptiedBefore[i]!);
  }
  return { handled, stacks };
}

/** The ordered stacks of every set, for what several orders of them cost. */
export class SessionStacks {
  private constructor(readonly tries: readonly StackTrie[]) {}

  /** @returns null when there are too many stacks, or time is over. */
  static of(
    ways: readonly (readonly Uint8Array[])[],
    groups: readonly (readonly number[])[],
    limits: TrieLimits,
  ): SessionStacks | null {
    const tries: StackTrie[] = [];
    const known = new Map<readonly Uint8Array[], StackTrie>();
    let kept = 0;
    for (const list of ways) {
      let trie = known.get(list);
      if (!trie) {
        const built = stackTrie(list, groups, limits);
        if (!built) return null;
        known.set(list, (trie = built));
      }
      kept += trie.nodes;
      if (kept > MAX_COSTS) return null;
      tries.push(trie);
    }
    return new SessionStacks(tries);
  }

  /**
   * Least handled from an empty sleeve through some of the sets.
   *
   * @param sets by place, in the order they are lifted
   * @returns a count of plates, one side
   */
  cost(sets: readonly number[], isEmptiedBefore: readonly boolean[], endsEmpty: boolean): number {
    let before = singleStack([]);
    let costs: Int16Array = new Int16Array(1);
    sets.forEach((set, i) => {
      const trie = this.tries[set]!;
      const least = leastBySubtree(before, costs);
      costs = isEmptiedBefore[i] ? fromEmpty(trie, least[0]!) : fromStacks(before, least, trie);
      before = trie;
    });
    let handled = NEVER;
    for (let node = 0; node < before.nodes; node += 1)
      if (before.isStack[node] === 1) handled = Math.min(handled, costs[node]! + (endsEmpty ? before.depth[node]! : 0));
    return handled;
  }
}

/** By node: the least of cost and plates over all stacks that begin with it. */
function leastBySubtree({ nodes, parent, depth, isStack }: StackTrie, costs: Int16Array): Int16Array {
  const least = new Int16Array(nodes).fill(NEVER);
  for (let node = nodes - 1; node >= 0; node -= 1) {
    if (isStack[node] === 1) least[node] = Math.min(least[node]!, costs[node]! + depth[node]!);
    const inside = parent[node]!;
    if (inside >= 0 && least[node]! < least[inside]!) least[inside] = least[node]!;
  }
  return least;
}

function fromEmpty({ nodes, depth }: StackTrie, least: number): Int16Array {
  const costs = new Int16Array(nodes);
  for (let node = 0; node < nodes; node += 1) costs[node] = least + depth[node]!;
  return costs;
}

/** Of every stack: the least over the stacks before, which share some inner part with it. */
function fromStacks(before: StackTrie, least: Int16Array, { nodes, parent, kind, depth }: StackTrie): Int16Array {
  const costs = new Int16Array(nodes);
  const sameBefore = new Int32Array(nodes);
  const best = new Int16Array(nodes);
  best[0] = least[0]!;
  costs[0] = best[0]!;
  for (let node = 1; node < nodes; node += 1) {
    const inside = parent[node]!;
    const same = sameBefore[inside]! < 0 ? -1 : childOf(before, sameBefore[inside]!, kind[node]!);
    sameBefore[node] = same;
    best[node] = same < 0 ? best[inside]! : Math.min(best[inside]!, least[same]! - 2 * depth[node]!);
    costs[node] = best[node]! + depth[node]!;
  }
  return costs;
}

/** A stack before from which this one costs what it does. */
function stackBefore(
  before: StackTrie,
  costs: Int16Array,
  own: StackTrie,
  node: number,
  cost: number,
  isEmptied: boolean,
): number {
  const least = leastBySubtree(before, costs);
  const rest = cost - own.depth[node]!;
  const way = isEmptied ? [] : kindsOf(own, node);
  let at = 0;
  // The longest common part first: what stays is seen to stay.
  const path = [at];
  for (const k of way) {
    at = childOf(before, at, k);
    if (at < 0) break;
    path.push(at);
  }
  const shared = path.findLastIndex((one, depth) => least[one]! - 2 * depth === rest);
  let found = path[shared]!;
  const wished = least[found]!;
  while (before.isStack[found] === 0 || costs[found]! + before.depth[found]! !== wished) {
    let child = before.firstChild[found]!;
    while (least[child]! !== wished) child = before.nextSibling[child]!;
    found = child;
  }
  return found;
}

function kindsOf({ parent, kind }: StackTrie, node: number): number[] {
  const kinds: number[] = [];
  for (let at = node; at > 0; at = parent[at]!) kinds.push(kind[at]!);
  return kinds.reverse();
}
