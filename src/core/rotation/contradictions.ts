import type { Problem } from "../problem";
import { bestRow, competitionWeeks, lifterWeeks, type LifterWeeks } from "./lifterWeeks";
import type { RotationLifter, RotationQuestion } from "./rotationQuestion";

/**
 * What leaves no plan, in words: of each lifter alone, then of the places in each week.
 *
 * @returns with paths like `lifters.2.pins.0.bar`; empty where no single rule or week says it
 */
export function contradictions(question: RotationQuestion): Problem[] {
  const problems = question.lifters.flatMap((lifter, i) => ofLifter(question, lifter, `lifters.${i}`));
  return problems.length > 0 ? problems : ofWeeks(question);
}

function ofLifter(question: RotationQuestion, lifter: RotationLifter, path: string): Problem[] {
  const { weeks, maxRun } = question;
  const { id, bars, pins, competition } = lifter;
  if (bars.length === 0) return [{ path: `${path}.bars`, message: `${id} has no bar.` }];
  const problems: Problem[] = [];
  const has = (bar: string) => bars.some((one) => one.id === bar);
  const own = competitionWeeks(lifter, weeks);
  if (competition && own.length > 0) {
    if (!has(competition.bar))
      problems.push({ path: `${path}.competition.bar`, message: `${competition.bar} is not among ${id}'s bars.` });
    if (own.length > maxRun && !question.competitionRunsFree)
      problems.push({
        path: `${path}.competition.lastWeeks`,
        message: `${id}: ${own.length} weeks on ${competition.bar} before the competition, and no more than ${maxRun} in a row are allowed.`,
      });
  }
  pins.forEach(({ week, bar }, j) => {
    const at = `${path}.pins.${j}`;
    if (!has(bar)) problems.push({ path: `${at}.bar`, message: `${bar} is not among ${id}'s bars.` });
    const other = pins.slice(0, j).find((pin) => pin.week === week && pin.bar !== bar);
    if (other) problems.push({ path: at, message: `${id}: week ${week} is pinned to ${other.bar} and to ${bar}.` });
    if (competition && own.includes(week - 1) && bar !== competition.bar)
      problems.push({
        path: at,
        message: `${id}: week ${week} is pinned to ${bar}, and before the competition only ${competition.bar} is used.`,
      });
  });
  return problems.length > 0 || hasRow(question, lifter) ? problems : [alone(question, lifter, path)];
}

const hasRow = (question: RotationQuestion, lifter: RotationLifter): boolean =>
  bestRow(lifterWeeks(question, lifter), null, question.bars.length) !== null;

/** Which rule leaves a lifter without a row even if nobody else trained. */
function alone(question: RotationQuestion, lifter: RotationLifter, path: string): Problem {
  const learnt = { ...lifter, bars: lifter.bars.map((bar) => ({ ...bar, learningWeeks: 0 })) };
  if (hasRow(question, learnt))
    return {
      path: `${path}.bars`,
      message: `${lifter.id}: bars that are new come in light weeks first, and there are too few light weeks before they are needed.`,
    };
  if (hasRow({ ...question, maxRun: question.weeks }, lifter))
    return {
      path: "maxRun",
      message: `${lifter.id}: no more than ${question.maxRun} weeks in a row on one bar leaves no way with these bars and pins.`,
    };
  return {
    path,
    message: `${lifter.id}: learning weeks, weeks in a row, pins and the competition leave no way together.`,
  };
}

/** Weeks in which some lifters share too few places. */
function ofWeeks(question: RotationQuestion): Problem[] {
  const all = question.lifters.map((lifter) => lifterWeeks(question, lifter));
  return Array.from({ length: question.weeks }, (_, w) => w).flatMap((w) => {
    const short = shortIn(question, all, w);
    if (!short) return [];
    const names = short.lifters.map((i) => question.lifters[i]!.id).join(", ");
    const bars = short.bars.map((b) => question.bars[b]!.id).join(", ");
    const message = `Week ${w + 1}: ${names} can only be on ${bars}, which takes ${short.places}.`;
    return [{ path: "bars", message }];
  });
}

/** Lifters who have fewer places together than they are (Hall's condition), found by seating them one by one. */
function shortIn(question: RotationQuestion, all: readonly LifterWeeks[], w: number) {
  const seated: number[][] = question.bars.map(() => []);
  const barsOf = all.map(({ K, barOf, allowed }) => Array.from(barOf).filter((_, k) => allowed[w * K + k]));
  for (let i = 0; i < all.length; i += 1) {
    const seen = new Set<number>();
    const seat = (lifter: number): boolean =>
      barsOf[lifter]!.some((b) => {
        if (seen.has(b)) return false;
        seen.add(b);
        const own = seated[b]!;
        if (own.length < question.bars[b]!.capacity) return own.push(lifter) > 0;
        return own.some((other, j) => {
          if (!seat(other)) return false;
          own[j] = lifter;
          return true;
        });
      });
    if (seat(i)) continue;
    const bars = [...seen];
    const lifters = [...new Set([i, ...bars.flatMap((b) => seated[b]!)])];
    return { lifters, bars, places: bars.reduce((sum, b) => sum + question.bars[b]!.capacity, 0) };
  }
  return null;
}
