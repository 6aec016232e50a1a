/** What is known of a bar's cost. */
export interface BarCostFacts {
  priceMinor: number | null;
  /** What it would bring today. */
  resaleMinor: number;
  careMinutes: number;
  hourMinor: number;
  repairsMinor: number;
  /** Sessions in which it was used since it came. */
  sessions: number;
}

export interface BarCost {
  /** Price less what it would bring, care and repairs; null where nobody knows the price. */
  totalMinor: number | null;
  careMinor: number;
  /** What one session on it has cost; null where there was none or nobody knows the price. */
  perSessionMinor: number | null;
}

/**
 * What a bar has cost so far, and by session.
 *
 * @returns minor units, rounded half up
 */
export function barCost({
  priceMinor,
  resaleMinor,
  careMinutes,
  hourMinor,
  repairsMinor,
  sessions,
}: BarCostFacts): BarCost {
  const careMinor = Math.round((careMinutes * hourMinor) / 60);
  const totalMinor = priceMinor === null ? null : Math.max(0, priceMinor - resaleMinor) + careMinor + repairsMinor;
  return {
    careMinor,
    totalMinor,
    perSessionMinor: totalMinor === null || sessions === 0 ? null : Math.round(totalMinor / sessions),
  };
}

/** Share of the price that a bar brings when it is sold, by stock, and what a year takes off; ours, a start. */
const RESALE_PCT = { new: 70, blemished: 60, used: 60 } as const;
const YEAR_PCT = 5;
const LEAST_PCT = 20;

/**
 * What a bar would bring when it is sold: a share of its price that falls with the years.
 *
 * @param years since it was bought
 * @returns minor units, rounded down
 */
export function resaleMinor(priceMinor: number, stock: string | null, years: number): number {
  const start = RESALE_PCT[(stock ?? "new") as keyof typeof RESALE_PCT] ?? RESALE_PCT.new;
  return Math.floor((priceMinor * Math.max(LEAST_PCT, start - YEAR_PCT * Math.max(0, years))) / 100);
}
