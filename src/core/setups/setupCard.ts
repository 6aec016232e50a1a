import { balance, type Balance } from "../balance/balance";
import type { Build } from "../balance/body";
import { carryOn } from "../balance/carryOn";
import { valueOf } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { MM_PER_IN } from "../units/constants";
import { fixed, sentence, trimmed } from "../units/format";
import { carryAt, closeness, imitationOf, massesOf, shankLeanAt } from "./armSettings";
import { findSetting } from "./armChart";
import { barAtSetting } from "./barAtSetting";
import type { SetupChart } from "./chartFields";
import { frameAnswer, type FrameAnswer, type FrameQuestion } from "./frame";
import { gripEffects } from "./gripEffects";
import { jCupOffsetMm } from "./rackHeight";
import {
  armSettingOf,
  frameSettingOf,
  settingWords,
  type SetupBar,
  type SetupOption,
  type Setting,
} from "./setupOptions";

export interface CardNumber {
  label: string;
  /** In mm, degrees or kg as it is read; and the same in inches or pounds where there is such a thing. */
  text: string;
  imperial: string | null;
}

/** All that a card says beside its drawing. */
export interface SetupCard {
  /** Before anything else: what must not be done. */
  first: string[];
  /** What to set, large: "mark 3, pin B". */
  set: string;
  numbers: CardNumber[];
  hands: string;
  lettingGo: string;
  /** Whether the handles meet the body at depth; null where there is nothing to meet or nothing is known. */
  atDepth: string | null;
  getIn: string;
  getOut: string;
  /** What a grip, an arch or a swing changes. */
  effects: string[];
  /** In order, at the bar. */
  steps: string[];
  cautions: string[];
  /** Why it must not be used; empty when it can. */
  refusals: string[];
}

export interface CardAsk {
  bar: SetupBar;
  chart: SetupChart | null;
  options: readonly SetupOption[];
  setting: Setting;
  /** The usual lift it is judged like; null for the bar alone. */
  like: string | null;
  /** Null when nothing is known of the lifter; then nothing that rests on a body is said. */
  build: Build | null;
  /** Total on the bar. */
  totalKg: number;
  handTorqueNm: number;
  /** J-cup and safety holes as kept or as the rule says; null where there are none. Safeties: null is below every hole,
   * absent is not known. */
  holes: { station: string; jCup: number | null; safety?: number | null } | null;
  /** For a frame. */
  frame?: Pick<FrameQuestion, "plateDiameterMm" | "kneesMm" | "rackMm">;
  isNew: boolean;
}

const inches = (mm: number) => `${trimmed(mm / MM_PER_IN, 2)} in`;
const length = (label: string, mm: number): CardNumber => ({
  label,
  text: `${trimmed(mm, 0)} mm`,
  imperial: inches(mm),
});

/**
 * What a card was made for.
 *
 * @returns words: "120 kg, plates 450 mm across, at Rack 1"
 */
export const madeFor = ({ totalKg, plateMm, rack }: { totalKg: number; plateMm: number | null; rack: string | null }) =>
  [
    `${trimmed(totalKg, 1)} kg`,
    ...(plateMm === null ? [] : [`plates ${trimmed(plateMm, 0)} mm across`]),
    ...(rack === null ? [] : [`at ${rack}`]),
  ].join(", ");

/** A load this close to plumb under the contact stays by itself. Ours. */
const STAYS_MM = 25;
/**
 * The frame's answer of a card; null for other bars.
 *
 * @returns heights in mm, or null
 */
export function frameAnswerOf({ bar, chart, setting, totalKg, frame }: CardAsk): FrameAnswer | null {
  if (chart?.kind !== "frame") return null;
  const barKg = valueOf(bar, "mass") ?? 25;
  return frameAnswer(chart, frameSettingOf(setting), {
    barKg,
    perSideKg: Math.max(0, totalKg - barKg) / 2,
    plateDiameterMm: frame?.plateDiameterMm ?? 450,
    kneesMm: frame?.kneesMm ?? null,
    rackMm: frame?.rackMm ?? null,
  });
}

/**
 * The balance of the lifter at the bottom with this bar as it is set; null where nothing is known or carried.
 *
 * @returns degrees, N·m and mm, or null
 */
export function balanceOf({ bar, chart, setting, like, build, totalKg, handTorqueNm }: CardAsk): Balance | null {
  if (!build || !like) return null;
  const place = chart?.kind === "arm" ? findSetting(chart, armSettingOf(setting)) : null;
  if (place && chart?.kind === "arm")
    return balance({
      lifter: build,
      pose: { shankLeanDeg: shankLeanAt(place), thighAngleDeg: 0 },
      carry: carryAt(place),
      ...massesOf(chart, totalKg),
      handTorqueLimitNm: handTorqueNm,
    });
  const carried = carryOn(bar, like);
  if (!carried) return null;
  return balance({
    lifter: build,
    pose: { shankLeanDeg: carried.shankLeanDeg, thighAngleDeg: 0 },
    carry: carried.carry,
    loadKg: totalKg,
    handTorqueLimitNm: handTorqueNm,
  });
}

/**
 * Everything that stands on a setup card (handbook §9 and §14).
 *
 * @returns lines in the order in which they are read
 */
export function setupCard(ask: CardAsk): SetupCard {
  const { bar, chart, options, setting, like, holes, isNew } = ask;
  const { form } = FAMILIES[bar.family];
  const set = barAtSetting(bar, chart, setting);
  const answer = balanceOf(ask);
  const frame = frameAnswerOf(ask);
  const isCarried = form === "yoke" || form === "cambered" || like === null || isBackOrFrontLift(like);
  const arm = chart?.kind === "arm" ? findSetting(chart, armSettingOf(setting)) : null;
  const first = chart?.changesEmptyOnly
    ? ["Change this bar only when it is empty: take the plates off first, both sides evenly."]
    : [];
  const numbers: CardNumber[] = [
    ...(arm
      ? [
          { label: "arm angle", text: `${fixed(arm.angleDeg, 1)}°`, imperial: null },
          length("arm distance", arm.distanceMm),
          length(arm.forwardMm >= 0 ? "load forward" : "load back", Math.abs(arm.forwardMm)),
          length(arm.dropMm >= 0 ? "load down" : "load up", Math.abs(arm.dropMm)),
        ]
      : []),
    ...(frame
      ? [
          length("grip above the floor", frame.gripHeightMm),
          length("between the grips", frame.gripWidthMm),
          length("hand along the handle", frame.handMm),
          length("clear under the arms", frame.floorClearanceMm),
        ]
      : []),
    ...(answer ? [{ label: "trunk leans", text: `${trimmed(answer.trunkLeanDeg, 0)}°`, imperial: null }] : []),
    ...(holes?.jCup != null ? [{ label: `J-cups, ${holes.station}`, text: `hole ${holes.jCup}`, imperial: null }] : []),
    ...(holes && holes.jCup != null && holes.safety !== undefined
      ? [
          {
            label: "safeties",
            text: holes.safety === null ? "as low as they go" : `hole ${holes.safety}`,
            imperial: null,
          },
        ]
      : []),
  ];
  return {
    first,
    set: settingWords(options, setting) || "as built",
    numbers,
    ...handWords(ask, answer, frame),
    atDepth: depthWords(ask),
    ...(form === "frame"
      ? {
          getIn: "Step in from the open side, mid-foot under the sleeves’ axis, then find the mark on the handles.",
          getOut: "Set it down flat, both ends at once, let go, step back out of the open side.",
        }
      : isCarried && bar.canBeRacked !== false
        ? {
            getIn:
              form === "yoke"
                ? "Swing the handles through, pads high against the neck, hands where they will stay; lift, one step back. Handles knock headphones off."
                : "Duck under the middle, stand up square, wait until it hangs still, then one step back.",
            getOut: `Walk in until the bar touches both uprights, then down; never reach back for the cups.${staysByShape(bar) ? " It turns in the J-cups: mind the grille." : ""}`,
          }
        : {
            getIn: "Take the grips at even distances from the middle before it leaves its place.",
            getOut: "Put it back before the hands let go; a partner guides the ends.",
          }),
    effects: [
      ...(arm
        ? [
            sentence(
              `${closeness(imitationOf(arm).apartMm)} ${imitationOf(arm).name}: the loads sit ${trimmed(imitationOf(arm).apartMm, 0)} mm apart on the trunk.`,
            ),
          ]
        : []),
      ...(frame
        ? [
            `${sentence(frame.kind)}${frame.kind === "standard" ? " height" : `: ${trimmed(Math.abs(frame.againstStandardMm), 0)} mm ${frame.againstStandardMm > 0 ? "above" : "below"} what a full plate gives`}.`,
            ...frame.warnings,
          ]
        : []),
      ...gripEffects(bar, setting, { like: like ?? "", loadKg: ask.totalKg, handTorqueNm: ask.handTorqueNm }),
    ],
    steps: checkSteps(ask),
    cautions: [
      ...(isNew ? ["First time on this bar or setting: light."] : []),
      form === "frame"
        ? "Clamps on, both sides loaded evenly, hands on the marks."
        : "Clamps on, safeties set, a spotter for heavy sets, hands on the bar even if it balances without.",
      ...(jCupOffsetMm(set) !== 0 && holes?.jCup != null
        ? ["J-cups are for this bar: put them back for the next one."]
        : []),
      "Never over the rating or the seller’s limit. Pain or injury: ask a doctor or physiotherapist. The maker’s instructions, the federation’s rules and local law come first.",
    ],
    refusals: frame?.refusals.map(({ text }) => text) ?? [],
  };
}

/**
 * Whether a usual lift is carried on back or front out of a rack.
 *
 * @returns true when it is
 */
export const isBackOrFrontLift = (like: string) =>
  ["back-squat-high", "back-squat-low", "front-squat", "box-squat", "goblet-squat", "good-morning", "lunge"].includes(
    like,
  );

/** Lifts in which the trunk leans beyond what a yoke's load stays before (handbook §9). */
const HINGE = "good-morning";
/** A load that lies so far before the contact swings the handles into the body. Ours. */
const FAR_IN_FRONT_MM = 140;

/**
 * Whether a bar stays put by its shape, in both directions: its handles wrap round the body. A fact kept of the bar; where
 * nobody said, low-yoke bars do (handbook §9).
 *
 * @returns true when it stays without hands
 */
export const staysByShape = (bar: Pick<SetupBar, "family" | "staysByItself">) =>
  bar.staysByItself ?? bar.family === "low-yoke";

/**
 * How far the load lies before (+) or behind (−) the contact with the trunk upright and at its lean, in mm. Between the
 * two it only goes one way, so that these are the ends.
 */
function loadAhead(
  { camberForwardMm, camberDropMm }: { camberForwardMm: number; camberDropMm: number },
  leanDeg: number,
) {
  const at = (deg: number) => {
    const angle = (deg * Math.PI) / 180;
    return camberForwardMm * Math.cos(angle) - camberDropMm * Math.sin(angle);
  };
  return [at(0), at(Math.max(0, leanDeg))] as const;
}

/** What the hands do and whether letting go is safe, by where the load wants to go (handbook §9). */
function handWords(ask: CardAsk, answer: Balance | null, frame: FrameAnswer | null) {
  const { bar, like } = ask;
  const { form } = FAMILIES[bar.family];
  if (frame)
    return {
      hands: `Middle of each palm ${trimmed(frame.handMm, 0)} mm along the handle: there the bar hangs level.`,
      lettingGo: "Never let go above the floor: set it down.",
    };
  if (form !== "yoke" && form !== "cambered")
    return { hands: "Both hands the same distance from the middle.", lettingGo: "Never let go." };
  const keep = "Keep the handles at one angle through the whole repetition.";
  if (like === HINGE)
    return {
      hands: "As the hips go back let the handles come forward, so that the pads stay where they are.",
      lettingGo: staysByShape(bar)
        ? "It stays by its shape; keep the hands on it all the same."
        : "Never let go in a hinge: leaned so far the load turns over the back.",
    };
  if (staysByShape(bar))
    return {
      hands: `Hands rest on the handles and keep it steady. ${keep}`,
      lettingGo: "It stays put, wrapped round the body; hands stay on unless a coach allows otherwise.",
    };
  if (!answer)
    return {
      hands: `Hold the handles close and steady. ${keep}`,
      lettingGo: "Do not let go: nobody computed where it rolls for this lifter.",
    };
  if (answer.correctionReachMm !== null)
    return {
      hands: "Hands low on the camber: let it hang on the way down, pull it back a little on the way up.",
      lettingGo: "Do not let go: it swings.",
    };
  const [standing, deep] = loadAhead(carriedBy(ask), answer.trunkLeanDeg);
  const push = `${trimmed(Math.abs(answer.rollTorqueNm), 0)} N·m at the bottom, shared by pads and hands`;
  if (Math.min(standing, deep) < -STAYS_MM)
    return {
      hands: `Pull the handles in and down: the load wants to roll off the back (${push}). ${keep}`,
      lettingGo: "Never let go: it rolls off the back.",
    };
  if (Math.max(standing, deep) <= STAYS_MM)
    return {
      hands: `Hands rest on the handles and keep it steady. ${keep}`,
      lettingGo: "It almost stays put; hands stay on unless a coach allows otherwise.",
    };
  const isInFront = like === "front-squat" || like === "goblet-squat" || standing > FAR_IN_FRONT_MM;
  return {
    hands: [
      `Push the handles lightly away, elbows in, handles off the body: the load presses the pads on (${push}).`,
      ...(isInFront ? ["Hold the handles high: far in front they swing into the body, most of all at depth."] : []),
      keep,
    ].join(" "),
    lettingGo: [
      "It clamps itself and would stay without hands; keep them on for safety unless a coach allows otherwise.",
      ...(isInFront ? ["It cannot be dumped forward: set the safeties."] : []),
    ].join(" "),
  };
}

/** Where the load sits against the contact, in the trunk's frame. */
function carriedBy({ bar, chart, setting, like }: CardAsk): { camberForwardMm: number; camberDropMm: number } {
  const place = chart?.kind === "arm" ? findSetting(chart, armSettingOf(setting)) : null;
  const carry = place ? carryAt(place) : carryOn(bar, like!)!.carry;
  return { camberForwardMm: carry.camberForwardMm, camberDropMm: carry.camberDropMm };
}

/** How the handles stand at depth, as somebody saw it when the bar was calibrated; nothing where nobody looked. */
function depthWords({ chart, setting }: CardAsk): string | null {
  if (chart?.kind !== "arm") return null;
  const { mark, pin } = armSettingOf(setting);
  const seen = chart.handlePoses?.find((one) => one.mark === mark && one.pin === pin);
  return seen ? `Handles at depth: ${seen.text}.` : null;
}

/** At the bar, in order: pins, both sides, snug handles, a light set first (handbook §9). */
function checkSteps({ bar, chart, options, setting, holes }: CardAsk): string[] {
  const { form } = FAMILIES[bar.family];
  const words = settingWords(
    options.filter(({ key }) => key !== "hand"),
    setting,
  );
  return [
    ...(chart?.changesEmptyOnly ? ["The bar is empty."] : []),
    ...(chart && words
      ? [`Left side: ${words}.`, `Right side: ${words}. Left and right agree.`]
      : words
        ? [`Set: ${words}.`]
        : []),
    ...(chart ? ["Pins are through and locked on both sides; tug each one."] : []),
    ...(bar.areHandlesRemovable === true ? ["Handles are screwed in and snug."] : []),
    ...(form === "yoke" ? ["It spins when racked: mind the handles."] : []),
    ...(holes?.jCup != null
      ? [
          `J-cups both in hole ${holes.jCup} at ${holes.station}${holes.safety === undefined ? "; safeties under the lowest part" : `, safeties ${holes.safety === null ? "as low as they go" : `both in hole ${holes.safety}`}`}.`,
        ]
      : []),
    ...(setting.stands === "on" ? ["Load on the stands; lift off them, or remove them first."] : []),
    "Clamps on, both sides loaded alike.",
    "One light set first, then the plates.",
  ];
}
