import type { Lift, LiftKey } from "./lifts";

/** How people at a wall sort lifts. */
export const LIFT_GROUPS = ["squat", "press", "pull", "olympic", "other"] as const;
export type LiftGroup = (typeof LIFT_GROUPS)[number];

export const LIFT_GROUP_WORDS: Record<LiftGroup, string> = {
  squat: "Squat",
  press: "Press",
  pull: "Pull",
  olympic: "Olympic",
  other: "Other",
};

const PRESSES: readonly LiftKey[] = ["bench", "close-grip-bench", "overhead-press", "push-press"];
const OTHERS: readonly LiftKey[] = ["carry", "curl", "triceps-extension", "shrug", "thruster"];

/**
 * Where a lift is looked for; one that the gym added goes with the lift that it is judged like.
 *
 * @returns its group
 */
export function liftGroup({ like, speed, contact }: Pick<Lift, "like" | "speed" | "contact">): LiftGroup {
  if (PRESSES.includes(like)) return "press";
  if (OTHERS.includes(like)) return "other";
  if (speed === "fast") return "olympic";
  return contact === "hands" ? "pull" : "squat";
}
