import { load, type LoadAnswer } from "./load";
import type { LoadQuestion } from "./question";

/** What keeps a load away from its target. */
export type KeptAwayCode = "not-enough-plates" | "rubber-rule" | "sleeve-full" | "no-smaller-plate";

export interface KeptAway {
  code: KeptAwayCode;
  message: string;
}

/** More of a kind than this nobody has on one side. */
const MAX_PAIRS = 40;

/**
 * What keeps the nearest load away from its target: each cause that alone, lifted, would get nearer; where none does,
 * there is no plate small enough.
 *
 * @param answer of the question.
 * @returns causes with a sentence each; none for a load that meets its target, within the floor's tolerance where one is set
 */
export function keptAway(question: LoadQuestion, answer: LoadAnswer): KeptAway[] {
  if (!answer.ok || answer.errorUnits === 0) return [];
  const { floorUnits, toleranceUnits, onBar } = question;
  if (floorUnits !== undefined && Math.abs(answer.errorUnits) <= floorUnits) return [];
  // Fewer plates within a tolerance, or fewer handled, is a choice: what counts is what could be reached.
  const strict: LoadQuestion = {
    ...question,
    rounding: floorUnits === undefined ? question.rounding : "nearest",
    floorUnits: undefined,
    toleranceUnits: 0,
    onBar: null,
  };
  const isChoice = toleranceUnits > 0 || onBar !== null;
  const reached = isChoice ? load(strict) : answer;
  if (!reached.ok || reached.errorUnits === 0) return [];
  const off = Math.abs(reached.errorUnits);
  const getsNearer = (change: Partial<LoadQuestion>) => {
    const other = load({ ...strict, ...change });
    return other.ok && Math.abs(other.errorUnits) < off;
  };
  const needUnits = Math.max(0, question.targetUnits - question.barUnits - question.clampPairUnits);
  const causes: KeptAway[] = [];
  if (
    getsNearer({
      plates: question.plates.map((plate) => ({
        ...plate,
        pairs: Math.max(plate.pairs, Math.min(MAX_PAIRS, Math.floor(needUnits / (2 * plate.massUnits)) + 1)),
      })),
    })
  )
    causes.push({
      code: "not-enough-plates",
      message: "Not enough plates: with more pairs of them it would be nearer.",
    });
  if (question.ending === "dropped" && getsNearer({ ending: "racked" }))
    causes.push({
      code: "rubber-rule",
      message: "Because it is dropped: too much iron for the rubber, and full-size rubber must take the impact.",
    });
  if (question.roomMm !== null && getsNearer({ roomMm: null }))
    causes.push({ code: "sleeve-full", message: "The sleeve is full: on a longer one it would be nearer." });
  return causes.length > 0
    ? causes
    : [{ code: "no-smaller-plate", message: "There is no plate small enough for what is missing." }];
}
