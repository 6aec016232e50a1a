import type { Build } from "../balance/body";
import type { HallDay } from "../units/hallDay";
import type { MeetingSpec } from "./meetingSpec";

/** What a lifter may say is not comfortable. Nothing is concluded from it but which bars ask less of it. */
export const LIMITS = ["reach", "shoulder", "elbow", "wrist", "back"] as const;
export type Limit = (typeof LIMITS)[number];

export const LIMIT_WORDS: Record<Limit, string> = {
  reach: "cannot reach back to a bar behind the neck",
  shoulder: "shoulder",
  elbow: "elbow",
  wrist: "wrist",
  back: "back",
};

export const EXPERIENCES = ["learning", "regular", "experienced"] as const;
export type Experience = (typeof EXPERIENCES)[number];

/** What a set is for. Which bar serves which purpose is opinion, and is marked so. */
export const PURPOSES = [
  "general",
  "upper-back",
  "hips",
  "carry-over",
  "weak-link",
  "spare-joint",
  "learning",
] as const;
export type Purpose = (typeof PURPOSES)[number];

export const PURPOSE_WORDS: Record<Purpose, string> = {
  general: "general strength",
  "upper-back": "the upper back",
  hips: "the hips",
  "carry-over": "carry-over to the competition lift",
  "weak-link": "showing the weak link",
  "spare-joint": "sparing a joint",
  learning: "learning",
};

/** The lifter as far as the matcher looks at one. All of it is private: reasons that rest on it are, too. */
export interface MatchLifter {
  /** Null when height or mass is not known. */
  build: Build | null;
  /** Wrist crease to tip of the middle finger, in mm; null when not measured. */
  handLengthMm: number | null;
  experience: Experience;
  limits: readonly Limit[];
  /** Keys of what a coach confirmed: "hinge-on-straight", or the key of a lift that has a prerequisite. */
  confirmed: readonly string[];
  /** The next meeting that asks something of this lift, in whole days from today; null without one. */
  meeting: { inDays: number; spec: MeetingSpec } | null;
  /** When this lifter first and last used a bar, by tag. */
  used: ReadonlyMap<string, { first: HallDay; last: HallDay }>;
  /** Load they usually work with on this lift, in kg. */
  usualKg: number | null;
}

/**
 * Somebody of whom nothing is known but what is given.
 *
 * @returns lengths in mm, masses in kg
 */
export function lifterWith(known: Partial<MatchLifter>): MatchLifter {
  return {
    build: null,
    handLengthMm: null,
    experience: "regular",
    limits: [],
    confirmed: [],
    meeting: null,
    used: new Map(),
    usualKg: null,
    ...known,
  };
}
