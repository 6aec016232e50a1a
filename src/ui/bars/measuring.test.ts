import { describe, expect, it, test } from "vitest";
import { measured, MENS_BAR, stated, testBar } from "@/core/bars/testBar.fixture";
import { STARTING_TOLERANCES } from "@/core/bars/tolerances";
import { historyWords } from "./historyWords";
import { readText } from "./importState";
import { enteredReadings, findings, sessionKinds, stepFrom, withReadings } from "./measuring";

const session = [
  { bar: testBar(MENS_BAR, { tag: "A" }), place: null },
  { bar: testBar({}, { tag: "Y", family: "yoke", sleeveRotation: "fixed" }), place: null },
];

describe("a measuring session", () => {
  it("starts with what changes the sums and asks only what the bar has", () => {
    expect(sessionKinds(session[0]!.bar).slice(0, 3)).toEqual(["mass", "shaftDiameter", "seatToSeat"]);
    expect(sessionKinds(session[0]!.bar)).not.toContain("camberDrop");
    expect(sessionKinds(session[1]!.bar)).toContain("camberDrop");
    expect(sessionKinds(session[1]!.bar)).not.toContain("spinDown");
  });
  it("walks dimension by dimension and bar by bar, forth and back, and ends", () => {
    const last = sessionKinds(session[0]!.bar).at(-1)!;
    expect(stepFrom(session, { tag: "A", kind: "mass" }, 1)).toEqual({ tag: "A", kind: "shaftDiameter" });
    expect(stepFrom(session, { tag: "A", kind: last }, 1)).toEqual({ tag: "Y", kind: "mass" });
    expect(stepFrom(session, { tag: "Y", kind: "mass" }, -1)).toEqual({ tag: "A", kind: last });
    expect(stepFrom(session, { tag: "A", kind: "mass" }, -1)).toBeNull();
    expect(stepFrom(session, { tag: "Y", kind: sessionKinds(session[1]!.bar).at(-1)! }, 1)).toBeNull();
  });
  it("shows mean and spread of the boxes, empty ones skipped", () =>
    expect(enteredReadings("mass", ["20.1", "", "20.3"])).toMatchObject({
      ok: true,
      values: [20.1, 20.3],
      spread: 20.3 - 20.1,
    }));
  test.each([
    [["about 20"], /“about” is not a number/],
    [["", ""], /No reading yet/],
    [["20 kg", "45 lb"], /one unit/],
    [["900"], /cannot be the mass of a bar/],
  ])("%j is told of while it is typed", (boxes, message) =>
    expect(enteredReadings("mass", boxes)).toMatchObject({ ok: false, message: expect.stringMatching(message) }),
  );
  it("flags a gap with what it changes, and names the likely culprit of a sum that does not close", () => {
    const heavy = withReadings(session[0]!.bar, "mass", [20.4, 20.4]);
    expect(findings(heavy, "mass", STARTING_TOLERANCES)).toEqual([
      expect.stringMatching(/^Mass is \+0\.4 kg from the stated 20 kg \(tolerance 0\.2 kg\)\. 0\.4 kg heavier/),
    ]);
    const long = withReadings(session[0]!.bar, "shaftLength", [1380]);
    expect(findings(long, "shaftLength", STARTING_TOLERANCES).join()).toMatch(/most likely the shaft length is wrong/);
    const taped = testBar({ ...MENS_BAR, seatToSeat: measured(1375) });
    expect(findings(taped, "seatToSeat", STARTING_TOLERANCES)[0]).toMatch(/differ by \+5 mm; the tape counts/);
    expect(findings(testBar({ ...MENS_BAR, mass: stated(20) }), "mass", STARTING_TOLERANCES)).toEqual([]);
  });
});

describe("history in words", () => {
  test.each([
    [{ state: "in-service" }, { state: "watch", stateReason: "clicks" }, ["in service → watch (clicks)"]],
    [{ value: 20, source: "stated" }, { value: 20.41, source: "measured" }, ["20 → 20.41"]],
    [null, { value: 1370, source: "measured" }, ["1370"]],
    [
      { finish: "bare", price: "" },
      { finish: "ceramic", price: "5.00" },
      ["shaft finish: “bare” → “ceramic”", "price: not known → “5.00”"],
    ],
    [null, { tag: "K1", name: "x" }, []],
    [null, null, []],
  ])("%j → %j", (before, after, words) => expect(historyWords(before, after)).toEqual(words));
});

describe("a dropped file", () => {
  it("is a table, bars as exported, or told why it is neither", () => {
    expect(readText("a.csv", "tag,name\nK1,x\n")).toMatchObject({
      kind: "table",
      mapping: [{ column: "tag" }, { column: "name" }],
    });
    expect(readText("a.json", '{"format":"garrison","bars":[{"texts":{"tag":"K1"},"measurements":[]}]}')).toMatchObject(
      {
        kind: "hall",
        rows: [{ line: 1, texts: { tag: "K1" } }],
      },
    );
    expect(readText("a.json", "{")).toMatchObject({ kind: "unread" });
    expect(readText("a.json", "[1]")).toMatchObject({ kind: "unread" });
    expect(readText("a.csv", "tag,name\n")).toMatchObject({
      kind: "unread",
      problems: [{ message: expect.stringMatching(/no rows/) }],
    });
  });
});
