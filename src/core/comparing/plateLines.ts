import { ratedTotalKg, valueOf, type Bar } from "../bars/bar";
import { fixed, trimmed } from "../units/format";
import { STANDARD_DISC } from "../whip/assumedPlates";
import { bendUnder } from "../whip/compareWhip";
import { type ComparedAt, type ComparedLine, type Pair, apart, isStraight } from "./comparedParts";

/** What changes for the plates between two bars: room, bend, rating, in lines added to `lines`. */
export function plateLines(
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
      text: `${room.more.bar.tag} takes ${room.high - room.low} more ${room.high - room.low === 1 ? "plate" : "plates"} a side (${plate.name}): ${room.high} against ${room.low}.`,
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
