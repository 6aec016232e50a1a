import { nice, ticks } from "d3-array";
import { utcTicks } from "d3-time";
import { dateText, monthText } from "@/core/units/dates";

/* Axes with round figures, and with months that begin where they begin. Values are what the reader sees. */

/** Of an axis: from where to where, and what is written along it. */
export interface Axis {
  domain: [number, number];
  ticks: number[];
}

/**
 * An axis that holds both values and begins and ends at round figures.
 *
 * @param count about how many figures stand along it
 * @returns where it runs, and its figures at equal steps
 */
export function roundAxis(least: number, most: number, count = 4): Axis {
  // Of one value alone nothing is round: it stands in the middle.
  const half = least === most ? Math.abs(least) * 0.05 || 1 : 0;
  const [from, to] = nice(least - half, most + half, count);
  return { domain: [from, to], ticks: ticks(from, to, count) };
}

/**
 * An axis of moments, with figures where months begin, or days where it is shorter than some months.
 *
 * @param domain first and last moment, ms
 * @returns where it runs, its figures, and how each is written
 */
export function momentAxis([first, last]: readonly [number, number]): Axis & { text: (moment: number) => string } {
  const marks = utcTicks(new Date(first), new Date(last), 5);
  const isByMonth = marks.every((mark) => mark.getUTCDate() === 1);
  const day = (moment: number) => new Date(moment).toISOString().slice(0, 10);
  return {
    domain: [first, last],
    ticks: marks.map(Number),
    text: (moment) => (isByMonth ? monthText(day(moment)) : dateText(day(moment), day(moment))),
  };
}
