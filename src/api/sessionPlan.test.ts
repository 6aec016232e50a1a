import { describe, expect, it, test } from "vitest";
import { planSession } from "@/core/loading/plan/planSession";
import { checked } from "./problems";
import {
  answerSessionPlan,
  sessionPlanAnswer,
  sessionPlanProblems,
  sessionPlanRequest,
  type SessionPlanRequest,
  sessionQuestion,
} from "./sessionPlan";
import { answerTipping, tippingAnswer, tippingRequest, type TippingRequest } from "./tipping";

const PLAN = {
  bar: { massKg: 20 },
  plates: [
    { id: "r25", massKg: 25, pairs: 3 },
    { id: "r20", massKg: 20, pairs: 1 },
    { id: "r15", massKg: 15, pairs: 1 },
    { id: "r10", massKg: 10, pairs: 2 },
    { id: "s5", massKg: 5, pairs: 1 },
    { id: "s2.5", massKg: 2.5, pairs: 1 },
    { id: "s1.25", massKg: 1.25, pairs: 1 },
  ],
  sets: [60, 100, 140, 100].map((targetKg, i) => ({ id: `s${i}`, targetKg })),
};
const read = (body: unknown) => {
  const result = checked(sessionPlanRequest, body);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value as SessionPlanRequest;
};
const planned = (body: unknown) => answerSessionPlan(planSession(sessionQuestion(read(body))));
const pathsOf = (schema: typeof sessionPlanRequest | typeof tippingRequest, body: unknown) => {
  const result = checked(schema as never, body);
  return result.ok ? [] : result.problems.map(({ path }) => path);
};

describe("POST /session-plan", () => {
  it("fills in the defaults of the contract", () =>
    expect(read(PLAN)).toMatchObject({
      bar: { changeSetupEmpty: false },
      clampPairKg: 0,
      startPerSide: [],
      endEmpty: false,
      toleranceKg: 0,
      order: "any",
      deadlineMs: 2000,
    }));
  it("answers the handbook's check: 6 handled a side, proven", () => {
    const answer = planned(PLAN);
    expect(sessionPlanAnswer.validate(answer).error).toBeUndefined();
    expect(answer).toMatchObject({ handledPerSide: 6, lowerBoundPerSide: 6, provenOptimal: true });
    expect(answer.sets.map(({ errorKg }) => errorKg)).toEqual([0, 0, 0, 0]);
  });
  it("plans larger inside, and within a tolerance, where that is asked", () => {
    // By hand: 60 and 65 are 20, then 20 + 2.5; 62.5 leaves the 20 and adds 1.25 outside of it.
    const sets = [60, 62.5, 65].map((targetKg, i) => ({ id: `s${i}`, targetKg }));
    const inside = planned({ ...PLAN, sets, order: "larger-inside" });
    expect(inside.sets.map(({ perSide }) => perSide)).toEqual([["r20"], ["r20", "s1.25"], ["r20", "s2.5"]]);
    expect(inside).toMatchObject({ handledPerSide: 4, provenOptimal: true });
    const near = planned({ ...PLAN, sets, order: "larger-inside", toleranceKg: 2.5 });
    expect(near.handledPerSide).toBe(2);
    for (const { errorKg } of near.sets) expect(Math.abs(errorKg)).toBeLessThanOrEqual(2.5);
  });
  it("gives a positive error where the target is under the bar", () => {
    const answer = planned({ ...PLAN, clampPairKg: 5, sets: [{ id: "a", targetKg: 20 }] });
    expect(answer.sets[0]).toEqual({ id: "a", achievedKg: 25, errorKg: 5, perSide: [] });
  });
  test.each<[string, unknown, string[]]>([
    ["a deadline under a tenth of a second", { ...PLAN, deadlineMs: 99 }, ["deadlineMs"]],
    ["a plate lighter than 10 g", { ...PLAN, plates: [{ id: "p", massKg: 1e-300, pairs: 1 }] }, ["plates.0.massKg"]],
    ["no bar", { ...PLAN, bar: undefined }, ["bar"]],
    ["an unknown field", { ...PLAN, order: "free" }, ["order"]],
    ["two sets of one id", { ...PLAN, sets: [PLAN.sets[0], PLAN.sets[0]] }, ["sets.1"]],
    ["a load of nothing", { ...PLAN, sets: [{ id: "a", targetKg: 0 }] }, ["sets.0.targetKg"]],
    ["a number as text", { ...PLAN, clampPairKg: "5" }, ["clampPairKg"]],
    ["yes for true", { ...PLAN, endEmpty: "true" }, ["endEmpty"]],
    ["a setup of nothing", { ...PLAN, sets: [{ id: "a", targetKg: 50, setup: null }] }, ["sets.0.setup"]],
    ["201 sets", { ...PLAN, sets: Array.from({ length: 201 }, (_, i) => ({ id: `s${i}`, targetKg: 50 })) }, ["sets"]],
  ])("refuses %s by name", (_, body, paths) => expect(pathsOf(sessionPlanRequest, body)).toEqual(paths));
  it("refuses a start of plates that are not there", () =>
    expect(sessionPlanProblems(read({ ...PLAN, startPerSide: ["r20", "r20", "x"] })).map(({ path }) => path)).toEqual([
      "startPerSide.1",
      "startPerSide.2",
    ]));
});

describe("POST /tipping", () => {
  const BODY = {
    bar: { massKg: 20, shaftLengthMm: 1310, collarThicknessMm: 30 },
    rackHalfSpacingMm: 545,
    left: [],
    right: [{ massKg: 25, thicknessMm: 27 }],
  };
  const tippingOf = (body: unknown) => {
    const result = checked(tippingRequest, body);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    return answerTipping(result.value as TippingRequest);
  };
  it("answers by statics, without the screen's reserve", () => {
    const answer = tippingOf(BODY);
    expect(tippingAnswer.validate(answer).error).toBeUndefined();
    // By hand: 20·545 − 25·(698.5 − 545) = 7062.5 kg·mm.
    expect(answer.marginNm).toBeCloseTo((7062.5 * 9.80665) / 1000, 6);
    expect(answer).toMatchObject({
      tips: null,
      maxOneSidedRemoval: { left: 0, right: 1 },
      safeUnloadOrder: ["right"],
    });
  });
  it("lets a measured seat to seat win over the sum", () =>
    expect(tippingOf({ ...BODY, bar: { ...BODY.bar, seatToSeatMm: 1600 } }).marginNm).toBeLessThan(
      tippingOf(BODY).marginNm,
    ));
  test.each<[string, unknown, string[]]>([
    ["no right side", { ...BODY, right: undefined }, ["right"]],
    ["a plate without a thickness", { ...BODY, left: [{ massKg: 5 }] }, ["left.0.thicknessMm"]],
    ["a plate of nothing", { ...BODY, left: [{ massKg: 0, thicknessMm: 5 }] }, ["left.0.massKg"]],
    ["an unknown field", { ...BODY, reserve: 0.2 }, ["reserve"]],
    ["null", { ...BODY, rackHalfSpacingMm: null }, ["rackHalfSpacingMm"]],
  ])("refuses %s by name", (_, body, paths) => expect(pathsOf(tippingRequest, body)).toEqual(paths));
});
