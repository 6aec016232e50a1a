export const VERDICTS = ["made-for", "good", "usable", "poor", "never"] as const;
export type Verdict = (typeof VERDICTS)[number];

export const BASES = ["physics", "published", "common-practice", "house-rule", "data"] as const;
export type Basis = (typeof BASES)[number];

interface Consideration {
  /** Short steady name of the consideration, e.g. "rating". */
  factor: string;
  basis: Basis;
  /** The best verdict that is possible in view of this. */
  atBest: Verdict;
  /** The number behind the sentence. */
  value?: number;
  unit?: string;
  /** Reveals something about the lifter: for coach and manager only. */
  isPrivate?: true;
}

/** One consideration while bars are graded by the thousand: its words are made when somebody reads them. */
export interface Finding extends Consideration {
  text: () => string;
  /** What would change it; absent when nothing would. */
  wouldChange?: () => string;
}

/** One consideration in a match: what it says, what it rests on, and the best verdict it leaves possible. */
export interface Reason extends Consideration {
  /** A sentence a person understands without the number beside it. */
  text: string;
  wouldChange?: string;
}

/**
 * 0 for the best verdict, 4 for never.
 *
 * @returns 0 to 4
 */
export function rankOf(verdict: Verdict): number {
  return VERDICTS.indexOf(verdict);
}

/**
 * The less favourable of two verdicts.
 *
 * @returns the one of higher rank
 */
export function worse(a: Verdict, b: Verdict): Verdict {
  return rankOf(a) >= rankOf(b) ? a : b;
}

/**
 * A finding with its words.
 *
 * @returns the reason as text
 */
export function reasonOf({ text, wouldChange, ...rest }: Finding): Reason {
  return { ...rest, text: text(), ...(wouldChange ? { wouldChange: wouldChange() } : {}) };
}
