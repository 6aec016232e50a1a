import { describe, expect, it } from "vitest";
import { outsideQuiet, readStaffHours, staffHoursText } from "./staffHours";

describe("staff hours", () => {
  it("are lines with a day and hours, in any order, and come back as they were read", () => {
    const read = readStaffHours("Friday 8:30 – 9:15\nmon 17:00-18:00");
    if (!read.ok) throw new Error("no hours");
    expect(read.hours.map(staffHoursText)).toEqual(["Mon 17:00-18:00", "Fri 08:30-09:15"]);
    expect(readStaffHours("")).toEqual({ ok: true, hours: [] });
  });
  it("name every line that cannot be", () => {
    const read = readStaffHours("Mon 9-10\nTue 10:00-09:00\nWed 09:00-25:00\nThu 08:00-10:00\nThu 09:30-11:00");
    expect(!read.ok && read.problems.map(({ message }) => message.slice(0, 24))).toEqual([
      "“Mon 9-10”: write a day ",
      "“Tue 10:00-09:00”: write",
      "“Wed 09:00-25:00”: write",
      "Thu 08:00-10:00 and Thu ",
    ]);
  });
  it("leave out quiet times: before, after, both, all of it, none of it", () => {
    const hours = { fromMinute: 600, toMinute: 720 };
    const left = (fromMinute: number, toMinute: number) =>
      outsideQuiet(hours, [{ fromMinute, toMinute }]).map((span) => [span.fromMinute, span.toMinute]);
    expect(left(500, 630)).toEqual([[630, 720]]);
    expect(left(700, 800)).toEqual([[600, 700]]);
    expect(left(630, 660)).toEqual([
      [600, 630],
      [660, 720],
    ]);
    expect(left(500, 800)).toEqual([]);
    expect(left(800, 900)).toEqual([[600, 720]]);
    expect(left(500, 600)).toEqual([[600, 720]]);
    expect(outsideQuiet(hours, [])).toEqual([hours]);
  });
});
