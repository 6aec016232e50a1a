import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { seatToSeatOf } from "../bars/lengths";
import { measurableKinds, quantityLabel, type QuantityKind } from "../bars/quantities";
import type { Drawing } from "./shapes";

/** A part of a drawn bar that leads to its measurement: a box in mm, y up. */
export interface TouchPart {
  kind: QuantityKind;
  label: string;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Usual where nothing is known, as the drawing has it. */
const USUAL_SEATS_MM = 1370;
const USUAL_COLLAR_MM = 30;
/** A finger needs more than a collar is wide. */
const MIN_WIDTH_MM = 70;

/**
 * What can be touched on a bar seen from the front: shaft or raised middle, knurl, collars, sleeves.
 *
 * @param drawing the bar as it is drawn, for how far it reaches
 * @returns boxes that do not cover one another except the collars, which lie on top
 */
export function touchParts(bar: Bar, { extent }: Drawing): TouchPart[] {
  const { form } = FAMILIES[bar.family];
  const kinds = new Set(measurableKinds(form, bar.sleeveRotation === "fixed"));
  const seat = (seatToSeatOf(bar)?.value ?? USUAL_SEATS_MM) / 2;
  const collar = valueOf(bar, "collarThickness") ?? USUAL_COLLAR_MM;
  const inner = seat - collar;
  const { top, bottom, right } = extent;
  const part = (kind: QuantityKind, from: number, to: number): TouchPart[] =>
    kinds.has(kind) && to > from
      ? [{ kind, label: quantityLabel(kind, form), left: from, right: to, top, bottom }]
      : [];
  const middle: QuantityKind =
    form === "straight" || form === "zigzag"
      ? "shaftDiameter"
      : form === "frame" || form === "multi-grip"
        ? "frameWidth"
        : "camberDrop";
  const half = Math.max(MIN_WIDTH_MM, collar) / 2;
  return [
    ...(kinds.has("knurlDepth")
      ? [
          ...part("knurlDepth", -inner, -inner / 3),
          ...part(middle, -inner / 3, inner / 3),
          ...part("knurlDepth", inner / 3, inner),
        ]
      : part(middle, -inner, inner)),
    ...part("sleeveDiameter", -right, -(seat + right) / 2),
    ...part("sleeveLength", -(seat + right) / 2, -seat),
    ...part("sleeveLength", seat, (seat + right) / 2),
    ...part("sleeveDiameter", (seat + right) / 2, right),
    ...part("collarThickness", -seat + collar / 2 - half, -seat + collar / 2 + half),
    ...part("collarThickness", seat - collar / 2 - half, seat - collar / 2 + half),
  ];
}
