import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readClimateFile } from "./climateFile";
import { hallFile, readHallFile } from "./hallFile";
import { checked } from "./problems";
import { sentRoundTouch } from "./roundTouch";
import { sentTouch } from "./runTouch";

/* What tablets send and files say, as it should be and as it should not. */

const paths = (result: ReturnType<typeof checked>) => (result.ok ? [] : result.problems.map(({ path }) => path).sort());

describe("a touch on a care round", () => {
  const touch = { key: "round-1-abc", kind: "done", tag: "K04", tasks: ["shaft"], madeAt: "2026-03-20T10:00:00Z" };
  const sent = (more: object) => checked(sentRoundTouch, { ...touch, ...more });
  it("is taken as it is", () => {
    expect(checked(sentRoundTouch, touch)).toMatchObject({ ok: true, value: touch });
    expect(sent({ kind: "wrong", tasks: [], note: "cap loose", photo: "aGVsbG8=" }).ok).toBe(true);
    expect(sent({ minutes: 0 }).ok).toBe(true);
  });
  it("names everything that is wrong with it at once", () => {
    expect(
      paths(
        checked(sentRoundTouch, {
          key: "short",
          kind: "explode",
          tag: "",
          tasks: [1, "x".repeat(65)],
          note: 7,
          photo: "not base64!",
          minutes: 21,
          madeAt: "yesterday",
          who: "someone else",
        }),
      ),
    ).toEqual(["key", "kind", "madeAt", "minutes", "note", "photo", "tag", "tasks.0", "tasks.1", "who"]);
  });
  it.each([null, [], "done", 7, undefined])("is not %j", (value) =>
    expect(checked(sentRoundTouch, value).ok).toBe(false),
  );
  it("may not carry a photo over five mebibytes", () => {
    expect(paths(sent({ photo: "A".repeat(7_100_004) }))).toEqual(["photo"]);
    expect(sent({ photo: "A".repeat(6_990_508) }).ok).toBe(true);
  });
  it("never says in whose name: that is the session's to know", () => {
    for (const field of ["personId", "hallId", "doneBy"]) expect(paths(sent({ [field]: "x" }))).toEqual([field]);
  });
});

describe("a touch on a run sheet", () => {
  const touch = { key: "run-1-abcdef", kind: "skip", set: "s1", madeAt: "2026-03-20T10:00:00Z" };
  const sent = (more: object) => checked(sentTouch, { ...touch, ...more });
  it("says what its kind wants and nothing else", () => {
    expect(sent({}).ok).toBe(true);
    expect(sent({ kind: "done", perSide: ["r25"] }).ok).toBe(true);
    expect(sent({ kind: "load", targetKg: 102.5 }).ok).toBe(true);
    expect(paths(sent({ kind: "done" }))).toEqual(["perSide"]);
    expect(paths(sent({ kind: "load" }))).toEqual(["targetKg"]);
    expect(paths(sent({ perSide: ["r25"] }))).toEqual(["perSide"]);
    expect(paths(sent({ kind: "done", perSide: [], targetKg: 100 }))).toEqual(["targetKg"]);
  });
  it.each([0, -5, 2001, NaN, Infinity, "100", null])("loads no bar with %j kg", (targetKg) =>
    expect(sent({ kind: "load", targetKg }).ok).toBe(false),
  );
  it("holds no more plates a side than a sleeve could", () => {
    expect(paths(sent({ kind: "done", perSide: Array.from({ length: 41 }, () => "r1") }))).toEqual(["perSide"]);
  });
});

describe("readings of the air from a file", () => {
  it("are found by the names of their columns, in any order and case; what is left out is empty", () => {
    const read = readClimateFile("Humidity,AT,temperature\n88,2026-03-01T10:00Z,9.4\n");
    expect(read).toEqual({
      ok: true,
      rows: [{ at: "2026-03-01T10:00Z", temperature: "9.4", humidity: "88", so2: "", chloride: "" }],
    });
  });
  it("name every column that is missing or not known", () => {
    const read = readClimateFile("at,temp,humidity\n1,2,3\n");
    expect(!read.ok && read.problems).toEqual([
      { path: "temperature", message: "the column “temperature” is missing" },
      { path: "temp", message: "the column “temp” is not known" },
    ]);
  });
  it("of whatever text are rows or problems, never an exception", () =>
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) => {
        const read = readClimateFile(text);
        expect(read.ok ? Array.isArray(read.rows) : read.problems.length > 0).toBe(true);
      }),
    ));
});

describe("a hall's file", () => {
  const file = (more: object) => ({ format: "garrison", version: 1, hall: "x", bars: [], ...more });
  it("of another program or version is refused, and says why", () => {
    expect(paths(checked(hallFile, file({ format: "other" })))).toEqual(["format"]);
    expect(paths(checked(hallFile, file({ version: 2 })))).toEqual(["version"]);
    expect(paths(checked(hallFile, { ...file({}), bars: undefined }))).toEqual(["bars"]);
    expect(readHallFile(file({})).ok).toBe(true);
  });
  it("names what is wrong in each part at its place", () => {
    const result = readHallFile(
      file({
        plates: [{ texts: { key: "r25", wings: "two" } }],
        lifters: [{ texts: { key: "ann" }, confirmed: "all" }],
        meetings: [{ rules: "x", source: "y", lifts: ["a"], marks: "none", texts: { "least.age": "18" } }],
        care: [{ tag: "K04", task: "shaft", doneOn: "2026-03-01", by: null, minutes: -1 }],
        charts: [{ tag: "K04", texts: { wings: "2" }, calibratedOn: null }],
        inspections: [
          { tag: "K04", on: "2026-03-01", by: null, facts: { rust: "purple" }, decided: "keep", reason: null },
        ],
        settings: [
          {
            lifter: "ann",
            tag: "K04",
            lift: "bench",
            setting: { pin: 3 },
            station: null,
            jCupHole: 0,
            safetyHole: null,
            note: null,
          },
        ],
        rules: [{ key: "dancing", value: {} }],
        air: [
          {
            key: "hall",
            name: "Hall",
            kind: "magic",
            seed: null,
            so2: -1,
            chloride: 5,
            lagHours: 1,
            readings: [{ at: "x", temperatureC: 99, humidityPct: 101 }],
            deposition: [],
          },
        ],
        secrets: true,
      }),
    );
    const found = result.ok ? [] : result.problems.map(({ path }) => path);
    for (const path of [
      "plates.0.texts.wings",
      "lifters.0.confirmed",
      "meetings.0.marks",
      "meetings.0.texts.least.age",
      "care.0.minutes",
      "care.0.note",
      "charts.0.texts.wings",
      "inspections.0.facts.rust",
      "inspections.0.facts.parts",
      "settings.0.setting.pin",
      "settings.0.jCupHole",
      "rules.0.key",
      "air.0.kind",
      "air.0.so2",
      "air.0.readings.0.at",
      "air.0.readings.0.temperatureC",
      "air.0.readings.0.humidityPct",
      "secrets",
    ])
      expect(found).toContain(path);
  });
  it("of whatever JSON is read or refused, never an exception", () =>
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const read = readHallFile(value);
        expect(read.ok || read.problems.length > 0).toBe(true);
      }),
    ));
});
