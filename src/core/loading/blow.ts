import { kgFromMassUnits } from "../units/exactMass";
import { IRON_TO_RUBBER, ironShareVerdict, MAX_KG_PER_RUBBER_MM, type DropVerdict, type IronToRubber } from "./endings";
import { isFullDiameter, isRubber, type PlateKind } from "./plateKind";
import { sideOf } from "./side";

/** What happens to a side that is dropped, plate by plate. */
export interface Blow {
  /** By place on the sleeve: whether it meets the floor, and whether it is rubber. */
  plates: { meetsFloor: boolean; isRubber: boolean }[];
  /** Rubber at full diameter on one side, in mm. */
  rubberMm: number;
  /** Total mass over the rubber of both sides, kg/mm; null without such rubber. */
  kgPerMm: number | null;
  maxKgPerMm: number;
  isCarried: boolean;
  /** Iron over rubber by mass; null without rubber. */
  ironShare: number | null;
  ironVerdict: DropVerdict;
}

/**
 * How the blow of a dropped bar is taken by the house's rules (handbook §10; common practice, no source).
 *
 * @returns shares, kg a mm of rubber, and what the rules say to each
 */
export function blowOf(
  perSide: readonly PlateKind[],
  totalUnits: number,
  rule: IronToRubber = IRON_TO_RUBBER,
  maxKgPerMm: number = MAX_KG_PER_RUBBER_MM,
): Blow {
  const side = sideOf(perSide);
  const rubberMm = side.fullRubberWidthMm;
  const kgPerMm = rubberMm > 0 ? kgFromMassUnits(totalUnits) / (2 * rubberMm) : null;
  return {
    plates: perSide.map((plate) => ({ meetsFloor: isFullDiameter(plate), isRubber: isRubber(plate) })),
    rubberMm,
    kgPerMm,
    maxKgPerMm,
    isCarried: perSide.length === 0 || (kgPerMm !== null && kgPerMm <= maxKgPerMm),
    ironShare: side.rubberUnits > 0 ? side.ironUnits / side.rubberUnits : null,
    ironVerdict: ironShareVerdict(side, rule),
  };
}
