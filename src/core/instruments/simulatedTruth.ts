import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { seatToSeatOf } from "../bars/lengths";
import { QUANTITIES, type QuantityKind } from "../bars/quantities";
import { deviateOf, seedFrom } from "./simulatedInstrument";

/** How far real bars lie from the seller's figure: standard deviation in units of the starting tolerance. Invented. */
const SPREAD_IN_TOLERANCES = 0.45;
/** One bar in so many is an odd one for a quantity: two and a half tolerances off. */
const ODD_ONE_IN = 5;

/** What nobody states, at a believable size. Invented; for learning the flow without hardware only. */
const BELIEVABLE: Partial<Record<QuantityKind, readonly [typical: number, spread: number]>> = {
  mass: [20, 0.3],
  shaftDiameter: [28.5, 0.2],
  shaftLength: [1310, 1],
  collarThickness: [30, 0.5],
  sleeveLength: [415, 1],
  sleeveDiameter: [50, 0.1],
  overallLength: [2200, 1],
  runout: [0.5, 0.2],
  endPlay: [0.4, 0.15],
  spinDown: [12, 4],
  camberForward: [0, 2],
  handleLength: [200, 3],
  frameWidth: [620, 3],
  frameDepth: [560, 3],
  handleOffset: [0, 1],
  rackSpanInner: [480, 3],
  rackSpanOuter: [1240, 3],
  jCupOffset: [0, 3],
  lowestPart: [60, 3],
  knurlDepth: [0.35, 0.04],
  knurlPitch: [1.2, 0.05],
  camberDrop: [90, 2],
  yokeWidth: [1240, 3],
};

/**
 * What the simulated instruments find at a bar: its measured value when it has one, else the seller's figure with a
 * deviation that belongs to this bar and quantity for ever. The length identity holds by construction.
 *
 * @returns in the quantity's computing unit
 */
export function simulatedTruth(bar: Bar, kind: QuantityKind): number {
  const known = bar.quantities[kind];
  if (known?.source === "measured") return known.value;
  if (kind === "seatToSeat") {
    const sum = seatToSeatOf({ quantities: withTrueParts(bar) });
    if (sum) return sum.value;
  }
  if (kind === "overallLength") return Math.max(statedTruth(bar, kind), lengthNeeded(bar));
  return statedTruth(bar, kind);
}

function statedTruth(bar: Bar, kind: QuantityKind): number {
  const seed = seedFrom(bar.tag, bar.family, kind);
  const deviate = deviateOf(seed);
  const { tolerance } = QUANTITIES[kind];
  const stated = valueOf(bar, kind);
  if (stated === null || tolerance === null) {
    const [typical, spread] = BELIEVABLE[kind] ?? [1370, 2];
    const straight = FAMILIES[bar.family].form === "straight";
    return Math.max(0, (straight || kind !== "jCupOffset" ? typical : 40) + spread * deviate);
  }
  const isOdd = seed % ODD_ONE_IN === 0;
  return stated + tolerance * (isOdd ? 2.5 * Math.sign(deviate || 1) : SPREAD_IN_TOLERANCES * deviate);
}

function withTrueParts(bar: Bar): Bar["quantities"] {
  const part = (kind: QuantityKind) => ({ value: simulatedTruth(bar, kind), source: "measured" as const });
  return { shaftLength: part("shaftLength"), collarThickness: part("collarThickness") };
}

/** Overall length that shaft, collars and sleeves need, with end caps of 1 mm. */
function lengthNeeded(bar: Bar): number {
  return simulatedTruth(bar, "seatToSeat") + 2 * simulatedTruth(bar, "sleeveLength") + 2;
}
