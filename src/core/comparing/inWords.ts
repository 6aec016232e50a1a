import { valueOf, type Bar } from "../bars/bar";
import { FAMILIES } from "../bars/families";
import { stationsThatFit } from "../bars/rackSpan";
import { FINISH_FACTOR } from "../care/careTasks";
import { jCupHeightMm } from "../setups/rackHeight";
import { priorOf, START_STRENGTH_RULES } from "../strength/strengthRules";
import { fixed, listed, trimmed } from "../units/format";
import {
  type ComparedSide,
  type ComparedAt,
  type ComparedPart,
  type ComparedLine,
  type Pair,
  FELT,
  apart,
  isStraight,
} from "./comparedParts";
import { plateLines } from "./plateLines";
import { bodyLines } from "./bodyLines";

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
      text: `${waits.less.bar.tag} (${waits.less.bar.finish!.replace("-", " ")}) needs its shaft cleaned ${trimmed(waits.high / waits.low, 1)} times as often as ${waits.more.bar.tag} (${waits.more.bar.finish!.replace("-", " ")}).`,
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
      ? ["safety squat bar and front squats are said to carry over to the deadlift"]
      : []),
    ...(has("cambered", "cambered-yoke")
      ? ["cambered bar squats are said to carry over best to the straight squat"]
      : []),
  ];
  if (parts.length === 0) return null;
  const text = listed(parts);
  return {
    basis: "opinion",
    text: `${text[0]!.toUpperCase()}${text.slice(1)}.`,
    others: "Coaches say so; it was not measured here.",
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
