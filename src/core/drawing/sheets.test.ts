import { describe, expect, it, test } from "vitest";
import { FAMILY_KEYS } from "../bars/families";
import { measured, MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { bendUnder } from "../whip/compareWhip";
import { comparisonSheet } from "./comparisonSheet";
import { dimensionedSheet, drawingNote, sideWords } from "./dimensionedSheet";
import { drawBar, viewsOf } from "./drawBar";
import { spreadLabels } from "./spreadLabels";
import { svgText } from "./svgText";

const yoke = testBar(
  { ...MENS_BAR, camberDrop: stated(80), camberForward: stated(90), yokeWidth: stated(420), handleLength: stated(220) },
  { family: "yoke", tag: "Y", name: 'A "<yoke>" & more' },
);

describe("views", () => {
  test.each(FAMILY_KEYS)("%s: every view it has can be drawn, finite and not empty", (family) => {
    for (const view of viewsOf({ family })) {
      const { shapes, extent } = drawBar(testBar(MENS_BAR, { family }), 2, view);
      expect(shapes.length).toBeGreaterThan(1);
      expect(Object.values(extent).every(Number.isFinite)).toBe(true);
      expect(extent.top).toBeGreaterThan(extent.bottom);
    }
  });
  it("has a side view wherever there is camber, yoke or handles, and none of a straight bar", () => {
    const withSide = FAMILY_KEYS.filter((family) => viewsOf({ family }).includes("side"));
    expect(withSide).toEqual([
      "yoke",
      "low-yoke",
      "cambered",
      "cambered-yoke",
      "adjustable-yoke",
      "bowed",
      "open-frame",
      "closed-frame",
      "multi-grip",
    ]);
    expect(() => drawBar(testBar(MENS_BAR), 2, "side")).toThrow(/has no side view/);
  });
  it("shows from the side where the load hangs against the pad, to scale", () => {
    const { shapes, thicknessFactor } = drawBar(yoke, 2, "side");
    expect(thicknessFactor).toBe(1);
    const pad = shapes.find(({ role }) => role === "pad")!;
    // 90 mm behind and 80 mm above the sleeves.
    expect(pad.kind === "box" && [pad.x + pad.width / 2, pad.y + pad.height / 2]).toEqual([-90, 80]);
    expect(sideWords(yoke)).toBe("the plates sit 80 mm below and 90 mm before the pad");
  });
  it("lifts the handles of a frame by their offset", () => {
    const frame = testBar(
      { ...MENS_BAR, handleOffset: measured(100), handleLength: stated(130) },
      { family: "closed-frame" },
    );
    const handle = drawBar(frame, 2, "side").shapes.find(({ role }) => role === "handle")!;
    expect(handle.kind === "tube" && handle.points.map(([, y]) => y)).toEqual([100, 100]);
    expect(sideWords(frame)).toMatch(/100 mm above the sleeves; turned over, as much below/);
  });
});

describe("a sheet as SVG", () => {
  const svg = svgText(dimensionedSheet(yoke), 270);
  it("says its exaggeration and its views, and escapes what people wrote", () => {
    expect(svg).toContain("thickness ×2");
    expect(svg).toContain("The side view is to scale.");
    expect(svg).not.toContain("<yoke>");
    expect(svg).toContain("&#34;&#60;yoke&#62;&#34; &#38; more");
  });
  it("is well-formed: every element is closed, and no number is broken", () => {
    expect(svg.match(/<svg /g)).toHaveLength(1);
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
    const open = [...svg.matchAll(/<(\w+)[^>]*?(\/?)>/g)]
      .filter(([, , closed]) => closed !== "/")
      .map(([, name]) => name);
    const closed = [...svg.matchAll(/<\/(\w+)>/g)].map(([, name]) => name);
    expect(open.toSorted()).toEqual(closed.toSorted());
  });
  it("writes the seats on their line, slanted when only stated", () => {
    expect(svg).toMatch(/font-style="italic"[^>]*>seat to seat 1370 mm/);
    const taped = svgText(dimensionedSheet(testBar({ ...MENS_BAR, seatToSeat: measured(1371) })), 270);
    expect(taped).toMatch(/text-anchor="middle" fill="#1c2a33">seat to seat 1371 mm/);
  });
  it("names what was drawn at a usual size", () =>
    expect(drawingNote(testBar({}, { family: "cambered" }))).toMatch(/drawn at a usual size: .*camber drop/));
});

it("spreads labels that would lie on one another and keeps their order", () => {
  expect(spreadLabels([0, 10, 200], 40)).toEqual([0, 40, 200]);
  expect(spreadLabels([10, 0], 40)).toEqual([40, 0]);
  expect(spreadLabels([], 40)).toEqual([]);
});

it("a comparison's sheet bends each bar in its own ink, with its slack and seats", () => {
  const items = ["A", "B"].map((tag, i) => {
    const bar = testBar({ ...MENS_BAR, shaftDiameter: measured(28 + i) }, { tag });
    return { bar, bent: bendUnder(bar, 270, 220) };
  });
  const inks = [
    { paper: "#0f6b78", dash: "none" },
    { paper: "#a8502a", dash: "14 5" },
  ];
  const sheet = comparisonSheet(items, { handsMm: 440, exaggeration: 5, supportWord: "hands", inks, title: "A, B" });
  const svg = svgText(sheet, 270);
  expect(svg).toContain("A 22.1 mm");
  expect(svg).toContain("B 19.2 mm");
  expect(svg).toContain("bend drawn ×5");
  expect(svg).toContain('stroke-dasharray="42 15"');
  expect(svg).not.toMatch(/NaN|Infinity/);
});
