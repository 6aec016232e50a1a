import { trimmed } from "../units/format";
import { kgFromMassUnits, type MassUnits } from "../units/exactMass";
import { type Blow, blowOf } from "./blow";
import { MAX_KG_PER_RUBBER_MM } from "./endings";
import { RATING_WARN_SHARE } from "./loadWarnings";
import { largerFirst, type PlateKind } from "./plateKind";
import type { LoadQuestion } from "./question";
import { sideOf } from "./side";

export interface StackLine {
  verdict: "fine" | "warn" | "refuse";
  text: string;
}

export interface StackJudgement {
  /** Total on the bar. */
  totalUnits: MassUnits;
  /** Total minus target. */
  errorUnits: MassUnits;
  /** Of one side, in mm; null when a thickness is unknown. */
  thicknessMm: number | null;
  /** What the floor takes, where it is dropped. */
  blow: Blow | null;
  /** Mass, plates at hand, sleeve, order, rubber and iron, rating: the gravest first. */
  lines: StackLine[];
}

const kg = (units: MassUnits) => `${trimmed(kgFromMassUnits(units), 2)} kg`;
const GRAVITY = ["refuse", "warn", "fine"] as const;

/**
 * Judges a stack that somebody chose: what it comes to, whether the plates are there, whether it fits the sleeve, stays
 * within the rating and may end as the set ends (handbook §10). Tipping is asked of the rack.
 *
 * @param perSide plate ids of one side, inside first; each among the question's plates.
 * @param nameOf what a plate is called.
 * @returns the total and its error in mass units, and a sentence for each thing that counts
 */
export function judgeStack(
  question: LoadQuestion,
  perSide: readonly string[],
  nameOf: (id: string) => string,
): StackJudgement {
  const kindOf = new Map(question.plates.map((plate) => [plate.id, plate]));
  const stack = perSide.map((id) => kindOf.get(id)!);
  const side = sideOf(stack);
  const totalUnits = question.barUnits + question.clampPairUnits + 2 * side.massUnits;
  const errorUnits = totalUnits - question.targetUnits;
  const blow =
    question.ending === "dropped"
      ? blowOf(stack, totalUnits, question.ironToRubber, question.maxKgPerRubberMm ?? MAX_KG_PER_RUBBER_MM)
      : null;
  const lines = [
    massLine(totalUnits, errorUnits, question.floorUnits ?? 0),
    ...pairLines(stack, nameOf),
    ...sleeveLines(question, stack, side.thicknessMm),
    ...ratingLines(question, totalUnits),
    ...(blow ? blowLines(blow) : []),
    ...orderLines(question, stack, nameOf),
  ];
  return {
    totalUnits,
    errorUnits,
    thicknessMm: stack.some(({ thicknessMm }) => thicknessMm === null) ? null : side.thicknessMm,
    blow,
    lines: GRAVITY.flatMap((verdict) => lines.filter((line) => line.verdict === verdict)),
  };
}

function massLine(totalUnits: MassUnits, errorUnits: MassUnits, floorUnits: MassUnits): StackLine {
  const off = Math.abs(errorUnits);
  if (errorUnits === 0) return { verdict: "fine", text: `${kg(totalUnits)}: exactly the target.` };
  return {
    verdict: off <= floorUnits ? "fine" : "warn",
    text: `${kg(totalUnits)}: ${kg(off)} ${errorUnits > 0 ? "over" : "under"} the target.`,
  };
}

function pairLines(stack: readonly PlateKind[], nameOf: (id: string) => string): StackLine[] {
  return [...new Set(stack)].flatMap((plate) => {
    const count = stack.filter((one) => one === plate).length;
    return count > plate.pairs
      ? [
          {
            verdict: "refuse" as const,
            text: `${nameOf(plate.id)}: ${count} a side, and ${plate.pairs} ${plate.pairs === 1 ? "pair is" : "pairs are"} free.`,
          },
        ]
      : [];
  });
}

function sleeveLines({ roomMm }: LoadQuestion, stack: readonly PlateKind[], thicknessMm: number): StackLine[] {
  if (roomMm === null) return [{ verdict: "warn", text: "The sleeve’s length is unknown: measure it." }];
  if (thicknessMm > roomMm)
    return [
      {
        verdict: "refuse",
        text: `${trimmed(thicknessMm, 0)} mm of plates do not fit the ${trimmed(roomMm, 0)} mm of sleeve.`,
      },
    ];
  if (stack.some((plate) => plate.thicknessMm === null))
    return [{ verdict: "warn", text: "A plate’s thickness is unknown: measure it, the sleeve may be too short." }];
  return [{ verdict: "fine", text: `${trimmed(thicknessMm, 0)} of ${trimmed(roomMm, 0)} mm of sleeve are used.` }];
}

function ratingLines({ ratedUnits }: LoadQuestion, totalUnits: MassUnits): StackLine[] {
  if (ratedUnits === null) return [];
  if (totalUnits > ratedUnits)
    return [{ verdict: "refuse", text: `Over what the bar may carry: ${kg(totalUnits)} of ${kg(ratedUnits)}.` }];
  const share = totalUnits / ratedUnits;
  return [
    {
      verdict: share > RATING_WARN_SHARE ? "warn" : "fine",
      text: `${Math.round(100 * share)} % of what the bar may carry.`,
    },
  ];
}

function blowLines({ ironVerdict, ironShare, isCarried, kgPerMm, maxKgPerMm, plates }: Blow): StackLine[] {
  if (plates.length === 0) return [];
  const share =
    ironShare === null ? "Iron alone is never dropped." : `Iron is ${Math.round(100 * ironShare)} % of the rubber.`;
  return [
    { verdict: ironVerdict, text: share },
    {
      verdict: isCarried ? "fine" : "refuse",
      text:
        kgPerMm === null
          ? "No full-size rubber meets the floor."
          : `${trimmed(kgPerMm, 2)} kg on each millimetre of rubber; up to ${trimmed(maxKgPerMm, 2)} is allowed.`,
    },
    ...(plates.some(({ meetsFloor, isRubber }) => meetsFloor && !isRubber)
      ? [{ verdict: "warn" as const, text: "A full-size iron plate meets the floor with the rubber." }]
      : []),
  ];
}

function orderLines(
  { order, plates }: LoadQuestion,
  stack: readonly PlateKind[],
  nameOf: (id: string) => string,
): StackLine[] {
  if (order !== "larger-inside") return [];
  const rank = new Map(largerFirst(plates).map(({ id }, k) => [id, k]));
  const at = stack.findIndex((plate, i) => i > 0 && rank.get(plate.id)! < rank.get(stack[i - 1]!.id)!);
  return at < 0
    ? []
    : [
        {
          verdict: "warn",
          text: `Not larger inside: ${nameOf(stack[at]!.id)} outside ${nameOf(stack[at - 1]!.id)}.`,
        },
      ];
}
