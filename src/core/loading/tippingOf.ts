import { kgFromMassUnits } from "../units/exactMass";
import { tipping, TIPPING_RESERVE, type TippingAnswer } from "./tipping";

/** A bar on its rack. */
export interface RackFacts {
  barKg: number;
  seatToSeatMm: number;
  rackHalfSpacingMm: number;
}

/** Thickness of a plate that nobody measured, for tipping, in mm: thick, so that the answer is on the safe side. */
const UNKNOWN_THICKNESS_MM = 50;

/** A plate as a rack feels it. */
type Felt = { massUnits: number; thicknessMm: number | null };

/**
 * Whether a bar with plates on both sides, inside first, and its clamps tips; with the screen's reserve.
 *
 * @param otherSide the right side, where it is not as the left
 *
 * @returns as `tipping`
 */
export function tippingOf(
  rack: RackFacts,
  perSide: readonly Felt[],
  clamp: { pairMassUnits: number; widthMm: number } | null,
  otherSide: readonly Felt[] = perSide,
): TippingAnswer {
  const sideOf = (plates: readonly Felt[]) => [
    ...plates.map(({ massUnits, thicknessMm }) => ({
      massKg: kgFromMassUnits(massUnits),
      // The planner writes 0 where nobody said.
      thicknessMm: thicknessMm || UNKNOWN_THICKNESS_MM,
    })),
    ...(clamp ? [{ massKg: kgFromMassUnits(clamp.pairMassUnits) / 2, thicknessMm: clamp.widthMm }] : []),
  ];
  return tipping({ ...rack, left: sideOf(perSide), right: sideOf(otherSide), reserve: TIPPING_RESERVE });
}

/**
 * How many plates may come off one side, outside first, while the other is full; its clamp is off before them.
 *
 * @param plates on each side.
 * @returns null where all of them may: then there is nothing to say
 */
export function platesOffOneSide(
  { maxOneSidedRemoval: { left, right } }: TippingAnswer,
  plates: number,
  hasClamp: boolean,
): number | null {
  const pieces = Math.min(left, right);
  const off = hasClamp ? Math.max(0, pieces - 1) : pieces;
  return off >= plates ? null : off;
}

/**
 * How plates may be moved from one stack to another: each side by itself, or left and right in turn because more on one
 * side than on the other would tip it, or not one plate at a time at all. A clamp comes off first and goes on last.
 *
 * @returns how the sides are to be moved
 */
export function sideOrder(
  before: { tipping: TippingAnswer; off: number },
  after: { tipping: TippingAnswer; on: number },
  hasClamp: boolean,
): "either" | "turns" | "both-at-once" {
  const clamp = hasClamp && before.off + after.on > 0 ? 1 : 0;
  let worst: "either" | "turns" | "both-at-once" = "either";
  for (const [{ maxOneSidedRemoval, safeUnloadOrder }, moved] of [
    [before.tipping, before.off === 0 ? 0 : before.off + clamp],
    [after.tipping, after.on === 0 ? 0 : after.on + clamp],
  ] as const) {
    if (moved === 0) continue;
    if (safeUnloadOrder === null) return "both-at-once";
    if (moved > Math.min(maxOneSidedRemoval.left, maxOneSidedRemoval.right)) worst = "turns";
  }
  return worst;
}
