import { FAMILIES, type BarForm, type FamilyKey } from "./families";
import type { QuantityKind } from "./quantities";

type Three = readonly [QuantityKind, QuantityKind, QuantityKind];

const BY_FORM: Record<BarForm, Three> = {
  straight: ["shaftDiameter", "mass", "seatToSeat"],
  yoke: ["mass", "camberDrop", "camberForward"],
  cambered: ["mass", "camberDrop", "lowestPart"],
  bowed: ["mass", "camberDrop", "shaftDiameter"],
  frame: ["mass", "frameWidth", "handleOffset"],
  "multi-grip": ["mass", "frameWidth", "frameDepth"],
  zigzag: ["mass", "shaftDiameter", "shaftLength"],
};

/** What another family of the same form is chosen by. */
const BY_FAMILY: Partial<Record<FamilyKey, Three>> = {
  // How fast a sleeve turns, after how thick the shaft is in the hand.
  weightlifting: ["shaftDiameter", "mass", "spinDown"],
  "weightlifting-short": ["shaftDiameter", "mass", "spinDown"],
  technique: ["mass", "shaftDiameter", "sleeveLength"],
  power: ["shaftDiameter", "mass", "knurlDepth"],
  squat: ["mass", "shaftDiameter", "sleeveLength"],
  axle: ["shaftDiameter", "mass", "sleeveLength"],
};

/**
 * The three numbers that a bar of a family is chosen by. Common practice, no source.
 *
 * @returns three kinds, the first the one that is asked for first
 */
export function keyQuantities(family: FamilyKey): Three {
  return BY_FAMILY[family] ?? BY_FORM[FAMILIES[family].form];
}
