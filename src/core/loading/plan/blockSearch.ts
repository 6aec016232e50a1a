import { plateCount, platesApart, type Relaxed } from "./relaxed";

/**
 * Plates put on together. Their order among themselves is left open until a part of them comes off: then what stays is
 * inside, what goes was outside. So one state stands for every order that still is possible, instead of thousands.
 */
interface Block {
  counts: Uint8Array;
  size: number;
  key: string;
}

/** What is on a sleeve after a set: blocks from inside to outside, and what it took to get there, at least. */
interface State {
  blocks: readonly Block[];
  /** Of all blocks up to each, so that states are told apart quickly. */
  keys: readonly string[];
  /** Which choice of the set it is; −1 for the start. */
  way: number;
  cost: number;
  before: State | null;
  /** Blocks of the state before that stay whole; and what stays of the next one. */
  kept: number;
  part: Block | null;
}

export interface BlockRun {
  /** Kinds of every set's stack, inside first; null when there is no such plan. */
  stacks: number[][] | null;
  cost: number;
  /** Whether everything that could matter was looked at. */
  isWhole: boolean;
  looked: number;
}

export interface BlockQuestion {
  ways: readonly (readonly Uint8Array[])[];
  isEmptiedBefore: readonly boolean[];
  relaxed: Relaxed;
  /** Kinds on the sleeve at first, inside first. */
  start: readonly number[];
  endsEmpty: boolean;
  /** Kinds in the order in which they go on when it does not matter: larger inside. */
  order: readonly number[];
  /** Asked now and then; a run that is over finds nothing. */
  isOver?: () => boolean;
}

/**
 * Looks for plans that handle at most so many plates: set by set every state that can still be part of one. Written
 * without closures and spreads: it runs a million times a second.
 */
export class BlockSearch {
  private readonly kinds: number;
  private readonly blocks = new Map<string, Block>();
  private looked = 0;
  /** The states of the set at work, by key, and what is being joined. */
  private found = new Map<string, State>();
  private state!: State;
  private way!: Uint8Array;
  private wayIndex = 0;
  private waySize = 0;
  private size = 0;
  /** Fewest plates that must stay. */
  private least = 0;
  private readonly rest: Uint8Array;
  private readonly part: Uint8Array;
  private readonly left: Uint8Array;

  constructor(private readonly question: BlockQuestion) {
    this.kinds = question.ways[0]?.[0]?.length ?? 0;
    this.rest = new Uint8Array(this.kinds);
    this.part = new Uint8Array(this.kinds);
    this.left = new Uint8Array(this.kinds);
  }

  /** Exact while nothing is cut: at most `budget` joins are looked at and `beam` states kept a set. */
  run(most: number, budget: number, beam: number): BlockRun {
    const { ways, isEmptiedBefore, relaxed, endsEmpty } = this.question;
    let isWhole = true;
    this.looked = 0;
    let states: State[] = [this.startState()];
    for (let i = 0; i < ways.length; i += 1) {
      const after = relaxed.after[i]!;
      const before = relaxed.before[i]!;
      /** Choices that can be part of such a plan at all. */
      const live: number[] = [];
      for (let j = 0; j < after.length; j += 1) if (before[j]! + after[j]! <= most) live.push(j);
      this.found = new Map();
      for (const state of states) {
        this.state = state;
        const own = this.countsOf(state, i);
        this.size = plateCount(own);
        for (const j of live) {
          this.way = ways[i]![j]!;
          this.wayIndex = j;
          this.waySize = plateCount(this.way);
          if (isEmptiedBefore[i]) {
            if (state.cost + this.size + this.waySize + after[j]! <= most) this.keep(0, null, 0);
            continue;
          }
          const apart = platesApart(own, this.way);
          const slack = most - state.cost - apart - after[j]!;
          if (slack < 0) continue;
          // Of what both have, so many may come off and go on again further out.
          const spare = beam === Infinity ? Math.floor(slack / 2) : Math.min(NARROW_SPARE, Math.floor(slack / 2));
          this.least = (this.size + this.waySize - apart) / 2 - spare;
          this.joinAll();
          if (beam !== Infinity) this.keepMost();
        }
        if (this.looked > budget || this.question.isOver?.())
          return { stacks: null, cost: 0, isWhole: false, looked: this.looked };
      }
      states = [...this.found.values()].filter(({ cost, way }) => cost + after[way]! <= most);
      if (states.length > beam) {
        isWhole = false;
        states.sort((a, b) => a.cost + after[a.way]! - b.cost - after[b.way]! || a.blocks.length - b.blocks.length);
        states.length = beam;
      }
      if (states.length === 0) return { stacks: null, cost: 0, isWhole, looked: this.looked };
    }
    let best: State | null = null;
    let cost = Infinity;
    for (const state of states) {
      const total = state.cost + (endsEmpty ? plateCount(this.countsOf(state, ways.length)) : 0);
      if (total < cost) [best, cost] = [state, total];
    }
    return { stacks: stacksOf(best!, this.question.order, this.kinds), cost, isWhole, looked: this.looked };
  }

  /** A narrow look keeps as much as it can even where that is less than both have in common. */
  private keepMost(): void {
    const { rest, way, kinds } = this;
    rest.set(way);
    let plates = 0;
    let kept = 0;
    for (const { counts, size } of this.state.blocks) {
      let common = 0;
      for (let k = 0; k < kinds; k += 1) common += this.part[k] = Math.min(counts[k]!, rest[k]!);
      if (common < size) {
        this.keep(kept, common > 0 ? this.blockOf(this.part) : null, plates + common);
        return;
      }
      for (let k = 0; k < kinds; k += 1) rest[k] = rest[k]! - counts[k]!;
      plates += size;
      kept += 1;
    }
    this.keep(kept, null, plates);
  }

  /** What a state of set i − 1 has on the sleeve. */
  private countsOf(state: State, i: number): Uint8Array {
    if (state.way >= 0) return this.question.ways[i - 1]![state.way]!;
    const sum = new Uint8Array(this.kinds);
    for (const { counts } of state.blocks) for (let k = 0; k < this.kinds; k += 1) sum[k] = sum[k]! + counts[k]!;
    return sum;
  }

  private startState(): State {
    // What stands on the bar already has an order: each plate is a block of its own.
    const blocks = this.question.start.map((k) => {
      this.part.fill(0);
      this.part[k] = 1;
      return this.blockOf(this.part);
    });
    return { blocks, keys: keysOf(blocks), way: -1, cost: 0, before: null, kept: 0, part: null };
  }

  /** The one block of these counts. */
  private blockOf(counts: Uint8Array): Block {
    let key = "";
    let size = 0;
    for (let k = 0; k < this.kinds; k += 1) {
      key += LETTERS[counts[k]!];
      size += counts[k]!;
    }
    let block = this.blocks.get(key);
    if (!block) this.blocks.set(key, (block = { counts: counts.slice(), size, key }));
    return block;
  }

  /** Keeps some blocks and perhaps a part of the next, and puts the rest of the choice on as one block. */
  private keep(kept: number, part: Block | null, plates: number): void {
    this.looked += 1;
    const { state, way, waySize } = this;
    const cost = state.cost + this.size + waySize - 2 * plates;
    let key = kept > 0 ? state.keys[kept - 1]! : "";
    if (part) key += part.key + "|";
    let added: Block | null = null;
    if (waySize > plates) {
      const left = this.left;
      left.set(way);
      for (let b = 0; b < kept; b += 1) {
        const { counts } = state.blocks[b]!;
        for (let k = 0; k < this.kinds; k += 1) left[k] = left[k]! - counts[k]!;
      }
      if (part) for (let k = 0; k < this.kinds; k += 1) left[k] = left[k]! - part.counts[k]!;
      added = this.blockOf(left);
      key += added.key + "|";
    }
    const known = this.found.get(key);
    if (known && known.cost <= cost) return;
    const blocks = state.blocks.slice(0, kept);
    if (part) blocks.push(part);
    if (added) blocks.push(added);
    this.found.set(key, { blocks, keys: keysOf(blocks), way: this.wayIndex, cost, before: state, kept, part });
  }

  /**
   * Every inner part of the state that the choice can keep with enough plates: whole blocks from inside, then a part of
   * the next. Keeping less than possible costs two a plate now, and may spare more later.
   */
  private joinAll(): void {
    const { rest, way, least, kinds } = this;
    const { blocks } = this.state;
    rest.set(way);
    let plates = 0;
    for (let b = 0; ; b += 1) {
      // Whole blocks up to here and nothing of the next.
      if (plates >= least) this.keep(b, null, plates);
      const block = blocks[b];
      if (!block) return;
      const { counts } = block;
      let common = 0;
      let isWhole = true;
      for (let k = 0; k < kinds; k += 1) {
        common += Math.min(counts[k]!, rest[k]!);
        if (counts[k]! > rest[k]!) isWhole = false;
      }
      if (common > 0 && plates + common >= least)
        this.parts(b, counts, 0, plates + common - least, 0, plates, block.size);
      if (!isWhole) return;
      for (let k = 0; k < kinds; k += 1) rest[k] = rest[k]! - counts[k]!;
      plates += block.size;
    }
  }

  /** Every true part of a block within the rest of the choice that leaves out at most `leave` plates. */
  private parts(
    b: number,
    counts: Uint8Array,
    k: number,
    leave: number,
    size: number,
    plates: number,
    blockSize: number,
  ): void {
    if (k === this.kinds) {
      if (size > 0 && size < blockSize) this.keep(b, this.blockOf(this.part), plates + size);
      return;
    }
    const both = Math.min(counts[k]!, this.rest[k]!);
    for (let n = both; n >= 0 && both - n <= leave; n -= 1) {
      this.part[k] = n;
      this.parts(b, counts, k + 1, leave - (both - n), size + n, plates, blockSize);
    }
    this.part[k] = 0;
  }
}

/** So many plates that could stay come off in a narrow look at most. */
const NARROW_SPARE = 1;

const LETTERS = Array.from({ length: 256 }, (_, n) => String.fromCharCode(0x100 + n));

function keysOf(blocks: readonly Block[]): string[] {
  const keys: string[] = [];
  let key = "";
  for (const block of blocks) {
    key += block.key + "|";
    keys.push(key);
  }
  return keys;
}

/** Orders of real plates for a path of states: what stays longest is innermost of its block. */
function stacksOf(last: State, order: readonly number[], kinds: number): number[][] {
  const path: State[] = [];
  for (let state: State | null = last; state; state = state.before) path.push(state);
  path.reverse();
  /** Every block with what stayed of it each time, the whole first. */
  interface Layers {
    parts: Uint8Array[];
  }
  let layers: Layers[] = path[0]!.blocks.map(({ counts }) => ({ parts: [counts] }));
  const plans: { layers: Layers; upTo: number }[][] = [];
  for (let i = 1; i < path.length; i += 1) {
    const { kept, part, blocks } = path[i]!;
    const next = layers.slice(0, kept);
    if (part) {
      const split = layers[kept]!;
      split.parts.push(part.counts);
      next.push(split);
    }
    const added = blocks.length > next.length ? blocks.at(-1)! : null;
    if (added) next.push({ parts: [added.counts] });
    layers = next;
    plans.push(next.map((one) => ({ layers: one, upTo: one.parts.length - 1 })));
  }
  // Now every block's parts are known: the last is innermost, what each left out goes around it.
  const ordered = new Map<Layers, number[][]>();
  const rings = (of: Layers) => {
    let known = ordered.get(of);
    if (!known) {
      known = of.parts.map((counts, p) => {
        const inner = of.parts[p + 1] ?? new Uint8Array(kinds);
        return order.flatMap((k) => new Array<number>(counts[k]! - inner[k]!).fill(k));
      });
      ordered.set(of, known);
    }
    return known;
  };
  return plans.map((stack) => stack.flatMap(({ layers: of, upTo }) => rings(of).slice(upTo).reverse().flat()));
}
