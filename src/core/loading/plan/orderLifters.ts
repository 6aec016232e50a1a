import { changeovers } from "./changeovers";
import { Numbering, windowCost } from "./nestedPlan";
import { planSession, sideWaysOf } from "./planSession";
import { leastBetween } from "./relaxed";
import type { PlanSet, SessionPlan, SessionQuestion } from "./sessionQuestion";

/** A session of several lifters who lift in the same order every round. */
export interface OrderQuestion extends Omit<SessionQuestion, "sets"> {
  /** By round, then by lifter as they were named; null where a lifter has no set in a round. */
  rounds: readonly (readonly (PlanSet | null)[])[];
}

export interface OrderPlan {
  /** Lifters by their place in the question, in the order they lift. */
  order: number[];
  plan: SessionPlan;
  /** Plates handled a side, and each change of setup or J-cups counted like one plate. */
  cost: number;
  /** No order costs less. */
  lowerBound: number;
  isProven: boolean;
}

export interface OrderOptions {
  /** Orders that are planned in full at most. */
  most?: number;
}

const MAX_PLANNED = 12;

/**
 * The order of lifters, the same every round, for which fewest plates are handled; a change of setup or J-cups counts
 * beside them like one plate. Every order gets a bound from rows of neighbouring sets; orders are planned in full from the lowest bound on, until no bound is below the
 * best plan: then it is proven. Up to seven lifters.
 *
 * @throws RangeError for more lifters.
 * @returns the order by index, its plan, and the least that any order costs
 */
export function planOrder(question: OrderQuestion, { most = MAX_PLANNED }: OrderOptions = {}): OrderPlan {
  const lifters = question.rounds[0]?.length ?? 0;
  if (lifters > 7) throw new RangeError(`${lifters} lifters have too many orders to look at all`);
  const asOrdered = (order: readonly number[]): SessionQuestion => ({
    ...question,
    sets: question.rounds.flatMap((round) => order.flatMap((lifter) => round[lifter] ?? [])),
  });
  const orders = permutations(lifters);
  const named = asOrdered(Array.from({ length: lifters }, (_, lifter) => lifter));
  const bound = boundOf(question, named);
  const ranked = orders
    .map((order) => {
      const { setups, cups } = changeovers(asOrdered(order).sets);
      return { order, changes: setups + cups, bound: bound(order) + setups + cups };
    })
    .sort((a, b) => a.bound - b.bound);
  let best: { order: number[]; plan: SessionPlan; cost: number } | null = null;
  let planned = 0;
  for (const { order, bound: least, changes } of ranked) {
    if (best && (least >= best.cost || planned >= most)) break;
    const plan = planSession(asOrdered(order));
    planned += 1;
    const cost = plan.handled + changes;
    if (!best || cost < best.cost) best = { order, plan, cost };
  }
  const { order, plan, cost } = best!;
  // Orders that were not planned cannot be below the bound of the next; those that were are as good as they are.
  const rest = ranked[planned]?.bound ?? Infinity;
  const lowerBound = Math.min(cost, Math.max(ranked[0]!.bound, Math.min(rest, cost)));
  return { order, plan, cost, lowerBound, isProven: plan.isProven && lowerBound >= cost };
}

/** Sets in a row of which the least between them is worked out exactly for the bound: longer is sharper and slower. */
const LONG_ROW = 6;
const SHORT_ROW = 3;
/** Parts of choices up to which rows are long. */
const FEW_PARTS = 800;

/**
 * Least handled in one order, at least: the session is cut into rows of a few sets, neighbours sharing their end, and
 * of each row the least between its sets is worked out as if it were alone. Where there are too many choices of plates
 * to tabulate, rows are of two sets whose order on the sleeve does not matter.
 */
function boundOf(question: OrderQuestion, named: SessionQuestion): (order: readonly number[]) => number {
  const ways = sideWaysOf(named);
  const placeOf = new Map<PlanSet, number>();
  named.sets.forEach((set, place) => placeOf.set(set, place));
  const numbering = ways.some(({ isCut }) => isCut) ? null : new Numbering(ways.map((one) => one.ways));
  const pairwise = leastBetween(
    ways.map((one) => one.ways),
    ways.map(({ massUnits }) => massUnits),
    Math.max(1, ...question.plates.map(({ massUnits }) => massUnits)),
  );
  const fewest = ways.map((one) =>
    one.ways.reduce(
      (least, counts) =>
        Math.min(
          least,
          counts.reduce((sum, n) => sum + n, 0),
        ),
      Infinity,
    ),
  );
  const isTabulated = numbering !== null && numbering.isReady;
  const known = new Map<string, number>();
  const between = (row: readonly number[]): number => {
    if (row.length < 2) return 0;
    if (!isTabulated) return pairwise(row[0]!, row[1]!);
    const key = row.join();
    let least = known.get(key);
    if (least === undefined) known.set(key, (least = windowCost(numbering, row)));
    return least;
  };
  const most = !isTabulated ? 2 : numbering.bases <= FEW_PARTS ? LONG_ROW : SHORT_ROW;
  return (order) => {
    const sets = question.rounds.flatMap((round) => order.flatMap((lifter) => round[lifter] ?? []));
    if (sets.length === 0) return 0;
    const places = sets.map((set) => placeOf.get(set)!);
    let sum = question.start.length > 0 ? 0 : fewest[places[0]!]!;
    let row = [places[0]!];
    for (let i = 1; i < sets.length; i += 1) {
      if (question.changesSetupEmpty && sets[i - 1]!.setup !== sets[i]!.setup) {
        sum += between(row) + fewest[places[i - 1]!]! + fewest[places[i]!]!;
        row = [places[i]!];
        continue;
      }
      row.push(places[i]!);
      if (row.length < most) continue;
      sum += between(row);
      row = [places[i]!];
    }
    return sum + between(row) + (question.endsEmpty ? fewest[places.at(-1)!]! : 0);
  };
}

function permutations(count: number): number[][] {
  if (count === 0) return [[]];
  return permutations(count - 1).flatMap((rest) =>
    Array.from({ length: count }, (_, at) => [...rest.slice(0, at), count - 1, ...rest.slice(at)]),
  );
}
