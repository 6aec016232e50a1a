/** Which way a part of a frame can point. */
export const UP_DOWN = ["up", "down"] as const;
export type UpDown = (typeof UP_DOWN)[number];
export const DIRECTIONS = ["forward", "back"] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** A hole of the side arms: both handles sit in the same one. */
export interface FrameHole {
  name: string;
  /** Between the middles of the two grips, in mm. */
  gripWidthMm: number;
  /** Of a second row of holes: above the first row with the arms up, in mm; absent in the first. */
  raiseMm?: number;
}

/**
 * What was measured of one real frame bar. Datum: the axis of the sleeves; x forward as the lifter faces, y up, in mm,
 * with the arms up. Turning the bar over turns y round and leaves x.
 */
export interface FrameChart {
  kind: "frame";
  holes: readonly FrameHole[];
  /** The handles' mounts above the axis with the arms up. */
  armOffsetMm: number;
  /** The mounts ahead of the axis, arms up and arms down; negative is behind it. */
  mountAheadUpMm: number;
  mountAheadDownMm: number;
  /** The grip above its mount with the handle up. */
  handleOffsetMm: number;
  /** Of handles hung below: the grip below its mount with the handle down; absent where it is as far as it is above. */
  underslungMm?: number;
  /** Of angled handles: how steeply the grip rises away from its mount, in degrees; absent for a level one. */
  gripRiseDeg?: number;
  /** Where the grip begins and ends along the handle, from the mount. */
  gripFromMm: number;
  gripToMm: number;
  /** Whether handles can point back as well as forward. */
  handlesTurn: boolean;
  handleKg: number;
  /** Mass centre of the frame without its handles, arms up. */
  frameAheadMm: number;
  frameAboveMm: number;
  /** How far the frame reaches below the axis, arms up and arms down. */
  lowestUpMm: number;
  lowestDownMm: number;
  /** Height of the axis on the stands; 0 for a bar without. */
  standMm: number;
  /** How far a pin that points inward stands into the frame. */
  pinMm: number;
  /** Room between the frame's sides at the knees, in mm; null when nobody measured it. */
  insideMm: number | null;
  changesEmptyOnly: boolean;
}

export interface FrameSetting {
  arms: UpDown;
  handles: UpDown;
  direction: Direction;
  hole: string;
  pins: "in" | "out";
  stands: "on" | "off";
  /** Where along the handle the middle of the hand goes, from the mount in mm; null is where it hangs level. */
  handMm: number | null;
}

export interface FrameQuestion {
  barKg: number;
  /** One side's plates. */
  perSideKg: number;
  /** Of the largest plate on the bar. */
  plateDiameterMm: number;
  /** Outside of the knees as the lifter stands; null when nobody measured. */
  kneesMm: number | null;
  /** Room between the uprights; null on the open floor. */
  rackMm: number | null;
}

export type GripKind = "deficit" | "standard" | "raised";

export interface FrameAnswer {
  setting: FrameSetting;
  gripHeightMm: number;
  /** Against the 225 mm that a full plate gives. */
  againstStandardMm: number;
  kind: GripKind;
  /** Where the hands start with the frame on its stands: a start height of its own; null without them. */
  startHeightMm: number | null;
  gripWidthMm: number;
  /** Common mass centre of frame, handles and plates, from the axis. */
  centre: { aheadMm: number; aboveMm: number };
  /** Where the hands are, from the axis. */
  hands: { aheadMm: number; aboveMm: number };
  /** Along the handle where the frame hangs level; may lie off the grip. */
  levelHandMm: number;
  /** Where along the handle the hands are taken to be. */
  handMm: number;
  /** How far the frame tips when it hangs freely from hands there, in degrees; positive is nose down. Null when the
   * hands are below the mass centre and nothing but the wrists holds it. */
  tipsDeg: number | null;
  floorClearanceMm: number;
  /** Between knees and frame, both sides together; null when not known. */
  kneeRoomMm: number | null;
  /** Why it must not be used, each in a sentence; empty when it can. */
  refusals: { key: "axis" | "floor" | "knees" | "rack" | "hole" | "stands"; text: string }[];
  /** What to mind all the same. */
  warnings: string[];
}

/** What a full plate gives: half of 450 mm (handbook §9). */
export const STANDARD_HEIGHT_MM = 225;
/** A grip counts as standard within this. Ours. */
export const STANDARD_WITHIN_MM = 10;
/** Half of a hand across the palm: so far from the ends of a grip its middle must stay. Ours. */
export const HALF_HAND_MM = 45;
/** So far before or behind the common mass centre the middle of a hand still covers it. Ours: half a palm. */
export const MAX_OFF_MM = 25;
/** Least air under the arms. Ours. */
const FLOOR_AIR_MM = 10;
/** Knuckles beside a grip. Ours. */
const KNUCKLES_MM = 60;

const sign = (way: UpDown | Direction) => (way === "up" || way === "forward" ? 1 : -1);
const mm = (value: number) => `${Math.round(value)} mm`;

/**
 * Where the hands come to be at a setting and whether it can be lifted: grip height = plate radius ± arm offset ±
 * handle offset, hands over the common mass centre, above it, on the grip; arms off the floor; room for knees and rack
 * (handbook §9).
 *
 * @throws RangeError for a hole that the bar does not have.
 * @returns heights and offsets in mm from the floor and the sleeves' axis, with what warns and what refuses
 */
export function frameAnswer(chart: FrameChart, setting: FrameSetting, question: FrameQuestion): FrameAnswer {
  const hole = chart.holes.find(({ name }) => name === setting.hole);
  if (!hole) throw new RangeError(`this bar has no hole ${setting.hole}`);
  const { barKg, perSideKg, plateDiameterMm, kneesMm, rackMm } = question;
  const [arms, handles, way] = [sign(setting.arms), sign(setting.handles), sign(setting.direction)];
  const mountX = arms > 0 ? chart.mountAheadUpMm : chart.mountAheadDownMm;
  const mountY = arms * (chart.armOffsetMm + (hole.raiseMm ?? 0));
  const rise = Math.tan(((chart.gripRiseDeg ?? 0) * Math.PI) / 180);
  // Where along an angled handle the hand goes changes its height.
  const gripAt = (along: number) =>
    mountY +
    (handles > 0 ? chart.handleOffsetMm : -(chart.underslungMm ?? chart.handleOffsetMm)) +
    handles * rise * along;

  const gripMiddle = (chart.gripFromMm + chart.gripToMm) / 2;
  const frameKg = Math.max(0, barKg - 2 * chart.handleKg);
  const all = frameKg + 2 * chart.handleKg + 2 * perSideKg;
  const centre =
    all === 0
      ? { aheadMm: 0, aboveMm: 0 }
      : {
          aheadMm: (frameKg * chart.frameAheadMm + 2 * chart.handleKg * (mountX + way * gripMiddle)) / all,
          aboveMm: (frameKg * arms * chart.frameAboveMm + 2 * chart.handleKg * gripAt(gripMiddle)) / all,
        };

  const [least, most] = [chart.gripFromMm + HALF_HAND_MM, chart.gripToMm - HALF_HAND_MM];
  const levelHandMm = way * (centre.aheadMm - mountX);
  const within = (along: number) => Math.min(Math.max(along, Math.min(least, gripMiddle)), Math.max(most, gripMiddle));
  const handMm = setting.handMm ?? within(levelHandMm);
  const hands = { aheadMm: mountX + way * handMm, aboveMm: gripAt(handMm) };
  const gripHeightMm = plateDiameterMm / 2 + hands.aboveMm;
  const againstStandardMm = gripHeightMm - STANDARD_HEIGHT_MM;
  const above = hands.aboveMm - centre.aboveMm;
  const off = hands.aheadMm - centre.aheadMm;
  // Hung by the hands it turns until its mass centre is plumb below them; hands before the centre lift the nose.
  const tipsDeg = above > 0 ? (-Math.atan2(off, above) * 180) / Math.PI : null;

  const axisMm = plateDiameterMm / 2;
  const floorClearanceMm = axisMm - (arms > 0 ? chart.lowestUpMm : chart.lowestDownMm);
  const inside = chart.insideMm ?? hole.gripWidthMm;
  const room = inside - (setting.pins === "in" ? 2 * chart.pinMm : 0);
  const kneeRoomMm = kneesMm === null ? null : room - kneesMm;
  const widest = hole.gripWidthMm + 2 * KNUCKLES_MM;

  const refusals: FrameAnswer["refusals"] = [];
  const refuse = (key: FrameAnswer["refusals"][number]["key"], text: string) => refusals.push({ key, text });
  if (handMm < least - 0.5 || handMm > most + 0.5)
    refuse(
      "hole",
      `A hand at ${mm(handMm)} along the handle is not whole on the grip, which holds one from ${mm(least)} to ${mm(most)}.`,
    );
  const warnings =
    above <= 0
      ? [
          `The hands are ${mm(-above)} below the common mass centre: nothing but the wrists keeps the bar from turning over. Light first, and no swinging.`,
        ]
      : [];
  if (Math.abs(off) > MAX_OFF_MM)
    refuse(
      "axis",
      `The hands are ${mm(Math.abs(off))} ${off > 0 ? "before" : "behind"} the common mass centre, off the sleeves’ axis: ${
        tipsDeg === null ? "it tips over" : `it tips ${Math.round(Math.abs(tipsDeg))}°`
      }, ${off > 0 ? "its back goes down" : "its front goes down"}.${
        mountX * way >= 0 && Math.abs(mountX) > HALF_HAND_MM
          ? " These handles must cross back over the axis: turn them round."
          : ""
      }`,
    );
  if (floorClearanceMm < FLOOR_AIR_MM)
    refuse(
      "floor",
      floorClearanceMm < 0
        ? `The arms reach the floor ${mm(-floorClearanceMm)} before these plates do: take larger plates, or turn the arms up.`
        : `Only ${mm(floorClearanceMm)} are left under the arms with these plates.`,
    );
  if (kneeRoomMm !== null && kneeRoomMm < 0)
    refuse("knees", `The knees would be pushed in by ${mm(-kneeRoomMm)}: take a wider hole or turn the pins out.`);
  if (rackMm !== null && widest > rackMm)
    refuse("rack", `Hands and knuckles need ${mm(widest)}, between the uprights are ${mm(rackMm)}.`);
  if (setting.stands === "on" && !(chart.standMm > 0)) refuse("stands", "This bar has no stands.");

  return {
    setting,
    gripHeightMm,
    againstStandardMm,
    kind: gripKind(againstStandardMm),
    startHeightMm: setting.stands === "on" && chart.standMm > 0 ? chart.standMm + hands.aboveMm : null,
    gripWidthMm: hole.gripWidthMm,
    centre,
    hands,
    levelHandMm,
    handMm,
    tipsDeg,
    floorClearanceMm,
    kneeRoomMm,
    refusals,
    warnings,
  };
}

/**
 * Deficit, standard or raised against what a full plate gives.
 *
 * @returns the kind
 */
export function gripKind(againstStandardMm: number): GripKind {
  if (Math.abs(againstStandardMm) <= STANDARD_WITHIN_MM) return "standard";
  return againstStandardMm < 0 ? "deficit" : "raised";
}

/**
 * Whether a handle that is turned down gives another height than one that is turned up.
 *
 * @returns true where it does
 */
export const turnsDown = ({ handleOffsetMm, underslungMm, gripRiseDeg }: FrameChart): boolean =>
  handleOffsetMm + (underslungMm ?? handleOffsetMm) !== 0 || (gripRiseDeg ?? 0) !== 0;

/**
 * Every setting of a frame with the hands where it hangs level, pins out and stands off.
 *
 * @returns every setting with the height of its grip in mm
 */
export function frameSettings(chart: FrameChart): FrameSetting[] {
  const directions = chart.handlesTurn ? DIRECTIONS : (["forward"] as const);
  return UP_DOWN.flatMap((arms) =>
    UP_DOWN.flatMap((handles) =>
      (handles === "down" && !turnsDown(chart) ? [] : directions).flatMap((direction) =>
        chart.holes.map(({ name: hole }) => ({
          arms,
          handles,
          direction,
          hole,
          pins: "out" as const,
          stands: "off" as const,
          handMm: null,
        })),
      ),
    ),
  );
}
