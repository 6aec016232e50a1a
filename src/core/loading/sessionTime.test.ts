import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { commonInnerPart } from "./handled";
import { playSession, stepAt, USUAL_PACE } from "./sessionTime";

const setsOf = (stacks: string[][]) =>
  stacks.map((perSide, i) => {
    const before = stacks[i - 1] ?? [];
    const kept = commonInnerPart(before, perSide);
    return { perSide, off: before.slice(kept).toReversed(), on: perSide.slice(kept) };
  });

describe("a session played through", () => {
  // By hand: two plates on (2·6 + 8 = 20), a set (40); nothing moved: 15 of turning, a set; one off (6 + 8 = 14): 1 more.
  it("adds up plates, clamps, turns and sets", () => {
    const play = playSession(setsOf([["a", "b"], ["a", "b"], ["a"]]));
    expect(play).toMatchObject({ platesS: 34, liftingS: 120, turningS: 16, totalS: 170 });
    expect(play.steps.map(({ what }) => what)).toEqual(["on", "on", "lift", "turn", "lift", "off", "turn", "lift"]);
    expect(play.steps.map(({ perSide }) => perSide.join(""))).toEqual(["a", "ab", "ab", "ab", "ab", "a", "a", "a"]);
  });
  it("has no gaps, moves one plate at a time and ends where its parts add up", () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom("a", "b", "c"), { maxLength: 4 }), { minLength: 1, maxLength: 8 }),
        (stacks) => {
          const play = playSession(setsOf(stacks));
          let [now, count] = [0, 0];
          for (const { fromS, toS, perSide, what } of play.steps) {
            expect(fromS).toBeCloseTo(now, 9);
            expect(toS).toBeGreaterThan(fromS);
            expect(perSide.length - count).toBe(what === "on" ? 1 : what === "off" ? -1 : 0);
            [now, count] = [toS, perSide.length];
          }
          expect(play.totalS).toBeCloseTo(now, 9);
          expect(play.liftingS + play.platesS + play.turningS).toBeCloseTo(play.totalS, 9);
          expect(play.steps.filter(({ what }) => what === "lift").map(({ perSide }) => perSide)).toEqual(stacks);
        },
      ),
    ));
  it("finds the step at a time", () => {
    const play = playSession(setsOf([["a"], ["a"]]));
    expect(stepAt(play, 0)).toBe(0);
    expect(stepAt(play, USUAL_PACE.plateS + USUAL_PACE.clampS)).toBe(1);
    expect(stepAt(play, 1e9)).toBe(play.steps.length - 1);
    expect(stepAt({ steps: [] }, 5)).toBe(0);
  });
});
