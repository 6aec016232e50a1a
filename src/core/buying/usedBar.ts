/* A used bar is looked at before the price is agreed (handbook §13): ten minutes, in the order in which a look may end
 * it. What is found takes something off what it is worth against a new one; how much is a house rule. */

export interface LookStep {
  key: string;
  /** What to do, in one sentence. */
  ask: string;
  /** Answers; each takes a share of the price off, or ends the look. */
  answers: readonly LookAnswer[];
}

export interface LookAnswer {
  key: string;
  text: string;
  /** Share of the price of a new one that this takes off, in percent; the start of a house rule. */
  offPct: number;
  /** Not at any price, and why. */
  ends?: string;
}

const fine = (text: string): LookAnswer => ({ key: "fine", text, offPct: 0 });

/** Common practice, no source; deductions are ours. */
export const LOOK_STEPS: readonly LookStep[] = [
  {
    key: "cracks",
    ask: "Look at welds, sleeve ends and the shaft beside the collars for cracks.",
    answers: [fine("No cracks"), { key: "crack", text: "A crack", offPct: 100, ends: "A cracked bar is scrap." }],
  },
  {
    key: "roll",
    ask: "Roll it over a flat floor, or turn it in J-cups and watch the ends.",
    answers: [
      fine("Runs true"),
      { key: "slight", text: "Wobbles a little", offPct: 20 },
      { key: "bent", text: "Hops", offPct: 100, ends: "A bent bar does not come back." },
    ],
  },
  {
    key: "sleeves",
    ask: "Spin both sleeves, pull them, listen.",
    answers: [
      fine("Both turn freely and hold"),
      { key: "drag", text: "One drags or grinds", offPct: 12 },
      { key: "play", text: "One has play along the shaft", offPct: 15 },
      {
        key: "loose",
        text: "One comes off or a cap is loose",
        offPct: 100,
        ends: "A sleeve that comes off hurts someone.",
      },
    ],
  },
  {
    key: "knurl",
    ask: "Run a hand along the knurl.",
    answers: [
      fine("Even and sharp enough"),
      { key: "worn", text: "Worn where hands go", offPct: 10 },
      { key: "filled", text: "Filled with chalk and rust", offPct: 5 },
    ],
  },
  {
    key: "rust",
    ask: "Look for rust: knurl, collars, under the sleeves’ edges.",
    answers: [
      fine("None, or it wipes off"),
      { key: "surface", text: "On the surface", offPct: 8 },
      { key: "pits", text: "Pits that a nail feels", offPct: 25 },
    ],
  },
  {
    key: "marks",
    ask: "Look at ring marks, the end cap and what is stamped.",
    answers: [
      fine("Marks and label are there"),
      { key: "missing", text: "No label: mass and rating unknown", offPct: 10 },
    ],
  },
  {
    key: "parts",
    ask: "Count pins, handles, pads and screws.",
    answers: [fine("Complete"), { key: "missing", text: "Something is missing", offPct: 10 }],
  },
  {
    key: "shaft",
    ask: "Measure the shaft with a caliper, twice.",
    answers: [fine("As stated, within 0.1 mm"), { key: "off", text: "Further off", offPct: 10 }],
  },
];

/** What a used bar loses for having no warranty, in percent; a house rule to start from. */
export const NO_WARRANTY_PCT = 10;

export interface UsedWorth {
  /** The step that ended the look, with why; null where it went on. */
  ended: string | null;
  /** Steps that nobody answered yet. */
  open: number;
  /** What was taken off, in percent, each with its words. */
  deductions: { text: string; pct: number }[];
  /** The most that is worth paying, in minor units; 0 where the look ended it. */
  mostMinor: number;
}

/**
 * The most worth paying for a used bar: what a new one costs delivered, less what was found and what a used one has not
 * got, less bringing it here.
 *
 * @param answers by step, the answer's key; steps without one are not looked at yet
 * @param house deductions of the gym in percent by "step.answer", where they differ
 * @returns the price with what was taken off
 */
export function usedWorth(
  answers: Readonly<Record<string, string>>,
  { newMinor, freightMinor, hasWarranty }: { newMinor: number; freightMinor: number; hasWarranty: boolean },
  house: Readonly<Record<string, number>> = {},
): UsedWorth {
  const deductions: UsedWorth["deductions"] = hasWarranty ? [] : [{ text: "No warranty", pct: NO_WARRANTY_PCT }];
  let open = 0;
  for (const { key, answers: known } of LOOK_STEPS) {
    const answer = known.find((one) => one.key === answers[key]);
    if (!answer) {
      open += 1;
      continue;
    }
    if (answer.ends) return { ended: `${answer.text}. ${answer.ends}`, open, deductions, mostMinor: 0 };
    const pct = house[`${key}.${answer.key}`] ?? answer.offPct;
    if (pct > 0) deductions.push({ text: answer.text, pct });
  }
  const off = Math.min(
    100,
    deductions.reduce((sum, { pct }) => sum + pct, 0),
  );
  const mostMinor = Math.max(0, Math.floor((newMinor * (100 - off)) / 100) - freightMinor);
  return { ended: null, open, deductions, mostMinor };
}
