import type { Instrument } from "../bars/quantities";

/** What a made-up instrument can do. Steps, noise and zero error in the unit of the quantity (kg, mm or s). */
export interface InstrumentFacts {
  name: string;
  unit: "kg" | "mm" | "s" | "°";
  /** The smallest step it shows. */
  resolution: number;
  /** Standard deviation from one reading to the next. */
  noise: number;
  /** The zero it may wake up with lies within ± this. */
  worstZero: number;
  /** What to do to null it. */
  howToNull: string;
}

/** Simulated instruments, about as good as those found in a gym. Invented figures. */
export const SIMULATED_INSTRUMENTS: Record<Instrument, InstrumentFacts> = {
  caliper: {
    name: "caliper",
    unit: "mm",
    resolution: 0.01,
    noise: 0.012,
    worstZero: 0.25,
    howToNull: "close the jaws",
  },
  tape: { name: "tape", unit: "mm", resolution: 0.5, noise: 0.4, worstZero: 3, howToNull: "push the hook in" },
  scale: {
    name: "scale",
    unit: "kg",
    resolution: 0.02,
    noise: 0.012,
    worstZero: 0.6,
    howToNull: "take everything off",
  },
  "dial gauge": {
    name: "dial gauge",
    unit: "mm",
    resolution: 0.01,
    noise: 0.008,
    worstZero: 0.4,
    howToNull: "turn the face to zero",
  },
  "angle gauge": {
    name: "angle gauge",
    unit: "°",
    resolution: 0.1,
    noise: 0.08,
    worstZero: 1.5,
    howToNull: "lay it on the trunk of the rack",
  },
  stopwatch: { name: "stopwatch", unit: "s", resolution: 0.1, noise: 0.25, worstZero: 0, howToNull: "reset it" },
};

/** An instrument in the hand: what it is, the zero it has now, and where its noise comes from. */
export interface SimulatedInstrument {
  kind: Instrument;
  /** What it shows when it should show nothing. */
  zeroError: number;
  isNulled: boolean;
  /** State of the generator; a whole number. */
  seed: number;
}

/**
 * An instrument as it comes out of the drawer, with a zero error of its own. The same seed gives the same instrument.
 *
 * @returns an instrument that was not nulled yet
 */
export function takeInstrument(kind: Instrument, seed: number): SimulatedInstrument {
  const { worstZero, resolution } = SIMULATED_INSTRUMENTS[kind];
  const [u, next] = uniform(seed);
  // Never so small that nobody could see it: at least a third of the worst.
  const size = worstZero * (1 / 3 + (2 / 3) * Math.abs(2 * u - 1)) * (u < 0.5 ? -1 : 1);
  return { kind, zeroError: toStep(size, resolution), isNulled: worstZero === 0, seed: next };
}

/**
 * One reading of a true value: value + zero error + noise, on the instrument's steps. Reading moves its noise on.
 *
 * @returns the reading in the instrument's unit, and the instrument as it is afterwards
 */
export function readInstrument(
  instrument: SimulatedInstrument,
  trueValue: number,
): { reading: number; instrument: SimulatedInstrument } {
  const { noise, resolution } = SIMULATED_INSTRUMENTS[instrument.kind];
  const [deviate, seed] = normal(instrument.seed);
  const reading = toStep(trueValue + instrument.zeroError + noise * deviate, resolution);
  return { reading, instrument: { ...instrument, seed } };
}

/**
 * Nulls it: what it shows with nothing in it becomes its zero, to within half a step.
 *
 * @returns the instrument nulled; the one given is not changed
 */
export function nullInstrument(instrument: SimulatedInstrument): SimulatedInstrument {
  return { ...instrument, zeroError: 0, isNulled: true };
}

function toStep(value: number, step: number): number {
  return Number((Math.round(value / step) * step).toFixed(4));
}

/** A number in [0, 1) and the next state: a 32-bit linear congruential step, mixed. Steady on every machine. */
function uniform(seed: number): [number, number] {
  const next = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  let mixed = next;
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x45d9f3b);
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x45d9f3b);
  return [((mixed ^ (mixed >>> 16)) >>> 0) / 2 ** 32, next];
}

/** A standard normal deviate by Box and Muller's method, and the next state. */
function normal(seed: number): [number, number] {
  const [u, second] = uniform(seed);
  const [v, next] = uniform(second);
  return [Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v), next];
}

/**
 * A steady seed from words, so that the same bar always measures the same. FNV-1a.
 *
 * @returns a whole number below 2³²
 */
export function seedFrom(...words: string[]): number {
  let hash = 0x811c9dc5;
  for (const character of words.join("\u0000")) hash = Math.imul(hash ^ character.codePointAt(0)!, 0x01000193);
  return hash >>> 0;
}

/**
 * One deviate that belongs to a seed.
 *
 * @returns a deviate of the normal distribution with mean 0 and deviation 1
 */
export function deviateOf(seed: number): number {
  return normal(seed)[0];
}
