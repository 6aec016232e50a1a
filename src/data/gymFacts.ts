import Joi from "joi";
import { CLIMATE_CLASSES } from "@/core/care/climateClass";
import { isTimeZone } from "@/core/units/hallDay";
import type { NewHall } from "./newHall";

const timeZone = (zone: string, helpers: Joi.CustomHelpers) => (isTimeZone(zone) ? zone : helpers.error("any.invalid"));

const SCHEMA = Joi.object({
  GYM_NAME: Joi.string().max(80).default("Our gym"),
  GYM_TIME_ZONE: Joi.string()
    .custom(timeZone)
    .messages({ "any.invalid": "GYM_TIME_ZONE is no time zone; write Europe/Lisbon" }),
  GYM_CLIMATE: Joi.string()
    .valid(...CLIMATE_CLASSES)
    .default("temperate"),
  GYM_CURRENCY: Joi.string()
    .pattern(/^[A-Z]{3}$/)
    .default("EUR"),
  GYM_MANAGER: Joi.string().max(80).default("Manager"),
});

/** The names of the variables that say what a new gym is, for the test of `.env.example`. */
export const GYM_VARIABLES: readonly string[] = Object.keys(SCHEMA.describe().keys as Record<string, unknown>);

/**
 * What the environment says of a gym that is set up for the first time.
 *
 * @throws Error that lists every variable that is wrong.
 */
export function readGymFacts(variables: Readonly<Record<string, string | undefined>>): NewHall {
  const given = Object.fromEntries(
    GYM_VARIABLES.filter((name) => variables[name]).map((name) => [name, variables[name]]),
  );
  const { error, value } = SCHEMA.validate(given, { abortEarly: false, errors: { wrap: { label: false } } });
  if (error)
    throw new Error(
      `The gym cannot be set up like this:\n${error.details.map(({ message }) => `- ${message}`).join("\n")}`,
    );
  return {
    name: value.GYM_NAME,
    timeZone: value.GYM_TIME_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
    climateClass: value.GYM_CLIMATE,
    currency: value.GYM_CURRENCY,
    manager: value.GYM_MANAGER,
  };
}
