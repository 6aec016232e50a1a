import type { PlateMaterial } from "@/core/loading/plateKind";
import { plateLabels, plateMark } from "./plateWords";
import { DRAWN_DIAMETER_MM, DRAWN_THICKNESS_MM, type PlateFace } from "./Sleeve";

interface FacedPlate {
  massValue: string;
  massUnit: string;
  material?: PlateMaterial | null;
  colour: string | null;
  thicknessMm: number | null;
  diameterMm: number | null;
}

type DrawnFace = PlateFace & { thicknessMm: number; diameterMm: number };

/** How every plate of a gym looks; drawn at a usual size where nobody measured it. */
export function facesOf(plates: ReadonlyMap<string, FacedPlate>): Record<string, DrawnFace> {
  const labels = plateLabels(plates);
  return Object.fromEntries(
    [...plates].map(([key, plate]) => [
      key,
      {
        label: labels.get(key) ?? key,
        mark: plateMark(plate),
        colour: plate.colour,
        thicknessMm: plate.thicknessMm ?? DRAWN_THICKNESS_MM,
        diameterMm: plate.diameterMm ?? DRAWN_DIAMETER_MM,
      },
    ]),
  );
}
