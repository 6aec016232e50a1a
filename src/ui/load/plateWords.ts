import { trimmed } from "@/core/units/format";
import { commonInnerPart } from "@/core/loading/handled";

interface NamedPlate {
  massValue: string;
  massUnit: string;
}

/** What is written on a plate: "25", "45 lb"; kilograms go without their unit. */
export function plateLabel({ massValue, massUnit }: NamedPlate): string {
  const number = trimmed(Number(massValue), 3);
  return massUnit === "kg" ? number : `${number} ${massUnit}`;
}

/** The words a person would say for a stack: "25, 20, 2 × 5". Neighbours of the same mass are counted together. */
export const stackWords = (stack: readonly string[], plates: ReadonlyMap<string, NamedPlate>): string =>
  wordsOf(stack, (key) => plateLabel(plates.get(key)!));

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
