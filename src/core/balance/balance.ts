import { STANDARD_GRAVITY } from "../units/constants";
import { bodyOf, LIMB_CENTRE, MID_FOOT, UPPER_CENTRE, type Body, type Build } from "./body";
import type { Carry } from "./carry";

/** Where the legs are. Positive shank lean: knee ahead of the ankle. Positive thigh angle: hip above the knee. */
export interface Pose {
  shankLeanDeg: number;
  thighAngleDeg: number;
}

export interface BalanceQuestion {
  lifter: Build;
  pose: Pose;
  carry: Carry;
  /** At the end of the camber. */
  loadKg: number;
  /** The part of the bar's own mass that lies at the contact. */
  contactKg?: number;
  /** What the hands can hold against a hanging load, in N·m. */
  handTorqueLimitNm?: number;
}

/** x forward from the ankle, y up from the floor, in mm. */
export type Point = readonly [x: number, y: number];

export interface Figure {
  heel: Point;
  toe: Point;
  ankle: Point;
  knee: Point;
  hip: Point;
  shoulder: Point;
  /** Where the bar touches. */
  contact: Point;
  /** Where the load is. */
  load: Point;
  /** Over this the mass centre has to lie. */
  midFoot: Point;
  /** Mass centre of everything but the feet. */
  centre: Point;
}

export interface Balance {
  /** Forward from upright. */
  trunkLeanDeg: number;
  /** Shank lean of the figure: the asked one, or for a hinge the one that balances. */
  shankLeanDeg: number;
  loadAheadOfMidFootMm: number;
  hipMomentNm: number;
  kneeMomentNm: number;
  /** Null when the knee carries nothing. */
  hipToKnee: number | null;
  /** Positive rolls the load forward over the lifter, negative off the back; pads and hands share it. */
  rollTorqueNm: number;
  /** What holds a hanging load off plumb; 0 for a rigid one. */
  holdTorqueNm: number;
  /** How far the hands can move a hanging load within their limit; null for a rigid one. */
  correctionReachMm: number | null;
  figure: Figure;
}

/** What hands are taken to hold against a hanging load, to start from (handbook §8). */
export const HAND_TORQUE_LIMIT_NM = 50;
const MIN_LEAN_DEG = -10;
const MAX_LEAN_DEG = 89;

const rad = (degrees: number) => (degrees * Math.PI) / 180;
const deg = (radians: number) => (radians * 180) / Math.PI;

/**
 * The trunk lean that brings the mass centre of lifter, bar and load over mid-foot, and what follows from it
 * (handbook §8). The feet stand on the floor and are left out. Geometry and statics, not a diagnosis.
 *
 * @returns null when nothing balances at this shank lean and depth.
 */
export function balance(question: BalanceQuestion): Balance | null {
  const body = bodyOf(question.lifter);
  const below = legs(body, question.pose);
  const lean = balancingLean(body, below, question);
  return lean === null ? null : standing(body, below, question, lean);
}

/**
 * Only the trunk lean of `balance`, in degrees: for grading by the thousand.
 *
 * @returns the trunk's lean in degrees, forward positive; null where nothing balances
 */
export function balancingLeanDeg(question: BalanceQuestion): number | null {
  const body = bodyOf(question.lifter);
  const lean = balancingLean(body, legs(body, question.pose), question);
  return lean === null ? null : deg(lean);
}

/** Trunk lean in radians: the root of least size of A·sin α + B·cos α = C, within −10° to 89°. */
function balancingLean(
  body: Body,
  { hip, shank, thigh, midFootX }: Legs,
  { carry, loadKg, contactKg = 0 }: BalanceQuestion,
): number | null {
  const along = body.trunkMm * carry.alongTrunk + carry.alongTrunkMm;
  const isRigid = carry.camber === "rigid";
  const all = body.shanksKg + body.thighsKg + body.upperKg + contactKg + loadKg;
  const a =
    body.upperKg * UPPER_CENTRE * body.trunkMm +
    contactKg * along +
    loadKg * (isRigid ? along - carry.camberDropMm : along);
  const b = (contactKg + loadKg) * carry.forwardMm + (isRigid ? loadKg * carry.camberForwardMm : 0);
  const c =
    all * midFootX -
    body.shanksKg * shank -
    body.thighsKg * thigh -
    (body.upperKg + contactKg + loadKg) * hip[0] +
    (isRigid ? 0 : loadKg * carry.camberDropMm * Math.sin(rad(carry.heldAngleDeg)));
  // Not Math.hypot: it is several times as slow, and nothing here is near its limits.
  const size = Math.sqrt(a * a + b * b);
  if (size === 0 || Math.abs(c) > size) return null;
  const middle = Math.atan2(a, b);
  const half = Math.acos(c / size);
  const p = nearZero(middle + half);
  const q = nearZero(middle - half);
  const [first, second] = Math.abs(p) <= Math.abs(q) ? [p, q] : [q, p];
  return isWithin(first) ? first : isWithin(second) ? second : null;
}

/** The same angle a whole turn on, nearest to nothing. */
const nearZero = (angle: number) => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
const MIN_LEAN = rad(MIN_LEAN_DEG) - 1e-12;
const MAX_LEAN = rad(MAX_LEAN_DEG) + 1e-12;
const isWithin = (angle: number) => angle >= MIN_LEAN && angle <= MAX_LEAN;

type Legs = ReturnType<typeof legs>;

/** Points and mass centres of the legs for a pose. */
function legs(body: Body, { shankLeanDeg, thighAngleDeg }: Pose) {
  const [beta, theta] = [rad(shankLeanDeg), rad(thighAngleDeg)];
  const knee: Point = [body.shankMm * Math.sin(beta), body.ankleMm + body.shankMm * Math.cos(beta)];
  const hip: Point = [knee[0] - body.thighMm * Math.cos(theta), knee[1] + body.thighMm * Math.sin(theta)];
  return {
    knee,
    hip,
    /** x of the mass centres: from the upper joint towards the lower one. */
    shank: knee[0] * (1 - LIMB_CENTRE),
    shankY: knee[1] + LIMB_CENTRE * (body.ankleMm - knee[1]),
    thigh: hip[0] + LIMB_CENTRE * (knee[0] - hip[0]),
    thighY: hip[1] + LIMB_CENTRE * (knee[1] - hip[1]),
    midFootX: MID_FOOT * body.footMm,
  };
}

/** Points and moments of a lifter whose trunk leans so far, whether that balances or not. */
function standing(body: Body, below: Legs, question: BalanceQuestion, lean: number): Balance {
  const { pose, carry, loadKg, contactKg = 0, handTorqueLimitNm = HAND_TORQUE_LIMIT_NM } = question;
  const { knee, hip, shank, shankY, thigh, thighY, midFootX } = below;
  const [sin, cos] = [Math.sin(lean), Math.cos(lean)];
  const upTrunk = (mm: number, forwardMm = 0): Point => [
    hip[0] + mm * sin + forwardMm * cos,
    hip[1] + mm * cos - forwardMm * sin,
  ];
  const contact = upTrunk(body.trunkMm * carry.alongTrunk + carry.alongTrunkMm, carry.forwardMm);
  const { camberForwardMm: ahead, camberDropMm: drop } = carry;
  const held = rad(carry.heldAngleDeg);
  const load: Point =
    carry.camber === "rigid"
      ? [contact[0] + ahead * cos - drop * sin, contact[1] - ahead * sin - drop * cos]
      : [contact[0] - drop * Math.sin(held), contact[1] - drop * Math.cos(held)];
  const upper = upTrunk(UPPER_CENTRE * body.trunkMm);
  const { upperKg, shanksKg, thighsKg } = body;
  const over = upperKg + contactKg + loadKg;
  // Sums over trunk, contact and load, written out: a bar's every setting is evaluated while it is dragged.
  const overX = upperKg * upper[0] + contactKg * contact[0] + loadKg * load[0];
  const overY = upperKg * upper[1] + contactKg * contact[1] + loadKg * load[1];
  const hipMomentNm = (STANDARD_GRAVITY * (overX - over * hip[0])) / 1000;
  const kneeMomentNm = (STANDARD_GRAVITY * (over * knee[0] - overX + thighsKg * (knee[0] - thigh))) / 1000;
  const all = over + shanksKg + thighsKg;
  const centre: Point = [
    (overX + shanksKg * shank + thighsKg * thigh) / all,
    (overY + shanksKg * shankY + thighsKg * thighY) / all,
  ];
  return {
    trunkLeanDeg: deg(lean),
    shankLeanDeg: pose.shankLeanDeg,
    loadAheadOfMidFootMm: load[0] - midFootX,
    hipMomentNm,
    kneeMomentNm,
    hipToKnee: kneeMomentNm === 0 ? null : hipMomentNm / kneeMomentNm,
    rollTorqueNm: (STANDARD_GRAVITY * loadKg * (load[0] - contact[0])) / 1000,
    holdTorqueNm: carry.camber === "hanging" ? (STANDARD_GRAVITY * loadKg * drop * Math.sin(held)) / 1000 : 0,
    correctionReachMm:
      carry.camber === "hanging"
        ? Math.min(drop, loadKg === 0 ? Infinity : (1000 * handTorqueLimitNm) / (STANDARD_GRAVITY * loadKg))
        : null,
    figure: {
      heel: [-MID_FOOT * body.footMm, 0],
      toe: [(1 - MID_FOOT) * body.footMm, 0],
      ankle: [0, body.ankleMm],
      knee,
      hip,
      shoulder: upTrunk(body.trunkMm),
      contact,
      load,
      midFoot: [midFootX, 0],
      centre,
    },
  };
}

const MIN_SHANK_DEG = -25;
const MAX_SHANK_DEG = 45;

/**
 * A hinge: the trunk leans as asked, the knees bend as asked, and the hips go back until it balances. What counts is
 * the hip moment; it is the same wherever the legs are.
 *
 * @param trunkLeanDeg forward from upright, −10 to 89.
 * @returns null when no shank lean from −25° to 45° balances it; `pose.shankLeanDeg` is not used.
 */
export function hinge(question: BalanceQuestion, trunkLeanDeg: number): Balance | null {
  const body = bodyOf(question.lifter);
  const at = (shankLeanDeg: number) => {
    const pose = { ...question.pose, shankLeanDeg };
    return standing(body, legs(body, pose), { ...question, pose }, rad(trunkLeanDeg));
  };
  const off = (shankLeanDeg: number) => {
    const { centre, midFoot } = at(shankLeanDeg).figure;
    return centre[0] - midFoot[0];
  };
  // More shank lean moves everything forward: the difference grows with it, so halving finds its one root.
  let [low, high] = [MIN_SHANK_DEG, MAX_SHANK_DEG];
  if (off(low) > 0 || off(high) < 0) return null;
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2;
    if (off(middle) > 0) high = middle;
    else low = middle;
  }
  return at((low + high) / 2);
}
