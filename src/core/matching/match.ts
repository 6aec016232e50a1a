import { isUsable, type Bar } from "../bars/bar";
import type { RackPlace } from "../bars/rackSpan";
import type { HallDay } from "../units/hallDay";
import { FACTORS } from "./factors";
import { MATCHING_RULES, type MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import type { MatchLifter, Purpose } from "./lifter";
import type { BarToday, MatchQuestion } from "./question";
import { rankOf, reasonOf, VERDICTS, type Finding, type Reason, type Verdict } from "./verdict";

export interface Match {
  tag: string;
  verdict: Verdict;
  /** The ones that decide come first. */
  reasons: Reason[];
}

/** What is asked besides bar, lift and load; everything has a plain default. */
export interface MatchOptions {
  lifter?: MatchLifter | null;
  purpose?: Purpose;
  rules?: MatchingRules;
  /** The hall's day; familiarity counts from it. */
  today?: HallDay;
  /** What is going on with each bar, by tag. */
  barsToday?: ReadonlyMap<string, BarToday>;
  /** The place beside the station that a bar is wanted at. */
  near?: string | null;
  /** Every station of the gym, for where a bar lies in the J-cups. */
  stations?: readonly RackPlace[];
  /** The one that it is wanted at. */
  at?: RackPlace | null;
}

function questionOf(bar: Bar, lift: Lift, loadKg: number, options: MatchOptions): MatchQuestion {
  const {
    lifter = null,
    purpose = "general",
    rules = MATCHING_RULES,
    today = "1970-01-01",
    barsToday,
    near = null,
    stations = [],
    at = null,
  } = options;
  return {
    bar,
    lift,
    loadKg,
    lifter,
    purpose,
    rules,
    today,
    near,
    stations,
    at,
    barToday: barsToday?.get(bar.tag) ?? null,
  };
}

/**
 * The verdict alone, without a word of why: for matrices of thousands. Every consideration says the best verdict it
 * leaves possible, and the worst of those is the verdict: a "never" cannot be outvoted, and missing data never counts
 * as good.
 *
 * @param loadKg total on the bar, bar included; more than 0.
 * @returns the verdict
 */
export function gradeBar(bar: Bar, lift: Lift, loadKg: number, options: MatchOptions = {}): Verdict {
  const question = questionOf(bar, lift, loadKg, options);
  let worst = 0;
  for (const factor of FACTORS) {
    const finding = factor(question);
    if (finding) worst = Math.max(worst, rankOf(finding.atBest));
    if (worst === VERDICTS.length - 1) break;
  }
  return VERDICTS[worst]!;
}

/**
 * How well one bar suits a lift and a load, with every reason in words.
 *
 * @returns the verdict and its reasons, the gravest first
 */
export function matchBar(bar: Bar, lift: Lift, loadKg: number, options: MatchOptions = {}): Match {
  const question = questionOf(bar, lift, loadKg, options);
  const findings = FACTORS.map((factor) => factor(question))
    .filter((finding): finding is Finding => finding !== null)
    .sort((a, b) => rankOf(b.atBest) - rankOf(a.atBest));
  return {
    tag: bar.tag,
    verdict: findings[0]?.atBest ?? "made-for",
    reasons: findings.map(reasonOf),
  };
}

/**
 * All bars for a lift and a load, best first; equal verdicts by fewer reservations, then what hangs near, then by tag.
 * Bars that are not in use (quarantined, retired, on order) come last.
 *
 * @returns a match for each bar
 */
export function matchBars(bars: readonly Bar[], lift: Lift, loadKg: number, options: MatchOptions = {}): Match[] {
  return rankBars(bars, lift, loadKg, options).map(({ bar }) => matchBar(bar, lift, loadKg, options));
}

/**
 * The same order without a word of why, for walls of thousands of which a few are shown.
 *
 * @returns every bar with its verdict, best first
 */
export function rankBars(
  bars: readonly Bar[],
  lift: Lift,
  loadKg: number,
  options: MatchOptions = {},
): { bar: Bar; verdict: Verdict }[] {
  return bars
    .map((bar) => {
      const question = questionOf(bar, lift, loadKg, options);
      let [worst, against, isFar] = [0, 0, 0];
      for (const factor of FACTORS) {
        const finding = factor(question);
        if (!finding) continue;
        const rank = rankOf(finding.atBest);
        worst = Math.max(worst, rank);
        against += rank;
        // Found wrong and not resolved: behind its equals.
        if (finding.factor === "findings") against += 1;
        // 1 for a bar that hangs elsewhere than beside the station it is wanted at.
        if (finding.factor === "near" && finding.value === 0) isFar = 1;
      }
      return { bar, worst, against, isFar, isIdle: isUsable(bar.state) ? 0 : 1 };
    })
    .sort(
      (a, b) =>
        a.isIdle - b.isIdle ||
        a.worst - b.worst ||
        a.against - b.against ||
        a.isFar - b.isFar ||
        (a.bar.tag < b.bar.tag ? -1 : a.bar.tag > b.bar.tag ? 1 : 0),
    )
    .map(({ bar, worst }) => ({ bar, verdict: VERDICTS[worst]! }));
}
