import Joi from "joi";
import type { SentRoundTouch } from "@/core/care/roundTouch";
import { ZONES } from "@/core/wear/zones";

/** Five mebibytes as base64, and a little. */
const MAX_PHOTO_CHARACTERS = 7_100_000;

/** One touch on a care round, as a telephone sends it. */
export const sentRoundTouch = Joi.object<SentRoundTouch>({
  key: Joi.string()
    .pattern(/^[\w-]{8,64}$/)
    .required(),
  kind: Joi.string().valid("done", "skip", "wrong").required(),
  tag: Joi.string().min(1).max(64).required(),
  tasks: Joi.array().items(Joi.string().min(1).max(64)).max(12).required(),
  results: Joi.object().pattern(Joi.string().min(1).max(64), Joi.string().min(1).max(40)).max(12),
  note: Joi.string().max(500),
  photo: Joi.string().base64().max(MAX_PHOTO_CHARACTERS),
  zone: Joi.string().valid(...ZONES),
  minutes: Joi.number().min(0).max(20),
  madeAt: Joi.string().isoDate().required(),
  as: Joi.string().max(600),
}).required();

/** Somebody says on a shared tablet who they are. */
export interface SentPin {
  personId: string;
  pin: string;
}

export const sentPin = Joi.object<SentPin>({
  personId: Joi.string().uuid().required(),
  pin: Joi.string().max(8).required(),
}).required();
