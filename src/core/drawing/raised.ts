import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { DrawnSizes } from "./drawnSizes";
import { boxAround, mirrored, type Box, type Point, type Shape } from "./shapes";
import { sleeves } from "./sleeves";

/** Bars whose middle lies above the sleeves: yokes, cambered bars, bowed bars. Front view. */
export function raisedBar(bar: Bar, sizes: DrawnSizes, factor: number): Shape[] {
  const thickness = sizes.shaftDiameter * factor;
  const { form } = FAMILIES[bar.family];
  const line = form === "bowed" ? bow(sizes) : steps(sizes, form === "yoke" ? 70 : 25);
  const tube: Shape = { kind: "tube", role: "tube", points: line, thickness };
  const hasYoke = form === "yoke" || bar.family === "cambered-yoke";
  return [tube, ...(hasYoke ? yoke(sizes, thickness) : grips(bar, sizes, thickness)), ...sleeves(sizes, factor)];
}

/** Along the sleeves' axis, up at the raised part over a run of `run` mm, across, and down again. */
function steps({ halfShaft, yokeWidth, camberDrop }: DrawnSizes, run: number): Point[] {
  const top = yokeWidth / 2;
  const foot = Math.min(top + run, halfShaft);
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

/** Two shoulder pads with a handle in front of each, which from the front is seen nearly end on. */
function yoke({ yokeWidth, camberDrop, handleLength }: DrawnSizes, thickness: number): Shape[] {
  const half = yokeWidth / 2;
  const pad: Box = {
    ...boxAround("pad", half * 0.28, half * 0.94, thickness * 1.5, camberDrop),
    radius: thickness * 0.7,
  };
  // Handles slope down at about 20°, so from the front a third of their length shows.
  const handle: Shape = {
    kind: "tube",
    role: "handle",
    points: [
      [half * 0.6, camberDrop],
      [half * 0.6, camberDrop - handleLength * 0.35 - thickness * 0.6],
    ],
    thickness: thickness * 0.7,
  };
  return [handle, mirrored(handle), pad, mirrored(pad)];
}

/** Knurl on the raised part of a bar without a yoke. */
function grips(bar: Bar, { yokeWidth, camberDrop }: DrawnSizes, thickness: number): Shape[] {
  if (!bar.knurl || bar.knurl === "none" || FAMILIES[bar.family].form === "bowed") return [];
  return [boxAround(`knurl-${bar.knurl}`, -yokeWidth * 0.4, yokeWidth * 0.4, thickness, camberDrop)];
}
