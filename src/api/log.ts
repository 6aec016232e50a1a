import Joi from "joi";

/** A logged set as lists tell it. */
export const logItem = Joi.object({
  on: Joi.string().required().description("YYYY-MM-DD, day of the hall"),
  lifter: Joi.string().required().description("short name, as in /lifters"),
  lift: Joi.string().required().description("key, as in /lifts"),
  bar: Joi.string().required().description("tag"),
  loadKg: Joi.number().required().description("total on the bar"),
  repetitions: Joi.number().integer().required(),
  repetitionsInReserve: Joi.number().allow(null).required().description("null where not recorded"),
  made: Joi.boolean().required(),
});

interface Logged {
  on: string;
  lifter: string;
  lift: string;
  bar: string;
  loadKg: number;
  repetitions: number;
  reserve: number | null;
  isMade: boolean;
}

/** A set as it is told. */
export const logItemOf = ({ on, lifter, lift, bar, loadKg, repetitions, reserve, isMade }: Logged) => ({
  ...{ on, lifter, lift, bar, loadKg, repetitions },
  ...{ repetitionsInReserve: reserve, made: isMade },
});
