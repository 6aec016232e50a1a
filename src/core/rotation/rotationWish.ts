import type { Purpose } from "../matching/lifter";

/** How people rotate bars; where practitioners disagree, each is supported. */
export const SCHOOLS = ["weekly", "ascending", "descending", "block"] as const;
export type School = (typeof SCHOOLS)[number];

export const SCHOOL_WORDS: Record<School, { name: string; about: string }> = {
  weekly: {
    name: "Another bar every week",
    about: "A heavy week, then a light one on a bar that allows less at the same effort, so that joints rest.",
  },
  ascending: {
    name: "Lighter bars first",
    about: "From the bars that allow least to the straight bar, so that loads climb with the weeks.",
  },
  descending: {
    name: "Heavier bars first",
    about: "From the straight bar down, while a competition is far or something aches.",
  },
  block: {
    name: "One bar for a block",
    about: "Staying on a bar long enough to learn it, so that its numbers can be compared.",
  },
};

/** One of the sessions of each week. */
export interface RotationSession {
  /** 0 is Monday. */
  weekday: number;
  /** "18:30" */
  startsAt: string;
  purpose: Purpose;
  repetitions: number;
  reserve: number;
  /** Percent of the straight single that this session's target stays under the week's: a second, lighter bar. */
  lighterPct: number;
}

export interface RotationPin {
  lifterId: string;
  session: number;
  /** From 1. */
  week: number;
  barId: string;
}

/** What somebody wants of a rotation. */
export interface RotationWish {
  liftKey: string;
  lifterIds: string[];
  sessions: RotationSession[];
  school: School;
  blockWeeks: number;
  /** Percent of the straight single that each week aims at. */
  wave: number[];
  maxRun: number;
  lightBelowPct: number;
  /** How many lifters take turns on one bar in one session. */
  sharing: number;
  /** Weeks before a competition on its bar only. */
  competitionWeeks: number;
  pins: RotationPin[];
}

/**
 * The wave that a school starts from: percent of the straight single, one a week.
 *
 * @returns percent, one a week
 */
export function waveOf(school: School, weeks: number, blockWeeks: number): number[] {
  const [light, heavy] = [72, 100];
  return Array.from({ length: weeks }, (_, w) => {
    const share = weeks === 1 ? 1 : w / (weeks - 1);
    switch (school) {
      case "weekly":
        return w % 2 === 0 ? 95 : light;
      case "ascending":
        return Math.round(light + share * (heavy - light));
      case "descending":
        return Math.round(heavy - share * (heavy - light));
      case "block": {
        const blocks = Math.max(1, Math.ceil(weeks / blockWeeks));
        const block = Math.floor(w / blockWeeks);
        return Math.round(light + (blocks === 1 ? 1 : block / (blocks - 1)) * (heavy - light));
      }
    }
  });
}

/**
 * Weeks, from 0, in which bars may change: all of them, or the first of each block.
 *
 * @returns weeks from 0
 */
export const changeWeeksOf = ({ school, blockWeeks }: Pick<RotationWish, "school" | "blockWeeks">, weeks: number) =>
  Array.from({ length: weeks }, (_, w) => w).filter((w) => school !== "block" || w % blockWeeks === 0);
