import "server-only";
import { judgeStack, type StackJudgement } from "@/core/loading/judgeStack";
import { readStack } from "@/core/loading/readStack";
import { trimmed } from "@/core/units/format";
import type { LoadPlan } from "./planLoad";

/** Plates of one side as somebody typed them, read among the plates of the gym and judged by the load's own question. */
export function ownStack(
  text: string,
  { plates, question }: LoadPlan,
): { perSide: readonly string[] | null; judgement: StackJudgement | null; problems: string[] } {
  const asked = new Set(question.plates.map(({ id }) => id));
  const known = [...plates.values()]
    .filter(({ key }) => asked.has(key))
    .map(({ key, massValue, massUnit, material }) => ({
      ...{ id: key, value: massValue, material },
      unit: massUnit as "kg" | "lb",
    }));
  const read = readStack(text, known);
  if (!read.ok) return { perSide: null, judgement: null, problems: read.problems.map(({ message }) => message) };
  const nameOf = (id: string) => {
    const { massValue, massUnit } = plates.get(id)!;
    return `${trimmed(Number(massValue), 3)} ${massUnit}`;
  };
  return { perSide: read.perSide, judgement: judgeStack(question, read.perSide, nameOf), problems: [] };
}
