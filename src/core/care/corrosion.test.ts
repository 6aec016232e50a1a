import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { corrosionRate, corrosivityOf, dewPointC } from "./corrosion";

const air = (temperatureC: number, relativeHumidityPct: number, so2Deposition: number, chlorideDeposition: number) => ({
  temperatureC,
  relativeHumidityPct,
  so2Deposition,
  chlorideDeposition,
});
const numbers = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("corrosion of carbon steel (ISO 9223:2012)", () => {
  it("is 33.8 µm a year at 10 °C, 75 %, 10 and 10: class C3", () => {
    const rate = corrosionRate(air(10, 75, 10, 10));
    expect(rate).toBeCloseTo(33.8, 1);
    expect(corrosivityOf(rate)).toBe("C3");
  });
  // Class limits of ISO 9223:2012, table 2, for carbon steel.
  test.each([
    [0, "C1"],
    [1.3, "C1"],
    [1.31, "C2"],
    [25, "C2"],
    [25.1, "C3"],
    [50, "C3"],
    [50.1, "C4"],
    [80, "C4"],
    [80.1, "C5"],
    [200, "C5"],
    [200.1, "CX"],
    [900, "CX"],
  ] as const)("%s µm a year is %s", (rate, category) => expect(corrosivityOf(rate)).toBe(category));
  it("is the same from either side of 10 °C, where its two branches meet", () =>
    expect(corrosionRate(air(10 - 1e-9, 80, 5, 50))).toBeCloseTo(corrosionRate(air(10 + 1e-9, 80, 5, 50)), 6));
  it("grows with damp, sulphur and salt, and is nothing in clean air", () =>
    fc.assert(
      fc.property(numbers(-20, 40), numbers(0, 99), numbers(0, 100), numbers(0, 500), (t, rh, p, s) => {
        const rate = corrosionRate(air(t, rh, p, s));
        expect(corrosionRate(air(t, rh + 1, p, s))).toBeGreaterThanOrEqual(rate);
        expect(corrosionRate(air(t, rh, p + 1, s))).toBeGreaterThan(rate);
        expect(corrosionRate(air(t, rh, p, s + 1))).toBeGreaterThan(rate);
        expect(corrosionRate(air(t, rh, 0, 0))).toBe(0);
      }),
    ));
});

describe("the dew point (Alduchov & Eskridge 1996)", () => {
  it("is 16.7 °C at 25 °C and 60 %", () => expect(dewPointC(25, 60)).toBeCloseTo(16.7, 1));
  it("is the air's temperature when it is saturated, and never over it", () =>
    fc.assert(
      fc.property(numbers(-40, 60), numbers(1, 100), (t, rh) => {
        expect(dewPointC(t, 100)).toBeCloseTo(t, 9);
        expect(dewPointC(t, rh)!).toBeLessThanOrEqual(t + 1e-9);
      }),
    ));
  it("is not there in air without any water", () => expect(dewPointC(20, 0)).toBeNull());
});
