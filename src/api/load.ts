import Joi from "joi";
import { ENDINGS, type Ending } from "@/core/loading/endings";
import type { KeptAway } from "@/core/loading/keptAway";
import type { LoadAnswer } from "@/core/loading/load";
import { PLATE_MATERIALS, type PlateMaterial } from "@/core/loading/plateKind";
import { type LoadQuestion, ROUNDINGS, type Rounding } from "@/core/loading/question";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import { id, lengthMm, loadKg, massKg, plateKg, thicknessMm } from "./fields";
import type { Problem } from "./problems";

/** A plate as every computing route takes it. */
export interface PlateRequest {
  id: string;
  massKg: number;
  pairs: number;
  thicknessMm?: number;
  diameterMm?: number;
  material?: PlateMaterial;
}

export interface LoadRequest {
  targetKg: number;
  bar: { massKg: number; sleeveLengthMm?: number; ratedLoadKg?: number };
  clampPairKg: number;
  plates: PlateRequest[];
  ending: Ending;
  ironToRubber: { warn: number; refuse: number };
  rounding: Rounding;
  toleranceKg: number;
  onBar?: string[];
}

/** Plates as every computing route takes them. */
export const plateList = Joi.array()
  .items(
    Joi.object({
      id: id().required(),
      massKg: plateKg().required(),
      pairs: Joi.number().integer().min(0).max(100).required(),
      thicknessMm: thicknessMm(),
      diameterMm: thicknessMm(),
      material: Joi.string().valid(...PLATE_MATERIALS),
    }),
  )
  .max(40)
  .unique("id");

export const loadRequest = Joi.object<LoadRequest>({
  targetKg: loadKg().required().description("total on the bar, bar and clamps included"),
  bar: Joi.object({
    massKg: massKg().required(),
    sleeveLengthMm: lengthMm(),
    ratedLoadKg: loadKg().description("total"),
  }).required(),
  clampPairKg: massKg().default(0),
  plates: plateList.required(),
  ending: Joi.string()
    .valid(...ENDINGS)
    .default("racked"),
  ironToRubber: Joi.object({
    warn: Joi.number().min(0).max(10).default(0.2),
    refuse: Joi.number().min(0).max(10).default(0.3),
  }).default({ warn: 0.2, refuse: 0.3 }),
  rounding: Joi.string()
    .valid(...ROUNDINGS)
    .default("at-or-below"),
  toleranceKg: massKg().default(0),
  onBar: Joi.array().items(id()).max(40).description("plates of one side now, inside first"),
}).required();

const option = {
  achievedKg: Joi.number().required(),
  perSide: Joi.array().items(Joi.string()).required(),
};

export const loadAnswer = Joi.object({
  ...option,
  errorKg: Joi.number().required().description("achieved minus target"),
  exact: Joi.boolean().required(),
  warnings: Joi.array()
    .items(Joi.object({ code: Joi.string().required(), message: Joi.string().required() }))
    .required(),
  alternatives: Joi.array().items(Joi.object(option)).required(),
});

/** What a schema cannot say: plates on the bar that are not among the plates, or more of them than there are. */
export function loadProblems({ plates: known, onBar = [], ironToRubber }: LoadRequest): Problem[] {
  const problems: Problem[] = [];
  if (ironToRubber.warn > ironToRubber.refuse)
    problems.push({ path: "ironToRubber.warn", message: "warn must not be over refuse" });
  const pairs = new Map(known.map((plate) => [plate.id, plate.pairs]));
  const used = new Map<string, number>();
  onBar.forEach((plate, i) => {
    const count = (used.get(plate) ?? 0) + 1;
    used.set(plate, count);
    if (!pairs.has(plate)) problems.push({ path: `onBar.${i}`, message: `"${plate}" is not among the plates` });
    else if (count > pairs.get(plate)!)
      problems.push({
        path: `onBar.${i}`,
        message: `more of "${plate}" on the bar than the ${pairs.get(plate)} pairs there are`,
      });
  });
  return problems;
}

/** The question of a request as the core asks it. */
export function loadQuestion(request: LoadRequest): LoadQuestion {
  return {
    targetUnits: massUnitsFromKg(request.targetKg),
    barUnits: massUnitsFromKg(request.bar.massKg),
    clampPairUnits: massUnitsFromKg(request.clampPairKg),
    roomMm: request.bar.sleeveLengthMm ?? null,
    ratedUnits: request.bar.ratedLoadKg === undefined ? null : massUnitsFromKg(request.bar.ratedLoadKg),
    plates: request.plates.map((plate) => ({
      id: plate.id,
      massUnits: massUnitsFromKg(plate.massKg),
      pairs: plate.pairs,
      thicknessMm: plate.thicknessMm ?? null,
      diameterMm: plate.diameterMm ?? null,
      material: plate.material ?? null,
    })),
    ending: request.ending,
    ironToRubber: request.ironToRubber,
    rounding: request.rounding,
    toleranceUnits: massUnitsFromKg(request.toleranceKg),
    onBar: request.onBar ?? null,
  };
}

/** The exact load as it is told, with what keeps it away from its target, or why it cannot be done. */
export function answerLoad({ answer, away }: { answer: LoadAnswer; away: readonly KeptAway[] }) {
  if (!answer.ok) return answer;
  return {
    ok: true as const,
    body: {
      achievedKg: kgFromMassUnits(answer.achievedUnits),
      errorKg: kgFromMassUnits(answer.errorUnits),
      exact: answer.errorUnits === 0,
      perSide: answer.perSide,
      warnings: [...away.map(({ code, message }) => ({ code, message })), ...answer.warnings],
      alternatives: answer.alternatives.map(({ achievedUnits, perSide }) => ({
        achievedKg: kgFromMassUnits(achievedUnits),
        perSide,
      })),
    },
  };
}
