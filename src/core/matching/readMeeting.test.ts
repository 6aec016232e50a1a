import { describe, expect, it } from "vitest";
import { readMeeting, type MeetingTexts } from "./readMeeting";

const said = (part: Partial<MeetingTexts> = {}): MeetingTexts => ({
  ...{ rules: "Lake League", source: "sheet 2", lifts: ["bench"], marks: "", texts: { "most.shaftDiameter": "29" } },
  ...part,
});
const paths = (part: Partial<MeetingTexts>, known?: string[]) =>
  readMeeting(said(part), known).problems.map(({ path }) => path);

describe("what a federation asks, as somebody types it", () => {
  it("is read in any unit, with a comma too, and kept in kg and mm", () => {
    const texts = {
      "least.mass": "44 lb",
      "most.mass": "20,1",
      "least.shaftLength": "51 1/2 in",
      "most.overallLength": "2.2 m",
    };
    const { value, problems } = readMeeting(said({ texts, marks: "powerlifting" }));
    expect(problems).toEqual([]);
    expect(value.marks).toBe("powerlifting");
    expect(value.ranges.mass!.least).toBeCloseTo(19.958, 3);
    expect(value.ranges.mass!.most).toBe(20.1);
    expect(value.ranges.shaftLength).toEqual({ least: 1308.1 });
    expect(value.ranges.overallLength).toEqual({ most: 2200 });
  });
  it("is refused with every problem at its field", () => {
    const texts = {
      "least.mass": "heavy",
      "least.shaftDiameter": "30",
      "most.shaftDiameter": "29",
      "most.sleeveLength": "-3",
    };
    expect(paths({ rules: " ", source: "", lifts: [], texts })).toEqual([
      ...["rules", "source", "lifts", "least.mass", "least.shaftDiameter", "most.sleeveLength"],
    ]);
  });
  it("needs a name of its own, lifts that there are, and something that is asked", () => {
    expect(paths({ rules: "IPF" })).toEqual(["rules"]);
    expect(paths({ lifts: ["bench", "swim"] }, ["bench"])).toEqual(["lifts"]);
    expect(paths({ texts: {} })).toEqual(["least.mass"]);
    expect(paths({ texts: {}, marks: "weightlifting" })).toEqual([]);
  });
});
