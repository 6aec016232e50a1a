import "server-only";
import { type Bar, ratedTotalKg, valueOf } from "@/core/bars/bar";
import { outOfUseText, planBreaks } from "@/core/bars/fitness";
import { seatToSeatOf } from "@/core/bars/lengths";
import { commonInnerPart } from "@/core/loading/handled";
import { load } from "@/core/loading/load";
import { type Changeovers, changeovers } from "@/core/loading/plan/changeovers";
import { MAX_LIFTERS } from "@/core/loading/plan/orderLifters";
import type { PlanSet, SessionPlan, SessionQuestion } from "@/core/loading/plan/sessionQuestion";
import type { PlateKind } from "@/core/loading/plateKind";
import { type LadderWish, ladderRounds } from "@/core/loading/rounds";
import type { TippingAnswer } from "@/core/loading/tipping";
import { type RackFacts, tippingOf } from "@/core/loading/tippingOf";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import type { Context } from "@/server/access";
import type { ListedBar } from "@/server/bars";
import { compute } from "@/server/computing";
import { type ClampRow, listStations, type PlateRow, type StationRow } from "@/server/equipment";
import { type Outcome, failed } from "@/server/kit";
import { matchingRules } from "@/server/rules";
import { pairsAtHand, plateKindAtHand, platesAtHand } from "./platesAtHand";

/** Whether a loaded bar turns over at a rack, with the screen's reserve; null where no J-cups are. */
export function tippingAt(
  bar: Bar,
  station: StationRow | null,
  plates: ReadonlyMap<string, PlateRow>,
  perSide: readonly string[],
  clamps: ClampRow | null,
  otherSide: readonly string[] = perSide,
): TippingAnswer | null {
  const rack = rackFacts(bar, station);
  const plateOf = (key: string) => {
    const { massUnits, thicknessMm } = plates.get(key)!;
    return { massUnits, thicknessMm };
  };
  return rack && tippingOf(rack, perSide.map(plateOf), clamps && clampFacts(clamps), otherSide.map(plateOf));
}

/** What tipping wants to know of a bar at a rack; null where it rests on no J-cups, or nobody measured it. */
export function rackFacts(bar: Bar, station: StationRow | null): RackFacts | null {
  const barKg = valueOf(bar, "mass");
  const seatToSeatMm = seatToSeatOf(bar)?.value ?? null;
  if (!station || station.supportSpacingMm === null || barKg === null || seatToSeatMm === null) return null;
  return { barKg, seatToSeatMm, rackHalfSpacingMm: station.supportSpacingMm / 2 };
}

export const clampFacts = ({ pairMassUnits, widthMm }: ClampRow) => ({ pairMassUnits, widthMm });

export interface SessionWish extends LadderWish {
  /** Who lifts, and what their work set is, total on the bar. */
  lifters: readonly { name: string; workKg: number; repetitions?: number }[];
  /** Repetitions of a work set, where a lifter has none of their own. */
  repetitions?: number;
  /** As named, lightest first, or the order for which fewest plates are handled. */
  order: "named" | "lightest" | "fewest";
  clamps: ClampRow | null;
  only: "kg" | "lb" | null;
  /** How long the plan may take, in ms; a screen's usual time when absent. */
  planMs?: number;
  station: StationRow | null;
  /** By lifter's name: how the bar is set for them, and the hole of the J-cups. */
  settings?: ReadonlyMap<string, LifterSetting>;
  /** Whether the bar may only be set anew while it is empty. */
  changesSetupEmpty?: boolean;
}

/** A work set has so many repetitions unless somebody says otherwise. */
export const USUAL_REPETITIONS = 5;

export interface LifterSetting {
  setup: string | null;
  cup: number | null;
}

export interface RunSet {
  id: string;
  lifter: string;
  isWork: boolean;
  targetKg: number;
  achievedKg: number;
  errorKg: number;
  setup: string | null;
  jCupHole: number | null;
  repetitions: number;
  perSide: string[];
  /** From the set before: taken off, outside first, and put on, inside first; one side. */
  off: string[];
  on: string[];
  tipping: TippingAnswer | null;
}

export interface SessionRun {
  sets: RunSet[];
  order: string[];
  plan: SessionPlan;
  /** Least that any order costs, plates and changes of setup and J-cups together; null when the order was given. */
  orderBound: number | null;
  changes: Changeovers;
  question: SessionQuestion;
  /** Plates that other sessions hold or will need, and that are left to them. */
  leftToOthers: { key: string; pairs: number; where: string[] }[];
  /** Plates handled if any might go inside, as far as it was found; null where the house lets any. */
  anyOrder: number | null;
  /** The same sets stripped and loaded anew each time, the usual way: plates and kilograms handled, one side. */
  scratch: { plates: number; kg: number };
  handledKg: number;
  plates: Map<string, PlateRow>;
  barKg: number;
}

/** Every set on one bar: ladders to the work sets, plates and their order so that fewest are handled. */
export async function planRun(
  context: Context,
  { bar }: ListedBar,
  wish: SessionWish,
): Promise<Outcome<{ run: SessionRun }>> {
  const out = outOfUseText(bar);
  if (out) return failed("impossible", `${out} Take another bar.`);
  const mass = valueOf(bar, "mass");
  if (mass === null) return failed("impossible", `The mass of ${bar.tag} is unknown. Weigh it first.`);
  const [atHand, { policies, rackMarginMm, loadToleranceKg }] = [
    await platesAtHand(context),
    await matchingRules(context),
  ];
  const breaks = planBreaks(bar, {
    totalKg: Math.max(...wish.lifters.map(({ workKg }) => workKg), 0),
    station: wish.station,
    stations: wish.station ? (await listStations(context)).items : [],
    marginMm: rackMarginMm,
  });
  if (breaks.length > 0)
    return failed("impossible", `${breaks.join(" ")} Take another bar${wish.station ? " or rack" : ""}.`);
  const barKg = policies.mass === "rounded" ? Math.round(mass) : mass;
  const clampUnits = wish.clamps?.pairMassUnits ?? 0;
  const emptyKg = barKg + kgFromMassUnits(clampUnits);
  const lifters = wish.order === "lightest" ? [...wish.lifters].sort((a, b) => a.workKg - b.workKg) : wish.lifters;
  let ladders: ReturnType<typeof ladderRounds>;
  try {
    ladders = ladderRounds(
      lifters.map(({ workKg }) => workKg),
      emptyKg,
      wish,
    );
  } catch (error) {
    return failed("invalid", error instanceof RangeError ? `Warm-ups cannot be made: ${error.message}.` : "No ladder.");
  }
  const facts = new Map<
    string,
    Pick<RunSet, "lifter" | "targetKg" | "isWork" | "setup" | "jCupHole" | "repetitions">
  >();
  const rounds: (PlanSet | null)[][] = ladders.map((round, r) =>
    round.map((set, l) => {
      if (!set) return null;
      const id = `${r + 1}.${l + 1}`;
      const { name, repetitions = wish.repetitions ?? USUAL_REPETITIONS } = lifters[l]!;
      const { setup = null, cup = null } = wish.settings?.get(name) ?? {};
      facts.set(id, { lifter: name, targetKg: set.targetKg, isWork: set.isWork, setup, jCupHole: cup, repetitions });
      return { id, targetUnits: massUnitsFromKg(set.targetKg), setup, cup };
    }),
  );
  const sets = rounds.flat().filter((set) => set !== null);
  if (sets.length > 200) return failed("invalid", `That is ${sets.length} sets; plan at most 200 at once.`);
  const kinds = [...atHand.values()]
    .filter(({ row }) => wish.only === null || row.massUnit === wish.only)
    .map((plate) => plateKindAtHand(plate, pairsAtHand(plate, "throughout")));
  const [sleeve, rated] = [valueOf(bar, "sleeveLength"), ratedTotalKg(bar)];
  const question: SessionQuestion = {
    barUnits: massUnitsFromKg(barKg),
    clampPairUnits: clampUnits,
    roomMm: sleeve === null ? null : Math.max(0, sleeve - (wish.clamps?.widthMm ?? 0)),
    changesSetupEmpty: wish.changesSetupEmpty ?? false,
    plates: kinds.map(({ id, massUnits, pairs, thicknessMm, diameterMm }) => ({
      ...{ id, massUnits, pairs, diameterMm },
      thicknessMm: thicknessMm ?? 0,
    })),
    sets,
    start: [],
    endsEmpty: true,
    ...{ toleranceUnits: massUnitsFromKg(loadToleranceKg), isFloor: true, order: policies.stack },
    ratedUnits: rated === null ? null : massUnitsFromKg(rated),
  };
  const isFree = wish.order === "fewest" && lifters.length > 1 && lifters.length <= MAX_LIFTERS;
  const limits = { ms: wish.planMs };
  const ordered = isFree ? await compute(context, "lifterOrder", { ...question, rounds }, limits) : null;
  const plan = ordered?.plan ?? (await compute(context, "sessionPlan", question, limits));
  const anyOrder =
    policies.stack === "any"
      ? null
      : await compute(context, "sessionPlan", inAnyOrder(question, plan), { ms: ANY_ORDER_MS });
  const plates = new Map([...atHand].map(([key, { row, massUnits }]) => [key, { ...row, massUnits }]));
  const kgOf = (stack: readonly string[]) =>
    stack.reduce((sum, key) => sum + kgFromMassUnits(plates.get(key)!.massUnits), 0);
  let before: readonly string[] = [];
  let setup: string | null | undefined;
  let handledKg = 0;
  const run = plan.sets.map(({ id, achievedUnits, errorUnits, perSide }): RunSet => {
    const known = facts.get(id)!;
    const isEmptied = question.changesSetupEmpty && setup !== undefined && known.setup !== setup;
    const kept = isEmptied ? 0 : commonInnerPart(before, perSide);
    const [off, on] = [before.slice(kept).toReversed(), perSide.slice(kept)];
    setup = known.setup;
    handledKg += kgOf(off) + kgOf(on);
    before = perSide;
    return {
      id,
      ...known,
      achievedKg: kgFromMassUnits(achievedUnits),
      errorKg: kgFromMassUnits(errorUnits),
      perSide,
      off,
      on,
      tipping: tippingAt(bar, wish.station, plates, perSide, wish.clamps),
    };
  });
  handledKg += kgOf(before);
  return {
    ok: true,
    run: {
      sets: run,
      order: (ordered?.order ?? lifters.map((_, l) => l)).map((l) => lifters[l]!.name),
      plan,
      changes: changeovers(plan.sets.map(({ id }) => ({ setup: facts.get(id)!.setup, cup: facts.get(id)!.jCupHole }))),
      question: { ...question, sets: plan.sets.map(({ id }) => sets.find((set) => set.id === id)!) },
      leftToOthers: [...atHand.values()].flatMap((plate) => {
        const pairs = plate.row.pairs - pairsAtHand(plate, "throughout");
        return pairs > 0 ? [{ key: plate.row.key, pairs, where: plate.held.map(({ where }) => where) }] : [];
      }),
      orderBound: ordered ? ordered.lowerBound : null,
      anyOrder: anyOrder && Math.min(anyOrder.handled, plan.handled),
      scratch: scratchOf(question, kinds, kgOf),
      handledKg,
      plates,
      barKg: mass,
    },
  };
}

/** Time to look what any order would save. */
const ANY_ORDER_MS = 700;

/** The same session, in the order it is lifted, with any plate inside. */
function inAnyOrder(question: SessionQuestion, plan: SessionPlan): SessionQuestion {
  const byId = new Map(question.sets.map((set) => [set.id, set]));
  return { ...question, order: "any", sets: plan.sets.map(({ id }) => byId.get(id)!) };
}

/** Every set stripped and loaded anew with fewest plates: what most do. */
function scratchOf(
  question: SessionQuestion,
  kinds: readonly PlateKind[],
  kgOf: (stack: readonly string[]) => number,
): SessionRun["scratch"] {
  const known = new Map<number, readonly string[]>();
  let [platesHandled, kg] = [0, 0];
  for (const { targetUnits } of question.sets) {
    let stack = known.get(targetUnits);
    if (!stack) {
      const single = load({
        targetUnits,
        barUnits: question.barUnits,
        clampPairUnits: question.clampPairUnits,
        roomMm: question.roomMm,
        ratedUnits: question.ratedUnits ?? null,
        plates: kinds,
        ending: "racked",
        rounding: "nearest",
        toleranceUnits: 0,
        floorUnits: question.toleranceUnits,
        onBar: null,
      });
      stack = single.ok ? single.perSide : [];
      known.set(targetUnits, stack);
    }
    platesHandled += 2 * stack.length;
    kg += 2 * kgOf(stack);
  }
  return { plates: platesHandled, kg };
}
