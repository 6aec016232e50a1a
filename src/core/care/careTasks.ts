import type { Finish, SleeveRotation } from "../bars/bar";
import { FAMILIES, type FamilyKey } from "../bars/families";
import type { DaysByClimate } from "./climateClass";

/** Keys of the tasks every hall starts with. They never change. */
export const CARE_TASK_KEYS = ["shaft", "sleeves", "sleeve-check", "straightness", "joints"] as const;
export type CareTaskKey = (typeof CARE_TASK_KEYS)[number];

export interface CareTask {
  key: CareTaskKey;
  name: string;
  /** What is done, in the order it is done. Opening a sleeve is never part of it. */
  steps: readonly string[];
  /** What to take along. */
  materials: readonly string[];
  cautions: readonly string[];
  /** One person, one bar. */
  minutes: number;
  /** Days between two times, by the air of the hall. */
  baseDays: DaysByClimate;
  /** Whether the finish of the shaft stretches the interval. */
  dependsOnFinish: boolean;
}

/**
 * Base intervals that reproduce common practice (no source): shafts three times a month in salt and damp,
 * one to two times in temperate air, monthly in dry air; sleeves monthly to two-monthly.
 * Both sleeves of a bar take about three quarters of a minute when a whole wall is done in turn.
 */
export const CARE_TASKS: Record<CareTaskKey, CareTask> = {
  shaft: {
    key: "shaft",
    name: "brush and wipe the shaft",
    steps: [
      "Brush the knurl dry with a nylon brush; never a wire that harms the finish.",
      "Wipe the shaft.",
      "Bare and oxide shafts: a thin film of oil, wiped off again.",
    ],
    materials: ["nylon brush", "dry cloth", "light oil"],
    cautions: ["Wipe the oil off again: a slick knurl lets a bar drop."],
    minutes: 3,
    baseDays: { dry: 30, temperate: 20, "salt-humid": 10 },
    dependsOnFinish: true,
  },
  sleeves: {
    key: "sleeves",
    name: "oil the sleeves",
    steps: [
      "A few drops of light oil at both ends of the sleeve while turning it.",
      "One side of every bar, then all turned over for the other.",
    ],
    materials: ["light oil", "dry cloth"],
    cautions: ["Wipe oil off the floor and the shaft at once: someone lifts there next."],
    minutes: 0.75,
    baseDays: { dry: 60, temperate: 45, "salt-humid": 30 },
    dependsOnFinish: false,
  },
  "sleeve-check": {
    key: "sleeve-check",
    name: "check sleeves and end caps",
    steps: ["Pull and turn each sleeve: end play, clicking, sticking.", "Look at end caps and retaining rings."],
    materials: [],
    cautions: ["A loose end cap or ring: nobody lifts with it until that is fixed."],
    minutes: 2,
    baseDays: { dry: 90, temperate: 90, "salt-humid": 60 },
    dependsOnFinish: false,
  },
  straightness: {
    key: "straightness",
    name: "check that it is straight",
    steps: [
      "Roll it on the floor or turn it on two supports under the gauge.",
      "A visible wobble, or any crack: quarantine it at once.",
    ],
    materials: ["two supports", "dial gauge"],
    cautions: ["Plates off; feet and fingers clear of where it rolls."],
    minutes: 4,
    baseDays: { dry: 180, temperate: 180, "salt-humid": 180 },
    dependsOnFinish: false,
  },
  joints: {
    key: "joints",
    name: "check welds, pins, pads and handles",
    steps: ["Look along every weld for a crack.", "Pins, threads and knobs snug; pads and handles whole and tight."],
    materials: ["lamp", "the maker’s keys"],
    cautions: ["Any crack: quarantine it at once. How much a weld can still carry is for a specialist to judge."],
    minutes: 5,
    baseDays: { dry: 90, temperate: 90, "salt-humid": 60 },
    dependsOnFinish: false,
  },
};

/** How much longer a shaft of this finish waits than a bare one. Common practice for the order, the figures are ours. */
export const FINISH_FACTOR: Record<Finish, number> = {
  bare: 1,
  "black-oxide": 1.1,
  "black-zinc": 1.3,
  "bright-zinc": 1.4,
  "e-coat": 1.6,
  "hard-chrome": 1.6,
  ceramic: 2,
  stainless: 2,
};

/** What care needs to know of a bar. */
export interface CareBar {
  family: FamilyKey;
  finish: Finish | null;
  sleeveRotation: SleeveRotation | null;
}

/**
 * Whether a task is done on this bar at all.
 *
 * @returns true when family, finish and sleeves ask for it
 */
export function isTaskFor(task: CareTaskKey, bar: CareBar): boolean {
  const { form } = FAMILIES[bar.family];
  switch (task) {
    case "shaft":
      return true;
    case "sleeves":
    case "sleeve-check":
      return bar.sleeveRotation !== "fixed" && bar.family !== "axle";
    case "straightness":
      return form === "straight";
    case "joints":
      return form !== "straight";
  }
}
