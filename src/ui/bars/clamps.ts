import { kgFromMassUnits } from "@/core/units/exactMass";

/** Clamps of 2.5 kg each, as meetings use them (IWF and IPF, from memory). */
const MEETING_PAIR_KG = 5;

/** The heaviest pair of clamps of the hall, which is what a meeting would use; 5 kg where there are none. */
export function heaviestPairKg(clamps: readonly { pairMassUnits: number }[]): number {
  return clamps.length === 0
    ? MEETING_PAIR_KG
    : kgFromMassUnits(Math.max(...clamps.map(({ pairMassUnits }) => pairMassUnits)));
}
