import "server-only";
import { cache } from "react";
import type { QuantityKind } from "@/core/bars/quantities";
import { type Tolerances, tolerancesFrom } from "@/core/bars/tolerances";
import { readMeasuring } from "@/core/house/measuring";
import { NOTICEABLE_MM } from "@/core/whip/compareWhip";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

/** What the house decides about measuring and comparing. */
export interface MeasuringRules {
  tolerances: Tolerances;
  /** A difference in slack below this is not noticed, in mm. */
  noticeableMm: number;
  /** The version to name when changing them; 0 while the house has the starting values. */
  version: number;
}

/** Under this the house's rules for measuring and comparing are stored. */
export const MEASURING_KEY = "measuring";

/** The house's rules for measuring and comparing, read once a request; starting values where it decided nothing. */
export const measuringRules = cache(async (context: Context): Promise<MeasuringRules> => {
  const { value, version } = await storedRule(context.hall, MEASURING_KEY);
  const saved = (value ?? {}) as { tolerances?: unknown; noticeableMm?: unknown };
  const { noticeableMm } = saved;
  return {
    tolerances: tolerancesFrom(saved.tolerances),
    noticeableMm: typeof noticeableMm === "number" && noticeableMm > 0 ? noticeableMm : NOTICEABLE_MM,
    version,
  };
});

/** Saves them: texts by quantity and for the noticeable difference; an empty text is the starting value. */
export async function saveMeasuringRules(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readMeasuring(texts);
  if (!read.ok) return failed("invalid", "The rules were not changed.", read.problems);
  const { value } = read;
  return keepRule(context, {
    ...{ key: MEASURING_KEY, value, version },
    action: `changed the rules for ${MEASURING_KEY}`,
    what: "the rules",
    before: (stored) => stored ?? null,
    differs: (stored) =>
      Object.entries((stored as { tolerances?: Record<string, number> } | undefined)?.tolerances ?? {})
        .filter(([kind, now]) => value.tolerances[kind as QuantityKind] !== now)
        .map(([path, now]) => ({ path, message: `it is now “${now}”` })),
  });
}
