import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { FAMILY_KEYS } from "../bars/families";
import { FINISHES } from "../bars/bar";
import { daysBetween } from "../units/hallDay";
import { careDue, careIntervalDays, overdueDays } from "./careDue";
import { CARE_TASK_KEYS, CARE_TASKS, isTaskFor, type CareBar } from "./careTasks";
import { CLIMATE_CLASSES, type ClimateClass } from "./climateClass";

const air = (climate: ClimateClass) => ({ climate, isAllRoundBusiest: false });
const bare: CareBar = { family: "power", finish: "bare", sleeveRotation: "bushing" };

describe("how often (common practice, no source)", () => {
  it("does shafts three times a month in salt, one to two times in temperate air, monthly when dry", () => {
    expect(30 / careIntervalDays(CARE_TASKS.shaft, bare, air("salt-humid"))).toBeGreaterThanOrEqual(3);
    expect(30 / careIntervalDays(CARE_TASKS.shaft, bare, air("temperate"))).toBeGreaterThanOrEqual(1);
    expect(30 / careIntervalDays(CARE_TASKS.shaft, bare, air("temperate"))).toBeLessThanOrEqual(2);
    expect(careIntervalDays(CARE_TASKS.shaft, bare, air("dry"))).toBe(30);
  });
  it("does sleeves monthly to two-monthly", () => {
    for (const climate of CLIMATE_CLASSES) {
      expect(careIntervalDays(CARE_TASKS.sleeves, bare, air(climate))).toBeGreaterThanOrEqual(30);
      expect(careIntervalDays(CARE_TASKS.sleeves, bare, air(climate))).toBeLessThanOrEqual(60);
    }
  });
  it("has for every task a caution, and what to take along where it takes anything", () => {
    for (const key of CARE_TASK_KEYS) expect(CARE_TASKS[key].cautions.length).toBeGreaterThan(0);
    expect(CARE_TASKS.shaft.materials.join(" ")).toContain("nylon brush");
    expect(CARE_TASKS.shaft.materials.join(" ")).not.toMatch(/wire/);
  });
  // Handbook §11: about three quarters of a minute a bar when a whole wall is done in turn (common practice, no source).
  it("takes three quarters of a minute for both sleeves of a bar", () => {
    expect(CARE_TASKS.sleeves.minutes).toBe(0.75);
  });
  it("never has a longer interval in worse air, nor for a bare shaft than for any other finish", () => {
    for (const task of CARE_TASK_KEYS)
      for (const finish of FINISHES) {
        const days = CLIMATE_CLASSES.map((climate) =>
          careIntervalDays(CARE_TASKS[task], { ...bare, finish }, air(climate)),
        );
        expect([...days].sort((a, b) => b - a)).toEqual(days);
        expect(careIntervalDays(CARE_TASKS[task], { ...bare, finish }, air("salt-humid"))).toBeGreaterThanOrEqual(
          careIntervalDays(CARE_TASKS[task], bare, air("salt-humid")),
        );
      }
  });
  it("counts an unknown finish as bare", () =>
    expect(careIntervalDays(CARE_TASKS.shaft, { ...bare, finish: null }, air("dry"))).toBe(
      careIntervalDays(CARE_TASKS.shaft, bare, air("dry")),
    ));
  it("never opens a sleeve", () => {
    for (const key of CARE_TASK_KEYS)
      expect([...CARE_TASKS[key].steps, ...CARE_TASKS[key].cautions].join(" ")).not.toMatch(
        /open|take apart|remove the sleeve/i,
      );
  });
});

describe("which tasks", () => {
  test.each([
    ["a power bar", bare, ["shaft", "sleeves", "sleeve-check", "straightness"]],
    [
      "a yoke bar with fixed sleeves",
      { ...bare, family: "yoke", sleeveRotation: "fixed" } as CareBar,
      ["shaft", "joints"],
    ],
    ["an axle", { ...bare, family: "axle", sleeveRotation: null } as CareBar, ["shaft", "straightness"]],
  ])("%s gets %j", (_name, bar, tasks) => expect(CARE_TASK_KEYS.filter((key) => isTaskFor(key, bar))).toEqual(tasks));
  it("gives every family something to do", () => {
    for (const family of FAMILY_KEYS)
      expect(CARE_TASK_KEYS.filter((key) => isTaskFor(key, { ...bare, family })).length).toBeGreaterThan(1);
  });
});

describe("due", () => {
  it("is the interval after the last time, with the reason in one sentence", () =>
    expect(careDue(CARE_TASKS.shaft, bare, air("salt-humid"), "2026-03-25", "2020-01-01")).toEqual({
      dueOn: "2026-04-04",
      drivers: ["salty air", "bare steel"],
      intervalDays: 10,
      reason: "bare shaft in salt-humid air: every 10 days",
    }));
  it("is the day the bar is known since when there is no record", () =>
    expect(careDue(CARE_TASKS.sleeves, bare, air("dry"), null, "2026-01-05")).toMatchObject({
      dueOn: "2026-01-05",
      reason: expect.stringMatching(/^never recorded/),
    }));
  it("is overdue from the day after", () =>
    expect([
      overdueDays("2026-03-02", "2026-03-01"),
      overdueDays("2026-03-02", "2026-03-02"),
      overdueDays("2026-03-02", "2026-03-05"),
    ]).toEqual([0, 0, 3]));
  it("moves by as many days as the last time moves", () =>
    fc.assert(
      fc.property(fc.constantFrom(...CARE_TASK_KEYS), fc.integer({ min: 0, max: 400 }), (task, n) => {
        const a = careDue(CARE_TASKS[task], bare, air("temperate"), "2026-01-01", "2026-01-01").dueOn;
        const later = new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10);
        expect(daysBetween(a, careDue(CARE_TASKS[task], bare, air("temperate"), later, "2026-01-01").dueOn)).toBe(n);
      }),
    ));
});

it("comes round a fifth sooner on the gym’s bar for most, and only there", () => {
  const busy = { climate: "dry", isAllRoundBusiest: true } as const;
  const days = (family: CareBar["family"], house: Parameters<typeof careIntervalDays>[2]) =>
    careIntervalDays(CARE_TASKS.shaft, { ...bare, family }, house);
  expect(days("all-round", busy)).toBe(Math.round(0.8 * days("all-round", air("dry"))));
  expect(days("power", busy)).toBe(days("power", air("dry")));
  expect(careDue(CARE_TASKS.shaft, { ...bare, family: "hybrid" }, busy, "2026-01-01", "2026-01-01").reason).toContain(
    "the gym’s bar for most",
  );
});
