import { describe, expect, it, test } from "vitest";
import { answerCorrosion, corrosionAnswer, corrosionRequest } from "./corrosion";
import { checked } from "./problems";

const BODY = {
  temperatureC: 10,
  relativeHumidityPct: 75,
  so2DepositionMgPerM2Day: 10,
  chlorideDepositionMgPerM2Day: 10,
};

describe("POST /corrosion", () => {
  it("answers the published check: 33.8 µm a year, C3", () => {
    const answer = answerCorrosion(BODY);
    expect(corrosionAnswer.validate(answer).error).toBeUndefined();
    expect(answer.rateUmPerYear).toBeCloseTo(33.8, 1);
    expect(answer.category).toBe("C3");
  });
  it("has no dew point in dry air", () =>
    expect(answerCorrosion({ ...BODY, relativeHumidityPct: 0 }).dewPointC).toBeNull());
  test.each(["temperatureC", "relativeHumidityPct", "so2DepositionMgPerM2Day", "chlorideDepositionMgPerM2Day"])(
    "refuses %s out of range, as text, null or missing",
    (field) => {
      for (const value of [-61, 2001, "5", null, undefined, NaN]) {
        const result = checked(corrosionRequest, { ...BODY, [field]: value });
        expect(result.ok ? [] : result.problems.map(({ path }) => path)).toEqual([field]);
      }
    },
  );
  it("takes both ends of every range", () => {
    const ends = {
      temperatureC: [-60, 60],
      relativeHumidityPct: [0, 100],
      so2DepositionMgPerM2Day: [0, 2000],
      chlorideDepositionMgPerM2Day: [0, 2000],
    };
    for (const [field, values] of Object.entries(ends))
      for (const value of values) expect(checked(corrosionRequest, { ...BODY, [field]: value }).ok).toBe(true);
  });
});
