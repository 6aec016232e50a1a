import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../units/hallDay";
import { LOG_COLUMNS, logFileRow, readLogFile, type FileSet } from "./logFile";

const HEAD = [...LOG_COLUMNS];
/** Rows of a file by the names of their columns, the rest empty. */
const row = (cells: Partial<Record<(typeof LOG_COLUMNS)[number], string>>) =>
  HEAD.map((column) => ({ date: "2026-03-18", lift: "bench", bar: "K01", load: "100", ...cells })[column] ?? "");
const setsOf = (rows: readonly (readonly string[])[], unit: "kg" | "lb" = "kg"): FileSet[] => {
  const read = readLogFile(rows, unit);
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join("\n"));
  return read.sets;
};
const problemsOf = (rows: readonly (readonly string[])[]) => {
  const read = readLogFile(rows, "kg");
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe("a file of sets", () => {
  const word = fc.stringMatching(/^[A-Za-zà-ÿ][A-Za-zà-ÿ 0-9",;]{0,20}[a-z0-9]$/);
  const set = fc.record({
    on: fc.integer({ min: 0, max: 900 }).map((days) => addDays("2025-01-01", days)),
    lift: word,
    bar: word,
    setting: word,
    variant: word,
    handsHelped: fc.boolean(),
    loadValue: fc.integer({ min: 1, max: 3000 }).map((quarters) => String(quarters / 4)),
    loadUnit: fc.constantFrom("kg" as const, "lb" as const),
    repetitions: fc.integer({ min: 1, max: 30 }),
    reserve: fc.option(
      fc.integer({ min: 0, max: 20 }).map((halves) => halves / 2),
      { nil: null },
    ),
    isMade: fc.boolean(),
    note: fc.option(word, { nil: null }),
  });

  it("reads back every set that it was written with, in any order of its columns", () => {
    fc.assert(
      fc.property(fc.array(set, { minLength: 1, maxLength: 5 }), fc.gen(), (sets, random) => {
        const order = random(fc.shuffledSubarray, [...HEAD.keys()], { minLength: HEAD.length });
        const cells = [HEAD, ...sets.map(logFileRow)].map((own) => order.map((i) => own[i]!));
        const read = setsOf(cells);
        expect(read.map(({ loadKg: _, row: __, ...rest }) => rest)).toEqual(sets);
        expect(read.map(({ row }) => row)).toEqual(sets.map((_, i) => i + 2));
      }),
    );
  });

  it("needs a day, a lift, a bar and a load, and takes the rest as it is usual", () => {
    const [one] = setsOf([HEAD, row({})]);
    expect(one).toMatchObject({ repetitions: 1, reserve: null, isMade: true, handsHelped: false, note: null });
    expect(one!.loadKg).toBe(100);
    expect(setsOf([HEAD, row({})], "lb")[0]!.loadKg).toBeCloseTo(45.359237, 9);
  });

  it("knows columns by what other programs call them", () => {
    const [one] = setsOf([
      ["Day", "Exercise", "bar", "Weight", "reps", "RIR", "hands_helped"],
      ["2026-03-18", "bench", "K01", "100", "5", "2", "yes"],
    ]);
    expect(one).toMatchObject({ lift: "bench", loadKg: 100, repetitions: 5, reserve: 2, handsHelped: true });
  });

  it("lists everything that is wrong with it, row by row, and gives no set then", () => {
    const wrong = problemsOf([
      HEAD,
      row({ date: "18.3.2026", bar: "" }),
      row({}),
      row({ load: "heavy", made: "perhaps", "hands helped": "both" }),
    ]);
    expect(wrong.map((one) => one.split(":")[0])).toEqual(["row 2", "row 2", "row 4", "row 4", "row 4"]);
  });

  it("says which columns it does not know and which are missing before it reads a row", () => {
    const wrong = problemsOf([
      ["date", "lift", "mood"],
      ["x", "y", "z"],
    ]);
    expect(wrong).toHaveLength(3);
    expect(wrong.every((one) => one.startsWith("row 1"))).toBe(true);
  });

  it("without a set is no file of sets", () => {
    expect(problemsOf([HEAD])).toHaveLength(1);
    expect(problemsOf([])).toHaveLength(4);
  });
});
