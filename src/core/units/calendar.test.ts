import fc from "fast-check";
import { expect, it } from "vitest";
import { addMonths, weekdayOf } from "./calendar";
import { addDays, daysBetween, isHallDay } from "./hallDay";

const day = fc.integer({ min: 0, max: 60_000 }).map((n) => addDays("1950-01-01", n));

it("a month on is the same day of the next month, or its last one: counted by the calendar itself", () =>
  fc.assert(
    fc.property(day, fc.integer({ min: 0, max: 200 }), (from, months) => {
      const on = addMonths(from, months);
      expect(isHallDay(on)).toBe(true);
      const [year, month] = from.split("-").map(Number) as [number, number];
      const count = year * 12 + month - 1 + months;
      expect(on.slice(0, 7)).toBe(`${Math.floor(count / 12)}-${String((count % 12) + 1).padStart(2, "0")}`);
      if (on.slice(8) !== from.slice(8)) {
        // Shorter: the day after is the first of the month that follows.
        expect(addDays(on, 1).slice(8)).toBe("01");
        expect(on.slice(8) < from.slice(8)).toBe(true);
      }
    }),
    { seed: 20261128 },
  ));

it("29 February and the ends of months", () => {
  expect(addMonths("2024-02-29", 12)).toBe("2025-02-28");
  expect(addMonths("2026-01-31", 1)).toBe("2026-02-28");
  expect(addMonths("2026-08-31", 1)).toBe("2026-09-30");
  expect(addMonths("2026-12-15", 1)).toBe("2027-01-15");
});

it("weekdays follow one another from Monday, and 1 January 1970 was a Thursday", () =>
  fc.assert(
    fc.property(day, (on) => {
      expect(weekdayOf(addDays(on, 1))).toBe((weekdayOf(on) % 7) + 1);
      expect(((((daysBetween("1970-01-01", on) + 3) % 7) + 7) % 7) + 1).toBe(weekdayOf(on));
    }),
    { seed: 20261128 },
  ));
