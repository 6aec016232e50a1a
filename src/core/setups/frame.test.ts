import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { chartTexts, readChart } from "./chartFields";
import { type FrameChart, frameAnswer, frameSettings, gripKind, type FrameSetting } from "./frame";
import { changeEffort, changeSteps, waysTo } from "./frameWays";
import { FRAME_CHART, FRAME_QUESTION, FRAME_SETTING } from "./setups.fixture";

const at = (setting: Partial<FrameSetting> = {}, question: Partial<typeof FRAME_QUESTION> = {}, chart = FRAME_CHART) =>
  frameAnswer(chart, { ...FRAME_SETTING, ...setting }, { ...FRAME_QUESTION, ...question });

describe("grip height of a frame (handbook §9)", () => {
  // By hand: plate radius 225 ± arms 100 ± handles 50.
  test.each([
    ["up", "up", 375, "raised"],
    ["up", "down", 275, "raised"],
    ["down", "up", 175, "deficit"],
    ["down", "down", 75, "deficit"],
  ] as const)("arms %s and handles %s is %s mm: %s", (arms, handles, height, kind) => {
    const answer = at({ arms, handles });
    expect(answer.gripHeightMm).toBe(height);
    expect(answer.kind).toBe(kind);
    expect(answer.againstStandardMm).toBe(height - 225);
  });
  it("follows the plates in use, not only full ones", () => {
    expect(at({}, { plateDiameterMm: 360 }).gripHeightMm).toBe(330);
    expect(at({ handles: "down" }, { plateDiameterMm: 360 }).kind).toBe("standard");
  });
  it("calls 225 mm standard, give or take a finger", () =>
    expect([-11, -10, 0, 10, 11].map(gripKind)).toEqual(["deficit", "standard", "standard", "standard", "raised"]));
  it("is mirrored about the axis when the bar is turned over and the handles with it", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (a, h) => {
          const chart = { ...FRAME_CHART, armOffsetMm: a, handleOffsetMm: h };
          const [one, other] = [at({}, {}, chart), at({ arms: "down", handles: "down" }, {}, chart)];
          expect(one.gripHeightMm + other.gripHeightMm).toBeCloseTo(450, 6);
          expect(one.centre.aboveMm).toBeCloseTo(-other.centre.aboveMm, 6);
          expect(one.centre.aheadMm).toBeCloseTo(other.centre.aheadMm, 6);
        },
      ),
    ));
});

describe("the common mass centre and the hands over it", () => {
  // By hand: frame 24.9 kg at (−60, 30), handles 2.4 kg at (−120 + 110, 150), plates 100 kg at the axis; 127.3 kg.
  it("is the weighed mean of frame, handles and plates", () => {
    const { centre } = at();
    expect(centre.aheadMm).toBeCloseTo((24.9 * -60 + 2.4 * -10) / 127.3, 9);
    expect(centre.aboveMm).toBeCloseTo((24.9 * 30 + 2.4 * 150) / 127.3, 9);
  });
  it("goes to the axis as plates are added", () => {
    const off = (perSideKg: number) => Math.abs(at({}, { perSideKg }).centre.aheadMm);
    expect(off(0)).toBeGreaterThan(off(25));
    expect(off(25)).toBeGreaterThan(off(100));
    expect(off(100)).toBeGreaterThan(0);
  });
  it("puts the hands where it hangs level, and that place moves with the load", () => {
    const [empty, full] = [at({}, { perSideKg: 0 }), at({}, { perSideKg: 100 })];
    for (const answer of [empty, full]) {
      expect(answer.hands.aheadMm).toBeCloseTo(answer.centre.aheadMm, 6);
      expect(answer.tipsDeg).toBeCloseTo(0, 6);
      expect(answer.refusals).toEqual([]);
    }
    expect(full.handMm).toBeGreaterThan(empty.handMm + 20);
  });
  it("refuses handles that extend past one side and do not cross back over the axis", () => {
    const { refusals } = at({ direction: "back" });
    expect(refusals.map(({ key }) => key)).toEqual(["axis"]);
    expect(refusals[0]!.text).toContain("behind the common mass centre");
    expect(refusals[0]!.text).toContain("must cross back over the axis");
  });
  it("refuses a hand that is kept too far off, and one that is not on the grip", () => {
    expect(at({ handMm: 150 }).refusals.map(({ key }) => key)).toEqual(["axis"]);
    expect(at({ handMm: 150 }).tipsDeg!).toBeLessThan(0);
    expect(at({ handMm: 70 }).refusals.map(({ key }) => key)).toEqual(["axis"]);
    expect(at({ handMm: 70 }).tipsDeg!).toBeGreaterThan(0);
    expect(at({ handMm: 10 }).refusals.map(({ key }) => key)).toContain("hole");
    expect(at({ handMm: 110 }).refusals).toEqual([]);
  });
  it("warns when the hands are below the mass centre", () => {
    expect(at({ arms: "down", handles: "down" }).tipsDeg).toBeNull();
    expect(at({ arms: "down", handles: "down" }).warnings[0]).toContain("below the common mass centre");
    expect(at().warnings).toEqual([]);
  });
  it("hangs freely with its mass centre plumb below the hands", () =>
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 160 }), fc.integer({ min: 0, max: 150 }), (handMm, perSideKg) => {
        const { tipsDeg, hands, centre } = at({ handMm }, { perSideKg });
        const turn = (-tipsDeg! * Math.PI) / 180;
        // Nose down is clockwise seen with the lifter facing right.
        const [x, y] = [centre.aheadMm - hands.aheadMm, centre.aboveMm - hands.aboveMm];
        expect(x * Math.cos(turn) - y * Math.sin(turn)).toBeCloseTo(0, 6);
        expect(x * Math.sin(turn) + y * Math.cos(turn)).toBeLessThan(0);
      }),
    ));
});

describe("room", () => {
  it("is 105 mm under the arms with full plates and none with small ones", () => {
    expect(at({ arms: "down" }).floorClearanceMm).toBe(105);
    expect(at({ arms: "down" }, { plateDiameterMm: 228 }).refusals.map(({ key }) => key)).toContain("floor");
    expect(at({ arms: "up" }, { plateDiameterMm: 228 }).refusals).toEqual([]);
  });
  it("never pushes the knees in, and counts pins that point inward", () => {
    expect(at({}, { kneesMm: 560 }).kneeRoomMm).toBe(40);
    expect(at({ pins: "in" }, { kneesMm: 560 }).kneeRoomMm).toBe(-40);
    expect(at({ pins: "in" }, { kneesMm: 560 }).refusals.map(({ key }) => key)).toEqual(["knees"]);
  });
  it("is no wider than the rack allows, knuckles included", () => {
    expect(at({ hole: "3" }, { rackMm: 780 }).refusals).toEqual([]);
    expect(at({ hole: "3" }, { rackMm: 779 }).refusals.map(({ key }) => key)).toEqual(["rack"]);
  });
  it("has no stands where there are none, and no hole it does not have", () => {
    expect(at({ stands: "on" }, {}, { ...FRAME_CHART, standMm: 0 }).refusals.map(({ key }) => key)).toEqual(["stands"]);
    expect(() => at({ hole: "7" })).toThrow("no hole 7");
  });
});

describe("ways to a wished height", () => {
  const present = { ...FRAME_SETTING };
  it("names the flips for 50 mm above standard, easiest change first", () => {
    const { ways } = waysTo(FRAME_CHART, { gripHeightMm: 275, gripWidthMm: null }, FRAME_QUESTION, present);
    expect(ways[0]!.answer.setting).toMatchObject({ arms: "up", handles: "down", hole: "1", direction: "forward" });
    expect(ways[0]!.heightOffMm).toBe(0);
    expect(ways[0]!.steps.join(" ")).toContain("grip down");
    expect(ways.slice(0, 3).map(({ effort }) => effort)).toEqual([3, 4, 4]);
  });
  it("lists every setting once, those that must not be used apart with their reasons", () => {
    const { ways, refused } = waysTo(FRAME_CHART, { gripHeightMm: 225, gripWidthMm: 610 }, FRAME_QUESTION, present);
    expect(ways.length + refused.length).toBe(frameSettings(FRAME_CHART).length);
    expect(refused.length).toBeGreaterThan(0);
    expect(refused.every(({ answer }) => answer.refusals.length > 0)).toBe(true);
    expect(ways.every(({ answer }) => answer.refusals.length === 0)).toBe(true);
  });
  it("does not turn the bar over for a centimetre that is not asked for", () => {
    const { ways } = waysTo(FRAME_CHART, { gripHeightMm: 372, gripWidthMm: 660 }, FRAME_QUESTION, present);
    expect(ways[0]!.answer.setting).toMatchObject({ arms: "up", handles: "up", hole: "3" });
    expect(ways[0]!.steps.some((step) => step.includes("turn the bar over"))).toBe(false);
  });
  it("turns pins out when they would be in the knees", () => {
    const { ways } = waysTo(
      FRAME_CHART,
      { gripHeightMm: 375, gripWidthMm: null },
      { ...FRAME_QUESTION, kneesMm: 560 },
      { ...present, pins: "in" },
    );
    expect(ways[0]!.answer.setting.pins).toBe("out");
  });
});

describe("the order of changing", () => {
  it("is nothing when nothing changes", () => {
    expect(changeSteps(FRAME_CHART, FRAME_SETTING, FRAME_SETTING)).toEqual([]);
    expect(changeEffort(FRAME_SETTING, FRAME_SETTING)).toBe(0);
  });
  it("empties the bar before it is turned over, and checks last", () => {
    const steps = changeSteps(FRAME_CHART, FRAME_SETTING, { ...FRAME_SETTING, arms: "down", hole: "2" });
    expect(steps[0]).toContain("plates off");
    expect(steps.findIndex((s) => s.includes("turn the bar over"))).toBeLessThan(
      steps.findIndex((s) => s.includes("left handle")),
    );
    expect(steps.at(-1)).toContain("same hole both sides (2)");
  });
  it("empties a bar that may only be changed empty, whatever changes", () =>
    expect(
      changeSteps({ ...FRAME_CHART, changesEmptyOnly: true }, FRAME_SETTING, { ...FRAME_SETTING, pins: "in" })[0],
    ).toContain("Take all plates off"));
  it("is as much work one way as the other", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...frameSettings(FRAME_CHART)),
        fc.constantFrom(...frameSettings(FRAME_CHART)),
        (a, b) => {
          expect(changeEffort(a, b)).toBe(changeEffort(b, a));
          expect(changeSteps(FRAME_CHART, a, b).length === 0).toBe(changeEffort(a, b) === 0);
        },
      ),
    ));
});

describe("second rows of holes, handles hung below, angled handles and stands", () => {
  const at = (chart: Partial<FrameChart>, setting: Partial<FrameSetting> = {}) =>
    frameAnswer({ ...FRAME_CHART, ...chart }, { ...FRAME_SETTING, ...setting }, FRAME_QUESTION);
  const plain = at({});
  it("a second row lifts the grip with the arms up and lowers it with the arms down (by hand: ± 60 mm)", () => {
    const holes = [...FRAME_CHART.holes, { name: "B1", gripWidthMm: 560, raiseMm: 60 }];
    expect(at({ holes }, { hole: "B1" }).gripHeightMm).toBe(plain.gripHeightMm + 60);
    expect(at({ holes }, { hole: "B1", arms: "down" }).gripHeightMm).toBe(at({}, { arms: "down" }).gripHeightMm - 60);
  });
  it("handles hung below give their own height, and only when turned down", () => {
    expect(at({ underslungMm: 140 }).gripHeightMm).toBe(plain.gripHeightMm);
    // 225 + 100 − 140.
    expect(at({ underslungMm: 140 }, { handles: "down" }).gripHeightMm).toBe(185);
    const level = { ...FRAME_CHART, handleOffsetMm: 0 };
    expect(frameSettings(level).some(({ handles }) => handles === "down")).toBe(false);
    expect(frameSettings({ ...level, underslungMm: 90 }).some(({ handles }) => handles === "down")).toBe(true);
  });
  it("along an angled handle the height changes with where the hand is (tan 10° of 100 mm: 17.6)", () => {
    const [near, far] = [60, 160].map((handMm) => at({ gripRiseDeg: 10 }, { handMm }).gripHeightMm);
    expect(far! - near!).toBeCloseTo(17.633, 3);
  });
  it("stands are a start height of their own", () => {
    expect(plain.startHeightMm).toBeNull();
    // 300 + 100 + 50.
    expect(at({}, { stands: "on" }).startHeightMm).toBe(450);
  });
  it("are read from a chart and written back", () => {
    const texts = {
      ...chartTexts(FRAME_CHART),
      holes: "1 = 560 | B1 = 560 / 60",
      underslungMm: "140",
      gripRiseDeg: "10",
    };
    const read = readChart("frame", texts);
    expect(read).toMatchObject({
      ok: true,
      chart: {
        holes: [
          { name: "1", gripWidthMm: 560 },
          { name: "B1", gripWidthMm: 560, raiseMm: 60 },
        ],
        underslungMm: 140,
        gripRiseDeg: 10,
      },
    });
    expect(read.ok && chartTexts(read.chart)).toMatchObject({ holes: "1 = 560 | B1 = 560 / 60", underslungMm: "140" });
    const bad = readChart("frame", { ...texts, holes: "1 = 560 / high | 2 = 560 / 900" });
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["holes", "holes"]);
  });
});
