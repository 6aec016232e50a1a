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
  /** The usual lift it is judged like: itself, or for a lift that the hall added, the nearest to it. */
  like: LiftKey;
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
  /** What a coach confirms before somebody does it, in words; null when there is nothing. */
  prerequisite: string | null;
  /** A load that people here usually work with, bar included, in kg: what wall screens and matrices are asked at. */
  usualKg: number;
}

/** What differs from lift to lift; the rest follows from how it is done. */
type Facts = Pick<Lift, "name" | "supportHalfSpacingMm" | "usualKg"> & Partial<Lift>;

const SQUAT = { speed: "slow", start: "rack", ending: "racked", contact: "back", isCentreScraped: false } as const;
const PRESS = { ...SQUAT, contact: "hands" } as const;
const PULL = { speed: "slow", start: "floor", ending: "lowered", contact: "hands", isCentreScraped: true } as const;
const FROM_RACK = { start: "rack", ending: "racked" } as const;
const FAST = { ...PULL, speed: "fast", ending: "dropped" } as const;

const lift = (like: LiftKey, way: typeof SQUAT | typeof PRESS | typeof PULL | typeof FAST, facts: Facts): Lift => ({
  key: like,
  like,
  prerequisite: null,
  ...way,
  ...facts,
});

/**
 * The lifts a house starts with (handbook §7). Support half-spacings of deadlift, sumo, bench, press, clean, snatch and
 * back squat: handbook §5; those of the others and all usual loads are common practice, no source.
 */
export const LIFTS: Record<LiftKey, Lift> = {
  "back-squat-high": lift("back-squat-high", SQUAT, {
    name: "back squat, high bar",
    supportHalfSpacingMm: 200,
    usualKg: 100,
  }),
  "back-squat-low": lift("back-squat-low", SQUAT, {
    name: "back squat, low bar",
    supportHalfSpacingMm: 200,
    usualKg: 120,
  }),
  "front-squat": lift("front-squat", SQUAT, {
    name: "front squat",
    contact: "front",
    supportHalfSpacingMm: 230,
    isCentreScraped: true,
    usualKg: 80,
  }),
  "box-squat": lift("box-squat", SQUAT, { name: "box squat", supportHalfSpacingMm: 200, usualKg: 100 }),
  "goblet-squat": lift("goblet-squat", SQUAT, {
    name: "goblet-style squat",
    contact: "front",
    supportHalfSpacingMm: 150,
    usualKg: 40,
  }),
  "good-morning": lift("good-morning", SQUAT, { name: "good morning", supportHalfSpacingMm: 200, usualKg: 60 }),
  lunge: lift("lunge", SQUAT, { name: "lunge, step-up", supportHalfSpacingMm: 200, usualKg: 60 }),
  bench: lift("bench", PRESS, { name: "bench press", supportHalfSpacingMm: 405, usualKg: 80 }),
  "close-grip-bench": lift("close-grip-bench", PRESS, {
    name: "close-grip bench press",
    supportHalfSpacingMm: 220,
    usualKg: 70,
  }),
  "overhead-press": lift("overhead-press", PRESS, { name: "overhead press", supportHalfSpacingMm: 260, usualKg: 45 }),
  "push-press": lift("push-press", PRESS, { name: "push press", supportHalfSpacingMm: 260, usualKg: 55 }),
  deadlift: lift("deadlift", PULL, { name: "deadlift", supportHalfSpacingMm: 220, usualKg: 140 }),
  "sumo-deadlift": lift("sumo-deadlift", PULL, { name: "deadlift, sumo", supportHalfSpacingMm: 180, usualKg: 140 }),
  "romanian-deadlift": lift("romanian-deadlift", PULL, {
    ...FROM_RACK,
    name: "Romanian, stiff-leg",
    supportHalfSpacingMm: 230,
    usualKg: 100,
  }),
  "deficit-deadlift": lift("deficit-deadlift", PULL, {
    name: "deficit deadlift",
    supportHalfSpacingMm: 220,
    usualKg: 120,
  }),
  "block-pull": lift("block-pull", PULL, { name: "block pull", supportHalfSpacingMm: 220, usualKg: 150 }),
  clean: lift("clean", FAST, { name: "clean", supportHalfSpacingMm: 260, usualKg: 70 }),
  jerk: lift("jerk", FAST, {
    name: "jerk",
    start: "rack",
    isCentreScraped: false,
    supportHalfSpacingMm: 260,
    usualKg: 70,
  }),
  snatch: lift("snatch", FAST, { name: "snatch", supportHalfSpacingMm: 400, usualKg: 50 }),
  thruster: lift("thruster", FAST, { ...FROM_RACK, name: "thruster", supportHalfSpacingMm: 260, usualKg: 45 }),
  row: lift("row", PULL, { name: "row", isCentreScraped: false, supportHalfSpacingMm: 240, usualKg: 70 }),
  shrug: lift("shrug", PULL, {
    ...FROM_RACK,
    name: "shrug",
    isCentreScraped: false,
    supportHalfSpacingMm: 240,
    usualKg: 100,
  }),
  carry: lift("carry", PULL, { name: "carry", isCentreScraped: false, supportHalfSpacingMm: 240, usualKg: 100 }),
  curl: lift("curl", PULL, {
    ...FROM_RACK,
    name: "curl",
    isCentreScraped: false,
    supportHalfSpacingMm: 200,
    usualKg: 30,
  }),
  "triceps-extension": lift("triceps-extension", PRESS, {
    name: "triceps extension",
    ending: "lowered",
    supportHalfSpacingMm: 150,
    usualKg: 30,
  }),
};
