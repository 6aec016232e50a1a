import { describe, expect, it, test } from "vitest";
import { readLifterLine, readSessionAsk } from "./sessionAsk";

describe("the address of a session", () => {
  test.each([
    ["Runa 115", { name: "Runa", workKg: 115 }],
    ["Runa van der Lee 112,5 kg", { name: "Runa van der Lee", workKg: 112.5 }],
    ["Cato 100lb", { name: "Cato", workKg: 45.359237 }],
    ["140", { name: "lifter", workKg: 140 }],
    ["Runa 115 x3", { name: "Runa", workKg: 115, repetitions: 3 }],
    ["Runa", null],
    ["Runa 0", null],
    ["Runa 900", null],
    ["", null],
  ])("reads “%s”", (line, read) => expect(readLifterLine(line)).toEqual(read));
  it("names every line it cannot read, and keeps the others", () => {
    const state = readSessionAsk({ who: "Ann 100\nBo\nCy 50; Di" });
    expect(state.lifters.map(({ name }) => name)).toEqual(["Ann", "Cy"]);
    expect(state.problems).toHaveLength(2);
    expect(state.problems[0]).toContain("“Bo” names no load");
    // The log may know them: they keep their places.
    expect(state.unloaded).toEqual([
      { at: 1, name: "Bo" },
      { at: 3, name: "Di" },
    ]);
  });
  it("starts with something to look at, and takes nothing out of range", () => {
    expect(readSessionAsk({})).toMatchObject({ way: "percent", workSets: 3, order: "named", only: "kg", problems: [] });
    expect(readSessionAsk({ way: "x", work: "99", order: "x", count: "1.5", jump: "-3" })).toMatchObject({
      way: "percent",
      workSets: 3,
      order: "named",
      count: 5,
      jumpKg: 20,
    });
    expect(readSessionAsk({ who: " " }).problems[0]).toContain("at least one lifter");
    const many = readSessionAsk({ who: Array.from({ length: 9 }, (_, i) => `L${i} 100`).join("\n") });
    expect([many.lifters.length, many.problems.length]).toEqual([8, 1]);
  });
});
