import { isUsable, type Bar } from "../bars/bar";
import { FACTORS, type MatchLifter } from "./factors";
import { MATCHING_RULES, type MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import { rankOf, worse, type Reason, type Verdict } from "./verdict";

export interface Match {
  tag: string;
  verdict: Verdict;
  /** The ones that decide come first. */
  reasons: Reason[];
}

/**
 * How well one bar suits a lift and a load. Every consideration says the best verdict it leaves possible, and
 * the worst of those is the verdict: a "never" cannot be outvoted, and missing data never counts as good.
 *
 * @param loadKg total on the bar, bar included; more than 0.
 */
export function matchBar(
  bar: Bar,
  lift: Lift,
  loadKg: number,
  lifter: MatchLifter | null = null,
  rules: MatchingRules = MATCHING_RULES,
): Match {
  const reasons = FACTORS.map((factor) => factor({ bar, lift, loadKg, lifter, rules }))
    .filter((reason) => reason !== null)
    .sort((a, b) => rankOf(b.atBest) - rankOf(a.atBest));
  return {
    tag: bar.tag,
    reasons,
    verdict: reasons.reduce<Verdict>((verdict, { atBest }) => worse(verdict, atBest), "made-for"),
  };
}

/**
 * All bars for a lift and a load, best first; equal verdicts by fewer reservations, then by tag.
 * Bars that are not in use (quarantined, retired, on order) come last.
 */
export function matchBars(
  bars: readonly Bar[],
  lift: Lift,
  loadKg: number,
  lifter: MatchLifter | null = null,
  rules: MatchingRules = MATCHING_RULES,
): Match[] {
  const isIdle = new Map(bars.map((bar) => [bar.tag, isUsable(bar.state) ? 0 : 1]));
  return bars
    .map((bar) => matchBar(bar, lift, loadKg, lifter, rules))
    .sort(
      (a, b) =>
        isIdle.get(a.tag)! - isIdle.get(b.tag)! ||
        rankOf(a.verdict) - rankOf(b.verdict) ||
        reservations(a) - reservations(b) ||
        (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0),
    );
}

function reservations({ reasons }: Match): number {
  return reasons.reduce((sum, { atBest }) => sum + rankOf(atBest), 0);
}
