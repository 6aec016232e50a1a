import type { Zone } from "../wear/zones";

/** What an inspection decides, from the mildest to the gravest. */
export const INSPECTION_VERDICTS = ["keep", "watch", "quarantine", "retire"] as const;
export type InspectionVerdict = (typeof INSPECTION_VERDICTS)[number];

/** How rusty a shaft is; each grade is drawn beside its words. Our own scale. */
export const RUST_GRADES = [
  ["none", "bright, or evenly dark"],
  ["bloom", "a bloom that wipes off"],
  ["specks", "specks that stay after brushing"],
  ["patches", "patches, rough under the finger"],
  ["pits", "pits that a nail catches"],
] as const;
export type RustGrade = (typeof RUST_GRADES)[number][0];

export const KNURL_STATES = ["sharp", "worn", "smooth", "clogged"] as const;
export type KnurlState = (typeof KNURL_STATES)[number];

/** How the finish of the shaft has held. Our own scale. */
export const FINISH_STATES = ["whole", "scratched", "worn through"] as const;
export type FinishState = (typeof FINISH_STATES)[number];

/** Parts that can crack, bend or go missing; only what the bar has is asked. */
export const INSPECTED_PARTS = ["welds", "pins", "pads", "end caps"] as const;
export type InspectedPart = (typeof INSPECTED_PARTS)[number];
export const PART_STATES = ["sound", "worn", "loose", "cracked", "missing"] as const;
export type PartState = (typeof PART_STATES)[number];

/** How sleeves turn by hand. */
export const SLEEVE_FEELS = ["free", "drags"] as const;
export type SleeveFeel = (typeof SLEEVE_FEELS)[number];

/** What was found; what was not looked at is null. Lengths in mm, spin in seconds. */
export interface InspectionFacts {
  /** Dial readings round one turn, at even angles from 0°, in the middle of the shaft. */
  dialMm: readonly number[] | null;
  /** The same halfway to the left and the right support: with the middle they say where a bend is. */
  dialLeftMm?: readonly number[] | null;
  dialRightMm?: readonly number[] | null;
  /** Rolled on the floor it hops so that anybody sees it. */
  hops: boolean | null;
  crackSeen: boolean | null;
  /** How both sleeves turn by hand, where nobody timed them. */
  sleeves?: SleeveFeel | null;
  spinLeftS: number | null;
  spinRightS: number | null;
  endPlayMm: number | null;
  knurl: KnurlState | null;
  rust: RustGrade | null;
  /** On which part of the bar the knurl is so, and the rust. */
  knurlAt?: Zone | null;
  rustAt?: Zone | null;
  finish?: FinishState | null;
  parts: Partial<Record<InspectedPart, PartState>>;
  /** Whether a simulated instrument read any of it. */
  isSimulated?: boolean;
}

export interface Runout {
  /** Total indicator reading: twice the first harmonic, in mm. */
  tirMm: number;
  /** Where the bend points, in degrees from the first reading. */
  bendAtDeg: number;
  /** Largest difference between a reading and the fitted turn: grit, an oval shaft or a slip of the gauge. */
  residualMm: number;
}

/**
 * Runout from dial readings at even angles round one turn (handbook §11): the first harmonic is fitted, since a bend
 * goes round once; its double amplitude is the indicator's whole travel whatever angle the readings begin at, which
 * the largest less the smallest reading of eight under-reads by up to 8 %.
 *
 * @throws RangeError for fewer than four readings.
 * @returns total indicated runout in mm, where the bend points in degrees, and what one even turn does not explain, in mm
 */
export function runoutOf(dialMm: readonly number[]): Runout {
  const n = dialMm.length;
  if (n < 4) throw new RangeError("runout needs at least four readings round one turn");
  const mean = dialMm.reduce((sum, value) => sum + value, 0) / n;
  let [cos, sin] = [0, 0];
  dialMm.forEach((value, i) => {
    const angle = (2 * Math.PI * i) / n;
    cos += (2 / n) * value * Math.cos(angle);
    sin += (2 / n) * value * Math.sin(angle);
  });
  const residualMm = Math.max(
    ...dialMm.map((value, i) => {
      const angle = (2 * Math.PI * i) / n;
      return Math.abs(value - mean - cos * Math.cos(angle) - sin * Math.sin(angle));
    }),
  );
  const at = (Math.atan2(sin, cos) * 180) / Math.PI;
  return { tirMm: 2 * Math.hypot(cos, sin), bendAtDeg: (at + 360) % 360, residualMm };
}

/**
 * The greatest runout of the turns that were read: of one in the middle, or of three along the shaft.
 *
 * @returns null where no dial was read
 */
export function greatestRunout({ dialMm, dialLeftMm, dialRightMm }: InspectionFacts): Runout | null {
  const turns = [dialMm, dialLeftMm, dialRightMm].flatMap((dial) => (dial ? [runoutOf(dial)] : []));
  return turns.length === 0 ? null : turns.reduce((most, turn) => (turn.tirMm > most.tirMm ? turn : most));
}

/** Limits by which an inspection is judged; house rules to start from (handbook §11). */
export interface InspectionLimits {
  watchTirMm: number;
  quarantineTirMm: number;
  watchEndPlayMm: number;
  /** A sleeve that stops sooner drags. */
  leastSpinS: number;
}

export const INSPECTION_LIMITS: InspectionLimits = {
  watchTirMm: 1.5,
  quarantineTirMm: 3,
  watchEndPlayMm: 3,
  leastSpinS: 2,
};

export interface Judgement {
  verdict: InspectionVerdict;
  /** Why, gravest first; nothing wrong is no reason. */
  reasons: { verdict: InspectionVerdict; text: string }[];
}

/**
 * Keep, watch or quarantine by rule; retiring is for people to decide.
 *
 * @returns the verdict and its reasons, the worst first
 */
export function judgeInspection(facts: InspectionFacts, limits: InspectionLimits = INSPECTION_LIMITS): Judgement {
  const reasons: Judgement["reasons"] = [];
  const say = (verdict: InspectionVerdict, text: string) => reasons.push({ verdict, text });
  if (facts.crackSeen) say("quarantine", "a crack");
  if (facts.hops) say("quarantine", "it wobbles when rolled");
  const runout = greatestRunout(facts);
  if (runout) {
    const { tirMm } = runout;
    const words = `runout ${tirMm.toFixed(1)} mm`;
    if (tirMm > limits.quarantineTirMm) say("quarantine", `${words}, over ${limits.quarantineTirMm} mm`);
    else if (tirMm > limits.watchTirMm) say("watch", `${words}, over ${limits.watchTirMm} mm`);
  }
  for (const part of INSPECTED_PARTS) {
    const state = facts.parts[part];
    if (state === "cracked") say("quarantine", `${part} cracked`);
    if (state === "missing" || state === "loose") say(part === "pads" ? "watch" : "quarantine", `${part} ${state}`);
    if (state === "worn") say("watch", `${part} worn`);
  }
  if (facts.rust === "pits") say("watch", "pits from rust: a crack may begin there");
  if (facts.rust === "patches") say("watch", "patches of rust");
  if (facts.endPlayMm !== null && facts.endPlayMm > limits.watchEndPlayMm)
    say("watch", `end play ${facts.endPlayMm} mm, over ${limits.watchEndPlayMm} mm`);
  for (const [side, spin] of [
    ["left", facts.spinLeftS],
    ["right", facts.spinRightS],
  ] as const)
    if (spin !== null && spin < limits.leastSpinS) say("watch", `the ${side} sleeve stops after ${spin} s: it drags`);
  if (facts.sleeves === "drags") say("watch", "a sleeve sticks or clicks");
  if (facts.finish === "worn through" && facts.rust !== "pits" && facts.rust !== "patches")
    say("watch", "the finish is worn through: rust begins there");
  if (facts.knurl === "smooth") say("watch", "the knurl is smooth");
  const grave = (verdict: InspectionVerdict) => INSPECTION_VERDICTS.indexOf(verdict);
  reasons.sort((a, b) => grave(b.verdict) - grave(a.verdict));
  return { verdict: reasons[0]?.verdict ?? "keep", reasons };
}

/**
 * What a dial gauge shows of a bar bent by so much, turned from so far: for the simulated gauge.
 *
 * @returns mm, one a step of the turn
 */
export function dialReadings(
  {
    tirMm,
    bendAtDeg,
    noiseMm = 0,
    stepMm = 0.01,
  }: { tirMm: number; bendAtDeg: number; noiseMm?: number; stepMm?: number },
  count: number,
  noise: (i: number) => number = () => 0,
): number[] {
  return Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count - (bendAtDeg * Math.PI) / 180;
    const read = tirMm / 2 + (tirMm / 2) * Math.cos(angle) + noiseMm * noise(i);
    return Math.round(read / stepMm) * stepMm;
  });
}
