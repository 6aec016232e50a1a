import { format, parseISO, startOfISOWeek } from "date-fns";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../units/hallDay";
import { equalEffort, mondayOf, totalWork, workOf, workWeeks, type WorkSet, type WorkWeek } from "./workload";

const set = (over: Partial<WorkSet>): WorkSet => ({
  ...{ on: "2026-03-18", loadKg: 100, repetitions: 5, reserve: null, isMade: true },
  ...over,
});

describe("work", () => {
  it("is load × repetitions: eight at 90 kg is 720 (handbook §12), and nothing when it was missed", () => {
    expect(workOf(set({ loadKg: 90, repetitions: 8 }))).toBe(720);
    expect(workOf(set({ isMade: false }))).toBe(0);
    expect(totalWork([set({}), set({ isMade: false }), set({ repetitions: 1 })])).toBe(600);
  });

  it("is of the week that begins on its Monday, as ISO 8601 counts weeks", () => {
    fc.assert(
      fc.property(fc.integer({ min: -30_000, max: 30_000 }), (days) => {
        const day = addDays("2026-03-18", days);
        expect(mondayOf(day)).toBe(format(startOfISOWeek(parseISO(day)), "yyyy-MM-dd"));
      }),
    );
  });

  it("is added up week by week as going through all of it for each week does", () => {
    const any = fc.record({
      on: fc.integer({ min: 0, max: 60 }).map((days) => addDays("2026-01-01", days)),
      loadKg: fc.integer({ min: 20, max: 300 }),
      repetitions: fc.integer({ min: 1, max: 10 }),
      reserve: fc.option(fc.integer({ min: 0, max: 5 }), { nil: null }),
      isMade: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 40 }), (sets) => {
        const weeks = workWeeks(sets);
        expect(weeks.map(({ from }) => from)).toEqual([...new Set(sets.map(({ on }) => mondayOf(on)))].sort());
        for (const week of weeks) {
          const own = sets.filter(({ on }) => mondayOf(on) === week.from);
          const made = own.filter(({ isMade }) => isMade);
          const repetitions = made.reduce((sum, one) => sum + one.repetitions, 0);
          expect(week.sets).toBe(own.length);
          expect(week.sessions).toBe(new Set(own.map(({ on }) => on)).size);
          expect(week.kg).toBe(made.reduce((sum, one) => sum + one.loadKg * one.repetitions, 0));
          expect(week.loadKg * repetitions).toBeCloseTo(week.kg, 6);
          const said = made.flatMap(({ reserve }) => reserve ?? []);
          if (said.length === 0) expect(week.reserve).toBeNull();
          else expect(week.reserve).toBeCloseTo(said.reduce((a, b) => a + b) / said.length, 9);
        }
      }),
    );
  });
});

describe("a heavy and a light week of equal effort", () => {
  const week = (n: number, loadKg: number, reserve: number | null): WorkWeek => ({
    ...{ from: addDays("2026-01-05", 7 * n), sets: 10, kg: 40 * loadKg, sessions: 3, reserve, loadKg },
  });

  it("are the latest two whose loads are a tenth apart and whose repetitions left are alike", () => {
    const weeks = [week(0, 150, 2), week(1, 100, 2), week(2, 160, 2), week(3, 110, 2.5)];
    expect(equalEffort(weeks)).toEqual({ heavy: weeks[2], light: weeks[3] });
  });

  it("are none where loads are alike, where efforts are not, or where nobody said how many were left", () => {
    expect(equalEffort([week(0, 150, 2), week(1, 140, 2)])).toBeNull();
    expect(equalEffort([week(0, 150, 1), week(1, 100, 3)])).toBeNull();
    expect(equalEffort([week(0, 150, null), week(1, 100, null)])).toBeNull();
    expect(equalEffort([])).toBeNull();
  });

  it("are not looked for further back than eight weeks", () => {
    const alike = Array.from({ length: 7 }, (_, i) => week(i + 2, 150, 2));
    expect(equalEffort([week(0, 150, 2), week(1, 100, 2), ...alike])).not.toBeNull();
    expect(equalEffort([week(0, 100, 2), ...alike, week(9, 150, 2)])).toBeNull();
  });
});
