import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays } from "../units/hallDay";
import { ANCHOR_AIR, classFactor, climateFactor } from "./climateFactor";
import { ClimateClock } from "./climateClock";
import { climateDay, steelReadings, type ClimateReading } from "./climateDay";
import { climateCauses, climateMonths } from "./climateMonths";
import { corrosionRate } from "./corrosion";
import { simulatedClimate } from "./simulatedClimate";

const HOUR = 3_600_000;
const hourly = (...air: [temperatureC: number, relativeHumidityPct: number][]): ClimateReading[] =>
  air.map(([temperatureC, relativeHumidityPct], i) => ({ at: i * HOUR, temperatureC, relativeHumidityPct }));

describe("steel behind the air", () => {
  it("covers 63 % of a step in one time constant: 1 − 1/e (first-order lag, any textbook of control)", () => {
    // The step itself is a ramp of a hundredth of a second.
    const step = [
      { at: 0, temperatureC: 0, relativeHumidityPct: 50 },
      { at: 10, temperatureC: 10, relativeHumidityPct: 50 },
      { at: 10 + HOUR, temperatureC: 10, relativeHumidityPct: 50 },
    ];
    expect(steelReadings(step, 1)[2]!.steelC).toBeCloseTo(10 * (1 - Math.exp(-1)), 4);
    expect(steelReadings(step, 1)[1]!.steelC).toBeCloseTo(0, 4);
  });
  it("is the same however finely an even change is read: exact on ramps", () => {
    const ramp = (steps: number) =>
      Array.from({ length: steps + 1 }, (_, i) => ({
        at: (i * 4 * HOUR) / steps,
        temperatureC: 5 + (8 * i) / steps,
        relativeHumidityPct: 70,
      }));
    expect(steelReadings(ramp(1), 1.5).at(-1)!.steelC).toBeCloseTo(steelReadings(ramp(64), 1.5).at(-1)!.steelC, 9);
  });
  it("is wet when damp air warms faster than the bars: the morning after a cold night", () => {
    const readings = steelReadings(hourly([4, 80], [4, 80], [4, 80], [14, 80], [14, 80], [14, 80], [14, 80]));
    // 14 °C at 80 % has its dew point at 10.6 °C (Alduchov & Eskridge 1996).
    expect(readings[3]!.dewPointC).toBeCloseTo(10.6, 1);
    expect(readings.map(({ isWet }) => isWet)).toEqual([false, false, false, true, false, false, false]);
    expect(steelReadings(hourly([4, 0]))[0]).toMatchObject({ dewPointC: null, isWet: false });
  });
  it("takes the steel to be as warm as the air after a gap, and air without lag as itself", () => {
    const gap = [
      { at: 0, temperatureC: 0, relativeHumidityPct: 50 },
      { at: 60 * HOUR, temperatureC: 20, relativeHumidityPct: 50 },
    ];
    expect(steelReadings(gap)[1]!.steelC).toBe(20);
    expect(steelReadings(hourly([0, 50], [9, 50]), 0)[1]!.steelC).toBe(9);
  });
});

describe("a day of air", () => {
  it("is the mean of its hours, with the hours of wetness of ISO 9223: over 80 % and above 0 °C", () => {
    const day = climateDay(steelReadings(hourly([10, 81], [10, 80], [0, 95], [1, 95])), { so2: 10, chloride: 10 });
    expect(day).toMatchObject({ readings: 4, wetHours: 2 });
    expect(day.meanC).toBeCloseTo(5.25, 12);
    expect(() => climateDay([], { so2: 1, chloride: 1 })).toThrow(RangeError);
  });
  it("has the standard's rate where the air stands still: T 10, RH 75, P 10, S 10 is 33.8 µm (ISO 9223:2012)", () => {
    const still = steelReadings(hourly(...Array.from({ length: 24 }, (): [number, number] => [10, 75])));
    expect(climateDay(still, { so2: 10, chloride: 10 }).rateUmPerYear).toBeCloseTo(33.8, 1);
  });
  it("does not make up what nobody measured: a reading stands for three hours at most", () => {
    const sparse = steelReadings([
      { at: 0, temperatureC: 20, relativeHumidityPct: 90 },
      { at: 12 * HOUR, temperatureC: 20, relativeHumidityPct: 50 },
    ]);
    expect(climateDay(sparse, { so2: 1, chloride: 1 }).wetHours).toBe(3);
  });
});

describe("how much faster care is needed", () => {
  it("is 1 in temperate air, half in dry and double in salt-humid: practice's threefold to fourfold span", () => {
    expect(classFactor("temperate")).toBe(1);
    expect(classFactor("dry")).toBeCloseTo(0.54, 2);
    expect(classFactor("salt-humid")).toBeCloseTo(2.06, 2);
  });
  it("stays within 0.5 and 4 whatever the air", () => {
    expect(climateFactor(0)).toBe(0.5);
    expect(climateFactor(1e6)).toBe(4);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 2000, noNaN: true }),
        (a, b) => (a <= b ? climateFactor(a) <= climateFactor(b) : climateFactor(a) >= climateFactor(b)),
      ),
    );
  });
});

describe("the clock of a place", () => {
  const first = "2026-01-01";
  it("counts measured days by their factor and others by the month's normal, the future too", () => {
    const clock = new ClimateClock(first, [2, 2, 4, null], 800, 1);
    expect(clock.passed("2025-12-31", "2026-01-03", 1)).toBe(8);
    expect(clock.normal(1)).toBeCloseTo(8 / 3, 12);
    expect(clock.normal(2)).toBe(1);
    expect(clock.factorOn("2026-01-04")).toBeCloseTo(8 / 3, 12);
    expect(clock.factorOn("2027-01-20")).toBeCloseTo(8 / 3, 12);
    expect([clock.isMeasured("2026-01-03"), clock.isMeasured("2026-01-04")]).toEqual([true, false]);
    // Half of the air's influence: the root of the factor.
    expect(clock.passed("2026-01-02", "2026-01-03", 0.5)).toBeCloseTo(2, 12);
    expect(clock.passed("2026-01-02", "2026-01-03", 0)).toBe(1);
  });
  it("finds the day by which so much has passed: the slow, obvious way agrees", () =>
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.double({ min: 0.5, max: 4, noNaN: true })), { minLength: 1, maxLength: 60 }),
        fc.integer({ min: -1, max: 40 }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.constantFrom(0, 0.5, 1),
        (factors, after, counted, share) => {
          const clock = new ClimateClock(first, factors, 400, 1.3);
          const start = addDays(first, after);
          let [day, sum] = [start, 0];
          while (sum < counted - 1e-9) {
            day = addDays(day, 1);
            sum += clock.factorOn(day) ** share;
          }
          expect(clock.dayWhen(start, counted, share)).toBe(day);
        },
      ),
      { numRuns: 200 },
    ));
});

describe("months", () => {
  const day = (on: string, meanC: number, meanHumidityPct: number) => ({
    day: on,
    readings: 24,
    meanC,
    meanHumidityPct,
    rateUmPerYear: 20,
    wetHours: 3,
    dewHours: 1,
    leastGapC: 1,
  });
  it("sum hours and take means", () => {
    const [jan, feb] = climateMonths([day("2026-02-01", 4, 70), day("2026-01-30", 2, 80), day("2026-01-31", 4, 90)]);
    expect(jan).toMatchObject({
      month: "2026-01",
      days: 2,
      meanC: 3,
      meanHumidityPct: 85,
      wetHours: 6,
      category: "C2",
    });
    expect(feb!.month).toBe("2026-02");
  });
  it("say what makes one worse than another: the causes multiply to the whole", () => {
    const usual = { meanC: 12, meanHumidityPct: 75, so2: 5, chloride: 40 };
    const bad = { meanC: 15, meanHumidityPct: 90, so2: 5, chloride: 150 };
    const causes = climateCauses(usual, bad);
    const rate = (air: typeof usual) =>
      corrosionRate({
        temperatureC: air.meanC,
        relativeHumidityPct: air.meanHumidityPct,
        so2Deposition: air.so2,
        chlorideDeposition: air.chloride,
      });
    expect(causes.reduce((product, { factor }) => product * factor, 1)).toBeCloseTo(rate(bad) / rate(usual), 9);
    expect(causes.every(({ factor }) => factor > 1)).toBe(true);
  });
});

test("the simulated sensor is the same every time, has seasons, and stays within what air can be", () => {
  const at = Date.UTC(2026, 2, 1, 5);
  expect(simulatedClimate(1, at)).toEqual(simulatedClimate(1, at + 1000));
  expect(simulatedClimate(1, at)).not.toEqual(simulatedClimate(2, at));
  const mean = (month: number) => {
    let sum = 0;
    for (let h = 0; h < 720; h += 1) sum += simulatedClimate(1, Date.UTC(2026, month, 1, h)).temperatureC;
    return sum / 720;
  };
  expect(mean(6) - mean(0)).toBeGreaterThan(8);
  for (let h = 0; h < 8760; h += 7) {
    const { temperatureC, relativeHumidityPct } = simulatedClimate(1, Date.UTC(2026, 0, 1, h));
    expect(temperatureC).toBeGreaterThan(-10);
    expect(temperatureC).toBeLessThan(35);
    expect(relativeHumidityPct).toBeGreaterThanOrEqual(35);
    expect(relativeHumidityPct).toBeLessThanOrEqual(99);
  }
});

test("the anchors' air is the handbook's (§11)", () => {
  expect(corrosionRate(ANCHOR_AIR["salt-humid"])).toBeGreaterThan(30 * corrosionRate(ANCHOR_AIR.dry));
});
