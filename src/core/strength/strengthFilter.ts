import { MAX_COUNTED_REPETITIONS, singleFactor } from "./singles";
import type { PriorKey, StrengthRules } from "./strengthRules";

/* What a lifter's log says about their strength in one lift and about what each bar is worth to them: a state-space
 * model (handbook §12). y = ln(load · f(repetitions + reserve)) = s + ρ − λ + noise, with s the log of the straight
 * single and ρ the log worth of a bar, both walking, and λ what a new bar still costs. Filtered by Kalman's recursion, one
 * set after the other; looked back on by Durbin and Koopman's (Time Series Analysis by State Space Methods, ch. 4). */

/** One set of one lifter and one lift. */
export interface StrengthSet {
  /** Whole days since any fixed day, not falling. */
  day: number;
  /** What a worth is kept for: a bar and how it is set. */
  bar: string;
  prior: PriorKey;
  /** Total on the bar, over 0. */
  loadKg: number;
  repetitions: number;
  /** Repetitions that were left; null where nobody said. */
  reserve: number | null;
  isMade: boolean;
}

/** What is known after the sets of a log. */
export interface StrengthState {
  day: number;
  /** Log straight single first, then the log worth of each bar that is not straight. */
  mean: Float64Array;
  /** Their covariance, row by row. */
  covariance: Float64Array;
  /** Where each bar stands in the state; 0 for straight ones, which have no worth of their own. */
  places: ReadonlyMap<string, number>;
  /** On how many days each bar was used. */
  uses: ReadonlyMap<string, number>;
  /** Sets that counted. */
  counted: number;
}

/** What looking back needs of one set that counted. */
export interface FilterStep {
  /** Which of the sets that were given. */
  index: number;
  place: number;
  /** Before the set: mean and covariance. */
  mean: Float64Array;
  covariance: Float64Array;
  gain: Float64Array;
  surprise: number;
  spread: number;
}

export interface Filtered {
  state: StrengthState;
  steps: FilterStep[];
}

/** So little is known of the straight single before the first set: e¹⁰ times more or less. */
const UNKNOWN_SD = 10;
const WEEK_DAYS = 7;

/**
 * What a bar still costs at its next use, as a logarithm; nothing on straight ones, which are the measure.
 *
 * @returns a logarithm, 0 or more
 */
export const learningCost = (rules: StrengthRules, prior: PriorKey, uses: number): number =>
  prior === "straight" ? 0 : rules.learningDeficit * Math.exp(-uses / rules.learningFade);

/**
 * Whether a bar is still new to a lifter.
 *
 * @returns true until it counts as learnt
 */
export const isLearning = (rules: StrengthRules, prior: PriorKey, uses: number): boolean =>
  prior !== "straight" && uses < rules.learningUses;

/**
 * Variance of one set's log single.
 *
 * @returns variance of a logarithm
 */
export function noiseVariance(rules: StrengthRules, repetitions: number, reserve: number | null): number {
  const over = rules.noisePerRepetition * Math.max(0, repetitions - 6);
  const unknown = reserve === null ? rules.noiseUnknownReserve : 0;
  return rules.noise ** 2 + over ** 2 + unknown ** 2;
}

/**
 * Whether a set says how strong somebody is; one that was missed, or of too many repetitions, is a use and no more.
 *
 * @returns true when it does
 */
export const counts = ({ isMade, repetitions, reserve }: StrengthSet): boolean =>
  isMade && repetitions + (reserve ?? 0) <= MAX_COUNTED_REPETITIONS;

/**
 * Log of the single that a set stands for.
 *
 * @returns logarithm of kg
 */
export const logSingle = (rules: StrengthRules, { loadKg, repetitions, reserve }: StrengthSet): number =>
  Math.log(loadKg * singleFactor(rules.formula, repetitions + (reserve ?? 0)));

/**
 * The prior of a bar's log worth: mean and variance.
 *
 * @returns mean and variance of a logarithm
 */
export function priorMoments(rules: StrengthRules, prior: PriorKey): { mean: number; variance: number } {
  if (prior === "straight") return { mean: 0, variance: 0 };
  const { median, sd } = rules.priors[prior];
  return { mean: Math.log(median), variance: sd ** 2 };
}

/**
 * Runs the filter over a log.
 *
 * @param sets in the order in which they were lifted
 * @param until whole day up to which strength goes on walking, at least the last set's; that of the last set without it
 * @param keepsSteps whether looking back will be asked for; it takes a covariance a set
 * @returns what is known at the end; null while no set counts
 */
export function filterLog(
  rules: StrengthRules,
  sets: readonly StrengthSet[],
  until?: number,
  keepsSteps = false,
): Filtered | null {
  const places = new Map<string, number>();
  const priors: PriorKey[] = ["straight"];
  for (const { bar, prior } of sets) {
    if (places.has(bar)) continue;
    places.set(bar, prior === "straight" ? 0 : priors.length);
    if (prior !== "straight") priors.push(prior);
  }
  const first = sets.find(counts);
  if (!first) return null;
  const n = priors.length;
  const mean = new Float64Array(n);
  const covariance = new Float64Array(n * n);
  priors.forEach((prior, i) => {
    const { mean: own, variance } = priorMoments(rules, prior);
    mean[i] = own;
    covariance[i * n + i] = variance;
  });
  // Centred on the first set, so that a prior that wide moves nothing.
  mean[0] = logSingle(rules, first) - mean[places.get(first.bar)!]!;
  covariance[0] = UNKNOWN_SD ** 2;
  // A worth begins to walk with the first set that says something about it; strength with the first of all.
  const isSeen = new Array<boolean>(n).fill(false);
  const uses = new Map<string, number>();
  const lastUse = new Map<string, number>();
  const steps: FilterStep[] = [];
  let day = first.day;
  let counted = 0;

  const walk = (to: number) => {
    const weeks = (to - day) / WEEK_DAYS;
    day = to;
    if (weeks <= 0 || counted === 0) return;
    covariance[0]! += rules.strengthDrift ** 2 * weeks;
    for (let i = 1; i < n; i += 1) if (isSeen[i]) covariance[i * n + i]! += rules.ratioDrift ** 2 * weeks;
  };

  sets.forEach((set, index) => {
    const earlier = (uses.get(set.bar) ?? 0) - (lastUse.get(set.bar) === set.day ? 1 : 0);
    uses.set(set.bar, earlier + 1);
    lastUse.set(set.bar, set.day);
    if (!counts(set)) return;
    walk(set.day);
    const place = places.get(set.bar)!;
    const gain = new Float64Array(n);
    for (let i = 0; i < n; i += 1) gain[i] = covariance[i * n]! + (place > 0 ? covariance[i * n + place]! : 0);
    const spread = gain[0]! + (place > 0 ? gain[place]! : 0) + noiseVariance(rules, set.repetitions, set.reserve);
    const expected = mean[0]! + (place > 0 ? mean[place]! : 0) - learningCost(rules, set.prior, earlier);
    const surprise = logSingle(rules, set) - expected;
    const before = keepsSteps ? { mean: mean.slice(), covariance: covariance.slice() } : null;
    for (let i = 0; i < n; i += 1) gain[i]! /= spread;
    for (let i = 0; i < n; i += 1) {
      mean[i]! += gain[i]! * surprise;
      const part = gain[i]! * spread;
      for (let j = 0; j <= i; j += 1) {
        const left = covariance[i * n + j]! - part * gain[j]!;
        covariance[i * n + j] = left;
        covariance[j * n + i] = left;
      }
    }
    isSeen[place] = true;
    counted += 1;
    if (before) steps.push({ index, place, ...before, gain, surprise, spread });
  });
  if (until !== undefined && until > day) walk(until);
  return { state: { day, mean, covariance, places, uses, counted }, steps };
}

/** What is known of the state at one set from the whole log. */
export interface Smoothed {
  index: number;
  mean: Float64Array;
  covariance: Float64Array;
}

/**
 * What the whole log says about the time of each set.
 *
 * @param steps as `filterLog` kept them
 * @param isWanted at which sets it is looked back, by place in the log; at all of them when not said
 * @returns for each step that is wanted the state at that set, from what came before and after
 */
export function smooth(steps: readonly FilterStep[], isWanted: (index: number) => boolean = () => true): Smoothed[] {
  const n = steps[0]?.mean.length ?? 0;
  let r = new Float64Array(n);
  let big = new Float64Array(n * n);
  const smoothed: Smoothed[] = [];
  for (let t = steps.length - 1; t >= 0; t -= 1) {
    const { index, place, mean, covariance, gain, surprise, spread } = steps[t]!;
    const seen = place > 0 ? [0, place] : [0];
    // r ← h·v/F + Lᵀ·r and N ← h·hᵀ/F + Lᵀ·N·L, with L = 1 − K·hᵀ.
    let kr = 0;
    for (let i = 0; i < n; i += 1) kr += gain[i]! * r[i]!;
    const r2 = r.slice();
    for (const i of seen) r2[i]! += surprise / spread - kr;
    const kn = new Float64Array(n);
    for (let j = 0; j < n; j += 1) for (let i = 0; i < n; i += 1) kn[j]! += gain[i]! * big[i * n + j]!;
    let knk = 0;
    for (let j = 0; j < n; j += 1) knk += kn[j]! * gain[j]!;
    const n2 = big.slice();
    for (const i of seen)
      for (let j = 0; j < n; j += 1) {
        n2[i * n + j]! -= kn[j]!;
        n2[j * n + i]! -= kn[j]!;
      }
    for (const i of seen) for (const j of seen) n2[i * n + j]! += knk + 1 / spread;
    [r, big] = [r2, n2];
    if (!isWanted(index)) continue;
    const at = mean.slice();
    for (let i = 0; i < n; i += 1) for (let j = 0; j < n; j += 1) at[i]! += covariance[i * n + j]! * r[j]!;
    smoothed.push({ index, mean: at, covariance: lessTwice(covariance, big, n) });
  }
  return smoothed.reverse();
}

/** P − P·N·P. */
function lessTwice(p: Float64Array, big: Float64Array, n: number): Float64Array {
  const pn = new Float64Array(n * n);
  for (let i = 0; i < n; i += 1)
    for (let k = 0; k < n; k += 1) {
      const value = p[i * n + k]!;
      if (value !== 0) for (let j = 0; j < n; j += 1) pn[i * n + j]! += value * big[k * n + j]!;
    }
  const left = p.slice();
  for (let i = 0; i < n; i += 1)
    for (let k = 0; k < n; k += 1) {
      const value = pn[i * n + k]!;
      if (value !== 0) for (let j = 0; j < n; j += 1) left[i * n + j]! -= value * p[k * n + j]!;
    }
  return left;
}
