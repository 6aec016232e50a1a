import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it, test } from "vitest";
import { BAR_COLUMNS, guessColumns, measurementText, readMeasurement, rowTexts } from "@/core/bars/barColumns";
import { barsCsv, readCsvFile } from "./barFile";
import { readHallFile } from "./hallFile";
import { parseCsv } from "./csvIn";
import { plainCell, safeCell } from "@/core/units/csvCells";
import { csvText } from "./csvOut";

const cell = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom(
    "=1+1",
    "+kg",
    "-x",
    "@a",
    "'=x",
    "''",
    "-2.5",
    "+3",
    'a"b',
    "a,b",
    "a;b",
    "zwei\nZeilen",
    " x ",
    "é×",
  ),
);

describe("CSV out", () => {
  test.each([
    ["=SUM(A1)", "'=SUM(A1)"],
    ["+41 79", "'+41 79"],
    ["-cmd", "'-cmd"],
    ["@x", "'@x"],
    ["\tx", "'\tx"],
    ["-100", "-100"],
    ["+2.5", "+2.5"],
    ["plain", "plain"],
    ["'=x", "''=x"],
  ])("writes %j as %j, and back", (text, safe) => {
    expect(safeCell(text)).toBe(safe);
    expect(plainCell(safe)).toBe(text);
  });
  it("is read back alike by a well-kept parser, cell by cell", () =>
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 6 }), (rows) => {
        const text = csvText(["a", "b", "c"], rows);
        const { data } = Papa.parse<string[]>(text, { delimiter: ",", newline: "\r\n" });
        expect(data.slice(1, rows.length + 1).map((row) => row.map(plainCell))).toEqual(rows);
        // No cell starts as a formula would, numbers excepted.
        for (const one of data.flat()) expect(/^[=@\t]|^[+-](?!\d+([.,]\d+)?$)/.test(one)).toBe(false);
      }),
    ));
});

describe("CSV in", () => {
  it("takes commas, semicolons and tabs, a byte order mark, and skips empty lines", () => {
    for (const mark of [",", ";", "\t"])
      expect(parseCsv(`\uFEFFtag${mark}name\r\nK1${mark}One\r\n\r\nK2${mark}Two\r\n`)).toMatchObject({
        heads: ["tag", "name"],
        rows: [
          { line: 2, cells: ["K1", "One"] },
          { line: 4, cells: ["K2", "Two"] },
        ],
        problems: [],
      });
  });
  it("names the line of a row that has more cells than the head, and of a broken quotation", () => {
    expect(parseCsv("a,b\n1,2,3\n").problems).toEqual([{ path: "line 2", message: "has 3 cells, the head has 2" }]);
    expect(parseCsv('a,b\n1,"2\n').problems).toHaveLength(1);
  });
  it("refuses an unknown head by name", () =>
    expect(readCsvFile("tag,favourite song\nK1,x\n")).toEqual({
      ok: false,
      problems: [{ path: "favourite song", message: "the column “favourite song” is not known" }],
    }));
});

describe("columns by their heads", () => {
  test.each([
    ["tag", "tag", null],
    ["Weight (lb)", "stated.mass", "lb"],
    ["Mass [kg]", "stated.mass", "kg"],
    ["Shaft diameter, mm", "stated.shaftDiameter", "mm"],
    ["collar thickness in", "stated.collarThickness", "in"],
    ["Max load lbs", "rating", "lb"],
    ["Location", "place", null],
    ["shaft finish", "finish", null],
    ["stated.seatToSeat", "stated.seatToSeat", "mm"],
    ["measured.mass", "measured.mass", "kg"],
    ["mass, measured", "measured.mass", "kg"],
    ["favourite song", null, null],
  ])("%j is %j in %j", (head, column, unit) => expect(guessColumns([head])).toEqual([{ head, column, unit }]));
  it("gives each column once", () =>
    expect(guessColumns(["weight", "mass"]).map(({ column }) => column)).toEqual(["stated.mass", null]));
  it("gives plain numbers their column's unit and leaves written ones alone", () => {
    const mapping = guessColumns(["tag", "weight lb", "diameter"]);
    expect(rowTexts(["K1", "45", "1.1 in"], mapping)).toEqual({
      tag: "K1",
      "stated.mass": "45 lb",
      "stated.shaftDiameter": "1.1 in",
    });
    expect(rowTexts(["K1", "", ""], mapping)).toEqual({ tag: "K1" });
  });
  it("understands every head that it writes", () =>
    expect(guessColumns(BAR_COLUMNS).map(({ column }) => column)).toEqual(BAR_COLUMNS));
});

describe("a measurement in one cell", () => {
  const whole = {
    kind: "mass" as const,
    readings: [
      { value: "19.6", unit: "kg" as const },
      { value: "19.62", unit: "kg" as const },
    ],
    instrument: "scale",
    at: "2026-10-16T09:00:00.000Z",
    by: "Maren Tidewell",
  };
  it("reads back what it writes", () => {
    expect(readMeasurement("mass", measurementText(whole))).toEqual(whole);
    const bare = { ...whole, at: null, by: null };
    expect(readMeasurement("mass", measurementText(bare))).toEqual(bare);
  });
  test.each([
    ["heavy", /no reading in kg/],
    ["19 20 21 22", /at most 3 readings/],
    ["19 kg; 42 lb", /all readings in one unit/],
    ["900", /cannot be true of a bar/],
    ["19 ; scale ; yesterday", /no moment/],
  ])("refuses %j", (text, message) => expect(readMeasurement("mass", text)).toMatch(message));
});

it("writes only the columns that some bar fills", () =>
  expect(barsCsv([{ tag: "K1", name: "One", family: "power", state: "in-service", "stated.mass": "45 lb" }])).toBe(
    "tag,name,family,state,stated.mass\r\nK1,One,power,in-service,45 lb\r\n",
  ));

it("refuses a hall's JSON with every problem it has", () => {
  expect(readHallFile({ format: "garrison", version: 1, hall: "x", bars: [] })).toEqual({
    ok: true,
    file: { bars: [] },
  });
  const wrong = readHallFile({ format: "other", version: 1, hall: "x", bars: [{ texts: { sword: "x" } }], more: 1 });
  expect(!wrong.ok && wrong.problems.map(({ path }) => path)).toEqual([
    "format",
    "bars.0.texts.sword",
    "bars.0.measurements",
    "more",
  ]);
});
