import type { Problem } from "../problem";
import { SINGLE_RULE_NAMES, SINGLE_RULES } from "./singles";
import { PRIOR_KEYS, PRIOR_NAMES, START_STRENGTH_RULES, type PriorKey, type StrengthRules } from "./strengthRules";

/** The numbers of the rules beside the priors: label, least, most, and what the label means. */
export const STRENGTH_NUMBERS = {
  strengthDrift: ["strength changes in a week, %", 0.0001, 0.1],
  ratioDrift: ["what a bar is worth changes in a week, %", 0, 0.1],
  learningDeficit: ["a new bar reads lower by, %", 0, 0.5],
  learningFade: ["after so many uses a third of that is left", 0.5, 50],
  learningUses: ["a bar is learnt after, uses", 0, 50],
  noise: ["one set is off by, %", 0.001, 0.3],
  noisePerRepetition: ["more for each repetition over six, %", 0, 0.1],
  noiseUnknownReserve: ["more where reps left were not recorded, %", 0, 0.5],
} as const satisfies Partial<Record<keyof StrengthRules, readonly [string, number, number]>>;

const PERCENT: readonly string[] = Object.entries(STRENGTH_NUMBERS).flatMap(([key, [label]]) =>
  label.endsWith("%") ? [key] : [],
);
const PRIORS = PRIOR_KEYS.filter((key): key is Exclude<PriorKey, "straight"> => key !== "straight");

/**
 * The rules as texts of a form.
 *
 * @returns a text for each field
 */
export function strengthTexts(rules: StrengthRules): Record<string, string> {
  const text = (value: number) => String(Math.round(value * 1e6) / 1e6);
  return {
    formula: rules.formula,
    ...Object.fromEntries(
      (Object.keys(STRENGTH_NUMBERS) as (keyof typeof STRENGTH_NUMBERS)[]).map((key) => [
        key,
        text(rules[key] * (PERCENT.includes(key) ? 100 : 1)),
      ]),
    ),
    ...Object.fromEntries(
      PRIORS.flatMap((key) => [
        [`${key}.median`, text(rules.priors[key].median)],
        [`${key}.sd`, text(rules.priors[key].sd)],
      ]),
    ),
  };
}

/**
 * Reads such texts. What is left blank takes its starting value.
 *
 * @returns the rules, or every problem
 */
export function readStrengthRules(
  texts: Readonly<Record<string, string>>,
): { ok: true; rules: StrengthRules } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const start = strengthTexts(START_STRENGTH_RULES);
  const number = (path: string, label: string, least: number, most: number, scale: number) => {
    const typed = (texts[path] ?? "").trim().replace(",", ".") || start[path]!;
    const value = Number(typed) / scale;
    if (Number.isFinite(value) && value >= least && value <= most) return value;
    problems.push({ path, message: `${label}: “${typed}” must be from ${least * scale} to ${most * scale}` });
    return least;
  };
  const formula = SINGLE_RULES.find((key) => key === (texts.formula ?? start.formula));
  if (!formula)
    problems.push({ path: "formula", message: `Single: choose ${Object.values(SINGLE_RULE_NAMES).join(", ")}` });
  const numbers = Object.fromEntries(
    Object.entries(STRENGTH_NUMBERS).map(([key, [label, least, most]]) => [
      key,
      number(key, label, least, most, PERCENT.includes(key) ? 100 : 1),
    ]),
  ) as Record<keyof typeof STRENGTH_NUMBERS, number>;
  const priors = Object.fromEntries(
    PRIORS.map((key) => [
      key,
      {
        median: number(`${key}.median`, PRIOR_NAMES[key], 0.1, 3, 1),
        sd: number(`${key}.sd`, `${PRIOR_NAMES[key]}, spread`, 0.01, 1, 1),
      },
    ]),
  ) as StrengthRules["priors"];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rules: { formula: formula!, ...numbers, priors } };
}

/**
 * What is stored, over the starting values.
 *
 * @returns whole rules
 */
export function strengthRulesFrom(value: unknown): StrengthRules {
  const stored = (value ?? {}) as Partial<StrengthRules>;
  return { ...START_STRENGTH_RULES, ...stored, priors: { ...START_STRENGTH_RULES.priors, ...stored.priors } };
}
