import type { RuleBook } from "../bars/conformity";
import { BOOK_SPECS, type MeetingSpec } from "./meetingSpec";
import type { LiftKey } from "./lifts";

/** Published rules that come with the program: which lifts they have, and the bar of all of them. */
const BUILT_IN: Record<RuleBook, readonly LiftKey[]> = {
  "iwf-men": ["snatch", "clean", "jerk"],
  "iwf-women": ["snatch", "clean", "jerk"],
  ipf: ["back-squat-high", "back-squat-low", "bench", "deadlift", "sumo-deadlift"],
};

/** What some lifts of some rules ask of the bar. */
export interface MeetingRule {
  /** Key of built-in rules, or the name the manager gave. */
  rules: string;
  lifts: readonly string[];
  spec: MeetingSpec;
}

export const BUILT_IN_RULES: readonly MeetingRule[] = (Object.keys(BUILT_IN) as RuleBook[]).map((rules) => ({
  rules,
  lifts: BUILT_IN[rules],
  spec: BOOK_SPECS[rules],
}));

/**
 * What the named rules ask of the bar for a lift, or of the one it is judged like; null when they do not have it.
 *
 * @returns ranges in mm and kg, or null
 */
export function specFor(
  all: readonly MeetingRule[],
  rules: string,
  lift: { key: string; like: string },
): MeetingSpec | null {
  const own = all.filter((rule) => rule.rules === rules);
  const found = own.find(({ lifts }) => lifts.includes(lift.key)) ?? own.find(({ lifts }) => lifts.includes(lift.like));
  return found?.spec ?? null;
}
