import "server-only";
import { leastChange, type LeastChange, unevenUnits } from "@/core/loading/asItStands";
import { judgeStack, type StackJudgement } from "@/core/loading/judgeStack";
import { readStack } from "@/core/loading/readStack";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { Context } from "@/server/access";
import { compute } from "@/server/computing";
import type { LoadPlan } from "./planLoad";

/** A bar as somebody says that it stands. */
export interface StandingBar {
  /** Left side, inside first; null where it could not be read. */
  perSide: readonly string[] | null;
  /** Right side, where it differs; null where both are alike. */
  otherSide: readonly string[] | null;
  judgement: StackJudgement | null;
  /** By how much the sides differ and what is on the bar in all; null where they weigh alike. */
  uneven: { byKg: number; heavier: "left" | "right"; totalKg: number } | null;
  /** What to change least, to have the target on both sides; null where it stands so, or nothing reaches it. */
  change: LeastChange | null;
  problems: string[];
}

const NOTHING: StandingBar = {
  ...{ perSide: null, otherSide: null, judgement: null, uneven: null, change: null },
  problems: [],
};

/**
 * Plates as somebody typed them, read among the plates of the gym: judged by the load's own question, and with what to
 * change least to come to the target.
 *
 * @param other the right side where it differs from the left; empty where both are alike.
 */
export async function ownStack(
  context: Context,
  { text, other }: { text: string; other: string },
  { plates, question }: LoadPlan,
): Promise<StandingBar> {
  const asked = new Set(question.plates.map(({ id }) => id));
  const known = [...plates.values()]
    .filter(({ key }) => asked.has(key))
    .map(({ key, massValue, massUnit, material }) => ({
      ...{ id: key, value: massValue, material },
      unit: massUnit as "kg" | "lb",
    }));
  const [left, right] = [readStack(text, known), other.trim() === "" ? null : readStack(other, known)];
  const problems = [left, right].flatMap((read, i) =>
    read && !read.ok ? read.problems.map(({ message }) => (i === 1 ? `The other side: ${message}` : message)) : [],
  );
  if (!left.ok || (right && !right.ok)) return { ...NOTHING, problems };
  const nameOf = (id: string) => {
    const { massValue, massUnit } = plates.get(id)!;
    return `${trimmed(Number(massValue), 3)} ${massUnit}`;
  };
  const kindOf = new Map(question.plates.map((plate) => [plate.id, plate]));
  const massOf = (id: string) => kindOf.get(id)!.massUnits;
  const [one, two] = [left.perSide, right?.perSide ?? left.perSide];
  const byUnits = unevenUnits(one, two, massOf);
  const all = [...one, ...two].reduce((sum, id) => sum + massOf(id), question.barUnits + question.clampPairUnits);
  const judgement = judgeStack(question, one, nameOf);
  return {
    perSide: one,
    otherSide: right?.perSide ?? null,
    judgement,
    uneven:
      byUnits === 0
        ? null
        : {
            byKg: kgFromMassUnits(Math.abs(byUnits)),
            heavier: byUnits > 0 ? "left" : "right",
            totalKg: kgFromMassUnits(all),
          },
    change: await changeOf(context, question, [one, two], nameOf),
    problems,
  };
}

/** The fewest plates to handle until the target is on both sides, by the load's own answers from either side. */
async function changeOf(
  context: Context,
  question: LoadPlan["question"],
  [left, right]: readonly [readonly string[], readonly string[]],
  nameOf: (id: string) => string,
): Promise<LeastChange | null> {
  const answers = [
    await compute(context, "load", { ...question, onBar: left }),
    ...(left.join() === right.join() ? [] : [await compute(context, "load", { ...question, onBar: right })]),
  ].flatMap((answer) => (answer.ok ? [answer] : []));
  if (answers.length === 0) return null;
  const nearest = Math.min(...answers.map(({ errorUnits }) => Math.abs(errorUnits)));
  const isAsGood = (errorUnits: number) => Math.abs(errorUnits) <= Math.max(nearest, question.floorUnits ?? 0);
  // A side that is as near as the answers, and may go on, is as good as they are.
  const sides = [left, right].filter((side) => {
    const { errorUnits, lines } = judgeStack(question, side, nameOf);
    return isAsGood(errorUnits) && lines.every(({ verdict }) => verdict !== "refuse");
  });
  const least = leastChange(left, right, [
    ...sides,
    ...answers.filter(({ errorUnits }) => isAsGood(errorUnits)).map(({ perSide }) => perSide),
  ]);
  return least && least.handled > 0 ? least : null;
}
