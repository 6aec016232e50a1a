import { balance } from "../balance/balance";
import type { Build } from "../balance/body";
import { carryOn } from "../balance/carryOn";
import { valueOf, type Bar } from "../bars/bar";
import { isRackable } from "../bars/rackSpan";
import type { Lift } from "../matching/lifts";

/** A rack as far as heights go; holes count from 1, upwards. */
export interface RackHoles {
  firstHoleMm: number;
  holePitchMm: number;
}

/** Height of the shoulder as a share of height: acromion, Drillis & Contini, in Winter (handbook §9). */
const SHOULDER_SHARE = 0.818;
/** So far below the carried bar the J-cups sit, that nobody unracks on tiptoe (handbook §9). */
const BELOW_MM = 60;

/**
 * J-cups against a straight bar, to start from; common practice: one hole up, two down (handbook §9). A cambered bar is
 * racked exactly as a straight one: the shaft in the J-cups is the one on the back.
 */
const USUAL_OFFSET_MM: Record<string, number> = { yoke: 50, "adjustable-yoke": 50, "low-yoke": -100 };

/**
 * How much higher than a straight bar's a bar's J-cups sit, in mm: its own figure, else the usual of its family.
 *
 * @returns mm, positive for higher
 */
export function jCupOffsetMm(bar: Bar): number {
  const own = valueOf(bar, "jCupOffset");
  if (own !== null) return own;
  return USUAL_OFFSET_MM[bar.family] ?? 0;
}

/** Where a straight bar lies against the shoulder in a lift, in mm along the trunk (handbook §9). */
const STRAIGHT_MM: Record<string, number> = { "back-squat-low": -60, "front-squat": -20, "goblet-squat": -20 };
const HIGH_MM = 20;
const straightMm = (like: string) => STRAIGHT_MM[like] ?? HIGH_MM;

/**
 * Height of the J-cups above the floor for a racked squat, in mm: shoulder + where a straight bar
 * lies in that lift − 60 mm + the bar's offset. Null for a lift that is not carried on back or front, and for a bar that is not racked.
 *
 * @returns mm above the floor, or null
 */
export function jCupHeightMm(build: Build, bar: Bar, lift: Pick<Lift, "like">): number | null {
  if (!carryOn(bar, lift.like) || !isRackable(bar)) return null;
  return SHOULDER_SHARE * build.heightMm + straightMm(lift.like) - BELOW_MM + jCupOffsetMm(bar);
}

/**
 * The last hole at or below a height; null when even the first is above it.
 *
 * @returns the hole's number from 1, or null
 */
export function holeAtOrBelow({ firstHoleMm, holePitchMm }: RackHoles, heightMm: number): number | null {
  // A hair of a millimetre is no hole: 1430 is hole 21 whatever the doubles say.
  const hole = Math.floor((heightMm - firstHoleMm) / holePitchMm + 1e-9) + 1;
  return hole >= 1 ? hole : null;
}

/**
 * How high a hole of a rack is.
 *
 * @returns mm above the floor
 */
export const holeHeightMm = ({ firstHoleMm, holePitchMm }: RackHoles, hole: number) =>
  firstHoleMm + (hole - 1) * holePitchMm;

/** So much room is left between the lowest part of the bar at the bottom of the squat and the safeties. Ours. */
const SAFETY_ROOM_MM = 40;

export interface RackSetting {
  hole: number;
  heightMm: number;
  /** Holes above the one of a straight bar carried high; negative below. */
  fromStraight: number;
  /** Hole of the safeties, under the lowest hanging part at a level thigh; null when that is below every hole. */
  safetyHole: number | null;
}

/**
 * Where J-cups and safeties go for one lifter, lift and bar in one rack. Null where the lift is not racked like that or
 * the rack has no hole low enough. Safeties follow the lowest hanging part of the bar, not the back.
 *
 * @returns hole numbers from 1, or null
 */
export function rackSetting(build: Build, bar: Bar, lift: Pick<Lift, "like">, rack: RackHoles): RackSetting | null {
  const heightMm = jCupHeightMm(build, bar, lift);
  const hole = heightMm === null ? null : holeAtOrBelow(rack, heightMm);
  if (heightMm === null || hole === null) return null;
  const straight = holeAtOrBelow(rack, heightMm - jCupOffsetMm(bar)) ?? 1;
  const carried = carryOn(bar, lift.like)!;
  const bottom = balance({
    lifter: build,
    pose: { shankLeanDeg: carried.shankLeanDeg, thighAngleDeg: 0 },
    carry: carried.carry,
    loadKg: 60,
  });
  const hangs = valueOf(bar, "lowestPart");
  const lowest =
    bottom &&
    (hangs === null ? Math.min(bottom.figure.contact[1], bottom.figure.load[1]) : bottom.figure.contact[1] - hangs);
  return {
    hole,
    heightMm: holeHeightMm(rack, hole),
    fromStraight: hole - straight,
    safetyHole: lowest === null ? null : holeAtOrBelow(rack, lowest - SAFETY_ROOM_MM),
  };
}

const COUNT_WORDS = ["no", "one", "two", "three", "four", "five", "six"];

/**
 * "J-cups in hole 19, one hole up from a straight bar; safeties in hole 8."
 *
 * @returns a clause
 */
export function rackWords({ hole, fromStraight, safetyHole }: RackSetting): string {
  const count = Math.abs(fromStraight);
  const against =
    fromStraight === 0
      ? ""
      : `, ${COUNT_WORDS[count] ?? count} ${count === 1 ? "hole" : "holes"} ${fromStraight > 0 ? "up" : "down"} from a straight bar`;
  return `J-cups in hole ${hole}${against}; safeties ${safetyHole === null ? "as low as they go" : `in hole ${safetyHole}`}.`;
}

/**
 * Where J-cups go for somebody: what they used last, else by the rule; and what is to say when the two differ.
 *
 * @returns the hole's number from 1 or null, and a note or null
 */
export function rackHole(rule: number | null, lastUsed: number | null): { hole: number | null; note: string | null } {
  if (lastUsed === null) return { hole: rule, note: null };
  if (rule === null || rule === lastUsed) return { hole: lastUsed, note: null };
  return lastUsed > rule
    ? {
        hole: lastUsed,
        note: `used last; the rule says hole ${rule}. If it is unracked on tiptoe, take the lower one.`,
      }
    : { hole: lastUsed, note: `used last; the rule says hole ${rule}` };
}

/**
 * Pairs of J-cups that are left for lifting when some store bars; never less than none.
 *
 * @returns a count of pairs
 */
export const pairsLeft = (pairs: number, storedBars: number) => Math.max(0, pairs - storedBars);
