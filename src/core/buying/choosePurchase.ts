import { costOf, fill, type Filled, type Range, servedBy, slope, total } from "./purchaseBound";
import { type Chosen, type Market, marketOf, type PurchasePlan, type PurchaseQuestion } from "./purchaseQuestion";

/* Branch and bound over how many of each offer are bought, under the bound of `purchaseBound`. The same search answers
 * three questions: what gains most within a budget, what gains as much for least, and what is the least that gains more. */

export interface PurchaseLimits {
  /** Share of its time that is gone; at 1 and beyond the best so far is answered. */
  spent?: () => number;
}

/** Rounds of pricing at the root and at each later node. */
const ROOT_ROUNDS = 600;
const NODE_ROUNDS = 12;
/** How much of the last direction a step of prices keeps. */
const DEFLECTION = 0.6;
/** Rounds without a better bound before steps become smaller. */
const PATIENCE = 8;
/** Of the time, what the greatest gain may take, and up to where the cheapest of equals is looked for. */
const GAIN_SHARE = 0.75;
const CHEAPEST_SHARE = 0.85;
/** Gains without a decimal step count as equal within this share of the whole. */
const EQUAL_SHARE = 1e-9;

/**
 * The offers to buy within a budget: of greatest gain, and among equals the cheapest.
 *
 * @returns the choice with its bound, the best single offer, and what a little more money would change
 */
export function choosePurchase(question: PurchaseQuestion, { spent = () => 0 }: PurchaseLimits = {}): PurchasePlan {
  const { offers, budgetMinor } = question;
  const market = marketOf(question);
  const search = new Search(market);
  const first = search.mostGain(budgetMinor, () => spent() >= GAIN_SHARE);
  const cheap = search.leastCost(first.gain, () => spent() >= CHEAPEST_SHARE, first.chosen);
  const best = cheap.chosen ?? first.chosen;
  const provenOptimal = first.isProven && cheap.isProven;
  const inOffers = (chosen: Int8Array): Chosen[] =>
    offers.flatMap(({ id }, i) => {
      const { copies } = market.levels[i]![chosen[i]!]!;
      return copies === 0 ? [] : [{ id, quantity: copies }];
    });
  let next: PurchasePlan["next"] = null;
  if (provenOptimal) {
    const more = search.leastCost(first.gain + search.step, () => spent() >= 0.95, null);
    if (more.isProven && more.chosen) {
      const budget = costOf(market, more.chosen);
      // For exactly that money there may be more to gain than the least that is more.
      const most = search.mostGain(budget, () => spent() >= 1, more.chosen);
      if (most.isProven) next = { extraMinor: budget - budgetMinor, chosen: inOffers(most.chosen) };
    }
  }
  return {
    chosen: inOffers(best),
    costMinor: costOf(market, best),
    gain: search.gainOf(best),
    bound: first.isProven ? search.gainOf(best) : first.bound,
    provenOptimal,
    onlyOne: onlyOneOf(question, market),
    next,
  };
}

/** The single offer, bought once, of greatest gain within the budget; the cheaper of equals, then the first. */
function onlyOneOf({ offers, budgetMinor }: PurchaseQuestion, { levels }: Market): string | null {
  let best: { id: string; gain: number; cost: number } | null = null;
  offers.forEach(({ id, costMinor, atMost }, i) => {
    const one = levels[i]!.find(({ copies }) => copies === 1);
    if (!one || costMinor > budgetMinor || atMost < 1) return;
    const gain = total(one.values);
    if (gain > 0 && (!best || gain > best.gain || (gain === best.gain && costMinor < best.cost)))
      best = { id, gain, cost: costMinor };
  });
  return (best as { id: string } | null)?.id ?? null;
}

interface Node extends Range {
  /** By need, its price beyond what served it where the price was found, and that. */
  cut: Float64Array;
  bound: number;
}

/** What is looked for: so much gain within so much money. */
interface Goal {
  budget: number;
  wanted: number;
}

interface Found {
  chosen: Int8Array;
  gain: number;
  bound: number;
  isProven: boolean;
}

/** Part of the last direction is kept: it damps the zigzag (Camerini, Fratta, Maffioli 1975). */
function deflected(slope: Float64Array, before: Float64Array | null): Float64Array {
  if (before) for (let j = 0; j < slope.length; j += 1) slope[j]! += DEFLECTION * before[j]!;
  return slope;
}

const added = (a: Float64Array, b: Float64Array) => a.map((one, j) => one + b[j]!);

/** What is left of prices once more is served in any case. */
const pricesOver = (cut: Float64Array, served: Float64Array) => cut.map((one, j) => Math.max(0, one - served[j]!));

/** Squared length of a direction, without what a price at nothing cannot follow. */
function steepness(way: Float64Array, prices: Float64Array): number {
  let sum = 0;
  for (let j = 0; j < way.length; j += 1) if (!(way[j]! > 0 && prices[j] === 0)) sum += way[j]! * way[j]!;
  return sum;
}

class Search {
  /** The least by which two gains differ. */
  readonly step: number;
  private readonly offers: number;
  /** By need, the most that any offer gains it: a price beyond is never better. */
  private readonly tops: Float64Array;
  /** Whether the time for what is looked for now is over. */
  private isOver: () => boolean = () => false;

  constructor(private readonly market: Market) {
    this.offers = market.levels.length;
    const all = Int8Array.from(market.levels, (own) => own.length - 1);
    this.tops = servedBy(market, all);
    this.step = market.grain || Math.max(1, total(this.tops)) * EQUAL_SHARE;
  }

  gainOf(chosen: Int8Array): number {
    const gain = total(servedBy(this.market, chosen));
    const { grain } = this.market;
    return grain === 0 ? gain : Math.round(gain / grain) / Math.round(1 / grain);
  }

  /** What gains most within a budget. */
  mostGain(budget: number, isOver: () => boolean, start: Int8Array | null = null): Found {
    this.isOver = isOver;
    let chosen = this.improved(start ?? this.greedy(budget), budget);
    let gain = this.gainOf(chosen);
    const outcome = this.explore(
      () => ({ budget, wanted: gain + this.step }),
      (other) => {
        const own = this.gainOf(other);
        if (own < gain + this.step / 2 || costOf(this.market, other) > budget) return;
        chosen = this.improved(other, budget);
        gain = this.gainOf(chosen);
      },
    );
    return { chosen, gain, bound: Math.max(gain, outcome.bound), isProven: outcome.isDone };
  }

  /** What gains at least so much for least; null where nothing does. */
  leastCost(
    wanted: number,
    isOver: () => boolean,
    start: Int8Array | null,
  ): { chosen: Int8Array | null; isProven: boolean } {
    this.isOver = isOver;
    if (isOver()) return { chosen: start, isProven: false };
    const all = Int8Array.from(this.market.levels, (own) => own.length - 1);
    if (this.gainOf(all) < wanted - this.step / 2) return { chosen: null, isProven: true };
    let chosen = this.trimmed(start ?? this.trimmed(all, wanted), wanted);
    const greedy = this.trimmed(this.greedy(Infinity, wanted), wanted);
    if (costOf(this.market, greedy) < costOf(this.market, chosen)) chosen = greedy;
    let cost = costOf(this.market, chosen);
    const outcome = this.explore(
      () => ({ budget: cost - 1, wanted }),
      (other) => {
        if (this.gainOf(other) < wanted - this.step / 2) return;
        const lean = this.trimmed(other, wanted);
        if (costOf(this.market, lean) >= cost) return;
        chosen = lean;
        cost = costOf(this.market, lean);
      },
    );
    return { chosen, isProven: outcome.isDone };
  }

  /**
   * Looks at everything that could gain what is wanted within the budget, both of which move as better is found.
   *
   * @returns whether all was looked at, else the bound of what was not
   */
  private explore(goal: () => Goal, found: (chosen: Int8Array) => void): { isDone: boolean; bound: number } {
    const { levels, needs } = this.market;
    const open: Node[] = [];
    const add = (nodes: readonly Node[]) => {
      for (const node of nodes) {
        // The most promising last.
        let [from, to] = [0, open.length];
        while (from < to) {
          const middle = (from + to) >> 1;
          if (open[middle]!.bound < node.bound) from = middle + 1;
          else to = middle;
        }
        open.splice(from, 0, node);
      }
    };
    add([
      {
        low: new Int8Array(this.offers),
        high: Int8Array.from(levels, (own) => own.length - 1),
        cut: new Float64Array(needs),
        bound: Infinity,
      },
    ]);
    let rounds = ROOT_ROUNDS;
    while (open.length > 0) {
      const node = open.pop()!;
      if (this.isOver()) return { isDone: false, bound: Math.min(total(this.tops), node.bound) };
      if (this.cannot(node.bound, goal().wanted)) continue;
      add(this.look(node, goal, found, rounds));
      rounds = NODE_ROUNDS;
    }
    return { isDone: true, bound: 0 };
  }

  private cannot = (bound: number, wanted: number) => bound < wanted - this.step * 1e-3 - Math.abs(bound) * 1e-12;

  /** Prices a node, takes what it finds, and splits what is left of it. */
  private look(node: Node, goal: () => Goal, found: (chosen: Int8Array) => void, rounds: number): Node[] {
    const { market } = this;
    const range: Range = { low: node.low.slice(), high: node.high.slice() };
    let served = servedBy(market, range.low);
    let left = goal().budget - costOf(market, range.low);
    const at = (prices: Float64Array) => fill(market, range, served, prices, left);
    if (left < 0) return [];
    this.capByBudget(range, left);
    let prices: Float64Array = pricesOver(node.cut, served);
    let best = { prices, filled: at(prices) };
    let [scale, since] = [1, 0];
    let way: Float64Array | null = null;
    let filled = best.filled;
    for (let round = 0; round < rounds && !this.isOver(); round += 1) {
      const { wanted } = goal();
      if (this.cannot(best.filled.bound, wanted)) return [];
      if (since === 0) {
        // A better bound: levels that it rules out are closed.
        const low = range.low.slice();
        const hasChanged = this.fix(range, best.filled, best.prices, total(served), left, wanted);
        if (range.low.some((level, i) => level > range.high[i]!)) return [];
        if (hasChanged) {
          if (range.low.some((level, i) => level !== low[i])) {
            const cut = added(best.prices, served);
            served = servedBy(market, range.low);
            best.prices = pricesOver(cut, served);
            found(range.low);
          }
          left = goal().budget - costOf(market, range.low);
          if (left < 0) return [];
          this.capByBudget(range, left);
          filled = at(best.prices);
          best = { prices: best.prices, filled };
          ({ prices } = best);
          way = null;
        }
        if (round % 10 === 0) found(filled.whole);
      }
      const g = slope(market, range, served, prices, filled);
      way = deflected(g, way);
      const norm = steepness(way, prices);
      if (norm < 1e-12) break;
      prices = this.stepped(
        prices,
        way,
        (scale * Math.max(filled.bound - wanted, 1e-9 * Math.abs(filled.bound))) / norm,
      );
      filled = at(prices);
      if (filled.bound < best.filled.bound - this.step * 1e-3) {
        best = { prices, filled };
        since = 0;
      } else if ((since += 1) % PATIENCE === 0) {
        scale /= 1.6;
        if (scale < 0.01) break;
        ({ prices, filled } = best);
        way = null;
      }
    }
    const { budget, wanted } = goal();
    left = budget - costOf(market, range.low);
    if (left < 0) return [];
    this.capByBudget(range, left);
    const last = at(best.prices);
    if (this.cannot(last.bound, wanted)) return [];
    found(this.completed(last.whole, budget));
    return this.split(range, added(best.prices, served), last);
  }

  /** Prices a step on, each between nothing and the most that anything gains the need. */
  private stepped(prices: Float64Array, way: Float64Array, stride: number): Float64Array {
    const next = new Float64Array(prices.length);
    for (let j = 0; j < next.length; j += 1)
      next[j] = Math.min(this.tops[j]!, Math.max(0, prices[j]! - stride * way[j]!));
    return next;
  }

  /** Levels that cost more than is left are closed. */
  private capByBudget({ low, high }: Range, left: number): void {
    for (let i = 0; i < this.offers; i += 1) {
      const own = this.market.levels[i]!;
      while (high[i]! > low[i]! && own[high[i]!]!.cost - own[low[i]!]!.cost > left) high[i]! -= 1;
    }
  }

  /** Closes levels with which the bound falls under what is wanted; whether any was. */
  private fix(
    { low, high }: Range,
    { ratio, worth }: Filled,
    prices: Float64Array,
    served: number,
    left: number,
    wanted: number,
  ): boolean {
    const { levels } = this.market;
    const start = low.slice();
    const reduced = (i: number, level: number) =>
      worth[i]![level]! - ratio * (levels[i]![level]!.cost - levels[i]![start[i]!]!.cost);
    const bests = new Float64Array(this.offers);
    for (let i = 0; i < this.offers; i += 1)
      for (let level = start[i]! + 1; level <= high[i]!; level += 1) bests[i] = Math.max(bests[i]!, reduced(i, level));
    const bound = served + total(prices) + ratio * left + total(bests);
    let hasChanged = false;
    for (let i = 0; i < this.offers; i += 1) {
      if (low[i] === high[i]) continue;
      const isShut = (level: number) => this.cannot(bound - bests[i]! + reduced(i, level), wanted);
      const [from, to] = [low[i]!, high[i]!];
      while (high[i]! >= low[i]! && isShut(high[i]!)) high[i]! -= 1;
      while (low[i]! < high[i]! && isShut(low[i]!)) low[i]! += 1;
      hasChanged ||= low[i] !== from || high[i] !== to;
    }
    return hasChanged;
  }

  /** Two nodes that part one offer's levels, or none where nothing is left open. */
  private split(range: Range, cut: Float64Array, { bound, whole, towards, share, worth }: Filled): Node[] {
    let [offer, level, most] = [-1, 0, -1];
    for (let i = 0; i < this.offers; i += 1) {
      if (range.low[i] === range.high[i]) continue;
      // The offer that is bought in part first; without one, that of most worth.
      const urgency = share[i]! > 0 ? 1e300 : worth[i]![Math.max(whole[i]!, range.low[i]! + 1)]!;
      if (urgency <= most) continue;
      most = urgency;
      offer = i;
      level = share[i]! > 0 ? towards[i]! : Math.max(whole[i]!, range.low[i]! + 1);
    }
    if (offer < 0) return [];
    const without = { low: range.low.slice(), high: range.high.slice(), cut, bound };
    without.high[offer] = level - 1;
    const having = { low: range.low.slice(), high: range.high.slice(), cut, bound };
    having.low[offer] = level;
    return share[offer]! > 0 && share[offer]! < 0.5 ? [having, without] : [without, having];
  }

  /** Always the step of most gain for money that still fits, until nothing does or enough is gained. */
  private greedy(budget: number, wanted = Infinity): Int8Array {
    // There is always an answer, however short the time.
    return this.completed(new Int8Array(this.offers), budget, wanted, () => false);
  }

  private completed(start: Int8Array, budget: number, wanted = Infinity, isOver = this.isOver): Int8Array {
    const { levels } = this.market;
    const chosen = start.slice();
    const served = servedBy(this.market, chosen);
    let [left, gain] = [budget - costOf(this.market, chosen), total(served)];
    while (gain < wanted - this.step / 2 && !isOver()) {
      let best: { offer: number; level: number; more: number; cost: number } | null = null;
      for (let offer = 0; offer < this.offers; offer += 1) {
        const own = levels[offer]!;
        for (let level = chosen[offer]! + 1; level < own.length; level += 1) {
          const cost = own[level]!.cost - own[chosen[offer]!]!.cost;
          if (cost > left) break;
          const { needs, values } = own[level]!;
          let more = 0;
          for (let k = 0; k < needs.length; k += 1) more += Math.max(0, values[k]! - served[needs[k]!]!);
          if (more > 0 && (!best || more * best.cost > best.more * cost)) best = { offer, level, more, cost };
        }
      }
      if (!best) break;
      chosen[best.offer] = best.level;
      const { needs, values } = levels[best.offer]![best.level]!;
      for (let k = 0; k < needs.length; k += 1) if (values[k]! > served[needs[k]!]!) served[needs[k]!] = values[k]!;
      left -= best.cost;
      gain += best.more;
    }
    return chosen;
  }

  /** A choice after single offers were left out for others, as long as that gains. */
  private improved(start: Int8Array, budget: number): Int8Array {
    let [best, gain] = [start, this.gainOf(start)];
    for (let isBetter = true; isBetter;) {
      isBetter = false;
      for (let offer = 0; offer < this.offers && !this.isOver(); offer += 1) {
        if (best[offer] === 0) continue;
        const other = best.slice();
        other[offer] = 0;
        const filled = this.completed(other, budget);
        if (this.gainOf(filled) < gain + this.step / 2) continue;
        [best, gain, isBetter] = [filled, this.gainOf(filled), true];
      }
    }
    return best;
  }

  /** A choice without what it can do without, the dearest first. */
  private trimmed(start: Int8Array, wanted: number): Int8Array {
    const { levels } = this.market;
    const chosen = start.slice();
    const order = Array.from(chosen.keys()).sort(
      (a, b) => levels[b]![chosen[b]!]!.cost - levels[a]![chosen[a]!]!.cost || a - b,
    );
    for (const offer of order)
      for (let level = 0; level < chosen[offer]!; level += 1) {
        const other = chosen.slice();
        other[offer] = level;
        if (this.gainOf(other) < wanted - this.step / 2) continue;
        chosen[offer] = level;
        break;
      }
    return chosen;
  }
}
