/** A place in a picture, in its pixels: x from the left, y from the top. */
export type Pixel = readonly [x: number, y: number];

/** What is marked on the lifter and the bar, from the floor up. */
export const JOINT_MARKS = ["ankle", "knee", "hip", "shoulder", "bar"] as const;
export type JointMark = (typeof JOINT_MARKS)[number];

/** The near plate's rim: four points that its width and height are read between. */
export const DISC_MARKS = ["discLeft", "discRight", "discTop", "discBottom"] as const;
export type DiscMark = (typeof DISC_MARKS)[number];

/** Two points a known distance apart. */
export const SCALE_MARKS = ["scaleA", "scaleB"] as const;
export type ScaleMark = (typeof SCALE_MARKS)[number];

export const MARK_KEYS = [...JOINT_MARKS, ...DISC_MARKS, ...SCALE_MARKS] as const;
export type MarkKey = (typeof MARK_KEYS)[number];

export const MARK_NAMES: Record<MarkKey, string> = {
  ankle: "ankle",
  knee: "knee",
  hip: "hip",
  shoulder: "shoulder",
  bar: "bar",
  discLeft: "plate, left edge",
  discRight: "plate, right edge",
  discTop: "plate, top",
  discBottom: "plate, bottom",
  scaleA: "known distance, one end",
  scaleB: "known distance, other end",
};

/** What the two points of known distance lie along. */
export const SCALE_ALONGS = ["upright", "floor", "other"] as const;
export type ScaleAlong = (typeof SCALE_ALONGS)[number];

/** Where the camera stood: nobody knows, looked along the bar so that its two ends hide one another, ahead or behind. */
export const CAMERA_SIDES = ["unknown", "square", "front", "behind"] as const;
export type CameraSide = (typeof CAMERA_SIDES)[number];

/** Everything marked on one still. Lengths in mm unless a name says px. */
export interface SideMarks {
  widthPx: number;
  heightPx: number;
  points: Record<JointMark, Pixel>;
  /** The near plate, where one is on the bar; null without. */
  disc: { points: Record<DiscMark, Pixel>; diameterMm: number } | null;
  scale: { points: Record<ScaleMark, Pixel>; distanceMm: number; along: ScaleAlong } | null;
  /** Which way the lifter faces in the picture. */
  facing: "left" | "right";
  cameraMm: number;
  cameraSide: CameraSide;
}

export const CAMERA_RANGE_MM = [1500, 15_000] as const;
export const DISC_RANGE_MM = [150, 500] as const;
export const SCALE_RANGE_MM = [100, 3000] as const;
const MAX_SIDE_PX = 20_000;

/**
 * What cannot be read of a still's marks, each in words.
 *
 * @returns sentences; empty when everything is there
 */
export function marksLack(marks: SideMarks): string[] {
  const { widthPx, heightPx, points, disc, scale, cameraMm } = marks;
  const problems: string[] = [];
  if (![widthPx, heightPx].every((side) => side >= 50 && side <= MAX_SIDE_PX))
    problems.push(`The picture is ${widthPx} × ${heightPx} pixels; 50 to ${MAX_SIDE_PX} a side can be marked.`);
  const all = { ...points, ...disc?.points, ...scale?.points } as Record<string, Pixel>;
  for (const key of MARK_KEYS) {
    const at = all[key];
    if (at && !(at[0] >= 0 && at[0] <= widthPx && at[1] >= 0 && at[1] <= heightPx))
      problems.push(`${sentenceCase(MARK_NAMES[key])}: it lies outside the picture.`);
  }
  const apart = (a: Pixel, b: Pixel) => Math.hypot(a[0] - b[0], a[1] - b[1]);
  for (const [a, b] of [
    ["ankle", "knee"],
    ["knee", "hip"],
    ["hip", "shoulder"],
  ] as const)
    if (apart(points[a], points[b]) < 8)
      problems.push(`${sentenceCase(a)} and ${b} lie on one another: drag them apart.`);
  if (!disc && !scale)
    problems.push("Mark the plate, or two points a known distance apart: without one there is no scale.");
  if (disc) {
    const { discLeft, discRight, discTop, discBottom } = disc.points;
    if (discRight[0] - discLeft[0] < 10 || discBottom[1] - discTop[1] < 10)
      problems.push("The plate: its left edge lies left of its right one, and its top above its bottom.");
    if (!within(disc.diameterMm, DISC_RANGE_MM))
      problems.push(`The plate’s diameter: ${DISC_RANGE_MM[0]} to ${DISC_RANGE_MM[1]} mm; a full plate has 450 mm.`);
  }
  if (scale) {
    if (apart(scale.points.scaleA, scale.points.scaleB) < 10)
      problems.push("The two points of known distance lie on one another: drag them apart.");
    if (!within(scale.distanceMm, SCALE_RANGE_MM))
      problems.push(`The known distance: ${SCALE_RANGE_MM[0]} to ${SCALE_RANGE_MM[1]} mm.`);
  }
  if (!within(cameraMm, CAMERA_RANGE_MM)) problems.push("The camera’s distance: 1.5 to 15 m.");
  return problems;
}

const within = (value: number, [least, most]: readonly [number, number]) => value >= least && value <= most;
const sentenceCase = (text: string) => text[0]!.toUpperCase() + text.slice(1);
