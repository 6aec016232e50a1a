import { bestAssignment, pricedAssignment } from "./assignment";
import { PLACED_POINTS, worthOf, type ClassProblem } from "./problem";

/**
 * The class with two rules priced instead of kept: that an entry has one place, and that a person is at one station in
 * a block. What is left falls apart by block into slots that fill themselves and an assignment of bars to slots, so a
 * bound on every plan costs microseconds.
 */
export interface Relaxation {
  /** No plan has a greater total. */
  bound: number;
  /** Bar of each slot in the answer behind the bound; −1 for none. */
  barOf: number[];
  /** How often each entry is placed there, and each person in each block who has more than one entry. */
  placed: Int16Array;
  present: Int16Array;
}

export interface Prices {
  entry: Float64Array;
  /** By person with more than one entry, block after block. */
  person: Float64Array;
}

/** What the relaxation looks up again and again. */
export interface Layout {
  problem: ClassProblem;
  /** Bars worth looking at. */
  bars: readonly number[];
  /** worth[i][entry] with the i-th of those bars; −1 for never. */
  worth: readonly Int32Array[];
  /** Slots of each block. */
  blocks: readonly (readonly number[])[];
  blockOf: readonly number[];
  /** Row in the prices of people for an entry; −1 where the person has one entry. */
  personRow: Int32Array;
  people: number;
  /** Slots that are the same to everybody share a class, whatever their block. */
  classOf: readonly number[];
  /** Entries that a class of slots can take. */
  openTo: readonly Int32Array[];
}

/**
 * A class as the relaxation looks at it.
 *
 * @returns worth in points by bar and entry, and slots by block
 */
export function layoutOf(problem: ClassProblem): Layout {
  const { entries, slots } = problem;
  const numbers = [...new Set(slots.map(({ block }) => block))].sort((a, b) => a - b);
  const blocks = numbers.map((block) => slots.flatMap((slot, k) => (slot.block === block ? [k] : [])));
  const counts = new Map<string, number>();
  for (const { person } of entries) counts.set(person, (counts.get(person) ?? 0) + 1);
  const several = [...counts].filter(([, n]) => n > 1).map(([person]) => person);
  const classes = new Map<string, number>();
  const openTo: Int32Array[] = [];
  const classOf = slots.map(({ capacity }, k) => {
    const key = `${capacity} ${entries.map(({ slots: open }) => Number(open[k])).join("")}`;
    if (!classes.has(key)) {
      classes.set(key, classes.size);
      openTo.push(Int32Array.from(entries.flatMap(({ slots: open }, e) => (open[k] ? [e] : []))));
    }
    return classes.get(key)!;
  });
  const bars = barsWorthLookingAt(problem, Math.max(1, ...blocks.map(({ length }) => length)));
  return {
    problem,
    bars,
    worth: bars.map((bar) => Int32Array.from(entries, ({ fit }) => (fit[bar]! < 0 ? -1 : PLACED_POINTS + fit[bar]!))),
    blocks,
    blockOf: slots.map(({ block }) => numbers.indexOf(block)),
    personRow: Int32Array.from(entries, ({ person }) => several.indexOf(person)),
    people: several.length,
    classOf,
    openTo,
  };
}

/**
 * Bars that could matter: a bar is left out when as many others as a block has stations suit everybody at least as
 * well and can be used wherever it can, for then one of those is free and does as well.
 */
function barsWorthLookingAt({ entries, slots }: ClassProblem, stations: number): number[] {
  const count = entries[0]?.fit.length ?? 0;
  const all = Array.from({ length: count }, (_, j) => j).filter((j) => entries.some(({ fit }) => fit[j]! >= 0));
  const isAsGood = (a: number, b: number) =>
    entries.every(({ fit }) => fit[a]! >= fit[b]!) && slots.every(({ bars }) => bars[a] || !bars[b]);
  return all.filter((j) => {
    let better = 0;
    for (const other of all) if (other !== j && isAsGood(other, j) && (other < j || !isAsGood(j, other))) better += 1;
    return better < stations;
  });
}

/**
 * A bound that lets every entry have its best bar of each slot, with the prices behind it: seats alone are scarce. It
 * is what the prices of the relaxation start from.
 *
 * @returns a bound in points, and the prices of entries and people behind it
 */
export function seatBound({ problem, bars, people, blocks }: Layout, allowed: readonly (readonly boolean[])[]) {
  const { entries, slots } = problem;
  const best = entries.map((_, e) =>
    slots.map((_, k) =>
      bars.reduce((most, bar) => (allowed[k]![bar] ? Math.max(most, worthOf(problem, e, k, bar)) : most), 0),
    ),
  );
  const seats = slots.flatMap(({ capacity }, k) => new Array<number>(Math.min(capacity, entries.length)).fill(k));
  const { taken, prices } = pricedAssignment(best.map((row) => seats.map((k) => row[k]!)));
  const bound = taken.reduce((sum, seat, e) => sum + (seat < 0 ? 0 : best[e]![seats[seat]!]!), 0);
  return {
    bound,
    prices: { entry: Float64Array.from(prices), person: new Float64Array(people * blocks.length) } satisfies Prices,
  };
}

const MAX_CAPACITY = 64;
const topWorth = new Float64Array(MAX_CAPACITY);
const topEntry = new Int32Array(MAX_CAPACITY);

/**
 * The bound at some prices, with the bars that each slot may have.
 *
 * @returns the bound in points, and what each slot takes at these prices
 */
export function relax(layout: Layout, prices: Prices, allowed: readonly (readonly boolean[])[]): Relaxation {
  const { problem, bars, blocks, personRow, people, classOf } = layout;
  const placed = new Int16Array(problem.entries.length);
  const present = new Int16Array(people * blocks.length);
  const barOf = new Array<number>(problem.slots.length).fill(-1);
  let bound = 0;
  for (const price of prices.entry) bound += price;
  for (const price of prices.person) bound += price;
  blocks.forEach((own, b) => {
    const sums = new Map<number, Float64Array>();
    const sumsOf = (k: number) => {
      let found = sums.get(classOf[k]!);
      if (!found) {
        found = Float64Array.from(bars, (_, i) => sumOfTop(fillSlot(layout, prices, k, b, i)));
        sums.set(classOf[k]!, found);
      }
      return found;
    };
    const value = own.map((k) => Array.from(sumsOf(k), (sum, i) => (allowed[k]![bars[i]!] ? sum : 0)));
    bestAssignment(value).forEach((column, row) => {
      const k = own[row]!;
      if (column < 0 || value[row]![column]! <= 0) return;
      const size = fillSlot(layout, prices, k, b, column);
      bound += sumOfTop(size);
      barOf[k] = bars[column]!;
      for (let n = 0; n < size; n += 1) {
        const e = topEntry[n]!;
        placed[e]! += 1;
        if (personRow[e]! >= 0) present[personRow[e]! * blocks.length + b]! += 1;
      }
    });
  });
  return { bound, barOf, placed, present };
}

/** Puts the entries that a slot would take with a bar into the scratch lists: the dearest after prices, no person twice. */
function fillSlot(
  { problem, blocks, personRow, worth, classOf, openTo }: Layout,
  prices: Prices,
  k: number,
  b: number,
  i: number,
) {
  const capacity = Math.min(problem.slots[k]!.capacity, MAX_CAPACITY);
  const own = worth[i]!;
  let size = 0;
  for (const e of openTo[classOf[k]!]!) {
    if (own[e]! < 0) continue;
    const person = personRow[e]!;
    const left = own[e]! - prices.entry[e]! - (person < 0 ? 0 : prices.person[person * blocks.length + b]!);
    if (left <= 1e-9 || (size === capacity && left <= topWorth[size - 1]!)) continue;
    if (person >= 0) {
      let twin = 0;
      while (twin < size && personRow[topEntry[twin]!] !== person) twin += 1;
      if (twin < size) {
        if (topWorth[twin]! >= left) continue;
        for (size -= 1; twin < size; twin += 1) {
          topWorth[twin] = topWorth[twin + 1]!;
          topEntry[twin] = topEntry[twin + 1]!;
        }
      }
    }
    let at = size < capacity ? size : size - 1;
    for (; at > 0 && topWorth[at - 1]! < left; at -= 1) {
      topWorth[at] = topWorth[at - 1]!;
      topEntry[at] = topEntry[at - 1]!;
    }
    topWorth[at] = left;
    topEntry[at] = e;
    if (size < capacity) size += 1;
  }
  return size;
}

/**
 * What each bar would bring to a slot at some prices, in the order of the layout's bars.
 *
 * @returns points by bar
 */
export function offers(layout: Layout, prices: Prices, k: number): number[] {
  return layout.bars.map((_, i) => sumOfTop(fillSlot(layout, prices, k, layout.blockOf[k]!, i)));
}

function sumOfTop(size: number): number {
  let sum = 0;
  for (let n = 0; n < size; n += 1) sum += topWorth[n]!;
  return sum;
}
