import type { DrawnSizes } from "./drawnSizes";
import type { Point, Shape } from "./shapes";
import { sleeves } from "./sleeves";

/** How far the bends of a curl bar leave the axis, in mm. Common practice, no source. */
const BEND_MM = 45;

/**
 * A curl bar seen from the front: a shaft bent up and down so that the hands turn half inwards.
 *
 * @returns shapes in mm
 */
export function zigzagBar(sizes: DrawnSizes, factor: number): Shape[] {
  const h = sizes.halfShaft;
  const bends: Point[] = [
    [-h, 0],
    [-h * 0.66, 0],
    [-h * 0.46, -BEND_MM],
    [-h * 0.16, BEND_MM],
    [h * 0.16, BEND_MM],
    [h * 0.46, -BEND_MM],
    [h * 0.66, 0],
    [h, 0],
  ];
  return [
    { kind: "tube", role: "tube", points: bends, thickness: sizes.shaftDiameter * factor },
    ...sleeves(sizes, factor),
  ];
}
