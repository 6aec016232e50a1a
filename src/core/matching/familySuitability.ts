import type { FamilyKey } from "../bars/families";
import { LIFT_KEYS, type LiftKey } from "./lifts";
import type { Verdict } from "./verdict";

type Row = Partial<Record<Exclude<Verdict, "usable">, readonly LiftKey[]>>;

const SQUATS = ["back-squat-high", "back-squat-low", "box-squat"] as const;
const HINGES = ["good-morning", "lunge"] as const;
const PRESSES = ["bench", "close-grip-bench", "overhead-press"] as const;
const PULLS = ["deadlift", "sumo-deadlift", "deficit-deadlift", "block-pull"] as const;
const FAST = ["clean", "jerk", "snatch"] as const;
const HANDS = ["romanian-deadlift", "row", "shrug", "carry"] as const;
const ARMS = ["curl", "triceps-extension"] as const;
/** What cannot be done with a bar that lies on the back: everything held in the hands. */
const IN_HANDS = [...PRESSES, "push-press", ...PULLS, ...FAST, "thruster", ...HANDS, ...ARMS] as const;
/** What cannot be done inside a frame. */
const NOT_IN_FRAME = [
  ...SQUATS,
  "front-squat",
  "good-morning",
  ...PRESSES,
  "push-press",
  ...FAST,
  "thruster",
  ...ARMS,
] as const;

/**
 * Which lifts a family is made for, good for, poor for, or cannot do; everything not named is usable.
 * Common practice, no source (handbook §4). Whether a single bar can is decided by that bar's own facts.
 */
const SUITABILITY: Record<FamilyKey, Row> = {
  "all-round": { good: [...LIFT_KEYS].filter((key) => !ARMS.includes(key as "curl") && key !== "goblet-squat") },
  power: {
    "made-for": [...SQUATS, "bench", "close-grip-bench", "deadlift", "sumo-deadlift"],
    good: [...HINGES, "overhead-press", "front-squat", "deficit-deadlift", "block-pull", ...HANDS],
    poor: [...FAST, "thruster", "push-press"],
  },
  weightlifting: {
    "made-for": [...FAST],
    good: ["front-squat", "push-press", "thruster", "overhead-press", "row", "shrug"],
    poor: ["bench", "back-squat-low", ...PULLS],
  },
  "weightlifting-short": {
    "made-for": [...FAST],
    good: ["front-squat", "push-press", "thruster", "row", "shrug"],
    poor: ["bench", "back-squat-low", ...PULLS],
  },
  hybrid: {
    "made-for": ["thruster"],
    good: ["front-squat", "push-press", "overhead-press", ...FAST, "back-squat-high", ...HANDS],
  },
  technique: {
    good: [...FAST, "thruster", "overhead-press", "push-press", "front-squat"],
    poor: [...PULLS, "shrug", "carry"],
  },
  deadlift: {
    "made-for": ["deadlift", "sumo-deadlift"],
    good: ["deficit-deadlift", "block-pull", "romanian-deadlift", "shrug"],
    poor: [...SQUATS, "front-squat", ...HINGES, ...PRESSES, "push-press", ...FAST, "thruster"],
  },
  squat: {
    "made-for": [...SQUATS],
    good: ["good-morning"],
    poor: [...PULLS, ...FAST, "thruster", "push-press", "overhead-press", "romanian-deadlift", "row", ...ARMS],
  },
  yoke: {
    "made-for": ["back-squat-high", "box-squat", "lunge"],
    good: ["good-morning", "front-squat"],
    never: IN_HANDS,
  },
  "low-yoke": {
    "made-for": ["back-squat-low", "box-squat"],
    good: ["good-morning", "lunge", "front-squat"],
    never: IN_HANDS,
  },
  cambered: {
    "made-for": ["good-morning", "box-squat"],
    good: ["back-squat-low", "back-squat-high"],
    never: [
      "front-squat",
      "goblet-squat",
      ...PRESSES,
      "push-press",
      ...PULLS,
      ...FAST,
      "thruster",
      "shrug",
      "carry",
      ...ARMS,
      "romanian-deadlift",
    ],
  },
  "cambered-yoke": {
    "made-for": ["good-morning", "box-squat"],
    good: ["back-squat-low", "back-squat-high", "lunge"],
    never: IN_HANDS,
  },
  "adjustable-yoke": { "made-for": ["goblet-squat"], good: [...SQUATS, "front-squat", ...HINGES], never: IN_HANDS },
  bowed: {
    "made-for": ["bench", "close-grip-bench", "back-squat-high", "box-squat"],
    good: ["back-squat-low", "good-morning", "lunge"],
    poor: ["romanian-deadlift", "row"],
    never: [...PULLS, ...FAST, "thruster"],
  },
  "open-frame": {
    "made-for": ["carry", "shrug"],
    good: ["deadlift", "lunge", "romanian-deadlift", "deficit-deadlift", "block-pull"],
    never: NOT_IN_FRAME,
  },
  "closed-frame": {
    "made-for": ["shrug", "carry"],
    good: ["deadlift", "block-pull", "deficit-deadlift"],
    never: NOT_IN_FRAME,
  },
  "multi-grip": {
    "made-for": ["close-grip-bench"],
    good: ["bench", "overhead-press", "row", "curl", "triceps-extension"],
    never: [...SQUATS, "front-squat", "goblet-squat", ...HINGES, ...PULLS, ...FAST, "thruster"],
  },
  curl: {
    "made-for": [...ARMS],
    good: ["row"],
    poor: ["close-grip-bench", "overhead-press", "romanian-deadlift"],
    never: [
      ...SQUATS,
      "front-squat",
      ...HINGES,
      "bench",
      ...PULLS,
      ...FAST,
      "thruster",
      "push-press",
      "carry",
      "shrug",
    ],
  },
  axle: {
    "made-for": ["carry"],
    good: ["deadlift", "row", "shrug", "curl"],
    poor: ["front-squat", ...FAST, "thruster"],
  },
};

/** The same by family and lift: bars are graded by the ten thousand. A verdict that stands earlier counts. */
const BY_LIFT: Record<string, ReadonlyMap<string, Verdict>> = Object.fromEntries(
  Object.entries(SUITABILITY).map(([family, row]) => [
    family,
    new Map(
      (["poor", "good", "made-for", "never"] as const).flatMap((verdict) =>
        (row[verdict] ?? []).map((lift) => [lift as string, verdict as Verdict] as const),
      ),
    ),
  ]),
);

/**
 * How well a family suits a lift, by common practice. A lift the hall added itself is "usable" until it says more.
 *
 * @returns the verdict of common practice
 */
export function familySuitability(family: FamilyKey, lift: string): Verdict {
  return BY_LIFT[family]!.get(lift) ?? "usable";
}
