import {
  CAMERA_SIDES,
  type DiscMark,
  JOINT_MARKS,
  type JointMark,
  type MarkKey,
  type Pixel,
  SCALE_ALONGS,
  type ScaleMark,
  type SideMarks,
} from "./marks";

/** Where marks lie before anybody moved them: shares of the picture's width and height. */
const START: Record<MarkKey, Pixel> = {
  ankle: [0.5, 0.86],
  knee: [0.58, 0.68],
  hip: [0.42, 0.62],
  shoulder: [0.52, 0.4],
  bar: [0.47, 0.38],
  discLeft: [0.36, 0.38],
  discRight: [0.58, 0.38],
  discTop: [0.47, 0.24],
  discBottom: [0.47, 0.52],
  scaleA: [0.1, 0.3],
  scaleB: [0.1, 0.8],
};
const FULL_DISC_MM = 450;
const USUAL_CAMERA_MM = 4000;
const USUAL_SCALE_MM = 1000;

/**
 * The marks of a picture that was just opened, for somebody to drag.
 *
 * @returns marks with a full plate and no second scale
 */
export function startMarks(widthPx: number, heightPx: number): SideMarks {
  return {
    widthPx,
    heightPx,
    points: Object.fromEntries(JOINT_MARKS.map((key) => [key, startAt(key, widthPx, heightPx)])) as SideMarks["points"],
    disc: startDisc(widthPx, heightPx),
    scale: null,
    facing: "right",
    cameraMm: USUAL_CAMERA_MM,
    cameraSide: "unknown",
  };
}

const startAt = (key: MarkKey, widthPx: number, heightPx: number): Pixel => [
  Math.round(START[key][0] * widthPx),
  Math.round(START[key][1] * heightPx),
];

function startDisc(widthPx: number, heightPx: number): NonNullable<SideMarks["disc"]> {
  const at = (key: MarkKey) => startAt(key, widthPx, heightPx);
  return {
    points: {
      discLeft: at("discLeft"),
      discRight: at("discRight"),
      discTop: at("discTop"),
      discBottom: at("discBottom"),
    },
    diameterMm: FULL_DISC_MM,
  };
}

/** What somebody does to the marks. */
export type MarkChange =
  | { kind: "move"; mark: MarkKey; to: Pixel }
  | { kind: "nudge"; mark: MarkKey; by: Pixel }
  | { kind: "set"; facing?: SideMarks["facing"]; cameraSide?: SideMarks["cameraSide"]; cameraMm?: number }
  | { kind: "disc"; diameterMm: number | null }
  | { kind: "scale"; distanceMm: number | null; along?: NonNullable<SideMarks["scale"]>["along"] };

/**
 * The marks after a change; a mark never leaves the picture.
 *
 * @returns new marks
 */
export function changedMarks(marks: SideMarks, change: MarkChange): SideMarks {
  switch (change.kind) {
    case "move":
      return moved(marks, change.mark, change.to);
    case "nudge": {
      const at = pointOf(marks, change.mark);
      return at ? moved(marks, change.mark, [at[0] + change.by[0], at[1] + change.by[1]]) : marks;
    }
    case "set":
      return {
        ...marks,
        facing: change.facing ?? marks.facing,
        cameraSide: CAMERA_SIDES.find((side) => side === change.cameraSide) ?? marks.cameraSide,
        cameraMm: change.cameraMm ?? marks.cameraMm,
      };
    case "disc":
      return change.diameterMm === null
        ? { ...marks, disc: null }
        : {
            ...marks,
            disc: { ...(marks.disc ?? startDisc(marks.widthPx, marks.heightPx)), diameterMm: change.diameterMm },
          };
    case "scale":
      return change.distanceMm === null
        ? { ...marks, scale: null }
        : {
            ...marks,
            scale: {
              points: marks.scale?.points ?? {
                scaleA: startAt("scaleA", marks.widthPx, marks.heightPx),
                scaleB: startAt("scaleB", marks.widthPx, marks.heightPx),
              },
              distanceMm: change.distanceMm,
              along: SCALE_ALONGS.find((way) => way === change.along) ?? marks.scale?.along ?? "upright",
            },
          };
  }
}

/** What a second scale starts with. */
export const START_SCALE = { kind: "scale", distanceMm: USUAL_SCALE_MM } as const;
export const START_DISC = { kind: "disc", diameterMm: FULL_DISC_MM } as const;

/**
 * Where a mark is.
 *
 * @returns pixels; null where the still has no such mark
 */
export function pointOf({ points, disc, scale }: SideMarks, mark: MarkKey): Pixel | null {
  return points[mark as JointMark] ?? disc?.points[mark as DiscMark] ?? scale?.points[mark as ScaleMark] ?? null;
}

function moved(marks: SideMarks, mark: MarkKey, [x, y]: Pixel): SideMarks {
  const to: Pixel = [
    Math.max(0, Math.min(marks.widthPx, Math.round(x * 10) / 10)),
    Math.max(0, Math.min(marks.heightPx, Math.round(y * 10) / 10)),
  ];
  if (mark in marks.points) return { ...marks, points: { ...marks.points, [mark]: to } };
  if (marks.disc && mark in marks.disc.points)
    return { ...marks, disc: { ...marks.disc, points: { ...marks.disc.points, [mark]: to } } };
  if (marks.scale && mark in marks.scale.points)
    return { ...marks, scale: { ...marks.scale, points: { ...marks.scale.points, [mark]: to } } };
  return marks;
}

/**
 * The mark nearest to a place.
 *
 * @param withinPx farther away is none
 * @returns null where there is none so near
 */
export function markNear(marks: SideMarks, [x, y]: Pixel, withinPx: number): MarkKey | null {
  let best: { mark: MarkKey; off: number } | null = null;
  for (const mark of Object.keys(START) as MarkKey[]) {
    const at = pointOf(marks, mark);
    if (!at) continue;
    const off = Math.hypot(at[0] - x, at[1] - y);
    if (off <= withinPx && (!best || off < best.off)) best = { mark, off };
  }
  return best?.mark ?? null;
}

/**
 * Every mark that a still has, in the order somebody sets them.
 *
 * @returns keys of marks
 */
export const marksOf = (marks: SideMarks): MarkKey[] =>
  (Object.keys(START) as MarkKey[]).filter((mark) => pointOf(marks, mark) !== null);
