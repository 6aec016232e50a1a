import { pricedAssignment } from "./assignment";
import { worthOf, type ClassPlan, type ClassProblem } from "./problem";

export interface PlacedPeople extends ClassPlan {
  /** What the total owes to each entry, at most: seats that others would want cost the difference. */
  prices: number[];
}

/** How many ways to part people who would be in two places are looked at before the best so far has to do. */
const MAX_PARTINGS = 60;

/**
 * The best places for everybody when the bar of every slot is fixed. With one lift a person this is a plain assignment
 * of people to seats; where somebody would be at two stations in one block, one of the two is kept out and the better
 * way is taken, as far as has to be looked.
 *
 * @param over only plans of a greater total are wanted.
 * @returns null when there is none.
 */
export function placePeople(problem: ClassProblem, barOf: readonly number[], over = 0): PlacedPeople | null {
  const { entries, slots } = problem;
  const worth = entries.map((_, e) =>
    slots.map((_, k) => (barOf[k]! < 0 ? 0 : Math.max(0, worthOf(problem, e, k, barOf[k]!)))),
  );
  // The order of the slots of the seats.
  const seats = slots.flatMap(({ capacity }, k) => new Array<number>(Math.min(capacity, entries.length)).fill(k));
  let best: { slotOf: number[]; total: number; prices: number[] } | null = null;
  let looked = 0;
  const look = (values: readonly (readonly number[])[]) => {
    looked += 1;
    const { slotOf, total, prices } = seated(values, seats);
    if (total <= (best?.total ?? over)) return;
    const clash = clashIn(problem, slotOf);
    if (!clash) {
      best = { slotOf, total, prices };
      return;
    }
    if (looked > MAX_PARTINGS) return;
    const { block, pair } = clash;
    for (const kept of pair)
      look(
        values.map((row, e) =>
          e === kept ? row : pair.includes(e) ? row.map((v, k) => (slots[k]!.block === block ? 0 : v)) : row,
        ),
      );
  };
  look(worth);
  if (!best) return null;
  const { slotOf, total, prices }: { slotOf: number[]; total: number; prices: number[] } = best;
  const isTaken = new Set(slotOf);
  return { slotOf, total, prices, barOf: barOf.map((bar, k) => (isTaken.has(k) ? bar : -1)) };
}

function seated(values: readonly (readonly number[])[], seats: readonly number[]) {
  const bySeat = values.map((row) => seats.map((k) => row[k]!));
  let total = 0;
  const { taken, prices } = pricedAssignment(bySeat);
  const slotOf = taken.map((seat, e) => {
    const value = seat < 0 ? 0 : bySeat[e]![seat]!;
    total += value;
    return value > 0 ? seats[seat]! : -1;
  });
  return { slotOf, total, prices };
}

/** Two entries of one person in one block, or null. */
function clashIn(
  { entries, slots }: ClassProblem,
  slotOf: readonly number[],
): { block: number; pair: number[] } | null {
  const seen = new Map<string, number>();
  for (let e = 0; e < slotOf.length; e += 1) {
    if (slotOf[e]! < 0) continue;
    const { block } = slots[slotOf[e]!]!;
    const key = `${block}\n${entries[e]!.person}`;
    const other = seen.get(key);
    if (other !== undefined) return { block, pair: [other, e] };
    seen.set(key, e);
  }
  return null;
}
