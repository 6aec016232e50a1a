import { massUnitsFromKg } from "../../units/exactMass";
import type { RunStep } from "./runStep";

export const RUN_TOUCHES = ["done", "skip", "load", "reopen"] as const;

/** A touch on the run sheet as it travels: kilograms, not units. */
export interface RunTouch {
  kind: (typeof RUN_TOUCHES)[number];
  set: string;
  /** For "done": the plates that were on each side, inside first. */
  perSide?: readonly string[];
  /** For "load": total on the bar. */
  targetKg?: number;
}

/**
 * What a touch of a tablet does to a run.
 *
 * @returns the step that a touch means, with the load in mass units
 */
export function stepOfTouch({ kind, set, perSide = [], targetKg = 0 }: RunTouch): RunStep {
  switch (kind) {
    case "done":
      return { kind, set, perSide };
    case "load":
      return { kind, set, targetUnits: massUnitsFromKg(targetKg) };
    default:
      return { kind, set };
  }
}
