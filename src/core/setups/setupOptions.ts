import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import type { Problem } from "../problem";
import { trimmed } from "../units/format";
import { anglesOfMarks, type ArmSetting } from "./armChart";
import type { SetupChart } from "./chartFields";
import { DIRECTIONS, turnsDown, UP_DOWN, type FrameSetting } from "./frame";

/** One thing that can be chosen of a bar: a mark, a hole, a grip. */
export interface SetupOption {
  key: string;
  label: string;
  choices: readonly { key: string; words: string }[];
  /** A length along the handle, as a number; may be left out. */
  isLength?: true;
}

/** What is chosen of each option, by its key. */
export type Setting = Readonly<Record<string, string>>;

/** What of a bar decides its options. */
export type SetupBar = Bar & { gripOptions?: readonly string[] | null };

const worded = (keys: readonly string[], words: (key: string) => string = (key) => key) =>
  keys.map((key) => ({ key, words: words(key) }));

/**
 * The key of a grip as it stands on the bar's list.
 *
 * @returns the key
 */
export const gripKey = (line: string) => line.trim().slice(0, 40);

/**
 * Everything that can be set of a bar: by its chart where it adjusts, by its grips, its arch, its swing.
 *
 * @returns options with their choices, in the order of setting
 */
export function setupOptions(bar: SetupBar, chart: SetupChart | null): SetupOption[] {
  const grips = (bar.gripOptions ?? []).map(gripKey);
  const grip: SetupOption[] = grips.length > 0 ? [{ key: "grip", label: "grip", choices: worded(grips) }] : [];
  if (chart?.kind === "arm")
    return [
      { key: "mark", label: "mark", choices: worded(anglesOfMarks(chart).map(({ name }) => name)) },
      { key: "pin", label: "pin", choices: worded(chart.pins.map(({ name }) => name)) },
    ];
  if (chart?.kind === "frame")
    return [
      { key: "arms", label: "arms", choices: worded(UP_DOWN) },
      ...(!turnsDown(chart) ? [] : [{ key: "handles", label: "handles", choices: worded(UP_DOWN) }]),
      ...(chart.handlesTurn ? [{ key: "direction", label: "handles point", choices: worded(DIRECTIONS) }] : []),
      { key: "hole", label: "hole", choices: worded(chart.holes.map(({ name }) => name)) },
      { key: "pins", label: "pins point", choices: worded(["out", "in"]) },
      { key: "stands", label: "stands", choices: worded(chart.standMm > 0 ? ["off", "on"] : ["off"]) },
      { key: "hand", label: "hand along the handle", choices: [], isLength: true },
    ];
  switch (FAMILIES[bar.family].form) {
    case "cambered":
      return [...grip, { key: "load", label: "load", choices: worded(["hanging", "held back"]) }];
    case "bowed":
      return [
        { key: "arch", label: "arch", choices: worded(["up", "down"], (way) => `${way}, ${ARCH_WORDS[way]}`) },
        ...grip,
      ];
    case "multi-grip":
      return [
        ...grip,
        ...((valueOf(bar, "handleOffset") ?? 0) === 0
          ? []
          : [{ key: "side", label: "grips", choices: worded(["above the sleeves", "below the sleeves"]) }]),
      ];
    default:
      return grip;
  }
}

const ARCH_WORDS: Record<string, string> = { up: "away from the lifter", down: "towards the lifter" };

/**
 * A setting from what somebody chose, or every problem. What the bar does not have is refused by name: a setting of one
 * bar never applies to another.
 *
 * @returns a choice for each option, or every problem
 */
export function readSetting(
  options: readonly SetupOption[],
  raw: Readonly<Record<string, string | undefined>>,
): { ok: true; setting: Setting } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const setting: Record<string, string> = {};
  for (const { key, label, choices, isLength } of options) {
    const said = raw[key]?.trim();
    if (isLength) {
      if (!said) continue;
      if (/^-?\d{1,3}(\.\d)?$/.test(said)) setting[key] = said;
      else problems.push({ path: key, message: `${label}: “${said}” is no length in mm` });
    } else if (!said) problems.push({ path: key, message: `${label}: choose one` });
    else if (choices.some((choice) => choice.key === said)) setting[key] = said;
    else
      problems.push({
        path: key,
        message: `${label}: this bar has no ${said}; it has ${choices.map((choice) => choice.key).join(", ")}`,
      });
  }
  const unknown = Object.keys(raw).filter((key) => !options.some((option) => option.key === key));
  for (const path of unknown) problems.push({ path, message: `this bar has nothing called ${path} to set` });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, setting };
}

/**
 * The first of everything: how a page starts when nobody chose.
 *
 * @returns a choice for each option
 */
export function startingSetting(options: readonly SetupOption[]): Setting {
  return Object.fromEntries(options.flatMap(({ key, choices }) => (choices[0] ? [[key, choices[0].key]] : [])));
}

/**
 * "mark 3, pin B" — what to set, in the order of setting.
 *
 * @returns words; empty when nothing can be set
 */
export function settingWords(options: readonly SetupOption[], setting: Setting): string {
  return options
    .flatMap(({ key, label, choices, isLength }) => {
      const said = setting[key];
      if (said === undefined) return [];
      if (isLength) return [`${label} ${trimmed(Number(said), 0)} mm`];
      return [`${label} ${choices.find((choice) => choice.key === said)?.words ?? said}`];
    })
    .join(", ");
}

/**
 * Whether two settings are the same wherever both say something.
 *
 * @returns true when nothing speaks against it
 */
export function isSameSetting(options: readonly SetupOption[], a: Setting, b: Setting): boolean {
  return options.every(({ key, isLength }) => isLength || a[key] === b[key]);
}

/**
 * What is on the left and right of a bar that has two sides must be alike; says where it is not.
 *
 * @returns a sentence, or null when they are alike
 */
export function sidesDiffer(options: readonly SetupOption[], left: Setting, right: Setting): string | null {
  const apart = options.filter(({ key, isLength }) => !isLength && left[key] !== right[key]);
  return apart.length === 0
    ? null
    : `Left and right differ: ${apart.map(({ key, label }) => `${label} ${left[key]} and ${right[key]}`).join(", ")}. Set both alike before anyone lifts; an uneven load twists the lifter.`;
}

/**
 * The arm setting in a general one.
 *
 * @returns mark and pin
 */
export const armSettingOf = (setting: Setting): ArmSetting => ({ mark: setting.mark ?? "", pin: setting.pin ?? "" });

/**
 * The frame setting in a general one; what the bar cannot choose is as built.
 *
 * @returns holes and turns
 */
export function frameSettingOf(setting: Setting): FrameSetting {
  return {
    arms: setting.arms === "down" ? "down" : "up",
    handles: setting.handles === "down" ? "down" : "up",
    direction: setting.direction === "back" ? "back" : "forward",
    hole: setting.hole ?? "",
    pins: setting.pins === "in" ? "in" : "out",
    stands: setting.stands === "on" ? "on" : "off",
    handMm: setting.hand === undefined ? null : Number(setting.hand),
  };
}

/**
 * A frame setting as a general one, of what the bar can choose.
 *
 * @returns choices by option
 */
export function settingOfFrame(options: readonly SetupOption[], frame: FrameSetting): Setting {
  const all: Record<string, string> = {
    arms: frame.arms,
    handles: frame.handles,
    direction: frame.direction,
    hole: frame.hole,
    pins: frame.pins,
    stands: frame.stands,
    ...(frame.handMm === null ? {} : { hand: String(Math.round(frame.handMm)) }),
  };
  return Object.fromEntries(options.flatMap(({ key }) => (all[key] === undefined ? [] : [[key, all[key]]])));
}
