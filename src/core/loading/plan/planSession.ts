import { load } from "../load";
import { BlockSearch } from "./blockSearch";
import { nestedPlan } from "./nestedPlan";
import { relaxedSession } from "./relaxed";
import { SideFinder, type SideWays } from "./sideWays";
import type { PlanPlate, SessionPlan, SessionQuestion } from "./sessionQuestion";

export interface PlanOptions {
  /** Steps of the search that does without the table before it stops proving; about a million a second. */
  budget?: number;
  /** For tests: does without the table of spans. */
  withoutTable?: boolean;
}

const BUDGET = 1_500_000;
/** States kept a set when that search looks narrowly, and choices a set that it takes. */
const BEAM = 40;
const MAX_CHOICES = 60;
/** Single loads that are asked where a collection is too large to list. */
const MAX_SINGLES = 6;

/**
 * Which plates in which order for every set, so that the plates handled through the session are fewest.
 *
 * Every set is loaded to the nearest that it can reach at or below its target. Among all ordered stacks that do so the
 * plan is the cheapest family of nested spans (nestedPlan.ts): proven, and quick as long as the parts of all choices
 * can be tabulated. Where they cannot, a search with a lower bound takes over (blockSearch.ts) and says how far it may
 * be off.
 *
 * @throws RangeError for a start that names an unknown plate.
 * @returns stacks of one side, inside first, for each set; plates handled, a lower bound, and whether it is proven
 */
export function planSession(question: SessionQuestion, options: PlanOptions = {}): SessionPlan {
  const { sets, plates, barUnits, clampPairUnits } = question;
  const ownUnits = barUnits + clampPairUnits;
  const byTarget = waysBySet(question, ownUnits);
  const start = startKinds(question);
  const isEmptiedBefore = sets.map(
    ({ setup }, i) => question.changesSetupEmpty && i > 0 && setup !== sets[i - 1]!.setup,
  );
  const blocks = {
    ways: byTarget.map((one) => one.ways),
    isEmptiedBefore,
    start,
    endsEmpty: question.endsEmpty,
    // Larger plates inside where it does not matter, so that the usual picture is found.
    order: plates.map((_, k) => k).sort((a, b) => heavier(plates[a]!, plates[b]!) || a - b),
  };
  if (sets.length === 0) {
    const handled = question.endsEmpty ? start.length : 0;
    return { sets: [], handled, lowerBound: handled, isProven: true };
  }
  const isCut = byTarget.some((one) => one.isCut);
  const nested = isCut || options.withoutTable ? null : nestedPlan(blocks);
  if (nested) return finished(nested.stacks, nested.handled, nested.handled);
  return bySearch();

  function bySearch(): SessionPlan {
    const asked = {
      ...blocks,
      start: countsOf(start, plates.length),
      massUnits: byTarget.map(({ massUnits }) => massUnits),
      heaviestUnits: Math.max(1, ...plates.map(({ massUnits }) => massUnits)),
    };
    const whole = relaxedSession(asked);
    const isNarrowed = blocks.ways.some((list) => list.length > MAX_CHOICES);
    const ways = blocks.ways.map((list) => list.slice(0, MAX_CHOICES));
    const relaxed = isNarrowed ? relaxedSession({ ...asked, ways }) : whole;
    const search = new BlockSearch({ ...blocks, ways, relaxed });
    let left = options.budget ?? BUDGET;
    let lowerBound = isCut ? weakBound(question, byTarget) : whole.lowerBound;
    let isProving = !isCut && !isNarrowed;
    // With the sleeves empty at the end every plate that goes on comes off again: only every other number can be.
    const step = question.endsEmpty ? 2 : 1;
    for (let most = relaxed.lowerBound; ; most += step) {
      if (isProving) lowerBound = most;
      // A narrow look finds most plans; only where it finds none everything is looked at, to be sure that there is none.
      const narrow = search.run(isProving ? most : Infinity, Infinity, isProving ? BEAM : BEAM / 4);
      if (narrow.stacks) return finished(narrow.stacks, narrow.cost, lowerBound);
      if (!isProving || narrow.isWhole) continue;
      const run = search.run(most, left, Infinity);
      left -= run.looked;
      if (run.stacks) return finished(run.stacks, run.cost, lowerBound);
      isProving = run.isWhole;
    }
  }

  function finished(stacks: number[][], handled: number, bound: number): SessionPlan {
    return {
      sets: sets.map(({ id, targetUnits }, i) => {
        const achievedUnits = ownUnits + 2 * byTarget[i]!.massUnits;
        return {
          id,
          achievedUnits,
          errorUnits: achievedUnits - targetUnits,
          perSide: stacks[i]!.map((k) => plates[k]!.id),
        };
      }),
      handled,
      lowerBound: Math.min(bound, handled),
      isProven: bound >= handled,
    };
  }
}

/** When not every choice of plates could be listed, only this much is certain: mass moves at most one plate at a time. */
function weakBound({ plates, endsEmpty }: SessionQuestion, ways: readonly SideWays[]): number {
  const heaviest = Math.max(1, ...plates.map(({ massUnits }) => massUnits));
  let sum = 0;
  for (let i = 1; i < ways.length; i += 1)
    sum += Math.ceil(Math.abs(ways[i]!.massUnits - ways[i - 1]!.massUnits) / heaviest - 1e-9);
  return sum + (endsEmpty && ways.length > 0 ? Math.ceil(ways.at(-1)!.massUnits / heaviest - 1e-9) : 0);
}

/**
 * What each set is loaded to, with every choice of plates; for bounds over orders of sets.
 *
 * @returns choices of one side by set, with what is achieved in mass units
 */
export function sideWaysOf(question: SessionQuestion): SideWays[] {
  return waysBySet(question, question.barUnits + question.clampPairUnits);
}

function startKinds({ start, plates }: SessionQuestion): number[] {
  return start.map((id) => {
    const k = plates.findIndex((plate) => plate.id === id);
    if (k < 0) throw new RangeError(`the bar starts with ${id}, which is no plate of the session`);
    return k;
  });
}

function countsOf(kinds: readonly number[], of: number): Uint8Array {
  const counts = new Uint8Array(of);
  for (const k of kinds) counts[k] = counts[k]! + 1;
  return counts;
}

/** What every set is loaded to and all the ways to do it; sets with the same plates at hand share the work. */
function waysBySet(question: SessionQuestion, ownUnits: number): SideWays[] {
  const { sets, plates, roomMm } = question;
  const limits = sets.map(({ targetUnits }) => Math.max(0, Math.floor((targetUnits - ownUnits) / 2)));
  const most = Math.max(0, ...limits);
  const finders = new Map<string, SideFinder>();
  const known = new Map<string, SideWays>();
  const all = plates.map(({ pairs }) => pairs);
  let singles = 0;
  return sets.map((set, i) => {
    const pairs = set.pairs ?? all;
    const key = pairs.join();
    const asked = `${key};${limits[i]}`;
    let answer = known.get(asked);
    if (!answer) {
      let finder = finders.get(key);
      if (!finder) finders.set(key, (finder = new SideFinder(plates, pairs, roomMm, most)));
      answer = finder.atOrBelow(limits[i]!);
      // Where not every choice could be listed, the single load says what can be reached; it may take its time.
      if (answer.isCut && answer.massUnits < limits[i]! && singles < MAX_SINGLES) {
        singles += 1;
        answer = withSingleLoad(answer, question, pairs, limits[i]!);
      }
      known.set(asked, answer);
    }
    return answer;
  });
}

function withSingleLoad(
  answer: SideWays,
  { plates, roomMm }: SessionQuestion,
  pairs: readonly number[],
  limitUnits: number,
): SideWays {
  const single = load({
    targetUnits: 2 * limitUnits,
    barUnits: 0,
    clampPairUnits: 0,
    roomMm,
    ratedUnits: null,
    plates: plates.map(({ id, massUnits, thicknessMm }, k) => ({
      id,
      massUnits,
      thicknessMm,
      pairs: pairs[k]!,
      diameterMm: null,
      material: null,
    })),
    ending: "racked",
    rounding: "at-or-below",
    toleranceUnits: 0,
    onBar: null,
  });
  if (!single.ok || single.achievedUnits < 2 * answer.massUnits) return answer;
  const counts = new Uint8Array(plates.length);
  for (const id of single.perSide) {
    const k = plates.findIndex((plate) => plate.id === id);
    counts[k] = counts[k]! + 1;
  }
  const isSame = single.achievedUnits === 2 * answer.massUnits;
  return {
    massUnits: single.achievedUnits / 2,
    ways: [counts, ...(isSame ? answer.ways.filter((way) => way.some((n, k) => n !== counts[k])) : [])],
    isCut: true,
  };
}

const heavier = (a: PlanPlate, b: PlanPlate) => b.massUnits - a.massUnits;
