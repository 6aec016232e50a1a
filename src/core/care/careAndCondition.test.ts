import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../units/hallDay";
import { careSpans, everyDaysIn, rustByCare, rustStep, type CareSpan, type ConditionPoint } from "./careAndCondition";
import { RUST_GRADES } from "./inspection";

const look = (on: string, rust: ConditionPoint["rust"]): ConditionPoint => ({ on, rust, tirMm: null });

describe("care against condition", () => {
  it("counts care between two looks, and how far rust went meanwhile", () => {
    const spans = careSpans(
      ["2026-01-01", "2026-01-20", "2026-02-01", "2026-02-10"],
      [
        look("2026-02-01", "bloom"),
        look("2026-01-15", null),
        look("2026-01-01", "none"),
        look("2026-04-12", "patches"),
      ],
      10,
    );
    expect(spans).toEqual([
      {
        from: "2026-01-01",
        to: "2026-02-01",
        days: 31,
        times: 2,
        asked: 3.1,
        before: "none",
        after: "bloom",
        steps: 1,
      },
      {
        from: "2026-02-01",
        to: "2026-04-12",
        days: 70,
        times: 2,
        asked: 7,
        before: "bloom",
        after: "patches",
        steps: 2,
      },
    ]);
    expect(everyDaysIn(spans[1]!)).toBe(35);
    expect(everyDaysIn({ days: 10, times: 0 })).toBeNull();
  });
  it("says nothing of one look, of two on one day, or of looks that left rust out", () => {
    expect(careSpans(["2026-01-02"], [look("2026-01-01", "none")], 10)).toEqual([]);
    expect(careSpans([], [look("2026-01-01", "none"), look("2026-01-01", "bloom")], 10)).toEqual([]);
    expect(careSpans([], [look("2026-01-01", null), look("2026-03-01", null)], 10)).toEqual([]);
  });
  it("grades are steps in the order of the scale, and rust that was taken off goes down", () => {
    expect(RUST_GRADES.map(([name]) => rustStep(name))).toEqual([0, 1, 2, 3, 4]);
    expect(careSpans([], [look("2026-01-01", "patches"), look("2026-02-01", "bloom")], 0)[0]!.steps).toBe(-2);
  });
});

const span = (days: number, times: number, steps: number, everyDays = 10): CareSpan => ({
  from: "2026-01-01",
  to: addDays("2026-01-01", days),
  days,
  times,
  asked: everyDays > 0 ? days / everyDays : 0,
  before: "none",
  after: "none",
  steps,
});

describe("over all bars", () => {
  it("sets the half in which more of the asked care was done against the other, whatever is asked of each", () => {
    // A plated bar brushed every 50 days as asked is cared for better than a bare one brushed every 25 days of 10.
    const both = rustByCare([span(100, 2, 0, 50), span(100, 4, 2), span(50, 5, 1), span(200, 0, 3)]);
    expect(both).toEqual({
      often: { spans: 2, done: 7 / 7, stepsPer100Days: 100 / 150 },
      seldom: { spans: 2, done: 4 / 30, stepsPer100Days: 500 / 300 },
    });
  });
  it("says nothing where there are few looks, all bars were cared for alike, or the house goes by condition only", () => {
    expect(rustByCare([])).toBeNull();
    expect(rustByCare([span(100, 10, 0), span(100, 1, 2), span(100, 1, 2)])).toBeNull();
    expect(rustByCare([span(10, 1, 0), span(20, 2, 1), span(10, 1, 0), span(30, 3, 2)])).toBeNull();
    expect(rustByCare([1, 2, 3, 4].map((times) => span(100, times, 1, 0)))).toBeNull();
  });
  it("cuts between spans that differ, as near to the middle as can be", () => {
    const both = rustByCare([span(10, 3, 0), span(10, 2, 0), span(10, 1, 1), span(10, 1, 1), span(10, 1, 1)]);
    expect(both).toMatchObject({ often: { spans: 2 }, seldom: { spans: 3, stepsPer100Days: 10 } });
  });
  it("counts every span once, and never says that the seldom half was cared for more often", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            days: fc.integer({ min: 1, max: 400 }),
            times: fc.nat({ max: 40 }),
            steps: fc.integer({ min: -4, max: 4 }),
          }),
          { maxLength: 30 },
        ),
        (raw) => {
          const both = rustByCare(raw.map(({ days, times, steps }) => span(days, times, steps)));
          if (both === null) return;
          expect(both.often.spans + both.seldom.spans).toBe(raw.length);
          expect(both.often.done).toBeGreaterThan(both.seldom.done);
          const total = (share: typeof both.often, days: number) => (share.stepsPer100Days * days) / 100;
          const sorted = [...raw].sort((a, b) => b.times / b.days - a.times / a.days);
          const days = sorted.slice(0, both.often.spans).reduce((sum, one) => sum + one.days, 0);
          const all = raw.reduce((sum, one) => sum + one.days, 0);
          expect(total(both.often, days) + total(both.seldom, all - days)).toBeCloseTo(
            raw.reduce((sum, one) => sum + one.steps, 0),
            6,
          );
        },
      ),
    ));
});
