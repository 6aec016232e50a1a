import { changeovers } from "./changeovers";
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

const MOST_PLANNED = 16;

/**
 * The order of lifters, the same every round, for which fewest plates are handled; a change of setup or J-cups counts
 * beside them like one plate. Every order gets a bound from the plates between neighbouring sets; orders are planned in full from the lowest bound on, until no bound is below the
 * best plan: then it is proven. Up to seven lifters.
 *
 * @throws RangeError for more lifters.
 */
export function planOrder(question: OrderQuestion, { most = MOST_PLANNED }: OrderOptions = {}): OrderPlan {
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

/** Least handled in one order, at least: plates between neighbours, as if each set chose its plates anew each time. */
function boundOf(question: OrderQuestion, named: SessionQuestion): (order: readonly number[]) => number {
  const ways = sideWaysOf(named);
  const placeOf = new Map<PlanSet, number>();
  let place = 0;
  for (const round of question.rounds)
    for (const set of round)
      if (set) {
        placeOf.set(set, place);
        place += 1;
      }
  const between = leastBetween(
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
  return (order) => {
    let sum = 0;
    let before: PlanSet | null = null;
    for (const round of question.rounds)
      for (const lifter of order) {
        const set = round[lifter];
        if (!set) continue;
        const at = placeOf.get(set)!;
        if (!before) sum += question.start.length > 0 ? 0 : fewest[at]!;
        else if (question.changesSetupEmpty && before.setup !== set.setup)
          sum += fewest[placeOf.get(before)!]! + fewest[at]!;
        else sum += between(placeOf.get(before)!, at);
        before = set;
      }
    return sum + (question.endsEmpty && before ? fewest[placeOf.get(before)!]! : 0);
  };
}

function permutations(count: number): number[][] {
  if (count === 0) return [[]];
  return permutations(count - 1).flatMap((rest) =>
    Array.from({ length: count }, (_, at) => [...rest.slice(0, at), count - 1, ...rest.slice(at)]),
  );
}
