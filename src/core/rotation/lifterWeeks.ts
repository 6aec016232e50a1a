import { type RotationLifter, type RotationQuestion, weekValue } from "./rotationQuestion";

/* The weeks of one lifter: the best row of bars, with what the bars cost that week (the price of their places). An exact
 * dynamic program over the bar, how long it has been on, and how often each new bar was used. Of the last only those are
 * counted that a row went wrong by (decremental state-space relaxation, after Righini and Salani 2008): what is found
 * without is an upper bound. */

/** One lifter's weeks as numbers: `K` bars of theirs. */
export interface LifterWeeks {
  lifter: RotationLifter;
  K: number;
  weeks: number;
  /** Index of each of their bars among all bars. */
  barOf: Int32Array;
  /** Worth of week × bar. */
  worth: Float64Array;
  /** 1 where pins, the competition and what is taken by others let them. */
  allowed: Uint8Array;
  isHeavy: Uint8Array;
  learningWeeks: Int32Array;
  /** Weeks in a row on one bar at most. */
  maxRun: number;
  mayChange: Uint8Array;
  /** Weeks that do not count as a run. */
  isRunFree: Uint8Array;
  /** New bars whose uses are counted; it grows. */
  tracked: number[];
}

/** A row of bars and its worth. */
export interface Row {
  /** For each week the place among their own bars. */
  picks: Int32Array;
  /** With prices, where there are some. */
  value: number;
  /** False where a new bar was used heavily too early: then the value is an upper bound only. */
  isAllowed: boolean;
}

/** More states than this a week are not looked at: the row is then a bound. */
const MAX_STATES = 400_000;

/**
 * A lifter's weeks of a question.
 *
 * @returns the weeks as arrays
 */
export function lifterWeeks(question: RotationQuestion, lifter: RotationLifter): LifterWeeks {
  const { weeks, lightBelowPct } = question;
  const K = lifter.bars.length;
  const targets = lifter.targets ?? question.targets;
  const places = new Map(question.bars.map(({ id }, i) => [id, i]));
  const allowed = new Uint8Array(weeks * K).fill(1);
  const only = (w: number, bar: string) =>
    lifter.bars.forEach(({ id }, k) => {
      if (id !== bar) allowed[w * K + k] = 0;
    });
  for (const { week, bar } of lifter.pins) only(week - 1, bar);
  const near = competitionWeeks(lifter, weeks);
  for (const w of near) only(w, lifter.competition!.bar);
  return {
    lifter,
    K,
    weeks,
    barOf: Int32Array.from(lifter.bars, ({ id }) => places.get(id)!),
    worth: Float64Array.from(targets.flatMap((target) => lifter.bars.map((bar) => weekValue(target, bar)))),
    allowed,
    isHeavy: Uint8Array.from(targets, (target) => (target < lightBelowPct ? 0 : 1)),
    learningWeeks: Int32Array.from(lifter.bars, (bar) => bar.learningWeeks),
    maxRun: Math.min(question.maxRun, weeks),
    mayChange: Uint8Array.from({ length: weeks }, (_, w) =>
      question.changeWeeks === undefined || question.changeWeeks.includes(w) ? 1 : 0,
    ),
    isRunFree: Uint8Array.from({ length: weeks }, (_, w) => (question.competitionRunsFree && near.includes(w) ? 1 : 0)),
    tracked: [],
  };
}

/**
 * Weeks, counted from 0, that belong to a lifter's competition.
 *
 * @returns weeks from 0, none without a competition
 */
export function competitionWeeks({ competition }: Pick<RotationLifter, "competition">, weeks: number): number[] {
  if (!competition) return [];
  const { week, lastWeeks } = competition;
  return Array.from({ length: weeks }, (_, w) => w).filter((w) => w + 1 <= week && w + 1 > week - lastWeeks);
}

/**
 * The best row, with prices taken off each week on each bar.
 *
 * @param prices of week × bar among all bars; null for none
 * @param allowed instead of the lifter's own
 * @returns null where no row is allowed
 */
export function bestRow(
  own: LifterWeeks,
  prices: Float64Array | null,
  bars: number,
  allowed = own.allowed,
): Row | null {
  for (;;) {
    const row = rowOfTracked(own, prices, bars, allowed);
    if (row === null || row.isAllowed) return row;
    const next = wrongBar(own, row.picks);
    if (next === null || statesWith(own, next) > MAX_STATES) return row;
    own.tracked.push(next);
  }
}

const radixOf = (own: LifterWeeks, k: number) => own.learningWeeks[k]! + 1;
const statesWith = (own: LifterWeeks, more: number) =>
  [...own.tracked, more].reduce((product, k) => product * radixOf(own, k), own.K * runStates(own)) * own.weeks;
const runStates = (own: LifterWeeks) => (own.maxRun >= own.weeks ? 1 : own.maxRun);

/** The first new bar that a row uses heavily too early. */
function wrongBar(own: LifterWeeks, picks: Int32Array): number | null {
  const uses = new Int32Array(own.K);
  for (let w = 0; w < own.weeks; w += 1) {
    const k = picks[w]!;
    if (own.isHeavy[w] && uses[k]! < own.learningWeeks[k]!) return k;
    uses[k]! += 1;
  }
  return null;
}

function rowOfTracked(own: LifterWeeks, prices: Float64Array | null, bars: number, allowed: Uint8Array): Row | null {
  const { K, weeks, worth, barOf, isHeavy, learningWeeks, tracked, mayChange } = own;
  const R = runStates(own);
  const strides = new Int32Array(K);
  let U = 1;
  for (const k of tracked) {
    strides[k] = U;
    U *= radixOf(own, k);
  }
  const usesIn = (u: number, k: number) => Math.floor(u / strides[k]!) % radixOf(own, k);
  const S = K * R * U;
  let value = new Float64Array(S).fill(-Infinity);
  const from = Array.from({ length: weeks }, () => new Int32Array(S).fill(-1));
  const at = (k: number, run: number, u: number) => (u * K + k) * R + run;
  const gainOf = (w: number, k: number) => worth[w * K + k]! - (prices ? prices[w * bars + barOf[k]!]! : 0);
  /** The uses after a week on k; -1 where it would be heavy too early. */
  const usesAfter = (w: number, k: number, u: number) => {
    if (strides[k] === 0) return u;
    const used = usesIn(u, k);
    if (used >= learningWeeks[k]!) return u;
    return isHeavy[w] ? -1 : u + strides[k]!;
  };
  for (let k = 0; k < K; k += 1) {
    if (!allowed[k]) continue;
    const u = usesAfter(0, k, 0);
    if (u >= 0) value[at(k, 0, u)] = gainOf(0, k);
  }
  for (let w = 1; w < weeks; w += 1) {
    const next = new Float64Array(S).fill(-Infinity);
    const back = from[w]!;
    const put = (state: number, worthNow: number, before: number) => {
      if (worthNow > next[state]!) {
        next[state] = worthNow;
        back[state] = before;
      }
    };
    for (let u = 0; u < U; u += 1) {
      // The best way to be anywhere, and the best on another bar than that: from these, changing comes.
      let [best, second] = [-1, -1];
      for (let k = 0; k < K; k += 1) {
        let top = -1;
        for (let run = 0; run < R; run += 1) {
          const state = at(k, run, u);
          if (value[state]! > -Infinity && (top < 0 || value[state]! > value[top]!)) top = state;
        }
        if (top < 0) continue;
        if (best < 0 || value[top]! > value[best]!) [best, second] = [top, best];
        else if (second < 0 || value[top]! > value[second]!) second = top;
      }
      if (best < 0) continue;
      const bestBar = Math.floor(best / R) % K;
      for (let k = 0; k < K; k += 1) {
        if (!allowed[w * K + k]) continue;
        const after = usesAfter(w, k, u);
        if (after < 0) continue;
        const gain = gainOf(w, k);
        if (mayChange[w]) {
          const before = bestBar === k ? second : best;
          if (before >= 0) put(at(k, 0, after), value[before]! + gain, before);
        }
        for (let run = 0; run < R; run += 1) {
          const before = at(k, run, u);
          if (value[before] === -Infinity) continue;
          if (R === 1 && own.maxRun >= weeks) put(at(k, 0, after), value[before]! + gain, before);
          else if (own.isRunFree[w]) put(at(k, run, after), value[before]! + gain, before);
          else if (run + 1 < R) put(at(k, run + 1, after), value[before]! + gain, before);
        }
      }
    }
    value = next;
  }
  let end = -1;
  for (let state = 0; state < S; state += 1)
    if (value[state]! > -Infinity && (end < 0 || value[state]! > value[end]!)) end = state;
  if (end < 0) return null;
  const picks = new Int32Array(weeks);
  const total = value[end]!;
  for (let w = weeks - 1, state = end; w >= 0; w -= 1) {
    picks[w] = Math.floor(state / R) % K;
    state = from[w]![state]!;
  }
  return { picks, value: total, isAllowed: wrongBar(own, picks) === null };
}

/**
 * Worth of a row without prices.
 *
 * @returns points
 */
export const worthOfRow = (own: LifterWeeks, picks: Int32Array): number =>
  picks.reduce((sum, k, w) => sum + own.worth[w * own.K + k]!, 0);
