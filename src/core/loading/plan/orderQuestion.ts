import type { PlanSet, SessionQuestion } from "./sessionQuestion";

/** A session of several lifters who lift in the same order every round. */
export interface OrderQuestion extends Omit<SessionQuestion, "sets"> {
  /** By round, then by lifter as they were named; null where a lifter has no set in a round. */
  rounds: readonly (readonly (PlanSet | null)[])[];
}
