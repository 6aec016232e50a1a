import { STANDARD_GRAVITY } from "../units/constants";

/** A plate, or a clamp, on one side; thickness 0 counts as a disc without width. */
export interface TippingPlate {
  massKg: number;
  thicknessMm: number;
}

export interface TippingQuestion {
  barKg: number;
  /** Between the collars' outer faces, where the first plates sit. */
  seatToSeatMm: number;
  /** Half the distance between the two J-cups' contact points. */
  rackHalfSpacingMm: number;
  /** Inside first. */
  left: readonly TippingPlate[];
  right: readonly TippingPlate[];
  /** Share of what holds the bar that is kept in hand; 0 is pure statics. */
  reserve?: number;
}

export type TippingSide = "left" | "right";

export interface TippingAnswer {
  tips: TippingSide | null;
  /** The smaller of the two moments that keep it on the rack, in N·m; negative when it tips. */
  marginNm: number;
  /** Overturning over restoring moment on the worse side: 1 is the edge; 0 when nothing wants to turn it. */
  share: number;
  /** How many plates may come off one side, outside first, before the bar tips to the other. */
  maxOneSidedRemoval: { left: number; right: number };
  /** One plate at a time until both sides are empty, farthest from tipping; null when there is no such order. */
  safeUnloadOrder: TippingSide[] | null;
}

/** On a screen this much is kept in hand: people lean on bars and racks are not level (handbook §10). */
export const TIPPING_RESERVE = 0.2;

interface Moments {
  marginNm: number;
  share: number;
  tips: TippingSide | null;
}

/**
 * Whether a bar on a rack turns over (statics, handbook §10): it tips to the right when
 * Σm_R·(x_R − s) > m_bar·s + Σm_L·(x_L + s), with plates at their own places from the middle; the same mirrored.
 *
 * @returns which way it tips, the smaller restoring moment in N·m (negative when it tips), how many plates may come off each side, and a safe order
 */
export function tipping(question: TippingQuestion): TippingAnswer {
  const { left, right } = question;
  const places = { left: placesOf(left, question.seatToSeatMm), right: placesOf(right, question.seatToSeatMm) };
  const at = (l: number, r: number) => momentsOf(question, places, l, r);
  const now = at(left.length, right.length);
  if (now.tips !== null) return { ...now, maxOneSidedRemoval: { left: 0, right: 0 }, safeUnloadOrder: null };
  let offLeft = 0;
  while (offLeft < left.length && at(left.length - offLeft - 1, right.length).tips === null) offLeft += 1;
  let offRight = 0;
  while (offRight < right.length && at(left.length, right.length - offRight - 1).tips === null) offRight += 1;
  return {
    ...now,
    maxOneSidedRemoval: { left: offLeft, right: offRight },
    safeUnloadOrder: safestOrder(left.length, right.length, at),
  };
}

interface Places {
  left: readonly number[];
  right: readonly number[];
}

/** From the bar's middle to the middle of each plate, in mm. */
function placesOf(plates: readonly TippingPlate[], seatToSeatMm: number): number[] {
  let inside = seatToSeatMm / 2;
  return plates.map(({ thicknessMm }) => {
    const place = inside + thicknessMm / 2;
    inside += thicknessMm;
    return place;
  });
}

/** With the inner `l` plates on the left and the inner `r` on the right. */
function momentsOf(
  { barKg, rackHalfSpacingMm: s, left, right, reserve = 0 }: TippingQuestion,
  places: Places,
  l: number,
  r: number,
): Moments {
  let [overLeft, holdLeft, overRight, holdRight] = [0, 0, 0, 0];
  for (let i = 0; i < l; i += 1) {
    overLeft += left[i]!.massKg * (places.left[i]! - s);
    holdLeft += left[i]!.massKg * (places.left[i]! + s);
  }
  for (let i = 0; i < r; i += 1) {
    overRight += right[i]!.massKg * (places.right[i]! - s);
    holdRight += right[i]!.massKg * (places.right[i]! + s);
  }
  // What turns it to the right holds it against turning to the left, about the other J-cup.
  const own = barKg * s;
  const toRight = (1 - reserve) * (own + holdLeft) - overRight;
  const toLeft = (1 - reserve) * (own + holdRight) - overLeft;
  const marginNm = (Math.min(toRight, toLeft) * STANDARD_GRAVITY) / 1000;
  const shareOf = (over: number, hold: number) => (over <= 0 ? 0 : hold > 0 ? over / hold : Infinity);
  return {
    marginNm,
    share: Math.max(shareOf(overRight, own + holdLeft), shareOf(overLeft, own + holdRight)),
    tips: toRight < 0 ? "right" : toLeft < 0 ? "left" : null,
  };
}

/** Of all orders the one whose closest moment to tipping is farthest from it; null when every order tips. */
function safestOrder(left: number, right: number, at: (l: number, r: number) => Moments): TippingSide[] | null {
  const width = right + 1;
  const best = new Float64Array((left + 1) * width);
  const step: (TippingSide | null)[] = new Array((left + 1) * width).fill(null);
  for (let l = 0; l <= left; l += 1)
    for (let r = 0; r <= right; r += 1) {
      const { marginNm, tips } = at(l, r);
      const here = tips === null ? marginNm : -Infinity;
      const afterLeft = l > 0 ? best[(l - 1) * width + r]! : -Infinity;
      const afterRight = r > 0 ? best[l * width + r - 1]! : -Infinity;
      const after = l === 0 && r === 0 ? Infinity : Math.max(afterLeft, afterRight);
      best[l * width + r] = Math.min(here, after);
      // Among equals from the fuller side, so that both go down together.
      const isLeft = afterLeft > afterRight || (afterLeft === afterRight && l >= r);
      step[l * width + r] = l === 0 && r === 0 ? null : isLeft ? "left" : "right";
    }
  if (best[left * width + right] === -Infinity) return null;
  const order: TippingSide[] = [];
  for (let [l, r] = [left, right]; l > 0 || r > 0;) {
    const side = step[l * width + r]!;
    order.push(side);
    if (side === "left") l -= 1;
    else r -= 1;
  }
  return order;
}
