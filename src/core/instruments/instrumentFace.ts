import type { Instrument } from "../bars/quantities";
import { KG_PER_LB, MM_PER_IN } from "../units/constants";
import { fixed, trimmed } from "../units/format";
import { inchFraction, type Units } from "../units/shown";
import { SIMULATED_INSTRUMENTS } from "./simulatedInstrument";

/** Decimals on the face of each, in kg, mm, s or degrees. */
const PLACES: Record<Instrument, number> = {
  scale: 2,
  caliper: 2,
  tape: 1,
  "dial gauge": 2,
  stopwatch: 1,
  "angle gauge": 1,
};
/** What a caliper or a dial shows of an inch. */
const INCH_PLACES = 3;

const isPounds = (unit: string, { mass }: Units) => unit === "kg" && mass === "lb";
const isInches = (unit: string, { length }: Units) => unit === "mm" && length === "in";

/**
 * What stands on a made-up instrument that is switched to a person's units: a tape has marks every 1/32 in.
 *
 * @param value in kg, mm or s
 * @returns digits, or inches and a fraction, without the unit
 */
export function instrumentFace(value: number, kind: Instrument, unit: string, units: Units): string {
  if (isPounds(unit, units)) return fixed(value / KG_PER_LB, PLACES[kind]);
  if (!isInches(unit, units)) return fixed(value, PLACES[kind]);
  return kind === "tape" ? inchFraction(value / MM_PER_IN) : fixed(value / MM_PER_IN, INCH_PLACES);
}

/**
 * The smallest step that it shows then.
 *
 * @returns a figure with its unit
 */
export function instrumentStep(kind: Instrument, unit: string, units: Units): string {
  const { resolution } = SIMULATED_INSTRUMENTS[kind];
  if (isPounds(unit, units)) return `${trimmed(resolution / KG_PER_LB, 2)} lb`;
  if (!isInches(unit, units)) return `${resolution} ${unit}`;
  return kind === "tape" ? "1/32 in" : "0.001 in";
}
