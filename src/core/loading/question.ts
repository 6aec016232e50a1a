import type { MassUnits } from "../units/exactMass";
import type { Ending, IronToRubber } from "./endings";
import type { StackOrder } from "./plan/sessionQuestion";
import type { PlateKind } from "./plateKind";

export const ROUNDINGS = ["at-or-below", "nearest"] as const;
export type Rounding = (typeof ROUNDINGS)[number];

/** A wished load and what there is to make it of. All masses in whole units of 10⁻¹⁰ kg. */
export interface LoadQuestion {
  targetUnits: MassUnits;
  barUnits: MassUnits;
  /** Both clamps together; 0 without clamps. */
  clampPairUnits: MassUnits;
  /** Loadable sleeve less the clamp, in mm; null when unknown. */
  roomMm: number | null;
  /** The most the bar may carry in total; null when unknown. */
  ratedUnits: MassUnits | null;
  plates: readonly PlateKind[];
  ending: Ending;
  ironToRubber?: IronToRubber;
  maxKgPerRubberMm?: number;
  rounding: Rounding;
  /** Loads within this of the nearest count as equally near. */
  toleranceUnits: MassUnits;
  /**
   * The floor's tolerance (handbook §10): loads within this of the target, either way, are all as good as the target; where
   * none is, the nearest, above or below. Rounding and `toleranceUnits` then say nothing. Absent for neither.
   */
  floorUnits?: MassUnits;
  /** "any" when absent: only a bar that is loaded already can tell the difference. */
  order?: StackOrder;
  /** Plates on each side now, inside first; null when the bar is not loaded or nobody cares. */
  onBar: readonly string[] | null;
}
