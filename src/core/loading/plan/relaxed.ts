/* The session without its sleeve: plates may be put on and taken off in any order. What is handled then is a lower
 * bound for what a stack asks for, and guides the search for the real plan. */

/** A count that stands for "cannot be". */
export const NEVER = 0x3fff;
/** A grid of counts up to this size is tabulated; beyond it lists are joined pairwise. */
const MAX_CELLS = 400_000;
/** Joining two lists costs their product by kinds; beyond this over all sets a weaker bound is taken. */
const MAX_WORK = 300_000_000;

export interface RelaxedQuestion {
  /** Choices of every set: how many of each kind. */
  ways: readonly (readonly Uint8Array[])[];
  /** Whether the sleeve must be empty between set i − 1 and set i. */
  isEmptiedBefore: readonly boolean[];
  start: Uint8Array;
  endsEmpty: boolean;
  /** Mass of every set's side and of the heaviest plate, for the weakest bound. */
  massUnits: readonly number[];
  heaviestUnits: number;
  /** Loads so far from another, both sides together, count as equal; 0 when absent. */
  slackUnits?: number;
}

/** Least handled, at least: from the start through every choice, and from every choice to the end. */
export interface Relaxed {
  lowerBound: number;
  /** By set and choice: from the start until this choice is on the bar. */
  before: Int16Array[];
  /** By set and choice: what comes after it. */
  after: Int16Array[];
}

/**
 * How many plates a choice has.
 *
 * @returns a count of plates, one side
 */
export function plateCount(counts: Uint8Array): number {
  let sum = 0;
  for (let k = 0; k < counts.length; k += 1) sum += counts[k]!;
  return sum;
}

/**
 * Plates that differ between two choices.
 *
 * @returns a count of plates
 */
export function platesApart(a: Uint8Array, b: Uint8Array): number {
  let sum = 0;
  for (let k = 0; k < a.length; k += 1) sum += Math.abs(a[k]! - b[k]!);
  return sum;
}

/**
 * Least handled through all sets when order on the sleeve does not matter.
 *
 * @returns a lower bound in plates of one side, and what each choice of each set costs before and after it
 */
export function relaxedSession(question: RelaxedQuestion): Relaxed {
  const { ways, isEmptiedBefore, start, endsEmpty } = question;
  const sets = ways.length;
  if (sets === 0) return { lowerBound: endsEmpty ? plateCount(start) : 0, before: [], after: [] };
  const step = stepper(question);
  const before: Int16Array[] = new Array(sets);
  const after: Int16Array[] = new Array(sets);
  const sizes = ways.map((list) => Int16Array.from(list, plateCount));
  before[0] = Int16Array.from(ways[0]!, (counts) => platesApart(start, counts));
  for (let i = 1; i < sets; i += 1)
    before[i] = isEmptiedBefore[i]
      ? sizes[i]!.map((size) => size + leastOf(before[i - 1]!, sizes[i - 1]!))
      : step(i - 1, i, before[i - 1]!);
  after[sets - 1] = endsEmpty ? sizes[sets - 1]!.slice() : new Int16Array(ways[sets - 1]!.length);
  for (let i = sets - 2; i >= 0; i -= 1)
    after[i] = isEmptiedBefore[i + 1]
      ? sizes[i]!.map((size) => size + leastOf(after[i + 1]!, sizes[i + 1]!))
      : step(i + 1, i, after[i + 1]!);
  return { lowerBound: leastOf(before[0], after[0]!), before, after };
}

/**
 * Least sum of two lists of equal length.
 *
 * @returns the sum
 */
export function leastOf(a: Int16Array, b: Int16Array): number {
  let least = NEVER;
  for (let j = 0; j < a.length; j += 1) if (a[j]! + b[j]! < least) least = a[j]! + b[j]!;
  return least;
}

type Step = (from: number, to: number, costs: Int16Array) => Int16Array;

/** From the costs of one set's choices to those of its neighbour's, over the plates between them. */
function stepper({ ways, massUnits, heaviestUnits, slackUnits = 0 }: RelaxedQuestion): Step {
  const kinds = ways[0]![0]!.length;
  const most = new Uint8Array(kinds);
  for (const list of ways)
    for (const counts of list) for (let k = 0; k < kinds; k += 1) if (counts[k]! > most[k]!) most[k] = counts[k]!;
  const strides: number[] = [];
  let cells = 1;
  for (let k = 0; k < kinds; k += 1) {
    strides.push(cells);
    cells *= most[k]! + 1;
  }
  const pairwise: Step = (from, to, costs) =>
    Int16Array.from(ways[to]!, (counts) => {
      let least = NEVER;
      for (let j = 0; j < costs.length; j += 1) {
        if (costs[j]! >= least) continue;
        const through = costs[j]! + platesApart(counts, ways[from]![j]!);
        if (through < least) least = through;
      }
      return least;
    });
  const onGrid: Step = (from, to, costs) => {
    const grid = new Int16Array(cells).fill(NEVER);
    const at = (counts: Uint8Array) => {
      let index = 0;
      for (let k = 0; k < kinds; k += 1) index += counts[k]! * strides[k]!;
      return index;
    };
    ways[from]!.forEach((counts, j) => {
      const index = at(counts);
      if (costs[j]! < grid[index]!) grid[index] = costs[j]!;
    });
    spread(grid, most, strides, cells);
    return Int16Array.from(ways[to]!, (counts) => grid[at(counts)]!);
  };
  const byMass: Step = (from, to, costs) => {
    const between = Math.abs(massUnits[to]! - massUnits[from]!) - slackUnits;
    const moved = Math.max(0, Math.ceil(between / heaviestUnits - 1e-9));
    const least = costs.reduce((a, b) => Math.min(a, b), NEVER) + moved;
    return new Int16Array(ways[to]!.length).fill(least);
  };
  return (from, to, costs) => {
    const pairs = ways[from]!.length * ways[to]!.length;
    if (cells <= MAX_CELLS && 2 * cells < pairs) return onGrid(from, to, costs);
    return pairs * kinds * ways.length <= MAX_WORK ? pairwise(from, to, costs) : byMass(from, to, costs);
  };
}

/** Distances in plates are sums over kinds, so they spread over a grid one kind at a time, up and down. */
function spread(grid: Int16Array, most: Uint8Array, strides: readonly number[], cells: number): void {
  for (let k = 0; k < most.length; k += 1) {
    if (most[k] === 0) continue;
    const stride = strides[k]!;
    const period = stride * (most[k]! + 1);
    for (let from = 0; from < cells; from += period) {
      for (let c = from + stride; c < from + period; c += 1) {
        const near = grid[c - stride]! + 1;
        if (near < grid[c]!) grid[c] = near;
      }
      for (let c = from + period - stride - 1; c >= from; c -= 1) {
        const near = grid[c + stride]! + 1;
        if (near < grid[c]!) grid[c] = near;
      }
    }
  }
}

/**
 * Fewest plates that must move between any choices of two sets, by their places; worked out when asked.
 *
 * @returns a function of two places, for a count of plates
 */
export function leastBetween(
  ways: readonly (readonly Uint8Array[])[],
  massUnits: readonly number[],
  heaviestUnits: number,
  slackUnits = 0,
): (a: number, b: number) => number {
  if (ways.length === 0) return () => 0;
  const kinds = ways[0]![0]!.length;
  const step = stepper({
    ways,
    isEmptiedBefore: [],
    start: new Uint8Array(kinds),
    endsEmpty: false,
    massUnits,
    heaviestUnits,
    slackUnits,
  });
  // Sets of one target share their list of choices, and so what is between them.
  const ids = new Map<readonly Uint8Array[], number>();
  const idOf = (i: number) => {
    const known = ids.get(ways[i]!);
    if (known !== undefined) return known;
    ids.set(ways[i]!, ids.size);
    return ids.size - 1;
  };
  const known = new Map<number, number>();
  return (a, b) => {
    if (ways[a] === ways[b]) return 0;
    const key = idOf(a) * 1000 + idOf(b);
    let least = known.get(key);
    if (least === undefined) {
      least = step(a, b, new Int16Array(ways[a]!.length)).reduce((x, y) => Math.min(x, y), NEVER);
      known.set(key, least);
    }
    return least;
  };
}
