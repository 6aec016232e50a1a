import { describe, expect, it } from "vitest";
import { FAMILY_KEYS } from "../bars/families";
import { sampleBar } from "../glossary/sampleBar";
import { stepFigure } from "./stepPicture";
import { besideSetting, MAX_LINE, USE_CARDS, USE_PARTS, usageCardOf } from "./useCards";

/** Syllables of an English word, by groups of vowels: the usual rough count for readability formulas. */
function syllables(word: string): number {
  const letters = word.toLowerCase().replace(/[^a-z]/g, "");
  const groups = letters.replace(/e$/, "").match(/[aeiouy]+/g)?.length ?? 0;
  return Math.max(1, groups);
}

/** Flesch–Kincaid grade (Kincaid, Fishburne, Rogers and Chissom 1975): 0.39 words a sentence + 11.8 syllables a word − 15.59. */
function gradeOf(text: string): number {
  const sentences = text.split(/[.!?:]+(?:\s|$)/).filter((one) => one.trim() !== "");
  const words = text.split(/\s+/).filter((word) => /[a-z]/i.test(word));
  const all = words.reduce((sum, word) => sum + syllables(word), 0);
  return 0.39 * (words.length / sentences.length) + 11.8 * (all / words.length) - 15.59;
}

describe("how to use it", () => {
  it.each(FAMILY_KEYS)("%s: at most eight short lines that a child of twelve can read", (family) => {
    const lines = usageCardOf(family);
    expect(lines.length).toBeGreaterThanOrEqual(5);
    expect(lines.length).toBeLessThanOrEqual(8);
    for (const [, text] of lines) expect(text.length).toBeLessThanOrEqual(MAX_LINE);
    // Grade six is read at eleven to twelve.
    expect(gradeOf(lines.map(([, text]) => text).join(" "))).toBeLessThanOrEqual(6);
  });
  it("reads the grade of known sentences", () => {
    expect(gradeOf("The cat sat on the mat.")).toBeCloseTo(0.39 * 6 + 11.8 - 15.59, 9);
  });
  it("keeps a gym's own lines over ours, and leaves out what it emptied", () => {
    const own = usageCardOf("yoke", { hands: "Ask Joss.", surprises: "" });
    expect(own.find(([part]) => part === "hands")).toEqual(["hands", "Ask Joss."]);
    expect(own.map(([part]) => part)).toEqual(USE_PARTS.filter((part) => part !== "surprises" && USE_CARDS.yoke[part]));
  });
  it("shows bars that are carried on the back on the model's figure, at standing and at depth", () => {
    const standing = stepFigure(sampleBar("yoke"), "in")!;
    const down = stepFigure(sampleBar("yoke"), "through")!;
    expect(standing.figure.hip[1]).toBeGreaterThan(down.figure.hip[1] + 150);
    expect(stepFigure(sampleBar("cambered"), "through")!.isHanging).toBe(true);
    expect(stepFigure(sampleBar("closed-frame"), "in")).toBeNull();
    expect(stepFigure(sampleBar("yoke"), "notWhen")).toBeNull();
  });
});

it("beside a setup card stands nothing that the card says by its setting: hands and letting go differ from one to another", () => {
  const parts = besideSetting(usageCardOf("adjustable-yoke", {})).map(([part]) => part);
  expect(parts).toContain("surprises");
  for (const part of ["in", "hands", "stays", "out"]) expect(parts).not.toContain(part);
});
