/* What to buy within a budget: the offers of greatest gain in what bars are worth to people. */

/** A bar that might be bought. */
export interface PurchaseOffer {
  id: string;
  /** Price of one delivered, in whole minor units. */
  costMinor: number;
  /** How many there are. */
  atMost: number;
}

/** What an offer is worth to a need, once so many copies of it are chosen. */
export interface NeedPoints {
  id: string;
  points: number;
  copies: number;
}

/** Somebody's lift: what the bars that are owned are worth to it, and what offers would be. */
export interface PurchaseNeed {
  id: string;
  weight: number;
  owned: number;
  offers: readonly NeedPoints[];
}

export interface PurchaseQuestion {
  budgetMinor: number;
  offers: readonly PurchaseOffer[];
  needs: readonly PurchaseNeed[];
}

export interface Chosen {
  id: string;
  quantity: number;
}

/** What is bought, what it gains, and how sure it is that nothing gains more. */
export interface PurchasePlan {
  /** In the order of the offers. */
  chosen: Chosen[];
  costMinor: number;
  gain: number;
  /** No choice within the budget gains more than this. */
  bound: number;
  provenOptimal: boolean;
  /** The offer of greatest gain alone within the budget. */
  onlyOne: string | null;
  /** The smallest extra budget at which the choice gains more; null where none does, or it is not proven. */
  next: { extraMinor: number; chosen: Chosen[] } | null;
}

/**
 * What a choice gains: Σ weight × max(0, best points among what is chosen − owned).
 *
 * @returns weighted points, 0 or more
 */
export function purchaseGain(needs: readonly PurchaseNeed[], chosen: readonly Chosen[]): number {
  const quantities = new Map(chosen.map(({ id, quantity }) => [id, quantity]));
  return needs.reduce((sum, { weight, owned, offers }) => {
    const best = offers.reduce(
      (most, { id, points, copies }) => ((quantities.get(id) ?? 0) >= copies ? Math.max(most, points) : most),
      owned,
    );
    return sum + weight * (best - owned);
  }, 0);
}

/** A number of copies of one offer that changes what it is worth to somebody. */
export interface Level {
  copies: number;
  cost: number;
  /** Needs that gain from it, and by how much, weighted. */
  needs: Int32Array;
  values: Float64Array;
}

/** The question as the search sees it. */
export interface Market {
  /** By offer, its levels; the first is none at all. */
  levels: Level[][];
  /** How many needs differ. */
  needs: number;
  /** Gains are whole multiples of this; 0 where they are no decimals. */
  grain: number;
}

const NONE: Level = { copies: 0, cost: 0, needs: new Int32Array(0), values: new Float64Array(0) };

/**
 * Brings a question into the form in which it is searched: needs that want the same are one, and of each offer only
 * numbers of copies are kept at which something changes.
 *
 * @returns the market
 */
export function marketOf({ offers, needs }: PurchaseQuestion): Market {
  const place = new Map(offers.map(({ id }, i) => [id, i]));
  const alike = new Map<string, { weight: number; gains: readonly (readonly [number, number, number])[] }>();
  for (const { weight, owned, offers: own } of needs) {
    const gains = own
      .flatMap(({ id, points, copies }) => {
        const at = place.get(id)!;
        return points > owned && weight > 0 && copies <= offers[at]!.atMost
          ? [[at, copies, points - owned] as const]
          : [];
      })
      .sort(([a, n], [b, m]) => a - b || n - m);
    if (gains.length === 0) continue;
    const key = gains.join(";");
    const known = alike.get(key);
    if (known) known.weight += weight;
    else alike.set(key, { weight, gains });
  }
  const all = [...alike.values()];
  // By offer: each need that it serves, with what it gains from how many copies on.
  const served = offers.map((): { need: number; copies: number; value: number }[] => []);
  all.forEach(({ weight, gains }, need) => {
    for (const [at, copies, points] of gains) served[at]!.push({ need, copies, value: weight * points });
  });
  const levels = offers.map(({ costMinor }, at) => [NONE, ...levelsOf(served[at]!, costMinor)]);
  return { levels, needs: all.length, grain: grainOf(levels) };
}

function levelsOf(served: readonly { need: number; copies: number; value: number }[], costMinor: number): Level[] {
  const steps = [...new Set(served.map(({ copies }) => copies))].sort((a, b) => a - b);
  const best = new Map<number, number>();
  return steps.map((copies) => {
    for (const one of served)
      if (one.copies === copies) best.set(one.need, Math.max(best.get(one.need) ?? 0, one.value));
    const worth = [...best].sort(([a], [b]) => a - b);
    return {
      copies,
      cost: copies * costMinor,
      needs: Int32Array.from(worth, ([need]) => need),
      values: Float64Array.from(worth, ([, value]) => value),
    };
  });
}

/** Decimals that are looked for in gains. */
const DECIMALS = 6;

/** The decimal step of which all values are multiples: 1, 0.1, 0.01 …; 0 where there is none. */
function grainOf(levels: readonly Level[][]): number {
  let decimals = 0;
  let sum = 0;
  for (const { values } of levels.flat())
    for (const value of values) {
      sum += value;
      while (decimals <= DECIMALS && Math.abs(value * 10 ** decimals - Math.round(value * 10 ** decimals)) > 1e-7)
        decimals += 1;
      if (decimals > DECIMALS) return 0;
    }
  // Beyond this a double no longer tells neighbours apart.
  return sum * 10 ** decimals < 1e13 ? 10 ** -decimals : 0;
}
