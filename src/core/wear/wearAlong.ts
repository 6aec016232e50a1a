import { type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { drawnSizes } from "../drawing/drawnSizes";
import { LIFTS, type LiftKey } from "../matching/lifts";

/** Sets of one lift that were done on a bar, by lifters of one height. */
export interface GrippedSets {
  like: LiftKey;
  sets: number;
  /** Null where nobody said. */
  heightMm: number | null;
}

/** How hands wear the shaft along its length. Lengths in mm from the bar's middle, positive to the right. */
export interface WearAlong {
  stepMm: number;
  /** Middle of the first cell. */
  fromMm: number;
  /** Wear of each cell against the most worn one, 0 to 1. */
  cells: number[];
  /** Where to look first: stretches of the right half that are worn at least half as much as the most worn; mirrored at the left. */
  bands: { fromMm: number; toMm: number }[];
  /** Sets that it was made of; 0 when it is what the family's lifts would do. */
  sets: number;
}

/**
 * Half the distance between the hands of somebody of usual height where it is not the lift's support: on the back the
 * support is the back. Common practice, no source.
 */
const HANDS_HALF_MM: Partial<Record<LiftKey, number>> = {
  "back-squat-high": 360,
  "back-squat-low": 420,
  "box-squat": 400,
  "good-morning": 390,
  lunge: 360,
  "front-squat": 250,
};
/** How much chalk goes with a lift, against a pull from the floor. Common practice, no source. */
const CHALK: Record<"floor" | "press" | "back", number> = { floor: 1, press: 0.5, back: 0.25 };
const USUAL_HEIGHT_MM = 1750;
/** A hand is so wide, and people do not all grip at one place. */
const HAND_MM = 95;
const SPREAD_MM = 28;
const STEP_MM = 10;
/** No rule of a federation, and no hand, goes beyond the outer rings by much. */
const MAX_GRIP_MM = 560;

/**
 * Where this hall's lifts grip a bar: each set puts two hands where its lift has them, scaled by the lifter's height,
 * weighed by the chalk that goes with it. Where nothing was logged, the lifts that the family is made for count once
 * each.
 *
 * @returns null for bars that are held by handles: there hands wear no shaft
 */
export function wearAlong(bar: Bar, gripped: readonly GrippedSets[]): WearAlong | null {
  const { form } = FAMILIES[bar.family];
  if (form === "yoke" || form === "frame" || form === "multi-grip") return null;
  const { halfShaft } = drawnSizes(bar);
  const logged = gripped.filter(({ sets }) => sets > 0);
  const counted = logged.length > 0 ? logged : usualLifts(bar);
  const count = Math.max(1, Math.round((2 * halfShaft) / STEP_MM));
  const fromMm = -((count - 1) * STEP_MM) / 2;
  const raw = Array.from({ length: count }, () => 0);
  for (const { like, sets, heightMm } of counted) {
    const hand = handHalfMm(like, heightMm, halfShaft);
    const weight = sets * chalkOf(like);
    for (let i = 0; i < count; i += 1) {
      const x = fromMm + i * STEP_MM;
      raw[i]! += weight * (held(x - hand) + held(x + hand));
    }
  }
  const most = Math.max(...raw);
  const cells = raw.map((value) => (most === 0 ? 0 : value / most));
  return {
    stepMm: STEP_MM,
    fromMm,
    cells,
    bands: bandsOf(cells, fromMm),
    sets: logged.reduce((sum, { sets }) => sum + sets, 0),
  };
}

/**
 * Half the distance between the hands in a lift.
 *
 * @returns mm from the bar's middle, on the shaft
 */
export function handHalfMm(like: LiftKey, heightMm: number | null, halfShaftMm: number): number {
  const usual = HANDS_HALF_MM[like] ?? LIFTS[like].supportHalfSpacingMm;
  return Math.min((usual * (heightMm ?? USUAL_HEIGHT_MM)) / USUAL_HEIGHT_MM, MAX_GRIP_MM, halfShaftMm - HAND_MM / 2);
}

const chalkOf = (like: LiftKey): number => {
  const { contact, start } = LIFTS[like];
  return contact === "back" ? CHALK.back : start === "floor" ? CHALK.floor : CHALK.press;
};

/** Share of sets whose hand covers a place so far from the hand's middle: a hand's width blurred by how people differ. */
function held(offMm: number): number {
  const edge = (at: number) => 1 / (1 + Math.exp(-1.702 * (at / SPREAD_MM)));
  return edge(offMm + HAND_MM / 2) - edge(offMm - HAND_MM / 2);
}

/** What the family is made for, once each, where the log says nothing. */
function usualLifts({ family }: Bar): GrippedSets[] {
  const likes: readonly LiftKey[] = USUAL[family] ?? ["deadlift", "bench", "back-squat-high", "clean"];
  return likes.map((like) => ({ like, sets: 1, heightMm: null }));
}

/** The lifts of families that are made for some (handbook §4). */
const USUAL: Partial<Record<Bar["family"], readonly LiftKey[]>> = {
  power: ["back-squat-low", "bench", "deadlift"],
  weightlifting: ["clean", "jerk", "snatch"],
  "weightlifting-short": ["clean", "jerk", "snatch"],
  technique: ["clean", "snatch"],
  deadlift: ["deadlift"],
  squat: ["back-squat-low", "back-squat-high"],
  cambered: ["back-squat-high"],
  bowed: ["back-squat-high", "bench"],
  curl: ["curl", "triceps-extension"],
  axle: ["deadlift", "carry"],
};

function bandsOf(cells: readonly number[], fromMm: number): WearAlong["bands"] {
  const bands: { fromMm: number; toMm: number }[] = [];
  cells.forEach((value, i) => {
    const [left, right] = [fromMm + (i - 0.5) * STEP_MM, fromMm + (i + 0.5) * STEP_MM];
    if (right <= 0 || value < 0.5) return;
    const last = bands.at(-1);
    if (last && Math.abs(last.toMm - left) < 1e-6) last.toMm = right;
    else bands.push({ fromMm: Math.max(0, left), toMm: right });
  });
  return bands;
}
