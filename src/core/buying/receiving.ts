import type { Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { measurableKinds, QUANTITIES, type QuantityKind } from "../bars/quantities";
import type { Tolerances } from "../bars/tolerances";
import { fixed, signed } from "../units/format";

/* A bar that arrives is checked before it hangs: while it stands in its box a claim is easy. */

export interface ReceivingCheck {
  key: string;
  ask: string;
  /** Answers that make it a claim, beside the one that is right. */
  wrong: string;
}

/** Common practice, no source. */
export const RECEIVING_CHECKS: readonly ReceivingCheck[] = [
  { key: "parts", ask: "Everything is in the box: pins, handles, pads, screws", wrong: "Something is missing" },
  { key: "transport", ask: "No damage from transport: ends, shaft, box", wrong: "Damaged" },
  { key: "roll", ask: "Rolls true on a flat floor", wrong: "Wobbles when rolled" },
  { key: "spin", ask: "Both sleeves turn freely and hold", wrong: "Drags, grinds or loose" },
  { key: "coating", ask: "Coating is even, no bare or flaking places", wrong: "Faulty" },
];

/** Of every bar these are measured on arrival, and of shaped ones what tells them apart. */
const FIRST: readonly QuantityKind[] = ["mass", "shaftDiameter", "shaftLength", "collarThickness", "sleeveLength"];
const OF_SHAPE: readonly QuantityKind[] = [
  "camberDrop",
  "camberForward",
  "rackSpanInner",
  "frameWidth",
  "handleOffset",
];

/**
 * What matters to measure of a bar that arrives: what every bar is computed from, and what tells its family.
 *
 * @returns kinds in the order in which they are measured; what the seller stated of them comes first
 */
export function receivingKinds(bar: Pick<Bar, "family" | "sleeveRotation" | "quantities">): QuantityKind[] {
  const { form } = FAMILIES[bar.family];
  const can = measurableKinds(form, bar.sleeveRotation === "fixed");
  return [...FIRST, ...OF_SHAPE].filter((kind) => can.includes(kind));
}

/** What speaks against keeping a bar. */
export interface ReceivingJudgement {
  /** "keep" while nothing speaks against it. */
  verdict: "keep" | "claim";
  reasons: string[];
}

/**
 * What a receiving check says: any wrong answer, and any reading beyond the house's tolerance, is a claim.
 *
 * @param answers by check, "fine" or "wrong"
 * @param readings measured values by kind, in the quantity's unit
 * @returns the verdict that follows, with its reasons
 */
export function judgeReceiving(
  bar: Pick<Bar, "quantities">,
  answers: Readonly<Record<string, string>>,
  readings: Partial<Record<QuantityKind, number>>,
  tolerances: Tolerances,
): ReceivingJudgement {
  const reasons = RECEIVING_CHECKS.flatMap(({ key, ask, wrong }) =>
    answers[key] === "wrong" ? [`${wrong}: ${ask.split(":")[0]!.toLowerCase()}.`] : [],
  );
  for (const [kind, value] of Object.entries(readings) as [QuantityKind, number][]) {
    const stated = bar.quantities[kind]?.value;
    const tolerance = tolerances[kind];
    if (stated === undefined || tolerance === null || Math.abs(value - stated) <= tolerance + 1e-9) continue;
    const { label, unit, decimals } = QUANTITIES[kind];
    reasons.push(
      `${label[0]!.toUpperCase()}${label.slice(1)}: ${fixed(value, decimals)} ${unit} measured, ${fixed(stated, decimals)} ${unit} stated (${signed(value - stated, decimals)}, tolerance ${tolerance} ${unit}).`,
    );
  }
  return { verdict: reasons.length > 0 ? "claim" : "keep", reasons };
}
