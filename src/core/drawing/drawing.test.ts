import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Bar } from "../bars/bar";
import { FAMILY_KEYS, type FamilyKey } from "../bars/families";
import { stated, testBar } from "../bars/testBar.fixture";
import { bentBar } from "../whip/generalSolver";
import { drawBar } from "./drawBar";
import { bentAxis } from "./drawBentBar";
import { drawPlates } from "./drawPlates";
import { mirrored, type Box, type Shape } from "./shapes";

const bar = (family: FamilyKey, quantities: Bar["quantities"] = {}, more: Partial<Bar> = {}): Bar =>
  testBar(quantities, { family, ...more });
const olympic = {
  shaftDiameter: stated(28),
  shaftLength: stated(1310),
  collarThickness: stated(30),
  sleeveLength: stated(415),
  sleeveDiameter: stated(50),
};
const boxes = (shapes: readonly Shape[], role: string) =>
  shapes.filter((s) => s.kind === "box" && s.role === role) as Box[];

describe("a straight bar", () => {
  const { shapes, extent, view, assumed } = drawBar(bar("power", olympic), 2);
  it("is as long as the IWF men's bar, 2200 mm, to scale on its centre line", () => {
    expect(extent.right - extent.left).toBe(2200);
    expect(extent.left).toBe(-extent.right);
    expect([view, assumed]).toEqual(["front", []]);
  });
  it("has its collars at 655 mm and its seats 1370 mm apart", () => {
    expect(boxes(shapes, "collar").map(({ x, width }) => [x, width])).toEqual([
      [655, 30],
      [-685, 30],
    ]);
  });
  it("exaggerates thickness only, by the stated factor", () => {
    expect(boxes(shapes, "shaft")[0]).toMatchObject({ height: 56, width: 1310 });
    expect(boxes(drawBar(bar("power", olympic), 1).shapes, "sleeve")[0]!.height).toBe(50);
  });
  it("has ring marks 810 and 910 mm apart when dual, and its knurl stops short of the collar", () => {
    const marks = boxes(shapes, "ring-mark").map(({ x, width }) => x + width / 2);
    expect(marks.sort((a, b) => a - b)).toEqual([-455, -405, 405, 455]);
    expect(Math.max(...boxes(shapes, "knurl-medium").map(({ x, width }) => x + width))).toBe(635);
  });
  it("has no centre knurl when it has none", () => {
    const smooth = drawBar(bar("deadlift", olympic, { centreKnurl: "none" }));
    expect(boxes(smooth.shapes, "knurl-medium").every(({ x, width }) => x * (x + width) > 0)).toBe(true);
  });
});

describe("specialty bars", () => {
  it("raise a cambered bar's middle by its camber, from its own measurement", () => {
    const { extent } = drawBar(bar("cambered", { ...olympic, camberDrop: stated(310), yokeWidth: stated(640) }), 1);
    expect(extent.top).toBe(310 + 14);
  });
  it("give a yoke two shoulder pads, a neck pad and two handles", () => {
    const { shapes } = drawBar(bar("yoke", olympic));
    expect(boxes(shapes, "pad")).toHaveLength(3);
    expect(shapes.filter(({ role }) => role === "handle")).toHaveLength(2);
  });
  it("show frames from above, open ones without a front", () => {
    const open = drawBar(bar("open-frame", { ...olympic, frameDepth: stated(600), frameWidth: stated(640) }));
    expect(open.view).toBe("plan");
    const tubes = open.shapes
      .filter((s) => s.kind === "tube" && s.role === "tube")
      .flatMap((s) => (s.kind === "tube" ? s.points : []));
    expect(Math.max(...tubes.map(([, y]) => y))).toBe(0);
    expect(Math.min(...tubes.map(([, y]) => y))).toBeLessThan(-400);
  });
  it("names what was drawn at a usual size", () => expect(drawBar(bar("yoke")).assumed).toContain("camber drop"));
});

it("draws every family in finite numbers, symmetric about the centre line", () =>
  fc.assert(
    fc.property(fc.constantFrom(...FAMILY_KEYS), fc.double({ min: 1, max: 4, noNaN: true }), (family, factor) => {
      const { shapes, extent } = drawBar(bar(family, olympic), factor);
      expect(Object.values(extent).every(Number.isFinite)).toBe(true);
      expect(extent.left).toBeCloseTo(-extent.right, 9);
      const round = (n: number) => Math.round(n * 1e6) / 1e6 || 0;
      const key = (s: Shape) =>
        s.kind === "box"
          ? [s.role, round(s.x), round(s.width)].join()
          : [s.role, ...[...new Set(s.points.map(([x, y]) => [round(x), round(y)].join()))].sort()].join();
      expect(shapes.map((s) => key(mirrored(s))).sort()).toEqual(shapes.map(key).sort());
    }),
  ));

it("stacks plates outwards from the seat without a gap", () => {
  const plates = drawPlates(685, [
    { thicknessMm: 27, diameterMm: 450, label: "25" },
    { thicknessMm: 20, diameterMm: 200, label: "5" },
  ]);
  expect(plates).toMatchObject([
    { x: 685, width: 27, y: -225 },
    { x: 712, width: 20, y: -100 },
  ]);
});

it("bends the axis by the stated exaggeration, ends down, middle up", () => {
  const bent = bentBar(
    { shaftDiameterMm: 28, shaftLengthMm: 1310, seatToSeatMm: 1370, elasticModulusGPa: 207, yieldMPa: null },
    220,
    [{ massKg: 100, thicknessMm: 100 }],
  )!;
  const [once, five] = [bentAxis(bent, 1100, 1), bentAxis(bent, 1100, 5)];
  expect(once[0]![1]).toBeLessThan(0);
  expect(once[48]![1]).toBeCloseTo(bent.centreRiseMm, 9);
  expect(five[0]![1]).toBeCloseTo(5 * once[0]![1], 9);
});
