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

export interface NestedPlan {
  handled: number;
  /** Kinds of every set's stack, inside first. */
  stacks: number[][];
}

/** Different parts of choices that are tabulated, numbers kept and joins made; beyond that another way must do. */
const MAX_BASES = 1_200_000;
const MAX_NUMBERS = 60_000_000;
const MAX_JOINS = 2_000_000_000;
/** Numbers kept of what bases lack, by set. */
const MAX_CELLS = 100_000_000;
const NOT_A_PART = 255;

/** When to give up. */
export interface NestedLimits {
  /** Asked now and then. */
  isOver?: () => boolean;
  /** Pairs of spans looked at; about half a thousand million a second. */
  maxJoins?: number;
  /** Different parts of choices that are tabulated. */
  maxBases?: number;
}

/**
 * The least that is handled, proven; null when there are too many parts of choices to tabulate, or time is over.
 *
 * @returns the stack of each set, inside first, and plates handled on one side; or null
 */
export function nestedPlan(question: NestedQuestion, limits: NestedLimits = {}): NestedPlan | null {
  const { ways, isEmptiedBefore, start, endsEmpty, order } = question;
  const kinds = ways[0]?.[0]?.length ?? 0;
  const first = new Uint8Array(kinds);
  for (const k of start) first[k] = first[k]! + 1;
  const numbering = new Numbering(start.length > 0 ? [[first], ...ways] : ways, limits);
  if (!numbering.isReady) return null;
  const sets = numbering.parts.map((_, i) => i);
  const plan = new Nested(numbering, sets, { isEmptiedBefore, start, endsEmpty, startsFree: false });
  return plan.solve(limits) ? plan.answer(order) : null;
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
  /** By set: the bases that are part of one of its choices; and by base, how many plates it lacks of the nearest. */
  readonly parts: Int32Array[] = [];
  readonly missing: Uint8Array[] = [];
  /** False when there are too many parts to tabulate. */
  readonly isReady: boolean;

  constructor(
    private readonly ways: readonly (readonly Uint8Array[])[],
    private readonly limits: NestedLimits = {},
  ) {
    this.kinds = ways[0]?.[0]?.length ?? 0;
    this.isReady = ways.length > 0 && this.number();
  }

  private number(): boolean {
    const { isOver, maxBases = MAX_BASES } = this.limits;
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
    let looked = 0;
    for (const list of lists) {
      const mine = new Set<number>();
      for (const counts of list) {
        let index = 0;
        for (let k = 0; k < this.kinds; k += 1) index += counts[k]! * strides[k]!;
        mine.add(index);
      }
      // What is added while it is gone through is gone through too: every part once, one plate taken away at a time.
      for (const at of mine) {
        for (let k = 0; k < this.kinds; k += 1)
          if (Math.floor(at / strides[k]!) % (most[k]! + 1) > 0) mine.add(at - strides[k]!);
        looked += 1;
        if (mine.size > maxBases || ((looked & 4095) === 0 && isOver?.())) return false;
      }
      bySet.push(mine);
      for (const index of mine) all.add(index);
      if (all.size > maxBases) return false;
    }
    const sorted = Float64Array.from(all).sort();
    this.bases = sorted.length;
    if (this.bases * lists.length > MAX_CELLS) return false;
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
    const missing: Uint8Array[] = [];
    for (let i = 0; i < lists.length; i += 1) {
      if (isOver?.()) return false;
      const list = Int32Array.from(bySet[i]!, (index) => numberOf.get(index)!).sort();
      const short = new Uint8Array(this.bases).fill(NOT_A_PART);
      for (const counts of lists[i]!) {
        let index = 0;
        for (let k = 0; k < this.kinds; k += 1) index += counts[k]! * strides[k]!;
        short[numberOf.get(index)!] = 0;
      }
      for (let p = list.length - 1; p >= 0; p -= 1) {
        const at = list[p]! * this.kinds;
        for (let k = 0; k < this.kinds; k += 1) {
          const next = this.up[at + k]!;
          if (next >= 0 && short[next]! + 1 < short[list[p]!]!) short[list[p]!] = short[next]! + 1;
        }
      }
      if (short[0] === NOT_A_PART) return false;
      parts.push(list);
      missing.push(short);
    }
    for (const list of this.ways) {
      const i = places.get(list)!;
      this.parts.push(parts[i]!);
      this.missing.push(missing[i]!);
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

export interface Window {
  /** Sets by their place in the numbering, in the order they are lifted. */
  sets: readonly number[];
  /** Whether the window begins the session, from an empty sleeve; else whatever is on before it is free. */
  isFirst?: boolean;
  /** Whether the sleeve is emptied after it, and that counts; else whatever stays after it is free. */
  endsEmpty?: boolean;
  isEmptiedBefore?: readonly boolean[];
}

/**
 * What is handled through a part of a session, at least.
 *
 * @returns a count of plates, one side; null when time is over
 */
export function windowCost(
  numbering: Numbering,
  { sets, isFirst = false, endsEmpty = false, isEmptiedBefore = sets.map(() => false) }: Window,
  limits: NestedLimits = {},
): number | null {
  const nested = new Nested(numbering, sets, { isEmptiedBefore, start: [], endsEmpty, startsFree: !isFirst });
  return nested.solve(limits) ? nested.handled() : null;
}

/**
 * The least of every span of sets, base by base from the fullest to the empty sleeve. A base can stay over runs of sets
 * that follow each other; for each run there is a square of what its spans cost, by first and last set.
 */
class Nested {
  private readonly kinds: number;
  private readonly sets: number;
  private readonly hasStart: boolean;
  private readonly up: Int32Array;
  private readonly bases: number;
  private readonly parts: Int32Array[];
  private readonly missing: readonly Uint8Array[];
  /** Bases that can stay over several sets, the fullest first; by base its last run, by run the one before of its base. */
  private readonly present: number[] = [];
  private readonly lastRunOf: Int32Array;
  private readonly runBefore: number[] = [];
  private readonly runFrom: number[] = [];
  private readonly runTo: number[] = [];
  private readonly runAt: number[] = [];
  private costs!: Int16Array;
  private readonly inParts: Int16Array;

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
    this.inParts = new Int16Array(sets.length);
    this.parts = sets.map((set) => numbering.parts[set]!);
    this.missing = sets.map((set) => numbering.missing[set]!);
    this.lastRunOf = new Int32Array(this.bases).fill(-1);
    if (this.hasStart) {
      // A start has an order: only the first so many plates of it can stay.
      const chain = [0];
      for (const k of question.start) chain.push(this.up[chain.at(-1)! * this.kinds + k]!);
      this.parts[0] = Int32Array.from(chain);
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

  solve({ isOver, maxJoins = MAX_JOINS }: NestedLimits): boolean {
    if (!this.layOut(maxJoins)) return false;
    for (let i = 0; i < this.present.length; i += 1) {
      // A look at the clock now and then: it costs more than a small base.
      if ((i & 63) === 0 && isOver?.()) return false;
      const base = this.present[i]!;
      for (let run = this.lastRunOf[base]!; run >= 0; run = this.runBefore[run]!) this.fill(base, run);
    }
    return true;
  }

  /** Where every base can stay; false when there is more to join or to keep than is allowed. */
  private layOut(maxJoins: number): boolean {
    const { sets, parts, lastRunOf, runFrom, runTo, runAt, runBefore } = this;
    // By base the first and last set of the run that it is in; most bases come for one set and go, and
    // what a single set costs is known without a table.
    const [begun, ended] = [new Int32Array(this.bases).fill(-1), new Int32Array(this.bases).fill(-2)];
    let [numbers, joins] = [0, 0];
    const close = (base: number) => {
      const length = ended[base]! - begun[base]! + 1;
      if (length < 2) return;
      if (lastRunOf[base]! < 0) this.present.push(base);
      runBefore.push(lastRunOf[base]!);
      lastRunOf[base] = runFrom.length;
      runFrom.push(begun[base]!);
      runTo.push(ended[base]!);
      runAt.push(numbers);
      numbers += length * length;
      joins += length ** 3 / 6;
    };
    for (let i = 0; i < sets; i += 1) {
      // Over an emptied sleeve nothing stays.
      const isCut = this.isEmptiedBefore(i);
      const mine = parts[i]!;
      for (let p = 0; p < mine.length; p += 1) {
        const base = mine[p]!;
        if (ended[base] !== i - 1 || (isCut && base !== 0)) {
          if (begun[base]! >= 0) close(base);
          begun[base] = i;
        }
        ended[base] = i;
      }
    }
    for (let base = 0; base < this.bases; base += 1) if (begun[base]! >= 0) close(base);
    if (numbers > MAX_NUMBERS || joins > maxJoins) return false;
    this.present.sort((a, b) => b - a);
    this.costs = new Int16Array(numbers).fill(NEVER);
    return true;
  }

  private fill(base: number, run: number): void {
    const { kinds, up, costs, runFrom, runTo, runAt } = this;
    const [from, to, at] = [runFrom[run]!, runTo[run]!, runAt[run]!];
    const length = to - from + 1;
    const lastSet = this.sets - 1;
    const isStartFree = this.hasStart || this.question.startsFree;
    // One plate more stays throughout: its runs lie within this one, except where the start allows no such base.
    for (let k = 0; k < kinds; k += 1) {
      const next = up[base * kinds + k]!;
      if (next < 0) continue;
      for (let other = this.lastRunOf[next]!; other >= 0; other = this.runBefore[other]!) {
        const [first, last] = [Math.max(from, runFrom[other]!), Math.min(to, runTo[other]!)];
        const otherLength = runTo[other]! - runFrom[other]! + 1;
        for (let l = first; l < last; l += 1) {
          const theirs = runAt[other]! + (l - runFrom[other]!) * otherLength - runFrom[other]!;
          const mine = at + (l - from) * length - from;
          const inner = l === 0 && isStartFree ? 1 : 2;
          const end = last === lastSet ? last - 1 : last;
          for (let r = l + 1; r <= end; r += 1) {
            const cost = costs[theirs + r]! + inner;
            if (cost < costs[mine + r]!) costs[mine + r] = cost;
          }
          if (end === last) continue;
          const cost = costs[theirs + last]! + this.costOf(l, last);
          if (cost < costs[mine + last]!) costs[mine + last] = cost;
        }
      }
    }
    for (let l = from; l <= to; l += 1) costs[at + (l - from) * (length + 1)] = this.single(l, base);
    // Parts side by side, from the last set back. The first part is one over which a plate stays, or a single set, and
    // only worth a look where it is cheaper than the same span in parts.
    const parts = this.inParts;
    for (let l = length - 1; l >= 0; l -= 1) {
      const row = at + l * length;
      parts.fill(NEVER, l, length);
      for (let m = l; m < length; m += 1) {
        const first = costs[row + m]!;
        if (first >= parts[m]!) {
          costs[row + m] = parts[m]!;
          continue;
        }
        const rest = row + (m + 1 - l) * length;
        for (let r = m + 1; r < length; r += 1) {
          const sum = first + costs[rest + r]!;
          if (sum < parts[r]!) parts[r] = sum;
        }
      }
    }
  }

  /** A set by itself: what its nearest choice has beyond the base goes on and off. */
  private single(set: number, base: number): number {
    const short = this.missing[set]![base]!;
    return short === NOT_A_PART ? NEVER : short * this.costOf(set, set);
  }

  private valueOf(l: number, r: number, base: number): number {
    if (l === r) return this.single(l, base);
    for (let run = this.lastRunOf[base]!; run >= 0; run = this.runBefore[run]!) {
      const [from, to] = [this.runFrom[run]!, this.runTo[run]!];
      if (from <= l && r <= to) return this.costs[this.runAt[run]! + (l - from) * (to - from + 1) + r - from]!;
    }
    return NEVER;
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
      if (l === r && this.missing[l]![base] === 0) {
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
