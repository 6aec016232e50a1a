import type { Bar } from "../bars/bar";
import { type InspectionFacts, runoutOf } from "../care/inspection";
import { drawnSizes } from "../drawing/drawnSizes";

/** A turn of the dial at one place of the shaft. */
export interface DialAt {
  /** From the middle, positive to the right. */
  atMm: number;
  /** Readings at even angles round the turn, from the same mark at every place. */
  dialMm: readonly number[];
}

export interface BendPlace {
  /** From the middle, positive to the right. */
  atMm: number;
  /** Runout there, in mm: the most that a dial would show. */
  tirMm: number;
  /** Where it points, in degrees from the first reading. */
  bendAtDeg: number;
  /** Hours on a clock seen from the right end, 12 at the first reading. */
  clock: number;
  /** It may as well lie farther out: beyond the outer dials nothing tells one place from another. */
  isBeyond: boolean;
  /** What one bend does not explain of the readings, in mm of runout: more than one bend, or a bar that slipped. */
  residualMm: number;
}

/**
 * Where a shaft is bent, from turns of the dial at three places or more between two supports. A shaft with one bend is
 * two straight pieces: it runs out most at the bend and less and less towards the supports, everywhere in the same
 * direction. Of every place between the outer dials the bend that explains the readings best is taken (least squares;
 * both the size and the direction of each turn count).
 *
 * @param supportHalfMm half the distance between the supports
 * @throws RangeError for fewer than three places or a place outside the supports
 * @returns the place in mm, to 1 mm
 */
export function bendPlace(dials: readonly DialAt[], supportHalfMm: number): BendPlace {
  if (dials.length < 3) throw new RangeError("a bend is placed by turns at three places or more");
  if (dials.some(({ atMm }) => Math.abs(atMm) >= supportHalfMm))
    throw new RangeError("a dial stands between the supports");
  const turns = dials.map(({ atMm, dialMm }) => {
    const { tirMm, bendAtDeg } = runoutOf(dialMm);
    const angle = (bendAtDeg * Math.PI) / 180;
    return { atMm, x: (tirMm / 2) * Math.cos(angle), y: (tirMm / 2) * Math.sin(angle) };
  });
  const [first, last] = [Math.min(...dials.map(({ atMm }) => atMm)), Math.max(...dials.map(({ atMm }) => atMm))];
  let best = { at: 0, x: 0, y: 0, left: Infinity };
  for (let at = Math.ceil(first); at <= last; at += 1) {
    const shape = turns.map(({ atMm }) => sag(atMm, at, supportHalfMm));
    const size = shape.reduce((sum, s) => sum + s * s, 0);
    const x = turns.reduce((sum, turn, i) => sum + turn.x * shape[i]!, 0) / size;
    const y = turns.reduce((sum, turn, i) => sum + turn.y * shape[i]!, 0) / size;
    const left = turns.reduce((sum, turn, i) => sum + (turn.x - x * shape[i]!) ** 2 + (turn.y - y * shape[i]!) ** 2, 0);
    if (left < best.left - 1e-15) best = { at, x, y, left };
  }
  const bendAtDeg = ((Math.atan2(best.y, best.x) * 180) / Math.PI + 360) % 360;
  const clock = Math.round(bendAtDeg / 30) % 12;
  return {
    atMm: best.at,
    isBeyond: best.at <= Math.ceil(first) || best.at + 1 > last,
    tirMm: 2 * Math.hypot(best.x, best.y),
    bendAtDeg,
    clock: clock === 0 ? 12 : clock,
    residualMm: 2 * Math.sqrt(best.left / turns.length),
  };
}

/** How far a shaft bent at one place is off its line at another, against the bend itself. */
function sag(atMm: number, bendMm: number, halfMm: number): number {
  return atMm <= bendMm ? (atMm + halfMm) / (bendMm + halfMm) : (halfMm - atMm) / (halfMm - bendMm);
}

/** Where the dial stands for the three turns: the middle, and halfway to each support. */
export const DIAL_PLACES = ["left", "middle", "right"] as const;
export type DialPlace = (typeof DIAL_PLACES)[number];

/**
 * How far from the middle the dial of a place stands.
 *
 * @returns mm, positive to the right
 */
export const dialAtMm = (place: DialPlace, supportHalfMm: number): number =>
  place === "middle" ? 0 : ((place === "left" ? -1 : 1) * supportHalfMm) / 2;

/** Stands hold the shaft so far inside its collars. */
const STAND_INSIDE_MM = 40;
/** A runout under this is no bend that anybody marks. Ours. */
export const SHOWN_BEND_MM = 0.4;

/**
 * Half the distance between the stands on which a bar is turned.
 *
 * @returns mm
 */
export const standHalfMm = (bar: Bar): number => drawnSizes(bar).halfShaft - STAND_INSIDE_MM;

/**
 * Where an inspection's three turns have the bend.
 *
 * @returns null without three turns
 */
export function bendOfFacts(bar: Bar, { dialMm, dialLeftMm, dialRightMm }: InspectionFacts): BendPlace | null {
  if (!dialMm || !dialLeftMm || !dialRightMm) return null;
  const half = standHalfMm(bar);
  return bendPlace(
    [
      { atMm: dialAtMm("left", half), dialMm: dialLeftMm },
      { atMm: dialAtMm("middle", half), dialMm },
      { atMm: dialAtMm("right", half), dialMm: dialRightMm },
    ],
    half,
  );
}

/**
 * Where a bar is bent, in one sentence.
 *
 * @returns a sentence in mm
 */
export function bendPlaceWords({ atMm, tirMm, clock, isBeyond }: BendPlace): string {
  const off = Math.round(Math.abs(atMm));
  const where =
    off < 20
      ? "in the middle"
      : `${off} mm ${atMm < 0 ? "left" : "right"} of the middle${isBeyond ? " or farther out" : ""}`;
  return `Bent ${where}, towards ${clock} o’clock, runout ${tirMm.toFixed(1)} mm.`;
}
