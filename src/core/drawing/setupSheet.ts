import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { FrameAnswer, FrameChart } from "../setups/frame";
import { trimmed } from "../units/format";
import { drawBar } from "./drawBar";
import { disc, extentOf, mirrored, tube, type Extent, type Point, type Shape } from "./shapes";
import type { DrawnLine, DrawnText, SvgSheet } from "./svgText";

/** Radius of a full plate, in mm, drawn where nobody said which plates are on. */
const FULL_PLATE_MM = 225;
const LETTER_MM = 38;
const mm = (value: number) => `${trimmed(value, 0)} mm`;

/** A circle as a line. */
function ring([x, y]: Point, radius: number, more: Partial<DrawnLine> = {}): DrawnLine {
  const points = Array.from({ length: 61 }, (_, i): Point => {
    const turn = (i / 30) * Math.PI;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  });
  return { points, widthMm: 4, ...more };
}

/** A dimension between two points: a line with ticks across its ends and its text beside it. */
function dimension(from: Point, to: Point, text: string, isUpright: boolean, side: 1 | -1 = 1) {
  const tick = 14;
  const ends = isUpright ? ([-tick, 0, tick, 0] as const) : ([0, -tick, 0, tick] as const);
  const across = ([x, y]: Point): DrawnLine => ({
    points: [
      [x + ends[0], y + ends[1]],
      [x + ends[2], y + ends[3]],
    ],
    widthMm: 3,
  });
  const label: DrawnText = isUpright
    ? {
        x: from[0] + side * 24,
        y: (from[1] + to[1]) / 2 - LETTER_MM / 3,
        text,
        sizeMm: LETTER_MM,
        anchor: side > 0 ? "start" : "end",
      }
    : {
        x: (from[0] + to[0]) / 2,
        y: from[1] + side * 20 - (side < 0 ? LETTER_MM * 0.8 : 0),
        text,
        sizeMm: LETTER_MM,
        anchor: "middle",
      };
  return { lines: [{ points: [from, to], widthMm: 3 } as DrawnLine, across(from), across(to)], texts: [label] };
}

const widthOf = ({ text, sizeMm }: DrawnText) => text.length * sizeMm * 0.55;

/** A sheet around everything drawn on it, lettering included. */
function around(
  title: string,
  parts: { shapes?: readonly Shape[]; lines?: readonly DrawnLine[]; texts?: readonly DrawnText[] },
): SvgSheet {
  const { shapes = [], lines = [], texts = [] } = parts;
  const box: Extent = { left: Infinity, right: -Infinity, bottom: Infinity, top: -Infinity };
  const take = (x: number, y: number) => {
    box.left = Math.min(box.left, x);
    box.right = Math.max(box.right, x);
    box.bottom = Math.min(box.bottom, y);
    box.top = Math.max(box.top, y);
  };
  if (shapes.length > 0) {
    const e = extentOf(shapes);
    take(e.left, e.bottom);
    take(e.right, e.top);
  }
  for (const { points } of lines) for (const [x, y] of points) take(x, y);
  for (const text of texts) {
    const [w, anchor] = [widthOf(text), text.anchor ?? "start"];
    const left = text.x - (anchor === "middle" ? w / 2 : anchor === "end" ? w : 0);
    take(left, text.y - text.sizeMm * 0.3);
    take(left + w, text.y + text.sizeMm);
  }
  const margin = 12;
  return {
    title,
    shapes,
    lines,
    texts,
    extent: { left: box.left - margin, right: box.right + margin, bottom: box.bottom - margin, top: box.top + margin },
  };
}

/**
 * A bar at its setting, from the side with its dimensions: where the load sits from the pad or the back. Bars without
 * anything to show from the side come in their main view.
 *
 * @returns a sheet in mm, y up
 */
export function carriedSheet(bar: Bar, title: string): SvgSheet {
  const { form } = FAMILIES[bar.family];
  if (form !== "yoke" && form !== "cambered") return around(title, { shapes: drawBar(bar).shapes });
  const { shapes } = drawBar(bar, 1, "side");
  const forward = bar.quantities.camberForward?.value ?? 0;
  const drop = bar.quantities.camberDrop?.value ?? 0;
  const lines: DrawnLine[] = [ring([0, 0], FULL_PLATE_MM, { dash: "18 12" })];
  const texts: DrawnText[] = [
    { x: 0, y: FULL_PLATE_MM - 50, text: "plates", sizeMm: LETTER_MM * 0.8, anchor: "middle" },
    {
      x: -forward - 60,
      y: drop + 30,
      text: bar.family === "cambered" ? "back" : "pad",
      sizeMm: LETTER_MM * 0.8,
      anchor: "end",
    },
  ];
  const add = (part: { lines: DrawnLine[]; texts: DrawnText[] }) => {
    lines.push(...part.lines);
    texts.push(...part.texts);
  };
  const low = -FULL_PLATE_MM - 40;
  if (Math.abs(forward) >= 1)
    add(
      dimension([-forward, low], [0, low], `${mm(Math.abs(forward))} ${forward > 0 ? "forward" : "back"}`, false, -1),
    );
  const aside = Math.max(FULL_PLATE_MM, -forward) + 40;
  if (Math.abs(drop) >= 1)
    add(dimension([aside, drop], [aside, 0], `${mm(Math.abs(drop))} ${drop > 0 ? "down" : "up"}`, true));
  return around(title, { shapes, lines, texts });
}

/**
 * A frame at its setting from the side and from the front, on its plates, hands and mass centre marked.
 *
 * @returns a sheet in mm, y up
 */
export function frameSheet(
  chart: FrameChart,
  answer: FrameAnswer,
  { plateDiameterMm, title, barHalfMm = 575 }: { plateDiameterMm: number; title: string; barHalfMm?: number },
): SvgSheet {
  const { setting, hands, centre, gripWidthMm, gripHeightMm, floorClearanceMm } = answer;
  const r = plateDiameterMm / 2;
  const way = setting.direction === "forward" ? 1 : -1;
  const mountX = setting.arms === "up" ? chart.mountAheadUpMm : chart.mountAheadDownMm;
  const armY = setting.arms === "up" ? chart.armOffsetMm : -chart.armOffsetMm;
  const gripY = hands.aboveMm;
  const t = 32;
  const [from, to] = [mountX + way * chart.gripFromMm, mountX + way * chart.gripToMm];
  const back = Math.min(mountX, 0) - 260;
  const lowest = floorClearanceMm - r;

  // From the side, the lifter facing right.
  const sideShapes: Shape[] = [
    tube("tube", [back, 0], [0, 0], t),
    ...(armY === 0 ? [] : [tube("tube", [mountX, 0], [mountX, armY], t)]),
    ...(gripY === armY ? [] : [tube("tube", [mountX, armY], [mountX, gripY], t * 0.7)]),
    tube("tube", [mountX, gripY], [from, gripY], t * 0.7),
    tube("handle", [from, gripY], [to, gripY], t * 0.9),
    disc("collar", 0, 0, 75),
    disc("sleeve", 0, 0, 50),
    disc("weld", centre.aheadMm, centre.aboveMm, 26),
  ];
  const cross = 30;
  const sideLines: DrawnLine[] = [
    ring([0, 0], r, { dash: "18 12" }),
    {
      points: [
        [back - 40, -r],
        [r + 60, -r],
      ],
      widthMm: 6,
    },
    {
      points: [
        [0, -r],
        [0, Math.max(r, gripY + 90)],
      ],
      widthMm: 3,
      dash: "24 10 6 10",
    },
    // The hand: a mark across the grip where its middle goes.
    {
      points: [
        [hands.aheadMm, gripY - cross],
        [hands.aheadMm, gripY + cross],
      ],
      widthMm: 10,
      color: "accent",
    },
  ];
  const grip = dimension([r + 50, -r], [r + 50, gripY], `grip ${mm(gripHeightMm)}`, true);
  const clear = dimension([back - 10, -r], [back - 10, lowest], `${mm(floorClearanceMm)} clear`, true, -1);
  const sideTexts: DrawnText[] = [
    { x: 0, y: -r - 60, text: "from the side, facing right", sizeMm: LETTER_MM, anchor: "middle" },
    {
      x: hands.aheadMm,
      y: gripY + cross + 14,
      text: `hand ${mm(answer.handMm)} along`,
      sizeMm: LETTER_MM,
      anchor: "middle",
      isBold: true,
    },
  ];

  // From the front, beside it.
  const half = gripWidthMm / 2;
  const shift = r + 330 + barHalfMm + 150;
  const right: Shape[] = [
    tube("tube", [0, 0], [barHalfMm, 0], t),
    tube("sleeve", [barHalfMm, 0], [barHalfMm + 130, 0], 50),
    tube("collar", [barHalfMm - 8, -38], [barHalfMm - 8, 38], 16),
    ...(armY === 0 ? [] : [tube("tube", [half, 0], [half, armY], t * 0.8)]),
    ...(gripY === armY ? [] : [tube("tube", [half, armY], [half, gripY], t * 0.6)]),
    disc("handle", half, gripY, t),
    tube("weld", [half, armY], [half + (setting.pins === "in" ? -1 : 1) * (chart.pinMm + t / 2), armY], t * 0.35),
  ];
  const moved = (shape: Shape): Shape =>
    shape.kind === "box"
      ? { ...shape, x: shape.x + shift }
      : { ...shape, points: shape.points.map(([x, y]) => [x + shift, y] as const) };
  const frontShapes = [...right, ...right.map(mirrored)].map(moved);
  const plateAt = (x: number): DrawnLine => ({
    points: [
      [shift + x, -r],
      [shift + x, r],
      [shift + x + Math.sign(x) * 70, r],
      [shift + x + Math.sign(x) * 70, -r],
      [shift + x, -r],
    ],
    widthMm: 4,
    dash: "18 12",
  });
  const wide = dimension(
    [shift - half, gripY + 70],
    [shift + half, gripY + 70],
    `${mm(gripWidthMm)} between the grips`,
    false,
  );
  return around(title, {
    shapes: [...sideShapes, ...frontShapes],
    lines: [
      ...sideLines,
      ...grip.lines,
      ...clear.lines,
      plateAt(barHalfMm),
      plateAt(-barHalfMm),
      {
        points: [
          [shift - barHalfMm - 150, -r],
          [shift + barHalfMm + 150, -r],
        ],
        widthMm: 6,
      },
      ...wide.lines,
    ],
    texts: [
      ...sideTexts,
      ...grip.texts,
      ...clear.texts,
      ...wide.texts,
      { x: shift, y: -r - 60, text: "from the front", sizeMm: LETTER_MM, anchor: "middle" },
    ],
  });
}
