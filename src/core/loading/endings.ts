import { kgFromMassUnits, type MassUnits } from "../units/exactMass";
import type { Side } from "./side";

/** How a set ends. What may be mixed on the bar depends on it. */
export const ENDINGS = ["racked", "lowered", "dropped"] as const;
export type Ending = (typeof ENDINGS)[number];

/** Iron's share of the rubber's mass when dropping: a warning above `warn`, refused above `refuse`. */
export interface IronToRubber {
  warn: number;
  refuse: number;
}

/** Common practice, no source: 20 % to some, 30 % to others; a house rule. */
export const IRON_TO_RUBBER: IronToRubber = { warn: 0.2, refuse: 0.3 };

/** Mass a millimetre of full-diameter rubber may have to catch, kg/mm over both sides. House rule to start from. */
export const MAX_KG_PER_RUBBER_MM = 1.6;

/** Half a unit of 10⁻¹⁰ kg: a share that is exactly the limit is not over it, whatever the double says. */
const HALF_UNIT = 0.5;

export type DropVerdict = "fine" | "warn" | "refuse";

/**
 * Whether a side may be dropped by the house's share of iron to rubber. Iron alone never; a bare bar may.
 *
 * @returns "fine", "warn" or "refuse"
 *
 * @example 20 kg rubber with 5 kg iron a side is 25 %: "warn" at 20/30.
 */
export function ironShareVerdict(side: Pick<Side, "ironUnits" | "rubberUnits">, rule: IronToRubber): DropVerdict {
  if (side.ironUnits === 0) return "fine";
  if (side.ironUnits > side.rubberUnits * rule.refuse + HALF_UNIT || side.rubberUnits === 0) return "refuse";
  return side.ironUnits > side.rubberUnits * rule.warn + HALF_UNIT ? "warn" : "fine";
}

/**
 * Whether enough full-diameter rubber carries the blow: total mass over rubber width at full diameter.
 * A width of 0 with rubber on the bar means that nobody measured it: "unknown".
 *
 * @returns true, false, or "unknown"
 */
export function isBlowCarried(side: Side, totalUnits: MassUnits, maxKgPerMm: number): boolean | "unknown" {
  if (side.plates === 0) return true;
  if (side.fullRubberWidthMm === 0) return side.rubberUnits > 0 ? "unknown" : false;
  return kgFromMassUnits(totalUnits) / (2 * side.fullRubberWidthMm) <= maxKgPerMm;
}
