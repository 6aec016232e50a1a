import Joi from "joi";
import { RUN_TOUCHES, type RunTouch } from "@/core/loading/run/runTouch";

/** One touch on a run sheet, as a tablet sends it; it makes the key, once for each touch, and says its own time. */
export type SentTouch = RunTouch & { key: string; madeAt: string };

const id = Joi.string().min(1).max(64);
const onlyFor = (kind: string, schema: Joi.Schema) =>
  Joi.when("kind", { is: kind, then: schema.required(), otherwise: Joi.forbidden() });

export const sentTouch = Joi.object<SentTouch>({
  key: Joi.string()
    .pattern(/^[\w-]{8,64}$/)
    .required(),
  kind: Joi.string()
    .valid(...RUN_TOUCHES)
    .required(),
  set: id.required(),
  perSide: onlyFor("done", Joi.array().items(id).max(40)),
  targetKg: onlyFor("load", Joi.number().greater(0).max(2000)),
  effort: onlyFor(
    "effort",
    Joi.object({
      repetitions: Joi.number().integer().min(1).max(100).required(),
      reserve: Joi.number().min(0).max(10).allow(null).required(),
      isMade: Joi.boolean().strict().required(),
      handsHelped: Joi.boolean().strict().required(),
    }),
  ),
  madeAt: Joi.string().isoDate().required(),
}).required();
