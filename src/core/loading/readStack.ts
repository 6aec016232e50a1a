import type { Problem } from "../problem";
import { PLATE_MATERIALS, type PlateMaterial } from "./plateKind";

/** A plate as people name it. */
export interface NamedPlate {
  id: string;
  /** Digits as marked, and their unit. */
  value: string;
  unit: "kg" | "lb";
  material: PlateMaterial | null;
}

/** What people call materials, beside their keys. */
const MATERIAL_WORDS: Record<string, readonly PlateMaterial[]> = {
  rubber: ["bumper", "urethane"],
  ...Object.fromEntries(PLATE_MATERIALS.map((key) => [key, [key]])),
};
const MAX_PLATES = 40;
const PART = /^(?:(\d{1,2})\s*[x×*]\s*)?(\d+(?:[.,]\d+)?)\s*(kgs?|lbs?)?\s*([a-z]+)?(?:\s*[x×*]\s*(\d{1,2}))?$/i;

/**
 * Reads the plates of one side as somebody types them, inside first: "25 kg, 15, 2 × 5 lb iron". A number without a unit
 * is the plate that is marked so; where kg and lb plates both are, the unit is asked for.
 *
 * @param known plates of the gym, the one that is meant first where several are alike.
 * @returns plate ids of one side, inside first; or every part that could not be read
 */
export function readStack(
  text: string,
  known: readonly NamedPlate[],
): { ok: true; perSide: string[] } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const perSide: string[] = [];
  const refuse = (message: string) => problems.push({ path: "stack", message });
  const isMarked = (digits: string) => known.some(({ value }) => Number(value) === Number(digits));
  const parts = text
    // A comma between digits is a decimal point where a plate is marked so, else it parts two plates.
    .replace(/(\d+),(\d+)/g, (both, whole: string, decimals: string) =>
      isMarked(`${whole}.${decimals}`) ? `${whole}.${decimals}` : both,
    )
    .split(/[;+\n,]|\sand\s/i)
    .map((part) => part.trim())
    .filter(Boolean);
  for (const part of parts) {
    const found = PART.exec(part);
    if (!found) {
      refuse(`“${part}” is no plate: write 25 kg, or 2 × 10 lb.`);
      continue;
    }
    const [, before, digits, unitText, material, after] = found;
    const unit = unitText && (unitText.toLowerCase().startsWith("kg") ? "kg" : "lb");
    const materials = material === undefined ? null : MATERIAL_WORDS[material.toLowerCase()];
    if (materials === undefined) {
      refuse(`“${material}” is no material: rubber, iron, steel or urethane.`);
      continue;
    }
    const alike = known.filter(
      (plate) =>
        Number(plate.value) === Number(digits) &&
        (!unit || plate.unit === unit) &&
        (materials === null || (plate.material !== null && materials.includes(plate.material))),
    );
    if (alike.length === 0) {
      refuse(`There is no plate of ${[digits, unit, material?.toLowerCase()].filter(Boolean).join(" ")} here.`);
      continue;
    }
    if (new Set(alike.map((plate) => plate.unit)).size > 1) {
      refuse(`“${part}”: ${digits} kg or ${digits} lb? Write the unit.`);
      continue;
    }
    const count = Number(before ?? after ?? 1);
    if (count < 1 || perSide.length + count > MAX_PLATES) refuse(`At most ${MAX_PLATES} plates a side.`);
    else perSide.push(...new Array<string>(count).fill(alike[0]!.id));
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, perSide };
}
