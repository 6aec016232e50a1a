import { NEVER } from "./relaxed";

/**
 * A sleeve is a stack, so of two plates that are on it at the same time the inner one was put on earlier and comes off
 * later: the times at which plates are on are nested or apart, never crossing. A session is such a family of spans, and
 * the cheapest one follows from its parts: over some sets with some plates staying throughout, either one more plate
 * stays throughout, or the sets fall in two parts that have nothing more in common. (The published puzzle of the
 * handbook, §10, has one choice of plates a set; here every choice that makes the mass takes part.)
 */
export interface NestedQuestion {
  /** Choices of every set: how many of each kind. Not empty. */
  ways: readonly (readonly Uint8Array[])[];
  isEmptiedBefore: readonly boolean[];
  /** Kinds on the sleeve at first, inside first. */
  start: readonly number[];
  endsEmpty: boolean;
  /** Kinds in the order in which they go on when it does not matter: larger inside. */
  order: readonly number[];
}

/** Bases that stay throughout some sets, by rising number, and the least that is handled beyond them. */
interface Span {
  bases: Int32Array;
  costs: Int16Array;
}

export interface NestedPlan {
  handled: number;
  /** Kinds of every set's stack, inside first. */
  stacks: number[][];
}

/** Different parts of choices that are tabulated, and numbers kept in all; beyond that another way must do. */
const MAX_BASES = 1_200_000;
const MAX_NUMBERS = 60_000_000;

/**
 * The least that is handled, proven; null when there are too many parts of choices to tabulate.
 *
 * @returns the stack of each set, inside first, and plates handled on one side; or null
 */
export function nestedPlan(question: NestedQuestion): NestedPlan | null {
  const { ways, isEmptiedBefore, start, endsEmpty, order } = question;
  const kinds = ways[0]?.[0]?.length ?? 0;
  const first = new Uint8Array(kinds);
  for (const k of start) first[k] = first[k]! + 1;
  const numbering = new Numbering(start.length > 0 ? [[first], ...ways] : ways);
  if (!numbering.isReady) return null;
  const sets = numbering.parts.map((_, i) => i);
  const plan = new Nested(numbering, sets, { isEmptiedBefore, start, endsEmpty, startsFree: false });
  return plan.solve() ? plan.answer(order) : null;
}

/**
 * Every part of every choice of some sets, numbered: nothing first, so that one plate more has a higher number. Sets
 * with the same list of choices share their part of the work.
 */
export class Numbering {
  readonly kinds: number;
  /** By base: the base with one plate more of a kind, or −1. */
  up!: Int32Array;
  bases = 0;
  /** By set: which bases are part of one of its choices, and which are a whole choice. */
  readonly parts: Int32Array[] = [];
  readonly isPart: Uint8Array[] = [];
  readonly isChoice: Uint8Array[] = [];
  /** False when there are too many parts to tabulate. */
  readonly isReady: boolean;

  constructor(private readonly ways: readonly (readonly Uint8Array[])[]) {
    this.kinds = ways[0]?.[0]?.length ?? 0;
    this.isReady = ways.length > 0 && this.number();
  }

  private number(): boolean {
    const most = new Uint8Array(this.kinds);
    for (const list of this.ways)
      for (const counts of list)
        for (let k = 0; k < this.kinds; k += 1) if (counts[k]! > most[k]!) most[k] = counts[k]!;
    const strides: number[] = [];
    let cells = 1;
    for (let k = 0; k < this.kinds; k += 1) {
      strides.push(cells);
      cells *= most[k]! + 1;
    }
    if (cells > Number.MAX_SAFE_INTEGER) return false;
    // Parts by set as places on the grid; a place is looked at once a set.
    const bySet: Set<number>[] = [];
    const all = new Set<number>();
    const lists = [...new Set(this.ways)];
    for (const list of lists) {
      const mine = new Set<number>();
      const down = (index: number) => {
        const open: [number, number][] = [[index, 0]];
        mine.add(index);
        while (open.length > 0) {
          const [at, from] = open.pop()!;
          for (let k = from; k < this.kinds; k += 1) {
            const n = Math.floor(at / strides[k]!) % (most[k]! + 1);
            if (n === 0) continue;
            const next = at - strides[k]!;
            // Kinds are taken away in order, so every part is reached once from one choice.
            open.push([next, k]);
            mine.add(next);
          }
          if (mine.size > MAX_BASES) return;
        }
      };
      for (const counts of list) {
        let index = 0;
        for (let k = 0; k < this.kinds; k += 1) index += counts[k]! * strides[k]!;
        down(index);
        if (mine.size > MAX_BASES) return false;
      }
      bySet.push(mine);
      for (const index of mine) all.add(index);
      if (all.size > MAX_BASES) return false;
    }
    const sorted = Float64Array.from(all).sort();
    this.bases = sorted.length;
    const numberOf = new Map<number, number>();
    sorted.forEach((index, b) => numberOf.set(index, b));
    this.up = new Int32Array(this.bases * this.kinds).fill(-1);
    for (let b = 0; b < this.bases; b += 1)
      for (let k = 0; k < this.kinds; k += 1) {
        const n = Math.floor(sorted[b]! / strides[k]!) % (most[k]! + 1);
        if (n < most[k]!) this.up[b * this.kinds + k] = numberOf.get(sorted[b]! + strides[k]!) ?? -1;
      }
    const places = new Map(lists.map((list, i) => [list, i]));
    const parts: Int32Array[] = [];
    const isParts: Uint8Array[] = [];
    const isChoices: Uint8Array[] = [];
    bySet.forEach((mine, i) => {
      const list = Int32Array.from(mine, (index) => numberOf.get(index)!).sort();
      const isPart = new Uint8Array(this.bases);
      for (const b of list) isPart[b] = 1;
      const isChoice = new Uint8Array(this.bases);
      for (const counts of lists[i]!) {
        let index = 0;
        for (let k = 0; k < this.kinds; k += 1) index += counts[k]! * strides[k]!;
        isChoice[numberOf.get(index)!] = 1;
      }
      parts.push(list);
      isParts.push(isPart);
      isChoices.push(isChoice);
    });
    for (const list of this.ways) {
      const i = places.get(list)!;
      this.parts.push(parts[i]!);
      this.isPart.push(isParts[i]!);
      this.isChoice.push(isChoices[i]!);
    }
    return true;
  }
}

/** Spans over some of the numbered sets, in an order. */
interface NestedOptions {
  isEmptiedBefore: readonly boolean[];
  start: readonly number[];
  endsEmpty: boolean;
  /** Whether what is on before the first set costs nothing, whatever it is; for bounds of parts of a session. */
  startsFree: boolean;
}

/**
 * What is handled between the sets of a part of a session, at least: whatever is on before it and stays after it is free.
 *
 * @returns a count of plates, one side
 */
export function windowCost(numbering: Numbering, sets: readonly number[]): number {
  const isEmptiedBefore = sets.map(() => false);
  const nested = new Nested(numbering, sets, { isEmptiedBefore, start: [], endsEmpty: false, startsFree: true });
  return nested.solve() ? nested.handled() : 0;
}

class Nested {
  private readonly kinds: number;
  private readonly sets: number;
  private readonly hasStart: boolean;
  private readonly up: Int32Array;
  private readonly bases: number;
  private readonly parts: readonly Int32Array[];
  private readonly isPart: readonly Uint8Array[];
  private readonly isChoice: readonly Uint8Array[];
  private readonly spans: Span[][] = [];
  /** Bases that a start's order allows, by plates: the first so many of it. */
  private readonly startBases: number[] = [];
  private numbers = 0;

  constructor(
    numbering: Numbering,
    sets: readonly number[],
    private readonly question: NestedOptions,
  ) {
    this.kinds = numbering.kinds;
    this.up = numbering.up;
    this.bases = numbering.bases;
    this.hasStart = question.start.length > 0;
    this.sets = sets.length;
    this.parts = sets.map((set) => numbering.parts[set]!);
    this.isPart = sets.map((set) => numbering.isPart[set]!);
    this.isChoice = sets.map((set) => numbering.isChoice[set]!);
    if (this.hasStart) {
      let base = 0;
      this.startBases.push(base);
      for (const k of question.start) this.startBases.push((base = this.up[base * this.kinds + k]!));
    }
  }

  /** What a plate costs that is on from set l through set r. */
  private costOf(l: number, r: number): number {
    const on = l === 0 && (this.hasStart || this.question.startsFree) ? 0 : 1;
    return on + (r === this.sets - 1 && !this.question.endsEmpty ? 0 : 1);
  }

  private isEmptiedBefore(i: number): boolean {
    const own = this.hasStart ? i - 1 : i;
    return own > 0 && this.question.isEmptiedBefore[own]!;
  }

  solve(): boolean {
    const { sets, bases } = this;
    const dense = new Int16Array(bases).fill(NEVER);
    for (let l = sets - 1; l >= 0; l -= 1) {
      this.spans[l] = [];
      let list = this.hasStart && l === 0 ? Int32Array.from(this.startBases) : this.parts[l]!;
      let isCrossing = false;
      for (let r = l; r < sets; r += 1) {
        if (r > l) {
          isCrossing ||= this.isEmptiedBefore(r);
          // Over an emptied sleeve nothing stays.
          list = isCrossing ? list.subarray(0, 1) : list.filter((b) => this.isPart[r]![b] === 1);
        }
        const costs = new Int16Array(list.length).fill(NEVER);
        this.numbers += list.length;
        if (this.numbers > MAX_NUMBERS) return false;
        if (l === r) {
          for (let p = 0; p < list.length; p += 1) if (this.isChoice[l]![list[p]!] === 1) costs[p] = 0;
        } else for (let m = l; m < r; m += 1) this.join(list, costs, this.spans[l]![m]!, this.spans[m + 1]![r]!);
        this.stay(l, r, list, costs, dense);
        this.spans[l]![r] = { bases: list, costs };
      }
    }
    return true;
  }

  /** The cheaper of what is known and of two parts side by side. */
  private join(list: Int32Array, costs: Int16Array, a: Span, b: Span): void {
    let [i, j] = [0, 0];
    const [aBases, aCosts, bBases, bCosts] = [a.bases, a.costs, b.bases, b.costs];
    for (let p = 0; p < list.length; p += 1) {
      const base = list[p]!;
      while (aBases[i]! < base) i += 1;
      while (j < bBases.length && bBases[j]! < base) j += 1;
      if (j === bBases.length) return;
      if (bBases[j] !== base) continue;
      const sum = aCosts[i]! + bCosts[j]!;
      if (sum < costs[p]!) costs[p] = sum;
    }
  }

  /** One plate more stays throughout: from the fullest bases down. */
  private stay(l: number, r: number, list: Int32Array, costs: Int16Array, dense: Int16Array): void {
    const { kinds, up } = this;
    const cost = this.costOf(l, r);
    const isStart = this.hasStart && l === 0;
    for (let p = list.length - 1; p >= 0; p -= 1) {
      const base = list[p]!;
      let least = costs[p]!;
      if (isStart) {
        if (p + 1 < list.length && this.startBases[p + 1] === list[p + 1])
          least = Math.min(least, dense[list[p + 1]!]! + cost);
      } else
        for (let at = base * kinds, k = 0; k < kinds; k += 1, at += 1) {
          const next = up[at]!;
          if (next >= 0 && dense[next]! + cost < least) least = dense[next]! + cost;
        }
      costs[p] = least;
      dense[base] = least;
    }
    for (let p = 0; p < list.length; p += 1) dense[list[p]!] = NEVER;
  }

  private valueOf(l: number, r: number, base: number): number {
    const { bases, costs } = this.spans[l]![r]!;
    let [low, high] = [0, bases.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (bases[middle]! < base) low = middle + 1;
      else high = middle;
    }
    return bases[low] === base ? costs[low]! : NEVER;
  }

  handled(): number {
    return this.valueOf(0, this.sets - 1, 0);
  }

  /** The spans again from the costs: plates that stay throughout first, larger inside. */
  answer(order: readonly number[]): NestedPlan | null {
    const handled = this.handled();
    if (handled >= NEVER) return null;
    const stacks: number[][] = new Array(this.sets);
    const open: { l: number; r: number; base: number; stack: number[] }[] = [
      { l: 0, r: this.sets - 1, base: 0, stack: [] },
    ];
    while (open.length > 0) {
      const { l, r, base, stack } = open.pop()!;
      const value = this.valueOf(l, r, base);
      if (l === r && this.isChoice[l]![base] === 1 && value === 0) {
        stacks[l] = stack;
        continue;
      }
      const cost = this.costOf(l, r);
      const isStart = this.hasStart && l === 0;
      const next = isStart
        ? this.question.start.slice(stack.length, stack.length + 1)
        : order.filter((k) => this.up[base * this.kinds + k]! >= 0);
      const k = next.find((one) => this.valueOf(l, r, this.up[base * this.kinds + one]!) + cost === value);
      if (k !== undefined) {
        open.push({ l, r, base: this.up[base * this.kinds + k]!, stack: [...stack, k] });
        continue;
      }
      for (let m = l; m < r; m += 1)
        if (this.valueOf(l, m, base) + this.valueOf(m + 1, r, base) === value) {
          open.push({ l, r: m, base, stack }, { l: m + 1, r, base, stack });
          break;
        }
    }
    return { handled, stacks: this.hasStart ? stacks.slice(1) : stacks };
  }
}
