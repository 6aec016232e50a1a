import { corrosionRate, dewPointC } from "./corrosion";

/** One reading of a place's air. */
export interface ClimateReading {
  /** Milliseconds since 1970. */
  at: number;
  temperatureC: number;
  relativeHumidityPct: number;
}

/** What falls on steel at a place, in mg/m²·day. */
export interface Deposition {
  so2: number;
  chloride: number;
}

/** Bars lag behind the hall's air by about so long, in hours (handbook §11; editable). */
export const USUAL_LAG_HOURS = 1;

/** A reading counts for no longer than this: what nobody measured is not made up. */
const LONGEST_STEP_HOURS = 3;

export interface SteelReading extends ClimateReading {
  steelC: number;
  dewPointC: number | null;
  /** Steel below the dew point is wet. */
  isWet: boolean;
}

/**
 * The temperature of the bars behind the air's, by a first-order lag, and whether they are wet (handbook §11). Readings
 * by rising time; between two of them the air changes evenly. After a gap of a day the steel is taken to be as warm as
 * the air.
 *
 * @returns as many readings as came in, each with the steel's temperature and dew point in °C
 */
export function steelReadings(
  readings: readonly ClimateReading[],
  lagHours: number = USUAL_LAG_HOURS,
  steelBefore: number | null = null,
): SteelReading[] {
  let steel = steelBefore;
  return readings.map((reading, i) => {
    const before = readings[i - 1];
    const hours = before ? (reading.at - before.at) / 3_600_000 : 0;
    if (steel === null || hours > 24) steel = reading.temperatureC;
    else if (before && hours > 0) steel = lagged(steel, before.temperatureC, reading.temperatureC, hours, lagHours);
    const dew = dewPointC(reading.temperatureC, reading.relativeHumidityPct);
    return { ...reading, steelC: steel, dewPointC: dew, isWet: dew !== null && steel < dew };
  });
}

/** First-order lag behind air that goes evenly from one temperature to another; exact. */
function lagged(steel: number, from: number, to: number, hours: number, lagHours: number): number {
  if (lagHours <= 0) return to;
  const slope = (to - from) / hours;
  const decay = Math.exp(-hours / lagHours);
  // Behind a ramp the steel ends up slope × lag below it; what differed from that at first dies away.
  return to - slope * lagHours + (steel - from + slope * lagHours) * decay;
}

/** Salt on steel draws water from this humidity on: sodium chloride deliquesces near 75 % (published). */
const SALT_WET_PCT = 75;
/** From so much chloride on, steel is called salted; ours. mg/m²·day. */
const SALTED = 60;

/**
 * From which humidity on steel is wet there: 80 % as in ISO 9223, 75 % where salt lies on it (handbook §11).
 *
 * @returns % of relative humidity
 */
export const wetFromPct = (chloride: number): number => (chloride >= SALTED ? SALT_WET_PCT : 80);

/** A day of a place's air, for meters and charts. */
export interface ClimateDay {
  readings: number;
  meanC: number;
  meanHumidityPct: number;
  /** ISO 9223 rate of the day's mean air, µm/year. Indoors it ranks days; it does not predict microns. */
  rateUmPerYear: number;
  /** Time of wetness as in ISO 9223: hours over 80 % humidity and above 0 °C; over 75 % where salt lies on the steel. */
  wetHours: number;
  /** Hours with the steel below the dew point. */
  dewHours: number;
  /** The least that the steel was above the dew point, in °C; negative where it was below; null without humidity. */
  leastGapC: number | null;
}

/**
 * Sums a day up; a reading stands for the time until the next one. Not for an empty day.
 *
 * @returns means in °C and %, wet hours, and the rate in µm/year
 * @throws RangeError for a day without readings
 */
export function climateDay(readings: readonly SteelReading[], { so2, chloride }: Deposition): ClimateDay {
  if (readings.length === 0) throw new RangeError("a day without readings has no climate");
  let [hours, warmth, humidity, wet, dew] = [0, 0, 0, 0, 0];
  let least: number | null = null;
  const wetFrom = wetFromPct(chloride);
  readings.forEach((reading, i) => {
    const next = readings[i + 1];
    const span = next ? Math.min(LONGEST_STEP_HOURS, (next.at - reading.at) / 3_600_000) : 1;
    hours += span;
    warmth += span * reading.temperatureC;
    humidity += span * reading.relativeHumidityPct;
    if (reading.relativeHumidityPct > wetFrom && reading.temperatureC > 0) wet += span;
    if (reading.isWet) dew += span;
    if (reading.dewPointC !== null) {
      const gap = reading.steelC - reading.dewPointC;
      least = least === null ? gap : Math.min(least, gap);
    }
  });
  const [meanC, meanHumidityPct] = [warmth / hours, humidity / hours];
  return {
    readings: readings.length,
    meanC,
    meanHumidityPct,
    rateUmPerYear: corrosionRate({
      temperatureC: meanC,
      relativeHumidityPct: meanHumidityPct,
      so2Deposition: so2,
      chlorideDeposition: chloride,
    }),
    wetHours: wet,
    dewHours: dew,
    leastGapC: least,
  };
}
