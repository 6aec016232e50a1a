/**
 * What a bar is drawn of. Coordinates in mm: x along the bar from its middle, positive to the right;
 * y up from the axis of the sleeves in a front view, towards the lifter's front in a plan view. In a side view x is
 * positive towards the lifter's front and y up, both from the axis of the sleeves.
 * Thicknesses across the bar are multiplied by the drawing's thickness factor; lengths never are.
 */
export type ShapeRole =
  | "sleeve"
  | "collar"
  | "shaft"
  | "knurl-passive"
  | "knurl-medium"
  | "knurl-aggressive"
  | "ring-mark"
  | "tube"
  | "pad"
  | "handle"
  | "weld"
  | "hole"
  | "plate";

export type Point = readonly [x: number, y: number];

/** A box; x and y are its lower left corner. */
export interface Box {
  kind: "box";
  role: ShapeRole;
  x: number;
  y: number;
  width: number;
  height: number;
  radius?: number;
  label?: string;
  /** A colour name for the screen; never the only carrier of meaning. */
  tone?: string;
}

/** A tube along a line, as thick as given. */
export interface Tube {
  kind: "tube";
  role: ShapeRole;
  points: readonly Point[];
  thickness: number;
}

export type Shape = Box | Tube;

export interface Extent {
  left: number;
  right: number;
  bottom: number;
  top: number;
}

/** Seen from the front, from above, or along the bar with the lifter facing right. */
export type View = "front" | "plan" | "side";

export interface Drawing {
  view: View;
  shapes: readonly Shape[];
  extent: Extent;
  thicknessFactor: number;
  /** What nobody stated or measured and was drawn at a usual size. */
  assumed: readonly string[];
}

/**
 * A box centred on a height, from one x to another.
 *
 * @returns a box in mm
 */
export function boxAround(role: ShapeRole, fromX: number, toX: number, height: number, centreY = 0): Box {
  const [x, end] = fromX <= toX ? [fromX, toX] : [toX, fromX];
  return { kind: "box", role, x, y: centreY - height / 2, width: end - x, height };
}

/**
 * A round thing seen end on.
 *
 * @returns a box in mm as wide as high
 */
export function disc(role: ShapeRole, x: number, y: number, diameter: number): Box {
  const r = diameter / 2;
  return { kind: "box", role, x: x - r, y: y - r, width: diameter, height: diameter, radius: r };
}

/**
 * A straight piece of tube.
 *
 * @returns a tube in mm
 */
export function tube(role: ShapeRole, from: Point, to: Point, thickness: number): Tube {
  return { kind: "tube", role, points: [from, to], thickness };
}

/**
 * The same shape on the other side of the centre line.
 *
 * @returns a new shape with x the other way
 */
export function mirrored(shape: Shape): Shape {
  return shape.kind === "box"
    ? { ...shape, x: -shape.x - shape.width }
    : { ...shape, points: shape.points.map(([x, y]) => [-x, y] as const) };
}

/**
 * The smallest box around all shapes.
 *
 * @returns mm; all zero when there are no shapes
 */
export function extentOf(shapes: readonly Shape[]): Extent {
  const extent = { left: Infinity, right: -Infinity, bottom: Infinity, top: -Infinity };
  const include = (x: number, y: number, half: number) => {
    extent.left = Math.min(extent.left, x - half);
    extent.right = Math.max(extent.right, x + half);
    extent.bottom = Math.min(extent.bottom, y - half);
    extent.top = Math.max(extent.top, y + half);
  };
  for (const shape of shapes)
    if (shape.kind === "box") {
      include(shape.x, shape.y, 0);
      include(shape.x + shape.width, shape.y + shape.height, 0);
    } else for (const [x, y] of shape.points) include(x, y, shape.thickness / 2);
  return extent;
}
