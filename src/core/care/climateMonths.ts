import type { HallDay } from "../units/hallDay";
import type { ClimateDay, Deposition } from "./climateDay";
import { climateFactor } from "./climateFactor";
import { corrosionRate, corrosivityOf, type Corrosivity } from "./corrosion";

export type DatedDay = ClimateDay & { day: HallDay };

/** A month of a place's air. */
export interface ClimateMonth {
  /** "2026-11". */
  month: string;
  days: number;
  meanC: number;
  meanHumidityPct: number;
  rateUmPerYear: number;
  category: Corrosivity;
  /** How much faster care is needed than in temperate air. */
  factor: number;
  wetHours: number;
  dewHours: number;
}

/**
 * Months from days, oldest first.
 *
 * @returns a month each, with means in °C and %, and its rate in µm/year
 */
export function climateMonths(days: readonly DatedDay[]): ClimateMonth[] {
  const byMonth = new Map<string, DatedDay[]>();
  for (const one of days) {
    const month = one.day.slice(0, 7);
    byMonth.set(month, [...(byMonth.get(month) ?? []), one]);
  }
  return [...byMonth]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([month, own]) => {
      const mean = (of: (day: DatedDay) => number) => own.reduce((sum, day) => sum + of(day), 0) / own.length;
      const rateUmPerYear = mean((day) => day.rateUmPerYear);
      return {
        month,
        days: own.length,
        meanC: mean(({ meanC }) => meanC),
        meanHumidityPct: mean(({ meanHumidityPct }) => meanHumidityPct),
        rateUmPerYear,
        category: corrosivityOf(rateUmPerYear),
        factor: mean((day) => climateFactor(day.rateUmPerYear)),
        wetHours: own.reduce((sum, { wetHours }) => sum + wetHours, 0),
        dewHours: own.reduce((sum, { dewHours }) => sum + dewHours, 0),
      };
    });
}

/** What makes one month's air worse or better than another's, each by itself, as factors on the corrosion rate. */
export interface ClimateCause {
  what: "humidity" | "temperature" | "salt";
  factor: number;
}

/**
 * Why one month's rate differs from another's: one cause after the other is changed, and what each changes is its
 * factor; together they make the whole. Damp first, since practice looks at it first.
 *
 * @returns factors whose product is the whole change, damp first
 */
export function climateCauses(
  from: { meanC: number; meanHumidityPct: number } & Deposition,
  to: { meanC: number; meanHumidityPct: number } & Deposition,
): ClimateCause[] {
  const rate = (air: typeof from) =>
    corrosionRate({
      temperatureC: air.meanC,
      relativeHumidityPct: air.meanHumidityPct,
      so2Deposition: air.so2,
      chlorideDeposition: air.chloride,
    });
  const damp = { ...from, meanHumidityPct: to.meanHumidityPct };
  const warm = { ...damp, meanC: to.meanC };
  return [
    { what: "humidity", factor: rate(damp) / rate(from) },
    { what: "temperature", factor: rate(warm) / rate(damp) },
    { what: "salt", factor: rate(to) / rate(warm) },
  ];
}
