import { kgFromMassUnits, type MassUnits } from "../units/exactMass";
import { trimmed } from "../units/format";
import { blowOf } from "./blow";
import type { LoadQuestion } from "./question";
import type { PlateKind } from "./plateKind";

/** One way to make a load, as far as floor and sleeve go. One side. */
export interface WayFacts {
  plates: number;
  /** What the plates take of a sleeve, in mm; null where a thickness is unknown. */
  sleeveMm: number | null;
  /** Where their common mass centre lies, from the collar, in mm; null where a thickness is unknown. */
  centreMm: number | null;
  /** Rubber at full diameter, in mm. */
  rubberMm: number;
  /** What each mm of it takes when dropped; null without such rubber. */
  kgPerMm: number | null;
  /** Whether it may be dropped by the house's rules. */
  mayDrop: boolean;
}

/**
 * What a stack is to the floor and to the sleeve.
 *
 * @param perSide one side, inside first
 * @returns mm and kg/mm
 */
export function wayFacts(question: LoadQuestion, perSide: readonly PlateKind[], totalUnits: MassUnits): WayFacts {
  const blow = blowOf(perSide, totalUnits, question.ironToRubber, question.maxKgPerRubberMm);
  let [at, moment, mass, isKnown] = [0, 0, 0, true];
  for (const { thicknessMm, massUnits } of perSide) {
    if (thicknessMm === null) isKnown = false;
    const thick = thicknessMm ?? 0;
    moment += massUnits * (at + thick / 2);
    mass += massUnits;
    at += thick;
  }
  return {
    plates: perSide.length,
    sleeveMm: isKnown ? at : null,
    centreMm: isKnown && mass > 0 ? moment / mass : null,
    rubberMm: blow.rubberMm,
    kgPerMm: blow.kgPerMm,
    mayDrop: blow.isCarried && blow.ironVerdict !== "refuse" && blow.rubberMm > 0,
  };
}

/** Differences smaller than this nobody feels: mm of sleeve, kg/mm. Ours. */
const FELT = { sleeveMm: 5, centreMm: 8, kgPerMm: 0.05 };

/**
 * What differs between two ways to one mass: for whoever carries plates, for the sleeve and the bar, and for the floor.
 *
 * @returns sentences about the second way against the first; empty where nothing differs
 */
export function differenceWords(one: WayFacts, two: WayFacts): string[] {
  const words: string[] = [];
  const plates = two.plates - one.plates;
  if (plates !== 0)
    words.push(
      `${Math.abs(plates)} ${Math.abs(plates) === 1 ? "plate" : "plates"} ${plates > 0 ? "more" : "fewer"} a side to carry.`,
    );
  if (one.sleeveMm !== null && two.sleeveMm !== null && Math.abs(two.sleeveMm - one.sleeveMm) >= FELT.sleeveMm) {
    const by = two.sleeveMm - one.sleeveMm;
    words.push(`It takes ${trimmed(Math.abs(by), 0)} mm ${by > 0 ? "more" : "less"} of the sleeve.`);
  }
  if (one.centreMm !== null && two.centreMm !== null && Math.abs(two.centreMm - one.centreMm) >= FELT.centreMm) {
    const by = two.centreMm - one.centreMm;
    words.push(
      `Its mass sits ${trimmed(Math.abs(by), 0)} mm ${by > 0 ? "farther out: the bar bends more" : "nearer to the collar: the bar bends less"}.`,
    );
  }
  if (one.mayDrop !== two.mayDrop)
    words.push(two.mayDrop ? "It may be dropped; the first may not." : "It may not be dropped; the first may.");
  else if (
    two.mayDrop &&
    one.kgPerMm !== null &&
    two.kgPerMm !== null &&
    Math.abs(two.kgPerMm - one.kgPerMm) >= FELT.kgPerMm
  )
    words.push(
      `Dropped, each mm of rubber takes ${trimmed(two.kgPerMm, 2)} kg instead of ${trimmed(one.kgPerMm, 2)} kg: ${two.kgPerMm < one.kgPerMm ? "kinder to the floor" : "harder on the floor"}.`,
    );
  return words;
}

/**
 * Kilograms of a whole load made of one side's plates.
 *
 * @returns kg, bar and clamps included
 */
export const totalOf = (question: LoadQuestion, perSide: readonly PlateKind[]): number =>
  kgFromMassUnits(
    question.barUnits + question.clampPairUnits + 2 * perSide.reduce((sum, { massUnits }) => sum + massUnits, 0),
  );
