import Joi from "joi";
import type { RotationPlan, RotationQuestion } from "@/core/rotation/rotationQuestion";
import { deadlineMs, id } from "./fields";
import type { Problem } from "./problems";

export interface RotationRequest {
  weeks: number;
  targets: number[];
  bars: { id: string; capacity: number }[];
  maxRun: number;
  lifters: {
    id: string;
    bars: { id: string; ratioPct: number; points: number; learningWeeks: number }[];
    pins: { week: number; bar: string }[];
    competition?: { week: number; bar: string; lastWeeks: number };
  }[];
  lightBelowPct: number;
  deadlineMs: number;
}

export const MAX_WEEKS = 26;
const MAX_BARS = 200;
const MAX_LIFTERS = 200;
const MAX_PERCENT = 300;

const week = () => Joi.number().integer().min(1).max(MAX_WEEKS);
const percent = () => Joi.number().min(0).max(MAX_PERCENT);

export const rotationRequest = Joi.object<RotationRequest>({
  weeks: week().required(),
  targets: Joi.array()
    .items(percent())
    .max(MAX_WEEKS)
    .required()
    .description("percent of the straight single that is aimed at, one a week"),
  bars: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        capacity: Joi.number().integer().min(0).max(1000).required().description("lifters a week"),
      }),
    )
    .max(MAX_BARS)
    .unique("id")
    .required(),
  maxRun: week().default(MAX_WEEKS).description("weeks in a row on one bar, also before a competition"),
  lifters: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        bars: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              ratioPct: percent().required().description("worth against the straight bar"),
              points: Joi.number().min(0).max(1000).required(),
              learningWeeks: Joi.number()
                .integer()
                .min(0)
                .max(MAX_WEEKS)
                .default(0)
                .description("so many weeks on it come first in which the target is below lightBelowPct"),
            }),
          )
          .max(MAX_BARS)
          .unique("id")
          .required(),
        pins: Joi.array()
          .items(Joi.object({ week: week().required(), bar: id().required() }))
          .max(MAX_WEEKS * 2)
          .default([]),
        competition: Joi.object({
          week: week().required(),
          bar: id().required(),
          lastWeeks: Joi.number().integer().min(0).max(MAX_WEEKS).required(),
        }),
      }),
    )
    .max(MAX_LIFTERS)
    .unique("id")
    .required(),
  lightBelowPct: percent().default(75),
  deadlineMs: deadlineMs().description("the best plan so far is answered then"),
}).required();

export const rotationAnswer = Joi.object({
  plan: Joi.array()
    .items(
      Joi.object({
        lifter: Joi.string().required(),
        bars: Joi.array().items(Joi.string()).required().description("one a week"),
      }),
    )
    .required(),
  value: Joi.number().required(),
  bound: Joi.number().required(),
  provenOptimal: Joi.boolean().required(),
});

/** What a schema cannot say: targets for other weeks, bars that are not among the bars, weeks beyond the last. */
export function rotationProblems({ weeks, targets, bars, lifters }: RotationRequest): Problem[] {
  const problems: Problem[] = [];
  const known = new Set(bars.map((bar) => bar.id));
  const bar = (one: string, path: string) => {
    if (!known.has(one)) problems.push({ path, message: `"${one}" is not among the bars` });
  };
  const inWeeks = (one: number, path: string) => {
    if (one > weeks) problems.push({ path, message: `week ${one} comes after the last, which is ${weeks}` });
  };
  if (targets.length !== weeks)
    problems.push({ path: "targets", message: `targets must have one for each of the ${weeks} weeks` });
  lifters.forEach((lifter, i) => {
    lifter.bars.forEach((one, j) => bar(one.id, `lifters.${i}.bars.${j}.id`));
    lifter.pins.forEach((pin, j) => {
      bar(pin.bar, `lifters.${i}.pins.${j}.bar`);
      inWeeks(pin.week, `lifters.${i}.pins.${j}.week`);
    });
    if (!lifter.competition) return;
    bar(lifter.competition.bar, `lifters.${i}.competition.bar`);
    inWeeks(lifter.competition.week, `lifters.${i}.competition.week`);
  });
  return problems;
}

/** A request as the core takes it. */
export const rotationQuestion = ({ lifters, ...request }: RotationRequest): RotationQuestion => ({
  weeks: request.weeks,
  targets: request.targets,
  bars: request.bars,
  maxRun: request.maxRun,
  lightBelowPct: request.lightBelowPct,
  lifters: lifters.map(({ competition, ...lifter }) => ({ ...lifter, competition: competition ?? null })),
});

/** A plan as it is told. */
export const answerRotation = ({ lifters }: RotationRequest, { bars, value, bound, isProven }: RotationPlan) => ({
  plan: lifters.map((lifter, i) => ({ lifter: lifter.id, bars: bars[i]! })),
  value,
  bound,
  provenOptimal: isProven,
});
