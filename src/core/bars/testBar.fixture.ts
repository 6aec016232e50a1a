import type { Bar } from "./bar";
import type { Quantity } from "./effectiveQuantity";
import type { QuantityKind } from "./quantities";

export const stated = (value: number): Quantity => ({ value, source: "stated", statedValue: value });
export const measured = (value: number, statedValue?: number): Quantity => ({
  value,
  source: "measured",
  readings: [value],
  ...(statedValue === undefined ? {} : { statedValue }),
});

/** The lengths of the IWF men's bar, stated. */
export const MENS_BAR: Partial<Record<QuantityKind, Quantity>> = {
  mass: stated(20),
  shaftDiameter: stated(28),
  shaftLength: stated(1310),
  collarThickness: stated(30),
  sleeveLength: stated(415),
  sleeveDiameter: stated(50),
  overallLength: stated(2200),
};

/** A bar for tests: a power bar of which nothing is known but what is given. */
export function testBar(quantities: Bar["quantities"] = {}, more: Partial<Bar> = {}): Bar {
  return {
    tag: "T1",
    name: "test",
    family: "power",
    state: "in-service",
    quantities,
    sleeveRotation: "bushing",
    alloy: null,
    elasticModulusGPa: null,
    yieldMPa: null,
    finish: null,
    knurl: "medium",
    centreKnurl: "full",
    ringMarks: "dual",
    plainGapMm: 20,
    canBeRacked: null,
    rating: null,
    hardLimitKg: null,
    stateReason: null,
    ...more,
  };
}
