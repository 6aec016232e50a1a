import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { balance } from "../balance/balance";
import { CARRIES } from "../balance/carry";
import { anglesOfMarks, findSetting, nearestSetting, placeOf, settingsOf, unlikeSides } from "./armChart";
import {
  besides,
  carryAt,
  closeness,
  easiestFirst,
  evaluateAll,
  imitationOf,
  massesOf,
  presetsOf,
  shankLeanAt,
} from "./armSettings";
import type { ArmChart } from "./armChart";
import { anglesOf, ARM_CHART } from "./setups.fixture";

const TALL = { heightMm: 1930, massKg: 90 };
const ASK = { lifter: TALL, loadKg: 60, contactKg: 8 };

describe("marks and pins of an adjustable yoke bar (handbook §9)", () => {
  it("makes 6 × 4 = 24 settings, with half marks 48", () => {
    expect(settingsOf(ARM_CHART)).toHaveLength(24);
    expect(settingsOf({ ...ARM_CHART, hasHalfMarks: true })).toHaveLength(48);
  });
  it("puts half marks in the middle, and the last one half a step beyond", () => {
    const angles = anglesOfMarks({ ...ARM_CHART, hasHalfMarks: true });
    expect(angles.slice(0, 4)).toEqual([
      { name: "1", angleDeg: -75 },
      { name: "1½", angleDeg: -55 },
      { name: "2", angleDeg: -35 },
      { name: "2½", angleDeg: -17.5 },
    ]);
    expect(angles.at(-1)).toEqual({ name: "6½", angleDeg: 95 });
  });
  // Worked by hand: forward = r·sin ψ, drop = r·cos ψ.
  test.each([
    [0, 200, 0, 200],
    [90, 200, 200, 0],
    [-90, 50, -50, 0],
    [30, 100, 50, 86.603],
    [60, 290, 251.147, 145],
  ])("%s° at %s mm is %s mm forward and %s mm down", (deg, r, forward, drop) => {
    expect(placeOf(deg, r).forwardMm).toBeCloseTo(forward, 3);
    expect(placeOf(deg, r).dropMm).toBeCloseTo(drop, 3);
  });
  it("comes back from a place to its angle and distance", () =>
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: 1, max: 1000, noNaN: true }),
        (deg, r) => {
          const back = anglesOf(placeOf(deg, r));
          expect(back.angleDeg).toBeCloseTo(deg, 6);
          expect(back.distanceMm).toBeCloseTo(r, 6);
        },
      ),
    ));
  it("finds every setting again from its place, and mirrors with the angle", () => {
    const settings = settingsOf(ARM_CHART);
    for (const setting of settings) {
      expect(nearestSetting(settings, setting)).toEqual(setting);
      expect(findSetting(ARM_CHART, setting)).toEqual(setting);
      const mirror = placeOf(-setting.angleDeg, setting.distanceMm);
      expect(mirror.forwardMm).toBeCloseTo(-setting.forwardMm, 9);
      expect(mirror.dropMm).toBeCloseTo(setting.dropMm, 9);
    }
    expect(findSetting(ARM_CHART, { mark: "9", pin: "A" })).toBeNull();
    expect(nearestSetting([], { forwardMm: 0, dropMm: 0 })).toBeNull();
  });
  it("takes the mean of both sides and says where they disagree", () => {
    const bent: ArmChart = {
      ...ARM_CHART,
      marks: [
        { name: "1", leftDeg: 40, rightDeg: 42 },
        { name: "2", leftDeg: 40, rightDeg: 42.5 },
      ],
      pins: [{ name: "A", leftMm: 100, rightMm: 104 }],
    };
    expect(anglesOfMarks(bent)[0]!.angleDeg).toBe(41);
    expect(unlikeSides(bent)).toEqual([
      "mark 2 is 40° on the left and 42.5° on the right",
      "pin A is 100 mm on the left and 104 mm on the right",
    ]);
    expect(unlikeSides(ARM_CHART)).toEqual([]);
  });
});

describe("what a setting does to a lifter", () => {
  it("is the yoke of handbook §8 at the yoke's place: lean 33.4°, hip to knee 1.31, roll +30.5 N·m", () => {
    const place = anglesOf({ forwardMm: 90, dropMm: 80 });
    const chart: ArmChart = {
      ...ARM_CHART,
      padKg: 0,
      marks: [{ name: "1", leftDeg: place.angleDeg, rightDeg: place.angleDeg }],
      pins: [{ name: "A", leftMm: place.distanceMm, rightMm: place.distanceMm }],
    };
    const [only] = evaluateAll(chart, { lifter: { heightMm: 1800, massKg: 85 }, ...massesOf(chart, 100) });
    expect(only!.shankLeanDeg).toBeCloseTo(34, 1);
    expect(only!.answer!.trunkLeanDeg).toBeCloseTo(33.4, 1);
    expect(only!.answer!.hipToKnee).toBeCloseTo(1.31, 2);
    expect(only!.answer!.rollTorqueNm).toBeCloseTo(30.5, 1);
    expect(only!.imitates).toEqual({ key: "yoke", name: "a safety squat bar", apartMm: expect.closeTo(0, 6) });
  });
  it("has equal hip and knee moments at one pose wherever the arms stand (statics)", () => {
    const at = settingsOf(ARM_CHART).flatMap((setting) => {
      const pose = { shankLeanDeg: 32, thighAngleDeg: 0 };
      const answer = balance({ lifter: TALL, pose, carry: carryAt(setting), loadKg: 60, contactKg: 8 });
      return answer ? [answer] : [];
    });
    expect(at.length).toBeGreaterThan(20);
    for (const { hipMomentNm, kneeMomentNm } of at) {
      expect(hipMomentNm).toBeCloseTo(at[0]!.hipMomentNm, 6);
      expect(kneeMomentNm).toBeCloseTo(at[0]!.kneeMomentNm, 6);
    }
  });
  it("sits between the shank leans of the carries around", () => {
    for (const setting of settingsOf(ARM_CHART)) {
      expect(shankLeanAt(setting)).toBeGreaterThanOrEqual(29);
      expect(shankLeanAt(setting)).toBeLessThanOrEqual(38);
    }
  });
  it("keeps what lies at the pad apart from what turns", () => {
    expect(massesOf(ARM_CHART, 100)).toEqual({ contactKg: 8, loadKg: 92 });
    expect(massesOf(ARM_CHART, 5)).toEqual({ contactKg: 5, loadKg: 0 });
  });
});

describe("presets by imitation", () => {
  const fine: ArmChart = {
    ...ARM_CHART,
    marks: Array.from({ length: 181 }, (_, i) => ({ name: String(i - 90), leftDeg: i - 90, rightDeg: i - 90 })),
    pins: Array.from({ length: 40 }, (_, i) => ({ name: String(i * 10), leftMm: i * 10, rightMm: i * 10 })),
  };
  // Worked by hand from the carries of handbook §8, with the pad where a yoke's lies (30 up, 20 behind):
  // goblet 260 forward, 130 down; front 120, 50; yoke 90, 80; high −30, 10; low −70, 90; hinge 60, 192.
  test.each([
    ["goblet", 63, 290],
    ["front", 67, 130],
    ["yoke", 48, 120],
    ["high", -72, 30],
    ["low", -38, 110],
    ["hinge", 17, 200],
  ])("%s-like is near %s° at %s mm on a bar that can do everything", (key, deg, mm) => {
    const found = presetsOf(fine).find((preset) => preset.key === key)!;
    expect(Math.abs(found.setting.angleDeg - deg)).toBeLessThanOrEqual(1);
    expect(found.setting.distanceMm).toBe(mm);
    expect(found.apartMm).toBeLessThan(6);
  });
  it("is computed for this bar: another bar gets other settings, and nothing is nearer", () => {
    const front = presetsOf(ARM_CHART).find(({ key }) => key === "front")!;
    expect([front.setting.mark, front.setting.pin]).toEqual(["6", "B"]);
    for (const { key, setting, apartMm } of presetsOf(ARM_CHART)) {
      const like = key === "hinge" ? "low-yoke" : key;
      const { carry } = CARRIES[like];
      const wanted = [carry.forwardMm + carry.camberForwardMm, carry.alongTrunkMm - carry.camberDropMm] as const;
      const distance = (s: { forwardMm: number; dropMm: number }) =>
        Math.hypot(-20 + s.forwardMm - wanted[0], 30 - s.dropMm - wanted[1]);
      expect(apartMm).toBeCloseTo(distance(setting), 9);
      expect(apartMm).toBeCloseTo(Math.min(...settingsOf(ARM_CHART).map(distance)), 9);
    }
    const shorter = { ...ARM_CHART, marks: ARM_CHART.marks.slice(2) };
    expect(presetsOf(shorter).find(({ key }) => key === "low")!.setting.mark).toBe("3");
  });
  it("says how close", () => {
    expect(imitationOf({ forwardMm: 120, dropMm: 50 })).toMatchObject({ key: "front", apartMm: 0 });
    expect([10, 40, 100, 300].map(closeness)).toEqual([
      "very close to",
      "close to",
      "roughly like",
      "unlike any usual carry, nearest to",
    ]);
  });
});

describe("harder and easier", () => {
  const ordered = easiestFirst(evaluateAll(ARM_CHART, ASK));
  it("goes by distance, then by lean, and never by the load's arm", () => {
    for (const [i, one] of ordered.entries()) {
      const next = ordered[i + 1];
      if (!next) continue;
      expect(next.distanceMm).toBeGreaterThanOrEqual(one.distanceMm);
      if (next.distanceMm === one.distanceMm && next.answer && one.answer)
        expect(next.answer.trunkLeanDeg).toBeGreaterThanOrEqual(one.answer.trunkLeanDeg);
    }
    const byArm = [...ordered].sort((a, b) => a.forwardMm - b.forwardMm);
    expect(byArm.map(({ mark, pin }) => mark + pin)).not.toEqual(ordered.map(({ mark, pin }) => mark + pin));
  });
  it("names the neighbours and stops at the ends", () => {
    expect(besides(ordered, ordered[3]!)).toEqual({ easier: ordered[2], harder: ordered[4] });
    expect(besides(ordered, ordered[0]!).easier).toBeNull();
    expect(besides(ordered, ordered.at(-1)!).harder).toBeNull();
    expect(besides(ordered, { mark: "?", pin: "?" })).toEqual({ easier: null, harder: null });
  });
  it("leans less the farther forward the load is, at one distance, within the front half", () => {
    const front = evaluateAll(ARM_CHART, ASK).filter(({ pin, angleDeg }) => pin === "C" && angleDeg >= 0);
    const leans = front.map(({ answer }) => answer!.trunkLeanDeg);
    expect([...leans].sort((a, b) => b - a)).toEqual(leans);
  });
});
