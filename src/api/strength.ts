import Joi from "joi";
import { FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import { BAND_LEVEL } from "@/core/strength/estimates";
import { priorOf } from "@/core/strength/strengthRules";
import type { StrengthAnswer, StrengthQuestion } from "@/core/strength/strengthOf";
import { daysBetween } from "@/core/units/hallDay";
import { hallDay, id, loadKg } from "./fields";
import type { Problem } from "./problems";

export interface StrengthRequest {
  lift?: string;
  sets: {
    on: string;
    bar: string;
    family: FamilyKey;
    loadKg: number;
    repetitions: number;
    repetitionsInReserve: number | null;
    made: boolean;
  }[];
  asOf?: string;
  ask: { bar: string; family: FamilyKey; repetitions: number; repetitionsInReserve: number }[];
  level: number;
}

export const MAX_SETS = 5000;
/** Each bar that is not straight is one more unknown, tied to all others. */
export const MAX_UNKNOWN_BARS = 200;

const family = () => Joi.string().valid(...FAMILY_KEYS);
const repetitions = () => Joi.number().integer().min(1).max(100);
const reserve = () => Joi.number().min(0).max(10);

export const strengthRequest = Joi.object<StrengthRequest>({
  lift: id().description("of all sets; a label only"),
  sets: Joi.array()
    .items(
      Joi.object({
        on: hallDay().required(),
        bar: id().required().description("what a worth is kept for: a bar, or a bar at a setting"),
        family: family().required(),
        loadKg: loadKg().required().description("total on the bar"),
        repetitions: repetitions().required(),
        repetitionsInReserve: reserve().allow(null).default(null),
        made: Joi.boolean().strict().default(true).description("a missed set counts as a use of the bar only"),
      }),
    )
    .max(MAX_SETS)
    .required()
    .description(`of one lifter and one lift, at most ${MAX_UNKNOWN_BARS} bars that are not straight`),
  asOf: hallDay().description("sets after it are ignored; the last set's day when left out"),
  ask: Joi.array()
    .items(
      Joi.object({
        bar: id().required(),
        family: family().required(),
        repetitions: repetitions().required(),
        repetitionsInReserve: reserve().default(1),
      }),
    )
    .max(MAX_SETS)
    .default([]),
  level: Joi.number().min(0.5).max(0.99).default(BAND_LEVEL).description("share of cases within a band"),
}).required();

const bandKg = { lowKg: Joi.number().required(), highKg: Joi.number().required() };

export const strengthAnswer = Joi.object({
  straight: Joi.object({ kg: Joi.number().required(), ...bandKg })
    .allow(null)
    .required()
    .description("today's single on a straight bar; null where no set counts"),
  bars: Joi.array()
    .items(
      Joi.object({
        bar: Joi.string().required(),
        ratio: Joi.number().required().description("worth against the straight bar, once learnt"),
        low: Joi.number().required(),
        high: Joi.number().required(),
        uses: Joi.number().integer().required().description("days on it"),
        isLearning: Joi.boolean().required(),
      }),
    )
    .required(),
  expected: Joi.array()
    .items(
      Joi.object({
        bar: Joi.string().required(),
        repetitions: Joi.number().integer().required(),
        loadKg: Joi.number()
          .required()
          .description("on a bar that the lifter never used: the low end of the band, for a first load is never heavy"),
        ...bandKg,
      }),
    )
    .allow(null)
    .required()
    .description("null where no set counts"),
});

/** What a schema cannot say: a bar of two families, and more bars than can be worked out together. */
export function strengthProblems({ sets, ask }: StrengthRequest): Problem[] {
  const problems: Problem[] = [];
  const families = new Map<string, FamilyKey>();
  const look = (list: readonly { bar: string; family: FamilyKey }[], path: string) =>
    list.forEach(({ bar, family: own }, i) => {
      const known = families.get(bar);
      if (known === undefined) families.set(bar, own);
      else if (known !== own)
        problems.push({ path: `${path}.${i}.family`, message: `"${bar}" is ${own} here and ${known} before` });
    });
  look(sets, "sets");
  // A bar that is only asked for is no unknown of the log.
  const unknown = [...families.values()].filter((own) => priorOf(own) !== "straight").length;
  if (unknown > MAX_UNKNOWN_BARS)
    problems.push({
      path: "sets",
      message: `sets must contain at most ${MAX_UNKNOWN_BARS} bars that are not straight; these are ${unknown}`,
    });
  look(ask, "ask");
  return problems;
}

/** A request as the core takes it. */
export function strengthQuestion({ sets, asOf, ask, level }: StrengthRequest): StrengthQuestion {
  const dayOf = (on: string) => daysBetween("1970-01-01", on);
  return {
    sets: sets.map(({ on, repetitionsInReserve, made, ...set }) => ({
      ...set,
      day: dayOf(on),
      reserve: repetitionsInReserve,
      isMade: made,
    })),
    asOf: asOf === undefined ? null : dayOf(asOf),
    ask: ask.map(({ repetitionsInReserve, ...wish }) => ({ ...wish, reserve: repetitionsInReserve })),
    level,
  };
}

/** An answer as it is told. */
export function answerStrength({ straight, bars, expected }: StrengthAnswer) {
  return {
    straight: straight && { kg: straight.value, lowKg: straight.low, highKg: straight.high },
    bars: bars.map(({ bar, value, low, high, uses, isLearning }) => ({
      bar,
      ratio: value,
      low,
      high,
      uses,
      isLearning,
    })),
    expected:
      expected?.map(({ bar, repetitions: wished, value, low, high }) => ({
        ...{ bar, repetitions: wished },
        ...{ loadKg: value, lowKg: low, highKg: high },
      })) ?? null,
  };
}
