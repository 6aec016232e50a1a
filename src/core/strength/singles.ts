/* What a set of several repetitions says about a single one. */

/** A formula for the estimated single, by the name of who published it. */
export const SINGLE_FORMULAS = ["epley", "brzycki", "lombardi", "oconner", "wathan", "mayhew"] as const;
export type SingleFormula = (typeof SINGLE_FORMULAS)[number];

/** What a gym goes by: one of them, or the mean of two. */
export const SINGLE_RULES = ["mean", ...SINGLE_FORMULAS] as const;
export type SingleRule = (typeof SINGLE_RULES)[number];

export const SINGLE_RULE_NAMES: Record<SingleRule, string> = {
  mean: "Mean of Epley and Brzycki",
  epley: "Epley",
  brzycki: "Brzycki",
  lombardi: "Lombardi",
  oconner: "O'Conner",
  wathan: "Wathan",
  mayhew: "Mayhew",
};

/** A set of more repetitions to failure than this says little about a single: it is kept and not counted. */
export const MAX_COUNTED_REPETITIONS = 12;

/** Beyond this Brzycki's runs away (it has no value at 37): from here on every formula goes on as Epley's slope. */
const LAST_OF_FORMULA = 20;

/**
 * Published formulas for a single from a set to failure, as the factor on its load: Epley 1985; Brzycki 1993 (JOPERD
 * 64(1)); Lombardi 1989; O'Conner et al. 1989; Wathan 1994; Mayhew et al. 1992. As collected in LeSuer et al. 1997
 * (J Strength Cond Res 11(4)).
 */
const FACTORS: Record<SingleFormula, (n: number) => number> = {
  epley: (n) => 1 + n / 30,
  brzycki: (n) => 36 / (37 - n),
  lombardi: (n) => n ** 0.1,
  oconner: (n) => 1 + n / 40,
  wathan: (n) => 100 / (48.8 + 53.8 * Math.exp(-0.075 * n)),
  mayhew: (n) => 100 / (52.2 + 41.9 * Math.exp(-0.055 * n)),
};

/**
 * Load of the single over load of the set.
 *
 * @param repetitions repetitions to failure: those done and those that were left, at least 1
 * @returns 1 for a single whatever the formula, more beyond; between whole repetitions without a jump
 */
export function singleFactor(rule: SingleRule, repetitions: number): number {
  // A single is what it is. From there to two repetitions it is a straight line, for a reserve of half a repetition.
  if (repetitions <= 1) return 1;
  if (repetitions < 2) return 1 + (repetitions - 1) * (singleFactor(rule, 2) - 1);
  const counted = Math.min(repetitions, LAST_OF_FORMULA);
  return rawFactor(rule, counted) + (repetitions - counted) / 30;
}

/**
 * A single by a published formula, as the tables print it (where also a single repetition gets the formula's value).
 *
 * @param loadKg load of the set, in kg
 * @returns kg
 */
export const estimatedSingle = (formula: SingleRule, loadKg: number, repetitions: number): number =>
  loadKg * rawFactor(formula, repetitions);

const rawFactor = (rule: SingleRule, n: number): number =>
  rule === "mean" ? (FACTORS.epley(n) + FACTORS.brzycki(n)) / 2 : FACTORS[rule](n);
