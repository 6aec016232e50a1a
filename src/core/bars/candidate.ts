import { ALLOYS, type Alloy, type Bar } from "./bar";
import type { Quantity } from "./effectiveQuantity";
import { QUANTITIES, type QuantityKind } from "./quantities";

/** A bar that nobody owns yet, as a link says it: name and figures between tildes. */
export interface Candidate {
  name: string;
  massKg: number;
  shaftDiameterMm: number;
  shaftLengthMm: number;
  collarThicknessMm: number;
  alloy: Alloy;
  yieldMPa: number | null;
}

const MAX_NAME = 30;

/**
 * Reads "Offer A~20~28.5~1310~30~alloy-steel~1100" (the yield strength may be missing).
 * @returns null when a figure is missing or cannot be true of a bar.
 */
export function readCandidate(text: string): Candidate | null {
  const [name = "", mass, diameter, length, collar, alloy, yieldText] = text.split("~");
  const within = (value: string | undefined, kind: QuantityKind) => {
    const [least, most] = QUANTITIES[kind].range;
    const number = value === undefined || value.trim() === "" ? NaN : Number(value);
    return number >= least && number <= most ? number : null;
  };
  const figures = {
    massKg: within(mass, "mass"),
    shaftDiameterMm: within(diameter, "shaftDiameter"),
    shaftLengthMm: within(length, "shaftLength"),
    collarThicknessMm: within(collar, "collarThickness"),
  };
  if (Object.values(figures).includes(null)) return null;
  const yieldMPa = yieldText ? Number(yieldText) : NaN;
  return {
    name: name.trim().slice(0, MAX_NAME) || "offer",
    ...(figures as Record<keyof typeof figures, number>),
    alloy: ALLOYS.find((key) => key === alloy) ?? "alloy-steel",
    yieldMPa: yieldMPa >= 1 && yieldMPa <= 5000 ? yieldMPa : null,
  };
}

/**
 * A candidate as a link carries it.
 *
 * @returns the candidate as one text that a link can carry
 */
export function candidateText(candidate: Candidate): string {
  const { name, massKg, shaftDiameterMm, shaftLengthMm, collarThicknessMm, alloy, yieldMPa } = candidate;
  return [
    name.replaceAll("~", " "),
    massKg,
    shaftDiameterMm,
    shaftLengthMm,
    collarThicknessMm,
    alloy,
    yieldMPa ?? "",
  ].join("~");
}

/**
 * A candidate as a bar on trial: everything stated, tagged "A?", "B?" by its place in the list.
 *
 * @returns a bar of stated values, in mm and kg
 */
export function candidateBar(candidate: Candidate, index: number): Bar {
  const stated = (value: number): Quantity => ({ value, source: "stated", statedValue: value });
  return {
    tag: `${String.fromCharCode(65 + index)}?`,
    name: candidate.name,
    family: "all-round",
    state: "on-order",
    stateReason: "not bought: an offer",
    quantities: {
      mass: stated(candidate.massKg),
      shaftDiameter: stated(candidate.shaftDiameterMm),
      shaftLength: stated(candidate.shaftLengthMm),
      collarThickness: stated(candidate.collarThicknessMm),
    },
    sleeveRotation: null,
    alloy: candidate.alloy,
    elasticModulusGPa: null,
    yieldMPa: candidate.yieldMPa,
    finish: null,
    knurl: null,
    centreKnurl: null,
    ringMarks: null,
    canBeRacked: null,
    plainGapMm: null,
    rating: null,
    hardLimitKg: null,
  };
}
