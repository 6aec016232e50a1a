import { trimmed } from "@/core/units/format";
import { commonInnerPart } from "@/core/loading/handled";
import type { PlateMaterial } from "@/core/loading/plateKind";

interface NamedPlate {
  massValue: string;
  massUnit: string;
  material?: PlateMaterial | null;
}
type NamedPlates = ReadonlyMap<string, NamedPlate>;

const MATERIAL_WORDS: Record<PlateMaterial, string> = {
  bumper: "rubber",
  urethane: "urethane",
  iron: "iron",
  steel: "steel",
};

/** What is written on a plate, with its unit: "25 kg", "45 lb". */
export const plateMark = ({ massValue, massUnit }: NamedPlate): string =>
  `${trimmed(Number(massValue), 3)} ${massUnit}`;

const known = new WeakMap<NamedPlates, ReadonlyMap<string, string>>();

/**
 * What plates of a gym are called: the mark with its unit, and the material where the same mark is there in another one:
 * "25 kg rubber", "25 kg steel", "25 lb", "45 lb".
 */
export function plateLabels(plates: NamedPlates): ReadonlyMap<string, string> {
  let labels = known.get(plates);
  if (!labels) {
    const all = [...plates.values()];
    const isAmbiguous = ({ massValue, massUnit, material }: NamedPlate) =>
      all.some(
        (other) =>
          other.massUnit === massUnit &&
          Number(other.massValue) === Number(massValue) &&
          (other.material ?? null) !== (material ?? null),
      );
    labels = new Map(
      [...plates].map(([key, plate]) => [
        key,
        plate.material && isAmbiguous(plate)
          ? `${plateMark(plate)} ${MATERIAL_WORDS[plate.material]}`
          : plateMark(plate),
      ]),
    );
    known.set(plates, labels);
  }
  return labels;
}

/** What one plate of them is called. */
export const plateLabel = (key: string, plates: NamedPlates): string => plateLabels(plates).get(key) ?? key;

/** The words a person would say for a stack: "25 kg, 20 kg, 2 × 5 lb". Neighbours that are called alike are counted together. */
export const stackWords = (stack: readonly string[], plates: NamedPlates): string =>
  wordsOf(stack, (key) => plateLabel(key, plates));

/** The same for whoever knows what is written on each plate. */
export function wordsOf(stack: readonly string[], labelOf: (key: string) => string): string {
  const runs: { label: string; count: number }[] = [];
  for (const key of stack) {
    const label = labelOf(key);
    const last = runs.at(-1);
    if (last?.label === label) last.count += 1;
    else runs.push({ label, count: 1 });
  }
  return runs.map(({ label, count }) => (count > 1 ? `${count} × ${label}` : label)).join(", ");
}

/** What to take off (outside first) and what to put on (inside first) to come from one stack to another. */
export function changeBetween(before: readonly string[], after: readonly string[]): { off: string[]; on: string[] } {
  const kept = commonInnerPart(before, after);
  return { off: before.slice(kept).toReversed(), on: after.slice(kept) };
}
