import { MID_FOOT } from "../balance/body";
import { pointAt, seenAt, type Camera } from "./camera";
import { JOINT_MARKS, type JointMark, marksLack, type Pixel, type SideMarks } from "./marks";

/** A figure with how far it may be off, nineteen times in twenty. */
export interface Read {
  value: number;
  within: number;
}

/** What a still says. Angles in degrees, lengths in mm. */
export interface StillReading {
  /** Trunk from plumb, forward positive. */
  leanDeg: Read;
  /** Between thigh and shank: 180 is straight. */
  kneeDeg: Read;
  /** Between trunk and thigh: 180 is straight. */
  hipDeg: Read;
  /** Shank from plumb, forward positive. */
  shankDeg: Read;
  /** Thigh from level, hip above the knee positive. */
  thighDeg: Read;
  barAheadOfMidFootMm: Read;
  /** How far the camera stood out of square, as the plate's disc tells; null without a plate. */
  cameraDeg: Read | null;
  /** Joints and bar in mm from the ankle, forward and up, as the best reading has them. */
  points: Record<JointMark, readonly [x: number, y: number]>;
  /** Millimetres that one pixel covers at the lifter. */
  mmPerPx: number;
  /** The camera by which it was read; of two possible ones the first. */
  camera: Camera;
  /** Where the ankle is in that camera's world, in mm. */
  ankleAt: readonly [x: number, y: number];
}

/**
 * What is not known of a still, each as a standard deviation: a mark is put beside the joint's centre, the camera's
 * distance is paced out, joints lie nearer to the camera than the lifter's middle by more or less, nobody levels a
 * telephone. Ours.
 */
const MARK_MM = 8;
/** A plate’s edge is sharp and is marked under the magnifier: shares of the picture’s longer side. */
const EDGE_PX_SHARE = 0.002;
const DISTANCE_SHARE = 0.2;
const JOINT_DEPTH_MM = 35;
const ROLL_DEG = 0.7;
/** An upright in the picture shows what is plumb. */
const ROLL_BY_UPRIGHT_DEG = 0.25;
const CENTRE_SHARE = 0.02;
/** Whoever looks along the bar is square to it within so much. */
const SQUARE_DEG = 2;
const PLATE_DEPTH_MM = 80;
/** 1.96 standard deviations hold nineteen in twenty; rounded up. */
const COVER = 2;

/**
 * How far each mark lies from the lifter's middle towards the camera, in mm: the near leg's joints and shoulder, and
 * the end of the bar with its plate. Common practice, no source.
 */
const DEPTH_MM: Record<JointMark, number> = { ankle: 130, knee: 140, hip: 150, shoulder: 190, bar: 780 };
const MAX_YAW = (40 * Math.PI) / 180;
const rad = (degrees: number) => (degrees * Math.PI) / 180;
const deg = (radians: number) => (radians * 180) / Math.PI;

/** Everything that an answer follows from and that may be off. */
interface Inputs {
  points: Record<JointMark, Pixel>;
  edges: number[];
  distanceMm: number;
  depths: Record<JointMark, number>;
  plateDepthMm: number;
  roll: number;
  /** Of a camera that is said to be square: how far it is not, in radians. */
  askew: number;
  centre: Pixel;
}

interface Figures {
  leanDeg: number;
  kneeDeg: number;
  hipDeg: number;
  shankDeg: number;
  thighDeg: number;
  barAheadOfMidFootMm: number;
  cameraDeg: number;
}

/**
 * Lean, knee and hip of a lifter from marks on a still, with how far each may be off. The plate's disc gives the scale
 * and how far the camera stood out of square (a circle's width against its height); where nobody says to which side,
 * both are worked out and half their difference counts as uncertainty. Every other uncertainty is carried through by
 * what each input moves, added in squares.
 *
 * @param heightMm of the lifter: for the foot's length; null takes a usual one
 * @throws RangeError when `marksLack` says something
 * @returns angles in degrees and lengths in mm
 */
export function readStill(marks: SideMarks, heightMm: number | null): StillReading {
  const lacking = marksLack(marks);
  if (lacking.length > 0) throw new RangeError(lacking.join(" "));
  const footMm = 0.152 * (heightMm ?? 1750);
  const start = inputsOf(marks);
  const signs = marks.cameraSide === "unknown" ? [1, -1] : [marks.cameraSide === "behind" ? -1 : 1];
  const solved = signs.map((sign) => solve(marks, start, sign, footMm));
  const figures = solved.map(({ figures }) => figures);
  const moves = signs.map((sign) => spread(marks, start, sign, footMm));
  const read = (key: keyof Figures): Read => {
    const values = figures.map((one) => one[key]);
    const value = values.reduce((sum, one) => sum + one, 0) / values.length;
    const apart = (Math.max(...values) - Math.min(...values)) / 2;
    return { value, within: apart + COVER * Math.max(...moves.map((one) => one[key])) };
  };
  const [best] = solved;
  const other = solved.at(-1)!;
  return {
    leanDeg: read("leanDeg"),
    kneeDeg: read("kneeDeg"),
    hipDeg: read("hipDeg"),
    shankDeg: read("shankDeg"),
    thighDeg: read("thighDeg"),
    barAheadOfMidFootMm: read("barAheadOfMidFootMm"),
    cameraDeg: marks.disc && marks.cameraSide !== "square" ? read("cameraDeg") : null,
    points: Object.fromEntries(
      JOINT_MARKS.map((key) => [
        key,
        [0, 1].map((axis) => (best!.points[key][axis]! + other.points[key][axis]!) / 2) as [number, number],
      ]),
    ) as unknown as StillReading["points"],
    mmPerPx: best!.mmPerPx,
    camera: best!.camera,
    ankleAt: best!.ankleAt,
  };
}

/**
 * Where a point of the lifter's side view is on the still.
 *
 * @param at mm from the ankle, forward and up
 * @returns pixels
 */
export function onPicture(
  reading: StillReading,
  facing: SideMarks["facing"],
  [x, y]: readonly [number, number],
): Pixel {
  const forward = facing === "right" ? 1 : -1;
  const [ankleX, ankleY] = reading.ankleAt;
  return seenAt(reading.camera, [ankleX + forward * x, ankleY + y, DEPTH_MM.ankle]);
}

function inputsOf({ points, disc, scale, widthPx, heightPx, cameraMm }: SideMarks): Inputs {
  const edges = disc ? edgesOf(disc.points) : scale ? [...scale.points.scaleA, ...scale.points.scaleB] : [];
  const upright = scale && scale.along !== "other" ? tilt(scale.points) : 0;
  return {
    points,
    edges,
    distanceMm: cameraMm,
    depths: DEPTH_MM,
    plateDepthMm: DEPTH_MM.bar,
    roll: upright,
    askew: 0,
    centre: [widthPx / 2, heightPx / 2],
  };
}

const edgesOf = (points: NonNullable<SideMarks["disc"]>["points"]) => [
  points.discLeft[0],
  points.discRight[0],
  points.discTop[1],
  points.discBottom[1],
];

/** How far a line that is upright or level in life leans in the picture, in radians; the smaller of the two readings. */
function tilt({ scaleA, scaleB }: NonNullable<SideMarks["scale"]>["points"]): number {
  const angle = Math.atan2(scaleB[1] - scaleA[1], scaleB[0] - scaleA[0]);
  const quarter = Math.PI / 2;
  return angle - quarter * Math.round(angle / quarter);
}

function solve(marks: SideMarks, inputs: Inputs, sign: number, footMm: number) {
  const { disc, scale } = marks;
  const forward = marks.facing === "right" ? 1 : -1;
  const { distanceMm, roll, centre } = inputs;
  // The camera ahead of a lifter who faces right stands to the right.
  const side = sign * forward;
  let camera: Camera = { distanceMm, yaw: side * inputs.askew, focalPx: 1, roll, centre };
  if (disc && marks.cameraSide === "square") camera = byHeight(camera, inputs, disc.diameterMm);
  else if (disc) camera = byDisc(camera, inputs, disc.diameterMm, side);
  else if (scale) {
    const [ax, ay, bx, by] = inputs.edges as [number, number, number, number];
    camera.focalPx = (Math.hypot(ax - bx, ay - by) * distanceMm) / scale.distanceMm;
  }
  const raw = Object.fromEntries(
    JOINT_MARKS.map((key) => [key, pointAt(camera, inputs.points[key], inputs.depths[key])]),
  ) as Record<JointMark, [number, number]>;
  const points = Object.fromEntries(
    JOINT_MARKS.map((key) => [key, [forward * (raw[key][0] - raw.ankle[0]), raw[key][1] - raw.ankle[1]] as const]),
  ) as Record<JointMark, readonly [number, number]>;
  return {
    points,
    mmPerPx: distanceMm / camera.focalPx,
    camera,
    ankleAt: raw.ankle as readonly [number, number],
    figures: figuresOf(points, footMm, deg(Math.abs(camera.yaw))),
  };
}

/**
 * A camera that sees a plate as high as it was marked: its height is not foreshortened, so what it is in pixels at the
 * plate's own depth gives the scale.
 */
function byHeight(camera: Camera, { edges, plateDepthMm }: Inputs, diameterMm: number): Camera {
  const [left, right, top, bottom] = edges as [number, number, number, number];
  const middle: Pixel = [(left + right) / 2, (top + bottom) / 2];
  let next = { ...camera, focalPx: ((bottom - top) * (camera.distanceMm - plateDepthMm)) / diameterMm };
  for (let i = 0; i < 4; i += 1) {
    const [x] = pointAt(next, middle, plateDepthMm);
    const depth = camera.distanceMm - x * Math.sin(camera.yaw) - plateDepthMm * Math.cos(camera.yaw);
    next = { ...next, focalPx: ((bottom - top) * depth) / diameterMm };
  }
  return next;
}

/** A camera that sees a plate as wide and as high as it was marked. */
function byDisc(camera: Camera, inputs: Inputs, diameterMm: number, side: number): Camera {
  const { edges, plateDepthMm } = inputs;
  const [left, right, top, bottom] = edges as [number, number, number, number];
  const middle: Pixel = [(left + right) / 2, (top + bottom) / 2];
  const at = (yaw: number): Camera => byHeight({ ...camera, yaw }, inputs, diameterMm);
  const widthBy = (yaw: number) => {
    const one = at(yaw);
    return pointAt(one, [right, middle[1]], plateDepthMm)[0] - pointAt(one, [left, middle[1]], plateDepthMm)[0];
  };
  // A camera more out of square sees the disc narrower: what it must have been in life grows with the angle.
  if (widthBy(0) >= diameterMm) return at(0);
  let [low, high] = [0, MAX_YAW];
  for (let i = 0; i < 40; i += 1) {
    const half = (low + high) / 2;
    if (widthBy(side * half) < diameterMm) low = half;
    else high = half;
  }
  return at((side * (low + high)) / 2);
}

function figuresOf(
  { ankle, knee, hip, shoulder, bar }: Record<JointMark, readonly [number, number]>,
  footMm: number,
  cameraDeg: number,
): Figures {
  const lean = Math.atan2(shoulder[0] - hip[0], shoulder[1] - hip[1]);
  const shank = Math.atan2(knee[0] - ankle[0], knee[1] - ankle[1]);
  const thigh = Math.atan2(hip[1] - knee[1], knee[0] - hip[0]);
  // From the knee, the thigh points up and back, the shank down.
  return {
    leanDeg: deg(lean),
    shankDeg: deg(shank),
    thighDeg: deg(thigh),
    kneeDeg: between([ankle[0] - knee[0], ankle[1] - knee[1]], [hip[0] - knee[0], hip[1] - knee[1]]),
    hipDeg: between([knee[0] - hip[0], knee[1] - hip[1]], [shoulder[0] - hip[0], shoulder[1] - hip[1]]),
    barAheadOfMidFootMm: bar[0] - ankle[0] - MID_FOOT * footMm,
    cameraDeg,
  };
}

const between = ([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]) =>
  Math.abs(deg(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)));

/** One standard deviation of every figure: what each input moves it by, in squares. */
function spread(marks: SideMarks, start: Inputs, sign: number, footMm: number): Figures {
  const base = solve(marks, start, sign, footMm);
  const markPx = MARK_MM / base.mmPerPx;
  const edgePx = EDGE_PX_SHARE * Math.max(marks.widthPx, marks.heightPx);
  const hasUpright = marks.scale !== null && marks.scale.along !== "other";
  const moved: Inputs[] = [
    ...JOINT_MARKS.flatMap((key) =>
      (
        [
          [markPx, 0],
          [0, markPx],
        ] as const
      ).map(([dx, dy]) => ({
        ...start,
        points: { ...start.points, [key]: [start.points[key][0] + dx, start.points[key][1] + dy] as const },
      })),
    ),
    ...start.edges.map((_, i) => ({ ...start, edges: start.edges.map((edge, j) => edge + (i === j ? edgePx : 0)) })),
    { ...start, distanceMm: start.distanceMm * (1 + DISTANCE_SHARE) },
    ...JOINT_MARKS.map((key) => ({
      ...start,
      depths: { ...start.depths, [key]: start.depths[key] + (key === "bar" ? PLATE_DEPTH_MM : JOINT_DEPTH_MM) },
    })),
    { ...start, plateDepthMm: start.plateDepthMm + PLATE_DEPTH_MM },
    { ...start, roll: start.roll + rad(hasUpright ? ROLL_BY_UPRIGHT_DEG : ROLL_DEG) },
    ...(marks.cameraSide === "square" ? [{ ...start, askew: rad(SQUARE_DEG) }] : []),
    { ...start, centre: [start.centre[0] + CENTRE_SHARE * marks.widthPx, start.centre[1]] },
    { ...start, centre: [start.centre[0], start.centre[1] + CENTRE_SHARE * marks.heightPx] },
  ];
  const keys = Object.keys(base.figures) as (keyof Figures)[];
  const sums = Object.fromEntries(keys.map((key) => [key, 0])) as unknown as Figures;
  for (const inputs of moved) {
    const { figures } = solve(marks, inputs, sign, footMm);
    for (const key of keys) sums[key] += (figures[key] - base.figures[key]) ** 2;
  }
  return Object.fromEntries(keys.map((key) => [key, Math.sqrt(sums[key])])) as unknown as Figures;
}
