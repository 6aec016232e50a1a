import { describe, expect, it, test } from "vitest";
import { addDays, daysBetween } from "../units/hallDay";
import type { ClimateClass } from "./climateClass";
import { ClimateClock } from "./climateClock";
import { CLIMATE_CLASSES, daysIn } from "./climateClass";
import { climateDay, wetFromPct } from "./climateDay";
import { ANCHOR_AIR, classFactor, nearestClass } from "./climateFactor";
import { METER_TASKS } from "./meterTasks";
import {
  needForecast,
  needOf,
  onCondition,
  factorOfUse,
  usualUseOf,
  USUAL_FACTORS,
  type BarFactors,
} from "./needMeter";

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
  finish: "bare" | "stainless" | "black-zinc" | "e-coat" | null = "bare",
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
    expect(salty.reason).toBe("air × 2.06: every 9 days instead of 18");
    expect(usual.reason).toBe("as usual: every 18 days");
    expect([salty.drivers, usual.drivers]).toEqual([["damp air"], []]);
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
  it("names the finish as people write it", () => {
    expect(due(1, METER_TASKS.shaft, {}, "e-coat").reason).toContain("e-coat finish ×");
    expect(due(1, METER_TASKS.shaft, {}, "black-zinc").reason).toContain("black zinc finish ×");
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
      "use × 1.5, chalk left on × 1.5: every 8 days instead of 18",
    );
  });
  it("of what was never done is there since the bar is known", () => {
    const need = needOf(METER_TASKS.joints, BARE, USUAL_FACTORS, steady(1), {
      lastDoneOn: null,
      knownSince: "2026-03-04",
      today: "2026-04-01",
    });
    expect(need).toMatchObject({ need: 1, dueOn: "2026-03-04" });
    expect(need.reason).toContain("never recorded");
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
  // Handbook §11: f = (uses + 4m)/((weeks + 4)·m), clamped to 0.7–1.4.
  it("compares with the usual bar, as if four average weeks had been seen before", () => {
    expect(factorOfUse(12, 6, 2)).toBe(1);
    expect(factorOfUse(20, 6, 2)).toBeCloseTo(28 / 20, 12);
    expect(factorOfUse(400, 6, 2)).toBe(1.4);
    expect(factorOfUse(8, 6, 2)).toBeCloseTo(16 / 20, 12);
    expect(factorOfUse(0, 6, 2)).toBe(0.7);
    expect(factorOfUse(1, 1, 2)).toBeCloseTo(0.9, 12);
    expect(factorOfUse(9, 6, 0)).toBe(1);
  });
  it("is usual by the median, and by the mean where most bars hang unused", () => {
    expect(usualUseOf([12, 6, 6, 60], 6)).toBe(1.5);
    expect(usualUseOf([0, 0, 0, 12], 6)).toBe(0.5);
    expect(usualUseOf([], 6)).toBe(0);
  });
  it("reaches sleeves by half", () => {
    const busy = due(1, METER_TASKS.sleeves, { use: 1.4 });
    expect(busy.factors.find(({ label }) => label === "use")!.value).toBeCloseTo(1.2, 12);
    expect(due(1, METER_TASKS.shaft, { use: 1.4 }).factors.find(({ label }) => label === "use")!.value).toBe(1.4);
  });
});

describe("common practice's intervals come out (handbook §11, common practice, no source)", () => {
  const timesAMonth = (climate: ClimateClass, factors: Partial<BarFactors> = {}) =>
    30 / due(classFactor(climate), METER_TASKS.shaft, factors).intervalDays;
  it("bare shafts: three times a month or a little more in salt, one to two in temperate air, about monthly in dry", () => {
    expect(timesAMonth("salt-humid")).toBeGreaterThanOrEqual(3);
    expect(timesAMonth("salt-humid")).toBeLessThanOrEqual(3.8);
    expect(timesAMonth("temperate")).toBeGreaterThanOrEqual(1);
    expect(timesAMonth("temperate")).toBeLessThanOrEqual(2);
    expect(timesAMonth("dry")).toBeGreaterThanOrEqual(0.75);
    expect(timesAMonth("dry")).toBeLessThanOrEqual(1.2);
    expect(timesAMonth("humid")).toBeGreaterThan(timesAMonth("temperate"));
    expect(timesAMonth("humid")).toBeLessThan(timesAMonth("salt-humid"));
  });
  it("busy bars at most 1.4 times that", () => {
    for (const climate of CLIMATE_CLASSES) {
      const busy = { use: factorOfUse(10_000, 6, 1) };
      // Whole days round by half a day at most.
      expect(timesAMonth(climate, busy) / timesAMonth(climate)).toBeLessThanOrEqual(1.4 * 1.1);
      const { perDay } = due(classFactor(climate), METER_TASKS.shaft, busy);
      expect(perDay / due(classFactor(climate), METER_TASKS.shaft).perDay).toBeCloseTo(1.4, 12);
    }
  });
  it("what slows or hardly hastens is no cause; what was never recorded is the first", () => {
    expect(due(1.04, METER_TASKS.shaft, { use: 0.7 }).drivers).toEqual([]);
    expect(due(1.2, METER_TASKS.shaft, { use: 1.4, chalk: 1.5 }).drivers).toEqual([
      "damp air",
      "heavy use",
      "chalk left on",
    ]);
  });
  it("a reason says nothing of what changes nothing", () => {
    expect(due(1.001).reason).toBe("as usual: every 18 days");
    expect(due(1.01).reason).toBe("air × 1.01: every 18 days");
  });
});

describe("salt on steel", () => {
  // Sodium chloride deliquesces near 75 % relative humidity (published); the threshold of 60 mg/m²·day is ours.
  it("is wet from 75 %, and from 80 % without it (ISO 9223), in words and in hours", () => {
    expect([0, 59.9, 60, 200].map(wetFromPct)).toEqual([80, 80, 75, 75]);
    const day = Array.from({ length: 24 }, (_, i) => ({
      ...{ at: i * 3_600_000, temperatureC: 15, relativeHumidityPct: 78 },
      ...{ steelC: 15, dewPointC: 11, isWet: false },
    }));
    expect(climateDay(day, { so2: 5, chloride: 5 }).wetHours).toBe(0);
    expect(climateDay(day, { so2: 5, chloride: 200 }).wetHours).toBe(24);
  });
});

it("own figures count as the climate that rusts bars as fast, where the calendar decides", () => {
  for (const climate of CLIMATE_CLASSES) expect(nearestClass(ANCHOR_AIR[climate])).toBe(climate);
  expect(daysIn({ dry: 30, temperate: 20, "salt-humid": 10 }, "humid")).toBe(14);
});

it("on condition only nothing is due until someone asks", () => {
  expect(onCondition(null, null)).toMatchObject({ dueOn: "9999-12-31" });
  expect(onCondition("2026-02-03", "drags")).toMatchObject({ dueOn: "2026-02-03", intervalDays: 0, reason: "drags" });
});
