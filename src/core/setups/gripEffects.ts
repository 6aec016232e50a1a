import { valueOf } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { STANDARD_GRAVITY } from "../units/constants";
import { fixed, trimmed } from "../units/format";
import type { Setting, SetupBar } from "./setupOptions";

/**
 * Height of an even arch over its ends at a place along the bar, in mm: highest in the middle, 0 at the ends.
 *
 * @returns mm, 0 or more
 */
export function archAtMm(riseMm: number, halfShaftMm: number, fromMiddleMm: number): number {
  return riseMm * (1 - Math.min(1, Math.abs(fromMiddleMm) / halfShaftMm) ** 2);
}

/**
 * Seconds that a load takes to swing forth and back, hung from the back by its camber: 2π·√(drop/g).
 *
 * @returns seconds
 */
export function swingSeconds(dropMm: number): number {
  return 2 * Math.PI * Math.sqrt(dropMm / 1000 / STANDARD_GRAVITY);
}

/**
 * The distance in a grip's words: "440 mm apart, 15°" is 440; null when they say none.
 *
 * @returns mm, or null
 */
export function gripWidthOf(words: string | undefined): number | null {
  const found = /(\d+(?:[.,]\d+)?)\s*mm/.exec(words ?? "");
  return found ? Number(found[1]!.replace(",", ".")) : null;
}

const angleOf = (words: string | undefined) => {
  const found = /(\d+(?:[.,]\d+)?)\s*°/.exec(words ?? "");
  return found ? Number(found[1]!.replace(",", ".")) : null;
};

/** Hands on the 810 mm rings when nobody says otherwise. */
const USUAL_GRIP_MM = 810;

interface Ask {
  /** Key of the usual lift. */
  like: string;
  loadKg: number;
  /** What hands hold against a hanging load, in N·m. */
  handTorqueNm: number;
}

/**
 * What a grip, an arch or a swing changes of a lift, in sentences with their numbers; nothing where it changes nothing.
 *
 * @returns sentences
 */
export function gripEffects(bar: SetupBar, setting: Setting, { like, loadKg, handTorqueNm }: Ask): string[] {
  switch (FAMILIES[bar.family].form) {
    case "bowed":
      return archEffects(bar, setting, like);
    case "cambered":
      return swingEffects(bar, setting, loadKg, handTorqueNm);
    case "multi-grip":
      return multiGripEffects(bar, setting);
    default:
      return [];
  }
}

const PRESSES = ["bench", "close-grip-bench", "overhead-press", "push-press", "row"];

function archEffects(bar: SetupBar, setting: Setting, like: string): string[] {
  const rise = valueOf(bar, "camberDrop");
  const shaft = valueOf(bar, "shaftLength");
  if (rise === null || shaft === null)
    return ["Measure the arch’s rise and the shaft: what it changes follows from them."];
  const width = gripWidthOf(setting.grip) ?? USUAL_GRIP_MM;
  const below = rise - archAtMm(rise, shaft / 2, width / 2);
  const [hands, share] = [trimmed(below, 0), `hands ${trimmed(width, 0)} mm apart`];
  const isUp = setting.arch !== "down";
  if (PRESSES.includes(like))
    return [
      isUp
        ? `Arch away from the lifter: with ${share} they come ${hands} mm deeper before the middle touches: more range, more stretch at the shoulder.`
        : `Arch towards the lifter: with ${share} the middle touches ${hands} mm earlier: less range, easier on the shoulder.`,
      ...(isUp ? [] : ["It wants to turn over in the hands: grip hard and start light."]),
    ];
  return [
    isUp
      ? `On the back with the arch up, hands ${trimmed(width, 0)} mm apart reach ${hands} mm lower than on a straight bar: less turn at the shoulder.`
      : `On the back with the arch down, hands reach ${hands} mm higher than on a straight bar, and it rolls: turn the arch up.`,
  ];
}

function swingEffects(bar: SetupBar, setting: Setting, loadKg: number, handTorqueNm: number): string[] {
  const drop = valueOf(bar, "camberDrop");
  if (drop === null) return ["Measure the camber’s drop: its swing follows from it."];
  const reach = loadKg > 0 ? Math.min(drop, (1000 * handTorqueNm) / (STANDARD_GRAVITY * loadKg)) : drop;
  return [
    `The load swings once forth and back in ${fixed(swingSeconds(drop), 1)} s: let it come to rest before the first step and before each descent.`,
    setting.load === "held back"
      ? `Held back, the hands can keep ${trimmed(loadKg, 1)} kg up to ${trimmed(reach, 0)} mm behind plumb within ${trimmed(handTorqueNm, 0)} N·m.`
      : `It hangs plumb: at ${trimmed(loadKg, 1)} kg the hands can correct it by ${trimmed(reach, 0)} mm within ${trimmed(handTorqueNm, 0)} N·m.`,
  ];
}

function multiGripEffects(bar: SetupBar, setting: Setting): string[] {
  const width = gripWidthOf(setting.grip);
  const angle = angleOf(setting.grip);
  const offset = valueOf(bar, "handleOffset") ?? 0;
  return [
    ...(width === null
      ? []
      : [
          width < 350
            ? `Grips ${trimmed(width, 0)} mm apart: elbows close, more for the triceps (common practice, no source).`
            : width > 550
              ? `Grips ${trimmed(width, 0)} mm apart: elbows out, more for the chest, shorter way (common practice, no source).`
              : `Grips ${trimmed(width, 0)} mm apart: elbows about under the hands (common practice, no source).`,
        ]),
    ...(angle === null ? [] : [`Turned ${trimmed(angle, 0)}° from neutral: between palms facing and a straight bar.`]),
    ...(offset === 0
      ? []
      : [
          setting.side === "below the sleeves"
            ? `Hands ${trimmed(Math.abs(offset), 0)} mm below the plates’ line: it wants to turn over, grip hard.`
            : `Hands ${trimmed(Math.abs(offset), 0)} mm above the plates’ line: it hangs steady.`,
        ]),
    "On a bench the frame meets the chest before the hands do: measure the range, do not guess it.",
  ];
}
