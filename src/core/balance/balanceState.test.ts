import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { stated, testBar } from "../bars/testBar.fixture";
import type { FamilyKey } from "../bars/families";
import { LIFTS, type LiftKey } from "../matching/lifts";
import { balance } from "./balance";
import {
  BALANCE_RANGES,
  balanceParams,
  MAX_CARRIES,
  readBalance,
  startingCarry,
  type BalanceState,
} from "./balanceState";
import { CARRIES, CARRY_KEYS } from "./carry";
import { carryOn } from "./carryOn";
import { balanceSentence, carryDifference } from "./verdictWords";

const within = (range: readonly [number, number]) => fc.integer({ min: range[0], max: range[1] });
const anyState: fc.Arbitrary<BalanceState> = fc.record({
  build: fc.record({
    heightMm: within(BALANCE_RANGES.heightMm),
    massKg: within(BALANCE_RANGES.massKg),
    trunkLengthMm: fc.option(within(BALANCE_RANGES.segmentMm), { nil: null }),
    thighLengthMm: fc.option(within(BALANCE_RANGES.segmentMm), { nil: null }),
    shankLengthMm: fc.option(within(BALANCE_RANGES.segmentMm), { nil: null }),
  }),
  loadKg: within(BALANCE_RANGES.loadKg),
  thighAngleDeg: within(BALANCE_RANGES.thighAngleDeg),
  mode: fc.constantFrom("squat", "hinge"),
  trunkLeanDeg: within(BALANCE_RANGES.trunkLeanDeg),
  isSamePose: fc.boolean(),
  carries: fc
    .array(
      fc.record({
        key: fc.constantFrom(...CARRY_KEYS),
        lean: within(BALANCE_RANGES.shankLeanDeg),
        up: within(BALANCE_RANGES.alongTrunkMm),
        ahead: within(BALANCE_RANGES.forwardMm),
        drop: within(BALANCE_RANGES.camberDropMm),
        held: within(BALANCE_RANGES.heldAngleDeg),
      }),
      { minLength: 1, maxLength: MAX_CARRIES },
    )
    .map((all) =>
      all.map(({ key, lean, up, ahead, drop, held }) => ({
        key,
        shankLeanDeg: lean,
        carry: { ...CARRIES[key].carry, alongTrunkMm: up, forwardMm: ahead, camberDropMm: drop, heldAngleDeg: held },
      })),
    ),
});

describe("what the address says", () => {
  it("is read back as it was said, whatever was moved", () =>
    fc.assert(
      fc.property(anyState, (state) => {
        expect(readBalance(balanceParams(state))).toEqual(state);
      }),
    ));
  it("says nothing of what is as the page starts", () => {
    expect(balanceParams(readBalance({}))).toEqual({});
    expect(balanceParams(readBalance({ mode: "hinge" }))).toEqual({ mode: "hinge" });
  });
  test.each([
    [{ h: "9000", m: "x", load: "", thigh: "-3" }],
    [{ c: "flying:3,none" }],
    [{ depth: "NaN", lean: "Infinity", mode: "jump" }],
  ])("takes %j as a page that just opened", (search) => expect(readBalance(search)).toEqual(readBalance({})));
  it("has three carries at most", () =>
    expect(readBalance({ c: "high,low,yoke,front" }).carries.map(({ key }) => key)).toEqual(["high", "low", "yoke"]));
});

describe("how a bar is carried", () => {
  const special = (family: FamilyKey, quantities = {}) => testBar({ mass: stated(30), ...quantities }, { family });
  test.each<[FamilyKey, LiftKey, string | null]>([
    ["power", "back-squat-high", "high"],
    ["power", "back-squat-low", "low"],
    ["power", "front-squat", "front"],
    ["yoke", "back-squat-low", "yoke"],
    ["low-yoke", "back-squat-high", "low-yoke"],
    ["cambered", "box-squat", "cambered"],
    ["cambered-yoke", "good-morning", "cambered"],
    ["adjustable-yoke", "front-squat", "goblet"],
    ["bowed", "back-squat-high", "high"],
    ["open-frame", "lunge", null],
    ["power", "bench", null],
  ])("%s in the %s: %s", (family, lift, key) =>
    expect(carryOn(special(family), LIFTS[lift].like)?.key ?? null).toBe(key),
  );
  it("takes the bar's own camber where it is known, and the usual one where it is not", () => {
    const own = carryOn(special("yoke", { camberDrop: stated(120), camberForward: stated(60) }), "back-squat-high")!;
    expect([own.carry.camberDropMm, own.carry.camberForwardMm]).toEqual([120, 60]);
    expect(carryOn(special("yoke"), "back-squat-high")!.carry).toEqual(CARRIES.yoke.carry);
    // What hangs has no forward of its own.
    expect(carryOn(special("cambered", { camberForward: stated(40) }), "box-squat")!.carry.camberForwardMm).toBe(0);
  });
});

describe("sentences", () => {
  const at = (key: (typeof CARRY_KEYS)[number]) =>
    balance({
      lifter: { heightMm: 1800, massKg: 85 },
      pose: { shankLeanDeg: startingCarry(key).shankLeanDeg, thighAngleDeg: 0 },
      carry: startingCarry(key).carry,
      loadKg: 100,
    })!;
  it("say lean, where the load is, which way it rolls and what the hands can do", () => {
    expect(balanceSentence(at("yoke"))).toBe(
      "The trunk leans 33.4°; the load is 54 mm ahead of mid-foot and wants to roll forward over the lifter with 30.5 N·m, shared between pads and hands.",
    );
    expect(balanceSentence(at("low-yoke"))).toContain("wants to roll off the back with 11.8 N·m");
    expect(balanceSentence(at("cambered"))).toContain(
      "does not roll. The hands can move it 51 mm within what they hold.",
    );
  });
  it("say what a carry asks more of, as practice agrees: front the knees, low the hips", () => {
    expect(carryDifference(at("high"), at("front"), ["high", "front"])).toMatch(
      /^With front the trunk leans 14\.\d° less than with high, and the knees do more/,
    );
    expect(carryDifference(at("high"), at("low"), ["high", "low"])).toMatch(
      /^With low the trunk leans 13\.\d° more than with high, and the hips do more/,
    );
    expect(carryDifference(at("high"), at("cambered"), ["high", "cambered"])).toContain("hips and knees share alike");
  });
});
