import type { PlanPlate, StackOrder } from "./sessionQuestion";

/**
 * Kinds by when they go on: those of an inner group before those of an outer one, in any order within a group.
 *
 * @returns places in `plates`, by group, inside first; and whether any plan of the school keeps to these groups
 */
export function groupsOf(plates: readonly PlanPlate[], order: StackOrder): { groups: number[][]; isWhole: boolean } {
  const places = plates.map((_, k) => k).sort((a, b) => largerInside(plates[a]!, plates[b]!) || a - b);
  if (order === "any") return { groups: [places], isWhole: true };
  const groups: number[][] = [];
  let isWhole = true;
  for (const k of places) {
    const group = groups.at(-1);
    const last = group && plates[group.at(-1)!]!;
    const plate = plates[k]!;
    if (group && last && last.massUnits === plate.massUnits && !isSmaller(plate, last)) group.push(k);
    else groups.push([k]);
    // Where a diameter is unknown among several that differ, it could go between any of them.
    const rivals = plates.filter(({ massUnits }) => massUnits === plate.massUnits);
    const diameters = new Set(rivals.map(({ diameterMm }) => diameterMm ?? null));
    if (diameters.size > 2 && diameters.has(null)) isWhole = false;
  }
  return { groups, isWhole };
}

/** Heavier first, then larger; an unknown diameter is beside the largest of its mass. */
function largerInside(a: PlanPlate, b: PlanPlate): number {
  return b.massUnits - a.massUnits || (b.diameterMm ?? Infinity) - (a.diameterMm ?? Infinity) || 0;
}

function isSmaller(plate: PlanPlate, than: PlanPlate): boolean {
  return plate.diameterMm != null && than.diameterMm != null && plate.diameterMm < than.diameterMm;
}
