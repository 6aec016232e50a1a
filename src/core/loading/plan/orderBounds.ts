import { Numbering, windowCost } from "./nestedPlan";
import type { OrderQuestion } from "./orderQuestion";
import { leastBetween, plateCount } from "./relaxed";
import type { PlanSet } from "./sessionQuestion";
import { sideWaysOf } from "./sessionWays";
import { groupsOf } from "./stackOrder";
import { SessionStacks } from "./stackPlan";

/**
 * Sets in a row whose least is worked out exactly: longer is sharper and slower. Short rows come again in other orders
 * and are known. Long ones are worked out one after the other, the rest of the session still in short ones: most orders
 * are out of the question after one or two of them.
 */
const SHORT_ROW = 2;
const LONG_ROW = 16;
/** Ordered stacks a set that are told apart where larger stays inside. */
const MAX_STACKS = 5_000;

/**
 * Bounds of what an order costs, in stages: the session is cut into rows of a few sets, neighbours sharing their end,
 * and of each row the least between its sets is worked out as if it were alone. The first stage is of pairs whose order on
 * the sleeve does not matter; where there are too many choices of plates to tabulate there is no other.
 */
export class OrderBounds {
  /** Stages of bounds that there are, before the cost. */
  readonly stages: number;
  private readonly ways;
  private readonly placeOf = new Map<PlanSet, number>();
  private readonly numbering: Numbering | null;
  private readonly stacks: SessionStacks | null;
  private readonly pairwise: (a: number, b: number) => number;
  private readonly fewest: number[];
  private readonly pairs: Int16Array;
  private readonly listOf: number[];
  private readonly lists: number;
  private readonly known = new Map<number, number>();
  /** Long rows of orders that are looked at again. */
  private readonly longRows = new Map<string, number>();

  /** Whether what an order costs, and its plan, are a matter of milliseconds. */
  get isTabulated(): boolean {
    return this.numbering !== null || this.stacks !== null;
  }

  /** @param isOver when to give up a bound. */
  constructor(
    private readonly question: OrderQuestion,
    private readonly isOver: () => boolean,
  ) {
    const sets = question.rounds.flat().filter((set) => set !== null);
    sets.forEach((set, place) => this.placeOf.set(set, place));
    this.ways = sideWaysOf({ ...question, sets }, isOver);
    const lists = this.ways.map((one) => one.ways);
    const numbers = new Map<readonly Uint8Array[], number>();
    this.listOf = lists.map((list) => numbers.get(list) ?? (numbers.set(list, numbers.size), numbers.size - 1));
    const isCut = this.ways.some((one) => one.isCut);
    const isAny = (question.order ?? "any") === "any";
    const canTabulate = !isCut && question.start.length === 0 && sets.length > 0;
    const numbering = isAny && canTabulate ? new Numbering(lists, { isOver }) : null;
    this.numbering = numbering?.isReady ? numbering : null;
    const { groups, isWhole } = groupsOf(question.plates, question.order ?? "any");
    this.stacks =
      !isAny && canTabulate && isWhole ? SessionStacks.of(lists, groups, { maxStacks: MAX_STACKS, isOver }) : null;
    this.stages = this.numbering ? 2 + Math.ceil((sets.length - 1) / LONG_ROW) : 1;
    this.pairs = new Int16Array(numbers.size ** 2).fill(-1);
    this.lists = numbers.size;
    this.fewest = this.ways.map((one) => Math.min(...one.ways.map(plateCount)));
    this.pairwise = isCut
      ? () => 0
      : leastBetween(
          lists,
          this.ways.map(({ massUnits }) => massUnits),
          Math.max(1, ...question.plates.map(({ massUnits }) => massUnits)),
          question.toleranceUnits ?? 0,
        );
  }

  /**
   * Plates handled at least.
   *
   * @returns a count of plates of one side, without changes of setup; null when time is over
   */
  bound(order: readonly number[], stage: number): number | null {
    const { places, isEmptied } = this.course(order);
    if (places.length === 0) return this.question.endsEmpty ? this.question.start.length : 0;
    const sum = stage > 0 ? this.inRows(places, isEmptied, stage - 1, order) : this.inPairs(places, isEmptied);
    if (sum === null) return null;
    // Ending empty, what goes on comes off again: only every other number can be.
    return this.question.endsEmpty && (sum - this.question.start.length) % 2 !== 0 ? sum + 1 : sum;
  }

  /**
   * Plates handled in an order.
   *
   * @returns a count of plates of one side, or null where it cannot be tabulated, or time is over
   */
  cost(order: readonly number[]): number | null {
    const { places, isEmptied } = this.course(order);
    if (places.length === 0) return this.question.endsEmpty ? this.question.start.length : 0;
    if (this.numbering) return this.row(places, isEmptied, 0, places.length - 1);
    return this.stacks?.cost(places, isEmptied, this.question.endsEmpty) ?? null;
  }

  /** Sets by their place as they are lifted; sets in a row that ask for the same count once. */
  private course(order: readonly number[]): { places: number[]; isEmptied: boolean[] } {
    const places: number[] = [];
    const isEmptied: boolean[] = [];
    let before: PlanSet | null = null;
    for (const round of this.question.rounds)
      for (const lifter of order) {
        const set = round[lifter];
        if (!set) continue;
        const place = this.placeOf.get(set)!;
        const isNew = this.question.changesSetupEmpty && before !== null && before.setup !== set.setup;
        const isSame = places.length > 0 && this.listOf[places.at(-1)!] === this.listOf[place];
        before = set;
        if (isSame && !isNew) continue;
        places.push(place);
        isEmptied.push(isNew);
      }
    return { places, isEmptied };
  }

  /** The session in rows: its last `long` rows are long ones, what is before them is in short ones. */
  private inRows(
    places: readonly number[],
    isEmptied: readonly boolean[],
    long: number,
    order: readonly number[],
  ): number | null {
    const last = places.length - 1;
    if (last === 0) return this.row(places, isEmptied, 0, 0);
    const name = order.join();
    let sum = 0;
    let to = last;
    for (let i = 0; i < long && to > 0; i += 1) {
      const from = Math.max(0, to - LONG_ROW);
      const key = `${name} ${from}`;
      const cost = this.longRows.get(key) ?? this.row(places, isEmptied, from, to);
      if (cost === null) return null;
      this.longRows.set(key, cost);
      sum += cost;
      to = from;
    }
    for (let from = 0; from < to; from += SHORT_ROW) {
      const cost = this.row(places, isEmptied, from, Math.min(to, from + SHORT_ROW));
      if (cost === null) return null;
      sum += cost;
    }
    return sum;
  }

  private row(places: readonly number[], isEmptied: readonly boolean[], from: number, to: number): number | null {
    if (to - from > SHORT_ROW) return this.worked(places, isEmptied, from, to);
    // Short rows come again in many orders; their names are numbers, since they are asked for by the ten thousand.
    // The first digit is never 0, so that rows of other lengths have other names.
    let key = 4 + (from === 0 ? 1 : 0) + (to === places.length - 1 ? 2 : 0);
    for (let i = from; i <= to; i += 1)
      key = (key * (this.lists + 1) + this.listOf[places[i]!]! + 1) * 2 + (i > from && isEmptied[i] ? 1 : 0);
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const cost = this.worked(places, isEmptied, from, to);
    if (cost !== null) this.known.set(key, cost);
    return cost;
  }

  private worked(places: readonly number[], isEmptied: readonly boolean[], from: number, to: number): number | null {
    const window = {
      sets: places.slice(from, to + 1),
      isFirst: from === 0,
      endsEmpty: to === places.length - 1 && this.question.endsEmpty,
      isEmptiedBefore: isEmptied.slice(from, to + 1).map((is, i) => i > 0 && is),
    };
    return to - from > SHORT_ROW
      ? windowCost(this.numbering!, window, { isOver: this.isOver })
      : windowCost(this.numbering!, window)!;
  }

  private between(a: number, b: number): number {
    const key = this.listOf[a]! * this.lists + this.listOf[b]!;
    if (this.pairs[key]! < 0) this.pairs[key] = this.pairwise(a, b);
    return this.pairs[key]!;
  }

  private inPairs(places: readonly number[], isEmptied: readonly boolean[]): number {
    let sum = this.question.start.length > 0 ? 0 : this.fewest[places[0]!]!;
    for (let i = 1; i < places.length; i += 1)
      sum += isEmptied[i]
        ? this.fewest[places[i - 1]!]! + this.fewest[places[i]!]!
        : this.between(places[i - 1]!, places[i]!);
    return sum + (this.question.endsEmpty ? this.fewest[places.at(-1)!]! : 0);
  }
}
