import { changeovers } from "./changeovers";
import { OrderBounds } from "./orderBounds";
import type { OrderQuestion } from "./orderQuestion";
import { planSession } from "./planSession";
import type { SessionPlan, SessionQuestion } from "./sessionQuestion";

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
  /** How much of the time that may be taken is gone, from 0; at 1 and beyond the best order so far is the answer. */
  spent?: () => number;
  /** Told every order that is better than those before. */
  onBetter?: (found: OrderPlan) => void;
  /** Orders whose cost is worked out at most. */
  most?: number;
}

/** Lifters up to whom every order is looked at. */
export const MAX_LIFTERS = 7;
const MAX_PLANNED = 2_000;
/** Of the time: until then orders are sought, the rest is for the plan of the best. */
const SEARCH_SHARE = 0.95;
/** Bounds looked at for one order that is followed to its cost. */
const LOOKS_A_DIVE = 60;
/** Of the time that is left, where a plan cannot be tabulated. */
const PLAN_SHARE = 0.3;

const NO_CHANGES = { setups: 0, cups: 0 };

interface Candidate {
  order: number[];
  changes: number;
  /** How sharply it was bounded so far. */
  stage: number;
  bound: number;
  /** Whether it was planned, and the bound is what it costs. */
  isSettled: boolean;
}

/**
 * The order of lifters, the same every round, for which fewest plates are handled; a change of setup or J-cups counts
 * beside them like one plate. Every order gets a bound from rows of neighbouring sets; the order of the least bound is
 * looked at more sharply, again and again, until it is known what it costs and no other has a lower bound: then it is
 * proven. Lifters who ask for the same are not told apart.
 *
 * @throws RangeError for more than seven lifters.
 * @returns the order by index, its plan, and the least that any order costs
 */
export function planOrder(question: OrderQuestion, options: OrderOptions = {}): OrderPlan {
  const lifters = question.rounds[0]?.length ?? 0;
  if (lifters > MAX_LIFTERS) throw new RangeError(`${lifters} lifters have too many orders to look at all`);
  const { spent = () => 0, most = MAX_PLANNED } = options;
  const asOrdered = (order: readonly number[]): SessionQuestion => ({
    ...question,
    sets: question.rounds.flatMap((round) => order.flatMap((lifter) => round[lifter] ?? [])),
  });
  const bounds = new OrderBounds(question, () => spent() >= SEARCH_SHARE);
  const open = new LeastFirst();
  const hasChanges = question.rounds.some((round) =>
    round.some((set) => set && (set.setup !== null || set.cup != null)),
  );
  for (const order of ordersOf(question)) {
    const { setups, cups } = hasChanges ? changeovers(asOrdered(order).sets) : NO_CHANGES;
    open.add({
      order,
      changes: setups + cups,
      stage: 0,
      bound: bounds.bound(order, 0)! + setups + cups,
      isSettled: false,
    });
  }
  // Something to answer with before anything is looked at closely.
  let best: { order: number[]; cost: number; plan: SessionPlan } | null = null;
  const take = (order: number[], changes: number): number => {
    const from = spent();
    const share = Math.max(1e-6, (1 - from) * PLAN_SHARE);
    const plan = planSession(asOrdered(order), bounds.isTabulated ? {} : { spent: () => (spent() - from) / share });
    const cost = plan.handled + changes;
    if (!best || cost < best.cost) {
      best = { order, cost, plan };
      options.onBetter?.({ ...best, lowerBound: Math.min(cost, open.least()), isProven: false });
    }
    return plan.lowerBound + changes;
  };
  const first = open.peek()!;
  take(first.order, first.changes);
  let planned = 1;
  let lowerBound = Infinity;
  /** Bound after one more stage; past the last stage it is what the order costs. False when time is over. */
  const look = (candidate: Candidate): boolean => {
    const { order, changes } = candidate;
    candidate.stage += 1;
    if (candidate.stage < bounds.stages) {
      const bound = bounds.bound(order, candidate.stage);
      if (bound === null) return false;
      candidate.bound = Math.max(candidate.bound, bound + changes);
      return true;
    }
    planned += 1;
    const cost = bounds.cost(order);
    const isBetter = cost === null || cost + changes < best!.cost;
    const least = isBetter ? take(order, changes) : cost + changes;
    candidate.isSettled = true;
    candidate.bound = Math.max(candidate.bound, least);
    lowerBound = Math.min(lowerBound, candidate.bound);
    return true;
  };
  for (let looks = 1; open.size > 0 && spent() < SEARCH_SHARE && planned < most; looks += 1) {
    const candidate = open.peek()!;
    if (candidate.bound >= Math.min(best!.cost, lowerBound)) break;
    // Now and then the most promising is followed to its end, so that there is a good answer before the proof.
    const isDive = looks % LOOKS_A_DIVE === 0;
    if (isDive) candidate.stage = Math.max(candidate.stage, bounds.stages - 1);
    if (!look(candidate)) break;
    open.take();
    if (!candidate.isSettled) open.add(candidate);
  }
  const { order, plan, cost } = best!;
  const least = Math.min(cost, lowerBound, open.least());
  return { order, plan, cost, lowerBound: least, isProven: least >= cost };
}

/** Every order of the lifters, those who ask for the same kept as they were named. */
function ordersOf({ rounds }: OrderQuestion): number[][] {
  const lifters = rounds[0]?.length ?? 0;
  const wishes = Array.from({ length: lifters }, (_, l) =>
    JSON.stringify(rounds.map((round) => round[l] && { ...round[l], id: "" })),
  );
  const orders: number[][] = [];
  const grow = (order: number[]): void => {
    if (order.length === lifters) orders.push([...order]);
    for (let l = 0; l < lifters; l += 1) {
      if (order.includes(l)) continue;
      if (wishes.some((wish, twin) => twin < l && wish === wishes[l] && !order.includes(twin))) continue;
      order.push(l);
      grow(order);
      order.pop();
    }
  };
  grow([]);
  return orders;
}

/** Candidates by their bound, the sharper looked at first among equals; a binary heap. */
class LeastFirst {
  private readonly heap: Candidate[] = [];

  get size(): number {
    return this.heap.length;
  }

  peek(): Candidate | undefined {
    return this.heap[0];
  }

  least(): number {
    return this.heap[0]?.bound ?? Infinity;
  }

  add(candidate: Candidate): void {
    const { heap } = this;
    heap.push(candidate);
    for (let at = heap.length - 1; at > 0;) {
      const above = (at - 1) >> 1;
      if (!isBefore(heap[at]!, heap[above]!)) break;
      [heap[at], heap[above]] = [heap[above]!, heap[at]!];
      at = above;
    }
  }

  take(): Candidate | undefined {
    const { heap } = this;
    const first = heap[0];
    const last = heap.pop();
    if (!last || heap.length === 0) return first;
    heap[0] = last;
    for (let at = 0; ;) {
      let least = at;
      for (const below of [2 * at + 1, 2 * at + 2])
        if (below < heap.length && isBefore(heap[below]!, heap[least]!)) least = below;
      if (least === at) return first;
      [heap[at], heap[least]] = [heap[least]!, heap[at]!];
      at = least;
    }
  }
}

const isBefore = (a: Candidate, b: Candidate) => a.bound < b.bound || (a.bound === b.bound && a.stage > b.stage);
