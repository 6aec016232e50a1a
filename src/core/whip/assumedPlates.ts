import type { SidePlate } from "./bendingBar";

/** A kind of disc that a load is thought of in, with words for it. */
export interface Disc extends SidePlate {
  key: string;
  name: string;
}

/** The disc that is assumed where the real plates are not chosen yet: the one of the handbook's check values. */
export const STANDARD_DISC: Disc = { key: "thin25", name: "25 kg discs, 27 mm", massKg: 25, thicknessMm: 27 };

/**
 * One side's mass as discs of one kind, the last one as thin as what is left.
 *
 * @returns discs in kg and mm, inside first
 *
 * @example assumedPlates(60) // two discs of 25 kg and one of 10 kg, 10.8 mm
 */
export function assumedPlates(sideKg: number, disc: SidePlate = STANDARD_DISC): SidePlate[] {
  const plates: SidePlate[] = [];
  for (let left = sideKg; left > 1e-9; left -= disc.massKg) {
    const massKg = Math.min(left, disc.massKg);
    plates.push({ massKg, thicknessMm: (disc.thicknessMm * massKg) / disc.massKg });
  }
  return plates;
}

/**
 * Where the assumed discs of a side act, in mm from the middle of the bar: they are alike in mass to thickness, so it is
 * the middle of the stack.
 *
 * @returns mm
 */
export function assumedCentroidMm(seatToSeatMm: number, sideKg: number, disc: SidePlate = STANDARD_DISC): number {
  return (seatToSeatMm + (disc.thicknessMm * sideKg) / disc.massKg) / 2;
}
