import "server-only";
import { and, eq, isNull, ne } from "drizzle-orm";
import type { FamilyKey } from "@/core/bars/families";
import {
  BAND_LEVEL,
  bandWidth,
  barWorth,
  expectedLoad,
  straightSingle,
  type Banded,
  type BarWorth,
} from "@/core/strength/estimates";
import {
  byLift,
  type LiftLog,
  priorOfSet,
  strengthPast,
  type StrengthPast,
  strengthToday,
  type WorthKey,
  worthKey,
} from "@/core/strength/lifterLog";
import type { Filtered, StrengthState } from "@/core/strength/strengthFilter";
import { type StrengthRules } from "@/core/strength/strengthRules";
import { reversals, type UsualWorth, type WorthWords, worthWords } from "@/core/strength/worthWords";
import { equalEffort, type EqualEffort, type WorkWeek, workWeeks } from "@/core/strength/workload";
import { barWorths, bars, lifters } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { matchingRules, strengthRules } from "@/server/rules";
import { type LogItem, logOf } from "./logRows";

/** A bar as it is set, and what it is worth to a lifter. */
export interface KnownBar extends WorthKey {
  tag: string;
  name: string;
  family: FamilyKey;
  isStraight: boolean;
  worth: BarWorth;
  words: WorthWords;
  lastOn: string;
}

/** What a lifter's log of one lift says. */
export interface LiftStrength {
  liftKey: string;
  variant: string;
  /** Today's single on a straight bar, in kg. */
  straight: Banded;
  bars: KnownBar[];
  past: StrengthPast;
  /** Bars that overtook others, in words. */
  reversed: string[];
}

export interface LifterLog {
  /** Lifts with sets, most first. */
  lifts: { liftKey: string; variant: string; sets: number }[];
  /** Of the lift that is looked at; null where nothing counts. */
  strength: LiftStrength | null;
  /** Its sets, newest first. */
  sets: LogItem[];
  weeks: WorkWeek[];
  effort: EqualEffort | null;
  /** What load to expect of them in this lift; null where nothing counts. */
  expect: (wish: LoadWish) => Expected | null;
}

const NOTHING_KNOWN = { lifts: [], strength: null, sets: [], weeks: [], effort: null, expect: () => null };

/**
 * A lifter's log and what it says; for coach and manager, and for the lifter themselves (who asks is checked by the
 * caller there).
 *
 * @param asked the lift to look at; the one with most sets where it is not named or has none.
 */
export async function lifterLog(
  context: Context,
  lifterId: string,
  asked: { liftKey?: string; variant?: string },
  isOwn = false,
): Promise<LifterLog> {
  if (!isOwn && !may(context, "lifter.read")) return NOTHING_KNOWN;
  const { hall, clock } = context;
  const [all, rules] = [await logOf(hall, lifterId), await strengthRules(context)];
  const logs = byLift(all);
  const log =
    logs.find(({ liftKey, variant }) => liftKey === asked.liftKey && variant === (asked.variant ?? "")) ??
    (asked.liftKey === undefined ? logs[0] : undefined);
  const sets = (log?.sets ?? []) as LogItem[];
  const weeks = workWeeks(sets);
  const filtered = log ? strengthToday(rules, log, clock.today, true) : null;
  return {
    lifts: logs.map(({ liftKey, variant, sets: own }) => ({ liftKey, variant, sets: own.length })),
    strength: log && filtered ? await strengthOfLog(context, rules, log, filtered, isOwn) : null,
    sets: sets.toReversed(),
    weeks,
    effort: equalEffort(weeks.filter(({ from }) => from <= clock.today)),
    expect: (wish) => filtered && expectedOf(rules, filtered.state, wish),
  };
}

async function strengthOfLog(
  context: Context,
  rules: StrengthRules,
  log: LiftLog,
  filtered: Filtered,
  isOwn: boolean,
): Promise<LiftStrength> {
  const { state } = filtered;
  const width = bandWidth(BAND_LEVEL);
  const past = strengthPast(log, filtered, width);
  // What is usual here rests on others' logs: the gym's people see it, a lifter sees their own.
  const [usual, { policies }] = [
    isOwn ? new Map<FamilyKey, UsualWorth>() : await usualWorths(context, log.liftKey),
    await matchingRules(context),
  ];
  const side = policies.yoke === "builds" ? "trains" : "weak-link";
  const known = new Map((log.sets as LogItem[]).map((set) => [worthKey(set), set]));
  const nameOf = (key: string) => known.get(key)!.barName;
  const knownBars = [...known].map(([key, set]): KnownBar => {
    const prior = priorOfSet(set.family, set.setting);
    const worth = barWorth(rules, state, key, prior, width);
    return {
      ...{ barId: set.barId, setting: set.setting, handsHelped: set.handsHelped },
      ...{ tag: set.tag, name: set.barName, family: set.family, isStraight: prior === "straight" },
      worth,
      words: worthWords(worth, past.worths.get(key) ?? [], usual.get(set.family) ?? null, rules.learningUses, side),
      lastOn: set.on,
    };
  });
  return {
    ...{ liftKey: log.liftKey, variant: log.variant },
    straight: straightSingle(state, width),
    bars: knownBars.sort((a, b) => b.worth.value - a.worth.value || b.worth.uses - a.worth.uses),
    past,
    reversed: reversals(past.worths).map(
      ({ now, before, since }) => `The ${nameOf(now)} has overtaken the ${nameOf(before)} since ${monthOf(since)}.`,
    ),
  };
}

const MONTH = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });
const monthOf = (on: string) => MONTH.format(new Date(`${on}T00:00:00Z`));

/** What this gym's lifters who have learnt such bars get from them in a lift, by family. */
export async function usualWorths({ hall }: Context, liftKey: string): Promise<Map<FamilyKey, UsualWorth>> {
  const rules = await strengthRules({ hall });
  const rows = await hall.rowsWith(
    barWorths,
    { bar: { table: bars, on: eq(bars.id, barWorths.barId), columns: { family: bars.family } } },
    { where: eq(barWorths.liftKey, liftKey) },
  );
  const families = new Map<FamilyKey, typeof rows>();
  for (const one of rows) {
    if (one.row.uses < rules.learningUses) continue;
    const family = one.bar!.family as FamilyKey;
    families.set(family, [...(families.get(family) ?? []), one]);
  }
  return new Map(
    [...families].map(([family, own]) => {
      const values = own.map(({ row }) => row.logRatio);
      const mean = values.reduce((a, b) => a + b, 0) / values.length;
      const spread = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1);
      const people = new Set(own.map(({ row }) => row.lifterId)).size;
      return [family, { mean, sd: Math.max(0.03, Math.sqrt(spread)), lifters: people }];
    }),
  );
}

/** A set that a load is wanted for. */
export interface LoadWish extends WorthKey {
  family: FamilyKey;
  repetitions: number;
  reserve: number;
}

/** What is expected of a lifter. */
export interface Expected extends Banded {
  isFirst: boolean;
  isLearning: boolean;
  uses: number;
  /** Worth against the straight bar, and the straight single in kg. */
  ratio: number;
  straightKg: number;
}

/** Loads to expect of lifters in one lift, ready to be asked. */
export interface Expecting {
  of: (lifterId: string, wish: LoadWish) => Expected | null;
}

/** Reads what is needed to say which loads to expect of lifters in a lift; nothing for whoever may not read lifters. */
export async function expecting(context: Context, lifterIds: readonly string[], liftKey: string): Promise<Expecting> {
  const states = new Map<string, StrengthState>();
  const rules = await strengthRules(context);
  if (may(context, "lifter.read"))
    for (const id of new Set(lifterIds)) {
      const log = byLift(await logOf(context.hall, id, liftKey)).find(({ variant }) => variant === "");
      const state = log && strengthToday(rules, log, context.clock.today)?.state;
      if (state) states.set(id, state);
    }
  return {
    of: (lifterId, wish) => {
      const state = states.get(lifterId);
      return state ? expectedOf(rules, state, wish) : null;
    },
  };
}

/** What load to expect of a lifter whose state is known. */
function expectedOf(rules: StrengthRules, state: StrengthState, wish: LoadWish): Expected {
  const width = bandWidth(BAND_LEVEL);
  const prior = priorOfSet(wish.family, wish.setting);
  const key = worthKey(wish);
  const load = expectedLoad(rules, state, { ...wish, bar: key, prior }, width);
  const worth = barWorth(rules, state, key, prior, width);
  return {
    ...load,
    isLearning: worth.isLearning,
    uses: worth.uses,
    ratio: worth.value,
    straightKg: straightSingle(state, width).value,
  };
}

/** Lifters who are here and have a log. */
export async function lifterByKey({ hall }: Context, key: string) {
  return hall.first(lifters, { where: and(eq(lifters.key, key), isNull(lifters.retiredAt)) });
}

/** Bars that can be logged or asked for: everything that is not ordered, retired ones last. */
export async function loggableBars({ hall }: Context) {
  const rows = await hall.rows(bars, { where: ne(bars.state, "on-order") });
  return rows
    .map(({ id, tag, name, family, state }) => ({
      id,
      tag,
      name,
      family: family as FamilyKey,
      isRetired: state === "retired",
    }))
    .sort((a, b) => Number(a.isRetired) - Number(b.isRetired) || (a.tag < b.tag ? -1 : 1));
}
