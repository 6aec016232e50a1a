import { expect, it } from "vitest";
import { LIFT_GROUPS, liftGroup } from "./liftGroups";
import { LIFT_KEYS, LIFTS } from "./lifts";

it("every lift has one group, as people at a wall would look for it, and so has one that is judged like it", () => {
  const groups = Object.fromEntries(
    LIFT_GROUPS.map((group) => [group, LIFT_KEYS.filter((key) => liftGroup(LIFTS[key]) === group)]),
  );
  expect(groups).toEqual({
    squat: ["back-squat-high", "back-squat-low", "front-squat", "box-squat", "goblet-squat", "good-morning", "lunge"],
    press: ["bench", "close-grip-bench", "overhead-press", "push-press"],
    pull: ["deadlift", "sumo-deadlift", "romanian-deadlift", "deficit-deadlift", "block-pull", "row"],
    olympic: ["clean", "jerk", "snatch"],
    other: ["thruster", "shrug", "carry", "curl", "triceps-extension"],
  });
  expect(liftGroup({ ...LIFTS.deadlift, like: "bench" })).toBe("press");
});
