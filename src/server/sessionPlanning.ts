import "server-only";
import { isUsable, valueOf, type Bar } from "@/core/bars/bar";
import { seatToSeatOf } from "@/core/bars/lengths";
import { commonInnerPart, platesHandled } from "@/core/loading/handled";
import { ladder, type LadderWay } from "@/core/loading/ladder";
import { load } from "@/core/loading/load";
import { planOrder } from "@/core/loading/plan/orderLifters";
import { planSession } from "@/core/loading/plan/planSession";
import type { PlanSet, SessionPlan, SessionQuestion } from "@/core/loading/plan/sessionQuestion";
import { tipping, TIPPING_RESERVE, type TippingAnswer } from "@/core/loading/tipping";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import type { ListedBar } from "./bars";
import { listPlates, plateKindOf, type ClampRow, type PlateRow, type StationRow } from "./equipment";
import { matchingRules } from "./houseRules";
import { failed, type Outcome } from "./outcome";
import type { Who } from "./who";

/** Thickness of a plate that nobody measured, for tipping, in mm: thick, so that the answer is on the safe side. */
const UNKNOWN_THICKNESS_MM = 50;

/** Whether a loaded bar turns over at a rack, with the screen's reserve; null where no J-cups are. */
export function tippingAt(
  bar: Bar,
  station: StationRow | null,
  plates: ReadonlyMap<string, PlateRow>,
  perSide: readonly string[],
  clamps: ClampRow | null,
): TippingAnswer | null {
  const barKg = valueOf(bar, "mass");
  const seat = seatToSeatOf(bar)?.value ?? null;
  if (!station || station.supportSpacingMm === null || barKg === null || seat === null) return null;
  const side = [
    ...perSide.map((key) => {
      const row = plates.get(key)!;
      return { massKg: kgFromMassUnits(row.massUnits), thicknessMm: row.thicknessMm ?? UNKNOWN_THICKNESS_MM };
    }),
    ...(clamps ? [{ massKg: kgFromMassUnits(clamps.pairMassUnits) / 2, thicknessMm: clamps.widthMm }] : []),
  ];
  return tipping({
    barKg,
    seatToSeatMm: seat,
    rackHalfSpacingMm: station.supportSpacingMm / 2,
    left: side,
    right: side,
    reserve: TIPPING_RESERVE,
  });
}

export interface SessionWish {
  /** Who lifts, and what their work set is, total on the bar. */
  lifters: readonly { name: string; workKg: number }[];
  way: LadderWay;
  /** For jumps, in kg; for a number of warm-ups. */
  jumpKg: number;
  count: number;
  workSets: number;
  /** As named, lightest first, or the order for which fewest plates are handled. */
  order: "named" | "lightest" | "fewest";
  clamps: ClampRow | null;
  only: "kg" | "lb" | null;
  station: StationRow | null;
  /** What turned out otherwise, in the order it happened: after so many sets, a set's load, or null to leave it out. */
  changes?: readonly RunChange[];
}

export interface RunChange {
  /** Sets done by then; they stay as they were. */
  done: number;
  id: string;
  kg: number | null;
}

export interface RunSet {
  id: string;
  lifter: string;
  isWork: boolean;
  targetKg: number;
  achievedKg: number;
  errorKg: number;
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
  /** Whether a better order may exist; null when the order was given. */
  orderBound: number | null;
  /** The same sets stripped and loaded anew each time, the usual way: plates and kilograms handled, one side. */
  scratch: { plates: number; kg: number };
  handledKg: number;
  plates: Map<string, PlateRow>;
  barKg: number;
}

/** Every set on one bar: ladders to the work sets, plates and their order so that fewest are handled. */
export async function planRun(who: Who, { bar }: ListedBar, wish: SessionWish): Promise<Outcome<{ run: SessionRun }>> {
  if (!isUsable(bar.state))
    return failed(
      "impossible",
      `${bar.tag} is ${bar.state.replace("-", " ")}${bar.stateReason ? `, ${bar.stateReason}` : ""}. Take another bar.`,
    );
  const mass = valueOf(bar, "mass");
  if (mass === null) return failed("impossible", `The mass of ${bar.tag} is unknown. Weigh it first.`);
  const [{ items: rows }, { schools }] = [await listPlates(who), await matchingRules(who)];
  const barKg = schools.mass === "rounded" ? Math.round(mass) : mass;
  const clampUnits = wish.clamps?.pairMassUnits ?? 0;
  const emptyKg = barKg + kgFromMassUnits(clampUnits);
  let ladders: number[][];
  try {
    ladders = wish.lifters.map(({ workKg }) =>
      ladder({ workKg, emptyKg, way: wish.way, jumpKg: wish.jumpKg, count: wish.count }),
    );
  } catch (error) {
    return failed(
      "invalid",
      error instanceof RangeError ? `The ladder cannot be made: ${error.message}.` : "No ladder.",
    );
  }
  const named = wish.lifters.map(({ name, workKg }, l) => ({ name, workKg, steps: ladders[l]! }));
  const lifters = wish.order === "lightest" ? [...named].sort((a, b) => a.workKg - b.workKg) : named;
  // Everybody reaches the work sets in the same round, so the shorter ladders begin later.
  const longest = Math.max(...lifters.map(({ steps }) => steps.length));
  const facts = new Map<string, { lifter: string; targetKg: number; isWork: boolean }>();
  const rounds: (PlanSet | null)[][] = Array.from({ length: longest + wish.workSets - 1 }, (_, r) =>
    lifters.map(({ name, workKg, steps }, l) => {
      const step = r - (longest - steps.length);
      if (step < 0) return null;
      const targetKg = step < steps.length ? steps[step]! : workKg;
      const id = `${r + 1}.${l + 1}`;
      facts.set(id, { lifter: name, targetKg, isWork: step >= steps.length - 1 });
      return { id, targetUnits: massUnitsFromKg(targetKg), setup: null };
    }),
  );
  const sets = rounds.flat().filter((set) => set !== null);
  if (sets.length > 200) return failed("invalid", `That is ${sets.length} sets; plan at most 200 at once.`);
  const kinds = rows.filter(({ massUnit }) => wish.only === null || massUnit === wish.only).map(plateKindOf);
  const sleeve = valueOf(bar, "sleeveLength");
  const question: SessionQuestion = {
    barUnits: massUnitsFromKg(barKg),
    clampPairUnits: clampUnits,
    roomMm: sleeve === null ? null : Math.max(0, sleeve - (wish.clamps?.widthMm ?? 0)),
    changesSetupEmpty: false,
    plates: kinds.map(({ id, massUnits, pairs, thicknessMm }) => ({
      id,
      massUnits,
      pairs,
      thicknessMm: thicknessMm ?? 0,
    })),
    sets,
    start: [],
    endsEmpty: true,
  };
  const isFree = wish.order === "fewest" && lifters.length > 1 && lifters.length <= 6;
  const ordered = isFree ? planOrder({ ...question, rounds }) : null;
  const plan = ordered?.plan ?? planSession(question);
  const now = afterChanges(question, plan, wish.changes ?? [], facts);
  const plates = new Map(rows.map((row) => [row.key, row]));
  const kgOf = (stack: readonly string[]) =>
    stack.reduce((sum, key) => sum + kgFromMassUnits(plates.get(key)!.massUnits), 0);
  let before: readonly string[] = [];
  let handledKg = 0;
  const run = now.sets.map(({ id, achievedUnits, errorUnits, perSide }): RunSet => {
    const kept = commonInnerPart(before, perSide);
    const [off, on] = [before.slice(kept).toReversed(), perSide.slice(kept)];
    handledKg += kgOf(off) + kgOf(on);
    before = perSide;
    return {
      id,
      ...facts.get(id)!,
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
      plan: now,
      orderBound: ordered ? ordered.lowerBound : null,
      scratch: scratchOf(question, kinds, kgOf),
      handledKg,
      plates,
      barKg: mass,
    },
  };
}

/**
 * The plan after what turned out otherwise: sets that are done stay as they were, the rest is planned anew from what is
 * on the bar. A change that names no coming set is passed over.
 */
function afterChanges(
  question: SessionQuestion,
  first: SessionPlan,
  changes: readonly RunChange[],
  facts: Map<string, { lifter: string; targetKg: number; isWork: boolean }>,
): SessionPlan {
  let plan = first;
  for (const { done, id, kg } of changes) {
    const kept = plan.sets.slice(0, done);
    const coming = plan.sets.slice(done);
    if (!coming.some((set) => set.id === id)) continue;
    const sets = coming.flatMap((set): PlanSet[] => {
      const known = facts.get(set.id)!;
      if (set.id !== id) return [{ id: set.id, targetUnits: massUnitsFromKg(known.targetKg), setup: null }];
      if (kg === null) return [];
      facts.set(id, { ...known, targetKg: kg });
      return [{ id, targetUnits: massUnitsFromKg(kg), setup: null }];
    });
    const rest = planSession({ ...question, sets, start: kept.at(-1)?.perSide ?? [] });
    const before = handledThrough(kept.map(({ perSide }) => perSide));
    plan = {
      sets: [...kept, ...rest.sets],
      handled: before + rest.handled,
      lowerBound: before + rest.lowerBound,
      isProven: rest.isProven,
    };
  }
  return plan;
}

function handledThrough(stacks: readonly (readonly string[])[]): number {
  let sum = 0;
  stacks.forEach((stack, i) => (sum += platesHandled(stacks[i - 1] ?? [], stack)));
  return sum;
}

/** Every set stripped and loaded anew with fewest plates: what most do. */
function scratchOf(
  question: SessionQuestion,
  kinds: readonly ReturnType<typeof plateKindOf>[],
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
        ratedUnits: null,
        plates: kinds,
        ending: "racked",
        rounding: "at-or-below",
        toleranceUnits: 0,
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
