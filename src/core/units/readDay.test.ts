import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dateText, dayText } from "./dates";
import { addDays } from "./hallDay";
import { readDay } from "./readDay";

const TODAY = "2026-11-28";

describe("a day as people write it", () => {
  it.each([
    ["2026-03-04", "2026-03-04"],
    ["28 Nov", "2026-11-28"],
    ["Sat 28 Nov", "2026-11-28"],
    ["saturday, 28 november 2025", "2025-11-28"],
    ["3rd Feb 27", "2027-02-03"],
    ["Nov 28, 2026", "2026-11-28"],
    ["28.11.2026", "2026-11-28"],
    ["28.11.", "2026-11-28"],
    ["4/3", "2026-03-04"],
    ["4/3/26", "2026-03-04"],
  ])("%s is %s", (text, day) => expect(readDay(text, TODAY)).toBe(day));
  it("reads strokes with the month first where a gym writes so, and points never", () => {
    expect(readDay("3/4/2026", TODAY, true)).toBe("2026-03-04");
    expect(readDay("4.3.2026", TODAY, true)).toBe("2026-03-04");
  });
  it.each(["", "30 Feb", "31.11.2026", "soon", "28 Nonsense", "2026-13-01", "28", "1/2/3/4"])("%s is none", (text) =>
    expect(readDay(text, TODAY)).toBeNull(),
  );
  it("reads back every day as it is shown (property)", () => {
    fc.assert(
      fc.property(fc.integer({ min: -9000, max: 9000 }), (days) => {
        const day = addDays(TODAY, days);
        expect(readDay(dayText(day, TODAY), TODAY)).toBe(day);
        expect(readDay(dateText(day, TODAY), TODAY)).toBe(day);
      }),
      { seed: 20 },
    );
  });
});
