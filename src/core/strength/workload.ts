import { addDays, daysBetween, type HallDay } from "../units/hallDay";

/* Workload is load × repetitions (handbook §12): eight at 90 kg is 720. */

export interface WorkSet {
  on: HallDay;
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
}

/**
 * Work of some sets together, such as those of a session.
 *
 * @returns kg
 */
export const totalWork = (sets: readonly WorkSet[]): number => sets.reduce((sum, set) => sum + workOf(set), 0);

/** One week's work. */
export interface WorkWeek {
  /** Its Monday. */
  from: HallDay;
  sets: number;
  kg: number;
  sessions: number;
  /** Mean of repetitions left, of sets where somebody said; null where nobody did. */
  reserve: number | null;
  /** Mean load of a repetition. */
  loadKg: number;
}

/**
 * What one set is: nothing when it was missed.
 *
 * @returns kg
 */
export const workOf = ({ loadKg, repetitions, isMade }: WorkSet): number => (isMade ? loadKg * repetitions : 0);

/**
 * The Monday of a day's week.
 *
 * @returns the day of that Monday
 */
export function mondayOf(day: HallDay): HallDay {
  // 5 January 1970 was a Monday.
  const since = daysBetween("1970-01-05", day);
  return addDays(day, -(((since % 7) + 7) % 7));
}

/**
 * Work by week, the oldest first; weeks in which nothing was lifted are left out.
 *
 * @returns weeks, the oldest first
 */
export function workWeeks(sets: readonly WorkSet[]): WorkWeek[] {
  const weeks = new Map<HallDay, WorkSet[]>();
  for (const set of sets) {
    const from = mondayOf(set.on);
    weeks.set(from, [...(weeks.get(from) ?? []), set]);
  }
  return [...weeks]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([from, own]) => {
      const made = own.filter(({ isMade }) => isMade);
      const kg = totalWork(made);
      const repetitions = made.reduce((sum, set) => sum + set.repetitions, 0);
      const known = made.flatMap(({ reserve }) => (reserve === null ? [] : [reserve]));
      return {
        from,
        sets: own.length,
        kg,
        sessions: new Set(own.map(({ on }) => on)).size,
        reserve: known.length === 0 ? null : known.reduce((a, b) => a + b, 0) / known.length,
        loadKg: repetitions === 0 ? 0 : kg / repetitions,
      };
    });
}

/** Two weeks of the same effort, one heavy and one light. */
export interface EqualEffort {
  heavy: WorkWeek;
  light: WorkWeek;
}

/** How far apart efforts count as equal, in repetitions left, and how much lighter a light week is. */
const EQUAL_RESERVE = 0.75;
const LIGHTER = 0.9;
const LOOKED_AT = 8;

/**
 * The latest heavy and light week at equal effort; null where there is none.
 *
 * @returns both weeks, or null
 */
export function equalEffort(weeks: readonly WorkWeek[]): EqualEffort | null {
  const latest = weeks.slice(-LOOKED_AT).toReversed();
  for (const [i, one] of latest.entries())
    for (const other of latest.slice(i + 1)) {
      if (one.reserve === null || other.reserve === null || Math.abs(one.reserve - other.reserve) > EQUAL_RESERVE)
        continue;
      const [light, heavy] = one.loadKg < other.loadKg ? [one, other] : [other, one];
      if (light.loadKg > 0 && light.loadKg < LIGHTER * heavy.loadKg) return { heavy, light };
    }
  return null;
}
