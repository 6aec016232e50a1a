import type { Market } from "./purchaseQuestion";

/* What a choice can gain at most. Each need is served by one bar only: that rule is priced (Lagrangian relaxation, one
 * price a need), which leaves a knapsack of offers, and its linear relaxation is solved by filling the budget in order
 * of value for money along each offer's upper hull (Kellerer, Pferschy, Pisinger, *Knapsack Problems*, chapter 11). */

/** Which levels of each offer are open: from `low` (bought in any case) to `high`. */
export interface Range {
  low: Int8Array;
  high: Int8Array;
}

/** What a filled budget is worth at some prices. */
export interface Filled {
  bound: number;
  /** By offer, the level that was reached whole, and beyond it the share of the way to another. */
  whole: Int8Array;
  towards: Int8Array;
  share: Float64Array;
  /** Value of a minor unit where the budget ran out. */
  ratio: number;
  /** By offer and level, what it is worth at these prices beside what is bought in any case. */
  worth: Float64Array[];
}

/** One step along an offer's hull. */
interface Step {
  offer: number;
  from: number;
  to: number;
  cost: number;
  worth: number;
}

/**
 * Needs as they are served by what is bought in any case.
 *
 * @returns by need, weighted points gained
 */
export function servedBy({ levels, needs }: Market, chosen: Int8Array): Float64Array {
  const served = new Float64Array(needs);
  chosen.forEach((level, offer) => {
    const { needs: own, values } = levels[offer]![level]!;
    for (let k = 0; k < own.length; k += 1) if (values[k]! > served[own[k]!]!) served[own[k]!] = values[k]!;
  });
  return served;
}

/**
 * The sum of an array.
 *
 * @returns the sum
 */
export function total(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) sum += values[i]!;
  return sum;
}

/**
 * What the levels chosen cost together.
 *
 * @returns minor units
 */
export const costOf = ({ levels }: Market, chosen: Int8Array): number =>
  chosen.reduce((sum, level, offer) => sum + levels[offer]![level]!.cost, 0);

/**
 * Fills what is left of a budget at some prices.
 *
 * @param served by need, what `low` serves already
 * @param left what is left of the budget after `low`
 * @returns the bound and how it was reached
 */
export function fill(
  { levels }: Market,
  { low, high }: Range,
  served: Float64Array,
  prices: Float64Array,
  left: number,
): Filled {
  const cut = new Float64Array(prices.length);
  for (let j = 0; j < cut.length; j += 1) cut[j] = prices[j]! + served[j]!;
  const whole = low.slice();
  const towards = low.slice();
  const share = new Float64Array(levels.length);
  const worth: Float64Array[] = new Array<Float64Array>(levels.length);
  const steps: Step[] = [];
  for (let offer = 0; offer < levels.length; offer += 1) {
    const own = levels[offer]!;
    const at = new Float64Array(own.length);
    worth[offer] = at;
    const [from, to] = [low[offer]!, high[offer]!];
    if (from === to) continue;
    for (let level = from + 1; level <= to; level += 1) {
      const { needs, values } = own[level]!;
      let sum = 0;
      for (let k = 0; k < needs.length; k += 1) {
        const over = values[k]! - cut[needs[k]!]!;
        // Half of over and its size is over where that is positive, without a branch to guess.
        sum += over + Math.abs(over);
      }
      at[level] = sum / 2;
    }
    // The upper hull from where it stands: always the step of most value for money next.
    let stand = from;
    while (stand < to) {
      let best: Step | null = null;
      for (let level = stand + 1; level <= to; level += 1) {
        const step = {
          offer,
          from: stand,
          to: level,
          cost: own[level]!.cost - own[stand]!.cost,
          worth: at[level]! - at[stand]!,
        };
        if (step.worth > 0 && (!best || step.worth * best.cost > best.worth * step.cost)) best = step;
      }
      if (!best) break;
      steps.push(best);
      stand = best.to;
    }
  }
  steps.sort((a, b) => b.worth * a.cost - a.worth * b.cost || a.offer - b.offer || a.from - b.from);
  let [bound, room, ratio] = [total(served) + total(prices), left, 0];
  for (const step of steps) {
    if (step.cost <= room) {
      bound += step.worth;
      room -= step.cost;
      whole[step.offer] = step.to;
      towards[step.offer] = step.to;
      continue;
    }
    ratio = step.worth / step.cost;
    bound += ratio * room;
    towards[step.offer] = step.to;
    share[step.offer] = room / step.cost;
    break;
  }
  return { bound, whole, towards, share, ratio, worth };
}

/**
 * How the bound changes with the prices: for each need, 1 less how often it is served.
 *
 * @returns a subgradient, by need
 */
export function slope({ levels }: Market, range: Range, served: Float64Array, prices: Float64Array, at: Filled) {
  const g = new Float64Array(prices.length).fill(1);
  const take = (offer: number, level: number, part: number) => {
    if (level <= range.low[offer]! || part === 0) return;
    const { needs, values } = levels[offer]![level]!;
    for (let k = 0; k < needs.length; k += 1) {
      const j = needs[k]!;
      if (values[k]! > served[j]! + prices[j]!) g[j]! -= part;
    }
  };
  for (let offer = 0; offer < levels.length; offer += 1) {
    take(offer, at.whole[offer]!, 1 - at.share[offer]!);
    take(offer, at.towards[offer]!, at.share[offer]!);
  }
  return g;
}
