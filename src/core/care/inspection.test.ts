import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { NOT_LOOKED_AT } from "./checks";
import {
  dialReadings,
  INSPECTION_LIMITS,
  judgeInspection,
  runoutOf,
  type InspectionFacts,
  type InspectionVerdict,
} from "./inspection";

const bent = (tirMm: number, bendAtDeg = 0) => dialReadings({ tirMm, bendAtDeg, stepMm: 1e-9 }, 8);

describe("runout from eight readings", () => {
  it("of a synthetic bent bar is recovered to 1 % whatever the phase, and so is where it is bent", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 12, noNaN: true }),
        fc.double({ min: 0, max: 359.9, noNaN: true }),
        fc.integer({ min: 4, max: 36 }),
        (tirMm, bendAtDeg, count) => {
          const found = runoutOf(dialReadings({ tirMm, bendAtDeg, stepMm: 0.001 }, count));
          expect(Math.abs(found.tirMm / tirMm - 1)).toBeLessThan(0.01);
          const off = Math.abs(((found.bendAtDeg - bendAtDeg + 540) % 360) - 180);
          expect(off).toBeLessThan(1);
        },
      ),
    ));
  it("is not under-read as the largest less the smallest would be: 8 % at the worst phase", () => {
    const readings = bent(4, 22.5);
    const plain = Math.max(...readings) - Math.min(...readings);
    expect(plain / 4).toBeCloseTo(Math.cos(Math.PI / 8), 6);
    expect(runoutOf(readings).tirMm).toBeCloseTo(4, 6);
  });
  it("says by how much readings do not fit a bend: an oval shaft is no bend", () => {
    const oval = Array.from({ length: 8 }, (_, i) => 0.2 * Math.cos((4 * Math.PI * i) / 8));
    const found = runoutOf(oval);
    expect(found.tirMm).toBeCloseTo(0, 12);
    expect(found.residualMm).toBeCloseTo(0.2, 12);
    expect(() => runoutOf([0, 1, 2])).toThrow(RangeError);
  });
});

describe("the rule", () => {
  // Handbook §11: over 1.5 mm watch, over 3 mm quarantine; any crack or a visible hop, quarantine at once.
  test.each<[string, Partial<InspectionFacts>, InspectionVerdict]>([
    ["nothing wrong", {}, "keep"],
    ["runout of exactly 1.5 mm", { dialMm: [1.5, 0.75, 0, 0.75] }, "keep"],
    ["runout of 1.6 mm", { dialMm: bent(1.6) }, "watch"],
    ["runout of 2.9 mm", { dialMm: bent(2.9) }, "watch"],
    ["runout of 3.4 mm", { dialMm: bent(3.4, 111) }, "quarantine"],
    ["a crack", { crackSeen: true }, "quarantine"],
    ["a hop", { hops: true }, "quarantine"],
    ["a cracked weld", { parts: { welds: "cracked" } }, "quarantine"],
    ["a missing pin", { parts: { pins: "missing" } }, "quarantine"],
    ["a missing pad", { parts: { pads: "missing" } }, "watch"],
    ["end play of 3 mm", { endPlayMm: 3 }, "keep"],
    ["end play of 3.5 mm", { endPlayMm: 3.5 }, "watch"],
    ["a sleeve that drags", { spinRightS: 1 }, "watch"],
    ["pits", { rust: "pits" }, "watch"],
    ["specks", { rust: "specks" }, "keep"],
    ["a smooth knurl", { knurl: "smooth" }, "watch"],
  ])("%s", (_, facts, verdict) => expect(judgeInspection({ ...NOT_LOOKED_AT, ...facts }).verdict).toBe(verdict));
  it("names every reason, the gravest first, and follows the gym’s limits", () => {
    const facts = { ...NOT_LOOKED_AT, dialMm: bent(2), crackSeen: true, endPlayMm: 9 };
    const { reasons } = judgeInspection(facts);
    expect(reasons.map(({ text }) => text)).toEqual([
      "a crack",
      "runout 2.0 mm, over 1.5 mm",
      "end play 9 mm, over 3 mm",
    ]);
    expect(
      judgeInspection({ ...NOT_LOOKED_AT, dialMm: bent(2) }, { ...INSPECTION_LIMITS, watchTirMm: 2.5 }).verdict,
    ).toBe("keep");
  });
});
