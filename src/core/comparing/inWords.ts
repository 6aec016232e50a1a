import { balance, type Balance } from "../balance/balance";
import type { Build } from "../balance/body";
import { carryOn } from "../balance/carryOn";
import { ratedTotalKg, valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { type RackPlace, stationsThatFit } from "../bars/rackSpan";
import { FINISH_FACTOR } from "../care/careTasks";
import { jCupHeightMm } from "../setups/rackHeight";
import { priorOf, START_STRENGTH_RULES, type StrengthRules } from "../strength/strengthRules";
import { type Lift } from "../matching/lifts";
import { fixed, listed, trimmed } from "../units/format";
import { STANDARD_DISC, type Disc } from "../whip/assumedPlates";
import { bendUnder } from "../whip/compareWhip";
import { type SteadyKind, STEADY_NAMES, steadyKindOf } from "./steadiness";

/** What a sentence rests on. */
export type LineBasis = "physics" | "data" | "common practice" | "house rule" | "opinion";

export interface ComparedLine {
  text: string;
  basis: LineBasis;
  /** Of an opinion: what others say. */
  others?: string;
}

export const COMPARED_PARTS = ["body", "rack", "plates", "storage", "care", "purpose"] as const;
export type ComparedPart = (typeof COMPARED_PARTS)[number];
export const COMPARED_PART_NAMES: Record<ComparedPart, string> = {
  body: "For the body",
  rack: "In the rack",
  plates: "Plates and load",
  storage: "On the wall",
  care: "Care",
  purpose: "What it is good for",
};

export interface ComparedSide {
  bar: Bar;
  /** Facts that only the record has; null where nobody said. */
  areSleevesGrooved?: boolean | null;
  looseParts?: number;
  sticksOutMm?: number | null;
  /** The lightest bar of the same family that the gym has besides, where it is lighter. */
  lighter?: { tag: string; kg: number } | null;
}

export interface ComparedAt {
  lift: Lift;
  loadKg: number;
  build: Build;
  handsHalfMm: number;
  disc?: Disc;
  racks: readonly RackPlace[];
  steadiness: readonly SteadyKind[];
  noticeableMm: number;
  /** Between two holes of the gym's racks, in mm; null where nobody measured. */
  holePitchMm: number | null;
  strength?: StrengthRules;
}

/** Smaller differences nobody notices: kg of an empty bar, degrees of lean, N·m, mm in the rack and on the wall. Ours. */
const FELT = { kg: 0.3, leanDeg: 2, momentNm: 8, rackMm: 15, wallMm: 30, shaftMm: 0.4 };

/**
 * What changes between two bars, in sentences: for the body by the balance model at this lifter's size, for rack, plates,
 * wall and care by what is kept of the bars, and what they are good for by common practice. Opinions are marked as such
 * and say both sides.
 *
 * @returns lines by part; a part in which nothing changes is empty
 */
export function comparedInWords(
  a: ComparedSide,
  b: ComparedSide,
  at: ComparedAt,
): Record<ComparedPart, ComparedLine[]> {
  const words: Record<ComparedPart, ComparedLine[]> = {
    body: [],
    rack: [],
    plates: [],
    storage: [],
    care: [],
    purpose: [],
  };
  const pair: [ComparedSide, ComparedSide] = [a, b];
  bodyLines(words.body, pair, at);
  rackLines(words.rack, pair, at);
  plateLines(words.plates, pair, at);
  storageLines(words.storage, pair);
  careLines(words.care, pair);
  purposeLines(words.purpose, pair, at);
  return words;
}

type Pair = [ComparedSide, ComparedSide];

/** The pair ordered by a figure, the greater first; null where one is unknown or they are as good as equal. */
function apart<T extends ComparedSide>([a, b]: [T, T], of: (side: T) => number | null, felt: number) {
  const [x, y] = [of(a), of(b)];
  if (x === null || y === null || Math.abs(x - y) < felt) return null;
  return x > y ? { more: a, less: b, high: x, low: y } : { more: b, less: a, high: y, low: x };
}

function bodyLines(lines: ComparedLine[], pair: Pair, at: ComparedAt): void {
  const stands = pair.map(({ bar }) => standing(bar, at)) as [Balance | null, Balance | null];
  const [one, two] = stands;
  const [a, b] = pair.map(({ bar }) => bar.tag) as [string, string];
  if (one && two) {
    const [upright, leaning] = one.trunkLeanDeg <= two.trunkLeanDeg ? [a, b] : [b, a];
    const [less, more] = [one.trunkLeanDeg, two.trunkLeanDeg].sort((x, y) => x - y) as [number, number];
    lines.push({
      basis: "physics",
      text:
        more - less < FELT.leanDeg
          ? `The trunk leans alike: ${fixed(less, 0)}° with ${upright}, ${fixed(more, 0)}° with ${leaning}.`
          : `${upright} keeps the trunk ${fixed(more - less, 0)}° more upright: ${fixed(less, 0)}° against ${fixed(more, 0)}° with ${leaning}.`,
    });
    const hip = one.hipMomentNm / Math.max(1, one.kneeMomentNm) - two.hipMomentNm / Math.max(1, two.kneeMomentNm);
    if (Math.abs(hip) > 0.08)
      lines.push({
        basis: "physics",
        text: `${hip > 0 ? a : b} asks more of the hips, ${hip > 0 ? b : a} more of the knees, sitting as people do with each.`,
      });
    for (const [tag, stand] of [
      [a, one],
      [b, two],
    ] as const) {
      if (stand.rollTorqueNm > FELT.momentNm)
        lines.push({
          basis: "physics",
          text: `${tag} presses its pads on and wants to roll forward (${fixed(stand.rollTorqueNm, 0)} N·m).`,
        });
      else if (stand.rollTorqueNm < -FELT.momentNm)
        lines.push({
          basis: "physics",
          text: `${tag} wants to roll off the back (${fixed(-stand.rollTorqueNm, 0)} N·m): hands stay on.`,
        });
      if (stand.correctionReachMm !== null)
        lines.push({
          basis: "physics",
          text: `${tag} hangs: the hands can move its load ${fixed(stand.correctionReachMm, 0)} mm to put a slip right.`,
        });
    }
  }
  const reach = reachOf(pair);
  if (reach) lines.push(reach);
  const heavy = apart(pair, ({ bar }) => valueOf(bar, "mass"), FELT.kg);
  if (heavy)
    lines.push({
      basis: "data",
      text: `Empty, ${heavy.more.bar.tag} is ${trimmed(heavy.high - heavy.low, 1)} kg heavier: ${trimmed(heavy.high, 1)} kg against ${trimmed(heavy.low, 1)} kg.`,
    });
  const thick = apart(pair, ({ bar }) => valueOf(bar, "shaftDiameter"), FELT.shaftMm);
  if (thick && pair.every(({ bar }) => FAMILIES[bar.family].form === "straight"))
    lines.push({
      basis: "data",
      text: `${thick.more.bar.tag} is ${trimmed(thick.high - thick.low, 1)} mm thicker in the hand.`,
    });
  if (pair[0].bar.knurl && pair[1].bar.knurl && pair[0].bar.knurl !== pair[1].bar.knurl)
    lines.push({ basis: "data", text: `Knurl: ${a} ${pair[0].bar.knurl}, ${b} ${pair[1].bar.knurl}.` });
  const [kindA, kindB] = [steadyKindOf(pair[0].bar.family), steadyKindOf(pair[1].bar.family)];
  if (kindA && kindB && kindA !== kindB && at.lift.contact !== "hands") {
    const steadier = at.steadiness.indexOf(kindA) < at.steadiness.indexOf(kindB) ? 0 : 1;
    const place = (kind: SteadyKind) => at.steadiness.indexOf(kind) + 1;
    lines.push({
      basis: "house rule",
      text: `${pair[steadier]!.bar.tag} counts as steadier here: ${STEADY_NAMES[kindA]} is number ${place(kindA)} on the gym’s list, ${STEADY_NAMES[kindB]} number ${place(kindB)}.`,
      ...([kindA, kindB].includes("cambered") && [kindA, kindB].includes("straight")
        ? { others: "Some find the cambered bar steadier than the straight one." }
        : {}),
    });
  }
}

/** How a lifter of that build stands with the bar at level thighs; null where the lift is not carried. */
function standing(bar: Bar, { lift, loadKg, build }: ComparedAt): Balance | null {
  const carried = carryOn(bar, lift.like);
  if (!carried) return null;
  const own = valueOf(bar, "mass") ?? 20;
  const contactKg = own * carried.contactShare;
  return balance({
    lifter: build,
    pose: { shankLeanDeg: carried.shankLeanDeg, thighAngleDeg: 0 },
    carry: carried.carry,
    loadKg: Math.max(0, loadKg - contactKg),
    contactKg,
  });
}

const HANDLED: readonly string[] = ["yoke", "low-yoke", "adjustable-yoke", "cambered-yoke"];

function reachOf([a, b]: Pair): ComparedLine | null {
  const [x, y] = [HANDLED.includes(a.bar.family), HANDLED.includes(b.bar.family)];
  if (x === y) return null;
  const [handles, shaft] = x ? [a.bar, b.bar] : [b.bar, a.bar];
  const form = FAMILIES[shaft.family].form;
  if (form !== "straight" && form !== "bowed" && shaft.family !== "cambered") return null;
  return {
    basis: "common practice",
    text: `${handles.tag} is held by handles in front: nothing to reach back for, which spares shoulder, elbow and wrist.`,
  };
}

function rackLines(lines: ComparedLine[], pair: Pair, at: ComparedAt): void {
  const cups = apart(pair, ({ bar }) => jCupHeightMm(at.build, bar, at.lift), FELT.rackMm);
  if (cups) {
    const holes = at.holePitchMm ? Math.round((cups.high - cups.low) / at.holePitchMm) : 0;
    const by =
      holes > 0 ? `${holes} ${holes === 1 ? "hole" : "holes"} higher` : `${fixed(cups.high - cups.low, 0)} mm higher`;
    lines.push({
      basis: "common practice",
      text: `J-cups go ${by} for ${cups.more.bar.tag} than for ${cups.less.bar.tag}.`,
    });
  }
  const fits = pair.map(({ bar }) => stationsThatFit(bar, at.racks, "rack").map(({ name }) => name));
  if (at.racks.some(({ kind }) => kind === "rack") && fits[0]!.join() !== fits[1]!.join())
    for (const [i, { bar }] of pair.entries())
      lines.push({
        basis: "data",
        text:
          fits[i]!.length > 0 ? `${bar.tag} fits ${listed(fits[i]!)}.` : `${bar.tag} fits no rack here for certain.`,
      });
  const low = apart(
    pair,
    ({ bar }) => (FAMILIES[bar.family].form === "cambered" ? (valueOf(bar, "camberDrop") ?? 300) : 0),
    50,
  );
  if (low)
    lines.push({
      basis: "data",
      text: `${low.more.bar.tag} hangs ${fixed(low.high, 0)} mm below the back: safeties go as much lower, and floor and pins are nearer.`,
    });
}

function plateLines(
  lines: ComparedLine[],
  pair: Pair,
  { lift, loadKg, handsHalfMm, noticeableMm, disc }: ComparedAt,
): void {
  const [a, b] = pair;
  const plate = disc ?? STANDARD_DISC;
  const room = apart(pair, ({ bar }) => plateRoom(bar, plate.thicknessMm), 1);
  if (room)
    lines.push({
      basis: "data",
      text: `${room.more.bar.tag} takes ${room.high - room.low} more a side: ${room.high} of ${plate.name} against ${room.low}.`,
    });
  const slim = apart(pair, ({ bar }) => (isStraight(bar) ? valueOf(bar, "collarThickness") : null), 4);
  if (slim)
    lines.push({
      basis: "data",
      text: `${slim.less.bar.tag} has a flange ${trimmed(slim.high - slim.low, 0)} mm slimmer: its plates sit nearer to the hands, and it bends less.`,
    });
  const bends = pair.map(({ bar }) => (isStraight(bar) ? bendUnder(bar, loadKg, handsHalfMm, plate) : null));
  const [one, two] = bends;
  if (one?.ok && two?.ok) {
    const difference = one.whip.deflectionMm - two.whip.deflectionMm;
    const [soft, stiff] = difference > 0 ? [a, b] : [b, a];
    lines.push({
      basis: "physics",
      text:
        Math.abs(difference) < noticeableMm
          ? `At ${trimmed(loadKg, 1)} kg they bend alike: ${fixed(one.whip.deflectionMm, 1)} mm and ${fixed(two.whip.deflectionMm, 1)} mm, a difference nobody feels.`
          : `At ${trimmed(loadKg, 1)} kg ${soft.bar.tag} bends ${fixed(Math.abs(difference), 1)} mm more than ${stiff.bar.tag}${lift.start === "floor" ? ": the hands rise that much before the plates leave" : ""}.`,
    });
  }
  const turns = pair.map(({ bar }) => bar.sleeveRotation);
  if (turns[0] && turns[1] && turns[0] !== turns[1] && turns.includes("fixed"))
    lines.push({
      basis: "data",
      text: `The sleeves of ${turns[0] === "fixed" ? a.bar.tag : b.bar.tag} are fixed; those of ${turns[0] === "fixed" ? b.bar.tag : a.bar.tag} turn on ${turnWords(turns[0] === "fixed" ? turns[1] : turns[0])}.`,
    });
  else if (turns[0] && turns[1] && turns[0] !== turns[1])
    lines.push({
      basis: "opinion",
      text: `Sleeves turn on ${turnWords(turns[0])} (${a.bar.tag}) and ${turnWords(turns[1])} (${b.bar.tag}): bearings for fast lifts, bushings for slow ones.`,
      others: "Others hold that it hardly matters below competition.",
    });
  const grooved = pair.find((side) => side.areSleevesGrooved === true);
  if (grooved && pair.some((side) => side.areSleevesGrooved === false))
    lines.push({
      basis: "common practice",
      text: `${grooved.bar.tag} has grooved sleeves: louder, and they hold plates little better.`,
    });
  const rated = apart(pair, ({ bar }) => ratedTotalKg(bar), 5);
  if (rated)
    lines.push({
      basis: "data",
      text: `${rated.more.bar.tag} may carry ${trimmed(rated.high, 0)} kg, ${rated.less.bar.tag} ${trimmed(rated.low, 0)} kg.`,
    });
}

const isStraight = (bar: Bar) => FAMILIES[bar.family].form === "straight";
const TURN_WORDS = {
  bushing: "bushings",
  needle: "needle bearings",
  ball: "ball bearings",
  hybrid: "bushings and bearings",
} as const;
const turnWords = (rotation: NonNullable<Bar["sleeveRotation"]>) =>
  rotation === "fixed" ? "nothing" : TURN_WORDS[rotation];
/** Room that a clamp takes of a sleeve, where nobody says which. */
const CLAMP_MM = 40;

/**
 * How many plates of a thickness go on one sleeve beside a clamp.
 *
 * @returns null where the sleeve's length is unknown
 */
export function plateRoom(bar: Bar, thicknessMm: number): number | null {
  const sleeve = valueOf(bar, "sleeveLength");
  return sleeve === null ? null : Math.max(0, Math.floor((sleeve - CLAMP_MM) / thicknessMm + 1e-9));
}

function storageLines(lines: ComparedLine[], pair: Pair): void {
  const long = apart(pair, ({ bar }) => valueOf(bar, "overallLength"), FELT.wallMm);
  if (long)
    lines.push({
      basis: "data",
      text: `${long.more.bar.tag} is ${fixed(long.high - long.low, 0)} mm longer.`,
    });
  const out = apart(pair, (side) => side.sticksOutMm ?? (isStraight(side.bar) ? 0 : null), FELT.wallMm);
  if (out)
    lines.push({ basis: "data", text: `${out.more.bar.tag} sticks out ${fixed(out.high, 0)} mm where it hangs.` });
  const parts = apart(pair, (side) => side.looseParts ?? 0, 1);
  if (parts)
    lines.push({
      basis: "data",
      text: `${parts.more.bar.tag} has ${parts.high} loose ${parts.high === 1 ? "part" : "parts"} to count when it is put away.`,
    });
}

function careLines(lines: ComparedLine[], pair: Pair): void {
  const waits = apart(pair, ({ bar }) => (bar.finish ? FINISH_FACTOR[bar.finish] : null), 0.15);
  if (waits)
    lines.push({
      basis: "common practice",
      text: `${waits.less.bar.tag} (${waits.less.bar.finish!.replace("-", " ")}) wants its shaft looked after ${trimmed(waits.high / waits.low, 1)} times as often as ${waits.more.bar.tag} (${waits.more.bar.finish!.replace("-", " ")}).`,
    });
  const [fixed1, fixed2] = pair.map(({ bar }) => bar.sleeveRotation === "fixed");
  if (fixed1 !== fixed2 && pair.every(({ bar }) => bar.sleeveRotation !== null))
    lines.push({
      basis: "common practice",
      text: `${pair[fixed1 ? 0 : 1]!.bar.tag} has no sleeves to oil; ${pair[fixed1 ? 1 : 0]!.bar.tag} has.`,
    });
  const [welded1, welded2] = pair.map(({ bar }) => !isStraight(bar));
  if (welded1 !== welded2)
    lines.push({
      basis: "common practice",
      text: `${pair[welded1 ? 0 : 1]!.bar.tag} has welds, pins or pads to check; ${pair[welded1 ? 1 : 0]!.bar.tag} is checked for straightness.`,
    });
}

function purposeLines(lines: ComparedLine[], pair: Pair, at: ComparedAt): void {
  const [a, b] = pair.map(({ bar }) => bar) as [Bar, Bar];
  for (const side of pair)
    if (side.lighter)
      lines.push({
        basis: "data",
        text: `The same family, lighter: ${side.lighter.tag} has ${trimmed(side.lighter.kg, 1)} kg empty.`,
      });
  if (a.family === b.family) {
    lines.push({
      basis: "data",
      text: `Both are of one family, ${FAMILIES[a.family].name}: what differs stands above.`,
    });
    return;
  }
  const isFront = at.lift.contact === "front";
  const [p, q] = [a, b].map((bar) => {
    const prior = priorOf(bar.family, isFront);
    return prior === "straight" ? 100 : Math.round(100 * (at.strength ?? START_STRENGTH_RULES).priors[prior].median);
  });
  if (at.lift.contact === "back" && p !== q)
    lines.push({
      basis: "common practice",
      text: `People usually lift ${p} % of their straight-bar load with ${a.tag}, ${q} % with ${b.tag}; it differs from one to another.`,
    });
  for (const bar of [a, b])
    lines.push({ basis: "common practice", text: `${bar.tag} is made for ${FAMILIES[bar.family].madeFor}.` });
  const kinds = new Set([a, b].map(({ family }) => family));
  const has = (...families: string[]) => families.some((family) => kinds.has(family as Bar["family"]));
  const [carry, others] = [carryOver(has), school(has)];
  if (carry) lines.push(carry);
  if (others) lines.push(others);
}

function carryOver(has: (...families: string[]) => boolean): ComparedLine | null {
  const parts = [
    ...(has("yoke", "low-yoke", "adjustable-yoke")
      ? ["yoke and front work is said to carry over to the deadlift"]
      : []),
    ...(has("cambered", "cambered-yoke") ? ["cambered work best to the straight squat"] : []),
  ];
  if (parts.length === 0) return null;
  const text = listed(parts);
  return {
    basis: "opinion",
    text: `${text[0]!.toUpperCase()}${text.slice(1)}.`,
    others: "It is said of practice; nobody has measured it here.",
  };
}

/** Where the main schools disagree about such a pair (handbook §7). */
function school(has: (...families: string[]) => boolean): ComparedLine | null {
  const isStraight = has("power", "squat", "all-round");
  if (has("adjustable-yoke"))
    return {
      basis: "opinion",
      text: "One bar of many settings takes the place of several on the wall.",
      others: "Several bars of one purpose each are quicker to take and harder to set wrong, say others.",
    };
  if (has("yoke", "low-yoke") && isStraight)
    return {
      basis: "opinion",
      text: "A safety squat bar builds quads and upper back, say some.",
      others: "It only reveals what is weak already, say others.",
    };
  if (has("cambered", "cambered-yoke") && isStraight)
    return {
      basis: "opinion",
      text: "Tall lifters squat best with a cambered bar, say some.",
      others: "With the load in front, or with a safety squat bar, say others.",
    };
  return null;
}
