import type { Bar } from "../bars/bar";
import type { FamilyKey } from "../bars/families";
import type { Quantity } from "../bars/effectiveQuantity";
import type { QuantityKind } from "../bars/quantities";

const stated = (value: number): Quantity => ({ value, source: "stated", statedValue: value });

/** Usual lengths of a bar that carries plates with a 50 mm hole; drawn beside the words of the glossary, never counted. */
const USUAL: Partial<Record<QuantityKind, Quantity>> = {
  ...{ shaftDiameter: stated(29), shaftLength: stated(1310), collarThickness: stated(30), sleeveLength: stated(415) },
  ...{ sleeveDiameter: stated(50), overallLength: stated(2200) },
};

/**
 * A bar of a family as it is drawn where none of a gym's own is meant.
 *
 * @returns a bar of which nothing is known but its usual lengths
 */
export function sampleBar(family: FamilyKey): Bar {
  return {
    ...{ tag: "", name: "", family, state: "in-service", quantities: USUAL, sleeveRotation: "bushing", alloy: null },
    ...{
      elasticModulusGPa: null,
      yieldMPa: null,
      finish: null,
      knurl: "medium",
      centreKnurl: "full",
      ringMarks: "dual",
    },
    ...{ plainGapMm: 20, canBeRacked: null, rating: null, hardLimitKg: null, stateReason: null },
  };
}
