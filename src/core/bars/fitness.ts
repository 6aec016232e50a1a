import { trimmed } from "../units/format";
import { isUsable, ratedTotalKg, valueOf, type Bar } from "./bar";
import { fitAt, isRefused, RACK_MARGIN_MM, rackFitText, type RackPlace } from "./rackSpan";

/** What a plan wants of a bar. */
export interface BarPlan {
  /** Total on the bar; null where no load is planned. */
  totalKg?: number | null;
  /** What the plan counted for the bar itself. */
  countedKg?: number | null;
  /** Where it lies in J-cups; null where it does not. */
  station?: RackPlace | null;
  /** Every station of the gym, for those that would take it. */
  stations?: readonly RackPlace[];
  marginMm?: number;
}

/** A bar's mass that differs from what a plan counted by more than this changes the plan, in kg. */
const MASS_CHANGED_KG = 0.005;

/**
 * Why nobody may lift with a bar at all: the one place that says so.
 *
 * @returns a sentence; null for a bar that may be lifted with
 */
export function outOfUseText(bar: Pick<Bar, "tag" | "state" | "stateReason">): string | null {
  if (isUsable(bar.state)) return null;
  const because = bar.stateReason ? `: ${bar.stateReason}` : "";
  switch (bar.state) {
    case "on-order":
      return `${bar.tag} is on order.`;
    case "retired":
      return `${bar.tag} is retired${because}.`;
    default:
      return `${bar.tag} is quarantined${because}.`;
  }
}

/**
 * Everything that breaks a plan with a bar as the bar is now: out of use, less rated than what is planned, a rack that
 * does not take it. Whatever names a bar asks when it is shown, so that no plan outlives its bar.
 *
 * @returns sentences, the gravest first; none where the plan holds
 */
export function planBreaks(bar: Bar, plan: BarPlan = {}): string[] {
  const { totalKg = null, station = null, stations = [], marginMm = RACK_MARGIN_MM } = plan;
  const out = outOfUseText(bar);
  if (out) return [out];
  const rated = ratedTotalKg(bar);
  return [
    ...(totalKg !== null && rated !== null && totalKg > rated + 1e-9
      ? [`${bar.tag} may carry ${trimmed(rated, 1)} kg; ${trimmed(totalKg, 1)} kg is planned.`]
      : []),
    ...(station ? stationOut(station) : []),
    ...(totalKg !== null && station ? overStation(station, totalKg) : []),
    ...(station && isRefused(fitAt(bar, station, marginMm))
      ? [`${bar.tag} ${rackFitText(bar, station, stations, marginMm)}.`]
      : []),
  ];
}

/**
 * Whether a station is out of use.
 *
 * @returns a sentence, or none where it is sound
 */
export const stationOut = ({ name, outOfUse }: Pick<RackPlace, "name" | "outOfUse">): string[] =>
  outOfUse ? [`${name} is out of use: ${outOfUse}.`] : [];

/**
 * Whether a load is more than its station may hold.
 *
 * @returns a sentence, or none where it holds or nobody said what it holds
 */
export function overStation({ name, ratedKg }: Pick<RackPlace, "name" | "ratedKg">, totalKg: number): string[] {
  if (ratedKg === undefined || ratedKg === null || totalKg <= ratedKg + 1e-9) return [];
  return [`${name} holds ${trimmed(ratedKg, 1)} kg at most; ${trimmed(totalKg, 1)} kg is planned.`];
}

/**
 * What should be known of a plan's bar and breaks nothing: under watch, found wrong, weighed anew.
 *
 * @param findings open ones, as they were noted.
 * @returns sentences
 */
export function planWarnings(bar: Bar, findings: readonly string[], { countedKg = null }: BarPlan = {}): string[] {
  const massKg = valueOf(bar, "mass");
  return [
    ...(bar.state === "watch" ? [`${bar.tag} is under watch${bar.stateReason ? `: ${bar.stateReason}` : ""}.`] : []),
    ...(findings.length > 0 ? [`${bar.tag}: ${findings.slice(0, 3).join("; ")}. Not resolved.`] : []),
    ...(countedKg !== null && massKg !== null && Math.abs(massKg - countedKg) > MASS_CHANGED_KG
      ? [`${bar.tag} weighs ${trimmed(massKg, 2)} kg now; the plan counted ${trimmed(countedKg, 2)} kg. Plan again.`]
      : []),
  ];
}
