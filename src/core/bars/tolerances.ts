import { QUANTITIES, QUANTITY_KINDS, type QuantityKind } from "./quantities";

/** How far measured may lie from stated before it is flagged, by quantity; a house rule. Null is never flagged. */
export type Tolerances = Record<QuantityKind, number | null>;

/** What a house starts with. Common practice, no source. */
export const STARTING_TOLERANCES: Tolerances = Object.fromEntries(
  QUANTITY_KINDS.map((kind) => [kind, QUANTITIES[kind].tolerance]),
) as Tolerances;

/**
 * The house's tolerances over the starting ones; what is no sensible number is left at its start.
 *
 * @returns a tolerance for each quantity in its unit; null where none is flagged
 */
export function tolerancesFrom(saved: unknown): Tolerances {
  const own = (typeof saved === "object" && saved !== null ? saved : {}) as Record<string, unknown>;
  return Object.fromEntries(
    QUANTITY_KINDS.map((kind) => {
      const value = own[kind];
      const isSensible = typeof value === "number" && Number.isFinite(value) && value >= 0;
      return [kind, isSensible ? value : STARTING_TOLERANCES[kind]];
    }),
  ) as Tolerances;
}
