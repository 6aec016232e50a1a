import { sideWaysOf } from "./sessionWays";
import { leftThroughout, spanOf, type Shortage, type StationQuestion } from "./poolQuestion";
import type { PlanPlate, SessionPlan } from "./sessionQuestion";

/**
 * What one station's sets lack against having every plate to themselves: which plates, when, who holds them.
 *
 * @returns for each short set what it gets and could have in mass units, pairs by plate that are missing, and minutes from the start of the class
 */
export function shortagesOf(
  plates: readonly PlanPlate[],
  stations: readonly StationQuestion[],
  plans: readonly SessionPlan[],
  wished: ReadonlyMap<string, number>,
  s: number,
): Shortage[] {
  const station = stations[s]!;
  const plan = plans[s]!;
  if (plan.sets.every(({ id, achievedUnits }) => achievedUnits >= wished.get(id)!)) return [];
  const ways = sideWaysOf({ ...station, plates });
  return plan.sets.flatMap(({ id, achievedUnits }, i): Shortage[] => {
    const wishedUnits = wished.get(id)!;
    if (achievedUnits >= wishedUnits) return [];
    const span = spanOf(station, i);
    const left = leftThroughout(plates, stations, plans, s, span);
    const lacks = fewestLacking(plates, ways[i]!.ways, left);
    const missing = plates.flatMap(({ id: plate }, k) => (lacks[k]! > 0 ? [{ id: plate, pairs: lacks[k]! }] : []));
    const [from, to] = span;
    const heldBy = stations.flatMap(({ key }, o) => {
      const holds =
        o !== s &&
        plans[o]!.sets.some(({ perSide }, j) => {
          const [begins, ends] = spanOf(stations[o]!, j);
          return begins < to && ends > from && missing.some((one) => perSide.includes(one.id));
        });
      return holds ? [key] : [];
    });
    const isFreeFrom = (at: number) => {
      const then = leftThroughout(plates, stations, plans, s, [at, at + to - from]);
      return ways[i]!.ways.some((way) => way.every((n, k) => n <= then[k]!));
    };
    const changes = stations
      .flatMap((other, o) => (o === s ? [] : [...other.sets.map(({ atMinutes }) => atMinutes), other.endsAtMinutes]))
      .filter((at) => at > from)
      .sort((a, b) => a - b);
    return [
      {
        station: station.key,
        set: id,
        atMinutes: from,
        achievedUnits,
        wishedUnits,
        missing,
        heldBy,
        freeAtMinutes: changes.find(isFreeFrom) ?? null,
      },
    ];
  });
}

/** Of all ways to make a load the one that lacks fewest pairs, then the least mass; pairs lacking by plate. */
function fewestLacking(plates: readonly PlanPlate[], ways: readonly Uint8Array[], left: readonly number[]): number[] {
  let best = plates.map(() => 0);
  let [leastPairs, leastMass] = [Infinity, Infinity];
  for (const way of ways) {
    const lacks = plates.map((_, k) => Math.max(0, way[k]! - left[k]!));
    const pairs = lacks.reduce((sum, n) => sum + n, 0);
    const mass = lacks.reduce((sum, n, k) => sum + n * plates[k]!.massUnits, 0);
    if (pairs < leastPairs || (pairs === leastPairs && mass < leastMass))
      [best, leastPairs, leastMass] = [lacks, pairs, mass];
  }
  return best;
}
