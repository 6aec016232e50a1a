import type { MassUnits } from "../../units/exactMass";

/** Plates that are alike, as far as a session's plan cares. */
export interface PlanPlate {
  id: string;
  massUnits: MassUnits;
  pairs: number;
  /** 0 when nobody said. */
  thicknessMm: number;
  /** For the order of plates of equal mass; absent or null when nobody said. */
  diameterMm?: number | null;
}

/**
 * The two schools of what a stack may look like: anything that is least handled, or larger inside, as most gyms teach:
 * going outwards no plate is heavier than the one inside it, and of equal mass none larger in diameter.
 */
export const STACK_ORDERS = ["any", "larger-inside"] as const;
export type StackOrder = (typeof STACK_ORDERS)[number];

/** One set of a session: what is wished on the bar, how it is set, and what is at hand at that moment. */
export interface PlanSet {
  id: string;
  /** Total on the bar. */
  targetUnits: MassUnits;
  /** Any words; on a bar that may only be changed empty, another setup than the set before empties both sleeves. */
  setup: string | null;
  /** Hole of the J-cups; counted where it changes. Absent or null where it does not matter. */
  cup?: number | null;
  /** Pairs at hand, by place in `plates`, where other stations hold some of them; absent when all are. */
  pairs?: readonly number[];
}

/** A session on one bar. All masses in whole units of 10⁻¹⁰ kg. */
export interface SessionQuestion {
  barUnits: MassUnits;
  clampPairUnits: MassUnits;
  /** Loadable sleeve less the clamp, in mm; null when unknown. */
  roomMm: number | null;
  changesSetupEmpty: boolean;
  plates: readonly PlanPlate[];
  sets: readonly PlanSet[];
  /** On each side before the first set, inside first. */
  start: readonly string[];
  /** Whether the sleeves are emptied after the last set, and that counts. */
  endsEmpty: boolean;
  /** Loads so far from the nearest at or below a target count as equal, also above the target; 0 when absent. */
  toleranceUnits?: MassUnits;
  /**
   * Whether the tolerance counts from the target, as on the floor (handbook §10): every load within it of the target,
   * either way, is as good; where there is none, the nearest, above or below. Else it counts from the nearest below.
   */
  isFloor?: boolean;
  /** The most the bar may carry in total, for loads above their target; unknown when absent or null. */
  ratedUnits?: MassUnits | null;
  /** "any" when absent. */
  order?: StackOrder;
}

export interface PlannedSet {
  id: string;
  achievedUnits: MassUnits;
  /** Achieved minus target. */
  errorUnits: MassUnits;
  /** Plate ids of one side, inside first. */
  perSide: string[];
}

export interface SessionPlan {
  sets: PlannedSet[];
  /** Plates taken off plus plates put on, one side, through the whole session. */
  handled: number;
  /** No plan handles fewer. */
  lowerBound: number;
  isProven: boolean;
}
