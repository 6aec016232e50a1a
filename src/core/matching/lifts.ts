/** Keys of the lifts that every hall starts with. Part of the public interface; they never change. */
export const LIFT_KEYS = [
  "back-squat-high",
  "back-squat-low",
  "front-squat",
  "box-squat",
  "goblet-squat",
  "good-morning",
  "lunge",
  "bench",
  "close-grip-bench",
  "overhead-press",
  "push-press",
  "deadlift",
  "sumo-deadlift",
  "romanian-deadlift",
  "deficit-deadlift",
  "block-pull",
  "clean",
  "jerk",
  "snatch",
  "thruster",
  "row",
  "shrug",
  "carry",
  "curl",
  "triceps-extension",
] as const;

export type LiftKey = (typeof LIFT_KEYS)[number];

export interface Lift {
  key: string;
  name: string;
  /** Fast lifts turn the bar over in the hands, so the sleeves must let the plates stay behind. */
  speed: "slow" | "fast";
  start: "floor" | "rack";
  ending: "racked" | "lowered" | "dropped";
  /** Where the bar touches the lifter. */
  contact: "hands" | "back" | "front";
  /** Half the distance between the supports (hands, or the edges of the back), in mm. */
  supportHalfSpacingMm: number;
  /** Whether the shaft runs along the shins or thighs, or close to the throat: a sharp centre knurl scrapes. */
  isCentreScraped: boolean;
}

/** Support half-spacings to start from: handbook §5; those of the other lifts are common practice, no source. */
export const LIFTS: Record<LiftKey, Lift> = {
  "back-squat-high": squat("back-squat-high", "back squat, high bar"),
  "back-squat-low": squat("back-squat-low", "back squat, low bar"),
  "front-squat": {
    ...squat("front-squat", "front squat"),
    contact: "front",
    supportHalfSpacingMm: 230,
    isCentreScraped: true,
  },
  "box-squat": squat("box-squat", "box squat"),
  "goblet-squat": { ...squat("goblet-squat", "goblet-style squat"), contact: "front", supportHalfSpacingMm: 150 },
  "good-morning": squat("good-morning", "good morning"),
  lunge: squat("lunge", "lunge, step-up"),
  bench: press("bench", "bench press", 405),
  "close-grip-bench": press("close-grip-bench", "close-grip bench press", 220),
  "overhead-press": press("overhead-press", "overhead press", 260),
  "push-press": press("push-press", "push press", 260),
  deadlift: pull("deadlift", "deadlift", 220),
  "sumo-deadlift": pull("sumo-deadlift", "deadlift, sumo", 180),
  "romanian-deadlift": { ...pull("romanian-deadlift", "Romanian, stiff-leg", 230), start: "rack", ending: "racked" },
  "deficit-deadlift": pull("deficit-deadlift", "deficit deadlift", 220),
  "block-pull": pull("block-pull", "block pull", 220),
  clean: fast("clean", "clean", 260),
  jerk: { ...fast("jerk", "jerk", 260), start: "rack", isCentreScraped: false },
  snatch: fast("snatch", "snatch", 400),
  thruster: { ...fast("thruster", "thruster", 260), start: "rack", ending: "racked" },
  row: { ...pull("row", "row", 240), isCentreScraped: false },
  shrug: { ...pull("shrug", "shrug", 240), start: "rack", ending: "racked", isCentreScraped: false },
  carry: { ...pull("carry", "carry", 240), isCentreScraped: false },
  curl: { ...pull("curl", "curl", 200), start: "rack", ending: "racked", isCentreScraped: false },
  "triceps-extension": { ...press("triceps-extension", "triceps extension", 150), ending: "lowered" },
};

function squat(key: string, name: string): Lift {
  return {
    key,
    name,
    speed: "slow",
    start: "rack",
    ending: "racked",
    contact: "back",
    supportHalfSpacingMm: 200,
    isCentreScraped: false,
  };
}

function press(key: string, name: string, supportHalfSpacingMm: number): Lift {
  return {
    key,
    name,
    speed: "slow",
    start: "rack",
    ending: "racked",
    contact: "hands",
    supportHalfSpacingMm,
    isCentreScraped: false,
  };
}

function pull(key: string, name: string, supportHalfSpacingMm: number): Lift {
  return {
    key,
    name,
    speed: "slow",
    start: "floor",
    ending: "lowered",
    contact: "hands",
    supportHalfSpacingMm,
    isCentreScraped: true,
  };
}

function fast(key: string, name: string, supportHalfSpacingMm: number): Lift {
  return {
    key,
    name,
    speed: "fast",
    start: "floor",
    ending: "dropped",
    contact: "hands",
    supportHalfSpacingMm,
    isCentreScraped: true,
  };
}
