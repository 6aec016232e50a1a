import { describe, expect, it, test } from "vitest";
import { ratedTotalKg } from "./bar";
import { effectiveQuantity, gapToStated, spreadOf, type Quantity } from "./effectiveQuantity";
import { ELASTIC_MODULUS_GPA, elasticModulusOf } from "./elasticModulus";
import { FAMILIES, FAMILY_KEYS } from "./families";
import { endCapRemainderMm, seatSumMismatchMm, seatToSeatOf } from "./lengths";

const stated = (value: number): Quantity => ({ value, source: "stated", statedValue: value });
const measured = (value: number): Quantity => ({ value, source: "measured", readings: [value] });

it("has nineteen families, each under its own key", () => {
  expect(FAMILY_KEYS).toHaveLength(19);
  for (const key of FAMILY_KEYS) expect(FAMILIES[key].key).toBe(key);
});

describe("effective quantity", () => {
  it("is the measured mean when there is one and keeps what was stated", () => {
    const mass = effectiveQuantity(20, [20.4, 20.4, 20.5])!;
    expect(mass.value).toBeCloseTo(20.4333, 4);
    expect(mass).toMatchObject({ source: "measured", statedValue: 20 });
    expect(gapToStated(mass)).toBeCloseTo(0.4333, 4);
    expect(spreadOf(mass.readings!)).toBeCloseTo(0.1, 12);
  });
  it("is the stated value otherwise, and null when nothing is known", () => {
    expect(effectiveQuantity(20, [])).toEqual({ value: 20, source: "stated", statedValue: 20 });
    expect(effectiveQuantity(null, [])).toBeNull();
    expect(gapToStated(stated(20))).toBeNull();
  });
});

describe("lengths", () => {
  // IWF Technical and Competition Rules (from memory): the lengths close exactly.
  test.each([
    ["men's", 2200, 1310, 30, 415],
    ["women's", 2010, 1310, 30, 320],
  ])("the IWF %s bar closes exactly", (_name, overallLength, shaftLength, collarThickness, sleeveLength) => {
    const quantities = {
      overallLength: stated(overallLength),
      shaftLength: stated(shaftLength),
      collarThickness: stated(collarThickness),
      sleeveLength: stated(sleeveLength),
    };
    expect(endCapRemainderMm({ quantities })).toBe(0);
    expect(seatToSeatOf({ quantities })!.value).toBe(1370);
  });

  it("lets a seat-to-seat read with the tape override the sum, and flags a mismatch over 2 mm", () => {
    const sum = { shaftLength: measured(1310), collarThickness: measured(30) };
    expect(seatToSeatOf({ quantities: { ...sum, seatToSeat: measured(1373) } })!.value).toBe(1373);
    expect(seatSumMismatchMm({ quantities: { ...sum, seatToSeat: measured(1373) } })).toBe(3);
    expect(seatSumMismatchMm({ quantities: { ...sum, seatToSeat: measured(1372) } })).toBeNull();
    expect(seatToSeatOf({ quantities: { ...sum, seatToSeat: stated(1400) } })!).toEqual({
      value: 1370,
      source: "measured",
    });
    expect(seatToSeatOf({ quantities: { seatToSeat: stated(1400) } })!.value).toBe(1400);
  });
});

describe("rating", () => {
  const mass = { mass: stated(20) };
  it("adds the bar when the rating is for plates only, and takes the stricter reading when unknown", () => {
    const of = (basis: "total" | "plates-only" | "unknown") =>
      ratedTotalKg({ rating: { kg: 300, basis }, hardLimitKg: null, quantities: mass });
    expect([of("total"), of("plates-only"), of("unknown")]).toEqual([300, 320, 300]);
  });
  it("is the hard limit when that is lower, and null when nothing is known", () => {
    expect(ratedTotalKg({ rating: { kg: 300, basis: "total" }, hardLimitKg: 40, quantities: mass })).toBe(40);
    expect(ratedTotalKg({ rating: null, hardLimitKg: null, quantities: mass })).toBeNull();
  });
});

it("takes a bar's own modulus before its alloy's (Shigley, table A-5)", () => {
  expect(ELASTIC_MODULUS_GPA).toEqual({ "carbon-steel": 207, "alloy-steel": 207, stainless: 190, aluminium: 71.7 });
  expect(elasticModulusOf({ elasticModulusGPa: null, alloy: "stainless" })).toBe(190);
  expect(elasticModulusOf({ elasticModulusGPa: 200, alloy: "stainless" })).toBe(200);
  expect(elasticModulusOf({ elasticModulusGPa: null, alloy: null })).toBe(207);
});
