import Joi from "joi";
import {
  STACK_ORDERS,
  type SessionPlan,
  type SessionQuestion,
  type StackOrder,
} from "@/core/loading/plan/sessionQuestion";
import { kgFromMassUnits, massUnitsFromKg } from "@/core/units/exactMass";
import { deadlineMs, id, lengthMm, loadKg, massKg } from "./fields";
import { plateList, type PlateRequest } from "./load";
import type { Problem } from "./problems";

export interface SessionPlanRequest {
  bar: { massKg: number; sleeveLengthMm?: number; changeSetupEmpty: boolean };
  clampPairKg: number;
  plates: PlateRequest[];
  sets: { id: string; targetKg: number; setup?: string }[];
  startPerSide: string[];
  endEmpty: boolean;
  toleranceKg: number;
  order: StackOrder;
  deadlineMs: number;
}

export const sessionPlanRequest = Joi.object<SessionPlanRequest>({
  bar: Joi.object({
    massKg: massKg().required(),
    sleeveLengthMm: lengthMm(),
    changeSetupEmpty: Joi.boolean().strict().default(false).description("the sleeve is empty where the setup changes"),
  }).required(),
  clampPairKg: massKg().default(0),
  plates: plateList.required(),
  sets: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        targetKg: loadKg().required().description("total on the bar"),
        setup: Joi.string().max(64).allow(""),
      }),
    )
    .max(200)
    .unique("id")
    .required(),
  startPerSide: Joi.array().items(id()).max(40).default([]).description("plates of one side now, inside first"),
  endEmpty: Joi.boolean().strict().default(false),
  toleranceKg: massKg().default(0).description("loads within it of the nearest count as equal, also above the target"),
  order: Joi.string()
    .valid(...STACK_ORDERS)
    .default("any")
    .description("larger-inside: going outwards no plate is heavier, and of equal mass none larger"),
  deadlineMs: deadlineMs().description("the best plan so far is answered then"),
}).required();

export const sessionPlanAnswer = Joi.object({
  sets: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().required(),
        achievedKg: Joi.number().required(),
        errorKg: Joi.number().required().description("achieved minus target"),
        perSide: Joi.array().items(Joi.string()).required(),
      }),
    )
    .required(),
  handledPerSide: Joi.number().integer().required(),
  lowerBoundPerSide: Joi.number().integer().required(),
  provenOptimal: Joi.boolean().required(),
});

/** What a schema cannot say: a start of plates that are not there. */
export function sessionPlanProblems({ plates, startPerSide }: SessionPlanRequest): Problem[] {
  const problems: Problem[] = [];
  const left = new Map(plates.map(({ id: key, pairs }) => [key, pairs]));
  startPerSide.forEach((plate, i) => {
    const pairs = left.get(plate);
    if (pairs === undefined)
      problems.push({ path: `startPerSide.${i}`, message: `"${plate}" is not among the plates` });
    else if (pairs === 0)
      problems.push({ path: `startPerSide.${i}`, message: `more of "${plate}" on the bar than there are` });
    else left.set(plate, pairs - 1);
  });
  return problems;
}

/** The question of a request as the core asks it. */
export function sessionQuestion(request: SessionPlanRequest): SessionQuestion {
  const { bar, clampPairKg, plates, sets, startPerSide, endEmpty, toleranceKg, order } = request;
  return {
    barUnits: massUnitsFromKg(bar.massKg),
    clampPairUnits: massUnitsFromKg(clampPairKg),
    roomMm: bar.sleeveLengthMm ?? null,
    changesSetupEmpty: bar.changeSetupEmpty,
    plates: plates.map(({ id: key, massKg: kg, pairs, thicknessMm, diameterMm }) => ({
      id: key,
      massUnits: massUnitsFromKg(kg),
      pairs,
      thicknessMm: thicknessMm ?? 0,
      diameterMm: diameterMm ?? null,
    })),
    sets: sets.map(({ id: key, targetKg, setup }) => ({
      id: key,
      targetUnits: massUnitsFromKg(targetKg),
      setup: setup ?? null,
    })),
    start: startPerSide,
    endsEmpty: endEmpty,
    toleranceUnits: massUnitsFromKg(toleranceKg),
    order,
  };
}

/** A plan as it is told. */
export function answerSessionPlan(plan: SessionPlan) {
  return {
    sets: plan.sets.map(({ id: key, achievedUnits, errorUnits, perSide }) => ({
      id: key,
      achievedKg: kgFromMassUnits(achievedUnits),
      errorKg: kgFromMassUnits(errorUnits),
      perSide,
    })),
    handledPerSide: plan.handled,
    lowerBoundPerSide: plan.lowerBound,
    provenOptimal: plan.isProven,
  };
}
