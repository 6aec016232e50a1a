import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../../units/exactMass";
import { planSession } from "./planSession";
import { planStations, type PoolPlan, type PoolQuestion, type StationQuestion } from "./planStations";
import type { PlanPlate } from "./sessionQuestion";

const plate = (kg: number, pairs: number): PlanPlate => ({
  id: `p${kg}`,
  massUnits: massUnitsFromKg(kg),
  pairs,
  thicknessMm: 0,
});
/** Sets of five minutes each, one after the other, from a minute on. */
const station = (key: string, loads: readonly number[], from = 0): StationQuestion => ({
  key,
  barUnits: massUnitsFromKg(20),
  clampPairUnits: 0,
  roomMm: null,
  changesSetupEmpty: false,
  start: [],
  endsEmpty: true,
  sets: loads.map((kg, i) => ({
    id: `${key}${i}`,
    targetUnits: massUnitsFromKg(kg),
    setup: null,
    atMinutes: from + 5 * i,
  })),
  endsAtMinutes: from + 5 * loads.length,
});
const planned = (question: PoolQuestion): PoolPlan => planStations(question)!;

/** The most pairs of each plate that are on bars at once, minute by minute: slow and obvious. */
function fullest({ plates, stations }: PoolQuestion, plan: PoolPlan): number[] {
  const most = plates.map(() => 0);
  for (let minute = 0; minute < 60; minute += 1) {
    const held = plates.map(() => 0);
    stations.forEach(({ sets, endsAtMinutes }, s) => {
      const i = sets.findLastIndex(({ atMinutes }) => atMinutes <= minute);
      if (i < 0 || minute >= endsAtMinutes) return;
      for (const id of plan.stations[s]!.plan.sets[i]!.perSide) {
        const k = plates.findIndex((one) => one.id === id);
        held[k] = held[k]! + 1;
      }
    });
    held.forEach((n, k) => (most[k] = Math.max(most[k]!, n)));
  }
  return most;
}

describe("all stations with one pool of plates", () => {
  it("with plates enough is each station's own plan", () => {
    const plates = [plate(20, 6), plate(10, 6), plate(5, 6)];
    const stations = [station("a", [60, 80, 100]), station("b", [50, 90, 70])];
    const plan = planned({ plates, stations });
    expect(plan.shortages).toEqual([]);
    expect(plan.handled).toBe(plan.lowerBound);
    expect(plan.handled).toBe(stations.reduce((sum, one) => sum + planSession({ ...one, plates }).handled, 0));
  });
  it("makes a load of other plates when a neighbour has the usual ones", () => {
    const question = { plates: [plate(20, 1), plate(10, 2)], stations: [station("a", [60]), station("b", [60])] };
    const plan = planned(question);
    expect(plan.shortages).toEqual([]);
    expect(plan.stations.map((one) => one.plan.sets[0]!.perSide).sort()).toEqual([["p10", "p10"], ["p20"]]);
  });
  it("says what is missing, when, and who holds it: a session short of tens", () => {
    const question = { plates: [plate(20, 2), plate(10, 1)], stations: [station("a", [80]), station("b", [80], 2)] };
    const { shortages } = planned(question);
    expect(shortages).toHaveLength(1);
    const [short] = shortages;
    expect(short!.missing).toEqual([{ id: "p10", pairs: 1 }]);
    expect(short!.wishedUnits - short!.achievedUnits).toBe(massUnitsFromKg(20));
    expect(short!.heldBy).toEqual([short!.station === "a" ? "b" : "a"]);
    expect([0, 2]).toContain(short!.atMinutes);
  });
  it("takes plates that are free again, and not before", () => {
    const plates = [plate(20, 1)];
    expect(planned({ plates, stations: [station("a", [60]), station("b", [60], 5)] }).shortages).toEqual([]);
    expect(planned({ plates, stations: [station("a", [60]), station("b", [60], 4)] }).shortages).toHaveLength(1);
  });
  it("tells how far it is and stops when asked to", () => {
    const question = { plates: [plate(20, 2)], stations: [station("a", [60]), station("b", [60])] };
    const told: number[] = [];
    expect(planStations(question, { onProgress: (share) => told.push(share) > 0 })).not.toBeNull();
    expect(told[0]).toBe(0);
    expect(told.at(-1)).toBe(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    expect(planStations(question, { onProgress: (share) => share < 0.3 })).toBeNull();
  });
  it("never has a plate too many on bars, loads nothing over its target, and is short only where it says so", () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 4, maxLength: 4 }),
        fc.array(
          fc.record({
            loads: fc.array(fc.integer({ min: 8, max: 48 }), { minLength: 1, maxLength: 4 }),
            from: fc.integer({ min: 0, max: 12 }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (pairs, asked) => {
          const plates = [20, 10, 5, 2.5].map((kg, k) => plate(kg, pairs[k]!));
          const stations = asked.map(({ loads, from }, s) =>
            station(
              "abcd"[s]!,
              loads.map((n) => 2.5 * n),
              from,
            ),
          );
          const question = { plates, stations };
          const plan = planned(question);
          fullest(question, plan).forEach((most, k) => expect(most).toBeLessThanOrEqual(plates[k]!.pairs));
          stations.forEach((one, s) => {
            const alone = planSession({ ...one, plates });
            plan.stations[s]!.plan.sets.forEach(({ id, achievedUnits }, i) => {
              const isShort = plan.shortages.some(({ set }) => set === id);
              expect(achievedUnits < alone.sets[i]!.achievedUnits).toBe(isShort);
            });
          });
          for (const { missing } of plan.shortages) expect(missing.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 150 },
    ));
});
