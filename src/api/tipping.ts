import Joi from "joi";
import { tipping, type TippingPlate } from "@/core/loading/tipping";
import { lengthMm, loadKg, massKg, thicknessMm } from "./fields";

export interface TippingRequest {
  bar: { massKg: number; shaftLengthMm: number; collarThicknessMm: number; seatToSeatMm?: number };
  rackHalfSpacingMm: number;
  left: TippingPlate[];
  right: TippingPlate[];
}

const side = () =>
  Joi.array()
    .items(Joi.object({ massKg: loadKg().required(), thicknessMm: thicknessMm().required() }))
    .max(40)
    .required()
    .description("inside first; a clamp is an entry");

export const tippingRequest = Joi.object<TippingRequest>({
  bar: Joi.object({
    massKg: massKg().required(),
    shaftLengthMm: lengthMm().required(),
    collarThicknessMm: lengthMm().required(),
    seatToSeatMm: lengthMm().description("shaft + 2 × collar when left out"),
  }).required(),
  rackHalfSpacingMm: lengthMm().required(),
  left: side(),
  right: side(),
}).required();

const sides = ["left", "right"] as const;

export const tippingAnswer = Joi.object({
  tips: Joi.string()
    .valid(...sides)
    .allow(null)
    .required(),
  marginNm: Joi.number().required().description("the smaller restoring moment; negative when it tips"),
  maxOneSidedRemoval: Joi.object({
    left: Joi.number().integer().required(),
    right: Joi.number().integer().required(),
  }).required(),
  safeUnloadOrder: Joi.array()
    .items(Joi.string().valid(...sides))
    .allow(null)
    .required(),
});

/** Pure statics for a request; the reserve is the screens'. */
export function answerTipping({ bar, rackHalfSpacingMm, left, right }: TippingRequest) {
  const { tips, marginNm, maxOneSidedRemoval, safeUnloadOrder } = tipping({
    barKg: bar.massKg,
    seatToSeatMm: bar.seatToSeatMm ?? bar.shaftLengthMm + 2 * bar.collarThicknessMm,
    rackHalfSpacingMm,
    left,
    right,
  });
  return { tips, marginNm, maxOneSidedRemoval, safeUnloadOrder };
}
