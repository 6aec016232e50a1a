import { bestRow, type LifterWeeks, lifterWeeks, type Row, worthOfRow } from "./lifterWeeks";
import type { RotationPlan, RotationQuestion } from "./rotationQuestion";

/* All lifters' weeks together, where bars take so many a week. Without that rule each lifter's best row is exact; the
 * rule is priced (Lagrangian relaxation with subgradient steps, after Held and Karp), which bounds what any plan is
 * worth, and branch and bound over who has which bar in which week closes what is left. */

export interface RotationLimits {
  /** Share of its time that is gone; at 1 and beyond the best so far is answered. */
  spent?: () => number;
  /** How many nodes are looked at, for a search that goes by counted work. */
  maxNodes?: number;
}

/** Rounds of pricing at the root and at each later node. */
const ROOT_ROUNDS = 120;
const NODE_ROUNDS = 30;
const MAX_NODES = 20_000;
/** How often one lifter, or two, change their rows around the others before a plan counts as good. */
const MAX_CHANGES = 40;
/** Values are looked at in this grain when rounding bounds down. */
const GRAIN = 1000;

/** Why there is no plan: none keeps all the rules, or none was found in the time. */
export type NoPlan = "none" | "not-found";

/**
 * The plan of greatest value.
 *
 * @returns the plan with its bound, or why there is none; what contradicts is said by `contradictions`
 */
export function planRotation(question: RotationQuestion, limits: RotationLimits = {}): RotationPlan | NoPlan {
  return new Search(question, limits).run();
}

interface Node {
  /** For each lifter, week × bar of theirs. */
  allowed: readonly Uint8Array[];
  prices: Float64Array;
  bound: number;
}

interface Priced {
  bound: number;
  prices: Float64Array;
  /** How often each lifter's rows took each week and bar, as a share. */
  shares: Float64Array[];
}

class Search {
  private readonly own: LifterWeeks[];
  private readonly capacity: Int32Array;
  private readonly bars: number;
  private readonly step: number;
  private best: Int32Array[] | null = null;
  private value = -Infinity;
  private readonly spent: () => number;
  private readonly maxNodes: number;

  constructor(
    private readonly question: RotationQuestion,
    { spent = () => 0, maxNodes = MAX_NODES }: RotationLimits,
  ) {
    this.own = question.lifters.map((lifter) => lifterWeeks(question, lifter));
    this.bars = question.bars.length;
    this.capacity = Int32Array.from(question.bars, ({ capacity }) => capacity);
    this.step = commonStep(this.own);
    this.spent = spent;
    this.maxNodes = maxNodes;
  }

  run(): RotationPlan | NoPlan {
    const { weeks } = this.question;
    const root: Node = {
      allowed: this.own.map(({ allowed }) => allowed),
      prices: new Float64Array(weeks * this.bars),
      bound: Infinity,
    };
    const open: Node[] = [root];
    let nodes = 0;
    while (open.length > 0) {
      // The node that may still hold most: what is left unlooked at then says how far off the plan may be.
      const at = open.reduce((top, node, i) => (node.bound > open[top]!.bound ? i : top), 0);
      const [node] = open.splice(at, 1);
      if (this.floor(node!.bound) <= this.value) break;
      if (nodes > 0 && (this.spent() >= 1 || nodes >= this.maxNodes)) {
        open.push(node!);
        break;
      }
      nodes += 1;
      const priced = this.price(node!, nodes === 1 ? ROOT_ROUNDS : NODE_ROUNDS);
      if (!priced || this.floor(priced.bound) <= this.value) continue;
      const split = this.splitOf(node!, priced.shares);
      // Where nothing is left to decide, the one row each has was tried.
      if (split) open.push(...this.children(node!, priced, split));
    }
    if (!this.best) return open.length > 0 ? "not-found" : "none";
    const left = open.reduce((top, { bound }) => Math.max(top, this.floor(bound)), -Infinity);
    const bars = this.best.map((picks, i) => Array.from(picks, (k) => this.own[i]!.lifter.bars[k]!.id));
    return { bars, value: this.value, bound: Math.max(this.value, left), isProven: left <= this.value };
  }

  private floor(bound: number): number {
    return bound === Infinity ? Infinity : this.step * Math.floor(bound / this.step + 1e-7);
  }

  /** Prices the places and tries what comes of it; null where the node holds no plan. */
  private price({ allowed, prices: given, bound: inherited }: Node, rounds: number): Priced | null {
    const { weeks } = this.question;
    const prices = given.slice();
    const shares = this.own.map(({ K }) => new Float64Array(weeks * K));
    let best = { bound: inherited, prices: prices.slice() };
    let pace = 1;
    let stale = 0;
    let kept = 0;
    for (let round = 0; round < rounds; round += 1) {
      const rows: Row[] = [];
      for (const [i, own] of this.own.entries()) {
        const row = bestRow(own, prices, this.bars, allowed[i]!);
        if (!row) return null;
        rows.push(row);
      }
      const over = new Float64Array(weeks * this.bars);
      let bound = 0;
      for (let w = 0; w < weeks; w += 1)
        for (let b = 0; b < this.bars; b += 1) {
          over[w * this.bars + b] = -this.capacity[b]!;
          bound += prices[w * this.bars + b]! * this.capacity[b]!;
        }
      rows.forEach(({ picks, value }, i) => {
        bound += value;
        picks.forEach((k, w) => {
          over[w * this.bars + this.own[i]!.barOf[k]!]! += 1;
        });
      });
      // Older rows fade, so that the shares follow the prices as they settle.
      kept = kept * 0.9 + 1;
      for (const [i, { picks }] of rows.entries()) {
        const share = shares[i]!;
        for (let j = 0; j < share.length; j += 1) share[j]! *= (kept - 1) / kept;
        picks.forEach((k, w) => (share[w * this.own[i]!.K + k]! += 1 / kept));
      }
      if (bound < best.bound - 1e-9) {
        best = { bound, prices: prices.slice() };
        stale = 0;
      } else if ((stale += 1) >= 6) {
        pace /= 2;
        stale = 0;
      }
      if (best.bound < this.leastValue()) return null;
      if (round % 8 === 0 || over.every((n) => n <= 0)) this.tryRows(rows, allowed, prices);
      if (this.floor(best.bound) <= this.value || this.spent() >= 1) break;
      let norm = 0;
      for (let j = 0; j < over.length; j += 1) if (over[j]! > 0 || prices[j]! > 0) norm += over[j]! ** 2;
      if (norm === 0) break;
      const goal = this.value > -Infinity ? this.value : best.bound - Math.max(100, Math.abs(best.bound) * 0.1);
      const length = (pace * Math.max(bound - goal, 1e-3)) / norm;
      for (let j = 0; j < over.length; j += 1) prices[j] = Math.max(0, prices[j]! + length * over[j]!);
    }
    return { ...best, shares };
  }

  private least: number | undefined;
  /** No plan is worth less: where the bound falls below, there is none. */
  private leastValue(): number {
    return (this.least ??=
      this.own.reduce((sum, { worth, K, weeks }) => {
        for (let w = 0; w < weeks; w += 1)
          sum += worth.subarray(w * K, (w + 1) * K).reduce((a, b) => Math.min(a, b), Infinity);
        return sum;
      }, 0) - 1);
  }

  /** Makes a plan of rows that may overfill bars: those who lose least by it move first to last, then everybody again. */
  private tryRows(rows: readonly Row[], allowed: readonly Uint8Array[], prices: Float64Array): void {
    const { weeks } = this.question;
    const taken = new Int32Array(weeks * this.bars);
    const plan: (Int32Array | null)[] = this.own.map(() => null);
    const fits = (i: number, picks: Int32Array) =>
      picks.every((k, w) => {
        const b = this.own[i]!.barOf[k]!;
        return taken[w * this.bars + b]! < this.capacity[b]!;
      });
    // Those with least to choose from first: nobody can make way for them later.
    const order = this.own
      .map((_, i) => i)
      .sort((a, b) => freedom(allowed[a]!) - freedom(allowed[b]!) || rows[b]!.value - rows[a]!.value);
    for (const i of order) {
      const row = rows[i]!;
      const picks = row.isAllowed && fits(i, row.picks) ? row.picks : this.rowAround(i, taken, allowed[i]!, prices);
      if (!picks) return;
      plan[i] = picks;
      this.take(i, picks, taken, 1);
    }
    this.improve(plan as Int32Array[], taken, allowed);
  }

  private take(i: number, picks: Int32Array, taken: Int32Array, n: 1 | -1): void {
    picks.forEach((k, w) => (taken[w * this.bars + this.own[i]!.barOf[k]!]! += n));
  }

  /** The best row of one lifter where there is room. */
  private rowAround(i: number, taken: Int32Array, allowed: Uint8Array, prices: Float64Array | null): Int32Array | null {
    const own = this.own[i]!;
    const free = allowed.slice();
    for (let w = 0; w < own.weeks; w += 1)
      for (let k = 0; k < own.K; k += 1) {
        const b = own.barOf[k]!;
        if (taken[w * this.bars + b]! >= this.capacity[b]!) free[w * own.K + k] = 0;
      }
    const row = bestRow(own, prices, this.bars, free);
    return row?.isAllowed ? row.picks : null;
  }

  /** One lifter, or two, choose again around the others while that is worth more. */
  private improve(plan: Int32Array[], taken: Int32Array, allowed: readonly Uint8Array[]): void {
    const n = plan.length;
    const value = (i: number) => worthOfRow(this.own[i]!, plan[i]!);
    let changes = 0;
    const again = (group: readonly number[]): boolean => {
      const before = group.map((i) => plan[i]!);
      const old = group.reduce((sum, i) => sum + value(i), 0);
      group.forEach((i) => this.take(i, plan[i]!, taken, -1));
      let fresh = 0;
      const rows: Int32Array[] = [];
      for (const i of group) {
        const picks = this.rowAround(i, taken, allowed[i]!, null);
        if (!picks) break;
        rows.push(picks);
        fresh += worthOfRow(this.own[i]!, picks);
        this.take(i, picks, taken, 1);
      }
      const isBetter = rows.length === group.length && fresh > old + 1e-9;
      if (!isBetter) {
        rows.forEach((picks, j) => this.take(group[j]!, picks, taken, -1));
        group.forEach((i, j) => this.take(i, before[j]!, taken, 1));
        return false;
      }
      group.forEach((i, j) => (plan[i] = rows[j]!));
      return true;
    };
    for (let isBetter = true; isBetter && changes < MAX_CHANGES && this.spent() < 1;) {
      isBetter = false;
      for (let i = 0; i < n; i += 1) if (again([i])) isBetter = true;
      if (isBetter) {
        changes += 1;
        continue;
      }
      for (let i = 0; i < n && !isBetter && this.spent() < 1; i += 1)
        for (let j = 0; j < n && !isBetter; j += 1) if (i !== j && again([i, j])) isBetter = true;
      changes += 1;
    }
    const total = plan.reduce((sum, _, i) => sum + value(i), 0);
    if (total <= this.value + 1e-9) return;
    this.value = total;
    this.best = [...plan];
  }

  /** Where rows were least sure: a lifter, a week and a bar. */
  private splitOf({ allowed }: Node, shares: readonly Float64Array[]): [number, number] | null {
    let split: [number, number] | null = null;
    let nearest = Infinity;
    for (const [i, share] of shares.entries()) {
      const { K, weeks } = this.own[i]!;
      for (let w = 0; w < weeks; w += 1) {
        let open = 0;
        for (let k = 0; k < K; k += 1) open += allowed[i]![w * K + k]!;
        if (open < 2) continue;
        for (let k = 0; k < K; k += 1) {
          if (!allowed[i]![w * K + k]) continue;
          const off = Math.abs(share[w * K + k]! - 0.5);
          if (off < nearest - 1e-12) [nearest, split] = [off, [i, w * K + k]];
        }
      }
    }
    return split;
  }

  private children({ allowed }: Node, { prices, bound }: Priced, [lifter, place]: [number, number]): Node[] {
    const { K } = this.own[lifter]!;
    const w = Math.floor(place / K);
    const narrowed = (keep: (k: number) => boolean): Node => ({
      allowed: allowed.map((own, i) =>
        i === lifter ? own.map((is, j) => (Math.floor(j / K) !== w || keep(j % K) ? is : 0)) : own,
      ),
      prices,
      bound,
    });
    return [narrowed((k) => k === place % K), narrowed((k) => k !== place % K)];
  }
}

const freedom = (allowed: Uint8Array) => allowed.reduce((sum, is) => sum + is, 0);

/** Values are whole multiples of this, so a bound may be rounded down to one. */
function commonStep(own: readonly LifterWeeks[]): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  let step = 0;
  for (const { worth } of own)
    for (const value of worth) {
      const grains = Math.round(Math.abs(value) * GRAIN);
      // Finer than the grain: bounds stay as they are.
      if (Math.abs(Math.abs(value) * GRAIN - grains) > 1e-6) return 1e-6;
      step = gcd(grains, step);
    }
  return Math.max(step, 1) / GRAIN;
}
