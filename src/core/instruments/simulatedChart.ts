import type { ArmChart } from "../setups/armChart";
import { deviateOf, seedFrom } from "./simulatedInstrument";

/** How far real marks and pins lie from even ones, and one arm from the other: standard deviations. Invented. */
const SPREAD = { deg: 1.2, mm: 0.8, sideDeg: 0.25, sideMm: 0.3 };

/** Even marks and pins of a bar that nobody measured yet, by number or letter. Invented. */
const evenDeg = (i: number) => -75 + 30 * i;
const evenMm = (i: number) => 60 + 65 * i;

/**
 * What simulated gauge and tape find at an adjustable yoke bar, by side and name: its measured value when it has one,
 * else an even spacing with deviations that belong to this bar for ever. Names are 1, 2, 3 … and A, B, C …
 *
 * @returns degrees and mm by side and name
 */
export function simulatedChart(tag: string, chart: ArmChart | null) {
  const deg: Record<string, number> = {};
  const mm: Record<string, number> = {};
  const sided = (into: Record<string, number>, name: string, value: number, spread: number) => {
    for (const side of ["left", "right"])
      into[`${side}.${name}`] = value + spread * deviateOf(seedFrom(tag, side, name));
  };
  for (let i = 0; i < 12; i += 1) {
    const mark = String(i + 1);
    sided(deg, mark, evenDeg(i) + SPREAD.deg * deviateOf(seedFrom(tag, "mark", mark)), SPREAD.sideDeg);
    const pin = String.fromCharCode(65 + i);
    sided(mm, pin, evenMm(i) + SPREAD.mm * deviateOf(seedFrom(tag, "pin", pin)), SPREAD.sideMm);
  }
  for (const { name, leftDeg, rightDeg } of chart?.marks ?? []) {
    deg[`left.${name}`] = leftDeg;
    deg[`right.${name}`] = rightDeg;
  }
  for (const { name, leftMm, rightMm } of chart?.pins ?? []) {
    mm[`left.${name}`] = leftMm;
    mm[`right.${name}`] = rightMm;
  }
  return { deg, mm };
}
