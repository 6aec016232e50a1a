import { bodyOf, type Build } from "@/core/balance/body";
import { type Camera, seenAt } from "@/core/sideview/camera";
import { JOINT_MARKS, type JointMark, type Pixel, type SideMarks } from "@/core/sideview/marks";

/** Somebody drawn as a still from the side, for the demonstration and its tests: nobody's picture. */
export interface DrawnPose {
  build: Build;
  shankDeg: number;
  thighDeg: number;
  leanDeg: number;
  /** From the shoulder along the trunk and ahead of it, where the bar is; mm. */
  bar: readonly [along: number, ahead: number];
  distanceMm: number;
  yawDeg?: number;
}

const WIDTH = 1200;
const HEIGHT = 900;
const CAMERA_HEIGHT_MM = 880;
const SIDE_MM = 150;
const BAR_END_MM = 760;
const DISC_MM = 450;
const VIEW_MM = 2500;
const rad = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * A lifter from the side as a pinhole camera sees them, as SVG, with where every mark is to be put.
 *
 * @returns the drawing and its marks in pixels
 */
export function drawnStill({ build, shankDeg, thighDeg, leanDeg, bar, distanceMm, yawDeg = 0 }: DrawnPose): {
  svg: string;
  marks: SideMarks;
} {
  const body = bodyOf(build);
  const knee: Pixel = [body.shankMm * Math.sin(rad(shankDeg)), body.ankleMm + body.shankMm * Math.cos(rad(shankDeg))];
  const hip: Pixel = [
    knee[0] - body.thighMm * Math.cos(rad(thighDeg)),
    knee[1] + body.thighMm * Math.sin(rad(thighDeg)),
  ];
  const up: Pixel = [Math.sin(rad(leanDeg)), Math.cos(rad(leanDeg))];
  const shoulder: Pixel = [hip[0] + body.trunkMm * up[0], hip[1] + body.trunkMm * up[1]];
  const at: Record<JointMark, Pixel> = {
    ankle: [0, body.ankleMm],
    knee,
    hip,
    shoulder,
    bar: [shoulder[0] + bar[0] * up[0] + bar[1] * up[1], shoulder[1] + bar[0] * up[1] - bar[1] * up[0]],
  };
  const camera: Camera = {
    distanceMm,
    yaw: rad(yawDeg),
    focalPx: (WIDTH * distanceMm) / VIEW_MM,
    roll: 0,
    centre: [WIDTH / 2, HEIGHT / 2],
  };
  const see = ([x, y]: Pixel, z = SIDE_MM) => seenAt(camera, [x, y - CAMERA_HEIGHT_MM, z]);
  const px = WIDTH / VIEW_MM;
  const rim = Array.from({ length: 180 }, (_, i) =>
    see(
      [at.bar[0] + (DISC_MM / 2) * Math.cos(rad(2 * i)), at.bar[1] + (DISC_MM / 2) * Math.sin(rad(2 * i))],
      BAR_END_MM,
    ),
  );
  const most = (of: (one: Pixel) => number) => rim.reduce((best, one) => (of(one) > of(best) ? one : best));
  const heel = -0.25 * body.footMm;
  const toe = 0.75 * body.footMm;
  const line = (all: readonly Pixel[]) => all.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ");
  const limb = (width: number, ...all: Pixel[]) =>
    `<polyline points="${line(all.map((one) => see(one)))}" stroke="#7b8791" stroke-width="${(width * px).toFixed(1)}"/>`;
  const head: Pixel = [shoulder[0] + up[0] * 200 + 25, shoulder[1] + up[1] * 200];
  const upright = (x: number) => line([see([x, 0], 0), see([x, 2300], 0)]);
  const floorLeft = see([-2000, 0], 0);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#e7e3da"/><rect y="${floorLeft[1].toFixed(0)}" width="${WIDTH}" height="${HEIGHT}" fill="#cdc6b8"/>
<g fill="none" stroke-linecap="round" stroke-linejoin="round"><g stroke="#9a958a" stroke-width="${(70 * px).toFixed(0)}"><polyline points="${upright(-640)}"/><polyline points="${upright(620)}"/></g>
${limb(60, [heel, 25], [toe, 20])}${limb(90, at.ankle, knee)}${limb(125, knee, hip)}${limb(165, hip, shoulder)}
<circle cx="${see(head)[0].toFixed(1)}" cy="${see(head)[1].toFixed(1)}" r="${(115 * px).toFixed(1)}" fill="#7b8791"/>
<polygon points="${line(rim)}" fill="#2f4a63" fill-opacity="0.85" stroke="#16222e" stroke-width="4"/>
<circle cx="${see(at.bar, BAR_END_MM)[0].toFixed(1)}" cy="${see(at.bar, BAR_END_MM)[1].toFixed(1)}" r="${(25 * px).toFixed(1)}" fill="#c9ced3"/></g></svg>`;
  return {
    svg,
    marks: {
      ...{
        widthPx: WIDTH,
        heightPx: HEIGHT,
        facing: "right",
        cameraMm: distanceMm,
        cameraSide: "unknown",
        scale: null,
      },
      points: Object.fromEntries(
        JOINT_MARKS.map((key) => [key, see(at[key], key === "bar" ? BAR_END_MM : SIDE_MM)]),
      ) as SideMarks["points"],
      disc: {
        points: {
          discLeft: most(([x]) => -x),
          discRight: most(([x]) => x),
          discTop: most(([, y]) => -y),
          discBottom: most(([, y]) => y),
        },
        diameterMm: DISC_MM,
      },
    },
  };
}
