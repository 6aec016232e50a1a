import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { DrawnSizes } from "./drawnSizes";
import { disc, tube, type Point, type Shape } from "./shapes";

/** Handles of a yoke slope down forwards at about this angle, in degrees below the horizontal. Common practice. */
const HANDLE_SLOPE_DEG = 20;
const COLLAR_TO_SLEEVE = 1.5;

/**
 * A bar seen along its length, the lifter facing right; the sleeves' axis is the origin. Only bars with a camber, a
 * yoke or handles show anything there; null for the others.
 *
 * @returns shapes in mm, x forward and y up from the sleeves' axis, or null
 */
export function sideView(bar: Bar, sizes: DrawnSizes): Shape[] | null {
  const { form } = FAMILIES[bar.family];
  const ends = [
    disc("collar", 0, 0, sizes.sleeveDiameter * COLLAR_TO_SLEEVE),
    disc("sleeve", 0, 0, sizes.sleeveDiameter),
  ];
  switch (form) {
    case "yoke":
    case "cambered":
      return [...ends, ...raisedSide(bar, sizes)];
    case "bowed":
      return [...ends, ...legs([0, sizes.camberDrop], sizes)];
    case "frame":
      return [...frameSide(bar, sizes), ...ends];
    case "multi-grip":
      return [...gripSide(sizes), ...ends];
    default:
      return null;
  }
}

/** The load hangs `camberForward` before and `camberDrop` below the place where the bar lies on the lifter. */
function raisedSide(bar: Bar, sizes: DrawnSizes): Shape[] {
  const contact: Point = [-sizes.camberForward, sizes.camberDrop];
  const hasPad = bar.family !== "cambered";
  const t = sizes.shaftDiameter;
  const padded: Shape[] = hasPad ? [disc("pad", contact[0], contact[1], t * 2.4)] : [];
  const handle = hasPad ? [handleFrom(contact, sizes)] : [];
  const arm =
    bar.family === "adjustable-yoke"
      ? [tube("tube", beyond(contact, -t), beyond(contact, 1.7 * t, sizes), t * 1.2), ...pinHoles(contact, t)]
      : [];
  return [...legs(contact, sizes), ...arm, ...handle, ...padded];
}

function legs(contact: Point, { shaftDiameter }: DrawnSizes): Shape[] {
  return [tube("tube", [0, 0], contact, shaftDiameter), disc("shaft", contact[0], contact[1], shaftDiameter)];
}

function handleFrom([x, y]: Point, { handleLength, shaftDiameter }: DrawnSizes): Shape {
  const slope = (HANDLE_SLOPE_DEG * Math.PI) / 180;
  return tube(
    "handle",
    [x, y],
    [x + handleLength * Math.cos(slope), y - handleLength * Math.sin(slope)],
    shaftDiameter * 0.8,
  );
}

/** A point on the line from the sleeves through the contact: past the sleeves, or past the contact when `from` is given. */
function beyond([x, y]: Point, by: number, from?: DrawnSizes): Point {
  const length = Math.hypot(x, y) || 1;
  return from ? [x + (x / length) * by, y + (y / length) * by] : [(x / length) * by, (y / length) * by];
}

function pinHoles([x, y]: Point, t: number): Shape[] {
  return [0.35, 0.6, 0.85].map((part) => disc("hole", x * part, y * part, t * 0.4));
}

/** Rails at the height of the sleeves, handles on their posts. An open frame has its rail behind the lifter only. */
function frameSide(bar: Bar, sizes: DrawnSizes): Shape[] {
  const { frameDepth, handleLength, handleOffset, shaftDiameter: t } = sizes;
  const isOpen = bar.family === "open-frame";
  const back = isOpen ? -frameDepth * 0.75 : -frameDepth / 2;
  const front = isOpen ? 0 : frameDepth / 2;
  const half = handleLength / 2;
  const posts =
    Math.abs(handleOffset) < t / 2 ? [] : [half, -half].map((x) => tube("tube", [x, 0], [x, handleOffset], t * 0.8));
  return [
    tube("tube", [back, 0], [Math.max(front, posts.length > 0 ? half : 0), 0], t),
    ...posts,
    tube("handle", [-half, handleOffset], [half, handleOffset], t * 0.9),
  ];
}

/** Two rails seen end on, and a grip between them. */
function gripSide({ frameDepth, handleOffset, shaftDiameter: t }: DrawnSizes): Shape[] {
  const d = frameDepth / 2;
  return [
    tube("handle", [-d, handleOffset], [d, handleOffset], t * 0.9),
    ...(Math.abs(handleOffset) < t / 2 ? [] : [d, -d].map((x) => tube("tube", [x, 0], [x, handleOffset], t * 0.8))),
    tube("tube", [-d, 0], [d, 0], t * 0.35),
    disc("shaft", d, 0, t),
    disc("shaft", -d, 0, t),
  ];
}
