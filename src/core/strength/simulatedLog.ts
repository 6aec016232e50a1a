import { singleFactor } from "./singles";
import { learningCost } from "./strengthFilter";
import { START_STRENGTH_RULES, type PriorKey, type StrengthRules } from "./strengthRules";

/* Invented logs behind which the truth is known: for the demonstration, and to hold the filter against. */

/** A bar with what it is truly worth, which may change slowly. */
export interface TrueBar {
  bar: string;
  prior: PriorKey;
  /** Log worth on the first day. */
  logRatio: number;
}

export interface TrueSet {
  day: number;
  bar: TrueBar;
  repetitions: number;
  reserve: number;
}

/** A set as it would be logged, and the truth on its day. */
export interface SimulatedSet extends TrueSet {
  /** What the lifter would really be good for at these repetitions and reserve, in kg: no noise in it. */
  trueLoadKg: number;
  loadKg: number;
  logRatio: number;
  logStraight: number;
}

/**
 * Two uniform numbers make a normal one (Box and Muller 1958).
 *
 * @returns a normal number of mean 0 and variance 1
 */
export const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * Lifts sets as the model says a lifter does.
 *
 * @param random uniform numbers from 0 up to 1
 * @param straightKg the straight single on the first day
 * @param trend log a week that the straight single grows by
 * @returns the same sets with loads in kg, and what was true
 */
export function simulateLog(
  random: () => number,
  straightKg: number,
  sets: readonly TrueSet[],
  rules: StrengthRules = START_STRENGTH_RULES,
  trend = 0,
): SimulatedSet[] {
  let logStraight = Math.log(straightKg);
  const ratios = new Map<string, { value: number; day: number }>();
  const days = new Map<string, Set<number>>();
  let day = sets[0]?.day ?? 0;
  return sets.map((set) => {
    const weeks = (set.day - day) / 7;
    day = set.day;
    if (weeks > 0) logStraight += rules.strengthDrift * Math.sqrt(weeks) * normal(random) + trend * weeks;
    const { bar, prior, logRatio } = set.bar;
    const before = ratios.get(bar) ?? { value: logRatio, day };
    const since = (day - before.day) / 7;
    // The straight bar is the measure: it does not walk.
    const ratio =
      before.value + (since > 0 && prior !== "straight" ? rules.ratioDrift * Math.sqrt(since) * normal(random) : 0);
    ratios.set(bar, { value: ratio, day });
    const own = days.get(bar) ?? new Set<number>();
    days.set(bar, own);
    const uses = own.size - (own.has(day) ? 1 : 0);
    own.add(day);
    const single = logStraight + ratio - learningCost(rules, prior, uses);
    const trueLoadKg = Math.exp(single) / singleFactor(rules.formula, set.repetitions + set.reserve);
    return {
      ...set,
      trueLoadKg,
      loadKg: trueLoadKg * Math.exp(rules.noise * normal(random)),
      logRatio: ratio,
      logStraight,
    };
  });
}
