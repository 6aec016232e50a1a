import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { seatToSeatOf } from "../bars/lengths";
import { fixed, listed, trimmed } from "../units/format";
import { drawBar, viewsOf, WALL_THICKNESS_FACTOR } from "./drawBar";
import { type Drawing, type Shape, type View } from "./shapes";
import type { DrawnLine, DrawnText, SvgSheet } from "./svgText";

export interface Dimension {
  fromMm: number;
  toMm: number;
  text: string;
  isStated: boolean;
}

const STEP_MM = 78;
const VIEW_GAP_MM = 190;
const HALF_WIDTH_MM = 1200;

export const VIEW_WORDS: Record<View, string> = {
  front: "from the front",
  plan: "from above",
  side: "from the side, facing right",
};

/**
 * The lengths that stand on dimension lines under a bar.
 *
 * @returns lines in mm from the middle of the bar, y up
 */
export function dimensionsOf(bar: Bar, rightMm: number): Dimension[] {
  const across = (name: string, value: number | null, isStated: boolean): Dimension[] =>
    value === null ? [] : [{ fromMm: -value / 2, toMm: value / 2, text: `${name} ${trimmed(value, 1)} mm`, isStated }];
  const seats = seatToSeatOf(bar);
  const overall = bar.quantities.overallLength ?? null;
  return [
    ...across("between collars", valueOf(bar, "shaftLength"), bar.quantities.shaftLength?.source !== "measured"),
    ...across("seat to seat", seats?.value ?? null, seats?.source !== "measured"),
    ...(overall
      ? across("overall", overall.value, overall.source !== "measured")
      : across("overall, drawn", 2 * rightMm, true)),
  ];
}

/**
 * What a side view shows, in words: where the plates sit against the place that lies on the lifter.
 *
 * @returns words without a full stop; empty when the side shows nothing
 */
export function sideWords(bar: Bar): string {
  const { form } = FAMILIES[bar.family];
  const drop = valueOf(bar, "camberDrop");
  const forward = valueOf(bar, "camberForward");
  const offset = valueOf(bar, "handleOffset");
  if ((form === "yoke" || form === "cambered") && drop !== null) {
    const where = form === "cambered" && bar.family === "cambered" ? "the shaft on the back" : "the pad";
    const before =
      forward === null || forward === 0
        ? ""
        : ` and ${trimmed(Math.abs(forward), 0)} mm ${forward > 0 ? "before" : "behind"}`;
    return `the plates sit ${trimmed(Math.abs(drop), 0)} mm ${drop >= 0 ? "below" : "above"}${before} ${where}`;
  }
  if (form === "bowed" && drop !== null) return `the middle stands ${trimmed(drop, 0)} mm above the sleeves`;
  if ((form === "frame" || form === "multi-grip") && offset !== null)
    return offset === 0
      ? "the hands hold at the height of the sleeves"
      : `the hands hold ${trimmed(Math.abs(offset), 0)} mm ${offset > 0 ? "above" : "below"} the sleeves; turned over, as much ${offset > 0 ? "below" : "above"}`;
  return "";
}

/**
 * What the drawing says about itself: the exaggeration, the views, and what was drawn at a usual size.
 *
 * @returns sentences
 */
export function drawingNote(bar: Bar, thicknessFactor = WALL_THICKNESS_FACTOR): string {
  const drawing = drawBar(bar, thicknessFactor);
  const views = viewsOf(bar);
  const side = views.includes("side") ? " The side view is to scale." : "";
  const assumed = drawing.assumed.length > 0 ? ` Unknown and drawn at a usual size: ${listed(drawing.assumed)}.` : "";
  return `Seen ${listed(views.map((view) => VIEW_WORDS[view]))}. Lengths to scale, thickness ×${fixed(thicknessFactor, 0)}.${side}${assumed}`;
}

/**
 * The shapes of one view moved by some way.
 *
 * @returns new shapes in mm; those given are not changed
 */
export function movedShapes(shapes: readonly Shape[], dx: number, dy: number): Shape[] {
  return shapes.map((shape) =>
    shape.kind === "box"
      ? { ...shape, x: shape.x + dx, y: shape.y + dy }
      : { ...shape, points: shape.points.map(([x, y]) => [x + dx, y + dy] as const) },
  );
}

/**
 * One bar as a sheet for a file or a print: every view, dimension lines, and what it is.
 *
 * @returns a sheet in mm, y up
 */
export function dimensionedSheet(bar: Bar): SvgSheet {
  const views = viewsOf(bar);
  const shapes: Shape[] = [];
  const lines: DrawnLine[] = [];
  const texts: DrawnText[] = [];
  let y = 0;
  let main: Drawing | null = null;
  for (const view of views) {
    const drawing = drawBar(bar, WALL_THICKNESS_FACTOR, view);
    const dy = main ? y - drawing.extent.top - VIEW_GAP_MM : 0;
    // Beside one another would be nearer, but one under another keeps the centre line.
    shapes.push(...movedShapes(drawing.shapes, 0, dy));
    if (main)
      texts.push({ x: -HALF_WIDTH_MM + 40, y: dy + drawing.extent.top + 40, text: VIEW_WORDS[view], sizeMm: 34 });
    y = dy + drawing.extent.bottom;
    if (!main) {
      main = drawing;
      for (const [i, dimension] of dimensionsOf(bar, drawing.extent.right).entries())
        pushDimension(dimension, y - 70 - i * STEP_MM, y, lines, texts);
      y -= 70 + 3 * STEP_MM;
    }
  }
  const top = main!.extent.top + 160;
  const bottom = y - 110;
  lines.unshift({
    points: [
      [0, top - 110],
      [0, bottom + 80],
    ],
    widthMm: 2,
    dash: "24 10 6 10",
  });
  texts.push(
    { x: -HALF_WIDTH_MM + 40, y: top - 70, text: `${bar.tag} ${bar.name}`, sizeMm: 56, isBold: true },
    { x: HALF_WIDTH_MM - 40, y: top - 70, text: FAMILIES[bar.family].name, sizeMm: 40, anchor: "end" },
    { x: -HALF_WIDTH_MM + 40, y: bottom + 30, text: drawingNote(bar), sizeMm: 28 },
  );
  return {
    extent: { left: -HALF_WIDTH_MM, right: HALF_WIDTH_MM, top, bottom },
    shapes,
    lines,
    texts,
    title: `${bar.tag} ${bar.name}`,
  };
}

function pushDimension(
  { fromMm, toMm, text, isStated }: Dimension,
  y: number,
  fromY: number,
  lines: DrawnLine[],
  texts: DrawnText[],
): void {
  const gap = text.length * 11 + 20;
  for (const x of [fromMm, toMm])
    lines.push({
      points: [
        [x, fromY - 10],
        [x, y - 14],
      ],
      widthMm: 2,
      dash: "2 7",
    });
  lines.push(
    {
      points: [
        [fromMm, y],
        [-gap, y],
      ],
      widthMm: 2.5,
    },
    {
      points: [
        [gap, y],
        [toMm, y],
      ],
      widthMm: 2.5,
    },
  );
  for (const [x, inward] of [
    [fromMm, 18],
    [toMm, -18],
  ] as const)
    lines.push({
      points: [
        [x + inward, y + 9],
        [x, y],
        [x + inward, y - 9],
      ],
      widthMm: 2.5,
    });
  texts.push({ x: 0, y: y - 13, text, sizeMm: 40, anchor: "middle", isSlanted: isStated });
}
