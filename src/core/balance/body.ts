/** What the model needs of a lifter. Lengths that nobody measured are taken as shares of the height. */
export interface Build {
  heightMm: number;
  massKg: number;
  /** Hip to shoulder, knee to hip, ankle to knee; in mm. */
  trunkLengthMm?: number | null;
  thighLengthMm?: number | null;
  shankLengthMm?: number | null;
}

/** Lengths in mm and masses in kg of a body cut into segments, both legs together. */
export interface Body {
  footMm: number;
  ankleMm: number;
  shankMm: number;
  thighMm: number;
  trunkMm: number;
  shanksKg: number;
  thighsKg: number;
  /** Head, arms and trunk as one. */
  upperKg: number;
}

/**
 * Segment lengths as shares of height and segment masses as shares of body mass: Drillis & Contini, in Winter,
 * "Biomechanics and Motor Control of Human Movement". Two legs each.
 */
const LENGTH = { foot: 0.152, ankle: 0.039, shank: 0.246, thigh: 0.245, trunk: 0.288 } as const;
const MASS = { shanks: 2 * 0.0465, thighs: 2 * 0.1, upper: 0.678 } as const;
/** Mass centre of shank and thigh, as a share of their length from the upper joint (same source). */
export const LIMB_CENTRE = 0.433;
/** Mass centre of head, arms and trunk, as a share of the trunk's length up from the hip (same source). */
export const UPPER_CENTRE = 0.626;
/** Mid-foot lies this share of the foot's length ahead of the ankle: the heel is a quarter behind it. */
export const MID_FOOT = 0.25;

/**
 * A lifter as segments. Throws on a height or mass that is not more than 0.
 *
 * @returns segment lengths in mm and masses in kg
 * @throws RangeError on a height or mass that is not more than 0
 */
export function bodyOf({ heightMm, massKg, trunkLengthMm, thighLengthMm, shankLengthMm }: Build): Body {
  if (!(heightMm > 0 && massKg > 0)) throw new RangeError(`no such body: ${heightMm} mm, ${massKg} kg`);
  return {
    footMm: LENGTH.foot * heightMm,
    ankleMm: LENGTH.ankle * heightMm,
    shankMm: shankLengthMm ?? LENGTH.shank * heightMm,
    thighMm: thighLengthMm ?? LENGTH.thigh * heightMm,
    trunkMm: trunkLengthMm ?? LENGTH.trunk * heightMm,
    shanksKg: MASS.shanks * massKg,
    thighsKg: MASS.thighs * massKg,
    upperKg: MASS.upper * massKg,
  };
}
