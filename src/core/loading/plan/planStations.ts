import { planSession, sideWaysOf } from "./planSession";
import type { PlanPlate, PlanSet, SessionPlan, SessionQuestion } from "./sessionQuestion";

/** One station's session: its own bar, the hall's plates, and when each set begins. */
export interface StationQuestion extends Omit<SessionQuestion, "plates" | "sets"> {
  key: string;
  /** Minutes from the start of the session at which each set begins; its plates stay on until the next one. */
  sets: readonly (PlanSet & { atMinutes: number })[];
  /** When the last set is over and the bar is empty. */
  endsAtMinutes: number;
}

export interface PoolQuestion {
  /** What the whole hall shares. */
  plates: readonly PlanPlate[];
  stations: readonly StationQuestion[];
}

/** A set that cannot be loaded as it could be with all plates to itself. */
export interface Shortage {
  station: string;
  set: string;
  atMinutes: number;
  /** What it gets, less than what it could have; both total on the bar, in units. */
  achievedUnits: number;
  wishedUnits: number;
  /** The cheapest remedy in plates: pairs that would have to be there at that moment, by plate id. */
  missing: { id: string; pairs: number }[];
  /** Stations that hold such plates at that moment. */
  heldBy: string[];
}

export interface PoolPlan {
  stations: { key: string; plan: SessionPlan }[];
  /** Plates handled a side, all stations. */
  handled: number;
  /** Least that all stations together would handle if each had every plate to itself. */
  lowerBound: number;
  shortages: Shortage[];
}

export interface PoolOptions {
  /** Told how much of the work is done, from 0 to 1; answers whether to go on. */
  onProgress?: (share: number) => boolean;
  /** How often stations are planned again around the others. */
  passes?: number;
}

/**
 * All stations at once with one pool of plates: at no moment are more of a plate on bars than there are. Stations are
 * planned one after the other around what the others hold, those that move most mass first, then again in turn while
 * that spares plates or fills a shortage. What remains short is said set by set. Null when it was cancelled.
 */
export function planStations({ plates, stations }: PoolQuestion, options: PoolOptions = {}): PoolPlan | null {
  const { onProgress = () => true, passes = 2 } = options;
  const alone = stations.map((station) => planSession({ ...station, plates }));
  const mass = (plan: SessionPlan) => plan.sets.reduce((sum, { achievedUnits }) => sum + achievedUnits, 0);
  const order = stations.map((_, s) => s).sort((a, b) => mass(alone[b]!) - mass(alone[a]!) || a - b);
  const plans: (SessionPlan | null)[] = stations.map(() => null);
  const rounds = 1 + passes;
  let steps = 0;
  for (let round = 0; round < rounds; round += 1)
    for (const s of order) {
      if (!onProgress(steps / (rounds * stations.length))) return null;
      steps += 1;
      const station = stations[s]!;
      const fresh = planSession({
        ...station,
        plates,
        sets: station.sets.map((set, i) => ({ ...set, pairs: leftFor(plates, stations, plans, s, i) })),
      });
      const known = plans[s];
      // Around the others as they are now this is the least; it replaces only what it betters.
      if (!known || mass(fresh) > mass(known) || (mass(fresh) === mass(known) && fresh.handled < known.handled))
        plans[s] = fresh;
    }
  onProgress(1);
  const done = plans.map((plan) => plan!);
  return {
    stations: stations.map(({ key }, s) => ({ key, plan: done[s]! })),
    handled: done.reduce((sum, { handled }) => sum + handled, 0),
    lowerBound: alone.reduce((sum, { lowerBound }) => sum + lowerBound, 0),
    shortages: stations.flatMap((_, s) => shortagesOf(plates, stations, done, alone[s]!, s)),
  };
}

/** From when until when the plates of a set are on its bar. */
function spanOf({ sets, endsAtMinutes }: StationQuestion, i: number): readonly [number, number] {
  return [sets[i]!.atMinutes, sets[i + 1]?.atMinutes ?? endsAtMinutes];
}

/** Pairs of each plate that the other stations leave throughout a set. */
function leftFor(
  plates: readonly PlanPlate[],
  stations: readonly StationQuestion[],
  plans: readonly (SessionPlan | null)[],
  s: number,
  i: number,
): number[] {
  const [from, to] = spanOf(stations[s]!, i);
  const left = plates.map(({ pairs }) => pairs);
  const place = new Map(plates.map(({ id }, k) => [id, k]));
  const others = stations.flatMap((station, o) => {
    const plan = plans[o];
    if (o === s || !plan) return [];
    return plan.sets.flatMap(({ perSide }, j) => {
      const [begins, ends] = spanOf(station, j);
      return begins < to && ends > from ? [{ begins, ends, perSide }] : [];
    });
  });
  // What is held at once changes only when a set begins: the fullest of those moments counts, plate by plate.
  const moments = [from, ...others.map(({ begins }) => begins).filter((at) => at > from)];
  for (const at of moments) {
    const held = plates.map(() => 0);
    for (const { begins, ends, perSide } of others)
      if (begins <= at && ends > at) for (const id of perSide) held[place.get(id)!] = held[place.get(id)!]! + 1;
    plates.forEach(({ pairs }, k) => (left[k] = Math.min(left[k]!, Math.max(0, pairs - held[k]!))));
  }
  return left;
}

function shortagesOf(
  plates: readonly PlanPlate[],
  stations: readonly StationQuestion[],
  plans: readonly SessionPlan[],
  alone: SessionPlan,
  s: number,
): Shortage[] {
  const station = stations[s]!;
  const ways = sideWaysOf({ ...station, plates });
  return plans[s]!.sets.flatMap(({ id, achievedUnits }, i): Shortage[] => {
    const wishedUnits = alone.sets[i]!.achievedUnits;
    if (achievedUnits >= wishedUnits) return [];
    const left = leftFor(plates, stations, plans, s, i);
    // Of all ways to make the load the one that lacks fewest pairs, then the least mass.
    let best: number[] | null = null;
    let least = [Infinity, Infinity];
    for (const way of ways[i]!.ways) {
      const lacks = plates.map((_, k) => Math.max(0, way[k]! - left[k]!));
      const pairs = lacks.reduce((sum, n) => sum + n, 0);
      const mass = lacks.reduce((sum, n, k) => sum + n * plates[k]!.massUnits, 0);
      if (pairs < least[0]! || (pairs === least[0] && mass < least[1]!)) [best, least] = [lacks, [pairs, mass]];
    }
    const missing = plates.flatMap(({ id: plate }, k) => (best?.[k] ? [{ id: plate, pairs: best[k]! }] : []));
    const [from, to] = spanOf(station, i);
    const heldBy = stations.flatMap(({ key }, o) => {
      const holds =
        o !== s &&
        plans[o]!.sets.some(({ perSide }, j) => {
          const [begins, ends] = spanOf(stations[o]!, j);
          return begins < to && ends > from && missing.some((one) => perSide.includes(one.id));
        });
      return holds ? [key] : [];
    });
    return [
      {
        station: station.key,
        set: id,
        atMinutes: station.sets[i]!.atMinutes,
        achievedUnits,
        wishedUnits,
        missing,
        heldBy,
      },
    ];
  });
}
