import type { PlanPlate, PlanSet, SessionPlan, SessionQuestion } from "./sessionQuestion";

/** A set at a station: when it begins, whose it is, and in which round; its plates stay on until the next one. */
export interface StationSet extends PlanSet {
  /** Minutes from the start. */
  atMinutes: number;
  /** Lifters of a station may change places, the same in every round, where both are said. */
  lifter?: number;
  round?: number;
}

/** One station's session: its own bar, the hall's plates, and when each set begins. */
export interface StationQuestion extends Omit<SessionQuestion, "plates" | "sets"> {
  key: string;
  sets: readonly StationSet[];
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
  /** The cheapest remedy in time: from when on the plates are free as long as the set takes; null when never. */
  freeAtMinutes: number | null;
}

export interface PoolPlan {
  stations: {
    key: string;
    plan: SessionPlan;
    /** The sets in the order they are lifted, with their times; other than asked where lifters changed places. */
    sets: readonly StationSet[];
    isReordered: boolean;
  }[];
  /** Plates handled a side, all stations. */
  handled: number;
  /** Least that all stations together would handle if each had every plate to itself, as they were asked. */
  lowerBound: number;
  shortages: Shortage[];
}

/**
 * From when until when the plates of a set are on its bar.
 *
 * @returns minutes from the start of the class
 */
export function spanOf({ sets, endsAtMinutes }: StationQuestion, i: number): readonly [number, number] {
  return [sets[i]!.atMinutes, sets[i + 1]?.atMinutes ?? endsAtMinutes];
}

/**
 * Pairs of each plate that the other stations leave throughout a span of time.
 *
 * @returns pairs by plate
 */
export function leftThroughout(
  plates: readonly PlanPlate[],
  stations: readonly StationQuestion[],
  plans: readonly (SessionPlan | null)[],
  s: number,
  [from, to]: readonly [number, number],
): number[] {
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
