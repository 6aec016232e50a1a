import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { testBar } from "../bars/testBar.fixture";
import { dialReadings } from "../care/inspection";
import { LIFT_KEYS } from "../matching/lifts";
import { bendOfFacts, bendPlace, bendPlaceWords, dialAtMm, standHalfMm } from "./bendPlace";
import { handHalfMm, wearAlong } from "./wearAlong";
import { lookWords, wearWords } from "./wearWords";
import { foundAt, zoneAt, ZONES, zoneSpan } from "./zones";

const bar = testBar();

describe("wear along a shaft", () => {
  it("is worst where a lift has its hands, the same on both sides", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            like: fc.constantFrom(...LIFT_KEYS),
            sets: fc.integer({ min: 1, max: 500 }),
            heightMm: fc.option(fc.integer({ min: 1450, max: 2100 })),
          }),
          { minLength: 1, maxLength: 8 },
        ),
        (gripped) => {
          const wear = wearAlong(bar, gripped)!;
          expect(Math.max(...wear.cells)).toBe(1);
          expect(Math.min(...wear.cells)).toBeGreaterThanOrEqual(0);
          wear.cells.forEach((cell, i) => expect(cell).toBeCloseTo(wear.cells.at(-1 - i)!, 9));
          expect(wear.sets).toBe(gripped.reduce((sum, { sets }) => sum + sets, 0));
          // Where it is darkest somebody has a hand.
          const worst = Math.abs(wear.fromMm + wear.cells.indexOf(1) * wear.stepMm);
          const hands = gripped.map(({ like, heightMm }) => handHalfMm(like, heightMm, 655));
          expect(Math.min(...hands.map((hand) => Math.abs(hand - worst)))).toBeLessThan(120);
        },
      ),
    ));
  it("says where a hall that only pulls has to brush: 17 to 27 cm from the middle", () => {
    const wear = wearAlong(bar, [{ like: "deadlift", sets: 300, heightMm: 1750 }])!;
    expect(wear.bands).toHaveLength(1);
    expect(wear.bands[0]!.fromMm).toBeGreaterThan(150);
    expect(wear.bands[0]!.toMm).toBeLessThan(290);
    expect(wearWords(wear)).toContain("300 sets");
    expect(lookWords(wear)).toContain("both sides");
  });
  it("counts a chalked pull more than a squat with the hands farther out", () => {
    const wear = wearAlong(bar, [
      { like: "deadlift", sets: 100, heightMm: null },
      { like: "back-squat-low", sets: 100, heightMm: null },
    ])!;
    const at = (mm: number) => wear.cells[Math.round((mm - wear.fromMm) / wear.stepMm)]!;
    expect(at(220)).toBe(1);
    expect(at(420)).toBeGreaterThan(0.15);
    expect(at(420)).toBeLessThan(0.4);
  });
  it("follows tall lifters' hands outward", () => {
    const [short, tall] = [1500, 2000].map((heightMm) => handHalfMm("bench", heightMm, 655));
    expect(tall! - short!).toBeGreaterThan(80);
  });
  it("has nothing to say of bars that are held by handles, and says so where nobody logged a set", () => {
    expect(wearAlong(testBar({}, { family: "yoke" }), [])).toBeNull();
    expect(wearAlong(testBar({}, { family: "closed-frame" }), [])).toBeNull();
    const unused = wearAlong(bar, [])!;
    expect(unused.sets).toBe(0);
    expect(wearWords(unused)).toContain("Nobody logged a set");
  });
});

describe("parts of a bar", () => {
  it("follow one another from end to end, and every place is in its part", () => {
    ZONES.slice(1).forEach((zone, i) =>
      expect(zoneSpan(bar, zone).fromMm).toBeCloseTo(zoneSpan(bar, ZONES[i]!).toMm, 9),
    );
    for (const zone of ZONES) {
      const { fromMm, toMm } = zoneSpan(bar, zone);
      expect(toMm).toBeGreaterThan(fromMm);
      expect(zoneAt(bar, (fromMm + toMm) / 2)).toBe(zone);
    }
  });
});

/** What three dials show of a shaft of two straight pieces: an oracle by geometry, turned in life. */
function turns(
  bendMm: number,
  tirMm: number,
  bendAtDeg: number,
  halfMm: number,
  noise: (i: number) => number = () => 0,
) {
  const off = (atMm: number) =>
    atMm <= bendMm ? (atMm + halfMm) / (bendMm + halfMm) : (halfMm - atMm) / (halfMm - bendMm);
  return ([-halfMm / 2, 0, halfMm / 2] as const).map((atMm, k) => ({
    atMm,
    dialMm: Array.from({ length: 8 }, (_, i) => {
      const turn = (2 * Math.PI * i) / 8;
      const peak = (tirMm / 2) * off(atMm);
      return 3 + peak * Math.cos(turn - (bendAtDeg * Math.PI) / 180) + noise(8 * k + i);
    }),
  }));
}

describe("where a shaft is bent", () => {
  it("is found from three turns to a few millimetres, with its size and its direction on the clock", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -300, max: 300 }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        (bendMm, tirMm, bendAtDeg) => {
          const found = bendPlace(turns(bendMm, tirMm, bendAtDeg, 615), 615);
          expect(Math.abs(found.atMm - bendMm)).toBeLessThanOrEqual(2);
          expect(found.tirMm).toBeCloseTo(tirMm, 1);
          expect(Math.cos(((found.bendAtDeg - bendAtDeg) * Math.PI) / 180)).toBeGreaterThan(0.999);
          expect(found.residualMm).toBeLessThan(0.02);
          expect(found.isBeyond).toBe(false);
        },
      ),
    ));
  it("is still found within 60 mm where the gauge is read to a hundredth", () => {
    for (const bendMm of [-280, -120, 0, 200, 250]) {
      const noise = (i: number) => 0.01 * Math.sin(7.3 * i + bendMm);
      expect(Math.abs(bendPlace(turns(bendMm, 2, 70, 615, noise), 615).atMm - bendMm)).toBeLessThan(60);
    }
  });
  it("says no more than that it lies beyond the outer dial, where nothing tells one place from another", () => {
    for (const bendMm of [-560, -400, 350, 500]) {
      const found = bendPlace(turns(bendMm, 2, 70, 615), 615);
      expect(found.isBeyond).toBe(true);
      expect(Math.sign(found.atMm)).toBe(Math.sign(bendMm));
      expect(bendPlaceWords(found)).toContain("or farther out");
    }
  });
  it("says when two bends or a slip of the gauge do not add up to one", () => {
    const two = turns(-200, 2, 0, 615).map((turn, i) => ({
      ...turn,
      dialMm: turn.dialMm.map((mm, k) => mm + turns(200, 2, 120, 615)[i]!.dialMm[k]! - 3),
    }));
    expect(bendPlace(two, 615).residualMm).toBeGreaterThan(0.2);
  });
  it("wants three places between the stands", () => {
    expect(() => bendPlace(turns(0, 1, 0, 615).slice(0, 2), 615)).toThrow(RangeError);
    expect(() => bendPlace(turns(0, 1, 0, 2000), 615)).toThrow(RangeError);
  });
  it("is read from an inspection with three turns, and from no other", () => {
    const half = standHalfMm(bar);
    const at = (place: "left" | "middle" | "right", share: number) => ({
      atMm: dialAtMm(place, half),
      dial: dialReadings({ tirMm: 2 * share, bendAtDeg: 90, stepMm: 0.0001 }, 8),
    });
    const facts = {
      ...{ dialMm: at("middle", 1).dial, dialLeftMm: at("left", 0.5).dial, dialRightMm: at("right", 0.5).dial },
      ...{ hops: null, crackSeen: null, spinLeftS: null, spinRightS: null, endPlayMm: null, knurl: null, rust: null },
      parts: {},
    };
    const bend = bendOfFacts(bar, facts)!;
    expect(Math.abs(bend.atMm)).toBeLessThan(3);
    expect(bend.clock).toBe(3);
    expect(bendPlaceWords(bend)).toBe("Bent in the middle, towards 3 o’clock, runout 2.0 mm.");
    expect(bendOfFacts(bar, { ...facts, dialLeftMm: null })).toBeNull();
  });
});

describe("the place of what was found", () => {
  it("is told once", () => {
    expect(foundAt("rust", "left-knurl")).toBe("rust, left knurl");
    expect(foundAt("Right sleeve drags when it is cold", "right-sleeve")).toBe("Right sleeve drags when it is cold");
    expect(foundAt("left sleeve drags", "right-sleeve")).toBe("left sleeve drags, right sleeve");
    expect(foundAt("rust", null)).toBe("rust");
  });
});
