import { BlockSearch } from "./blockSearch";
import { nestedPlan, type NestedQuestion } from "./nestedPlan";
import { relaxedSession } from "./relaxed";
import { rollingPlan } from "./rollingPlan";
import { massBound } from "./sessionBound";
import type { SessionPlan, SessionQuestion } from "./sessionQuestion";
import { sideWaysOf } from "./sessionWays";
import type { SideWays } from "./sideWays";
import { groupsOf } from "./stackOrder";
import { stackPlan } from "./stackPlan";
import { handledThrough } from "./handledThrough";

export interface PlanOptions {
  /** How much of the time that may be taken is gone, from 0; at 1 and beyond the best plan so far is the answer. */
  spent?: () => number;
  /** Told every plan that is better than those before. */
  onBetter?: (plan: SessionPlan) => void;
  /** Steps of the search that does without the table before it stops proving; about a million a second. */
  budget?: number;
  /** A hundredth of a second's work or so, the same everywhere: for what is planned anew at every touch. */
  isBrief?: boolean;
  /** For tests: does without the tables. */
  withoutTable?: boolean;
}

const BUDGET = 1_500_000;
/** States kept a set when that search looks narrowly, and choices a set that it takes. */
const BEAM = 40;
const MAX_CHOICES = 60;
/** Ordered stacks a set up to which a session is proven (contract), with some to spare. */
const MAX_STACKS = 120_000;
/** Choices a set when there are more than can be looked at, by how far the time has gone. */
const FEWER_CHOICES = [200, 2_000, 20_000];
/** Joins that the table of spans may make before the table of stacks is tried. */
const FIRST_JOINS = 300_000_000;
/** Sets planned at once where the session is too long for one table. */
const WINDOWS = [6, 12, 24, 48];
/** Shares of the time: until then a proof is looked for, and after the proofs a better plan. */
const PROOF_SHARE = 0.6;
/** The same limits for a plan that is made briefly. */
const BRIEF = { joins: 20_000_000, bases: 40_000, stacks: 5_000, budget: 50_000 };
/** Counts beyond this do not fit the tables. */
const MAX_HANDLED = 16_000;

/**
 * Which plates in which order for every set, so that the plates handled through the session are fewest.
 *
 * Every set is loaded to the nearest that it can reach at or below its target, or to what counts as equally near. Among
 * all ordered stacks that do so the plan is the cheapest: by nested spans (nestedPlan.ts) where any order may be, else
 * set by set over all stacks (stackPlan.ts); both proven. Where neither can be tabulated in time, windows and a search
 * with a lower bound take over and say how far the plan may be off.
 *
 * @throws RangeError for a start that names an unknown plate.
 * @returns stacks of one side, inside first, for each set; plates handled, a lower bound, and whether it is proven
 */
export function planSession(question: SessionQuestion, options: PlanOptions = {}): SessionPlan {
  const start = startKinds(question);
  if (question.sets.length === 0) {
    const handled = question.endsEmpty ? start.length : 0;
    return { sets: [], handled, lowerBound: handled, isProven: true };
  }
  return new SessionPlanner(question, start, options).plan();
}

class SessionPlanner {
  private readonly spent: () => number;
  private readonly isOver: () => boolean;
  private readonly isProofOver: () => boolean;
  private readonly bySet: readonly SideWays[];
  /** Sets in a row that ask for the same are planned as one: the least handled leaves them as they are. */
  private readonly firstOf: number[] = [];
  private readonly groupOf: number[] = [];
  private readonly asked: NestedQuestion;
  private readonly groups: number[][];
  private readonly isWholeSchool: boolean;
  private readonly isCut: boolean;
  private readonly isAny: boolean;
  private best: Pick<SessionPlan, "sets" | "handled"> | null = null;
  private lowerBound: number;

  constructor(
    private readonly question: SessionQuestion,
    start: readonly number[],
    private readonly options: PlanOptions,
  ) {
    const { sets, plates, endsEmpty, changesSetupEmpty, order = "any" } = question;
    this.spent = options.spent ?? (() => 0);
    this.isOver = () => this.spent() >= 1;
    this.isProofOver = () => this.spent() >= PROOF_SHARE;
    this.bySet = sideWaysOf(
      question,
      () => this.spent() >= PROOF_SHARE / 2,
      () => this.spent() >= PROOF_SHARE,
    );
    this.isAny = order === "any";
    const { groups, isWhole } = groupsOf(plates, order);
    this.groups = groups;
    this.isWholeSchool = isWhole;
    this.isCut = this.bySet.some((one) => one.isCut);
    const isEmptied = sets.map(({ setup }, i) => changesSetupEmpty && i > 0 && setup !== sets[i - 1]!.setup);
    this.bySet.forEach(({ ways }, i) => {
      if (i === 0 || isEmptied[i] || ways !== this.bySet[i - 1]!.ways) this.firstOf.push(i);
      this.groupOf.push(this.firstOf.length - 1);
    });
    this.asked = {
      ways: this.firstOf.map((i) => this.bySet[i]!.ways),
      isEmptiedBefore: this.firstOf.map((i) => isEmptied[i]!),
      start,
      endsEmpty,
      // Larger plates inside where it does not matter, so that the usual picture is found.
      order: groups.flat(),
    };
    this.lowerBound = massBound(
      question,
      this.firstOf.map((i) => this.bySet[i]!),
      this.asked.isEmptiedBefore,
    );
  }

  plan(): SessionPlan {
    this.take(this.fewestEach());
    if (!this.isDone()) this.prove();
    if (!this.isDone()) this.improve();
    return this.answer();
  }

  private answer(): SessionPlan {
    const { handled } = this.best!;
    const { start, endsEmpty } = this.asked;
    // Ending empty, what goes on comes off again: only every other number can be.
    const step = endsEmpty && (this.lowerBound - start.length) % 2 !== 0 ? 1 : 0;
    const lowerBound = Math.min(handled, this.lowerBound + step);
    return { ...this.best!, lowerBound, isProven: lowerBound === handled };
  }

  /** Every set with its fewest plates, larger inside: at once, and never refused. */
  private fewestEach(): number[][] {
    const stacks = new Map<readonly Uint8Array[], number[]>();
    return this.asked.ways.map((ways) => {
      let stack = stacks.get(ways);
      if (!stack) stacks.set(ways, (stack = this.asked.order.flatMap((k) => new Array<number>(ways[0]![k]!).fill(k))));
      return stack;
    });
  }

  private prove(): void {
    const { asked, options } = this;
    const mostPlates = asked.ways.reduce((sum, ways) => sum + Math.max(...ways.map(sumOf)), asked.start.length);
    if (options.withoutTable || 2 * mostPlates > MAX_HANDLED) return;
    const isOver = this.isProofOver;
    const { isBrief } = options;
    const maxBases = isBrief ? BRIEF.bases : undefined;
    const byNesting = (maxJoins?: number) => this.isAny && nestedPlan(asked, { isOver, maxJoins, maxBases });
    const plan =
      byNesting(isBrief ? BRIEF.joins : FIRST_JOINS) ||
      stackPlan({ ...asked, groups: this.groups }, { maxStacks: isBrief ? BRIEF.stacks : MAX_STACKS, isOver }) ||
      (!isBrief && byNesting());
    if (!plan) return;
    if (!this.isCut && this.isWholeSchool) this.lowerBound = Math.max(this.lowerBound, plan.handled);
    this.take(plan.stacks);
  }

  /** Better plans while there is time, and a bound that may rise. */
  private improve(): void {
    const { asked } = this;
    if (!this.isAny) {
      for (const most of this.options.isBrief ? FEWER_CHOICES.slice(0, 1) : FEWER_CHOICES) {
        const plan = stackPlan(
          { ...asked, ways: shortened(asked.ways, most), groups: this.asked.order.map((k) => [k]) },
          { maxStacks: MAX_STACKS, isOver: this.isOver },
        );
        if (plan) this.take(plan.stacks);
        if (this.isDone()) return;
      }
      return;
    }
    this.search();
    if (this.options.isBrief) return;
    const ways = shortened(asked.ways, MAX_CHOICES);
    for (const window of WINDOWS) {
      if (this.isDone() || this.options.withoutTable) return;
      const stacks = rollingPlan({ ...asked, ways }, { window, isOver: this.isOver });
      if (stacks) this.take(stacks);
      if (window >= asked.ways.length) return;
    }
  }

  /** Plans at a rising number of plates: where there is none, the bound rises. */
  private search(): void {
    const { question, asked, options } = this;
    const relaxing = {
      ...asked,
      start: countsOf(asked.start, question.plates.length),
      massUnits: this.firstOf.map((i) => this.bySet[i]!.massUnits),
      slackUnits: question.toleranceUnits ?? 0,
      heaviestUnits: Math.max(1, ...question.plates.map(({ massUnits }) => massUnits)),
    };
    const ways = shortened(asked.ways, MAX_CHOICES);
    const isNarrowed = ways.some((list, i) => list !== asked.ways[i]);
    const isProving = !this.isCut && !isNarrowed;
    if (!this.isCut && isNarrowed && !this.isProofOver())
      this.lowerBound = Math.max(this.lowerBound, relaxedSession(relaxing).lowerBound);
    const relaxed = relaxedSession({ ...relaxing, ways });
    if (isProving) this.lowerBound = Math.max(this.lowerBound, relaxed.lowerBound);
    const search = new BlockSearch({ ...asked, ways, relaxed, isOver: this.isOver });
    if (!isProving) {
      for (const beam of options.isBrief ? [BEAM / 8] : [BEAM / 4, BEAM, 4 * BEAM]) {
        const run = search.run(Infinity, Infinity, beam);
        if (run.stacks) this.take(run.stacks);
        if (this.isDone()) return;
      }
      return;
    }
    let left = options.budget ?? (options.isBrief ? BRIEF.budget : BUDGET);
    // With the sleeves empty at the end every plate that goes on comes off again: only every other number can be.
    const step = asked.endsEmpty ? 2 : 1;
    for (let most = relaxed.lowerBound; most < this.best!.handled && !this.isOver(); most += step) {
      // A narrow look finds most plans; only where it finds none everything is looked at, to be sure that there is none.
      const narrow = search.run(most, Infinity, BEAM);
      const run = narrow.stacks || narrow.isWhole ? narrow : search.run(most, left, Infinity);
      if (run !== narrow) left -= run.looked;
      if (run.stacks) return this.take(run.stacks);
      if (!run.isWhole) break;
      this.lowerBound = Math.max(this.lowerBound, most + step);
    }
    const last = search.run(Infinity, Infinity, BEAM);
    if (last.stacks) this.take(last.stacks);
  }

  private isDone(): boolean {
    return this.answer().isProven || this.isOver();
  }

  /** Keeps a plan when it is better than the best. */
  private take(stacks: readonly (readonly number[])[]): void {
    const { sets, plates, barUnits, clampPairUnits } = this.question;
    const handled = handledThrough(stacks, this.asked);
    if (this.best && this.best.handled <= handled) return;
    this.best = {
      sets: sets.map(({ id, targetUnits }, i) => {
        const stack = stacks[this.groupOf[i]!]!;
        const side = stack.reduce((sum, k) => sum + plates[k]!.massUnits, 0);
        const achievedUnits = barUnits + clampPairUnits + 2 * side;
        return { id, achievedUnits, errorUnits: achievedUnits - targetUnits, perSide: stack.map((k) => plates[k]!.id) };
      }),
      handled,
    };
    this.options.onBetter?.(this.answer());
  }
}

const cutLists = new WeakMap<readonly Uint8Array[], Map<number, readonly Uint8Array[]>>();

/** The first of every list; the same list for the same list, so that sets go on sharing. */
function shortened(lists: readonly (readonly Uint8Array[])[], most: number): readonly (readonly Uint8Array[])[] {
  return lists.map((list) => {
    if (list.length <= most) return list;
    let known = cutLists.get(list);
    if (!known) cutLists.set(list, (known = new Map<number, readonly Uint8Array[]>()));
    if (!known.has(most)) known.set(most, list.slice(0, most));
    return known.get(most)!;
  });
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
  for (const k of kinds) counts[k]! += 1;
  return counts;
}

function sumOf(counts: Uint8Array): number {
  let sum = 0;
  for (const n of counts) sum += n;
  return sum;
}
