import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { armOf } from "./arms";
import { balance, type Figure } from "./balance";
import { CARRIES, CARRY_KEYS, type CarryKey } from "./carry";
import { balanceLead } from "./verdictWords";

const figureOf = (key: CarryKey, heightMm: number, thighAngleDeg = 0): Figure | null =>
  balance({
    lifter: { heightMm, massKg: 85, trunkLengthMm: null, thighLengthMm: null, shankLengthMm: null },
    pose: { shankLeanDeg: CARRIES[key].shankLeanDeg, thighAngleDeg },
    carry: CARRIES[key].carry,
    loadKg: 100,
    handTorqueLimitNm: 60,
  })?.figure ?? null;
const apart = (a: readonly number[], b: readonly number[]) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!);

describe("arms of the figure (Winter: upper arm 0.186 and forearm 0.146 of height, half a hand to the grip)", () => {
  it("are as long as the lifter's height says, whatever the carry and the pose (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CARRY_KEYS),
        fc.integer({ min: 1400, max: 2150 }),
        fc.integer({ min: -10, max: 60 }),
        (key, heightMm, thighAngleDeg) => {
          const figure = figureOf(key, heightMm, thighAngleDeg);
          if (!figure) return;
          const { elbow, hand } = armOf(figure, key, heightMm);
          expect(apart(figure.shoulder, elbow)).toBeCloseTo(0.186 * heightMm, 6);
          expect(apart(elbow, hand)).toBeCloseTo(0.2 * heightMm, 6);
        },
      ),
      { seed: 20 },
    );
  });
  it("hang below the shoulder under a bar on the back, and point forward under one in front", () => {
    const [high, front] = [figureOf("high", 1800)!, figureOf("front", 1800)!];
    expect(armOf(high, "high", 1800).elbow[1]).toBeLessThan(high.shoulder[1]);
    expect(armOf(front, "front", 1800).elbow[0]).toBeGreaterThan(front.shoulder[0]);
    const yoke = figureOf("yoke", 1800)!;
    expect(armOf(yoke, "yoke", 1800).hand[0]).toBeGreaterThan(yoke.contact[0]);
  });
});

describe("what the pictures say for this lifter, in one sentence", () => {
  const answers = (["high", "yoke", "cambered"] as const).map((key) => ({
    phrase: CARRIES[key].phrase,
    answer: balance({
      lifter: { heightMm: 1800, massKg: 85, trunkLengthMm: null, thighLengthMm: null, shankLengthMm: null },
      pose: { shankLeanDeg: CARRIES[key].shankLeanDeg, thighAngleDeg: 0 },
      carry: CARRIES[key].carry,
      loadKg: 100,
      handTorqueLimitNm: 60,
    })!,
  }));
  it("names the most upright and the furthest over, and what they ask of hips and knees", () => {
    // Handbook §8: high 41.4°, yoke 33.4°, cambered 43.5° for this lifter.
    expect(balanceLead("Hale with 100 kg", answers)).toBe(
      "Hale with 100 kg stays most upright with a safety squat bar (33°) and leans furthest over with a hanging cambered bar (44°). With a safety squat bar the knees do more and the hips less.",
    );
  });
  it("of one carry says how far it leans, of equals that they are alike", () => {
    expect(balanceLead("Hale", [answers[1]!])).toBe("Hale leans 33° with a safety squat bar.");
    expect(balanceLead("Hale", [answers[0]!, { ...answers[0]!, phrase: "a twin" }])).toContain("leans the same");
  });
});
