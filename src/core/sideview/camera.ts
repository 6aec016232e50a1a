import type { Pixel } from "./marks";

/**
 * A pinhole camera that looks level at the lifter from the side. The world's origin is on the floor line under the
 * middle of the picture: x to the right along the lifter's side view, y up from the camera's height, z towards the
 * camera; all in mm.
 */
export interface Camera {
  /** From the lifter's middle plane. */
  distanceMm: number;
  /** Turned out of square, in radians; positive when the camera stands to the right. */
  yaw: number;
  /** Pixels for a slope of 1. */
  focalPx: number;
  /** Turned about its own axis, in radians; positive when the picture leans to the right. */
  roll: number;
  /** The middle of the picture. */
  centre: Pixel;
}

/**
 * Where a point is seen.
 *
 * @param at x, y and z in mm
 * @returns pixels
 */
export function seenAt(camera: Camera, [x, y, z]: readonly [number, number, number]): Pixel {
  const { distanceMm, yaw, focalPx, roll, centre } = camera;
  const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
  const depth = distanceMm - x * sin - z * cos;
  const across = (focalPx * (x * cos - z * sin)) / depth;
  const up = (focalPx * y) / depth;
  return [
    centre[0] + across * Math.cos(roll) + up * Math.sin(roll),
    centre[1] + across * Math.sin(roll) - up * Math.cos(roll),
  ];
}

/**
 * The point of a plane beside the lifter that is seen at a pixel: the other way round from `seenAt`.
 *
 * @param zMm how far the plane lies towards the camera from the lifter's middle
 * @returns x and y in mm
 */
export function pointAt(camera: Camera, pixel: Pixel, zMm: number): [x: number, y: number] {
  const { distanceMm, yaw, focalPx, roll, centre } = camera;
  const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
  const [dx, dy] = [pixel[0] - centre[0], pixel[1] - centre[1]];
  const across = (dx * Math.cos(roll) + dy * Math.sin(roll)) / focalPx;
  const up = (dx * Math.sin(roll) - dy * Math.cos(roll)) / focalPx;
  const x = (across * (distanceMm - zMm * cos) + zMm * sin) / (cos + across * sin);
  return [x, up * (distanceMm - x * sin - zMm * cos)];
}
