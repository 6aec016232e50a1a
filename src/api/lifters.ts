import Joi from "joi";
import { EXPERIENCES, LIMITS } from "@/core/matching/lifter";
import { convertTyped, type TypedQuantity } from "@/core/units/typedQuantity";

/** What programs of a coach see of a lifter. */
export const lifterItem = Joi.object({
  id: Joi.string().required(),
  name: Joi.string().required(),
  squad: Joi.string().allow(null).required(),
  experience: Joi.string()
    .valid(...EXPERIENCES)
    .required(),
  heightMm: Joi.number().allow(null).required(),
  massKg: Joi.number().allow(null).required(),
  handLengthMm: Joi.number().allow(null).required(),
  limits: Joi.array()
    .items(Joi.string().valid(...LIMITS))
    .required(),
  usualLoads: Joi.array()
    .items(Joi.object({ lift: Joi.string().required(), loadKg: Joi.number().required() }))
    .required(),
});

/** The fields of a lifter's row that the wire shows; notes and medical words stay in the hall. */
export interface WireLifter {
  key: string;
  name: string;
  squad: string | null;
  experience: string;
  heightMm: number | null;
  massKg: number | null;
  handLengthMm: number | null;
  limits: string[] | null;
  usualLoads: Record<string, { value: string; unit: string }> | null;
}

export function lifterItemOf({
  key,
  name,
  squad,
  experience,
  heightMm,
  massKg,
  handLengthMm,
  limits,
  usualLoads,
}: WireLifter) {
  return {
    id: key,
    name,
    squad,
    experience,
    heightMm,
    massKg,
    handLengthMm,
    limits: limits ?? [],
    usualLoads: Object.entries(usualLoads ?? {}).map(([lift, typed]) => ({
      lift,
      loadKg: convertTyped(typed as TypedQuantity),
    })),
  };
}
