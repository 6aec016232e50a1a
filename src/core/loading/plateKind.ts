import type { MassUnits } from "../units/exactMass";

export const PLATE_MATERIALS = ["bumper", "iron", "steel", "urethane"] as const;
export type PlateMaterial = (typeof PLATE_MATERIALS)[number];

/** Plates that are alike: same mass, size and material. One pair is one plate for each side. */
export interface PlateKind {
  id: string;
  massUnits: MassUnits;
  pairs: number;
  thicknessMm: number | null;
  diameterMm: number | null;
  material: PlateMaterial | null;
}

/** Diameter of a full-size plate in mm (IWF Technical and Competition Rules, from memory: 450 mm). */
export const FULL_DIAMETER_MM = 450;

/**
 * Rubber for the purpose of dropping: bumpers, and urethane, which counts as rubber. Unknown material does not.
 *
 * @returns true for bumpers and urethane
 */
export function isRubber(plate: Pick<PlateKind, "material">): boolean {
  return plate.material === "bumper" || plate.material === "urethane";
}

/**
 * A plate that reaches the floor with the others: 450 mm, or rubber whose diameter nobody gave.
 *
 * @returns true when it does
 */
export function isFullDiameter(plate: Pick<PlateKind, "material" | "diameterMm">): boolean {
  return plate.diameterMm === null ? isRubber(plate) : plate.diameterMm >= FULL_DIAMETER_MM - 1;
}

/**
 * Larger first: greater mass, then greater diameter, then as listed. This is the order on the sleeve, inside first.
 *
 * @returns a new list; the one given is not changed
 */
export function largerFirst(plates: readonly PlateKind[]): PlateKind[] {
  return plates
    .map((plate, listedAt) => ({ plate, listedAt }))
    .sort(
      (a, b) =>
        b.plate.massUnits - a.plate.massUnits ||
        (b.plate.diameterMm ?? 0) - (a.plate.diameterMm ?? 0) ||
        a.listedAt - b.listedAt,
    )
    .map(({ plate }) => plate);
}
