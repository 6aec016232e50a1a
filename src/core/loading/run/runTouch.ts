import { massUnitsFromKg } from "../../units/exactMass";
import type { SetEffort } from "./runState";
import type { RunStep } from "./runStep";

export const RUN_TOUCHES = ["done", "skip", "load", "reopen", "effort"] as const;

/** A touch on the run sheet as it travels: kilograms, not units. */
export interface RunTouch {
  kind: (typeof RUN_TOUCHES)[number];
  set: string;
  /** For "done": the plates that were on each side, inside first. */
  perSide?: readonly string[];
  /** For "load": total on the bar. */
  targetKg?: number;
  /** For "effort": how it went. */
  effort?: SetEffort;
}

/**
 * What a touch of a tablet does to a run.
 *
 * @returns the step that a touch means, with the load in mass units
 */
export function stepOfTouch({ kind, set, perSide = [], targetKg = 0, effort }: RunTouch): RunStep {
  switch (kind) {
    case "done":
      return { kind, set, perSide };
    case "load":
      return { kind, set, targetUnits: massUnitsFromKg(targetKg) };
    case "effort":
      return { kind, set, effort: effort! };
    default:
      return { kind, set };
  }
}
