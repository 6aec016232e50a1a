import type { Lift } from "../matching/lifts";
import { listed, trimmed } from "../units/format";
import { valueOf, type Bar } from "./bar";
import { FAMILIES } from "./families";
import { QUANTITIES, quantityLabel, type QuantityKind } from "./quantities";

/** Half a J-cup to spare at each side, both together, in mm; a house rule to start from (handbook §3). */
export const RACK_MARGIN_MM = 60;

/** The straight stretch of shaft that J-cups can hold, as widths across both sides, in mm; null where nobody knows. */
export interface RackSpan {
  innerMm: number | null;
  outerMm: number | null;
}

/** A station as far as a bar's rack span goes. */
export interface RackPlace {
  name: string;
  kind: "rack" | "bench" | "platform" | "floor";
  /** Between the J-cups' contact points; null where nobody measured. */
  supportSpacingMm: number | null;
  /** The most it may hold, bar and plates, in kg; absent or null where nobody said. */
  ratedKg?: number | null;
  /** Why nobody lifts there; absent or null where it is sound. */
  outOfUse?: string | null;
}

export type RackFit =
  | { answer: "fits" }
  /** It lies in no J-cups at all. */
  | { answer: "not-racked" }
  /** The J-cups are farther apart than its straight stretch reaches, or nearer than where it begins. */
  | { answer: "too-narrow" | "too-wide"; leastMm: number | null; mostMm: number | null }
  /** What to measure first. */
  | { answer: "unknown"; measure: QuantityKind[] };

/**
 * Where J-cups can hold a bar (handbook §3): from the outer edge of pads, handles, bow or frame to where the shaft bends
 * down to the sleeves, or to the collars' inner faces.
 *
 * @returns widths across both sides in mm
 */
export function rackSpanOf(bar: Bar): RackSpan {
  const { form } = FAMILIES[bar.family];
  const [inner, outer, shaft] = [
    valueOf(bar, "rackSpanInner"),
    valueOf(bar, "rackSpanOuter"),
    valueOf(bar, "shaftLength"),
  ];
  switch (form) {
    case "straight":
    case "zigzag":
      return { innerMm: inner ?? 0, outerMm: outer ?? shaft };
    case "yoke":
    case "cambered":
      // Racked on the raised part, which ends where the shaft drops to the sleeves.
      return { innerMm: inner, outerMm: outer ?? valueOf(bar, "yokeWidth") };
    case "bowed":
    case "frame":
    case "multi-grip":
      return { innerMm: inner, outerMm: outer ?? shaft };
  }
}

/**
 * Whether a bar lies in J-cups at all: as its record says, else the usual way of its family (handbook §4).
 *
 * @returns false for frames unless their record says otherwise
 */
export const isRackable = (bar: Bar): boolean => bar.canBeRacked ?? FAMILIES[bar.family].form !== "frame";

/**
 * Whether a bar lies in J-cups that are so far apart. The one answer that matching, setups, cards, classes, loading,
 * tipping and the wall screen give.
 *
 * @param spacingMm between the contact points
 * @param marginMm to spare, both sides together
 * @returns whether it fits, why not, or what to measure first
 */
export function rackFit(bar: Bar, spacingMm: number, marginMm = RACK_MARGIN_MM): RackFit {
  if (!isRackable(bar)) return { answer: "not-racked" };
  const { innerMm, outerMm } = rackSpanOf(bar);
  // A straight shaft begins in the middle: nothing there wants room.
  const leastMm = innerMm === null ? null : innerMm === 0 ? 0 : innerMm + marginMm;
  const mostMm = outerMm === null ? null : outerMm - marginMm;
  // A hair of a millimetre keeps no bar out.
  if (mostMm !== null && spacingMm > mostMm + 1e-6) return { answer: "too-narrow", leastMm, mostMm };
  if (leastMm !== null && spacingMm < leastMm - 1e-6) return { answer: "too-wide", leastMm, mostMm };
  if (leastMm !== null && mostMm !== null) return { answer: "fits" };
  return { answer: "unknown", measure: unknownOf(bar) };
}

function unknownOf(bar: Bar): QuantityKind[] {
  const { innerMm, outerMm } = rackSpanOf(bar);
  const { form } = FAMILIES[bar.family];
  const isRaised = form === "yoke" || form === "cambered";
  const outer: QuantityKind = isRaised ? "yokeWidth" : "shaftLength";
  return [...(innerMm === null ? (["rackSpanInner"] as const) : []), ...(outerMm === null ? [outer] : [])];
}

/**
 * Whether a station takes a bar; a platform or floor takes every bar, and where nobody measured the rack nothing speaks
 * against it.
 *
 * @returns null where nothing rests in J-cups, or the rack was not measured
 */
export function fitAt(bar: Bar, station: RackPlace, marginMm = RACK_MARGIN_MM): RackFit | null {
  if (station.kind === "platform" || station.kind === "floor") return null;
  if (station.supportSpacingMm === null) return isRackable(bar) ? null : { answer: "not-racked" };
  return rackFit(bar, station.supportSpacingMm, marginMm);
}

/**
 * Whether a fit is a refusal.
 *
 * @returns true where the bar does not lie in those J-cups
 */
export const isRefused = (fit: RackFit | null): boolean =>
  fit !== null && fit.answer !== "fits" && fit.answer !== "unknown";

/**
 * What is to be said of a bar at a station, naming those of the same kind that do take it: "too narrow for Rack 3 (…),
 * fits Rack 1 and Rack 2".
 *
 * @param others every station of the gym.
 * @returns a clause that the bar's tag can stand before; null where there is nothing to say
 */
export function rackFitText(
  bar: Bar,
  station: RackPlace,
  others: readonly RackPlace[],
  marginMm = RACK_MARGIN_MM,
): string | null {
  const fit = fitAt(bar, station, marginMm);
  if (!fit || fit.answer === "fits") return null;
  if (fit.answer === "not-racked") return "does not lie in J-cups";
  if (fit.answer === "unknown") return measureText(bar, fit.measure);
  const { leastMm, mostMm } = fit;
  const takes =
    leastMm === null || leastMm === 0
      ? mostMm! < 0
        ? "none"
        : `up to ${trimmed(mostMm!, 0)} mm`
      : mostMm === null
        ? `${trimmed(leastMm, 0)} mm or more`
        : `${trimmed(leastMm, 0)} to ${trimmed(mostMm, 0)} mm`;
  const fits = stationsThatFit(bar, others, station.kind, marginMm).map(({ name }) => name);
  return `is ${fit.answer === "too-wide" ? "too wide" : "too narrow"} for ${station.name} (J-cups ${trimmed(station.supportSpacingMm!, 0)} mm apart, the bar takes ${takes}); ${fits.length === 0 ? `fits no ${station.kind} here` : `fits ${listed(fits)}`}`;
}

/**
 * What is to be measured before anybody can say which racks take a bar.
 *
 * @returns a clause
 */
export function measureText(bar: Bar, kinds: readonly QuantityKind[]): string {
  const { form } = FAMILIES[bar.family];
  return `has an unknown rack span: measure ${listed(kinds.map((kind) => quantityLabel(kind, form) || QUANTITIES[kind].label))}`;
}

/**
 * Stations of a kind that take a bar for certain.
 *
 * @returns in the order given
 */
export const stationsThatFit = <S extends RackPlace>(
  bar: Bar,
  stations: readonly S[],
  kind: RackPlace["kind"],
  marginMm = RACK_MARGIN_MM,
): S[] => stations.filter((station) => station.kind === kind && fitAt(bar, station, marginMm)?.answer === "fits");

/**
 * The kind of station with J-cups that a lift cannot do without. Common practice, no source.
 *
 * @returns null for a lift that can start elsewhere
 */
export function jCupsFor(lift: Pick<Lift, "like" | "contact" | "start">): "rack" | "bench" | null {
  if (lift.start !== "rack") return null;
  if (BENCHED.includes(lift.like)) return "bench";
  return lift.contact !== "hands" || OVERHEAD.includes(lift.like) ? "rack" : null;
}

export const BENCHED: readonly string[] = ["bench", "close-grip-bench"];
export const OVERHEAD: readonly string[] = ["overhead-press", "push-press", "jerk", "thruster"];
