import { balance, balancingLeanDeg, type BalanceQuestion } from "../../balance/balance";
import { carryOn } from "../../balance/carryOn";
import { valueOf } from "../../bars/bar";
import { trimmed } from "../../units/format";
import type { Factor, MatchQuestion } from "../question";

const SQUATS = ["back-squat-high", "back-squat-low", "box-squat", "front-squat", "goblet-squat"];

/** Lifter, bar and load at the bottom of a squat with the thigh level; null where the model has nothing to say. */
function squatQuestion({ bar, lift, lifter, loadKg, rules }: MatchQuestion): BalanceQuestion | null {
  if (!lifter?.build || !SQUATS.includes(lift.like)) return null;
  const carried = carryOn(bar, lift.like);
  const mass = valueOf(bar, "mass");
  if (!carried || mass === null || mass > loadKg) return null;
  return {
    lifter: lifter.build,
    pose: { shankLeanDeg: carried.shankLeanDeg, thighAngleDeg: 0 },
    carry: carried.carry,
    loadKg: loadKg - carried.contactShare * mass,
    contactKg: carried.contactShare * mass,
    handTorqueLimitNm: rules.handTorqueNm,
  };
}

/**
 * What this lifter's own lengths make of the bar. Geometry, not a diagnosis.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const build: Factor = (question) => {
  const asked = squatQuestion(question);
  if (!asked) return null;
  const leanDeg = balancingLeanDeg(asked);
  const base = { factor: "build", basis: "physics", isPrivate: true } as const;
  if (leanDeg === null)
    return {
      ...base,
      atBest: "poor",
      text: () => "With these lengths nothing balances at a level thigh and the usual shank lean.",
      wouldChange: () => "More shank lean, a higher squat, or another carry.",
    };
  const numbers = { value: Math.round(10 * leanDeg) / 10, unit: "°" };
  const { leanLimitDeg } = question.rules;
  if (leanDeg > leanLimitDeg)
    return {
      ...base,
      ...numbers,
      atBest: "usable",
      text: () => `${balanceWords(asked)}. That is over the gym’s ${trimmed(leanLimitDeg, 0)}°.`,
      wouldChange: () => "A carry that keeps the trunk more upright.",
    };
  return {
    factor: "build",
    basis: "physics",
    atBest: "made-for",
    isPrivate: true,
    value: numbers.value,
    unit: numbers.unit,
    text: () => `${balanceWords(asked)}.`,
  };
};

function balanceWords(asked: BalanceQuestion): string {
  const { trunkLeanDeg, hipMomentNm, kneeMomentNm, rollTorqueNm, correctionReachMm } = balance(asked)!;
  return [
    `At a level thigh the trunk leans ${trimmed(trunkLeanDeg, 0)}°`,
    `hip ${trimmed(hipMomentNm, 0)} and knee ${trimmed(kneeMomentNm, 0)} N·m`,
    ...(Math.abs(rollTorqueNm) < 1
      ? []
      : [`${trimmed(Math.abs(rollTorqueNm), 0)} N·m roll it ${rollTorqueNm > 0 ? "forward" : "off the back"}`]),
    ...(correctionReachMm === null ? [] : [`hands can hold the load back ${trimmed(correctionReachMm, 0)} mm`]),
  ].join("; ");
}

const BACK_SQUATS = ["back-squat-high", "back-squat-low", "box-squat"];

/** Bars that each policy has in mind for tall lifters who squat. */
const FOR_TALL = {
  cambered: ["cambered", "cambered-yoke"],
  "front-loaded": ["adjustable-yoke"],
  yoke: ["yoke", "low-yoke", "cambered-yoke", "adjustable-yoke"],
} as const;
const TALL_WORDS = {
  cambered: "a cambered squat bar",
  "front-loaded": "a load in front: the front squat, or a bar that imitates it",
  yoke: "a safety squat bar",
} as const;

/**
 * What the house believes of tall lifters.
 *
 * @returns the best verdict it leaves possible, with its reason; null where it has nothing to say
 */
export const tall: Factor = ({ bar, lift, lifter, rules }) => {
  const policy = rules.policies.tall;
  if (policy === "model" || !lifter?.build || lifter.build.heightMm < rules.tallMm) return null;
  if (!BACK_SQUATS.includes(lift.like)) return null;
  const isWanted = (FOR_TALL[policy] as readonly string[]).includes(bar.family);
  return {
    factor: "tall",
    basis: "house-rule",
    isPrivate: true,
    atBest: isWanted ? "made-for" : "good",
    text: () => `For tall lifters the gym wants ${TALL_WORDS[policy]}.`,
    ...(isWanted ? {} : { wouldChange: () => "Such a bar, or the house rule on tall lifters." }),
  };
};
