import { singleFactor } from "./singles";
import { isLearning, learningCost, noiseVariance, priorMoments, type StrengthState } from "./strengthFilter";
import type { PriorKey, StrengthRules } from "./strengthRules";

/** A value with its band. */
export interface Banded {
  value: number;
  low: number;
  high: number;
}

/** What a bar is worth to a lifter. */
export interface BarWorth extends Banded {
  bar: string;
  uses: number;
  isLearning: boolean;
}

/** How wide bands are, unless somebody says otherwise. */
export const BAND_LEVEL = 0.9;

/**
 * Half the width of a two-sided normal band, in standard deviations.
 *
 * @param level share of cases within, over 0 and under 1
 * @returns standard deviations
 */
export function bandWidth(level: number): number {
  // Found by halving on the normal distribution's integral: asked once a screen, and right to the last digit.
  let [low, high] = [0, 10];
  for (let i = 0; i < 80; i += 1) {
    const middle = (low + high) / 2;
    if (centralShare(middle) < level) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Share of a normal distribution within z standard deviations: its series, erf(z/√2) = 2φ(z)·(z + z³/3 + z⁵/15 + …). */
function centralShare(z: number): number {
  let term = z;
  let sum = z;
  for (let k = 1; k < 300 && term > sum * 1e-17; k += 1) {
    term *= (z * z) / (2 * k + 1);
    sum += term;
  }
  return Math.min(1, 2 * sum * (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)));
}

/**
 * The value of a logarithm with its band.
 *
 * @returns the value with its band, in its own unit
 */
export function banded(mean: number, variance: number, width: number): Banded {
  const half = width * Math.sqrt(Math.max(0, variance));
  return { value: Math.exp(mean), low: Math.exp(mean - half), high: Math.exp(mean + half) };
}

/**
 * Today's single on a straight bar, in kg.
 *
 * @returns kg with its band
 */
export const straightSingle = ({ mean, covariance }: StrengthState, width: number): Banded =>
  banded(mean[0]!, covariance[0]!, width);

/**
 * What a bar is worth against the straight one, once learnt.
 *
 * @returns a ratio with its band, and how far learning is
 */
export function barWorth(
  rules: StrengthRules,
  state: StrengthState,
  bar: string,
  prior: PriorKey,
  width: number,
): BarWorth {
  const { mean, variance } = worthOf(rules, state, bar, prior);
  const uses = state.uses.get(bar) ?? 0;
  return { bar, uses, isLearning: isLearning(rules, prior, uses), ...banded(mean, variance, width) };
}

/** Which set a load is wanted for. */
export interface SetWish {
  bar: string;
  prior: PriorKey;
  repetitions: number;
  reserve: number;
}

export interface ExpectedLoad extends Banded {
  /** Whether nothing is known of this lifter on this bar, so that the value is the low end of the band. */
  isFirst: boolean;
}

/**
 * The load, in kg, at which a set would be made with that many repetitions left, and the band of one such set. On a bar
 * that the lifter has never used the value is the low end of the band: a prior never proposes a heavy first load
 * (handbook §12).
 *
 * @returns kg with the band of one set
 */
export function expectedLoad(rules: StrengthRules, state: StrengthState, wish: SetWish, width: number): ExpectedLoad {
  const { bar, prior, repetitions, reserve } = wish;
  const n = state.mean.length;
  const place = state.places.get(bar) ?? 0;
  const worth = worthOf(rules, state, bar, prior);
  const shared = place > 0 ? 2 * state.covariance[place]! : 0;
  const uses = state.uses.get(bar) ?? 0;
  const isFirst = prior === "straight" ? !hasStraight(state) : uses === 0;
  const mean =
    state.mean[0]! +
    worth.mean -
    learningCost(rules, prior, uses) -
    Math.log(singleFactor(rules.formula, repetitions + reserve));
  const variance =
    state.covariance[0]! +
    shared +
    (place > 0 ? state.covariance[place * n + place]! : worth.variance) +
    noiseVariance(rules, repetitions, reserve);
  const load = banded(mean, variance, width);
  return { ...load, value: isFirst ? load.low : load.value, isFirst };
}

/** Whether the lifter ever used a straight bar. */
const hasStraight = ({ places }: StrengthState) => [...places.values()].includes(0);

function worthOf(rules: StrengthRules, state: StrengthState, bar: string, prior: PriorKey) {
  const place = state.places.get(bar);
  if (place === undefined || place === 0) return priorMoments(rules, prior);
  const n = state.mean.length;
  return { mean: state.mean[place]!, variance: state.covariance[place * n + place]! };
}
