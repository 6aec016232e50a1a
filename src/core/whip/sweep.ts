import type { Bar } from "../bars/bar";
import type { SidePlate } from "./bendingBar";
import { bendUnder } from "./compareWhip";

/** What a bar does at one load or one grip; null where it cannot be said. */
export interface SweepPoint {
  deflectionMm: number;
  firstPlateMm: number;
  lastPlateMm: number;
  stressMPa: number;
  /** Yield over stress; null without a yield strength. */
  margin: number | null;
  stiffnessNPerMm: number;
  oscillationHz: number;
}

export interface SweepQuestion {
  bars: readonly Bar[];
  loadKg: number;
  supportHalfSpacingMm: number;
  disc: SidePlate;
  /** Loads up to here, one for each kilogram. */
  mostKg: number;
}

export interface Sweep {
  loadsKg: number[];
  gripsMm: number[];
  /** By bar, by load, at the asked grip. */
  byLoad: (SweepPoint | null)[][];
  /** By bar, by distance between the hands, at the asked load. */
  byGrip: (SweepPoint | null)[][];
  /** How many bends were worked out. */
  bends: number;
}

const MIN_GRIP_MM = 200;
const MAX_GRIP_MM = 1000;
const GRIP_STEP_MM = 10;

/**
 * Every bar of a comparison at every load and every grip. Long work: `onProgress` gets the share done, from 0 to 1,
 * after each bar's tenth, and whoever called may stop by throwing from it.
 *
 * @returns curves in kg, mm and MPa
 */
export function sweepBars(
  { bars, loadKg, supportHalfSpacingMm, disc, mostKg }: SweepQuestion,
  onProgress: (share: number) => void = () => undefined,
): Sweep {
  const loadsKg = Array.from({ length: Math.floor(mostKg) + 1 }, (_, i) => i);
  const gripsMm = Array.from(
    { length: (MAX_GRIP_MM - MIN_GRIP_MM) / GRIP_STEP_MM + 1 },
    (_, i) => MIN_GRIP_MM + i * GRIP_STEP_MM,
  );
  const all = bars.length * (loadsKg.length + gripsMm.length);
  let done = 0;
  const at = (bar: Bar, kg: number, halfMm: number): SweepPoint | null => {
    done += 1;
    if (done % 200 === 0) onProgress(done / all);
    const bent = bendUnder(bar, kg, halfMm, disc);
    return bent.ok
      ? {
          deflectionMm: bent.whip.deflectionMm,
          firstPlateMm: bent.firstPlateMm,
          lastPlateMm: bent.lastPlateMm,
          stressMPa: bent.whip.maxStressMPa,
          margin: bent.whip.safetyFactor,
          stiffnessNPerMm: bent.whip.stiffnessNPerMm,
          oscillationHz: bent.whip.oscillationHz,
        }
      : null;
  };
  const byLoad = bars.map((bar) => loadsKg.map((kg) => at(bar, kg, supportHalfSpacingMm)));
  const byGrip = bars.map((bar) => gripsMm.map((grip) => at(bar, loadKg, grip / 2)));
  onProgress(1);
  return { loadsKg, gripsMm, byLoad, byGrip, bends: done };
}
