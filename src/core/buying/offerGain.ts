import type { Bar } from "../bars/bar";
import { listed } from "../units/format";
import { addDays, type HallDay } from "../units/hallDay";
import type { MatchingRules } from "../matching/houseRules";
import type { MatchLifter } from "../matching/lifter";
import type { Lift } from "../matching/lifts";
import { gradeBar } from "../matching/match";
import { rankOf, type Verdict } from "../matching/verdict";
import type { PurchaseNeed } from "./purchaseQuestion";

/* What an offer would change for the people of a gym: from verdict to verdict, lift by lift. */

/** What a verdict is worth; as in a class. Ours. */
export const VERDICT_POINTS: Record<Verdict, number> = { "made-for": 100, good: 80, usable: 40, poor: 10, never: 0 };

/** Somebody's lift, as it is weighed. */
export interface GainWant {
  person: string;
  personName: string;
  lift: Lift;
  loadKg: number;
  lifter?: MatchLifter;
  /** Lifts of the busiest class count twice. */
  weight: number;
}

export interface GainQuestion {
  wants: readonly GainWant[];
  /** Bars in service. */
  bars: readonly Bar[];
  rules: MatchingRules;
  today: HallDay;
}

/** Wants with the best verdict that a bar in service has for each. */
export interface OwnedVerdict extends GainWant {
  verdict: Verdict;
  /** The bar that has it where only one does, and the best verdict of all others; null where several are as good. */
  alone: { tag: string; next: Verdict } | null;
}

/**
 * The best verdict of any bar that is owned, want by want.
 *
 * @returns the wants with their verdicts
 */
export function ownedVerdicts({ wants, bars, rules, today }: GainQuestion): OwnedVerdict[] {
  return wants.map((want) => {
    let [best, next]: [{ tag: string; verdict: Verdict } | null, Verdict] = [null, "never"];
    for (const bar of bars) {
      const verdict = gradeOf(bar, want, rules, today);
      if (verdict !== "never" && (!best || rankOf(verdict) < rankOf(best.verdict))) {
        next = best?.verdict ?? next;
        best = { tag: bar.tag, verdict };
      } else if (rankOf(verdict) < rankOf(next)) next = verdict;
      // Two of the best kind: nothing that follows changes anything.
      if (best?.verdict === "made-for" && next === "made-for") break;
    }
    const isAlone = best !== null && rankOf(next) > rankOf(best.verdict);
    return { ...want, verdict: best?.verdict ?? "never", alone: isAlone ? { tag: best!.tag, next } : null };
  });
}

/** A bar is bought for years: that it is new to somebody in the first weeks does not count, here as there. */
const LEARNT_DAYS = 365;

function gradeOf(bar: Bar, { lift, loadKg, lifter }: GainWant, rules: MatchingRules, today: HallDay): Verdict {
  if (!lifter) return gradeBar(bar, lift, loadKg, { rules, today });
  const used = new Map([[bar.tag, { first: addDays(today, -LEARNT_DAYS), last: today }]]);
  return gradeBar(bar, lift, loadKg, { lifter: { ...lifter, used }, rules, today });
}

/**
 * As if it were here: a bar on order suits nobody until it hangs.
 *
 * @returns the bar in service
 */
export const asIfHere = (bar: Bar): Bar => ({ ...bar, state: "in-service", stateReason: null });

/**
 * Verdicts of offers for the same wants.
 *
 * @returns by want, one verdict for each offer
 */
export function offeredVerdicts(
  offers: readonly Bar[],
  { wants, rules, today }: Omit<GainQuestion, "bars">,
): Verdict[][] {
  const here = offers.map(asIfHere);
  return wants.map((want) => here.map((bar) => gradeOf(bar, want, rules, today)));
}

/**
 * The needs of a purchase: one for each lift of each person.
 *
 * @param ids of the offers, in the order of the verdicts
 * @returns needs in points of verdicts
 */
export function needsOf(
  owned: readonly OwnedVerdict[],
  ids: readonly string[],
  verdicts: readonly (readonly Verdict[])[],
): PurchaseNeed[] {
  return owned.map(({ person, lift, weight, verdict }, i) => ({
    id: `${person} ${lift.key}`,
    weight,
    owned: VERDICT_POINTS[verdict],
    offers: verdicts[i]!.flatMap((own, k) =>
      VERDICT_POINTS[own] > VERDICT_POINTS[verdict] ? [{ id: ids[k]!, points: VERDICT_POINTS[own], copies: 1 }] : [],
    ),
  }));
}

/** What it counts that somebody's only best bar is taken, hurt or at care, against having none; ours. */
const SPARE_WEIGHT = 0.25;

/**
 * Needs of whoever has one bar only that is best for them: when it is taken or out of service, an offer as good, or
 * nearly, steps in.
 *
 * @param ids of the offers, in the order of the verdicts
 * @returns needs in points of verdicts
 */
export function spareNeeds(
  owned: readonly OwnedVerdict[],
  ids: readonly string[],
  verdicts: readonly (readonly Verdict[])[],
): PurchaseNeed[] {
  return owned.flatMap(({ person, lift, weight, verdict, alone }, i) => {
    if (!alone) return [];
    const now = VERDICT_POINTS[alone.next];
    return [
      {
        id: `spare ${person} ${lift.key}`,
        weight: SPARE_WEIGHT * weight,
        owned: now,
        offers: verdicts[i]!.flatMap((own, k) => {
          const points = Math.min(VERDICT_POINTS[own], VERDICT_POINTS[verdict]);
          return points > now ? [{ id: ids[k]!, points, copies: 1 }] : [];
        }),
      },
    ];
  });
}

/** Bars for which an offer steps in, with whose lifts depend on them. */
export interface Spare {
  tag: string;
  lifts: string[];
  people: string[];
  from: Verdict;
  to: Verdict;
}

/**
 * For which bars some offers step in when they are taken or out of service; most lifts first.
 *
 * @param chosen places of the offers among the verdicts
 * @returns one for each bar
 */
export function sparesOf(
  owned: readonly OwnedVerdict[],
  verdicts: readonly (readonly Verdict[])[],
  chosen: readonly number[],
): Spare[] {
  const found = new Map<string, Spare & { count: number }>();
  owned.forEach(({ lift, personName, alone }, i) => {
    if (!alone) return;
    const to = chosen.reduce<Verdict>(
      (best, k) => (rankOf(verdicts[i]![k]!) < rankOf(best) ? verdicts[i]![k]! : best),
      alone.next,
    );
    if (to === alone.next) return;
    const known = found.get(alone.tag) ?? { tag: alone.tag, lifts: [], people: [], from: alone.next, to, count: 0 };
    if (!known.lifts.includes(lift.name)) known.lifts.push(lift.name);
    if (!known.people.includes(personName)) known.people.push(personName);
    if (rankOf(alone.next) > rankOf(known.from)) known.from = alone.next;
    known.count += 1;
    found.set(alone.tag, known);
  });
  return [...found.values()]
    .sort((a, b) => b.count - a.count || (a.tag < b.tag ? -1 : 1))
    .map(({ count: _, ...spare }) => spare);
}

/** One step up of a lift, with who gains from it. */
export interface Improvement {
  liftKey: string;
  lift: string;
  from: Verdict;
  to: Verdict;
  people: string[];
  points: number;
}

/**
 * What some offers improve, from verdict to verdict; the most points first.
 *
 * @param chosen places of the offers among the verdicts
 * @returns improvements by lift
 */
export function improvementsOf(
  owned: readonly OwnedVerdict[],
  verdicts: readonly (readonly Verdict[])[],
  chosen: readonly number[],
): Improvement[] {
  const found = new Map<string, Improvement>();
  owned.forEach(({ lift, verdict, personName, weight }, i) => {
    const to = chosen.reduce<Verdict>(
      (best, k) => (rankOf(verdicts[i]![k]!) < rankOf(best) ? verdicts[i]![k]! : best),
      verdict,
    );
    if (to === verdict) return;
    const key = `${lift.key} ${verdict} ${to}`;
    const known = found.get(key) ?? { liftKey: lift.key, lift: lift.name, from: verdict, to, people: [], points: 0 };
    known.people.push(personName);
    known.points += weight * (VERDICT_POINTS[to] - VERDICT_POINTS[verdict]);
    found.set(key, known);
  });
  return [...found.values()].sort((a, b) => b.points - a.points || (a.lift < b.lift ? -1 : 1));
}

const SAID_PEOPLE = 3;

/**
 * Some people by name, the rest by number: "Isla, Runa and 4 more".
 *
 * @returns words
 */
export function peopleText(people: readonly string[]): string {
  if (people.length <= SAID_PEOPLE + 1) return listed(people);
  return `${people.slice(0, SAID_PEOPLE).join(", ")} and ${people.length - SAID_PEOPLE} more`;
}

/**
 * Owned bars that an offer would be one more of: the same family, as thick, and turning alike.
 *
 * @returns the bars
 */
export function duplicatesOf(offer: Bar, bars: readonly Bar[]): Bar[] {
  const close = (kind: "shaftDiameter" | "mass", most: number) => (bar: Bar) => {
    const [a, b] = [offer.quantities[kind]?.value, bar.quantities[kind]?.value];
    return a === undefined || b === undefined || Math.abs(a - b) <= most;
  };
  return bars.filter(
    (bar) =>
      bar.family === offer.family &&
      (bar.sleeveRotation === offer.sleeveRotation || !bar.sleeveRotation || !offer.sleeveRotation) &&
      close("shaftDiameter", 0.3)(bar) &&
      close("mass", 1)(bar),
  );
}
