import type { SidePlate } from "./bendingBar";

/** The disc that is assumed where the real plates are not chosen yet: 25 kg, 27 mm, as in the handbook's check values. */
const DISC: SidePlate = { massKg: 25, thicknessMm: 27 };

/**
 * One side's mass as 25 kg discs of 27 mm, the last one as thin as what is left.
 * @example assumedPlates(60) // two discs of 25 kg and one of 10 kg, 10.8 mm
 */
export function assumedPlates(sideKg: number): SidePlate[] {
  const plates: SidePlate[] = [];
  for (let left = sideKg; left > 1e-9; left -= DISC.massKg) {
    const massKg = Math.min(left, DISC.massKg);
    plates.push({ massKg, thicknessMm: (DISC.thicknessMm * massKg) / DISC.massKg });
  }
  return plates;
}
