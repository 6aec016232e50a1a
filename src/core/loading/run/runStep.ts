import { planSession } from "../plan/planSession";
import type { PlanPlate } from "../plan/sessionQuestion";
import { lastClosed, onBarNow, type RunSet, type RunState, type SetEffort } from "./runState";

/** What somebody touched on a run sheet. A step names its set, so that the same one from two tablets counts once. */
export type RunStep =
  /** Lifted, with these plates on each side: a tablet that was away may have had another plan before it. */
  | { kind: "done"; set: string; perSide: readonly string[] }
  | { kind: "skip"; set: string }
  /** How a set that was lifted went. */
  | { kind: "effort"; set: string; effort: SetEffort }
  /** Another load, total on the bar. */
  | { kind: "load"; set: string; targetUnits: number }
  /** Takes back the last set that was done or left out. */
  | { kind: "reopen"; set: string }
  /** The hall has other plates than when it was planned. */
  | { kind: "plates"; plates: readonly PlanPlate[] };

export interface SteppedRun {
  state: RunState;
  /** "already": it is so since before; "late": something else happened to the set meanwhile; "unknown": no such set. */
  outcome: "taken" | "already" | "late" | "unknown";
}

/**
 * The run after a step. What is done stays as it was done; what comes is planned anew from what is on the bar, where
 * the step makes a difference to it. Pure, so that a tablet without a connection gets to the same state as the server.
 *
 * @returns the new state, and whether the step was taken, already so, late or unknown; the state given is not changed
 */
export function stepRun(run: RunState, step: RunStep): SteppedRun {
  if (step.kind === "plates") return { state: replanned({ ...run, plates: step.plates }), outcome: "taken" };
  const set = run.sets.find(({ id }) => id === step.set);
  if (!set) return { state: run, outcome: "unknown" };
  const stays = (outcome: SteppedRun["outcome"]): SteppedRun => ({ state: run, outcome });
  switch (step.kind) {
    case "done": {
      if (set.state === "done") return stays("already");
      if (step.perSide.some((id) => !run.plates.some((plate) => plate.id === id))) return stays("unknown");
      const isAsPlanned = set.state === "open" && isNext(run, set) && sameStack(set.perSide, step.perSide);
      const done = closed(run, {
        ...set,
        state: "done",
        perSide: step.perSide,
        achievedUnits: massOf(run, step.perSide),
      });
      return { state: isAsPlanned ? done : replanned(done), outcome: "taken" };
    }
    case "skip":
      if (set.state !== "open") return stays(set.state === "skipped" ? "already" : "late");
      return { state: replanned(closed(run, { ...set, state: "skipped" })), outcome: "taken" };
    case "effort":
      if (set.state !== "done") return stays("late");
      if (sameEffort(set.effort, step.effort)) return stays("already");
      return { state: changed(run, { ...set, effort: step.effort }), outcome: "taken" };
    case "load":
      if (set.state !== "open") return stays("late");
      if (set.targetUnits === step.targetUnits) return stays("already");
      return { state: replanned(changed(run, { ...set, targetUnits: step.targetUnits })), outcome: "taken" };
    case "reopen": {
      if (set.state === "open") return stays("already");
      if (lastClosed(run)?.id !== set.id) return stays("late");
      const opened = changed(run, { ...set, state: "open", effort: undefined });
      // A set that was lifted keeps its plates: they are on the bar.
      return { state: set.state === "done" ? opened : replanned(opened), outcome: "taken" };
    }
  }
}

const isNext = (run: RunState, set: RunSet) => run.sets.find(({ state }) => state === "open")?.id === set.id;

const changed = (run: RunState, set: RunSet): RunState => ({
  ...run,
  sets: run.sets.map((one) => (one.id === set.id ? set : one)),
});

/** A set done or left out stands after all that were before it. */
function closed(run: RunState, set: RunSet): RunState {
  const others = run.sets.filter(({ id }) => id !== set.id);
  const before = others.filter(({ state }) => state !== "open");
  return { ...run, sets: [...before, set, ...others.filter(({ state }) => state === "open")] };
}

/** The same on the server, under a lock, and on every tablet: by counted work and not by a clock. */
const BRIEFLY = { isBrief: true };

function replanned(run: RunState): RunState {
  const open = run.sets.filter(({ state }) => state === "open");
  const last = run.sets.findLast(({ state }) => state === "done");
  const isEmptied = run.bar.changesSetupEmpty && last && open[0] && last.setup !== open[0].setup;
  const plan = planSession(
    {
      ...run.bar,
      plates: run.plates,
      sets: open.map(({ id, targetUnits, setup }) => ({ id, targetUnits, setup })),
      start: isEmptied ? [] : onBarNow(run),
      endsEmpty: true,
    },
    BRIEFLY,
  );
  const fresh = new Map(plan.sets.map((set) => [set.id, set]));
  return {
    ...run,
    sets: run.sets.map((set) => {
      const { perSide, achievedUnits } = fresh.get(set.id) ?? set;
      return { ...set, perSide, achievedUnits };
    }),
    isProven: plan.isProven,
  };
}

function massOf({ bar, plates }: RunState, perSide: readonly string[]): number {
  const side = perSide.reduce((sum, id) => sum + plates.find((plate) => plate.id === id)!.massUnits, 0);
  return bar.barUnits + bar.clampPairUnits + 2 * side;
}

const sameEffort = (one: SetEffort | undefined, other: SetEffort) =>
  one?.repetitions === other.repetitions &&
  one.reserve === other.reserve &&
  one.isMade === other.isMade &&
  one.handsHelped === other.handsHelped;

const sameStack = (one: readonly string[], other: readonly string[]) =>
  one.length === other.length && one.every((id, i) => id === other[i]);
