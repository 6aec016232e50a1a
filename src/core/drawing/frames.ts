import type { Bar } from "../bars/bar";
import type { DrawnSizes } from "./drawnSizes";
import { boxAround, disc, mirrored, tube, type Point, type Shape } from "./shapes";
import { sleeves } from "./sleeves";

/** Handles of a frame are this far from the middle; hands beside the legs. Common practice, no source. */
const HANDLE_AT_MM = 310;
const HANDLE_HALF_MM = 70;

/**
 * Open and closed frames and multi-grip bars, seen from above, where their grips show.
 *
 * @returns shapes in mm
 */
export function frameBar(bar: Bar, sizes: DrawnSizes, factor: number): Shape[] {
  const thickness = sizes.shaftDiameter * factor;
  const outline =
    bar.family === "multi-grip" ? ladder(sizes) : bar.family === "open-frame" ? openFrame(sizes) : closedFrame(sizes);
  return [
    ...outline.map((points): Shape => ({ kind: "tube", role: "tube", points, thickness })),
    ...handles(bar, sizes, thickness),
    ...sleeves(sizes, factor),
  ];
}

/**
 * The same bars from the front: rails seen on edge, handles on their posts, nearly end on.
 *
 * @returns shapes in mm
 */
export function frameFront(bar: Bar, sizes: DrawnSizes, factor: number): Shape[] {
  const t = sizes.shaftDiameter * factor;
  const rail = boxAround("shaft", -sizes.halfShaft, sizes.halfShaft, t);
  const gripPlaces = bar.family === "multi-grip" ? MULTI_GRIPS.map(([x]) => x) : [handleAt(bar, sizes)];
  const right = gripPlaces.flatMap((x) => [
    ...(Math.abs(sizes.handleOffset) < t / 2 ? [] : [tube("tube", [x, 0], [x, sizes.handleOffset], t * 0.7)]),
    disc("pad", x, sizes.handleOffset, t * 1.05),
  ]);
  return [rail, ...right, ...right.map(mirrored), ...sleeves(sizes, factor)];
}

/** Half the distance of each pair of grips of a multi-grip bar, and how they slant. Common practice, no source. */
const MULTI_GRIPS = [
  [120, 0],
  [220, 25],
  [330, 0],
] as const;

function handleAt(bar: Bar, { frameWidth }: DrawnSizes): number {
  return bar.family === "open-frame" ? frameWidth / 2 + 40 : Math.min(HANDLE_AT_MM, frameWidth / 2 - 5);
}

/** A hexagon round the lifter, joined to the sleeves at its two corners. */
function closedFrame({ halfShaft, frameWidth, frameDepth }: DrawnSizes): Point[][] {
  const corner = frameWidth / 2 + frameDepth / 4;
  const side = frameWidth / 2 - frameDepth / 8;
  const d = frameDepth / 2;
  const hexagon: Point[] = [
    [-corner, 0],
    [-side, d],
    [side, d],
    [corner, 0],
    [side, -d],
    [-side, -d],
    [-corner, 0],
  ];
  return [
    hexagon,
    [
      [-halfShaft, 0],
      [-corner, 0],
    ],
    [
      [corner, 0],
      [halfShaft, 0],
    ],
  ];
}

/** Three sides of a frame, open towards the lifter's front (up in the drawing). */
function openFrame({ halfShaft, frameWidth, frameDepth }: DrawnSizes): Point[][] {
  const inner = frameWidth / 2 + 40;
  const d = frameDepth * 0.75;
  return [
    [
      [-halfShaft, 0],
      [-inner, 0],
      [-inner + 20, -d * 0.55],
      [-inner + 150, -d],
      [inner - 150, -d],
      [inner - 20, -d * 0.55],
      [inner, 0],
      [halfShaft, 0],
    ],
  ];
}

/** Two rails with the grips between them. */
function ladder({ halfShaft, frameWidth, frameDepth }: DrawnSizes): Point[][] {
  const end = Math.min(frameWidth / 2 + 130, halfShaft - 60);
  const d = frameDepth / 2;
  return [
    [
      [0, d],
      [end, d],
      [end + 40, 0],
      [end, -d],
      [-end, -d],
      [-end - 40, 0],
      [-end, d],
      [0, d],
    ],
    [
      [-halfShaft, 0],
      [-end - 40, 0],
    ],
    [
      [end + 40, 0],
      [halfShaft, 0],
    ],
  ];
}

function handles(bar: Bar, sizes: DrawnSizes, thickness: number): Shape[] {
  const grip = (x: number, slant: number, half: number): Shape => ({
    kind: "tube",
    role: "handle",
    points: [
      [x - slant, -half],
      [x + slant, half],
    ],
    thickness: thickness * 0.9,
  });
  if (bar.family === "multi-grip")
    return MULTI_GRIPS.flatMap(([x, slant]) => {
      const right = grip(x, slant, sizes.frameDepth / 2);
      return [right, mirrored(right)];
    });
  const half = bar.family === "open-frame" ? HANDLE_HALF_MM : sizes.frameDepth / 2 - 10;
  const right = grip(handleAt(bar, sizes), 0, half);
  return [right, mirrored(right)];
}
