import type { Bar } from "../bars/bar";
import type { DrawnSizes } from "./drawnSizes";
import { boxAround, mirrored, type Shape, type ShapeRole } from "./shapes";
import { sleeves } from "./sleeves";

/** Where the outer knurl ends towards the middle when nobody measured it. Common practice, no source. */
export const KNURL_INNER_MM = 205;
/** Half the width of a centre knurl. Common practice, no source. */
const CENTRE_KNURL_HALF_MM = 60;
const RING_MARK_WIDTH_MM = 5;

/** Half the distance between ring marks, in mm (IPF and IWF technical rules, from memory: 810 and 910 mm apart). */
const RING_MARKS_AT_MM = { none: [], powerlifting: [405], weightlifting: [455], dual: [405, 455] } as const;

/**
 * Shaft, knurl and plain zones, ring marks, collars, sleeves.
 *
 * @returns shapes in mm
 */
export function straightBar(bar: Bar, sizes: DrawnSizes, factor: number): Shape[] {
  const thickness = sizes.shaftDiameter * factor;
  const shaft = boxAround("shaft", -sizes.halfShaft, sizes.halfShaft, thickness);
  return [shaft, ...knurling(bar, sizes.halfShaft, thickness), ...sleeves(sizes, factor)];
}

function knurling(bar: Bar, halfShaft: number, thickness: number): Shape[] {
  const shapes: Shape[] = [];
  const knurl = bar.knurl ?? "none";
  if (knurl !== "none") {
    const role: ShapeRole = `knurl-${knurl}`;
    const outer = halfShaft - (bar.plainGapMm ?? 0);
    // A squat bar is knurled throughout.
    const inner = bar.family === "squat" ? 0 : Math.min(KNURL_INNER_MM, outer);
    const right = boxAround(role, inner, outer, thickness);
    shapes.push(right, mirrored(right));
    if (bar.centreKnurl !== null && bar.centreKnurl !== "none" && inner > 0)
      shapes.push(
        boxAround(
          bar.centreKnurl === "passive" ? "knurl-passive" : role,
          -CENTRE_KNURL_HALF_MM,
          CENTRE_KNURL_HALF_MM,
          thickness,
        ),
      );
  }
  for (const at of RING_MARKS_AT_MM[bar.ringMarks ?? "none"]) {
    const mark = boxAround("ring-mark", at - RING_MARK_WIDTH_MM / 2, at + RING_MARK_WIDTH_MM / 2, thickness);
    shapes.push(mark, mirrored(mark));
  }
  return shapes;
}
