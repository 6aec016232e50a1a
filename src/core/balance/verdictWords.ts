import { trimmed } from "../units/format";
import type { Balance } from "./balance";

/** Less than this nobody feels, in N·m. Common practice, no source. */
const FELT_NM = 0.5;

/**
 * Which way a load wants to go, before how much.
 *
 * @param rollTorqueNm more than 0 turns it forward; null where nothing balances
 * @returns the plain name of the torque
 */
export function rollWords(rollTorqueNm: number | null): string {
  if (rollTorqueNm === null) return "wants to roll";
  if (Math.abs(rollTorqueNm) < FELT_NM) return "does not roll";
  return rollTorqueNm > 0 ? "wants to roll forward" : "wants to roll off the back";
}

/**
 * What a balance says in one sentence, for whoever stands beside the drawing.
 *
 * @returns one sentence with its full stop
 */
export function balanceSentence(answer: Balance): string {
  const { trunkLeanDeg, loadAheadOfMidFootMm, rollTorqueNm, correctionReachMm } = answer;
  const ahead =
    Math.abs(loadAheadOfMidFootMm) < 1
      ? "over mid-foot"
      : `${trimmed(Math.abs(loadAheadOfMidFootMm), 0)} mm ${loadAheadOfMidFootMm > 0 ? "ahead of" : "behind"} mid-foot`;
  const roll =
    Math.abs(rollTorqueNm) < FELT_NM
      ? "does not roll"
      : `wants to roll ${rollTorqueNm > 0 ? "forward over the lifter" : "off the back"} with ${trimmed(Math.abs(rollTorqueNm), 1)} N·m, shared between pads and hands`;
  const reach =
    correctionReachMm === null
      ? ""
      : ` The hands can move it ${trimmed(correctionReachMm, 0)} mm within what they hold.`;
  return `The trunk leans ${trimmed(trunkLeanDeg, 1)}°; the load is ${ahead} and ${roll}.${reach}`;
}

/**
 * How two balances at their own poses differ, in the words of a coach.
 *
 * @param phrases what each is called after "with"
 * @returns one sentence with its full stop
 */
export function carryDifference(a: Balance, b: Balance, phrases: readonly [string, string]): string {
  const lean = b.trunkLeanDeg - a.trunkLeanDeg;
  const ratio = (b.hipToKnee ?? 0) - (a.hipToKnee ?? 0);
  const share =
    a.hipToKnee === null || b.hipToKnee === null || Math.abs(ratio) < 0.02
      ? "and hips and knees share alike"
      : `and the ${ratio > 0 ? "hips" : "knees"} do more (hip to knee ${trimmed(b.hipToKnee, 2)} against ${trimmed(a.hipToKnee, 2)})`;
  return `With ${phrases[1]} the trunk leans ${trimmed(Math.abs(lean), 1)}° ${lean < 0 ? "less" : "more"} than with ${phrases[0]}, ${share}.`;
}

/**
 * What figures that stand side by side mean for one lifter.
 *
 * @param who "Hale Corrin with 150 kg".
 * @param known the carries that balance, with what they are called after "with"; at least one.
 * @returns one or two sentences with their full stops
 */
export function balanceLead(who: string, known: readonly { phrase: string; answer: Balance }[]): string {
  const degrees = ({ trunkLeanDeg }: Balance) => `${trimmed(trunkLeanDeg, 0)}°`;
  const byLean = known.toSorted((a, b) => a.answer.trunkLeanDeg - b.answer.trunkLeanDeg);
  const [upright, over] = [byLean[0]!, byLean.at(-1)!];
  if (known.length === 1) return `${who} leans ${degrees(upright.answer)} with ${upright.phrase}.`;
  if (over.answer.trunkLeanDeg - upright.answer.trunkLeanDeg < 0.5)
    return `${who} leans the same with each of them: ${degrees(upright.answer)}.`;
  const [a, b] = [upright.answer.hipToKnee, over.answer.hipToKnee];
  const share =
    a === null || b === null || Math.abs(a - b) < 0.02
      ? ""
      : ` With ${upright.phrase} the ${a < b ? "knees do more and the hips less" : "hips do more and the knees less"}.`;
  return `${who} stays most upright with ${upright.phrase} (${degrees(upright.answer)}) and leans furthest over with ${over.phrase} (${degrees(over.answer)}).${share}`;
}
