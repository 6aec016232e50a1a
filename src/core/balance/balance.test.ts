import fc from "fast-check";
import { EVD, Matrix } from "ml-matrix";
import { describe, expect, it, test } from "vitest";
import { balance, hinge, type Balance, type BalanceQuestion } from "./balance";
import { bodyOf, type Build } from "./body";
import { CARRIES, CARRY_KEYS, type CarryKey } from "./carry";

const LIFTER = { heightMm: 1800, massKg: 85 };
const ask = (key: CarryKey, more: Partial<BalanceQuestion> = {}, shankLeanDeg = 32): BalanceQuestion => ({
  lifter: LIFTER,
  pose: { shankLeanDeg, thighAngleDeg: 0 },
  carry: CARRIES[key].carry,
  loadKg: 100,
  ...more,
});
const must = (answer: Balance | null) => {
  if (!answer) throw new Error("does not balance");
  return answer;
};

describe("check values of the handbook, §8: 1800 mm, 85 kg, 100 kg, thigh level", () => {
  // Segment shares: Drillis & Contini, in Winter, Biomechanics and Motor Control of Human Movement.
  test.each<[CarryKey, number]>([
    ["goblet", 21.1],
    ["front", 31.4],
    ["yoke", 36.0],
    ["high", 41.4],
    ["cambered", 43.5],
    ["low", 50.7],
    ["low-yoke", 50.0],
  ])("%s at 32°: lean %s°, hip 433.7 and knee 289.7 N·m", (key, lean) => {
    const answer = must(balance(ask(key)));
    expect(Math.abs(answer.trunkLeanDeg - lean)).toBeLessThanOrEqual(0.1);
    expect(Math.abs(answer.hipMomentNm - 433.7)).toBeLessThanOrEqual(0.1);
    expect(Math.abs(answer.kneeMomentNm - 289.7)).toBeLessThanOrEqual(0.1);
  });
  test.each<[CarryKey, number, number]>([
    ["goblet", 13.4, 1.03],
    ["front", 26.6, 1.16],
    ["yoke", 33.4, 1.31],
    ["high", 41.4, 1.5],
    ["cambered", 43.5, 1.5],
    ["low", 55.1, 1.84],
    ["low-yoke", 57.1, 1.84],
  ])("%s at its own shank lean: %s°, hip to knee %s", (key, lean, ratio) => {
    const answer = must(balance(ask(key, {}, CARRIES[key].shankLeanDeg)));
    expect(Math.abs(answer.trunkLeanDeg - lean)).toBeLessThanOrEqual(0.1);
    expect(answer.hipToKnee!).toBeCloseTo(ratio, 2);
  });
  it("roll torque of the yokes, and the correction reach of the cambered bar", () => {
    const own = (key: CarryKey) => must(balance(ask(key, {}, CARRIES[key].shankLeanDeg)));
    expect(Math.abs(own("yoke").rollTorqueNm - 30.5)).toBeLessThanOrEqual(0.1);
    expect(Math.abs(own("low-yoke").rollTorqueNm + 11.8)).toBeLessThanOrEqual(0.1);
    expect(own("cambered").correctionReachMm!).toBeCloseTo(51, 0);
    expect(own("high").correctionReachMm).toBeNull();
    expect(own("high").rollTorqueNm).toBeCloseTo(0, 9);
  });
});

describe("a body", () => {
  it("is cut by shares of height and mass, and a measured length overrides", () => {
    expect(Object.values(bodyOf(LIFTER)).map((value) => Math.round(10 * value) / 10)).toEqual([
      273.6, 70.2, 442.8, 441, 518.4, 7.9, 17, 57.6,
    ]);
    expect(bodyOf({ ...LIFTER, thighLengthMm: 480 }).thighMm).toBe(480);
    // Both feet, 2 × 0.0145, are what is missing.
    const { shanksKg, thighsKg, upperKg } = bodyOf(LIFTER);
    expect(shanksKg + thighsKg + upperKg).toBeCloseTo(85 * (1 - 0.029), 9);
    expect(() => bodyOf({ heightMm: 0, massKg: 80 })).toThrow("no such body");
  });
});

const build = fc.record({
  heightMm: fc.integer({ min: 1400, max: 2150 }),
  massKg: fc.integer({ min: 40, max: 160 }),
  thighLengthMm: fc.option(fc.integer({ min: 360, max: 520 }), { nil: null }),
}) as fc.Arbitrary<Build>;
const question = fc.record({
  lifter: build,
  pose: fc.record({
    shankLeanDeg: fc.integer({ min: 10, max: 45 }),
    thighAngleDeg: fc.integer({ min: -20, max: 60 }),
  }),
  carry: fc.constantFrom(...CARRY_KEYS).map((key) => CARRIES[key].carry),
  loadKg: fc.integer({ min: 0, max: 300 }),
  contactKg: fc.integer({ min: 0, max: 20 }),
});

describe("statics", () => {
  it("at one and the same pose hip and knee moments are equal for every carry", () =>
    fc.assert(
      fc.property(question, fc.constantFrom(...CARRY_KEYS), (asked, key) => {
        const [a, b] = [balance(asked), balance({ ...asked, carry: CARRIES[key].carry })];
        fc.pre(a !== null && b !== null);
        expect(a!.hipMomentNm).toBeCloseTo(b!.hipMomentNm, 6);
        expect(a!.kneeMomentNm).toBeCloseTo(b!.kneeMomentNm, 6);
      }),
    ));
  it("puts the mass centre over mid-foot, and the lean is the least that does", () =>
    fc.assert(
      fc.property(question, (asked) => {
        const answer = balance(asked);
        const slow = slowLeanDeg(asked);
        if (answer) {
          expect(answer.figure.centre[0]).toBeCloseTo(answer.figure.midFoot[0], 6);
          expect(answer.trunkLeanDeg).toBeGreaterThanOrEqual(-10 - 1e-9);
          expect(answer.trunkLeanDeg).toBeLessThanOrEqual(89 + 1e-9);
          if (slow !== null) expect(Math.abs(answer.trunkLeanDeg - slow)).toBeLessThan(0.01);
        } else expect(slow).toBeNull();
      }),
    ));
  it("keeps every segment as long as it is", () =>
    fc.assert(
      fc.property(question, (asked) => {
        const answer = balance(asked);
        fc.pre(answer !== null);
        const { ankle, knee, hip, shoulder } = answer!.figure;
        const body = bodyOf(asked.lifter);
        const far = (p: readonly [number, number], q: readonly [number, number]) =>
          Math.hypot(p[0] - q[0], p[1] - q[1]);
        expect(far(ankle, knee)).toBeCloseTo(body.shankMm, 6);
        expect(far(knee, hip)).toBeCloseTo(body.thighMm, 6);
        expect(far(hip, shoulder)).toBeCloseTo(body.trunkMm, 6);
      }),
    ));
  it("says so when nothing balances: hips far behind the feet with no load", () =>
    expect(balance(ask("high", { pose: { shankLeanDeg: -20, thighAngleDeg: 0 }, loadKg: 0 }))).toBeNull());
  it("a load pulled back from plumb lets the trunk lean further, and costs a torque", () => {
    const plumb = must(balance(ask("cambered")));
    const held = must(balance(ask("cambered", { carry: { ...CARRIES.cambered.carry, heldAngleDeg: 9 } })));
    expect(held.trunkLeanDeg).toBeGreaterThan(plumb.trunkLeanDeg);
    // 100 kg × g × 300 mm × sin 9°
    expect(held.holdTorqueNm).toBeCloseTo(100 * 9.80665 * 0.3 * Math.sin((9 * Math.PI) / 180), 9);
    expect(plumb.holdTorqueNm).toBe(0);
  });
});

describe("a hinge", () => {
  const bent = { lifter: LIFTER, pose: { shankLeanDeg: 0, thighAngleDeg: 55 }, loadKg: 60 };
  it("keeps the trunk lean and brings the mass centre over mid-foot by the hips", () => {
    const answer = must(hinge({ ...bent, carry: CARRIES.high.carry }, 60));
    expect(answer.trunkLeanDeg).toBeCloseTo(60, 9);
    expect(answer.figure.centre[0]).toBeCloseTo(answer.figure.midFoot[0], 6);
    expect(hinge({ ...bent, carry: CARRIES.high.carry, pose: { shankLeanDeg: 0, thighAngleDeg: 0 } }, -10)).toBeNull();
  });
  it("has the shorter arm lower on the back (handbook §8)", () => {
    const hip = (key: CarryKey) => must(hinge({ ...bent, carry: CARRIES[key].carry }, 60)).hipMomentNm;
    expect(hip("low")).toBeLessThan(hip("high"));
    expect(hip("high")).toBeLessThan(hip("front"));
  });
});

/** The slow obvious way: the same lean as an eigenvalue problem, with a general-purpose matrix library. */
function slowLeanDeg(asked: BalanceQuestion): number | null {
  // Off-balance as a function of the lean is p·sin α + q·cos α + r; three samples give p, q and r.
  const at = (leanDeg: number) => offBalance(asked, leanDeg);
  const r = (at(0) + at(180)) / 2;
  const [q, p] = [at(0) - r, at(90) - r];
  // With t = tan(α/2): (r − q) t² + 2p t + (q + r) = 0; its roots are eigenvalues of the companion matrix.
  if (Math.abs(r - q) < 1e-9) return null;
  const companion = new Matrix([
    [(-2 * p) / (r - q), -(q + r) / (r - q)],
    [1, 0],
  ]);
  const { realEigenvalues, imaginaryEigenvalues } = new EVD(companion);
  const leans = realEigenvalues
    .filter((_, i) => Math.abs(imaginaryEigenvalues[i]!) < 1e-9)
    .map((t) => (2 * Math.atan(t) * 180) / Math.PI)
    .filter((lean) => lean >= -10 && lean <= 89)
    .sort((a, b) => Math.abs(a) - Math.abs(b));
  return leans[0] ?? null;
}

/** Σ m·x about mid-foot for a given lean, written out anew from the handbook's words. */
function offBalance({ lifter, pose, carry, loadKg, contactKg = 0 }: BalanceQuestion, leanDeg: number): number {
  const d = Math.PI / 180;
  const { heightMm: H, massKg: M } = lifter;
  const [shank, thigh, trunk] = [
    lifter.shankLengthMm ?? 0.246 * H,
    lifter.thighLengthMm ?? 0.245 * H,
    lifter.trunkLengthMm ?? 0.288 * H,
  ];
  const [s, c] = [Math.sin(leanDeg * d), Math.cos(leanDeg * d)];
  const knee = shank * Math.sin(pose.shankLeanDeg * d);
  const hip = knee - thigh * Math.cos(pose.thighAngleDeg * d);
  const contact = hip + (trunk * carry.alongTrunk + carry.alongTrunkMm) * s + carry.forwardMm * c;
  const load =
    carry.camber === "rigid"
      ? contact + carry.camberForwardMm * c - carry.camberDropMm * s
      : contact - carry.camberDropMm * Math.sin(carry.heldAngleDeg * d);
  const masses = [
    [0.093 * M, knee - 0.433 * knee],
    [0.2 * M, hip + 0.433 * (knee - hip)],
    [0.678 * M, hip + 0.626 * trunk * s],
    [contactKg, contact],
    [loadKg, load],
  ] as const;
  return masses.reduce((sum, [kg, x]) => sum + kg * (x - 0.25 * 0.152 * H), 0);
}
