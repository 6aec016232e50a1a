/** How long things take at a bar, in seconds. Ours, from common practice; they belong to the one who asks. */
export interface Pace {
  /** One plate off or on, with its twin on the other side by a second pair of hands. */
  plateS: number;
  /** Clamps off and on again, when anything changes. */
  clampS: number;
  /** A set, from unracking to racking. */
  setS: number;
  /** From one lifter to the next, when plates do not take longer. */
  turnS: number;
}

export const USUAL_PACE: Pace = { plateS: 6, clampS: 8, setS: 40, turnS: 15 };

/** One moment of the play: a plate comes off or goes on, or somebody lifts. */
export interface PlayStep {
  set: number;
  what: "off" | "on" | "turn" | "lift";
  /** Plates of one side while it happens, inside first; a plate that goes on is there already, one that comes off is not. */
  perSide: readonly string[];
  fromS: number;
  toS: number;
}

export interface Play {
  steps: PlayStep[];
  totalS: number;
  /** Where the time goes. */
  liftingS: number;
  platesS: number;
  turningS: number;
}

/**
 * A session played through: plates one by one, then the set; the time that each takes.
 *
 * @returns steps with their times in seconds, and how long it takes in all
 */
export function playSession(
  sets: readonly { perSide: readonly string[]; off: readonly string[]; on: readonly string[] }[],
  pace: Pace = USUAL_PACE,
): Play {
  const steps: PlayStep[] = [];
  let now = 0;
  let sleeve: readonly string[] = [];
  const sums = { lift: 0, plates: 0, turn: 0 };
  const add = (set: number, what: PlayStep["what"], seconds: number) => {
    if (seconds <= 0) return;
    steps.push({ set, what, perSide: sleeve, fromS: now, toS: now + seconds });
    now += seconds;
    if (what === "lift") sums.lift += seconds;
    else if (what === "turn") sums.turn += seconds;
    else sums.plates += seconds;
  };
  sets.forEach(({ off, on, perSide }, i) => {
    const moved = off.length + on.length;
    const clamp = moved > 0 ? pace.clampS / moved : 0;
    off.forEach(() => {
      sleeve = sleeve.slice(0, -1);
      add(i, "off", pace.plateS + clamp);
    });
    on.forEach((plate) => {
      sleeve = [...sleeve, plate];
      add(i, "on", pace.plateS + clamp);
    });
    sleeve = perSide;
    // Lifters change while plates are moved; only what is left over is waiting.
    if (i > 0) add(i, "turn", pace.turnS - moved * pace.plateS - (moved > 0 ? pace.clampS : 0));
    add(i, "lift", pace.setS);
  });
  return { steps, totalS: now, liftingS: sums.lift, platesS: sums.plates, turningS: sums.turn };
}

/**
 * The step that is on at a time; the last one at the end.
 *
 * @returns the step's index
 */
export function stepAt({ steps }: Pick<Play, "steps">, seconds: number): number {
  const found = steps.findIndex(({ toS }) => seconds < toS);
  return found < 0 ? Math.max(0, steps.length - 1) : found;
}
