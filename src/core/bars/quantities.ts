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
}

/** Tolerances are house rules to start from. Common practice, no source. */
export const QUANTITIES: Record<QuantityKind, QuantityFacts> = {
  mass: facts("mass", "kg", 2, 0.2, [0.5, 200]),
  shaftDiameter: facts("shaft diameter", "mm", 2, 0.1, [10, 80]),
  shaftLength: facts("shaft length", "mm", 1, 2, [200, 3000]),
  collarThickness: facts("collar thickness", "mm", 1, 1, [0, 200]),
  seatToSeat: facts("seat to seat", "mm", 1, 2, [200, 3000]),
  sleeveLength: facts("loadable sleeve", "mm", 1, 2, [0, 1000]),
  sleeveDiameter: facts("sleeve diameter", "mm", 2, 0.3, [10, 80]),
  overallLength: facts("overall length", "mm", 1, 2, [200, 4000]),
  runout: facts("runout (TIR)", "mm", 2, null, [0, 100]),
  endPlay: facts("sleeve end play", "mm", 2, null, [0, 50]),
  spinDown: facts("sleeve spin-down", "s", 1, null, [0, 600]),
  camberDrop: facts("camber drop", "mm", 0, 2, [-500, 800]),
  camberForward: facts("camber forward", "mm", 0, 2, [-500, 800]),
  yokeWidth: facts("raised part, width", "mm", 0, 2, [50, 1500]),
  handleLength: facts("handle length", "mm", 0, 2, [20, 800]),
  frameWidth: facts("inside width of the frame", "mm", 0, 2, [200, 1200]),
  frameDepth: facts("inside depth of the frame", "mm", 0, 2, [200, 1500]),
};

function facts(
  label: string,
  unit: QuantityFacts["unit"],
  decimals: number,
  tolerance: number | null,
  range: readonly [number, number],
): QuantityFacts {
  return { label, unit, decimals, tolerance, range };
}
