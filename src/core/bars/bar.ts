import type { Quantity } from "./effectiveQuantity";
import type { FamilyKey } from "./families";
import type { QuantityKind } from "./quantities";

export const BAR_STATES = ["in-service", "watch", "quarantined", "retired", "on-order"] as const;
export type BarState = (typeof BAR_STATES)[number];

export const SLEEVE_ROTATIONS = ["fixed", "bushing", "needle", "ball", "hybrid"] as const;
export type SleeveRotation = (typeof SLEEVE_ROTATIONS)[number];

export const ALLOYS = ["carbon-steel", "alloy-steel", "stainless", "aluminium"] as const;
export type Alloy = (typeof ALLOYS)[number];

export const FINISHES = [
  "bare",
  "black-oxide",
  "bright-zinc",
  "black-zinc",
  "hard-chrome",
  "e-coat",
  "ceramic",
  "stainless",
] as const;
export type Finish = (typeof FINISHES)[number];

/**
 * A finish as people write it.
 *
 * @returns "black zinc", "e-coat"
 */
export const finishName = (finish: Finish): string => (finish === "e-coat" ? finish : finish.replaceAll("-", " "));

export const KNURLS = ["none", "passive", "medium", "aggressive"] as const;
export type Knurl = (typeof KNURLS)[number];

export const CENTRE_KNURLS = ["none", "passive", "full"] as const;
export type CentreKnurl = (typeof CENTRE_KNURLS)[number];

/** Ring marks: 810 mm apart for powerlifting, 910 mm for weightlifting, or both. */
export const RING_MARKS = ["none", "powerlifting", "weightlifting", "dual"] as const;
export type RingMarks = (typeof RING_MARKS)[number];

export const RATING_BASES = ["total", "plates-only", "unknown"] as const;
export type RatingBasis = (typeof RATING_BASES)[number];

/** One real bar, as the computation sees it. Identity, history and money live elsewhere. */
export interface Bar {
  tag: string;
  name: string;
  family: FamilyKey;
  state: BarState;
  quantities: Partial<Record<QuantityKind, Quantity>>;
  sleeveRotation: SleeveRotation | null;
  alloy: Alloy | null;
  /** Overrides the usual modulus of the alloy. */
  elasticModulusGPa: number | null;
  yieldMPa: number | null;
  finish: Finish | null;
  knurl: Knurl | null;
  centreKnurl: CentreKnurl | null;
  ringMarks: RingMarks | null;
  /** Smooth shaft beside each collar, in mm. */
  plainGapMm: number | null;
  rating: { kg: number; basis: RatingBasis } | null;
  /** A limit that counts even where the rating is higher, as total on the bar in kg. */
  hardLimitKg: number | null;
  /** Whether it sits in J-cups at all; null when nobody said, then the family's usual way counts. */
  canBeRacked: boolean | null;
  /** Why it is in its state, in the manager's words. */
  stateReason: string | null;
  /** Whether its handles come off, screwed in; absent where nobody said. */
  areHandlesRemovable?: boolean | null;
  /** Whether it stays on the back without hands, by its shape; absent where nobody said: then the family's start counts. */
  staysByItself?: boolean | null;
}

/**
 * The effective value of a quantity, or null when nobody stated or measured it.
 *
 * @returns in the quantity's computing unit (mm, kg, s, degrees); null when unknown
 */
export function valueOf(bar: Pick<Bar, "quantities">, kind: QuantityKind): number | null {
  return bar.quantities[kind]?.value ?? null;
}

/**
 * Whether lifters may be given the bar today: in service, or in service under watch.
 *
 * @returns true in service and under watch
 */
export function isUsable(state: BarState): boolean {
  return state === "in-service" || state === "watch";
}

/**
 * The most the bar may carry in total, bar and clamps included, by the seller's rating and the hard limit.
 * A rating for plates only allows the bar's own mass on top; where the basis is unknown the stricter reading counts.
 *
 * @returns null when neither is known, which is never read as "enough".
 */
export function ratedTotalKg(bar: Pick<Bar, "rating" | "hardLimitKg" | "quantities">): number | null {
  const { rating, hardLimitKg } = bar;
  if (!rating) return hardLimitKg;
  const own = rating.basis === "plates-only" ? (valueOf(bar, "mass") ?? 0) : 0;
  const rated = rating.kg + own;
  return hardLimitKg !== null && hardLimitKg < rated ? hardLimitKg : rated;
}
