import "server-only";
import type { RunSet } from "@/core/loading/run/runState";
import type { RunStep, SteppedRun } from "@/core/loading/run/runStep";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";

const kgWords = (units: number) => `${trimmed(kgFromMassUnits(units), 2)} kg`;

/** What everybody at the bar should read of a touch; null where the sheet itself says it. */
export function noticeOf(step: RunStep, before: RunSet, next: SteppedRun): string | null {
  const set = `${before.lifter}'s set of ${kgWords(before.targetUnits)}`;
  if (next.outcome === "late")
    return step.kind === "reopen"
      ? `${set} was not undone: more was lifted since.`
      : `${set} was lifted on one tablet while another ${step.kind === "skip" ? "left it out" : "changed its load"}: it counts as lifted.`;
  if (next.outcome !== "taken") return null;
  const after = next.state.sets.find(({ id }) => id === before.id)!;
  switch (step.kind) {
    case "load":
      return `${before.lifter}: ${kgWords(step.targetUnits)} instead of ${kgWords(before.targetUnits)}. What comes was replanned.`;
    case "skip":
      return `${set} was left out. What comes was replanned.`;
    case "reopen":
      return `${set} was undone.`;
    case "done":
      if (before.state === "skipped") return `${set} had been left out and was lifted after all.`;
      return before.perSide.join() === after.perSide.join()
        ? null
        : `${before.lifter} lifted ${kgWords(after.achievedUnits)}, with other plates than planned last. What comes was replanned.`;
    default:
      return null;
  }
}
