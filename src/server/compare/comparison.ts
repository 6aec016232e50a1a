import "server-only";
import { isUsable } from "@/core/bars/bar";
import type { ComparedAt, ComparedLine, ComparedPart, ComparedSide } from "@/core/comparing/comparedParts";
import { comparedInWords } from "@/core/comparing/inWords";
import { type BarFeel, feelOfBars } from "@/server/feel";
import { buildOf, listLifters } from "@/server/lifters";
import type { Bar } from "@/core/bars/bar";
import { candidateBar } from "@/core/bars/candidate";
import { planBreaks, planWarnings } from "@/core/bars/fitness";
import type { Lift } from "@/core/matching/lifts";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import { type Disc, STANDARD_DISC } from "@/core/whip/assumedPlates";
import { type Bent, bendUnder } from "@/core/whip/compareWhip";
import { type ComparisonRow, comparisonRows } from "@/core/whip/comparisonRows";
import { type ComparisonState, readComparison } from "@/core/whip/comparisonState";
import { type Judgement, judge } from "@/core/whip/judgement";
import { type Context, may } from "@/server/access";
import { barsByTag } from "@/server/bars";
import { openFindings } from "@/server/care/findings";
import { listPlates, listStations } from "@/server/equipment";
import { allLifts, liftOf } from "@/server/lifts";
import { listOffers, OPEN_STATES } from "@/server/offers";
import { measuringRules, steadinessRules } from "@/server/rules";
import { type FactRow, factRows, familyFacts, offeredFacts } from "./facts";

/** Lighter discs are not what a heavy bar is loaded with. */
const MIN_DISC_KG = 10;

/** A bar of the hall, an offer that is on file, or figures that only the link knows. */
export type ComparedKind = "own" | "offer" | "candidate";

export interface Comparison {
  state: ComparisonState;
  unknownTags: string[];
  /** Bars of the hall, then offers, then candidates, each in the order of the link. */
  items: { bar: Bar; bent: Bent; kind: ComparedKind }[];
  /** What else may be bought. */
  offered: { code: string; name: string }[];
  /** Why bars of the hall may not be lifted with at this load, then what should be known of them: sentences. */
  breaks: string[];
  warnings: string[];
  lifts: Lift[];
  lift: Lift;
  discs: Disc[];
  disc: Disc;
  handsMm: number;
  noticeableMm: number;
  rows: ComparisonRow[];
  judgement: Judgement;
  /** What changes between two of them, in words; null for fewer than two. */
  words: { a: string; b: string; parts: Record<ComparedPart, ComparedLine[]>; lifterName: string | null } | null;
  /** Whose size it may be said for; empty for whoever may not read lifters. */
  lifters: { key: string; name: string }[];
  /** What people say of the gym's bars, by tag. */
  feels: ReadonlyMap<string, BarFeel>;
}

/** Everything a comparison shows, from its link: the page and its exports say the same. */
export async function comparisonFor(context: Context, search: Record<string, string | undefined>): Promise<Comparison> {
  const state = readComparison(search);
  const [found, liftRows, { items: plates }, rules, findings, offers, people, racks, steady, feels] = await Promise.all(
    [
      barsByTag(context, state.tags),
      allLifts(context),
      listPlates(context),
      measuringRules(context),
      openFindings(context),
      listOffers(context, OPEN_STATES),
      listLifters(context),
      listStations(context),
      steadinessRules(context),
      feelOfBars(context, state.tags),
    ],
  );
  const lifts = liftRows.map(liftOf);
  const lift = lifts.find(({ key }) => key === state.lift) ?? lifts.find(({ key }) => key === "deadlift") ?? lifts[0]!;
  const discs: Disc[] = [
    STANDARD_DISC,
    ...plates.flatMap(({ key, massUnits, massValue, massUnit, material, thicknessMm }) => {
      const massKg = kgFromMassUnits(massUnits);
      if (thicknessMm === null || massKg < MIN_DISC_KG) return [];
      const name = `${trimmed(Number(massValue), 2)} ${massUnit} ${material ?? "discs"}, ${trimmed(thicknessMm, 1)} mm`;
      return [{ key, name, massKg, thicknessMm }];
    }),
  ];
  const disc = discs.find(({ key }) => key === state.disc) ?? STANDARD_DISC;
  const handsMm = state.handsMm ?? 2 * lift.supportHalfSpacingMm;
  const own = found.map(({ bar }) => bar);
  const onOffer = state.offers.flatMap((code) => offers.find((offer) => offer.code === code) ?? []);
  const compared = (bar: Bar, kind: ComparedKind) => ({
    bar,
    bent: bendUnder(bar, state.loadKg, handsMm / 2, disc),
    kind,
  });
  const items = [
    ...own.map((bar) => compared(bar, "own")),
    ...onOffer.map(({ bar }) => compared(bar, "offer")),
    ...state.candidates.map((candidate, i) => compared(candidateBar(candidate, i), "candidate")),
  ];
  const family = [
    ...(await familyFacts(
      context,
      items.map(({ bar }) => bar.family),
    )),
    ...onOffer.map(offeredFacts),
  ];
  const person = people.find(({ key }) => key === state.lifter) ?? null;
  const at: ComparedAt = {
    ...{ lift, loadKg: state.loadKg, handsHalfMm: handsMm / 2, disc, noticeableMm: rules.noticeableMm },
    build: (person && buildOf(person)) ?? USUAL_BUILD,
    racks: racks.items,
    steadiness: steady.order,
    holePitchMm: racks.items.find(({ kind, holePitchMm }) => kind === "rack" && holePitchMm)?.holePitchMm ?? null,
  };
  const pair = state.pair.map((place) => items[place]);
  const [one, two] = pair[0] && pair[1] ? [pair[0], pair[1]] : [items[0], items[1]];
  return {
    words:
      one && two
        ? {
            ...{ a: one.bar.tag, b: two.bar.tag },
            parts: comparedInWords(sideOf(one.bar, family), sideOf(two.bar, family), at),
            lifterName: person && buildOf(person) ? person.name : null,
          }
        : null,
    lifters: people.filter((row) => buildOf(row) !== null).map(({ key, name }) => ({ key, name })),
    feels,
    state: { ...state, lift: lift.key, handsMm: handsMm === 2 * lift.supportHalfSpacingMm ? null : handsMm },
    unknownTags: [
      ...state.tags.filter((tag) => !found.some(({ bar }) => bar.tag === tag)),
      ...state.offers.filter((code) => !onOffer.some((offer) => offer.code === code)),
    ],
    items,
    offered: offers
      .filter(({ code }) => !state.offers.includes(code))
      .map(({ code, offer }) => ({ code, name: offer.name })),
    breaks: own.flatMap((bar) => planBreaks(bar, { totalKg: state.loadKg })),
    warnings: own.flatMap((bar) => planWarnings(bar, findings.get(bar.tag) ?? [])),
    lifts,
    lift,
    discs,
    disc,
    handsMm,
    noticeableMm: rules.noticeableMm,
    rows: [...comparisonRows(items, lift), ...factRows(items, family, may(context, "price.read"))],
    judgement: judge(items, {
      lift,
      loadKg: state.loadKg,
      supportHalfSpacingMm: handsMm / 2,
      disc,
      noticeableMm: rules.noticeableMm,
    }),
  };
}

/** Somebody of usual size, where nobody is asked for. */
const USUAL_BUILD = { heightMm: 1750, massKg: 80 };

/** Lighter by less than this nobody goes looking for. */
const LIGHTER_KG = 1;

function sideOf(bar: Bar, facts: readonly FactRow[]): ComparedSide {
  const own = facts.find(({ tag }) => tag === bar.tag);
  const mass = bar.quantities.mass?.value ?? null;
  const lighter = facts
    .filter(({ tag, family, state }) => family === bar.family && tag !== bar.tag && isUsable(state))
    .flatMap(({ tag, massKg }) =>
      massKg !== null && mass !== null && massKg <= mass - LIGHTER_KG ? [{ tag, kg: massKg }] : [],
    )
    .sort((a, b) => a.kg - b.kg)[0];
  return {
    bar,
    areSleevesGrooved: own?.areSleevesGrooved ?? null,
    looseParts: own?.looseParts?.length ?? 0,
    sticksOutMm: own?.sticksOutMm ?? null,
    lighter: lighter ?? null,
  };
}

/** The question of a comparison in one line: "deadlift, 270 kg in all, hands 440 mm apart, 25 kg discs, 27 mm". */
export function questionWords({ lift, state, handsMm, disc }: Comparison): string {
  const grip =
    lift.contact === "back" ? `back ${trimmed(handsMm, 0)} mm wide` : `hands ${trimmed(handsMm, 0)} mm apart`;
  return `${lift.name}, ${state.loadText} kg in all, ${grip}, ${disc.name}`;
}
