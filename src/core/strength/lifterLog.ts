import type { FamilyKey } from "../bars/families";
import { daysBetween, type HallDay } from "../units/hallDay";
import { filterLog, smooth, type Filtered, type StrengthSet } from "./strengthFilter";
import { priorOf, type PriorKey, type StrengthRules } from "./strengthRules";

/* One lifter's log as it is kept: sets of several lifts, on bars that may be set in several ways. */

export interface LoggedSet {
  id: string;
  liftKey: string;
  /** Stance, box, pause; empty for the usual way. */
  variant: string;
  barId: string;
  family: FamilyKey;
  setting: string;
  handsHelped: boolean;
  on: HallDay;
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
}

/** What a worth is kept for: a bar, how it is set, and whether the hands helped. */
export interface WorthKey {
  barId: string;
  setting: string;
  handsHelped: boolean;
}

/**
 * A worth’s key as one text.
 *
 * @returns a text that differs where anything of it does
 */
export const worthKey = ({ barId, setting, handsHelped }: WorthKey): string =>
  JSON.stringify([barId, setting, handsHelped]);

/**
 * The prior of a bar as it is set.
 *
 * @returns the key of a prior
 */
export const priorOfSet = (family: FamilyKey, setting: string): PriorKey =>
  priorOf(family, family === "adjustable-yoke" && /\bfront\b/i.test(setting));

/** Sets of one lift done one way: never mixed with others. */
export interface LiftLog {
  liftKey: string;
  variant: string;
  sets: LoggedSet[];
}

/**
 * The log by lift and variant, the one with most sets first.
 *
 * @param sets by day and order within the day
 * @returns logs, the one with most sets first
 */
export function byLift(sets: readonly LoggedSet[]): LiftLog[] {
  const logs = new Map<string, LiftLog>();
  for (const set of sets) {
    const { liftKey, variant } = set;
    const key = JSON.stringify([liftKey, variant]);
    const log = logs.get(key) ?? { liftKey, variant, sets: [] };
    logs.set(key, log);
    log.sets.push(set);
  }
  return [...logs.values()].sort((a, b) => b.sets.length - a.sets.length || (a.liftKey < b.liftKey ? -1 : 1));
}

const EPOCH = "1970-01-01";
/**
 * A day as a number that can be reckoned with.
 *
 * @returns whole days since 1970
 */
export const dayNumber = (on: HallDay): number => daysBetween(EPOCH, on);

/**
 * A log as the filter takes it.
 *
 * @returns sets in the same order
 */
export const strengthSets = ({ sets }: LiftLog): StrengthSet[] =>
  sets.map((set) => ({
    day: dayNumber(set.on),
    bar: worthKey(set),
    prior: priorOfSet(set.family, set.setting),
    loadKg: set.loadKg,
    repetitions: set.repetitions,
    reserve: set.reserve,
    isMade: set.isMade,
  }));

/**
 * What a log says today.
 *
 * @returns what is known, null while no set counts
 */
export const strengthToday = (
  rules: StrengthRules,
  log: LiftLog,
  today: HallDay,
  keepsSteps = false,
): Filtered | null => filterLog(rules, strengthSets(log), dayNumber(today), keepsSteps);

/** A bar's worth on one day, from the whole log. */
export interface WorthPoint {
  on: HallDay;
  ratio: number;
  low: number;
  high: number;
}

/** Strength and worths over time, from the whole log. */
export interface StrengthPast {
  straight: { on: HallDay; kg: number; low: number; high: number }[];
  /** By bar as it is set. */
  worths: Map<string, WorthPoint[]>;
}

/** More points than this of one bar tell a chart nothing. */
const MAX_POINTS = 80;

/** Of each bar the last sets of its days, evenly taken where there are many, the latest always among them. */
function lookedAt(log: LiftLog, steps: Filtered["steps"]): Set<number> {
  const lastOfDay = new Map<string, Map<HallDay, number>>();
  for (const { index } of steps) {
    const set = log.sets[index]!;
    const key = worthKey(set);
    const own = lastOfDay.get(key) ?? new Map<HallDay, number>();
    lastOfDay.set(key, own.set(set.on, index));
  }
  return new Set(
    [...lastOfDay.values()].flatMap((days) => {
      const all = [...days.values()];
      const step = Math.ceil(all.length / MAX_POINTS);
      return all.filter((_, i) => (all.length - 1 - i) % step === 0);
    }),
  );
}

/**
 * Looks back: one point a day on which a bar was used, of very many days an even choice.
 *
 * @returns points by day, the oldest first
 */
export function strengthPast(log: LiftLog, { state, steps }: Filtered, width: number): StrengthPast {
  const n = state.mean.length;
  const straight = new Map<HallDay, StrengthPast["straight"][number]>();
  const worths = new Map<string, Map<HallDay, WorthPoint>>();
  const wanted = lookedAt(log, steps);
  for (const { index, mean, covariance } of smooth(steps, (index) => wanted.has(index))) {
    const set = log.sets[index]!;
    const half = width * Math.sqrt(Math.max(0, covariance[0]!));
    straight.set(set.on, {
      on: set.on,
      kg: Math.exp(mean[0]!),
      low: Math.exp(mean[0]! - half),
      high: Math.exp(mean[0]! + half),
    });
    const key = worthKey(set);
    const place = state.places.get(key)!;
    if (place === 0) continue;
    const own = worths.get(key) ?? new Map<HallDay, WorthPoint>();
    worths.set(key, own);
    const spread = width * Math.sqrt(Math.max(0, covariance[place * n + place]!));
    const at = mean[place]!;
    own.set(set.on, { on: set.on, ratio: Math.exp(at), low: Math.exp(at - spread), high: Math.exp(at + spread) });
  }
  return {
    straight: [...straight.values()],
    worths: new Map([...worths].map(([key, own]) => [key, [...own.values()]])),
  };
}

/** What one bar, as it is set, is worth to a lifter today: a row beside the log. */
export interface WorthRow extends WorthKey {
  liftKey: string;
  variant: string;
  /** Logarithm of the worth against the straight bar, and its variance. */
  logRatio: number;
  variance: number;
  uses: number;
  asOf: HallDay;
}

/**
 * What the bars of a log that are not straight are worth today; none while no set counts.
 *
 * @returns a row for each bar that is not straight
 */
export function worthsOf(rules: StrengthRules, log: LiftLog, today: HallDay): WorthRow[] {
  const state = strengthToday(rules, log, today)?.state;
  if (!state) return [];
  const n = state.mean.length;
  const keys = new Map(log.sets.map((set) => [worthKey(set), set]));
  return [...state.places].flatMap(([key, place]) => {
    const { barId, setting, handsHelped } = keys.get(key)!;
    return place === 0
      ? []
      : [
          {
            ...{ liftKey: log.liftKey, variant: log.variant, barId, setting, handsHelped },
            logRatio: state.mean[place]!,
            variance: state.covariance[place * n + place]!,
            uses: state.uses.get(key) ?? 0,
            asOf: today,
          },
        ];
  });
}
