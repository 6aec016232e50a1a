import Joi from "joi";
import { balance } from "@/core/balance/balance";
import { lengthMm, loadKg, massKg } from "./fields";

export interface BalanceRequest {
  lifter: {
    heightMm: number;
    massKg: number;
    trunkLengthMm?: number;
    thighLengthMm?: number;
    shankLengthMm?: number;
  };
  pose: { shankLeanDeg: number; thighAngleDeg: number };
  carry: {
    alongTrunk: number;
    alongTrunkMm: number;
    forwardMm: number;
    camberForwardMm: number;
    camberDropMm: number;
    camber: "rigid" | "hanging";
    heldAngleDeg: number;
  };
  loadKg: number;
  contactKg: number;
  handTorqueLimitNm: number;
}

const angle = () => Joi.number().min(-90).max(90);
/** A distance from a datum, which may lie on either side of it. */
const offsetMm = () => Joi.number().min(-10_000).max(10_000);

export const balanceRequest = Joi.object<BalanceRequest>({
  lifter: Joi.object({
    heightMm: Joi.number().min(500).max(2500).required(),
    massKg: Joi.number().min(20).max(350).required(),
    trunkLengthMm: lengthMm().description("hip to shoulder; from the height when left out"),
    thighLengthMm: lengthMm(),
    shankLengthMm: lengthMm(),
  }).required(),
  pose: Joi.object({
    shankLeanDeg: angle().default(32).description("knee ahead of the ankle is positive"),
    thighAngleDeg: angle().default(0).description("hip above the knee is positive"),
  }).default({ shankLeanDeg: 32, thighAngleDeg: 0 }),
  carry: Joi.object({
    alongTrunk: Joi.number().min(-1).max(2).required().description("0 at the hip, 1 at the shoulder"),
    alongTrunkMm: offsetMm().required(),
    forwardMm: offsetMm().required().description("ahead of the trunk's line; negative on the back"),
    camberForwardMm: offsetMm().default(0),
    camberDropMm: lengthMm().default(0),
    camber: Joi.string().valid("rigid", "hanging").default("rigid"),
    heldAngleDeg: angle().default(0).description("pulled back from plumb is positive"),
  }).required(),
  loadKg: loadKg().required().description("at the end of the camber"),
  contactKg: massKg().default(0).description("the part of the bar's own mass that lies at the contact"),
  handTorqueLimitNm: Joi.number().min(0).max(10_000).default(50),
}).required();

export const balanceAnswer = Joi.object({
  trunkLeanDeg: Joi.number().required(),
  loadAheadOfMidFootMm: Joi.number().required(),
  hipMomentNm: Joi.number().required(),
  kneeMomentNm: Joi.number().required(),
  hipToKnee: Joi.number().allow(null).required(),
  rollTorqueNm: Joi.number().required(),
  correctionReachMm: Joi.number().allow(null).required(),
});

/** The balance for a request; null when nothing balances at this pose. */
export function answerBalance({ lifter, ...rest }: BalanceRequest) {
  const answer = balance({ lifter, ...rest });
  if (!answer) return null;
  const { trunkLeanDeg, loadAheadOfMidFootMm, hipMomentNm, kneeMomentNm, hipToKnee, rollTorqueNm, correctionReachMm } =
    answer;
  return { trunkLeanDeg, loadAheadOfMidFootMm, hipMomentNm, kneeMomentNm, hipToKnee, rollTorqueNm, correctionReachMm };
}
