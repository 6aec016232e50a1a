import { isFullDiameter, isRubber, type PlateKind } from "./plateKind";

/** What one side of a bar carries, summed up: everything the sleeve, the rating and the ending ask about. */
export interface Side {
  massUnits: number;
  plates: number;
  /** Plates of unknown thickness count as 0 here and are warned about. */
  thicknessMm: number;
  /** Iron and steel alike, and plates whose material nobody gave. */
  ironUnits: number;
  rubberUnits: number;
  /** Width of rubber that reaches the floor. */
  fullRubberWidthMm: number;
}

export const EMPTY_SIDE: Side = {
  massUnits: 0,
  plates: 0,
  thicknessMm: 0,
  ironUnits: 0,
  rubberUnits: 0,
  fullRubberWidthMm: 0,
};

/**
 * The side with a number of plates of one kind added; the side given is not changed.
 *
 * @returns a new sum in mass units and mm
 */
export function withPlates(side: Side, plate: PlateKind, count: number): Side {
  return withCounts(side, [plate], [count]);
}

/**
 * The side with so many plates of each kind added, in one pass.
 *
 * @returns a new sum in mass units and mm
 */
export function withCounts(start: Side, kinds: readonly PlateKind[], counts: readonly number[]): Side {
  const side = { ...start };
  for (let k = 0; k < counts.length; k += 1) {
    const count = counts[k]!;
    if (count === 0) continue;
    const plate = kinds[k]!;
    const mass = plate.massUnits * count;
    const thickness = (plate.thicknessMm ?? 0) * count;
    side.massUnits += mass;
    side.plates += count;
    side.thicknessMm += thickness;
    if (!isRubber(plate)) side.ironUnits += mass;
    else {
      side.rubberUnits += mass;
      if (isFullDiameter(plate)) side.fullRubberWidthMm += thickness;
    }
  }
  return side;
}

/**
 * The sum over a list of plates.
 *
 * @returns a sum in mass units and mm
 */
export function sideOf(plates: readonly PlateKind[]): Side {
  return plates.reduce((side, plate) => withPlates(side, plate, 1), EMPTY_SIDE);
}
