import type { FamilyKey } from "../bars/families";
import { bandWidth, barWorth, expectedLoad, straightSingle, type Banded, type BarWorth } from "./estimates";
import { filterLog, type StrengthSet } from "./strengthFilter";
import { priorOf, START_STRENGTH_RULES, type StrengthRules } from "./strengthRules";

/** One lifter's log of one lift, and what is asked of it. */
export interface StrengthQuestion {
  sets: readonly {
    /** Whole days since any fixed day. */
    day: number;
    bar: string;
    family: FamilyKey;
    loadKg: number;
    repetitions: number;
    reserve: number | null;
    isMade: boolean;
  }[];
  /** Sets after it are left out; the last set's day without it. */
  asOf: number | null;
  ask: readonly { bar: string; family: FamilyKey; repetitions: number; reserve: number }[];
  level: number;
}

export interface StrengthAnswer {
  straight: Banded | null;
  bars: BarWorth[];
  expected: (Banded & { bar: string; repetitions: number })[] | null;
}

/**
 * Strength on a straight bar, what each bar of the log is worth against it, and the loads that are asked for.
 *
 * @returns straight and expected are null where no set counts; days may come in any order, sets of one day stay as given
 */
export function strengthOf(
  { sets, asOf, ask, level }: StrengthQuestion,
  rules: StrengthRules = START_STRENGTH_RULES,
): StrengthAnswer {
  const log = sets
    .filter(({ day }) => asOf === null || day <= asOf)
    .map(({ family, ...set }): StrengthSet => ({ ...set, prior: priorOf(family) }))
    .sort((a, b) => a.day - b.day);
  const priors = new Map(log.map(({ bar, prior }) => [bar, prior]));
  const width = bandWidth(level);
  const state = filterLog(rules, log, asOf ?? undefined)?.state ?? emptyState(log);
  const hasStrength = state.counted > 0;
  return {
    straight: hasStrength ? straightSingle(state, width) : null,
    bars: [...priors].map(([bar, prior]) => barWorth(rules, state, bar, prior, width)),
    expected: hasStrength
      ? ask.map(({ bar, family, repetitions, reserve }) => {
          const wish = { bar, prior: priors.get(bar) ?? priorOf(family), repetitions, reserve };
          const { value, low, high } = expectedLoad(rules, state, wish, width);
          return { bar, repetitions, value, low, high };
        })
      : null,
  };
}

/** A log in which nothing counted still says how often bars were used. */
function emptyState(log: readonly StrengthSet[]) {
  const days = new Map<string, Set<number>>();
  for (const { bar, day } of log) days.set(bar, (days.get(bar) ?? new Set()).add(day));
  return {
    day: 0,
    mean: new Float64Array(1),
    covariance: new Float64Array(1),
    places: new Map<string, number>(),
    uses: new Map([...days].map(([bar, own]) => [bar, own.size])),
    counted: 0,
  };
}
