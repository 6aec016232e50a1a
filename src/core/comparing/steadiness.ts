import { FAMILIES, type FamilyKey } from "../bars/families";

/** Kinds of bars by how steady they feel under a load. */
export const STEADY_KINDS = ["low-yoke", "yoke", "straight", "cambered-yoke", "cambered"] as const;
export type SteadyKind = (typeof STEADY_KINDS)[number];

export const STEADY_NAMES: Record<SteadyKind, string> = {
  "low-yoke": "low safety squat bar",
  yoke: "safety squat bar",
  straight: "straight bar",
  "cambered-yoke": "cambered safety squat bar",
  cambered: "cambered squat bar",
};

/** The steadiest first; how steady bars feel is a matter of house (handbook §8), this is where a house starts. */
export const START_STEADINESS: readonly SteadyKind[] = STEADY_KINDS;

/**
 * The kind that a family counts as.
 *
 * @returns null for families that nobody carries on the back
 */
export function steadyKindOf(family: FamilyKey): SteadyKind | null {
  if (family === "low-yoke" || family === "cambered-yoke" || family === "cambered") return family;
  switch (FAMILIES[family].form) {
    case "yoke":
      return "yoke";
    case "straight":
    case "bowed":
      return "straight";
    default:
      return null;
  }
}

/**
 * A stored order of steadiness; anything that is not all five kinds once is as a house starts.
 *
 * @returns the steadiest first
 */
export function steadinessFrom(value: unknown): readonly SteadyKind[] {
  const kinds = Array.isArray(value) ? value : [];
  const isWhole = kinds.length === STEADY_KINDS.length && STEADY_KINDS.every((kind) => kinds.includes(kind));
  return isWhole ? (kinds as SteadyKind[]) : START_STEADINESS;
}
