import { describe, expect, it } from "vitest";
import { QUANTITY_KINDS } from "../bars/quantities";
import { drawBar } from "../drawing/drawBar";
import { sampleBar } from "./sampleBar";
import { TERM_KEYS, TERM_OF_QUANTITY, TERMS } from "./terms";

describe.each(TERM_KEYS)("the word %s", (key) => {
  const { word, meaning, drawing } = TERMS[key];
  it("says what it means in sentences", () => {
    expect(meaning).toMatch(/^[A-Z].*\.$/);
    expect(meaning.length).toBeLessThan(160);
    expect(word).not.toBe("");
  });
  it("has a drawing in which its part is marked and seen", () => {
    if (typeof drawing === "string") return;
    const { from, to, mark, family } = drawing;
    const { extent, shapes } = drawBar(sampleBar(family));
    expect(shapes.length).toBeGreaterThan(2);
    expect(from).toBeLessThanOrEqual(mark[0]);
    expect(mark[1]).toBeLessThanOrEqual(to);
    expect(mark[1] - mark[0]).toBeGreaterThan((to - from) / 50);
    expect(extent.right).toBeGreaterThan(mark[1] - 1);
  });
});

it("every quantity that is a word of the trade leads to one", () => {
  for (const [kind, term] of Object.entries(TERM_OF_QUANTITY)) {
    expect(QUANTITY_KINDS).toContain(kind);
    expect(TERM_KEYS).toContain(term);
  }
});
