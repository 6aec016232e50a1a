import { daysBetween, type HallDay } from "../units/hallDay";
import { RUST_GRADES, type RustGrade } from "./inspection";

/** How a bar was found on a day; what was not looked at is null. */
export interface ConditionPoint {
  on: HallDay;
  tirMm: number | null;
  rust: RustGrade | null;
}

/** Between two looks at the rust of a bar: how often its shaft was cared for, and what became of it. */
export interface CareSpan {
  from: HallDay;
  to: HallDay;
  days: number;
  /** Times the shaft was brushed and wiped. */
  times: number;
  /** Times that it would have been by its interval as it is now. */
  asked: number;
  before: RustGrade;
  after: RustGrade;
  /** Grades that rust went up; negative where it was taken off. */
  steps: number;
}

/**
 * A grade as a number: 0 for none, 4 for pits.
 *
 * @returns 0 to 4
 */
export const rustStep = (grade: RustGrade): number => RUST_GRADES.findIndex(([name]) => name === grade);

/**
 * The spans between looks at the rust of one bar. Care on the day of the first look belongs to the span, care on the day
 * of the second to the next: an inspection finds what the care before it left.
 *
 * @param shaftCare days on which the shaft was brushed, in any order
 * @param looks in any order; those that did not look at rust are passed over
 * @param intervalDays how often the shaft should be brushed; 0 where the house goes by condition only
 * @returns spans with their days, times cared for and steps of rust, oldest first
 */
export function careSpans(
  shaftCare: readonly HallDay[],
  looks: readonly ConditionPoint[],
  intervalDays: number,
): CareSpan[] {
  const graded = looks
    .flatMap(({ on, rust }) => (rust === null ? [] : [{ on, rust }]))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
  return graded.slice(1).flatMap((look, i) => {
    const last = graded[i]!;
    const days = daysBetween(last.on, look.on);
    return days === 0
      ? []
      : [
          {
            from: last.on,
            to: look.on,
            days,
            times: shaftCare.filter((on) => on >= last.on && on < look.on).length,
            asked: intervalDays > 0 ? days / intervalDays : 0,
            before: last.rust,
            after: look.rust,
            steps: rustStep(look.rust) - rustStep(last.rust),
          },
        ];
  });
}

/**
 * Days between two times, as it was in a span; null where it was never done.
 *
 * @returns days; null where it was never done
 */
export const everyDaysIn = ({ days, times }: Pick<CareSpan, "days" | "times">): number | null =>
  times === 0 ? null : days / times;

export interface RustByCare {
  /** The half of the spans in which more of the care was done that the plan asks for, and the other half. */
  often: CareShare;
  seldom: CareShare;
}

export interface CareShare {
  spans: number;
  /** Times done for each time asked. */
  done: number;
  stepsPer100Days: number;
}

/** Fewer spans a side than this say nothing. */
const MIN_SPANS = 2;

/**
 * Rust against care over many bars: the spans in which more of the care asked for was done against the others. What is
 * asked for differs with finish, air and use, so that a bare shaft is not held against a plated one. Null while there
 * are too few looks to say anything. It is what happened, not proof of why.
 *
 * @returns both halves with their spans and steps of rust; null when there are too few spans to say
 */
export function rustByCare(spans: readonly CareSpan[]): RustByCare | null {
  const rate = ({ times, asked }: CareSpan) => times / asked;
  const sorted = spans.filter(({ asked }) => asked > 0).sort((a, b) => rate(b) - rate(a));
  // The cut nearest to the middle between two spans that differ.
  const cuts = sorted
    .map((_, i) => i)
    .filter((i) => i >= MIN_SPANS && i <= sorted.length - MIN_SPANS && rate(sorted[i - 1]!) > rate(sorted[i]!));
  const middle = sorted.length / 2;
  const cut = cuts.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle))[0];
  return cut === undefined ? null : { often: shareOf(sorted.slice(0, cut)), seldom: shareOf(sorted.slice(cut)) };
}

function shareOf(spans: readonly CareSpan[]): CareShare {
  const sum = (of: (span: CareSpan) => number) => spans.reduce((total, span) => total + of(span), 0);
  return {
    spans: spans.length,
    done: sum(({ times }) => times) / sum(({ asked }) => asked),
    stepsPer100Days: (100 * sum(({ steps }) => steps)) / sum(({ days }) => days),
  };
}
