import type { DrawnSizes } from "./drawnSizes";
import { boxAround, mirrored, type Shape } from "./shapes";

/** A collar is about half again as thick as its sleeve; nobody measures it, it is drawn so. */
const COLLAR_TO_SLEEVE = 1.5;

/**
 * Both sleeves and both collars, from the shaft's ends outwards.
 *
 * @returns shapes in mm
 */
export function sleeves(sizes: DrawnSizes, factor: number): Shape[] {
  const right = [
    boxAround("sleeve", sizes.seat, sizes.seat + sizes.sleeveLength, sizes.sleeveDiameter * factor),
    ...(sizes.seat > sizes.halfShaft
      ? [boxAround("collar", sizes.halfShaft, sizes.seat, sizes.sleeveDiameter * COLLAR_TO_SLEEVE * factor)]
      : []),
  ];
  return [...right, ...right.map(mirrored)];
}
