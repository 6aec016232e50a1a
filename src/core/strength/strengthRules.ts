import type { FamilyKey } from "../bars/families";
import type { SingleRule } from "./singles";

/** What a prior is kept for: straight bars are the measure, the rest by how they hang the load. */
export const PRIOR_KEYS = ["straight", "cambered", "low-yoke", "yoke", "cambered-yoke", "front", "others"] as const;
export type PriorKey = (typeof PRIOR_KEYS)[number];

export const PRIOR_NAMES: Record<PriorKey, string> = {
  straight: "straight bars",
  cambered: "cambered squat bar",
  "low-yoke": "low-bar safety squat bar",
  yoke: "safety squat bar",
  "cambered-yoke": "cambered safety squat bar",
  front: "held in front",
  others: "other bars",
};

/** A worth against the straight bar: the median, and the standard deviation of its logarithm. */
export interface RatioPrior {
  median: number;
  sd: number;
}

/** How strength and bars are thought to behave. Ours, to start from; a gym may change all of it (handbook §12). */
export interface StrengthRules {
  formula: SingleRule;
  priors: Record<Exclude<PriorKey, "straight">, RatioPrior>;
  /** Standard deviation of the log straight single's walk, a root week. */
  strengthDrift: number;
  /** The same of a bar's log worth. */
  ratioDrift: number;
  /** How much lower a bar reads at its first use, as a logarithm. */
  learningDeficit: number;
  /** After so many uses e⁻¹ of it is left. */
  learningFade: number;
  /** From so many uses on a bar counts as learnt. */
  learningUses: number;
  /** Standard deviation of a set's log single: of one with up to six repetitions and known reserve, … */
  noise: number;
  /** … for every repetition over six, … */
  noisePerRepetition: number;
  /** … and where nobody said how many were left. */
  noiseUnknownReserve: number;
}

export const START_STRENGTH_RULES: StrengthRules = {
  formula: "mean",
  priors: {
    cambered: { median: 0.96, sd: 0.08 },
    "low-yoke": { median: 0.93, sd: 0.08 },
    yoke: { median: 0.88, sd: 0.09 },
    "cambered-yoke": { median: 0.8, sd: 0.1 },
    front: { median: 0.78, sd: 0.08 },
    others: { median: 0.85, sd: 0.12 },
  },
  strengthDrift: 0.006,
  ratioDrift: 0.002,
  learningDeficit: 0.08,
  learningFade: 4,
  learningUses: 6,
  noise: 0.03,
  noisePerRepetition: 0.01,
  noiseUnknownReserve: 0.04,
};

/** An axle is straight and is not meant: its thickness is what it does. */
const STRAIGHT: readonly FamilyKey[] = [
  "all-round",
  "power",
  "weightlifting",
  "weightlifting-short",
  "hybrid",
  "technique",
  "deadlift",
  "squat",
];
const OWN_PRIOR: readonly FamilyKey[] = ["cambered", "low-yoke", "yoke", "cambered-yoke"];

/**
 * Which prior a bar starts from.
 *
 * @param isFront whether it is set so that it hangs in front, as an adjustable one can be
 * @returns the key of a prior
 */
export function priorOf(family: FamilyKey, isFront = false): PriorKey {
  if (isFront) return "front";
  if (STRAIGHT.includes(family)) return "straight";
  return OWN_PRIOR.includes(family) ? (family as PriorKey) : "others";
}
