import { describe, expect, it } from "vitest";
import { agoText, dateText, dayText, momentText, monthOfYear, monthText, timeText } from "./dates";

const LISBON = { timeZone: "Europe/Lisbon", locale: "en-GB" };

describe("dates and times as a gym writes them", () => {
  it("are a short day, with its year only when it is another", () => {
    expect(dayText("2026-11-28", "2026-03-01")).toBe("Sat 28 Nov");
    expect(dayText("2025-01-02", "2026-03-01")).toBe("Thu 2 Jan 2025");
    expect([dateText("2026-11-28", "2026-03-01"), dateText("2025-01-02", "2026-03-01")]).toEqual([
      "28 Nov",
      "2 Jan 2025",
    ]);
    expect([monthText("2026-09"), monthText("2026-09-30", "long"), monthOfYear("2025-12")]).toEqual([
      "Sep",
      "September",
      "December 2025",
    ]);
  });
  it("are of the gym's place and clock, also over midnight and summer time", () => {
    expect([
      timeText("18:30", "en-GB"),
      timeText("18:30:00", "en-US"),
      timeText("00:05", "en-US"),
      timeText("09:00", "en-GB"),
    ]).toEqual(["18:30", "6:30 pm", "12:05 am", "09:00"]);
    const now = new Date("2026-07-01T12:00:00Z");
    expect(momentText(new Date("2026-06-30T23:30:00Z"), LISBON, now)).toBe("Wed 1 Jul, 00:30");
    expect(momentText(new Date("2025-12-31T23:30:00Z"), LISBON, now)).toBe("Wed 31 Dec 2025, 23:30");
    expect(momentText(new Date("2026-06-30T23:30:00Z"), { timeZone: "America/New_York", locale: "en-US" }, now)).toBe(
      "Tue 30 Jun, 7:30 pm",
    );
  });
  it("are said from now where they are near", () => {
    const now = new Date("2026-11-28T12:00:00Z");
    const ago = (minutes: number) => agoText(new Date(now.getTime() - minutes * 60_000), LISBON, now);
    expect([0, 5, 6, 59, 61, 23 * 60].map(ago)).toEqual([
      "just now",
      "just now",
      "6 min ago",
      "59 min ago",
      "1 h ago",
      "23 h ago",
    ]);
    expect(ago(25 * 60)).toBe("Fri 27 Nov, 11:00");
  });
});
