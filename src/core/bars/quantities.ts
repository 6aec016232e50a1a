import type { BarForm } from "./families";

/** What can be measured on a bar. Each kind has one computing unit and one house tolerance to start from. */
export const QUANTITY_KINDS = [
  "mass",
  "shaftDiameter",
  "shaftLength",
  "collarThickness",
  "seatToSeat",
  "sleeveLength",
  "sleeveDiameter",
  "overallLength",
  "runout",
  "endPlay",
  "spinDown",
  "camberDrop",
  "camberForward",
  "yokeWidth",
  "handleLength",
  "frameWidth",
  "frameDepth",
  "handleOffset",
  "rackSpanInner",
  "rackSpanOuter",
  "jCupOffset",
  "lowestPart",
  "knurlDepth",
  "knurlPitch",
] as const;

export type QuantityKind = (typeof QUANTITY_KINDS)[number];

export interface QuantityFacts {
  label: string;
  unit: "kg" | "mm" | "s";
  /** Decimals worth reading. */
  decimals: number;
  /** How far measured may lie from stated before it is flagged; null where a seller states nothing. */
  tolerance: number | null;
  /** The least and greatest value that can be true of a bar. */
  range: readonly [number, number];
  /** What it is read with. */
  instrument: Instrument;
  /** Forms that have it; every bar when not said. */
  forms?: readonly BarForm[];
  /** Where to read, in turn. */
  spots: readonly string[];
}

/** What reads a quantity. */
export const INSTRUMENTS = ["scale", "caliper", "tape", "dial gauge", "stopwatch", "angle gauge"] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

const ONCE_AGAIN = ["first", "again", "once more"];
/** Shafts are neither round nor even: three places, each in two directions. */
const SHAFT_SPOTS = [
  "left third, flat",
  "left third, turned a quarter",
  "middle, flat",
  "middle, turned a quarter",
  "right third, flat",
  "right third, turned a quarter",
];
const BOTH_SLEEVES = ["left sleeve", "right sleeve", "once more"];
const RAISED: readonly BarForm[] = ["yoke", "cambered"];
const SPECIAL: readonly BarForm[] = ["yoke", "cambered", "bowed", "frame", "multi-grip"];

/** Tolerances are house rules to start from. Common practice, no source. */
export const QUANTITIES: Record<QuantityKind, QuantityFacts> = {
  mass: facts("mass", "kg", 2, 0.2, [0.5, 200], "scale"),
  shaftDiameter: facts("shaft diameter", "mm", 2, 0.1, [10, 80], "caliper", { spots: SHAFT_SPOTS }),
  shaftLength: facts("shaft length", "mm", 1, 2, [200, 3000], "tape"),
  collarThickness: facts("collar thickness", "mm", 1, 1, [0, 200], "caliper", { spots: BOTH_SLEEVES }),
  seatToSeat: facts("seat to seat", "mm", 1, 2, [200, 3000], "tape"),
  sleeveLength: facts("loadable sleeve", "mm", 1, 2, [0, 1000], "tape", { spots: BOTH_SLEEVES }),
  sleeveDiameter: facts("sleeve diameter", "mm", 2, 0.3, [10, 80], "caliper", { spots: BOTH_SLEEVES }),
  overallLength: facts("overall length", "mm", 1, 2, [200, 4000], "tape"),
  runout: facts("runout (TIR)", "mm", 2, null, [0, 100], "dial gauge", { forms: ["straight"] }),
  endPlay: facts("sleeve end play", "mm", 2, null, [0, 50], "dial gauge", { spots: BOTH_SLEEVES }),
  spinDown: facts("sleeve spin-down", "s", 1, null, [0, 600], "stopwatch", { spots: BOTH_SLEEVES }),
  camberDrop: facts("camber drop", "mm", 0, 2, [-500, 800], "tape", { forms: [...RAISED, "bowed"] }),
  camberForward: facts("camber forward", "mm", 0, 2, [-500, 800], "tape", { forms: RAISED }),
  yokeWidth: facts("raised part, width", "mm", 0, 2, [50, 1500], "tape", { forms: RAISED }),
  handleLength: facts("handle length", "mm", 0, 2, [20, 800], "tape", { forms: ["yoke", "cambered", "frame"] }),
  frameWidth: facts("inside width of the frame", "mm", 0, 2, [200, 1200], "tape", { forms: ["frame", "multi-grip"] }),
  frameDepth: facts("inside depth of the frame", "mm", 0, 2, [100, 1500], "tape", { forms: ["frame", "multi-grip"] }),
  handleOffset: facts("handles above the sleeve axis", "mm", 0, 2, [-300, 300], "tape", {
    forms: ["frame", "multi-grip"],
  }),
  rackSpanInner: facts("rack span, inside", "mm", 0, 2, [0, 2000], "tape", { forms: SPECIAL }),
  rackSpanOuter: facts("rack span, outside", "mm", 0, 2, [200, 2500], "tape", { forms: SPECIAL }),
  jCupOffset: facts("J-cups against a straight bar", "mm", 0, 2, [-600, 600], "tape", { forms: SPECIAL }),
  lowestPart: facts("lowest hanging part", "mm", 0, 2, [-200, 800], "tape", { forms: SPECIAL }),
  knurlDepth: facts("knurl depth", "mm", 2, 0.1, [0, 2], "dial gauge", { forms: ["straight", "bowed", "zigzag"] }),
  knurlPitch: facts("knurl pitch", "mm", 2, 0.1, [0.3, 5], "caliper", { forms: ["straight", "bowed", "zigzag"] }),
};

/**
 * The quantity's name on a bar of some form: the rise of an arch and the drop of a camber are one number.
 *
 * @returns words in small letters
 */
export function quantityLabel(kind: QuantityKind, form: BarForm): string {
  return kind === "camberDrop" && form === "bowed" ? "arch rise" : QUANTITIES[kind].label;
}

/**
 * What can be measured on a bar of a form; a fixed sleeve does not spin.
 *
 * @returns kinds in the order in which they are measured
 */
export function measurableKinds(form: BarForm, isSleeveFixed: boolean): QuantityKind[] {
  return QUANTITY_KINDS.filter((kind) => {
    const { forms } = QUANTITIES[kind];
    if (isSleeveFixed && (kind === "spinDown" || kind === "endPlay")) return false;
    return forms === undefined || forms.includes(form);
  });
}

function facts(
  label: string,
  unit: QuantityFacts["unit"],
  decimals: number,
  tolerance: number | null,
  range: readonly [number, number],
  instrument: Instrument,
  { forms, spots = ONCE_AGAIN }: { forms?: readonly BarForm[]; spots?: readonly string[] } = {},
): QuantityFacts {
  return { label, unit, decimals, tolerance, range, instrument, spots, ...(forms ? { forms } : {}) };
}
