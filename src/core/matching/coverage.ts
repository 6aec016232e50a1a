import type { Bar } from "../bars/bar";
import type { HallDay } from "../units/hallDay";
import type { MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import type { MatchLifter } from "./lifter";
import { gradeBar } from "./match";
import { rankOf, VERDICTS, type Verdict } from "./verdict";

export type Covered = "well" | "barely" | "not";

export interface LiftCoverage {
  lift: string;
  loadKg: number;
  /** Best verdict of any bar. */
  best: Verdict;
  covered: Covered;
  /** Verdict of every bar, in the order of the bars asked for. */
  verdicts: Verdict[];
  /** Bars that are made for it or good. */
  good: string[];
  /** People who do this lift. */
  people: number;
}

export interface BarDemand {
  tag: string;
  /** People whose best choice it is, in some lift. */
  people: number;
  /** Of those, people for whom no other bar is as good. */
  alone: number;
}

export interface Coverage {
  byLift: LiftCoverage[];
  byBar: BarDemand[];
}

interface Question {
  bars: readonly Bar[];
  lifts: readonly Lift[];
  /** Who does which lift with which load. */
  wants: readonly { person: string; lift: string; loadKg: number; lifter: MatchLifter }[];
  rules: MatchingRules;
  today: HallDay;
}

/**
 * What the bars in service cover: a lift is covered well when two bars or more are at least good for it at its usual
 * load, barely when one is or when the best is only usable, and not at all below that. And who leans on which bar: a
 * person depends on a bar that is the best for them in a lift they do, and depends on it alone where no other is as good.
 *
 * @returns a verdict for each bar in each lift, and who hangs on what
 */
export function coverage({ bars, lifts, wants, rules, today }: Question): Coverage {
  const alike = alikeBars(bars, []);
  const byLift = lifts.map((lift): LiftCoverage => {
    const verdicts = alike.each((bar) => gradeBar(bar, lift, lift.usualKg, { rules, today }));
    const best = verdicts.reduce<Verdict>((a, b) => (rankOf(b) < rankOf(a) ? b : a), "never");
    const good = bars.filter((_, i) => rankOf(verdicts[i]!) <= rankOf("good")).map(({ tag }) => tag);
    const covered = good.length > 1 ? "well" : rankOf(best) <= rankOf("usable") ? "barely" : "not";
    const people = new Set(wants.filter((want) => want.lift === lift.key).map(({ person }) => person)).size;
    return { lift: lift.key, loadKg: lift.usualKg, best, covered, verdicts, good, people };
  });
  return { byLift, byBar: barDemand({ bars, lifts, wants, rules, today }) };
}

/**
 * Who leans on which bar, the most needed first.
 *
 * @returns people by bar, most first
 */
export function barDemand({ bars, lifts, wants, rules, today }: Question): BarDemand[] {
  const [leaning, alone] = [new Map<string, Set<string>>(), new Map<string, Set<string>>()];
  const add = (to: Map<string, Set<string>>, tag: string, person: string) =>
    to.set(tag, (to.get(tag) ?? new Set()).add(person));
  const byKey = new Map(lifts.map((lift) => [lift.key, lift]));
  const alike = alikeBars(
    bars,
    wants.map(({ lifter }) => lifter),
  );
  for (const { person, lift: key, loadKg, lifter } of wants) {
    const lift = byKey.get(key);
    if (!lift) continue;
    const ranks = alike.each((bar) => rankOf(gradeBar(bar, lift, loadKg, { lifter, rules, today })));
    const best = ranks.reduce((least, rank) => Math.min(least, rank), VERDICTS.length - 1);
    if (best >= VERDICTS.length - 1) continue;
    const firsts = bars.filter((_, i) => ranks[i] === best);
    for (const { tag } of firsts) add(leaning, tag, person);
    if (firsts.length === 1) add(alone, firsts[0]!.tag, person);
  }
  return bars
    .map(({ tag }) => ({ tag, people: leaning.get(tag)?.size ?? 0, alone: alone.get(tag)?.size ?? 0 }))
    .sort((a, b) => b.alone - a.alone || b.people - a.people || (a.tag < b.tag ? -1 : 1));
}

/**
 * Bars that differ in nothing but tag and name suit the same: each kind is looked at once. A bar that one of the lifters
 * has used is a kind of its own, since familiarity counts.
 */
function alikeBars(bars: readonly Bar[], lifters: readonly MatchLifter[]) {
  const used = new Set(lifters.flatMap((lifter) => [...lifter.used.keys()]));
  const kinds = new Map<string, number>();
  const firsts: Bar[] = [];
  const kindOf = bars.map((bar) => {
    const key = JSON.stringify({ ...bar, name: "", tag: used.has(bar.tag) ? bar.tag : "" });
    const known = kinds.get(key);
    if (known !== undefined) return known;
    kinds.set(key, firsts.length);
    firsts.push(bar);
    return firsts.length - 1;
  });
  return {
    /** What is worked out for each bar, in their order. */
    each<T>(work: (bar: Bar) => T): T[] {
      const answers = firsts.map(work);
      return kindOf.map((kind) => answers[kind]!);
    },
  };
}
