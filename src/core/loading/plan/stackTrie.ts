/** Ordered stacks of one side, told by their common inner parts: a stack is a way from the root, inside first. */
export interface StackTrie {
  /** Nodes; 0 is the empty sleeve, and a node comes after the one inside it. */
  nodes: number;
  /** By node: the node with its outermost plate taken off, that plate's kind, and how many plates it has. */
  parent: Int32Array;
  kind: Uint8Array;
  depth: Uint8Array;
  /** By node: the first that has one plate more, and the next with the same inside; −1 for none. */
  firstChild: Int32Array;
  nextSibling: Int32Array;
  /** Whether the node is a whole stack. */
  isStack: Uint8Array;
}

export interface TrieLimits {
  maxStacks: number;
  isOver?: () => boolean;
}

/**
 * Every ordered stack of some choices of plates. Kinds go on by groups, the first group inside; within a group any
 * order is a stack of its own.
 *
 * @param ways choices: how many of each kind
 * @param groups kinds by group, inside first; one group of all kinds for any order, one kind a group for one order
 * @returns null when there are more stacks than allowed, or time is over
 */
export function stackTrie(
  ways: readonly Uint8Array[],
  groups: readonly (readonly number[])[],
  { maxStacks, isOver }: TrieLimits,
): StackTrie | null {
  const building = new Building();
  let stacks = 0;
  let hasTime = true;
  const counts = new Uint8Array(ways[0]?.length ?? 0);
  const grow = (node: number, group: number, left: number): void => {
    if (!hasTime) return;
    let at = group;
    let rest = left;
    while (rest === 0 && at + 1 < groups.length) rest = countOf(counts, groups[++at]!);
    if (rest === 0) {
      building.isStack[node] = 1;
      stacks += 1;
      if (stacks > maxStacks || ((stacks & 1023) === 0 && isOver?.())) hasTime = false;
      return;
    }
    for (const k of groups[at]!) {
      if (counts[k] === 0) continue;
      counts[k]! -= 1;
      grow(building.child(node, k), at, rest - 1);
      counts[k]! += 1;
    }
  };
  for (const way of ways) {
    counts.set(way);
    grow(0, 0, groups.length === 0 ? 0 : countOf(counts, groups[0]!));
    if (!hasTime) return null;
  }
  return building.finished();
}

/**
 * The trie of a single stack.
 *
 * @returns a trie whose last node is the stack
 */
export function singleStack(kinds: readonly number[]): StackTrie {
  const building = new Building();
  let node = 0;
  for (const k of kinds) node = building.child(node, k);
  building.isStack[node] = 1;
  return building.finished();
}

/**
 * The child of a node by kind.
 *
 * @returns a node, or −1
 */
export function childOf({ firstChild, nextSibling, kind }: StackTrie, node: number, k: number): number {
  let child = firstChild[node]!;
  while (child >= 0 && kind[child] !== k) child = nextSibling[child]!;
  return child;
}

function countOf(counts: Uint8Array, kinds: readonly number[]): number {
  let sum = 0;
  for (const k of kinds) sum += counts[k]!;
  return sum;
}

class Building {
  private nodes = 1;
  private parent = new Int32Array(64).fill(-1);
  private kind = new Uint8Array(64);
  private depth = new Uint8Array(64);
  private firstChild = new Int32Array(64).fill(-1);
  private nextSibling = new Int32Array(64).fill(-1);
  isStack = new Uint8Array(64);

  child(node: number, k: number): number {
    let last = -1;
    for (let child = this.firstChild[node]!; child >= 0; child = this.nextSibling[child]!) {
      if (this.kind[child] === k) return child;
      last = child;
    }
    if (this.nodes === this.parent.length) this.double();
    const added = this.nodes++;
    this.parent[added] = node;
    this.kind[added] = k;
    this.depth[added] = this.depth[node]! + 1;
    if (last < 0) this.firstChild[node] = added;
    else this.nextSibling[last] = added;
    return added;
  }

  private double(): void {
    const longer = <T extends Int32Array | Uint8Array>(list: T, empty: number): T => {
      const twice = new (list.constructor as new (length: number) => T)(2 * list.length).fill(empty) as T;
      twice.set(list);
      return twice;
    };
    this.parent = longer(this.parent, -1);
    this.kind = longer(this.kind, 0);
    this.depth = longer(this.depth, 0);
    this.firstChild = longer(this.firstChild, -1);
    this.nextSibling = longer(this.nextSibling, -1);
    this.isStack = longer(this.isStack, 0);
  }

  finished(): StackTrie {
    const { nodes } = this;
    return {
      nodes,
      parent: this.parent.subarray(0, nodes),
      kind: this.kind.subarray(0, nodes),
      depth: this.depth.subarray(0, nodes),
      firstChild: this.firstChild.subarray(0, nodes),
      nextSibling: this.nextSibling.subarray(0, nodes),
      isStack: this.isStack.subarray(0, nodes),
    };
  }
}
