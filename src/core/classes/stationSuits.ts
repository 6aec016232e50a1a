import type { Bar } from "../bars/bar";
import { BENCHED, fitAt, isRefused, OVERHEAD } from "../bars/rackSpan";
import type { Lift } from "../matching/lifts";

export type StationKind = "rack" | "bench" | "platform" | "floor";

export interface ClassStation {
  key: string;
  name: string;
  kind: StationKind;
  /** Between the J-cups; null where there are none or nobody measured. */
  supportSpacingMm: number | null;
  /** The most it may hold, bar and plates, in kg; absent or null where nobody said. */
  ratedKg?: number | null;
  /** Name of the place where bars hang nearest. */
  nearPlace: string | null;
}

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
 * Whether a bar lies in a station's J-cups, as `rackFit` says.
 *
 * @param marginMm to spare, both sides together
 * @returns true when it does, or when nothing that is known speaks against it
 */
export const fitsStation = (bar: Bar, station: ClassStation, marginMm?: number): boolean =>
  !isRefused(fitAt(bar, station, marginMm));
