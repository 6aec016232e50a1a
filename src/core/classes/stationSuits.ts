import { valueOf, type Bar } from "../bars/bar";
import type { Lift } from "../matching/lifts";

export type StationKind = "rack" | "bench" | "platform" | "floor";

export interface ClassStation {
  key: string;
  name: string;
  kind: StationKind;
  /** Between the J-cups; null where there are none or nobody measured. */
  supportSpacingMm: number | null;
  /** Name of the place where bars hang nearest. */
  nearPlace: string | null;
}

const BENCHED = ["bench", "close-grip-bench"];
const OVERHEAD = ["overhead-press", "push-press", "jerk", "thruster"];

/**
 * Stations that a lift can be done at. Common practice, no source.
 *
 * @returns kinds, the usual one first
 */
export function stationKindsFor(lift: Lift): readonly StationKind[] {
  if (BENCHED.includes(lift.like)) return ["bench"];
  if (lift.contact !== "hands" || OVERHEAD.includes(lift.like)) return ["rack"];
  if (lift.ending === "dropped") return ["platform"];
  if (lift.start === "floor") return ["platform", "floor"];
  return lift.like === "triceps-extension" ? ["bench", "rack", "floor"] : ["rack", "platform", "floor"];
}

/**
 * Whether a bar lies in a station's J-cups: its shaft spans them, and the rack is as wide as the bar needs.
 *
 * @returns true when it does, or when nothing that is known speaks against it
 */
export function fitsStation(bar: Bar, { kind, supportSpacingMm }: ClassStation): boolean {
  if (kind === "platform" || kind === "floor") return true;
  if (bar.canBeRacked === false) return false;
  if (supportSpacingMm === null) return true;
  const [shaft, narrowest] = [valueOf(bar, "shaftLength"), valueOf(bar, "minRackWidth")];
  return (shaft === null || shaft > supportSpacingMm) && (narrowest === null || narrowest <= supportSpacingMm);
}
