import { studentTCdf } from "./studentT";

/* How likely the next bar of a seller is what its sheet says. What was measured minus what was stated is normal with
 * unknown mean and spread; a weak prior (mean nothing, spread the tolerance, worth so many bars) carries the first few.
 * The next one then follows Student's t (Gelman and others, *Bayesian Data Analysis*, §3.3). */

/** What the prior is worth, in bars: house rules to start from. */
export const PRIOR_BARS = 1;
export const PRIOR_DEGREES = 2;

export interface BatchRisk {
  /** Bars that were measured. */
  bars: number;
  /** Mean of measured − stated of those; null without any. */
  mean: number | null;
  /** The chance that the next one is within the tolerance, 0 to 1. */
  within: number;
}

/**
 * The chance that the next bar lies within a tolerance of what is stated.
 *
 * @param gaps measured − stated of the bars before, in the quantity's unit
 * @param tolerance how far off still counts as right, more than 0
 * @returns the chance, with what it rests on
 */
export function batchRisk(gaps: readonly number[], tolerance: number): BatchRisk {
  const n = gaps.length;
  const mean = n === 0 ? 0 : gaps.reduce((sum, gap) => sum + gap, 0) / n;
  const spread = gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0);
  const bars = PRIOR_BARS + n;
  const degrees = PRIOR_DEGREES + n;
  const centre = (n * mean) / bars;
  // Half a tolerance: nine bars in ten within it, were nothing else known.
  const prior = PRIOR_DEGREES * (tolerance / 2) ** 2;
  const variance = (prior + spread + (PRIOR_BARS * n * mean ** 2) / bars) / degrees;
  const scale = Math.sqrt(variance * (1 + 1 / bars));
  const below = (gap: number) => studentTCdf((gap - centre) / scale, degrees);
  return { bars: n, mean: n === 0 ? null : mean, within: below(tolerance) - below(-tolerance) };
}

/**
 * A chance as odds that people say: "9 in 10", "even", "1 in 4".
 *
 * @returns words
 */
export function oddsText(chance: number): string {
  if (chance >= 0.985) return "more than 49 in 50";
  if (chance <= 0.015) return "less than 1 in 50";
  const tenths = Math.round(chance * 10);
  if (tenths >= 1 && tenths <= 9 && Math.abs(chance - tenths / 10) < 0.05)
    return tenths === 5 ? "even" : `${tenths} in 10`;
  return `${Math.round(chance * 20)} in 20`;
}
