import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { conformity, type RuleBook } from "../bars/conformity";
import { measured, testBar } from "../bars/testBar.fixture";
import { fieldText, readField } from "../bars/fieldText";
import { LIFTER_FIELDS, readMeetings, spokenMeetings, readUsualLoads } from "./lifterFields";
import { BOOK_SPECS, meetsSpec, rangeWords } from "./meetingSpec";

const near = (value: number, spread: number) => fc.integer({ min: -20, max: 20 }).map((n) => value + (n / 10) * spread);
const anyBar = fc
  .record({
    mass: fc.oneof(near(20, 0.05), near(15, 0.05)),
    overallLength: fc.oneof(near(2200, 2), near(2010, 2)),
    shaftLength: near(1312, 4),
    shaftDiameter: fc.oneof(near(28.5, 0.5), near(25, 0.1)),
    sleeveLength: fc.oneof(near(415, 2), near(320, 2)),
    sleeveDiameter: near(50.5, 1),
    ringMarks: fc.constantFrom("none", "powerlifting", "weightlifting", "dual", null),
  })
  .map(({ ringMarks, ...values }) =>
    testBar(Object.fromEntries(Object.entries(values).map(([kind, value]) => [kind, measured(value)])), {
      ringMarks: ringMarks as "dual",
    }),
  );

describe("a competition’s bar", () => {
  it.each<RuleBook>(["iwf-men", "iwf-women", "ipf"])(
    "%s: says the same as the conformity sheet, line by line, for every measured bar",
    (book) =>
      fc.assert(
        fc.property(anyBar, (bar) => {
          const sheet = conformity(bar, book);
          const answer = meetsSpec(bar, BOOK_SPECS[book]);
          expect(answer.off.length > 0).toBe(sheet.lines.some(({ result }) => result === "fails"));
          expect(answer.missing.length > 0).toBe(sheet.lines.some(({ result }) => result === "unknown"));
        }),
        { numRuns: 300 },
      ),
  );
  it("on the limit is inside it, a hair over is not", () => {
    const spec = { name: "x", source: "x", marks: null, ranges: { shaftDiameter: { least: 28, most: 29 } } };
    const of = (mm: number) => meetsSpec(testBar({ shaftDiameter: measured(mm) }), spec).result;
    expect([of(28), of(29), of(27.99), of(29.01)]).toEqual(["meets", "meets", "fails", "fails"]);
  });
  test.each([
    [{ least: 28, most: 29 }, "28 to 29"],
    [{ least: -Infinity, most: 2200 }, "at most 2200"],
    [{ least: 26.5, most: Infinity }, "at least 26.5"],
  ])("%j: %s", (range, words) => expect(rangeWords(range, 2)).toBe(words));
});

describe("what a coach types of a lifter", () => {
  const LIFTS = ["bench", "deadlift"];
  it("usual loads: a lift and a mass a line, in kilograms or pounds", () => {
    expect(readUsualLoads(["deadlift 180 kg", "bench: 135 lb"], LIFTS)).toEqual({
      loads: { deadlift: { value: "180", unit: "kg" }, bench: { value: "135", unit: "lb" } },
      problems: [],
    });
    expect(readUsualLoads(["bench 80"], LIFTS).loads.bench).toEqual({ value: "80", unit: "kg" });
  });
  test.each([
    ["swim 20 kg", "must begin with the short name of a lift"],
    ["bench", "must begin with the short name of a lift"],
    ["bench much", "must end with a load"],
    ["bench 0 kg", "must end with a load"],
    ["bench 5000 kg", "must end with a load"],
    ["bench 80 mm", "must end with a load"],
  ])("refuses “%s”", (line, message) =>
    expect(readUsualLoads([line], LIFTS).problems).toMatchObject([
      { path: "usualLoads", message: expect.stringContaining(message) },
    ]),
  );
  it("refuses a lift that stands there twice, and lists every line that is wrong", () => {
    const { problems } = readUsualLoads(["bench 80 kg", "bench 90 kg", "swim 1 kg"], LIFTS);
    expect(problems).toHaveLength(2);
  });
  it("competitions: a day, the rules, and a name if it has one; the longest name of rules counts", () => {
    expect(
      readMeetings(["2027-02-14 ipf River open", "2027-03-01 River Federation"], ["ipf", "River", "River Federation"]),
    ).toEqual({
      meetings: [
        { on: "2027-02-14", rules: "ipf", name: "River open" },
        { on: "2027-03-01", rules: "River Federation", name: "" },
      ],
      problems: [],
    });
  });
  it("takes a competition's day as people write it, and says it so", () => {
    const written = ["14 Feb 2027 ipf River open", "Sun 14 Feb 2027 ipf", "14.2.2027 ipf 3 May cup"];
    expect(readMeetings(written, ["ipf"])).toEqual({
      meetings: ["River open", "", "3 May cup"].map((name) => ({ on: "2027-02-14", rules: "ipf", name })),
      problems: [],
    });
    const lines = ["2027-02-14 ipf River open", "2027-03-01 ipf"];
    for (const joint of ["\n", " | "]) {
      const spoken = spokenMeetings(lines.join(joint));
      expect(spoken).not.toMatch(/\d{4}-\d\d/);
      expect(readMeetings(spoken.split(joint), ["ipf"])).toEqual(readMeetings(lines, ["ipf"]));
    }
  });
  test.each([
    ["14 Feb ipf", "must begin with a day and its year"],
    ["soon ipf", "must begin with a day"],
    ["2027-02-30 ipf", "must begin with a day"],
    ["2027-02-14 nobody", "must name its rules"],
    ["2027-02-14", "must name its rules"],
  ])("refuses the competition “%s”", (line, message) =>
    expect(readMeetings([line], ["ipf"]).problems).toMatchObject([
      { path: "meetings", message: expect.stringContaining(message) },
    ]),
  );
  it("several of a kind: any of them, in the order of the list, nothing else", () => {
    const def = LIFTER_FIELDS.limits;
    expect(readField(def, "wrist | reach")).toEqual({ ok: true, value: ["reach", "wrist"] });
    expect(readField(def, "")).toEqual({ ok: true, value: null });
    expect(readField(def, "wrist, knee")).toMatchObject({ ok: false, message: expect.stringContaining("“knee”") });
    expect(fieldText(def, ["reach", "wrist"])).toBe("reach | wrist");
  });
});
