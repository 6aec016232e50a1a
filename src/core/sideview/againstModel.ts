import { balance, hinge, type Balance } from "../balance/balance";
import type { Build } from "../balance/body";
import type { Carry } from "../balance/carry";
import type { StillReading } from "./readStill";

/** What the model is asked: who lifts what, and how it is carried. */
export interface ModelQuestion {
  build: Build;
  carry: Carry;
  loadKg: number;
  contactKg: number;
}

/** The model at the legs of a still: what lean it would have there, beside what the still shows. */
export interface AgainstModel {
  balance: Balance;
  kneeDeg: number;
  hipDeg: number;
  /** The still's lean less the model's, in degrees. */
  leanOffDeg: number;
  /** Whether the two differ by more than the still's own uncertainty. */
  differs: boolean;
}

const MAX_MODEL_SHANK_DEG = 60;
const deg = (radians: number) => (radians * 180) / Math.PI;

/**
 * The model with shank and thigh as the still has them: only the lean is its own, so that what differs is how the load
 * is carried and held.
 *
 * @param isHinge the trunk is as on the still, and the model finds where the hips go instead
 * @returns null where nothing balances at those legs
 */
export function againstModel(reading: StillReading, question: ModelQuestion, isHinge = false): AgainstModel | null {
  const { build, carry, loadKg, contactKg } = question;
  const pose = {
    shankLeanDeg: Math.max(-25, Math.min(MAX_MODEL_SHANK_DEG, reading.shankDeg.value)),
    thighAngleDeg: Math.max(-40, Math.min(89, reading.thighDeg.value)),
  };
  const asked = { lifter: build, pose, carry, loadKg, contactKg };
  const found = isHinge ? hinge(asked, Math.max(-10, Math.min(89, reading.leanDeg.value))) : balance(asked);
  if (!found) return null;
  const { ankle, knee, hip, shoulder } = found.figure;
  const leanOffDeg = reading.leanDeg.value - found.trunkLeanDeg;
  return {
    balance: found,
    kneeDeg: corner(ankle, knee, hip),
    hipDeg: corner(knee, hip, shoulder),
    leanOffDeg,
    differs: Math.abs(leanOffDeg) > reading.leanDeg.within,
  };
}

function corner(
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  [cx, cy]: readonly [number, number],
): number {
  const [px, py, qx, qy] = [ax - bx, ay - by, cx - bx, cy - by];
  return Math.abs(deg(Math.atan2(px * qy - py * qx, px * qx + py * qy)));
}

/**
 * What the still says beside the model, in one sentence.
 *
 * @returns a sentence; angles in whole degrees
 */
export function againstWords({ balance: found, leanOffDeg, differs }: AgainstModel, reading: StillReading): string {
  const [seen, model] = [Math.round(reading.leanDeg.value), Math.round(found.trunkLeanDeg)];
  const head = `The trunk leans ${seen}° ± ${Math.ceil(reading.leanDeg.within)}°; the model has ${model}°`;
  if (!differs) return `${head}: as good as the same.`;
  return leanOffDeg > 0
    ? `${head}: they lean more than balances at these legs, towards the toes.`
    : `${head}: they stay more upright than balances at these legs, towards the heels.`;
}
