/** A bar that one lifter may be put on. */
export interface LifterBar {
  id: string;
  /** What it is worth to them against the straight bar, in percent. */
  ratioPct: number;
  /** How well it suits them and what the weeks are for, 0 to 1000 a week. */
  points: number;
  /** So many weeks on it come first in which it is light: it is new to them. */
  learningWeeks: number;
}

export interface RotationLifter {
  id: string;
  bars: readonly LifterBar[];
  /** Weeks count from 1. */
  pins: readonly { week: number; bar: string }[];
  /** In the last weeks up to and including that of a competition nothing but its bar. */
  competition: { week: number; bar: string; lastWeeks: number } | null;
  /** What is aimed at each week, where it is not the same for all: percent of the straight single. */
  targets?: readonly number[];
}

/** Who trains with which bar in which week. */
export interface RotationQuestion {
  weeks: number;
  /** Percent of the straight single that is aimed at, one a week. */
  targets: readonly number[];
  /** How many lifters a bar takes in one week. */
  bars: readonly { id: string; capacity: number }[];
  /** Weeks in a row on one bar at most; beyond the weeks it binds nobody. */
  maxRun: number;
  /** Whether weeks before a competition do not count as a run on its bar. */
  competitionRunsFree?: boolean;
  lifters: readonly RotationLifter[];
  /** A week is light whose target is under this. */
  lightBelowPct: number;
  /** Weeks in which bars may change, counted from 0; every week without it. */
  changeWeeks?: readonly number[];
}

export interface RotationPlan {
  /** For each lifter, in order: the bar of each week. */
  bars: string[][];
  value: number;
  /** No plan has a greater value. */
  bound: number;
  isProven: boolean;
}

/** Points lost for each percent that a bar is off the week's target. */
export const POINTS_A_PERCENT = 10;

/**
 * What one week on one bar is worth.
 *
 * @returns points, less than 0 where it is far off
 */
export const weekValue = (target: number, { ratioPct, points }: Pick<LifterBar, "ratioPct" | "points">): number =>
  points - POINTS_A_PERCENT * Math.abs(target - ratioPct);
