import { valueOf, type Bar } from "./bar";
import type { Quantity } from "./effectiveQuantity";
import { endCapRemainderMm, LENGTH_IDENTITY_TOLERANCE_MM, seatToSeatOf } from "./lengths";
import { trimmed } from "../units/format";

type LengthKind = "overallLength" | "shaftLength" | "seatToSeat" | "collarThickness" | "sleeveLength";

export interface LengthCulprit {
  /** How much shaft, collars and sleeves add up to more than the overall length, in mm. */
  excessMm: number;
  kind: LengthKind;
  /** What the number would be if it alone were wrong and the end caps took no room. */
  wouldBeMm: number;
  /** Why this one, as a clause. */
  why: string;
}

/** How many times a number counts in the sum that may not exceed the overall length. */
const TIMES: Record<LengthKind, number> = {
  overallLength: -1,
  shaftLength: 1,
  seatToSeat: 1,
  collarThickness: 2,
  sleeveLength: 2,
};

/** Usual lengths of a full-size bar, to tell which number is the odd one. Common practice, no source. */
const USUAL_MM: Record<LengthKind, number> = {
  overallLength: 2200,
  shaftLength: 1310,
  seatToSeat: 1370,
  collarThickness: 30,
  sleeveLength: 415,
};

/**
 * The identity overall ≥ shaft + 2 × collar + 2 × sleeve must hold within 6 mm (handbook §3). When it does not, names
 * the number that most likely is wrong: first a measured one whose stated value would close the sum, then one that
 * nobody measured, then the one that would come nearest to its usual size when put right.
 *
 * @returns null when the identity holds or a length is missing.
 */
export function lengthCulprit(bar: Pick<Bar, "quantities">): LengthCulprit | null {
  const remainder = endCapRemainderMm(bar);
  if (remainder === null || remainder >= -LENGTH_IDENTITY_TOLERANCE_MM) return null;
  const excessMm = -remainder;
  const suspects = suspectsOf(bar).map(({ kind, quantity }) => {
    const wouldBeMm = quantity.value - excessMm / TIMES[kind];
    // What a tape read between the seats is held against shaft and collars, the rest against the seller.
    const statedValue = kind === "seatToSeat" ? seatSum(bar) : quantity.statedValue;
    const closes =
      quantity.source === "measured" &&
      statedValue !== undefined &&
      remainder - (statedValue - quantity.value) * TIMES[kind] >= -LENGTH_IDENTITY_TOLERANCE_MM;
    const odd = Math.abs(quantity.value - USUAL_MM[kind]) - Math.abs(wouldBeMm - USUAL_MM[kind]);
    return { kind, quantity, statedValue, wouldBeMm, closes, odd };
  });
  const rank = (one: (typeof suspects)[number]) =>
    (one.closes ? 2e6 : 0) + (one.quantity.source === "stated" ? 1e6 : 0) + one.odd;
  const worst = suspects.reduce((a, b) => (rank(b) > rank(a) ? b : a));
  const why = worst.closes
    ? `the ${trimmed(worst.statedValue!, 1)} mm ${worst.kind === "seatToSeat" ? "of shaft and collars" : "the seller states"} would fit; read it again`
    : worst.quantity.source === "stated"
      ? "it is only stated; measure it"
      : `${trimmed(worst.wouldBeMm, 1)} mm would fit; read it again`;
  return { excessMm, kind: worst.kind, wouldBeMm: worst.wouldBeMm, why };
}

function seatSum({ quantities: { shaftLength, collarThickness } }: Pick<Bar, "quantities">): number | undefined {
  return shaftLength && collarThickness ? shaftLength.value + 2 * collarThickness.value : undefined;
}

/** The numbers that make up the sum: the seats when a tape read them, else shaft and collars. */
function suspectsOf(bar: Pick<Bar, "quantities">): { kind: LengthKind; quantity: Quantity }[] {
  const isTaped = bar.quantities.seatToSeat?.source === "measured" || valueOf(bar, "shaftLength") === null;
  const kinds: LengthKind[] = isTaped
    ? ["overallLength", "seatToSeat", "sleeveLength"]
    : ["overallLength", "shaftLength", "collarThickness", "sleeveLength"];
  return kinds.flatMap((kind) => {
    const quantity = kind === "seatToSeat" ? seatToSeatOf(bar) : (bar.quantities[kind] ?? null);
    return quantity ? [{ kind, quantity }] : [];
  });
}
