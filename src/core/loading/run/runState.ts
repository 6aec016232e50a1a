import { commonInnerPart } from "../handled";
import type { PlanPlate, SessionPlan, SessionQuestion } from "../plan/sessionQuestion";

/** One set on the run sheet. Masses are whole units of 10⁻¹⁰ kg, total on the bar. */
export interface RunSet {
  id: string;
  lifter: string;
  isWork: boolean;
  targetUnits: number;
  /** How the bar is set for it, in words; null where there is nothing to set. */
  setup: string | null;
  jCupHole: number | null;
  achievedUnits: number;
  /** Plate ids of one side, inside first: as planned, or as it was done. */
  perSide: readonly string[];
  state: "open" | "done" | "skipped";
  /** Repetitions that were planned; absent on sheets begun by an earlier version. */
  repetitions?: number;
  /** How it went, where somebody said. */
  effort?: SetEffort;
}

/** How a set went. */
export interface SetEffort {
  repetitions: number;
  /** Repetitions that were left; null where nobody knows. */
  reserve: number | null;
  isMade: boolean;
  /** Whether the hands helped, on a bar that lets them. */
  handsHelped: boolean;
}

/**
 * A session while it is lifted: everything that a tablet needs to go on by itself, as plain JSON. Sets stand in the
 * order in which they are lifted: what is done or left out first, what comes after.
 */
export interface RunState {
  bar: Pick<SessionQuestion, "barUnits" | "clampPairUnits" | "roomMm" | "changesSetupEmpty"> &
    // Sheets that were begun by an earlier version do not say how near is right, nor which plates go inside.
    Partial<Pick<SessionQuestion, "toleranceUnits" | "isFloor" | "ratedUnits" | "order">>;
  plates: readonly PlanPlate[];
  /** On each side before the first set, inside first. */
  start: readonly string[];
  sets: readonly RunSet[];
  /** Whether what comes is proven to handle fewest plates. */
  isProven: boolean;
}

/**
 * The run sheet of a plan, nothing done yet. `sets` and `plan.sets` are the same sets in the same order.
 *
 * @returns the state that tablets share
 */
export function startRun(
  question: SessionQuestion,
  plan: SessionPlan,
  sets: readonly Pick<RunSet, "id" | "lifter" | "isWork" | "setup" | "jCupHole" | "repetitions">[],
): RunState {
  const { barUnits, clampPairUnits, roomMm, changesSetupEmpty, plates, start } = question;
  const { toleranceUnits, isFloor, ratedUnits, order } = question;
  return {
    bar: { barUnits, clampPairUnits, roomMm, changesSetupEmpty, toleranceUnits, isFloor, ratedUnits, order },
    plates: plates.map(({ id, massUnits, pairs, thicknessMm, diameterMm = null }) => ({
      ...{ id, massUnits, pairs, thicknessMm, diameterMm },
    })),
    start,
    sets: sets.map((set, i) => {
      const { achievedUnits, errorUnits, perSide } = plan.sets[i]!;
      return { ...set, achievedUnits, targetUnits: achievedUnits - errorUnits, perSide, state: "open" };
    }),
    isProven: plan.isProven,
  };
}

/**
 * The next set to lift, or null when none is left.
 *
 * @returns the set, or null
 */
export const currentSet = ({ sets }: RunState): RunSet | null => sets.find(({ state }) => state === "open") ?? null;

/**
 * The set that was done or left out last, or null.
 *
 * @returns the set, or null
 */
export const lastClosed = ({ sets }: RunState): RunSet | null => sets.findLast(({ state }) => state !== "open") ?? null;

/**
 * What is on each side now, inside first: as the last set that was done left it.
 *
 * @returns ids of plates, inside first
 */
export const onBarNow = ({ sets, start }: RunState): readonly string[] =>
  sets.findLast(({ state }) => state === "done")?.perSide ?? start;

/**
 * What comes off (outside first) and goes on (inside first) before each set; nothing before one that is left out.
 *
 * @returns ids of plates for each set, one side
 */
export function changesOfRun({ bar, sets, start }: RunState): { off: string[]; on: string[] }[] {
  let before = start;
  let setup: string | null | undefined;
  return sets.map((set) => {
    if (set.state === "skipped") return { off: [], on: [] };
    // A bar that may only be changed empty is stripped first.
    const isEmptied = bar.changesSetupEmpty && setup !== undefined && set.setup !== setup;
    const kept = isEmptied ? 0 : commonInnerPart(before, set.perSide);
    const change = { off: before.slice(kept).toReversed(), on: set.perSide.slice(kept) };
    before = set.perSide;
    setup = set.setup;
    return change;
  });
}

/**
 * Plates taken off plus put on, one side: through what was done and what is planned, the bar emptied at the end.
 *
 * @returns a count of plates
 */
export function handledInRun(run: RunState): number {
  const last = run.sets.findLast(({ state }) => state !== "skipped")?.perSide ?? run.start;
  return changesOfRun(run).reduce((sum, { off, on }) => sum + off.length + on.length, last.length);
}

/**
 * Most pairs of each plate that the run holds at once from now on.
 *
 * @returns pairs by plate
 */
export function platesHeldByRun(run: RunState): Map<string, number> {
  const most = new Map<string, number>();
  const stacks = [onBarNow(run), ...run.sets.filter(({ state }) => state === "open").map(({ perSide }) => perSide)];
  for (const stack of stacks) {
    const own = new Map<string, number>();
    for (const id of stack) own.set(id, (own.get(id) ?? 0) + 1);
    for (const [id, pairs] of own) most.set(id, Math.max(most.get(id) ?? 0, pairs));
  }
  return most;
}
