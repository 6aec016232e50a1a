/** One lift of one person in a class. */
export interface Entry {
  /** Nobody is at two stations in one block. */
  person: string;
  /** How well each bar suits, in whole points from 0; −1 for never. */
  fit: readonly number[];
  /** Whether each slot can take it: the station suits the lift, and nothing else is fixed. */
  slots: readonly boolean[];
}

/** A station in a block: those who share it share one bar. */
export interface Slot {
  block: number;
  /** How many share it. */
  capacity: number;
  /** Whether each bar can be used there. */
  bars: readonly boolean[];
}

export interface ClassProblem {
  entries: readonly Entry[];
  slots: readonly Slot[];
}

/** Placing somebody at all is worth more than any fit. */
export const PLACED_POINTS = 1000;

/**
 * What an entry is worth in a slot with a bar, or −1 when it cannot be.
 *
 * @returns points; −1 when it cannot be
 */
export function worthOf({ entries, slots }: ClassProblem, entry: number, slot: number, bar: number): number {
  const { fit, slots: open } = entries[entry]!;
  return open[slot] && slots[slot]!.bars[bar] && fit[bar]! >= 0 ? PLACED_POINTS + fit[bar]! : -1;
}

/** Who is where with what. */
export interface ClassPlan {
  /** Slot of each entry; −1 for nobody's place. */
  slotOf: number[];
  /** Bar of each slot; −1 while nobody is there. */
  barOf: number[];
  total: number;
}

/**
 * The total of a plan, or what is wrong with it; for tests and for plans made by hand.
 *
 * @returns points, or what is wrong in words
 */
export function checkPlan(problem: ClassProblem, { slotOf, barOf }: ClassPlan): number | string {
  const { entries, slots } = problem;
  let total = 0;
  const heads = new Map<number, number>();
  const there = new Set<string>();
  for (let e = 0; e < entries.length; e += 1) {
    const slot = slotOf[e]!;
    if (slot < 0) continue;
    const worth = worthOf(problem, e, slot, barOf[slot]!);
    if (worth < 0) return `entry ${e} cannot be in slot ${slot} with bar ${barOf[slot]}`;
    total += worth;
    heads.set(slot, (heads.get(slot) ?? 0) + 1);
    if (heads.get(slot)! > slots[slot]!.capacity) return `too many in slot ${slot}`;
    const key = `${entries[e]!.person}\n${slots[slot]!.block}`;
    if (there.has(key)) return `${entries[e]!.person} is twice in block ${slots[slot]!.block}`;
    there.add(key);
  }
  const used = new Set<string>();
  for (let k = 0; k < slots.length; k += 1) {
    if (barOf[k]! < 0) continue;
    const key = `${slots[k]!.block} ${barOf[k]}`;
    if (used.has(key)) return `bar ${barOf[k]} is at two stations in block ${slots[k]!.block}`;
    used.add(key);
  }
  return total;
}
