import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { armEffort, changesOfArms, quickestArms } from "./armDropSet";
import { frameAnswer, frameSettings } from "./frame";
import { frameDropSet, frameLadder } from "./frameLadder";
import { changeEffort } from "./frameWays";
import { MAX_STOPS, quickestOrder } from "./quickestOrder";
import { FRAME_CHART, FRAME_QUESTION, FRAME_SETTING } from "./setups.fixture";

/** Every order and every way, tried one after the other. */
function tried<S>(stops: readonly (readonly S[])[], start: S | null, cost: (a: S, b: S) => number, isFixed: boolean) {
  let best = Infinity;
  const go = (left: number[], at: S | null, spent: number) => {
    if (left.length === 0) best = Math.min(best, spent);
    for (const stop of isFixed ? left.slice(0, 1) : left)
      for (const way of stops[stop]!)
        go(
          left.filter((one) => one !== stop),
          way,
          spent + (at === null ? 0 : cost(at, way)),
        );
  };
  go(
    stops.map((_, i) => i),
    start,
    0,
  );
  return best;
}

describe("the quickest order", () => {
  it("is as quick as the best of all orders and ways, free and fixed", () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 3 }), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.option(fc.integer({ min: 0, max: 30 })),
        fc.boolean(),
        (stops, start, isFixed) => {
          // Not the same both ways, as taking plates off is not.
          const cost = (a: number, b: number) => (a === b ? 0 : 1 + ((7 * a + 3 * b) % 11));
          const found = quickestOrder(stops, start, cost, isFixed);
          expect(found.cost).toBe(tried(stops, start, cost, isFixed));
          expect([...found.order].sort()).toEqual(stops.map((_, i) => i));
          found.ways.forEach((way, i) => expect(stops[found.order[i]!]).toContain(way));
          let spent = start === null ? 0 : cost(start, found.ways[0]!);
          found.ways.slice(1).forEach((way, i) => (spent += cost(found.ways[i]!, way)));
          expect(spent).toBe(found.cost);
        },
      ),
    ));
  it("is nothing of nothing, and refuses more stops than can be tried", () => {
    expect(quickestOrder<number>([], null, () => 1)).toEqual({ order: [], ways: [], cost: 0 });
    const many = Array.from({ length: MAX_STOPS + 1 }, (_, i) => [i]);
    expect(() => quickestOrder(many, null, () => 1)).toThrow(RangeError);
    expect(quickestOrder(many, null, () => 1, true).cost).toBe(MAX_STOPS);
  });
});

describe("a frame's ladder of heights", () => {
  const rungs = frameLadder(FRAME_CHART, FRAME_QUESTION, FRAME_SETTING);
  const usable = frameSettings(FRAME_CHART)
    .map((setting) => frameAnswer(FRAME_CHART, setting, FRAME_QUESTION))
    .filter(({ refusals }) => refusals.length === 0);
  it("has every height that can be lifted, from the lowest up, and none that cannot", () => {
    expect(rungs.length).toBeGreaterThan(2);
    rungs.slice(1).forEach((rung, i) => expect(rung.gripHeightMm).toBeGreaterThan(rungs[i]!.gripHeightMm + 10));
    for (const { gripHeightMm } of usable)
      expect(Math.min(...rungs.map((rung) => Math.abs(rung.gripHeightMm - gripHeightMm)))).toBeLessThanOrEqual(10);
    for (const { answer } of rungs) expect(answer.refusals).toEqual([]);
  });
  it("takes the least work from rung to rung: no other choice of settings at these heights takes less", () => {
    const groups = rungs.map(({ gripHeightMm }) =>
      usable.filter((answer) => Math.abs(answer.gripHeightMm - gripHeightMm) <= 10).map(({ setting }) => setting),
    );
    const least = quickestOrder(groups, null, changeEffort, true).cost;
    const work = rungs.slice(1).reduce((sum, { effort }) => sum + effort, 0);
    expect(work).toBe(least);
  });
  it("stays as wide as wished wherever a height can be had so", () => {
    for (const { answer } of frameLadder(FRAME_CHART, FRAME_QUESTION, FRAME_SETTING, 610))
      expect(answer.gripWidthMm).toBe(610);
  });
  it("plans a drop set with no more changes than up or down the ladder takes", () => {
    const heightsMm = rungs.map(({ gripHeightMm }) => gripHeightMm);
    const of = (order: "quickest" | "up" | "down") =>
      frameDropSet(FRAME_CHART, FRAME_QUESTION, FRAME_SETTING, { heightsMm, order });
    const [quickest, up, down] = [of("quickest"), of("up"), of("down")];
    expect(quickest.effort).toBeLessThanOrEqual(Math.min(up.effort, down.effort));
    expect(up.rungs.map(({ gripHeightMm }) => Math.round(gripHeightMm))).toEqual(
      down.rungs.map(({ gripHeightMm }) => Math.round(gripHeightMm)).reverse(),
    );
    // What it costs is what its steps cost.
    expect(quickest.rungs.reduce((sum, { effort }) => sum + effort, 0)).toBe(quickest.effort);
    expect(frameDropSet(FRAME_CHART, FRAME_QUESTION, FRAME_SETTING, { heightsMm: [], order: "up" }).rungs).toEqual([]);
  });
});

describe("a drop set across settings of arms", () => {
  const stop = (key: string, mark: string, pin: string) => ({ key, name: key, setting: { mark, pin } });
  it("goes the way that turns and slides least, from how the bar stands", () => {
    const stops = [stop("goblet", "1", "A"), stop("low", "6", "D"), stop("yoke", "1", "B")];
    const { stops: order, effort } = quickestArms(stops, { mark: "6", pin: "D" }, false);
    expect(order.map(({ key }) => key)[0]).toBe("low");
    expect(effort).toBe(0 + 4 + 2);
    expect(quickestArms(stops, { mark: "6", pin: "D" }, true).effort).toBe(4 + 4 + 4);
  });
  it("says what to do, and where nothing is to do", () => {
    expect(changesOfArms({ mark: "1", pin: "A" }, { mark: "3", pin: "A" })).toBe("turn both arms from mark 1 to 3");
    expect(changesOfArms({ mark: "1", pin: "A" }, { mark: "1", pin: "A" })).toBe("nothing to change");
    expect(armEffort({ mark: "1", pin: "A" }, { mark: "2", pin: "B" })).toBe(4);
  });
});
