/** Stops of a round of changes, each done in one of several ways. */
export interface QuickestOrder<S> {
  /** Indices of the stops, in the order they are visited. */
  order: number[];
  /** The way chosen for each, in that order. */
  ways: S[];
  /** Sum of all changes, the first from how it stands included. */
  cost: number;
}

/** Orders are found exactly up to so many stops: nobody drops a set farther. */
export const MAX_STOPS = 8;

/**
 * The order of some stops, and the way each is done, with the least changes in all: exact, by dynamic programming over
 * the sets of stops visited (Held and Karp 1962), each stop being any one of its ways.
 *
 * @param stops ways of each stop; every stop has at least one
 * @param start how it stands now; null where that does not matter
 * @param cost of one change
 * @param isFixed keeps the stops in the order given and only chooses the ways
 * @throws RangeError for more stops than `MAX_STOPS`, unless their order is fixed
 * @returns the order, the ways and their cost; of no stops nothing
 */
export function quickestOrder<S>(
  stops: readonly (readonly S[])[],
  start: S | null,
  cost: (from: S, to: S) => number,
  isFixed = false,
): QuickestOrder<S> {
  if (stops.length === 0) return { order: [], ways: [], cost: 0 };
  if (!isFixed && stops.length > MAX_STOPS) throw new RangeError(`more than ${MAX_STOPS} stops`);
  const first = (way: S) => (start === null ? 0 : cost(start, way));
  return isFixed ? inOrder(stops, first, cost) : anyOrder(stops, first, cost);
}

interface Reached {
  cost: number;
  /** The stop and way before; null at the first. */
  from: { set: number; stop: number; way: number } | null;
}

function anyOrder<S>(
  stops: readonly (readonly S[])[],
  first: (way: S) => number,
  cost: (from: S, to: S) => number,
): QuickestOrder<S> {
  const whole = (1 << stops.length) - 1;
  const best = new Map<string, Reached>();
  const key = (set: number, stop: number, way: number) => `${set} ${stop} ${way}`;
  stops.forEach((ways, stop) =>
    ways.forEach((way, i) => best.set(key(1 << stop, stop, i), { cost: first(way), from: null })),
  );
  for (let set = 1; set <= whole; set += 1)
    stops.forEach((ways, stop) => {
      if (!(set & (1 << stop))) return;
      ways.forEach((way, i) => {
        const reached = best.get(key(set, stop, i));
        if (!reached) return;
        stops.forEach((next, to) => {
          if (set & (1 << to)) return;
          next.forEach((other, j) => {
            const total = reached.cost + cost(way, other);
            const there = key(set | (1 << to), to, j);
            const known = best.get(there);
            if (!known || total < known.cost) best.set(there, { cost: total, from: { set, stop, way: i } });
          });
        });
      });
    });
  let end: { stop: number; way: number; cost: number } | null = null;
  stops.forEach((ways, stop) =>
    ways.forEach((_, way) => {
      const reached = best.get(key(whole, stop, way))!;
      if (!end || reached.cost < end.cost) end = { stop, way, cost: reached.cost };
    }),
  );
  const { cost: total } = end!;
  const path: { stop: number; way: number }[] = [];
  let at: { set: number; stop: number; way: number } | null = {
    set: whole,
    ...(end! as { stop: number; way: number }),
  };
  while (at) {
    path.unshift({ stop: at.stop, way: at.way });
    at = best.get(key(at.set, at.stop, at.way))!.from;
  }
  return { order: path.map(({ stop }) => stop), ways: path.map(({ stop, way }) => stops[stop]![way]!), cost: total };
}

function inOrder<S>(
  stops: readonly (readonly S[])[],
  first: (way: S) => number,
  cost: (from: S, to: S) => number,
): QuickestOrder<S> {
  let costs = stops[0]!.map(first);
  const before: number[][] = [];
  for (let i = 1; i < stops.length; i += 1) {
    const from: number[] = [];
    costs = stops[i]!.map((way, j) => {
      let least = Infinity;
      stops[i - 1]!.forEach((other, k) => {
        const total = costs[k]! + cost(other, way);
        if (total < least) [least, from[j]] = [total, k];
      });
      return least;
    });
    before.push(from);
  }
  let way = costs.indexOf(Math.min(...costs));
  const total = costs[way]!;
  const chosen = [way];
  for (let i = before.length - 1; i >= 0; i -= 1) chosen.unshift((way = before[i]![way]!));
  return {
    order: stops.map((_, i) => i),
    ways: chosen.map((j, i) => stops[i]![j]!),
    cost: total,
  };
}
