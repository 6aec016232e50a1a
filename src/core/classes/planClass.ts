import { ratedTotalKg, valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { sideWaysOf } from "../loading/plan/sessionWays";
import type { PlanPlate } from "../loading/plan/sessionQuestion";
import { massUnitsFromKg } from "../units/exactMass";
import { listed, trimmed } from "../units/format";
import type { HallDay } from "../units/hallDay";
import type { MatchingRules } from "../matching/houseRules";
import type { Lift } from "../matching/lifts";
import type { MatchLifter, Purpose } from "../matching/lifter";
import { overStation } from "../bars/fitness";
import { gradeBar } from "../matching/match";
import { rankOf, VERDICTS, type Verdict } from "../matching/verdict";
import { assignClass } from "./assignClass";
import { assignWithPlates, conflictOf, type ClassPlates, type PlateConflict } from "./classPlates";
import type { ClassPlan, ClassProblem } from "./problem";
import { spareSpecialBars } from "./spareSpecialBars";
import { fitsStation, stationKindsFor, type ClassStation } from "./stationSuits";

/** What a verdict is worth to a class; a bar that is never for somebody is no choice at all. Ours. */
const POINTS: Record<Verdict, number> = { "made-for": 100, good: 80, usable: 40, poor: 10, never: -1 };

export interface ClassEntry {
  id: string;
  person: string;
  /** For sentences. */
  personName: string;
  lift: Lift;
  loadKg: number;
  lifter: MatchLifter;
  purpose: Purpose;
  /** What is fixed; null where it is free. Blocks count from 0. */
  block: number | null;
  station: string | null;
  tag: string | null;
}

export interface ClassQuestion {
  entries: readonly ClassEntry[];
  stations: readonly (ClassStation & { capacity: number })[];
  blocks: number;
  /** Bars in use; one that is not usable is never for anybody. */
  bars: readonly Bar[];
  /** Where bars hang, by tag. */
  placeOf?: ReadonlyMap<string, string | null>;
  rules: MatchingRules;
  today: HallDay;
  /** The plates that all stations share; absent where they are not thought of. */
  pool?: PlatePool;
}

/** The plates of a gym, and what of bars and clamps it takes to know what goes on. */
export interface PlatePool {
  plates: readonly PlanPlate[];
  /** What a plate is called, by its id. */
  names: Readonly<Record<string, string>>;
  clampPairUnits: number;
  clampWidthMm: number;
  toleranceUnits: number;
  /** What each bar counts as, by tag; a bar that is not there is not loaded. */
  barUnits: Readonly<Record<string, number>>;
}

/** What a class's plates allow. */
export interface PlatesOfClass {
  /** Whether they are enough, whoever of each station has their work set on the bar. */
  isServed: boolean;
  /** Who cannot have theirs on at the same moment, and what would be missing. */
  clashes: string[];
  /** Of all sets, warm-ups too, planned around one another: how many come short, and which. */
  sets?: { count: number; short: { lifter: string; time: string; lackKg: number }[] };
}

/** Where one entry is, or why it is nowhere. */
export interface PlacedEntry {
  id: string;
  block: number | null;
  station: string | null;
  tag: string | null;
  verdict: Verdict | null;
  /** The best verdict any bar has for it. */
  best: Verdict;
  /** What the class cost this entry, in words for the coach; empty when nothing. */
  tradeOff: string;
}

export interface PlannedClass {
  entries: PlacedEntry[];
  isProven: boolean;
  /** Share of the greatest fit that everybody could have if alone, 0 to 1. */
  fit: number;
  /** Absent in plans of earlier versions. */
  plates?: PlatesOfClass;
}

/**
 * A class as the assignment takes it. Slots are stations block by block.
 *
 * @returns entries, slots and the worth of each in points
 */
export function classProblem({ entries, stations, blocks, bars, rules, today }: ClassQuestion): ClassProblem {
  const slots = Array.from({ length: blocks }, (_, block) =>
    stations.map((station) => ({
      block,
      capacity: station.capacity,
      bars: bars.map((bar) => fitsStation(bar, station, rules.rackMarginMm)),
    })),
  ).flat();
  return {
    slots,
    entries: entries.map(({ person, lift, loadKg, lifter, purpose, block, station, tag }) => {
      const kinds = stationKindsFor(lift);
      return {
        person,
        fit: bars.map((bar) =>
          tag !== null && bar.tag !== tag ? -1 : POINTS[gradeBar(bar, lift, loadKg, { lifter, purpose, rules, today })],
        ),
        slots: slots.map((slot, k) => {
          const at = stations[k % stations.length]!;
          return (
            kinds.includes(at.kind) &&
            overStation(at, loadKg).length === 0 &&
            (block === null || block === slot.block) &&
            (station === null || station === at.key)
          );
        }),
      };
    }),
  };
}

/**
 * Everybody's block, station and bar, with what each gave up and to whom.
 *
 * @returns an entry each with block (from 0), station and bar, null where there is no place, and what it gave up
 */
export function planClass(question: ClassQuestion, mayGoOn: () => boolean = () => true): PlannedClass {
  const problem = classProblem(question);
  const { stations, bars, pool } = question;
  const plates = pool && platesOf(question, pool);
  const served = plates && assignWithPlates(problem, plates, { mayGoOn, mayLeaveOut: false });
  const { isProven, ...plan } = served ?? assignClass(problem);
  const spared = spareSpecialBars(
    problem,
    plan,
    bars.map(({ family }) => FAMILIES[family].form === "straight"),
    (slot, bar) => {
      const { nearPlace } = stations[slot % stations.length]!;
      return nearPlace !== null && question.placeOf?.get(bars[bar]!.tag) === nearPlace;
    },
  );
  // Other bars weigh something else: the plates must still be enough.
  const answer = plates && served?.isServed && conflictOf(problem, plates, spared) ? plan : spared;
  const told = describePlan(question, problem, answer, isProven);
  return served && pool
    ? { ...told, plates: { isServed: served.isServed, clashes: clashWords(question, pool, served.conflicts) } }
    : told;
}

/** Ways of one load that are looked at; those of fewest plates come first. */
const MAX_WAYS = 300;

/**
 * What the entries of a class put on each bar.
 *
 * @returns pairs by kind, and ways to load an entry's work set on a bar
 */
export function platesOf({ entries, bars }: ClassQuestion, pool: PlatePool): ClassPlates {
  const known = new Map<string, readonly Uint8Array[]>();
  return {
    pairs: pool.plates.map(({ pairs }) => pairs),
    waysOf: (e, b) => {
      const [{ loadKg }, bar] = [entries[e]!, bars[b]!];
      const barUnits = pool.barUnits[bar.tag];
      if (barUnits === undefined) return [];
      const key = `${loadKg} ${bar.tag}`;
      let ways = known.get(key);
      if (!ways) {
        const [sleeve, rated] = [valueOf(bar, "sleeveLength"), ratedTotalKg(bar)];
        const [answer] = sideWaysOf({
          ...{ barUnits, clampPairUnits: pool.clampPairUnits, plates: pool.plates, changesSetupEmpty: false },
          roomMm: sleeve === null ? null : Math.max(0, sleeve - pool.clampWidthMm),
          sets: [{ id: key, targetUnits: massUnitsFromKg(loadKg), setup: null }],
          ...{ start: [], endsEmpty: false, toleranceUnits: pool.toleranceUnits, isFloor: true },
          ratedUnits: rated === null ? null : massUnitsFromKg(rated),
        });
        known.set(key, (ways = answer!.ways.slice(0, MAX_WAYS)));
      }
      return ways;
    },
  };
}

/**
 * Who cannot have their work set on at the same moment.
 *
 * @returns a sentence for each conflict
 */
export function clashWords(
  { entries }: ClassQuestion,
  { plates, names }: PlatePool,
  conflicts: readonly PlateConflict[],
): string[] {
  return conflicts.map(({ parts, missing }) => {
    const who = parts.map(({ entry }) => {
      const { personName, lift, loadKg } = entries[entry]!;
      return `${personName} (${lift.name} ${trimmed(loadKg, 1)} kg)`;
    });
    const what = missing.flatMap((n, k) =>
      n > 0 ? [`${n === 1 ? "a pair" : `${n} pairs`} of ${names[plates[k]!.id] ?? plates[k]!.id}`] : [],
    );
    return `${listed(who)} at the same time: ${listed(what)} would be missing.`;
  });
}

/**
 * A plan in words: who is where with which bar, how well it suits, and what everybody gave up and to whom.
 *
 * @returns an entry each with block (from 0), station and bar, null where there is no place
 */
export function describePlan(
  question: ClassQuestion,
  problem: ClassProblem,
  answer: ClassPlan,
  isProven: boolean,
): PlannedClass {
  const { entries, stations, bars } = question;
  const verdicts = problem.entries.map(({ fit }) => fit.map(verdictOf));
  const placed = entries.map((entry, e): PlacedEntry => {
    // What a bar costs that somebody fixed is counted too: against every bar, not against that one.
    const best = bestOf(entry.tag === null ? verdicts[e]! : gradesOf(question, entry));
    const slot = answer.slotOf[e]!;
    if (slot < 0)
      return {
        id: entry.id,
        block: null,
        station: null,
        tag: null,
        verdict: null,
        best,
        tradeOff: whyNowhere(problem, e, best, isTooHeavy(question, entry)),
      };
    const bar = answer.barOf[slot]!;
    const verdict = verdicts[e]![bar]!;
    const better = bars.flatMap((_, j) => (rankOf(verdicts[e]![j]!) < rankOf(verdict) ? [j] : []));
    return {
      id: entry.id,
      block: problem.slots[slot]!.block,
      station: stations[slot % stations.length]!.key,
      tag: bars[bar]!.tag,
      verdict,
      best,
      tradeOff:
        entry.tag !== null && rankOf(best) < rankOf(verdict)
          ? `${entry.tag} is fixed: ${words(verdict)} rather than ${words(best)}.`
          : better.length === 0
            ? ""
            : tradeOff({ question, problem, answer, e, bar, better, verdict, best }),
    };
  });
  const alone = placed.reduce((sum, { best }) => sum + Math.max(0, POINTS[best]), 0);
  const got = placed.reduce((sum, { verdict }) => sum + (verdict ? POINTS[verdict] : 0), 0);
  return { entries: placed, isProven, fit: alone === 0 ? 1 : got / alone };
}

const bestOf = (verdicts: readonly Verdict[]) =>
  verdicts.reduce<Verdict>((a, b) => (rankOf(b) < rankOf(a) ? b : a), "never");

/** What every bar would be for an entry, whatever is fixed of it. */
const gradesOf = ({ bars, rules, today }: ClassQuestion, { lift, loadKg, lifter, purpose }: ClassEntry): Verdict[] =>
  bars.map((bar) => gradeBar(bar, lift, loadKg, { lifter, purpose, rules, today }));

const verdictOf = (points: number): Verdict => VERDICTS.find((verdict) => POINTS[verdict] === points)!;

/** Whether a station of the class would suit the lift and does not hold its load. */
const isTooHeavy = ({ stations }: ClassQuestion, { lift, loadKg }: ClassEntry) =>
  stations.some((at) => stationKindsFor(lift).includes(at.kind) && overStation(at, loadKg).length > 0);

function whyNowhere({ entries, slots }: ClassProblem, e: number, best: Verdict, isTooHeavy: boolean): string {
  const { fit, slots: open } = entries[e]!;
  if (best === "never") return "No bar here can be used for this.";
  if (!open.some(Boolean) && isTooHeavy) return "No station of the class holds this load.";
  if (!open.some(Boolean)) return "No station of the class suits this lift.";
  const reachable = slots.some((slot, k) => open[k] && slot.bars.some((can, j) => can && fit[j]! >= 0));
  return reachable ? "Every station that suits it is full." : "No bar that suits it fits a station of the class.";
}

interface Cost {
  question: ClassQuestion;
  problem: ClassProblem;
  answer: { slotOf: readonly number[]; barOf: readonly number[] };
  e: number;
  bar: number;
  better: readonly number[];
  verdict: Verdict;
  best: Verdict;
}

/** Who has the bar that would have been better, in the same block if it is there, or what else kept it away. */
function tradeOff({ question, problem, answer, e, bar, better, verdict, best }: Cost): string {
  const { entries, bars } = question;
  const { slots } = problem;
  const block = slots[answer.slotOf[e]!]!.block;
  const instead = `${bars[bar]!.tag} instead: ${words(verdict)} rather than ${words(best)}.`;
  const own = problem.entries[e]!;
  const fits = better.filter((j) => slots.some((slot, k) => own.slots[k] && slot.bars[j]));
  if (fits.length === 0)
    return `${listed(better.slice(0, 3).map((j) => bars[j]!.tag))} would suit better and ${better.length === 1 ? "does" : "do"} not lie in the J-cups of a station that is open to this; ${instead}`;
  const top = fits.filter((j) => own.fit[j] === Math.max(...fits.map((one) => own.fit[one]!)));
  const taken = top
    .flatMap((j) => answer.barOf.flatMap((there, k) => (there === j ? [{ j, k }] : [])))
    .sort((a, b) => Number(slots[b.k]!.block === block) - Number(slots[a.k]!.block === block));
  const first = taken[0];
  if (first) {
    const who = entries.filter((_, i) => answer.slotOf[i] === first.k).map(({ personName }) => personName);
    return `${bars[first.j]!.tag} went to ${listed(who)}; ${instead}`;
  }
  const isShared = entries.some((_, i) => i !== e && answer.slotOf[i] === answer.slotOf[e]);
  return isShared
    ? `Shares a station and its bar with others; ${instead}`
    : `${bars[top[0]!]!.tag} would need a station that others hold; ${instead}`;
}

const words = (verdict: Verdict) => (verdict === "made-for" ? "made for it" : verdict);
