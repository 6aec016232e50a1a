import "server-only";
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
import type { Context } from "@/server/access";
import { barsByTag } from "@/server/bars";
import { openFindings } from "@/server/care/findings";
import { listPlates } from "@/server/equipment";
import { allLifts, liftOf } from "@/server/lifts";
import { listOffers, OPEN_STATES } from "@/server/offers";
import { measuringRules } from "@/server/rules";

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
}

/** Everything a comparison shows, from its link: the page and its exports say the same. */
export async function comparisonFor(context: Context, search: Record<string, string | undefined>): Promise<Comparison> {
  const state = readComparison(search);
  const [found, liftRows, { items: plates }, rules, findings, offers] = await Promise.all([
    barsByTag(context, state.tags),
    allLifts(context),
    listPlates(context),
    measuringRules(context),
    openFindings(context),
    listOffers(context, OPEN_STATES),
  ]);
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
  return {
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
    rows: comparisonRows(items, lift),
    judgement: judge(items, {
      lift,
      loadKg: state.loadKg,
      supportHalfSpacingMm: handsMm / 2,
      disc,
      noticeableMm: rules.noticeableMm,
    }),
  };
}

/** The question of a comparison in one line: "deadlift, 270 kg in all, hands 440 mm apart, 25 kg discs, 27 mm". */
export function questionWords({ lift, state, handsMm, disc }: Comparison): string {
  const grip =
    lift.contact === "back" ? `back ${trimmed(handsMm, 0)} mm wide` : `hands ${trimmed(handsMm, 0)} mm apart`;
  return `${lift.name}, ${state.loadText} kg in all, ${grip}, ${disc.name}`;
}
