import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import type { FamilyKey } from "../bars/families";
import { stated, testBar } from "../bars/testBar.fixture";
import { LIFTS } from "../matching/lifts";
import { holeAtOrBelow, holeHeightMm, jCupHeightMm, jCupOffsetMm, rackSetting, rackWords } from "./rackHeight";

const LIFTER = { heightMm: 1800, massKg: 85 };
const RACK = { firstHoleMm: 430, holePitchMm: 50 };
const bar = (family: FamilyKey, quantities = {}) => testBar({ mass: stated(20), ...quantities }, { family });
const HIGH = LIFTS["back-squat-high"];

describe("J-cups (handbook §9: 0.818 of the height, where the bar lies, less 60 mm, and the bar's offset)", () => {
  test.each<[FamilyKey, keyof typeof LIFTS, number]>([
    // 0.818 × 1800 = 1472.4; a straight bar lies high +20, low −60, front −20.
    ["power", "back-squat-high", 1472.4 + 20 - 60],
    ["power", "back-squat-low", 1472.4 - 60 - 60],
    ["power", "front-squat", 1472.4 - 20 - 60],
    ["yoke", "back-squat-high", 1472.4 + 20 - 60 + 50],
    ["low-yoke", "back-squat-high", 1472.4 + 20 - 60 - 100],
    ["cambered", "back-squat-high", 1472.4 + 20 - 60],
  ])("%s in the %s: %s mm", (family, lift, height) =>
    expect(jCupHeightMm(LIFTER, bar(family), LIFTS[lift])).toBeCloseTo(height, 6),
  );
  it("follow the bar's own offset where it is known, and say nothing for a bar or lift that is not racked", () => {
    expect(jCupOffsetMm(bar("yoke", { jCupOffset: stated(35) }))).toBe(35);
    expect(jCupOffsetMm(bar("cambered", { camberDrop: stated(280) }))).toBe(0);
    expect(jCupHeightMm(LIFTER, { ...bar("power"), canBeRacked: false }, HIGH)).toBeNull();
    expect(jCupHeightMm(LIFTER, bar("power"), LIFTS.bench)).toBeNull();
  });
});

describe("holes", () => {
  test.each([
    [430, 1],
    [429.9, null],
    [479.9, 1],
    [480, 2],
    [1430, 21],
  ])("at or below %s mm: %s", (height, hole) => expect(holeAtOrBelow(RACK, height)).toBe(hole));
  it("are never above the height, and the next one is", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 600 }),
        fc.integer({ min: 20, max: 100 }),
        fc.integer({ min: 600, max: 2000 }),
        (firstHoleMm, holePitchMm, height) => {
          const rack = { firstHoleMm, holePitchMm };
          const hole = holeAtOrBelow(rack, height)!;
          expect(holeHeightMm(rack, hole)).toBeLessThanOrEqual(height);
          expect(holeHeightMm(rack, hole + 1)).toBeGreaterThan(height);
        },
      ),
    ));
  it("a taller lifter never gets a lower hole, and nobody unracks on tiptoe", () =>
    fc.assert(
      fc.property(fc.integer({ min: 1450, max: 2100 }), fc.integer({ min: 0, max: 150 }), (heightMm, more) => {
        const of = (mm: number) => rackSetting({ ...LIFTER, heightMm: mm }, bar("power"), HIGH, RACK)!;
        expect(of(heightMm + more).hole).toBeGreaterThanOrEqual(of(heightMm).hole);
        expect(of(heightMm).heightMm).toBeLessThanOrEqual(0.818 * heightMm - 40 + 1e-6);
      }),
    ));
});

describe("in words", () => {
  const words = (family: FamilyKey, quantities = {}) =>
    rackWords(rackSetting(LIFTER, bar(family, quantities), HIGH, RACK)!);
  it("common practice: a yoke one hole up from the straight bar, a low-yoke two down", () => {
    expect(words("power")).toMatch(/^J-cups in hole 21; safeties in hole \d+\.$/);
    expect(words("yoke")).toMatch(/one hole up from a straight bar/);
    expect(words("low-yoke")).toMatch(/two holes down from a straight bar/);
  });
  it("safeties follow the lowest hanging part, and are as low as they go where that is under every hole", () => {
    const hole = (lowestPart: number) =>
      rackSetting(LIFTER, bar("cambered", { lowestPart: stated(lowestPart) }), HIGH, RACK)!.safetyHole!;
    expect(hole(100) - hole(300)).toBe(4);
    expect(words("cambered", { lowestPart: stated(700) })).toContain("safeties as low as they go");
  });
});
