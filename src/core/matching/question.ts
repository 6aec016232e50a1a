import type { Bar } from "../bars/bar";
import { valueOf } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { RackPlace } from "../bars/rackSpan";
import type { HallDay } from "../units/hallDay";
import { assumedCentroidMm } from "../whip/assumedPlates";
import { bendingBarOf, type BendingBar } from "../whip/bendingBar";
import { whipOfSide, type Whip } from "../whip/closedForm";
import type { MatchingRules } from "./houseRules";
import type { Lift } from "./lifts";
import type { MatchLifter, Purpose } from "./lifter";
import type { Finding } from "./verdict";

/** What is going on with a bar besides the bar itself. */
export interface BarToday {
  /** Days that some care of it is overdue, and which; null when none is. */
  overdue: { task: string; days: number } | null;
  /** Where it is in use just now. */
  takenAt: string | null;
  /** Where it hangs. */
  place: string | null;
  /** What was found wrong with it and is not resolved yet. */
  findings?: readonly string[];
}

export interface MatchQuestion {
  bar: Bar;
  lift: Lift;
  /** Total on the bar, bar included. */
  loadKg: number;
  lifter: MatchLifter | null;
  purpose: Purpose;
  today: HallDay;
  barToday: BarToday | null;
  /** The place beside the station that it is wanted at; null when nobody said. */
  near: string | null;
  /** Every station of the gym; none where the gym is not known. */
  stations: readonly RackPlace[];
  /** The station it is wanted at; null when nobody said. */
  at: RackPlace | null;
  rules: MatchingRules;
}

/** Looks at one thing and says nothing when it has nothing to say. */
export type Factor = (question: MatchQuestion) => Finding | null;

/**
 * Whether a bar is a straight one.
 *
 * @returns true when its family is straight from end to end
 */
export const isStraight = (bar: Bar) => FAMILIES[bar.family].form === "straight";
/**
 * Whether a set is for learning, so that an empty bar may be much of it.
 *
 * @returns true when the set is for learning or the lifter is new
 */
export const isLearningSet = ({ lifter, purpose }: MatchQuestion) =>
  purpose === "learning" || lifter?.experience === "learning";

type Bending = { ok: true; bar: BendingBar; massKg: number } | { ok: false; missing: string[] };
/** A bar is graded for many lifts; what bending needs of it is found out once. */
const known = new WeakMap<Bar, Bending>();

/**
 * What bending needs of a bar.
 *
 * @returns sizes in mm, moduli in GPa, the mass in kg; or what is to be measured first
 */
export function bendingOf(bar: Bar): Bending {
  let bending = known.get(bar);
  if (!bending) {
    const found = bendingBarOf(bar);
    const massKg = valueOf(bar, "mass");
    bending = !found.ok
      ? found
      : massKg === null
        ? { ok: false, missing: ["mass"] }
        : { ok: true, bar: found.bar, massKg };
    known.set(bar, bending);
  }
  return bending;
}

/** Two considerations ask for it one after the other. */
let last: { question: MatchQuestion; whip: Whip | null } | null = null;

/**
 * How the bar bends under this load in this lift; null when that cannot be said or there is nothing on it.
 *
 * @returns mm, N·m and MPa, or null
 */
export function whipAt(question: MatchQuestion): Whip | null {
  if (last?.question !== question) last = { question, whip: bentIn(question) };
  return last.whip;
}

function bentIn({ bar, lift, loadKg }: MatchQuestion): Whip | null {
  const bending = bendingOf(bar);
  if (!bending.ok || loadKg <= bending.massKg) return null;
  const sideKg = (loadKg - bending.massKg) / 2;
  return whipOfSide(
    bending.bar,
    lift.supportHalfSpacingMm,
    sideKg,
    assumedCentroidMm(bending.bar.seatToSeatMm, sideKg),
  );
}
