import { describe, expect, it, test } from "vitest";
import { addDays, daysBetween } from "../units/hallDay";
import type { ClimateClass } from "./climateClass";
import { ClimateClock } from "./climateClock";
import { classFactor } from "./climateFactor";
import { METER_TASKS } from "./meterTasks";
import { needForecast, needOf, onCondition, factorOfUse, USUAL_FACTORS, type BarFactors } from "./needMeter";

const FIRST = "2026-01-01";
const steady = (factor: number) =>
  new ClimateClock(
    FIRST,
    Array.from({ length: 800 }, () => factor),
    800,
    factor,
  );
const BARE = { finish: "bare" as const };
const due = (
  factor: number,
  task = METER_TASKS.shaft,
  factors: Partial<BarFactors> = {},
  finish: "bare" | "stainless" | null = "bare",
) =>
  needOf(task, { finish }, { ...USUAL_FACTORS, ...factors }, steady(factor), {
    lastDoneOn: "2026-02-01",
    knownSince: FIRST,
    today: "2026-02-01",
  });

describe("the need meter reproduces practice at its anchors (common practice, no source)", () => {
  // Times a month of 30 days, shafts: salt-humid three or more, temperate one to two, dry about monthly.
  test.each<[ClimateClass, number, number]>([
    ["salt-humid", 3, 4],
    ["temperate", 1, 2],
    ["dry", 0.8, 1.1],
  ])("shafts in %s air come round %d to %d times a month", (climate, least, most) => {
    const times = 30 / daysBetween("2026-02-01", due(classFactor(climate)).dueOn);
    expect(times).toBeGreaterThanOrEqual(least);
    expect(times).toBeLessThanOrEqual(most);
  });
  test.each<[ClimateClass]>([["salt-humid"], ["temperate"], ["dry"]])(
    "sleeves in %s air are monthly to two-monthly",
    (climate) => {
      const days = daysBetween("2026-02-01", due(classFactor(climate), METER_TASKS.sleeves).dueOn);
      expect(days).toBeGreaterThanOrEqual(28);
      expect(days).toBeLessThanOrEqual(64);
    },
  );
  it("a damp salty month doubles the rounds of a temperate one, and says why", () => {
    const [usual, salty] = [due(1), due(classFactor("salt-humid"))];
    const days = (one: typeof usual) => daysBetween("2026-02-01", one.dueOn);
    expect(days(usual) / days(salty)).toBeCloseTo(2, 0);
    expect(salty.reason).toBe("air × 2.06: now every 9 days instead of 18");
    expect(usual.reason).toBe("as usual: every 18 days");
  });
});

describe("need", () => {
  it("grows by every factor, is due at one, and starts again when it was done", () => {
    const clock = steady(2);
    const at = (today: string, lastDoneOn: string) =>
      needOf(METER_TASKS.shaft, BARE, USUAL_FACTORS, clock, { lastDoneOn, knownSince: FIRST, today });
    expect(at("2026-02-10", "2026-02-01").need).toBeCloseTo(1, 12);
    expect(at("2026-02-10", "2026-02-01").dueOn).toBe("2026-02-10");
    expect(at("2026-02-09", "2026-02-01").need).toBeLessThan(1);
    expect(at("2026-02-10", "2026-02-10").need).toBe(0);
    expect(at("2026-02-10", "2026-02-01").perDay).toBeCloseTo(1 / 9, 12);
  });
  it("is hastened by use and by chalk left on, slowed by a finish, and anybody can set otherwise", () => {
    const interval = (...args: Parameters<typeof due>) => daysBetween("2026-02-01", due(...args).dueOn);
    expect(interval(1)).toBe(18);
    expect(interval(1, METER_TASKS.shaft, { use: 1.5 })).toBe(12);
    expect(interval(1, METER_TASKS.shaft, { chalk: 1.5 })).toBe(12);
    expect(interval(1, METER_TASKS.shaft, {}, "stainless")).toBe(36);
    expect(interval(1, METER_TASKS.shaft, { finish: 3 }, "stainless")).toBe(54);
    // What is inside a sleeve knows nothing of chalk or of the shaft's finish.
    expect(interval(1, METER_TASKS.sleeves, { chalk: 1.5 }, "stainless")).toBe(interval(1, METER_TASKS.sleeves));
    // An unknown finish counts as bare.
    expect(interval(1, METER_TASKS.shaft, {}, null)).toBe(18);
    expect(due(1, METER_TASKS.shaft, { use: 1.5, chalk: 1.5 }).reason).toBe(
      "use × 1.5, chalk left on × 1.5: now every 8 days instead of 18",
    );
  });
  it("of what was never done is there since the bar is known", () => {
    const need = needOf(METER_TASKS.joints, BARE, USUAL_FACTORS, steady(1), {
      lastDoneOn: null,
      knownSince: "2026-03-04",
      today: "2026-04-01",
    });
    expect(need).toMatchObject({ need: 1, dueOn: "2026-03-04" });
    expect(need.reason).toContain("no record that it was ever done");
  });
  it("straightness does not care about the air", () => {
    expect(due(4, METER_TASKS.straightness).dueOn).toBe(due(0.5, METER_TASKS.straightness).dueOn);
  });
  it("is forecast day by day, and the forecast passes one on the due day", () => {
    const clock = steady(1.5);
    const days = needForecast(METER_TASKS.shaft, 1, clock, "2026-02-01", "2026-02-05", 30);
    const dueOn = needOf(METER_TASKS.shaft, BARE, USUAL_FACTORS, clock, {
      lastDoneOn: "2026-02-01",
      knownSince: FIRST,
      today: "2026-02-05",
    }).dueOn;
    expect(
      addDays(
        "2026-02-05",
        days.findIndex((need) => need >= 1 - 1e-9),
      ),
    ).toBe(dueOn);
  });
});

describe("use", () => {
  it("is tamed by a root and bounded, and says nothing where little is recorded", () => {
    expect(factorOfUse(4, 4, 100)).toBe(1);
    expect(factorOfUse(8, 4, 100)).toBeCloseTo(Math.SQRT2, 12);
    expect(factorOfUse(400, 4, 1000)).toBe(1.6);
    expect(factorOfUse(0, 4, 100)).toBe(0.7);
    expect(factorOfUse(9, 1, 19)).toBe(1);
  });
});

it("on condition only nothing is due until somebody asks", () => {
  expect(onCondition(null, null)).toMatchObject({ dueOn: "9999-12-31" });
  expect(onCondition("2026-02-03", "drags")).toEqual({ dueOn: "2026-02-03", intervalDays: 0, reason: "drags" });
});
