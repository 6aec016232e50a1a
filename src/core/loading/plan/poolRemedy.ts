import { planStations, type PoolOptions } from "./planStations";
import type { PoolPlan, PoolQuestion, Shortage } from "./poolQuestion";

/** Plates to lay out beside those there are, so that nothing is short, and the plan with them. */
export interface PoolRemedy {
  pairs: { id: string; pairs: number }[];
  plan: PoolPlan;
}

const MAX_STEPS = 10;

/** Tried at most for each pair that is added, and for each that is left out again. */
const ADDING: PoolOptions = { repairs: 24 };
const LEAVING_OUT: PoolOptions = { passes: 1, repairs: 16 };

/**
 * What to fetch so that no set is short by a felt amount: what the worst shortage misses is added and what is short is
 * planned again, until nothing is. Then of each plate one pair is left out again where it is not needed. Null when some
 * pairs do not do it. Not proven to be the least.
 *
 * @returns pairs by plate to bring and the plan with them; null when nothing is short or nothing helps
 */
export function poolRemedy(question: PoolQuestion, plan: PoolPlan, feltUnits: number): PoolRemedy | null {
  const lackOf = ({ wishedUnits, achievedUnits }: Shortage) => wishedUnits - achievedUnits;
  const shortOf = (one: PoolPlan) => one.shortages.filter((short) => lackOf(short) >= feltUnits);
  // What each set could have with the plates there are; more plates are no reason to wish for more.
  const short = new Map(plan.shortages.map(({ set, wishedUnits }) => [set, wishedUnits]));
  const wished = new Map(
    plan.stations.flatMap((one) =>
      one.plan.sets.map(({ id, achievedUnits }) => [id, short.get(id) ?? achievedUnits] as const),
    ),
  );
  const extra = new Map<string, number>();
  const withExtra = (options: PoolOptions) => {
    const plates = question.plates.map((one) => ({ ...one, pairs: one.pairs + (extra.get(one.id) ?? 0) }));
    return planStations({ ...question, plates }, { ...options, wished })!;
  };
  let now = plan;
  for (let step = 0; step < MAX_STEPS && shortOf(now).length > 0; step += 1) {
    const worst = shortOf(now).reduce((a, b) => (lackOf(b) > lackOf(a) ? b : a));
    for (const { id, pairs } of worst.missing) extra.set(id, (extra.get(id) ?? 0) + pairs);
    now = withExtra({ ...ADDING, from: now });
  }
  if (shortOf(now).length > 0 || extra.size === 0) return null;
  for (const id of extra.keys()) {
    extra.set(id, extra.get(id)! - 1);
    const less = withExtra(LEAVING_OUT);
    if (shortOf(less).length === 0) now = less;
    else extra.set(id, extra.get(id)! + 1);
  }
  return { pairs: [...extra].flatMap(([id, pairs]) => (pairs > 0 ? [{ id, pairs }] : [])), plan: now };
}
