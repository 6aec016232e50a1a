import Joi from "joi";
import { whip, type Whip } from "@/core/whip/closedForm";
import { lengthMm, loadKg, thicknessMm } from "./fields";

export interface WhipRequest {
  bar: {
    shaftDiameterMm: number;
    shaftLengthMm: number;
    collarThicknessMm: number;
    seatToSeatMm?: number;
    elasticModulusGPa: number;
    yieldMPa?: number;
  };
  supportHalfSpacingMm: number;
  perSide: { massKg: number; thicknessMm: number }[];
}

export const whipRequest = Joi.object<WhipRequest>({
  bar: Joi.object({
    shaftDiameterMm: thicknessMm().required(),
    shaftLengthMm: lengthMm().required(),
    collarThicknessMm: thicknessMm().required(),
    seatToSeatMm: lengthMm().description("as read with the tape; overrides shaft + 2 × collar"),
    elasticModulusGPa: Joi.number().min(1).max(1000).default(207),
    yieldMPa: Joi.number().min(1).max(5000),
  }).required(),
  supportHalfSpacingMm: lengthMm().required(),
  perSide: Joi.array()
    .items(Joi.object({ massKg: loadKg().required(), thicknessMm: thicknessMm().required() }))
    .min(1)
    .max(40)
    .required()
    .description("plates of one side, inside first"),
}).required();

export const whipAnswer = Joi.object({
  seatToSeatMm: Joi.number().required(),
  loadCentroidMm: Joi.number().required(),
  deflectionMm: Joi.number().required(),
  centreRiseMm: Joi.number().required(),
  maxMomentNm: Joi.number().required(),
  maxStressMPa: Joi.number().required(),
  safetyFactor: Joi.number().allow(null).required(),
  stiffnessNPerMm: Joi.number().required(),
  oscillationHz: Joi.number().required(),
});

/** The closed form for a request; null when the supports are not inside the load. */
export function answerWhip({ bar, supportHalfSpacingMm, perSide }: WhipRequest): Whip | null {
  return whip(
    {
      shaftDiameterMm: bar.shaftDiameterMm,
      shaftLengthMm: bar.shaftLengthMm,
      seatToSeatMm: bar.seatToSeatMm ?? bar.shaftLengthMm + 2 * bar.collarThicknessMm,
      elasticModulusGPa: bar.elasticModulusGPa,
      yieldMPa: bar.yieldMPa ?? null,
    },
    supportHalfSpacingMm,
    perSide,
  );
}
