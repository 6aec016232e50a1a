import { balance, type Balance, type BalanceQuestion } from "../balance/balance";
import type { Build } from "../balance/body";
import { CARRIES, CARRY_KEYS, type Carry, type CarryKey } from "../balance/carry";
import { nearestSetting, settingsOf, type ArmChart, type PlacedSetting } from "./armChart";

/** The pad of an adjustable yoke lies where a yoke does. */
const PAD = CARRIES.yoke.carry;

/** Where the load of a carry sits in the trunk's frame, from the shoulder: forward of the trunk's line, and up it; mm. */
export interface TrunkPlace {
  forwardMm: number;
  upMm: number;
}

const placeOfCarry = ({ alongTrunkMm, forwardMm, camberForwardMm, camberDropMm }: Carry): TrunkPlace => ({
  forwardMm: forwardMm + camberForwardMm,
  upMm: alongTrunkMm - camberDropMm,
});

/** What an adjustable yoke bar can be set to imitate, with the load's place it aims at. A swinging load it cannot. */
export const PRESETS = [
  { key: "goblet", name: "goblet-like", like: "goblet" },
  { key: "front", name: "front-like", like: "front" },
  { key: "yoke", name: "yoke-like", like: "yoke" },
  { key: "high", name: "high-like", like: "high" },
  { key: "low", name: "low-like", like: "low" },
  { key: "hinge", name: "hinge", like: "low-yoke" },
] as const satisfies readonly { key: string; name: string; like: CarryKey }[];
export type PresetKey = (typeof PRESETS)[number]["key"];

const RIGID = CARRY_KEYS.filter((key) => CARRIES[key].carry.camber === "rigid").map((key) => ({
  key,
  name: CARRIES[key].phrase,
  shankLeanDeg: CARRIES[key].shankLeanDeg,
  at: placeOfCarry(CARRIES[key].carry),
}));

/**
 * How an adjustable yoke bar is carried at a setting: the pad on the shoulders, the load at the end of the arms.
 *
 * @returns mm in the trunk's frame, and the shank's lean in degrees
 */
export function carryAt({ forwardMm, dropMm }: Pick<PlacedSetting, "forwardMm" | "dropMm">): Carry {
  // Written out, not spread: this runs for every setting of a bar while it is dragged.
  return {
    alongTrunk: PAD.alongTrunk,
    alongTrunkMm: PAD.alongTrunkMm,
    forwardMm: PAD.forwardMm,
    camberForwardMm: forwardMm,
    camberDropMm: dropMm,
    camber: "rigid",
    heldAngleDeg: 0,
  };
}

export interface Imitation {
  key: CarryKey;
  /** After "close to". */
  name: string;
  /** Between the load at this setting and that carry's load, in the trunk's frame. */
  apartMm: number;
}

/**
 * Which carry a setting comes nearest to, by where the load sits on the trunk.
 *
 * @returns the carry, and how far apart the loads sit in mm
 */
export function imitationOf({ forwardMm, dropMm }: Pick<PlacedSetting, "forwardMm" | "dropMm">): Imitation {
  let best = RIGID[0]!;
  let least = Infinity;
  for (const carry of RIGID) {
    const square = squareTo(carry, forwardMm, dropMm);
    if (square < least) [best, least] = [carry, square];
  }
  return { key: best.key, name: best.name, apartMm: Math.sqrt(least) };
}

/** Square of the distance from a carry's load to a setting's, in mm². */
function squareTo({ at }: (typeof RIGID)[number], forwardMm: number, dropMm: number): number {
  const ahead = at.forwardMm - PAD.forwardMm - forwardMm;
  const up = at.upMm - PAD.alongTrunkMm + dropMm;
  return ahead * ahead + up * up;
}

/**
 * "very close to", "close to", "roughly like", "unlike any, nearest to" by how far apart the loads sit. Ours.
 *
 * @returns words
 */
export function closeness(apartMm: number): string {
  if (apartMm <= 25) return "very close to";
  if (apartMm <= 60) return "close to";
  return apartMm <= 120 ? "roughly like" : "unlike any usual carry, nearest to";
}

/**
 * How far the shank usually leans with a load at a place: between those of the carries around it, each weighed by one
 * over the square of its distance. Where a lifter sits is part of the carry, so settings are never compared at one and
 * the same pose, where their moments are equal.
 *
 * @returns degrees, forward positive
 */
export function shankLeanAt({ forwardMm, dropMm }: Pick<PlacedSetting, "forwardMm" | "dropMm">): number {
  let [sum, all] = [0, 0];
  for (const carry of RIGID) {
    const weight = 1 / (squareTo(carry, forwardMm, dropMm) + 1);
    sum += weight * carry.shankLeanDeg;
    all += weight;
  }
  return sum / all;
}

export interface ArmQuestion {
  lifter: Build;
  /** The plates and what of the bar turns with the arms. */
  loadKg: number;
  /** What of the bar lies at the pad. */
  contactKg: number;
  /** Hip above the knee, in degrees; 0 is a level thigh. */
  thighAngleDeg?: number;
}

export interface EvaluatedSetting extends PlacedSetting {
  shankLeanDeg: number;
  imitates: Imitation;
  /** Null when nothing balances there. */
  answer: Balance | null;
}

/**
 * Splits what hangs on the lifter into load and pad: total on the bar, in kg, and the bar's own mass.
 *
 * @returns kg
 */
export function massesOf(chart: Pick<ArmChart, "padKg">, totalKg: number) {
  const contactKg = Math.min(chart.padKg, totalKg);
  return { contactKg, loadKg: totalKg - contactKg };
}

const questionAt = (setting: PlacedSetting, ask: ArmQuestion): BalanceQuestion => ({
  lifter: ask.lifter,
  pose: { shankLeanDeg: shankLeanAt(setting), thighAngleDeg: ask.thighAngleDeg ?? 0 },
  carry: carryAt(setting),
  loadKg: ask.loadKg,
  contactKg: ask.contactKg,
});

/**
 * One setting for one lifter: lean, moments and roll torque by the balance model (handbook §8).
 *
 * @returns degrees, N·m and mm
 */
export function evaluateSetting(setting: PlacedSetting, ask: ArmQuestion): EvaluatedSetting {
  const question = questionAt(setting, ask);
  return {
    mark: setting.mark,
    pin: setting.pin,
    angleDeg: setting.angleDeg,
    distanceMm: setting.distanceMm,
    forwardMm: setting.forwardMm,
    dropMm: setting.dropMm,
    shankLeanDeg: question.pose.shankLeanDeg,
    imitates: imitationOf(setting),
    answer: balance(question),
  };
}

/**
 * Every setting of a bar for one lifter. Sixty angles at ten distances take some milliseconds (docs/bench.md).
 *
 * @returns in the order of the chart
 */
export function evaluateAll(chart: ArmChart, ask: ArmQuestion): EvaluatedSetting[] {
  return settingsOf(chart).map((setting) => evaluateSetting(setting, ask));
}

export interface FoundPreset {
  key: PresetKey;
  name: string;
  setting: PlacedSetting;
  /** Between what it aims at and what this bar can do. */
  apartMm: number;
}

/**
 * What each preset is on this bar: the setting whose load comes nearest to that of the carry it imitates.
 *
 * @returns a setting for each preset, with how far it is off in mm
 */
export function presetsOf(chart: ArmChart): FoundPreset[] {
  const settings = settingsOf(chart);
  return PRESETS.flatMap(({ key, name, like }) => {
    const wanted = placeOfCarry(CARRIES[like].carry);
    const aim = { forwardMm: wanted.forwardMm - PAD.forwardMm, dropMm: PAD.alongTrunkMm - wanted.upMm };
    const setting = nearestSetting(settings, aim);
    if (!setting) return [];
    const apartMm = Math.hypot(setting.forwardMm - aim.forwardMm, setting.dropMm - aim.dropMm);
    return [{ key, name, setting, apartMm }];
  });
}

/**
 * Settings from easiest to hardest: farther from the axis is harder, at one distance the one that leans the trunk more.
 * Never by the load's arm alone: at one pose every carry has the same moments (handbook §8). What does not balance is
 * hardest.
 *
 * @returns a new list; the one given is not changed
 */
export function easiestFirst(settings: readonly EvaluatedSetting[]): EvaluatedSetting[] {
  return [...settings].sort((a, b) => a.distanceMm - b.distanceMm || leanOf(a) - leanOf(b));
}

const leanOf = ({ answer }: EvaluatedSetting) => (answer ? answer.trunkLeanDeg : Infinity);

/**
 * The settings one step easier and one step harder; null at the ends.
 *
 * @returns the two settings, or null
 */
export function besides(
  ordered: readonly EvaluatedSetting[],
  { mark, pin }: Pick<PlacedSetting, "mark" | "pin">,
): { easier: EvaluatedSetting | null; harder: EvaluatedSetting | null } {
  const at = ordered.findIndex((one) => one.mark === mark && one.pin === pin);
  return { easier: ordered[at - 1] ?? null, harder: at < 0 ? null : (ordered[at + 1] ?? null) };
}
