import fc from "fast-check";
import { expect, it } from "vitest";
import { addDays, hallClockAt, hallDayAt } from "./hallDay";
import { momentOfHall } from "./hallMoment";

it("is the moment at which the hall's clock shows it, summer and winter", () => {
  expect(momentOfHall("2026-07-01", 540, "Europe/London").toISOString()).toBe("2026-07-01T08:00:00.000Z");
  expect(momentOfHall("2026-01-01", 540, "Europe/London").toISOString()).toBe("2026-01-01T09:00:00.000Z");
  expect(momentOfHall("2026-01-01", 0, "Pacific/Auckland").toISOString()).toBe("2025-12-31T11:00:00.000Z");
});

it("comes back from the clock in every zone, but for the hour that summer time skips", () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 700 }),
      fc.integer({ min: 240, max: 1439 }),
      fc.constantFrom("Europe/London", "America/New_York", "Asia/Kolkata", "UTC", "Australia/Lord_Howe"),
      (day, minute, zone) => {
        const on = addDays("2026-01-01", day);
        const moment = momentOfHall(on, minute, zone);
        expect(hallDayAt(moment, zone)).toBe(on);
        const [h, m] = hallClockAt(moment, zone).split(":").map(Number);
        expect(60 * h! + m!).toBe(minute);
      },
    ),
  ));
