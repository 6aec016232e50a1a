import { describe, expect, it } from "vitest";
import { FAMILIES, FAMILY_KEYS } from "../bars/families";
import { keyQuantities } from "../bars/keyQuantities";
import { measurableKinds } from "../bars/quantities";
import { MENS_BAR, testBar } from "../bars/testBar.fixture";
import { drawBar } from "./drawBar";
import { touchParts } from "./touchParts";

describe.each(FAMILY_KEYS)("%s", (family) => {
  const bar = testBar(MENS_BAR, { family });
  const measurable = measurableKinds(FAMILIES[family].form, false);
  it("is chosen by three numbers of its own that can be measured on it", () => {
    const three = keyQuantities(family);
    expect(new Set(three).size).toBe(3);
    for (const kind of three) expect(measurable).toContain(kind);
    expect(three).toContain("mass");
  });
  it("has parts to touch on both sides alike, inside its drawing, each a measurement of its own", () => {
    const drawing = drawBar(bar);
    const parts = touchParts(bar, drawing);
    expect(parts.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["sleeveDiameter", "collarThickness"]));
    for (const { kind, left, right, top, bottom, label } of parts) {
      expect(measurable).toContain(kind);
      expect(label).not.toBe("");
      expect(right - left).toBeGreaterThan(20);
      expect(top).toBeGreaterThan(bottom);
      expect(left).toBeGreaterThanOrEqual(-drawing.extent.right - 0.01);
      expect(right).toBeLessThanOrEqual(drawing.extent.right + 0.01);
      // The other side of the bar has the same.
      expect(parts.some((other) => other.kind === kind && Math.abs(other.left + right) < 0.01)).toBe(true);
    }
  });
  it("whose sleeves do not turn has no spin to touch", () => {
    const fixed = testBar(MENS_BAR, { family, sleeveRotation: "fixed" });
    expect(touchParts(fixed, drawBar(fixed)).map(({ kind }) => kind)).not.toContain("spinDown");
  });
});
