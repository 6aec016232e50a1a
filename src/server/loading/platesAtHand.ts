import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { countedPlateUnits } from "@/core/equipment/countedMass";
import { plateWeights } from "@/data/schema";
import type { Context } from "@/server/access";
import { type PlateRow, listPlates, plateKindOf } from "@/server/equipment";
import { matchingRules } from "@/server/rules";
import { activeRuns } from "./activeRuns";

/** Pairs of a plate that another session has on its bar, or will need. */
export interface HeldPlates {
  runId: string;
  /** The station, or the bar where there is none. */
  where: string;
  /** On the bar now. */
  now: number;
  /** At most from now on. */
  most: number;
}

/** A plate as it counts in sums, with what other sessions hold of it. */
export interface PlateAtHand {
  row: PlateRow;
  /** By the house's rule: the mean of what was weighed, or as stamped. */
  massUnits: number;
  isWeighed: boolean;
  held: HeldPlates[];
}

/** Every plate of the hall by key, heaviest first, as the house counts it and as sessions that are on leave it. */
export async function platesAtHand(context: Context, exceptRun?: string): Promise<Map<string, PlateAtHand>> {
  const [{ items: rows }, { policies }, runs] = await Promise.all([
    listPlates(context),
    matchingRules(context),
    activeRuns(context),
  ]);
  const isExact = policies.mass !== "rounded";
  const weighed = isExact
    ? groupBy(await context.hall.rows(plateWeights), ({ plateId }) => plateId)
    : new Map<string, never>();
  return new Map(
    rows.map((row) => {
      const own = (weighed.get(row.id) ?? []).map(({ massUnits }: { massUnits: number }) => massUnits);
      const held = runs.flatMap(({ id, where, now, most }) =>
        id !== exceptRun && (most.get(row.key) ?? 0) > 0
          ? [{ runId: id, where, now: now.get(row.key) ?? 0, most: most.get(row.key)! }]
          : [],
      );
      return [row.key, { row, massUnits: countedPlateUnits(row.massUnits, own), isWeighed: own.length > 0, held }];
    }),
  );
}

/** Pairs that are left of a plate: now, or throughout what other sessions still plan. */
export const pairsAtHand = ({ row, held }: PlateAtHand, when: "now" | "throughout") =>
  Math.max(0, row.pairs - held.reduce((sum, one) => sum + (when === "now" ? one.now : one.most), 0));

/** A plate as the loading takes it, by counted mass and pairs at hand. */
export const plateKindAtHand = (plate: PlateAtHand, pairs: number) => ({
  ...plateKindOf(plate.row),
  massUnits: plate.massUnits,
  pairs,
});
