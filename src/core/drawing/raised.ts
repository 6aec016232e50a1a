import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { DrawnSizes } from "./drawnSizes";
import { boxAround, disc, mirrored, tube, type Box, type Point, type Shape } from "./shapes";
import { sleeves } from "./sleeves";

/** From the front a handle that slopes down at about 20° shows a third of its length. */
const SHOWN_OF_HANDLE = 0.34;

/**
 * Bars whose middle lies above the sleeves: yokes, cambered bars, bowed bars. Front view.
 *
 * @returns shapes in mm
 */
export function raisedBar(bar: Bar, sizes: DrawnSizes, factor: number): Shape[] {
  const thickness = sizes.shaftDiameter * factor;
  return [...middle(bar, sizes, thickness), ...sleeves(sizes, factor)];
}

function middle(bar: Bar, sizes: DrawnSizes, thickness: number): Shape[] {
  const line = (points: Point[]): Shape => ({ kind: "tube", role: "tube", points, thickness });
  switch (bar.family) {
    case "bowed":
      return [line(bow(sizes)), ...bowKnurl(bar, sizes, thickness)];
    case "cambered":
      return [line(steps(sizes, 14)), ...grips(bar, sizes, thickness), ...welds(sizes, thickness)];
    case "cambered-yoke":
      return [line(steps(sizes, 14)), ...twoPads(sizes, thickness), ...welds(sizes, thickness)];
    case "adjustable-yoke":
      return [...arms(sizes, thickness), ...onePad(sizes, thickness, 0.62)];
    case "low-yoke":
      return [line(steps(sizes, 95)), ...onePad(sizes, thickness, 0.86)];
    default:
      return [line(steps(sizes, 70)), ...twoPads(sizes, thickness), ...neckPad(sizes, thickness)];
  }
}

/** Along the sleeves' axis, up at the raised part over a run of `run` mm, across, and down again. */
function steps({ halfShaft, yokeWidth, camberDrop }: DrawnSizes, run: number): Point[] {
  const top = yokeWidth / 2;
  const foot = Math.min(top + run, halfShaft - 4);
  return [
    [-halfShaft, 0],
    [-foot, 0],
    [-top, camberDrop],
    [top, camberDrop],
    [foot, 0],
    [halfShaft, 0],
  ];
}

/** An even arch over the whole shaft. */
function bow({ halfShaft, camberDrop }: DrawnSizes): Point[] {
  return Array.from({ length: 33 }, (_, i) => {
    const x = halfShaft * (i / 16 - 1);
    return [x, camberDrop * (1 - (x / halfShaft) ** 2)] as const;
  });
}

/** Knurl follows the arch in short straight pieces. */
function bowKnurl(bar: Bar, sizes: DrawnSizes, thickness: number): Shape[] {
  if (!bar.knurl || bar.knurl === "none") return [];
  const points = bow(sizes).filter(([x]) => x > sizes.halfShaft * 0.24 && x < sizes.halfShaft * 0.94);
  const right: Shape = { kind: "tube", role: `knurl-${bar.knurl}`, points, thickness };
  return [right, mirrored(right)];
}

/** Two arms that turn about the axis of the pad and carry the sleeves at a pinned distance. */
function arms(sizes: DrawnSizes, thickness: number): Shape[] {
  const { halfShaft, yokeWidth, camberDrop } = sizes;
  const at = yokeWidth / 2 + thickness * 0.55;
  const top = Math.max(camberDrop, thickness) + thickness;
  const right: Shape[] = [
    tube("tube", [at, 0], [halfShaft, 0], thickness),
    tube("tube", [at, -thickness * 0.9], [at, top], thickness * 1.1),
    ...[0.2, 0.5, 0.8].map((part) => disc("hole", at, part * (camberDrop + thickness), thickness * 0.34)),
  ];
  const across = tube("tube", [-at, camberDrop], [at, camberDrop], thickness * 0.9);
  return [across, ...right, ...right.map(mirrored)];
}

/** Two shoulder pads with a handle before each, which from the front is seen nearly end on. */
function twoPads({ paddedWidth, camberDrop, handleLength }: DrawnSizes, thickness: number): Shape[] {
  const half = paddedWidth / 2;
  const pad: Box = {
    ...boxAround("pad", half * 0.3, half * 0.92, thickness * 1.5, camberDrop),
    radius: thickness * 0.7,
  };
  const handle = tube(
    "handle",
    [half * 0.6, camberDrop],
    [half * 0.6, camberDrop - handleLength * SHOWN_OF_HANDLE - thickness * 0.6],
    thickness * 0.7,
  );
  return [handle, mirrored(handle), pad, mirrored(pad)];
}

function neckPad({ paddedWidth, camberDrop }: DrawnSizes, thickness: number): Shape[] {
  const half = paddedWidth * 0.13;
  return [{ ...boxAround("pad", -half, half, thickness * 1.15, camberDrop), radius: thickness * 0.5 }];
}

/** One wide pad and a handle at each of its ends. */
function onePad({ paddedWidth, camberDrop, handleLength }: DrawnSizes, thickness: number, share: number): Shape[] {
  const half = (paddedWidth / 2) * share;
  const pad: Box = { ...boxAround("pad", -half, half, thickness * 1.6, camberDrop), radius: thickness * 0.75 };
  const handle = tube(
    "handle",
    [half * 0.88, camberDrop],
    [half * 0.88, camberDrop - handleLength * SHOWN_OF_HANDLE - thickness * 0.6],
    thickness * 0.62,
  );
  return [handle, mirrored(handle), pad];
}

/** Knurl on the raised part of a cambered bar, where it lies on the back. */
function grips(bar: Bar, { paddedWidth, camberDrop }: DrawnSizes, thickness: number): Shape[] {
  if (!bar.knurl || bar.knurl === "none" || FAMILIES[bar.family].form !== "cambered") return [];
  return [boxAround(`knurl-${bar.knurl}`, -paddedWidth * 0.4, paddedWidth * 0.4, thickness, camberDrop)];
}

/** Where the legs of a camber meet the line of the sleeves. */
function welds({ yokeWidth }: DrawnSizes, thickness: number): Shape[] {
  const weld = boxAround("weld", yokeWidth / 2 + 2, yokeWidth / 2 + 26, thickness * 1.15);
  return [weld, mirrored(weld)];
}
