import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../units/hallDay";
import { feelOf, feelWords, NOTE_STAGES, noteProblems, type NoteSaid, stageDue } from "./barNote";

const FIRST = "2026-01-10";
const NOTHING: NoteSaid = {
  stage: "first-day",
  ...{ comfort: null, balance: null, knurl: null, noise: null },
  ...{ wouldUseAgain: null, wouldBuyAgain: null, words: null },
};

describe("when somebody is asked about a bar", () => {
  it.each([
    [0, [], "first-day"],
    [20, [], "first-day"],
    [20, ["first-day"], null],
    [21, ["first-day"], "three-weeks"],
    [90, ["three-weeks"], null],
    [91, ["first-day", "three-weeks"], "three-months"],
    // Three months on nobody is asked about the first day any more.
    [91, [], "three-months"],
    [400, ["three-months"], null],
  ] as const)("%d days on, with %j noted: %s", (days, noted, due) =>
    expect(stageDue(FIRST, addDays(FIRST, days), noted)).toBe(due),
  );
  it("is never asked before the first use, nor for what is noted", () =>
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 600 }), fc.subarray([...NOTE_STAGES]), (days, noted) => {
        const due = stageDue(FIRST, addDays(FIRST, days), noted);
        if (days < 0) expect(due).toBeNull();
        if (due) expect(noted).not.toContain(due);
      }),
    ));
});

describe("what people say of a bar", () => {
  it("counts of everybody their latest stage, and how many said so", () => {
    const feel = feelOf([
      { ...NOTHING, by: "a", stage: "three-months", comfort: 5, wouldUseAgain: true },
      { ...NOTHING, by: "a", stage: "first-day", comfort: 1, wouldUseAgain: false, words: "odd" },
      { ...NOTHING, by: "b", comfort: 2, wouldUseAgain: false, wouldBuyAgain: true },
      { ...NOTHING, by: "c", comfort: 4, words: "rattles" },
    ])!;
    expect(feel).toMatchObject({
      people: 3,
      aspects: [{ key: "comfort", median: 4, of: 3 }],
      useAgain: { yes: 1, of: 2 },
      buyAgain: { yes: 1, of: 1 },
      words: ["rattles"],
    });
    expect(feelWords(feel)).toBe("3 people: comfort 4 of 5; 1 of 2 would use it again; 1 of 1 would buy it again");
  });
  it("is nothing where nobody said anything", () => expect(feelOf([])).toBeNull());
  it("refuses what is no score, what is too long and what says nothing, all at once", () => {
    expect(noteProblems(NOTHING).map(({ path }) => path)).toEqual(["words"]);
    expect(
      noteProblems({ ...NOTHING, comfort: 6, balance: 2.5, words: "x".repeat(501) }).map(({ path }) => path),
    ).toEqual(["comfort", "balance", "words"]);
    expect(noteProblems({ ...NOTHING, noise: 3 })).toEqual([]);
  });
});
