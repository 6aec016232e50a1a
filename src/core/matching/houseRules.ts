import { RACK_MARGIN_MM } from "../bars/rackSpan";
import { policiesFrom, STARTING_POLICIES, type Policies } from "./policies";

/** Rules of the house that the matcher obeys. Where practitioners disagree, the manager picks. */
export interface MatchingRules {
  /** A bar heavier than this share of the wished load is poor. */
  emptyShareLimit: number;
  /** Over this share of the rating the match warns. */
  ratingWarnShare: number;
  /** A margin of yield over stress under this is poor. */
  leastMargin: number;
  /** Lifters from this height on count as tall. */
  tallMm: number;
  /** A trunk lean over this makes a squat usable at best, whatever the bar. */
  leanLimitDeg: number;
  /** What hands are taken to hold against a hanging load. */
  handTorqueNm: number;
  /** From so many weeks before a meeting on, its bar counts. */
  meetingWeeks: number;
  /** A bar is new to a lifter for so many weeks. */
  newBarWeeks: number;
  /** Between J-cups and the ends of a bar's rack span, both sides together. */
  rackMarginMm: number;
  /** Loads within this of their target, either way, are all as good, and the fewest plates win. */
  loadToleranceKg: number;
  policies: Policies;
}

export const MATCHING_RULES: MatchingRules = {
  emptyShareLimit: 0.6,
  ratingWarnShare: 0.8,
  leastMargin: 2,
  tallMm: 1900,
  leanLimitDeg: 65,
  handTorqueNm: 50,
  meetingWeeks: 6,
  newBarWeeks: 3,
  rackMarginMm: RACK_MARGIN_MM,
  loadToleranceKg: 0.25,
  policies: STARTING_POLICIES,
};

/** What the manager may change of the numbers: words, unit, range, and how a share is written as percent. */
export const RULE_NUMBERS = {
  emptyShareLimit: {
    label: "a bar is poor when it is more of the load than",
    unit: "%",
    range: [10, 100],
    factor: 100,
  },
  ratingWarnShare: { label: "warn from this much of what a bar may carry", unit: "%", range: [10, 100], factor: 100 },
  leastMargin: {
    label: "a shaft is poor under this margin of yield over stress",
    unit: "×",
    range: [1, 10],
    factor: 1,
  },
  tallMm: { label: "lifters count as tall from", unit: "mm", range: [1500, 2300], factor: 1 },
  leanLimitDeg: { label: "a squat is usable at best when the trunk leans over", unit: "°", range: [20, 89], factor: 1 },
  handTorqueNm: { label: "hands can hold against a hanging load", unit: "N·m", range: [0, 300], factor: 1 },
  meetingWeeks: {
    label: "a competition’s bar counts from this long before it",
    unit: "weeks",
    range: [0, 52],
    factor: 1,
  },
  newBarWeeks: { label: "a bar is new to a lifter for", unit: "weeks", range: [0, 52], factor: 1 },
  rackMarginMm: { label: "J-cups need this much room on a bar, both sides", unit: "mm", range: [0, 300], factor: 1 },
  loadToleranceKg: { label: "a load is right within, either way", unit: "kg", range: [0, 2.5], factor: 1 },
} as const satisfies Record<string, { label: string; unit: string; range: readonly [number, number]; factor: number }>;
export type RuleNumber = keyof typeof RULE_NUMBERS;
export const RULE_NUMBER_KEYS = Object.keys(RULE_NUMBERS) as RuleNumber[];

/**
 * Rules as stored; what is missing or not understood is as a house starts.
 *
 * @returns shares, mm, degrees, N·m and weeks as their labels say
 */
export function rulesFrom(saved: unknown): MatchingRules {
  const value = (saved ?? {}) as Record<string, unknown>;
  const numbers = Object.fromEntries(
    RULE_NUMBER_KEYS.map((key) => [key, typeof value[key] === "number" ? value[key] : MATCHING_RULES[key]]),
  );
  return { ...MATCHING_RULES, ...numbers, policies: policiesFrom(value.policies ?? value.schools) };
}
