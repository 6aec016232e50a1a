import { ironShareVerdict, IRON_TO_RUBBER, isBlowCarried, MAX_KG_PER_RUBBER_MM } from "./endings";
import { platesHandled } from "./handled";
import { largerFirst } from "./plateKind";
import type { LoadQuestion } from "./question";
import { sideOf } from "./side";

/** Every ordered stack that the plates allow. Slow and obvious: only for small collections. */
function* everyStack(question: LoadQuestion, stack: string[] = []): Generator<string[]> {
  yield stack;
  for (const { id, pairs } of question.plates)
    if (stack.filter((other) => other === id).length < pairs) yield* everyStack(question, [...stack, id]);
}

/** Every choice of plates, each once, larger inside: enough where order does not matter. */
function* everyChoice(question: LoadQuestion): Generator<string[]> {
  const kinds = largerFirst(question.plates);
  function* from(k: number, chosen: string[]): Generator<string[]> {
    if (k === kinds.length) return yield chosen;
    for (let count = 0; count <= kinds[k]!.pairs; count += 1)
      yield* from(k + 1, [...chosen, ...new Array<string>(count).fill(kinds[k]!.id)]);
  }
  yield* from(0, []);
}

export interface Best {
  perSide: string[];
  error: number;
  handled: number;
}

/** The best stack by the contract's order, found by looking at all of them; null when none is allowed. */
export function bestByExhaustion(question: LoadQuestion): Best | null {
  const kinds = largerFirst(question.plates);
  const rank = new Map(kinds.map(({ id }, k) => [id, k]));
  const all: Best[] = [];
  for (const perSide of question.onBar ? everyStack(question) : everyChoice(question)) {
    const side = sideOf(perSide.map((id) => kinds[rank.get(id)!]!));
    const total = question.barUnits + question.clampPairUnits + 2 * side.massUnits;
    const error = total - question.targetUnits;
    if (question.rounding === "at-or-below" && error > 0) continue;
    if (question.ratedUnits !== null && total > question.ratedUnits) continue;
    if (question.roomMm !== null && side.thicknessMm > question.roomMm) continue;
    if (question.ending === "dropped") {
      if (ironShareVerdict(side, IRON_TO_RUBBER) === "refuse") continue;
      if (isBlowCarried(side, total, MAX_KG_PER_RUBBER_MM) === false) continue;
    }
    all.push({ perSide, error, handled: platesHandled(question.onBar ?? [], perSide) });
  }
  if (all.length === 0) return null;
  const nearest = Math.min(...all.map(({ error }) => Math.abs(error)));
  const larger = (a: string[], b: string[]) => {
    const at = a.findIndex((id, i) => id !== b[i]);
    return at < 0 ? 0 : rank.get(a[at]!)! - rank.get(b[at]!)!;
  };
  return all
    .filter(({ error }) => Math.abs(error) <= nearest + question.toleranceUnits)
    .sort((a, b) => a.handled - b.handled || a.perSide.length - b.perSide.length || larger(a.perSide, b.perSide))[0]!;
}
