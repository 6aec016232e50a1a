import "server-only";
import { isRubber, type PlateKind } from "@/core/loading/plateKind";
import type { LoadQuestion } from "@/core/loading/question";
import { differenceWords, type WayFacts, wayFacts } from "@/core/loading/twoWays";
import type { Context } from "@/server/access";
import { compute } from "@/server/computing";
import type { LoadPlan } from "./planLoad";

/** The same mass made another way, and what differs for floor and sleeve. */
export interface OtherWay {
  /** "with rubber only", or "as you have it". */
  how: string;
  perSide: readonly string[];
  one: WayFacts;
  two: WayFacts;
  words: string[];
}

/**
 * The load's mass made another way: as somebody's own plates have it where they come to the same, else with rubber only
 * or without rubber, whichever makes the very same mass.
 *
 * @param own one side of somebody's own, inside first; null without
 * @returns null where no other way makes the same mass
 */
export async function otherWay(
  context: Context,
  { question, answer }: LoadPlan,
  own: readonly string[] | null,
): Promise<OtherWay | null> {
  if (!answer.ok || answer.perSide.length === 0) return null;
  const kinds = new Map(question.plates.map((plate) => [plate.id, plate]));
  const plates = (side: readonly string[]): PlateKind[] => side.map((id) => kinds.get(id)!);
  const first = plates(answer.perSide);
  const shown = (how: string, perSide: readonly string[]): OtherWay | null => {
    const two = plates(perSide);
    if (sameKinds(first, two) || massOf(first) !== massOf(two)) return null;
    const [a, b] = [wayFacts(question, first, answer.achievedUnits), wayFacts(question, two, answer.achievedUnits)];
    const words = differenceWords(a, b);
    return words.length === 0 ? null : { how, perSide, one: a, two: b, words };
  };
  if (own && own.every((id) => kinds.has(id))) {
    const mine = shown("as you have it", own);
    if (mine) return mine;
  }
  for (const [how, only] of [
    ["with rubber only", isRubber],
    ["without rubber", (plate: PlateKind) => !isRubber(plate)],
  ] as const) {
    const some = question.plates.filter(only);
    if (some.length === 0 || some.length === question.plates.length) continue;
    const asked: LoadQuestion = {
      ...question,
      targetUnits: answer.achievedUnits,
      plates: some,
      // Another way is no advice to drop iron: it is only compared.
      ending: "racked",
      onBar: null,
    };
    const other = await compute(context, "load", asked);
    if (!other.ok || other.achievedUnits !== answer.achievedUnits) continue;
    const found = shown(how, other.perSide);
    if (found) return found;
  }
  return null;
}

const massOf = (side: readonly PlateKind[]) => side.reduce((sum, { massUnits }) => sum + massUnits, 0);
const sameKinds = (one: readonly PlateKind[], two: readonly PlateKind[]) =>
  one
    .map(({ id }) => id)
    .sort()
    .join() ===
  two
    .map(({ id }) => id)
    .sort()
    .join();
