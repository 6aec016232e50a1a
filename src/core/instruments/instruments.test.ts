import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { flaggedGaps } from "../bars/flaggedGaps";
import { INSTRUMENTS, QUANTITIES, measurableKinds } from "../bars/quantities";
import { FAMILIES, FAMILY_KEYS } from "../bars/families";
import { lengthCulprit } from "../bars/lengthCulprit";
import { measured, MENS_BAR, testBar } from "../bars/testBar.fixture";
import {
  nullInstrument,
  readInstrument,
  seedFrom,
  SIMULATED_INSTRUMENTS,
  takeInstrument,
  type SimulatedInstrument,
} from "./simulatedInstrument";
import { simulatedTruth } from "./simulatedTruth";

function readMany(instrument: SimulatedInstrument, truth: number, times: number) {
  const readings: number[] = [];
  let own = instrument;
  for (let i = 0; i < times; i += 1) {
    const read = readInstrument(own, truth);
    readings.push(read.reading);
    own = read.instrument;
  }
  return readings;
}
const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe("a simulated instrument", () => {
  test.each(INSTRUMENTS)("%s shows whole steps, the same for the same seed", (kind) => {
    const { resolution } = SIMULATED_INSTRUMENTS[kind];
    const once = readMany(takeInstrument(kind, 7), 28.5, 20);
    expect(readMany(takeInstrument(kind, 7), 28.5, 20)).toEqual(once);
    for (const reading of once)
      expect(Math.abs(reading / resolution - Math.round(reading / resolution))).toBeLessThan(1e-6);
  });
  test.each(INSTRUMENTS)("%s is off by its zero error until it is zeroed, then true on average", (kind) => {
    const taken = takeInstrument(kind, 99);
    const { noise, resolution, worstZero } = SIMULATED_INSTRUMENTS[kind];
    const close = (4 * (noise + resolution)) / Math.sqrt(400) + resolution / 4;
    expect(Math.abs(mean(readMany(taken, 25, 400)) - 25 - taken.zeroError)).toBeLessThan(close);
    expect(Math.abs(mean(readMany(nullInstrument(taken), 25, 400)) - 25)).toBeLessThan(close);
    if (worstZero > 0) expect(Math.abs(taken.zeroError)).toBeGreaterThanOrEqual(worstZero / 3 - resolution);
  });
  it("spreads its readings by its noise", () => {
    const readings = readMany(nullInstrument(takeInstrument("caliper", 3)), 28.5, 2000);
    const deviation = Math.sqrt(mean(readings.map((r) => (r - 28.5) ** 2)));
    expect(deviation).toBeGreaterThan(0.008);
    expect(deviation).toBeLessThan(0.018);
  });
  it("never has a zero error beyond its worst", () =>
    fc.assert(
      fc.property(fc.constantFrom(...INSTRUMENTS), fc.nat(2 ** 31), (kind, seed) => {
        const { worstZero, resolution } = SIMULATED_INSTRUMENTS[kind];
        expect(Math.abs(takeInstrument(kind, seed).zeroError)).toBeLessThanOrEqual(worstZero + resolution);
      }),
    ));
});

describe("what the simulated instruments find", () => {
  it("is what was measured before, where it was", () =>
    expect(simulatedTruth(testBar({ mass: measured(20.37, 20) }), "mass")).toBe(20.37));
  it("belongs to the bar: the same every time, another for another bar", () => {
    const bar = testBar(MENS_BAR);
    expect(simulatedTruth(bar, "mass")).toBe(simulatedTruth(bar, "mass"));
    expect(simulatedTruth({ ...bar, tag: "T2" }, "mass")).not.toBe(simulatedTruth(bar, "mass"));
    expect(seedFrom("a", "b")).not.toBe(seedFrom("ab"));
  });
  it("is flagged on some bars and not on most", () => {
    const flagged = Array.from({ length: 200 }, (_, i) => testBar(MENS_BAR, { tag: `X${i}` })).filter(
      (bar) => flaggedGaps({ quantities: { mass: measured(simulatedTruth(bar, "mass"), 20) } }).length > 0,
    ).length;
    expect(flagged).toBeGreaterThan(20);
    expect(flagged).toBeLessThan(80);
  });
  it("closes the length identity, and is possible for every quantity of every family", () =>
    fc.assert(
      fc.property(fc.constantFrom(...FAMILY_KEYS), fc.nat(500), (family, n) => {
        const bar = testBar(MENS_BAR, { tag: `F${n}`, family });
        const kinds = measurableKinds(FAMILIES[family].form, false);
        const truths = Object.fromEntries(kinds.map((kind) => [kind, measured(simulatedTruth(bar, kind))]));
        for (const kind of kinds) {
          const [least, most] = QUANTITIES[kind].range;
          expect(truths[kind]!.value).toBeGreaterThanOrEqual(least);
          expect(truths[kind]!.value).toBeLessThanOrEqual(most);
        }
        expect(lengthCulprit({ quantities: truths })).toBeNull();
      }),
    ));
});
