import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { kgFromMassUnits, massUnitsFromKg, UNITS_PER_KG, UNITS_PER_LB } from "./exactMass";
import { fixed, lengthText, listed, massText, signed, trimmed } from "./format";
import { addDays, daysBetween, hallDayAt, isHallDay } from "./hallDay";
import { convertTyped, readTyped } from "./typedQuantity";

describe("exact units (international yard and pound agreement, 1959)", () => {
  test.each([
    ["45", "lb", 20.41165665],
    ["1", "lb", 0.45359237],
    ["1.25", "lb", 0.5669904625],
    ["20", "kg", 20],
    ["1", "in", 25.4],
    ["1.125", "in", 28.575],
    ["131", "cm", 1310],
    ["-0.5", "mm", -0.5],
    [".5", "in", 12.7],
  ] as const)("%s %s is %d", (value, unit, expected) => expect(convertTyped({ value, unit })).toBe(expected));

  it("holds a kilogram, a pound and a quarter pound as whole numbers far below 2⁵³", () => {
    expect(UNITS_PER_KG).toBe(10 ** 10);
    expect(UNITS_PER_LB).toBe(4_535_923_700);
    expect(massUnitsFromKg(convertTyped({ value: "1.25", unit: "lb" }))).toBe(5_669_904_625);
    expect(massUnitsFromKg(2000)).toBeLessThan(Number.MAX_SAFE_INTEGER);
  });

  it("adds a hundred pound plates without a rounding", () => {
    const plate = massUnitsFromKg(convertTyped({ value: "2.5", unit: "lb" }));
    expect(Array.from({ length: 100 }, () => plate).reduce((a, b) => a + b)).toBe(250 * UNITS_PER_LB);
  });

  it("keeps any mass to a hundredth of a gram through units and back", () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200_000_000 }), (n) => {
        expect(kgFromMassUnits(massUnitsFromKg(n / 100_000))).toBe(n / 100_000);
      }),
    ));

  it("rejects what is not a plain decimal number", () => {
    for (const value of ["", ".", "1e3", "0x10", "1,5", "NaN"])
      expect(() => convertTyped({ value, unit: "kg" })).toThrow(RangeError);
    expect(() => massUnitsFromKg(Infinity)).toThrow(RangeError);
  });
});

describe("readTyped", () => {
  test.each([
    ["1 1/8 in", 28.575],
    ['1-1/8"', 28.575],
    ["1 ⅛ in", 28.575],
    ["1⅛″", 28.575],
    ["3/4 in", 19.05],
    ["51 9/16 in", 1309.6875],
    ["6 ft 4 1/2 in", 1943.1],
    ["1 63/64 in", 50.403125],
    ["-1/2 mm", -0.5],
    ["1/3 in", null],
    ["1/0 in", null],
    ["1/2/4 in", null],
    ["1 1/8 1/8 in", null],
  ])("reads the fraction %j", (text, mm) => {
    const typed = readTyped(text, "mm");
    expect(typed && convertTyped(typed)).toBe(mm);
  });
  test.each([
    ["45 lb", { value: "45", unit: "lb" }],
    ["45LBS", { value: "45", unit: "lb" }],
    ["20,5", { value: "20.5", unit: "kg" }],
    [" 20.41 kg ", { value: "20.41", unit: "kg" }],
    ["20 mm", null],
    ["twenty", null],
    ["", null],
    ["1 2", null],
  ])("reads %j as a mass", (text, expected) => expect(readTyped(text, "kg")).toEqual(expected));

  it("reads inches in three spellings", () => {
    for (const text of ["1.1in", '1.1"', "1.1 ″"]) expect(readTyped(text, "mm")).toEqual({ value: "1.1", unit: "in" });
  });
});

describe("days of the hall", () => {
  it("names the day it is there, not here", () => {
    const moment = new Date("2026-03-01T23:30:00Z");
    expect(hallDayAt(moment, "UTC")).toBe("2026-03-01");
    expect(hallDayAt(moment, "Pacific/Auckland")).toBe("2026-03-02");
  });
  it("knows which days exist", () => {
    expect(isHallDay("2024-02-29")).toBe(true);
    for (const text of ["2023-02-29", "2024-13-01", "2024-1-1", "today", "2024-02-29T00:00"])
      expect(isHallDay(text)).toBe(false);
  });
  it("adds and counts days as inverses, across any clock change", () =>
    fc.assert(
      fc.property(fc.integer({ min: -20_000, max: 20_000 }), (n) => {
        expect(daysBetween("2026-03-29", addDays("2026-03-29", n))).toBe(n);
      }),
    ));
});

describe("reading numbers", () => {
  it("trims zeros and never writes minus zero", () => {
    expect(trimmed(20.4, 2)).toBe("20.4");
    expect(trimmed(100, 2)).toBe("100");
    expect(fixed(-0.001, 1)).toBe("0.0");
  });
  it("writes differences with their sign", () =>
    expect([signed(0.4, 2), signed(-1.25, 2), signed(0.001, 2)]).toEqual(["+0.4", "−1.25", "0"]));
  it("shows pounds and inches on demand", () => {
    expect(massText(20.41165665, "imperial")).toBe("45");
    expect(lengthText(28.575, "imperial")).toBe("1.13");
    expect(lengthText(1310, "metric")).toBe("1310");
  });
  it("lists words", () =>
    expect([listed([]), listed(["a"]), listed(["a", "b", "c"])]).toEqual(["", "a", "a, b and c"]));
  test.each([
    ["1.93 m", "mm", 1930],
    ["1,93 m", "mm", 1930],
    ["193 cm", "mm", 1930],
    ["1930", "mm", 1930],
    ["1,310 mm", "mm", 1310],
    ["5 ft 11 in", "mm", 71 * 25.4],
    ["5' 11\"", "mm", 71 * 25.4],
    ["6ft", "mm", 72 * 25.4],
    ["5 ft 11.5", "mm", 71.5 * 25.4],
    ["12 st 4 lb", "kg", 172 * 0.45359237],
    ["12st", "kg", 168 * 0.45359237],
    ["450 g", "kg", 0.45],
    ["5 g", "kg", 0.005],
    ["82,5 KG", "kg", 82.5],
    ["100 pounds", "kg", 45.359237],
    ["−5 m", "mm", null],
    ["5 ft 4 lb", "mm", null],
    ["12 st 4 lb", "mm", null],
    ["1e3", "kg", null],
    ["2 m", "kg", null],
    ["1,2,3 mm", "mm", null],
  ] as const)("takes %j as %s", (text, unit, expected) => {
    const typed = readTyped(text, unit);
    expect(typed && convertTyped(typed)).toBe(expected === null ? null : Number(expected.toPrecision(15)));
  });
  it("moves points and multiplies exactly, whatever digits", () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10 ** 7 }), fc.integer({ min: 0, max: 6 }), (digits, places) => {
        const text = (digits / 10 ** places).toFixed(places);
        expect(Number(readTyped(`${text} m`, "mm")!.value)).toBeCloseTo(1000 * Number(text), 6);
        expect(Number(readTyped(`${text} g`, "kg")!.value)).toBeCloseTo(Number(text) / 1000, 9);
        expect(Number(readTyped(`${text} st`, "kg")!.value)).toBeCloseTo(14 * Number(text), 6);
      }),
      { seed: 20261127 },
    ));
});
