import "server-only";
import { type Bar, ratedTotalKg, valueOf } from "@/core/bars/bar";
import { load } from "@/core/loading/load";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import type { Context } from "@/server/access";
import { matchingRules } from "@/server/rules";
import { plateKindAtHand, platesAtHand } from "./platesAtHand";

/** Rounds wished loads to what the gym's plates can make of them. */
export type Loadable = (bar: Bar, targetKg: number) => number | null;

/**
 * What a bar and the gym's plates make of a wished load by the floor's tolerance, bar included; the empty bar where it is
 * heavier. Null where nobody knows what the bar weighs. For plans of other days: what others hold today counts as there.
 */
export async function loadable(context: Context): Promise<Loadable> {
  const [atHand, { policies, loadToleranceKg }] = [await platesAtHand(context), await matchingRules(context)];
  // Nobody mixes units for a start.
  const plates = [...atHand.values()]
    .filter(({ row }) => row.massUnit === context.actor.massUnit)
    .map((plate) => plateKindAtHand(plate, plate.row.pairs));
  const known = new Map<string, number>();
  return (bar, targetKg) => {
    const barKg = valueOf(bar, "mass");
    if (barKg === null) return null;
    const countedKg = policies.mass === "rounded" ? Math.round(barKg) : barKg;
    if (targetKg <= countedKg) return countedKg;
    const key = `${bar.tag} ${targetKg.toFixed(2)}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const rated = ratedTotalKg(bar);
    const answer = load({
      targetUnits: massUnitsFromKg(Math.min(targetKg, rated ?? Infinity)),
      barUnits: massUnitsFromKg(countedKg),
      clampPairUnits: 0,
      roomMm: valueOf(bar, "sleeveLength"),
      ratedUnits: rated === null ? null : massUnitsFromKg(rated),
      plates,
      ending: "racked",
      rounding: "at-or-below",
      toleranceUnits: 0,
      floorUnits: massUnitsFromKg(loadToleranceKg),
      onBar: null,
    });
    const kg = answer.ok ? kgFromMassUnits(answer.achievedUnits) : countedKg;
    known.set(key, kg);
    return kg;
  };
}
