import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { answerBalance, balanceAnswer, balanceRequest, type BalanceRequest } from "./balance";
import { checked } from "./problems";

const BODY = {
  lifter: { heightMm: 1800, massKg: 85 },
  carry: { alongTrunk: 1, alongTrunkMm: 20, forwardMm: -50 },
  loadKg: 100,
};
type Json = Record<string, unknown>;
/** The body with one thing at a path changed; undefined takes it away. */
function changed(path: string, value: unknown): Json {
  const body = structuredClone(BODY) as Json;
  const keys = path.split(".");
  let at = body;
  for (const key of keys.slice(0, -1)) at = (at[key] ??= {}) as Json;
  if (value === undefined) delete at[keys.at(-1)!];
  else at[keys.at(-1)!] = value;
  return body;
}
const paths = (body: unknown) => {
  const result = checked(balanceRequest, body);
  return result.ok ? [] : result.problems.map(({ path }) => path);
};
const answer = (body: unknown) => {
  const result = checked(balanceRequest, body);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return answerBalance(result.value as BalanceRequest);
};

describe("POST /balance", () => {
  it("fills in the defaults of the contract, a pose in part as well", () => {
    expect(checked(balanceRequest, BODY)).toMatchObject({
      ok: true,
      value: {
        pose: { shankLeanDeg: 32, thighAngleDeg: 0 },
        carry: { camberForwardMm: 0, camberDropMm: 0, camber: "rigid", heldAngleDeg: 0 },
        contactKg: 0,
        handTorqueLimitNm: 50,
      },
    });
    expect(checked(balanceRequest, { ...BODY, pose: { thighAngleDeg: 20 } })).toMatchObject({
      value: { pose: { shankLeanDeg: 32, thighAngleDeg: 20 } },
    });
  });
  it("answers the handbook's check value for a bar high on the back: 41.4°, 433.7 and 289.7 N·m", () => {
    const found = answer(BODY)!;
    expect(found.trunkLeanDeg).toBeCloseTo(41.4, 1);
    expect(found.hipMomentNm).toBeCloseTo(433.7, 1);
    expect(found.kneeMomentNm).toBeCloseTo(289.7, 1);
    expect(found.correctionReachMm).toBeNull();
    expect(balanceAnswer.validate(found).error).toBeUndefined();
  });
  test.each([
    ["lifter.heightMm", 500, 2500, 499.9, 2500.1],
    ["lifter.massKg", 20, 350, 19.9, 350.1],
    ["lifter.thighLengthMm", 0, 10_000, -1, 10_001],
    ["pose.shankLeanDeg", -90, 90, -90.1, 90.1],
    ["pose.thighAngleDeg", -90, 90, -91, 91],
    ["carry.heldAngleDeg", -90, 90, -91, 91],
    ["carry.forwardMm", -10_000, 10_000, -10_001, 10_001],
    ["carry.camberDropMm", 0, 10_000, -1, 10_001],
    ["loadKg", 0.001, 2000, 0, 2000.1],
    ["contactKg", 0, 2000, -0.1, 2001],
    ["handTorqueLimitNm", 0, 10_000, -1, 10_001],
  ])("%s: takes %s and %s, refuses %s and %s by its path", (path, least, most, under, over) => {
    for (const value of [least, most]) expect(paths(changed(path, value))).toEqual([]);
    for (const value of [under, over, "1", null, NaN, Infinity]) expect(paths(changed(path, value))).toEqual([path]);
  });
  test.each(["lifter", "carry", "loadKg", "lifter.heightMm", "lifter.massKg", "carry.alongTrunk", "carry.forwardMm"])(
    "%s must be there",
    (path) => expect(paths(changed(path, undefined))).toEqual([path]),
  );
  it("refuses unknown fields by name, wherever they are, and lists everything that is wrong", () => {
    expect(
      paths({ ...BODY, colour: "red", lifter: { ...BODY.lifter, mood: 1 }, carry: { ...BODY.carry, camber: "loose" } }),
    ).toEqual(expect.arrayContaining(["colour", "lifter.mood", "carry.camber"]));
    for (const body of [null, [], "x", 3, undefined]) expect(checked(balanceRequest, body).ok).toBe(false);
  });
  it("never breaks on anything that is allowed: finite numbers, or nothing that balances", () =>
    fc.assert(
      fc.property(
        fc.record({
          lifter: fc.record(
            {
              heightMm: fc.double({ min: 500, max: 2500, noNaN: true }),
              massKg: fc.double({ min: 20, max: 350, noNaN: true }),
              trunkLengthMm: fc.double({ min: 0, max: 10_000, noNaN: true }),
              thighLengthMm: fc.double({ min: 0, max: 10_000, noNaN: true }),
            },
            { requiredKeys: ["heightMm", "massKg"] },
          ),
          pose: fc.record({
            shankLeanDeg: fc.double({ min: -90, max: 90, noNaN: true }),
            thighAngleDeg: fc.double({ min: -90, max: 90, noNaN: true }),
          }),
          carry: fc.record({
            alongTrunk: fc.double({ min: -1, max: 2, noNaN: true }),
            alongTrunkMm: fc.double({ min: -10_000, max: 10_000, noNaN: true }),
            forwardMm: fc.double({ min: -10_000, max: 10_000, noNaN: true }),
            camberDropMm: fc.double({ min: 0, max: 10_000, noNaN: true }),
            camber: fc.constantFrom("rigid", "hanging"),
            heldAngleDeg: fc.double({ min: -90, max: 90, noNaN: true }),
          }),
          loadKg: fc.double({ min: 0.001, max: 2000, noNaN: true }),
          contactKg: fc.double({ min: 0, max: 2000, noNaN: true }),
        }),
        (body) => {
          const found = answer(body);
          if (!found) return;
          for (const value of Object.values(found)) expect(value === null || Number.isFinite(value)).toBe(true);
          expect(found.trunkLeanDeg).toBeGreaterThanOrEqual(-10 - 1e-6);
          expect(found.trunkLeanDeg).toBeLessThanOrEqual(89 + 1e-6);
        },
      ),
      { numRuns: 500 },
    ));
});
