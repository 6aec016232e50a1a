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

/** A load this close to plumb under the contact stays by itself. Ours. */
const STAYS_MM = 25;
/** Half of a thigh, in mm. Ours. */
const THIGH_MM = 80;
const HANDLE_SLOPE = (20 * Math.PI) / 180;

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
    set: settingWords(options, setting) || "as it is built",
    numbers,
    ...handWords(ask, answer, frame),
    atDepth: answer ? depthWords(set, answer) : null,
    ...(form === "frame"
      ? {
          getIn: "Step in from the open side, mid-foot under the sleeves’ axis, then find the mark on the handles.",
          getOut: "Set it down flat, both ends at once, let go, step back out of the open side.",
        }
      : isCarried && bar.canBeRacked !== false
        ? {
            getIn: "Duck under the middle, stand up square, wait until it hangs still, then two short steps back.",
            getOut: "Walk in until both uprights are touched, then bend the knees; never reach back for the cups.",
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
      "Never over the rating or the seller’s limit. Pain or injury: a doctor or physiotherapist, not this program. The maker’s instructions, the federation’s rules and local law come first.",
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

/** What the hands do and whether letting go is safe, by where the load wants to go. */
function handWords({ bar, like }: CardAsk, answer: Balance | null, frame: FrameAnswer | null) {
  const { form } = FAMILIES[bar.family];
  if (frame)
    return {
      hands: `Middle of each palm ${trimmed(frame.handMm, 0)} mm along the handle: there the bar hangs level.`,
      lettingGo: "Never let go above the floor: set it down.",
    };
  if (form !== "yoke" && form !== "cambered")
    return { hands: "Both hands the same distance from the middle.", lettingGo: "Never let go." };
  const follow = like === "good-morning" ? " Follow through the hinge: the handles stay in line with the trunk." : "";
  if (!answer)
    return {
      hands: `Hold the handles close and steady.${follow}`,
      lettingGo: "Do not let go: nobody computed where it rolls for this lifter.",
    };
  const ahead = answer.figure.load[0] - answer.figure.contact[0];
  const torque = `${trimmed(Math.abs(answer.rollTorqueNm), 0)} N·m at the bottom, shared by pads and hands`;
  if (answer.correctionReachMm !== null)
    return {
      hands: `Let it hang, hands low on the camber: correct its swing, do not pull.${follow}`,
      lettingGo: "Do not let go: it swings.",
    };
  if (Math.abs(ahead) <= STAYS_MM)
    return {
      hands: `It stays almost by itself: hands rest on the handles and keep it steady.${follow}`,
      lettingGo: "It would stay; all the same keep the hands on it unless a coach allows otherwise.",
    };
  return ahead > 0
    ? {
        hands: `Push the handles up and away: the load wants to roll forward over you (${torque}).${follow}`,
        lettingGo: "Never let go: it rolls forward over the head.",
      }
    : {
        hands: `Pull the handles in and down: the load wants to roll off the back (${torque}).${follow}`,
        lettingGo: "Never let go: it rolls off the back.",
      };
}

/** Whether the handles run into the thighs at a level thigh, from the figure and the handles’ length. */
function depthWords(bar: SetupBar, { figure }: Balance): string | null {
  const handle = valueOf(bar, "handleLength");
  if (handle === null || FAMILIES[bar.family].form !== "yoke") return null;
  const [hx, hy] = figure.hip;
  const trunk = Math.hypot(figure.shoulder[0] - hx, figure.shoulder[1] - hy);
  const up = [(figure.shoulder[0] - hx) / trunk, (figure.shoulder[1] - hy) / trunk] as const;
  const ahead = [up[1], -up[0]] as const;
  const [out, down] = [handle * Math.cos(HANDLE_SLOPE), handle * Math.sin(HANDLE_SLOPE)];
  // A long handle can pass its tip beyond the thigh: every part of it counts.
  const part = (share: number): Pair => [
    figure.contact[0] + share * (out * ahead[0] - down * up[0]),
    figure.contact[1] + share * (out * ahead[1] - down * up[1]),
  ];
  const nearest = Math.min(
    ...Array.from({ length: 21 }, (_, i) => distanceToSegment(part(i / 20), figure.hip, figure.knee)),
  );
  const room = nearest - THIGH_MM;
  return room < 0
    ? "At a level thigh the handles meet the thighs: stop higher, or take them closer."
    : `At a level thigh the handles pass the thighs with about ${fixed(Math.round(room / 10) * 10, 0)} mm to spare.`;
}

type Pair = readonly [number, number];
function distanceToSegment([px, py]: Pair, [ax, ay]: Pair, [bx, by]: Pair): number {
  const [dx, dy] = [bx - ax, by - ay];
  const along = Math.min(1, Math.max(0, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(px - ax - along * dx, py - ay - along * dy);
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
    ...(form === "yoke" || form === "frame" || form === "cambered" ? ["Handles are screwed in and snug."] : []),
    ...(form === "yoke" ? ["It spins when racked: mind the handles."] : []),
    ...(holes?.jCup != null
      ? [
          `J-cups both in hole ${holes.jCup} at ${holes.station}${holes.safety === undefined ? "; safeties under the lowest part" : `, safeties ${holes.safety === null ? "as low as they go" : `both in hole ${holes.safety}`}`}.`,
        ]
      : []),
    ...(setting.stands === "on" ? ["Load on the stands, take them off before lifting."] : []),
    "Clamps on, both sides loaded alike.",
    "One light set first, then the plates.",
  ];
}
