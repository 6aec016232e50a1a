import { type Cell, cellsOf } from "./cells";
import { type SeenBar, TRAITS, type Trait } from "./traits";

/** The question to ask now, or null where nothing tells the bars apart any more. */
export interface Asked {
  trait: Trait;
  cells: readonly Cell[];
  /** Questions that it takes from here, on average over the bars that it can be. */
  expected: number;
  /** The most it takes. */
  atMost: number;
  /** Whether no other order of questions takes fewer on average. */
  isProven: boolean;
}

interface Best {
  trait: Trait | null;
  expected: number;
  atMost: number;
}

/** Sets of bars that are looked through for the best order; beyond, the question that splits best is asked. */
const MAX_SETS = 5_000;
const NOTHING: Best = { trait: null, expected: 0, atMost: 0 };

/**
 * The question that leads to the bar in the fewest steps: the first of an order of questions with the least average
 * length, each bar being as likely as the next. A bar of which an answer is not known is as likely behind each answer.
 * Among equal averages the shorter longest way, then the plainer question.
 *
 * Every set of bars that answers can lead to is weighed once, best first and with what cannot win left out. Found anew at
 * every step: what somebody cannot tell is simply not asked again.
 *
 * @param among places in the list of the bars that it can still be
 * @param skipped what the person could not tell
 * @param maxSets sets that may be weighed; fewer for tests
 * @returns null where nothing tells them apart
 */
export function nextQuestion(
  seen: readonly SeenBar[],
  among: readonly number[],
  skipped: ReadonlySet<Trait> = new Set(),
  maxSets = MAX_SETS,
): Asked | null {
  const asks = TRAITS.filter((trait) => !skipped.has(trait));
  const weighed = new Map<string, Best>();
  let isProven = true;

  const questions = (set: readonly number[]) =>
    asks
      .map((trait) => ({ trait, cells: cellsOf(seen, set, trait) }))
      .filter(({ cells }) => cells.length > 0 && cells.some(({ bars }) => bars.length < set.length))
      // What splits into the most even parts is tried first: others are then cut off early.
      .map((one) => ({ ...one, left: leftAfter(one.cells, set.length) }))
      .sort((a, b) => a.left - b.left);

  const weigh = (set: readonly number[]): Best => {
    if (set.length < 2) return NOTHING;
    const key = set.join(",");
    const before = weighed.get(key);
    if (before) return before;
    const options = questions(set);
    let best: Best | null = null;
    for (const { trait, cells } of options) {
      if (best && weighed.size > maxSets) {
        isProven = false;
        break;
      }
      const found = through(trait, cells, set.length, best);
      if (found && (!best || isBetter(found, best))) best = found;
    }
    const result = best ?? NOTHING;
    weighed.set(key, result);
    return result;
  };

  /** What a question costs with all that follows; null once it is sure to cost more than the best. */
  const through = (trait: Trait, cells: readonly Cell[], count: number, best: Best | null): Best | null => {
    const odds = oddsOf(cells, count);
    let [expected, atMost] = [1, 1];
    for (const [i, { bars }] of cells.entries()) {
      const next = weigh(bars);
      expected += odds[i]! * next.expected;
      atMost = Math.max(atMost, 1 + next.atMost);
      if (best && expected > best.expected + TINY) return null;
    }
    return { trait, expected, atMost };
  };

  const { trait, expected, atMost } = weigh([...among]);
  return trait && { trait, cells: cellsOf(seen, among, trait), expected, atMost, isProven };
}

const TINY = 1e-9;

function isBetter(one: Best, than: Best): boolean {
  if (Math.abs(one.expected - than.expected) > TINY) return one.expected < than.expected;
  if (one.atMost !== than.atMost) return one.atMost < than.atMost;
  return TRAITS.indexOf(one.trait!) < TRAITS.indexOf(than.trait!);
}

/**
 * How likely each answer is: a bar that several answers leave counts for each in equal parts.
 *
 * @returns shares of 1, in the order of the answers
 */
export function oddsOf(cells: readonly Cell[], count: number): number[] {
  const times = new Map<number, number>();
  for (const { bars } of cells) for (const bar of bars) times.set(bar, (times.get(bar) ?? 0) + 1);
  return cells.map(({ bars }) => bars.reduce((sum, bar) => sum + 1 / times.get(bar)!, 0) / count);
}

/** Bars that are left after a question, on average. */
const leftAfter = (cells: readonly Cell[], count: number) =>
  oddsOf(cells, count).reduce((sum, share, i) => sum + share * cells[i]!.bars.length, 0);
