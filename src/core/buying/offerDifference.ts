import type { Bar } from "../bars/bar";
import { valueOf } from "../bars/bar";
import { FINISH_FACTOR } from "../care/careTasks";
import { fixed, trimmed } from "../units/format";
import { bendUnder, loadWhereTheyDiffer } from "../whip/compareWhip";
import type { GainWant } from "./offerGain";

/* What half a millimetre, a coating or a bearing is worth at this gym's own loads, and where it makes no difference. */

export interface DifferenceQuestion {
  offer: Bar;
  /** The bar that is owned and nearest to it. */
  owned: Bar;
  wants: readonly GainWant[];
  /** From how much slack on a difference is felt, in mm; a house rule. */
  noticeableMm: number;
  /** Minutes of care a year that depend on the finish, for a bare shaft in this gym's air. */
  bareMinutes: number;
}

/** One difference: whether anybody here would notice, and why. */
export interface OfferDifference {
  what: "shaft" | "coating" | "sleeves";
  matters: boolean;
  text: string;
}

/**
 * What the offer's shaft, coating and sleeves change against the nearest bar that is owned, one sentence each.
 *
 * @returns the differences that can be told, in that order
 */
export function offerDifferences(question: DifferenceQuestion): OfferDifference[] {
  return [shaftDifference(question), coatingDifference(question), sleeveDifference(question)].filter(
    (one) => one !== null,
  );
}

function shaftDifference({ offer, owned, wants, noticeableMm }: DifferenceQuestion): OfferDifference | null {
  const [a, b] = [valueOf(offer, "shaftDiameter"), valueOf(owned, "shaftDiameter")];
  if (a === null || b === null) return null;
  const against = `${owned.tag}’s ${trimmed(b, 2)} mm`;
  if (a === b) return { what: "shaft", matters: false, text: `Shaft: ${trimmed(a, 2)} mm, as thick as ${owned.tag}.` };
  // The heaviest slow lift from the floor shows it most; without one, the heaviest of all.
  const slow = wants.filter(({ lift }) => lift.speed === "slow");
  const heaviest = (list: readonly GainWant[]) =>
    list.reduce<GainWant | null>((most, one) => (most && most.loadKg >= one.loadKg ? most : one), null);
  const want = heaviest(slow.filter(({ lift }) => lift.start === "floor")) ?? heaviest(slow) ?? heaviest(wants);
  if (!want) return null;
  const h = want.lift.supportHalfSpacingMm;
  const [one, two] = [bendUnder(offer, want.loadKg, h), bendUnder(owned, want.loadKg, h)];
  if (!one.ok || !two.ok) return null;
  const gap = Math.abs(one.whip.deflectionMm - two.whip.deflectionMm);
  const softer = one.whip.deflectionMm > two.whip.deflectionMm ? "more" : "less";
  const at = `${fixed(gap, 1)} mm ${softer} slack at the heaviest ${want.lift.name.toLowerCase()} here, ${trimmed(want.loadKg, 1)} kg`;
  if (gap >= noticeableMm)
    return {
      what: "shaft",
      matters: true,
      text: `Shaft: ${trimmed(a, 2)} mm against ${against} gives ${at}. Lifters notice that.`,
    };
  const from = loadWhereTheyDiffer(offer, owned, { supportHalfSpacingMm: h, differenceMm: noticeableMm, mostKg: 500 });
  return {
    what: "shaft",
    matters: false,
    text: `Shaft: ${trimmed(a, 2)} mm against ${against} gives ${at}. Nobody notices that${
      from === null ? "" : ` below ${Math.round(from / 5) * 5} kg`
    }.`,
  };
}

const finishName = (finish: string | null) => (finish ?? "an unknown finish").replace("-", " ");

function coatingDifference({ offer, owned, bareMinutes }: DifferenceQuestion): OfferDifference | null {
  const minutes = ({ finish }: Bar) => bareMinutes / FINISH_FACTOR[finish ?? "bare"];
  const saved = Math.round(minutes(owned) - minutes(offer));
  if (offer.finish === owned.finish)
    return {
      what: "coating",
      matters: false,
      text: `Coating: ${finishName(offer.finish)}, as ${owned.tag}. No difference in care.`,
    };
  return {
    what: "coating",
    matters: Math.abs(saved) >= 15,
    text: `Coating: ${finishName(offer.finish)} against ${finishName(owned.finish)} ${
      Math.abs(saved) < 1
        ? "makes no difference in care"
        : `${saved > 0 ? "saves" : "costs"} ${Math.abs(saved)} min of care a year`
    } in this air${Math.abs(saved) < 15 && Math.abs(saved) >= 1 ? ". Hardly worth money" : ""}.`,
  };
}

const SLEEVES = {
  fixed: "fixed sleeves",
  bushing: "bushings",
  needle: "needle bearings",
  ball: "ball bearings",
  hybrid: "bushings and bearings",
};

function sleeveDifference({ offer, owned, wants }: DifferenceQuestion): OfferDifference | null {
  if (!offer.sleeveRotation) return null;
  const name = SLEEVES[offer.sleeveRotation];
  if (offer.sleeveRotation === owned.sleeveRotation)
    return { what: "sleeves", matters: false, text: `Sleeves: ${name}, as ${owned.tag}.` };
  const fast = new Set(wants.filter(({ lift }) => lift.speed === "fast").map(({ person }) => person)).size;
  const turns = offer.sleeveRotation !== "fixed" && offer.sleeveRotation !== "bushing";
  const people = `${fast} ${fast === 1 ? "person does" : "people do"} fast lifts here`;
  return {
    what: "sleeves",
    matters: turns && fast > 0,
    text: turns
      ? fast > 0
        ? `Sleeves: ${name}. ${people}: it turns faster in their hands than ${owned.tag}.`
        : `Sleeves: ${name}. Nobody does fast lifts here, so they make no difference.`
      : `Sleeves: ${name}. ${fast > 0 ? `${people}; this is no bar for those.` : "Right for slow lifts, which is all that is done here."}`,
  };
}

/**
 * The owned bar that an offer is held against: of its family and turning alike if there is one, the nearest in thickness.
 *
 * @returns the bar; null where nothing like it is owned
 */
export function nearestOwned(offer: Bar, bars: readonly Bar[]): Bar | null {
  const gap = (bar: Bar) =>
    (bar.family === offer.family ? 0 : 100) +
    (bar.sleeveRotation === offer.sleeveRotation ? 0 : 1) +
    Math.abs((valueOf(bar, "shaftDiameter") ?? 0) - (valueOf(offer, "shaftDiameter") ?? 0));
  return bars.reduce<Bar | null>((best, bar) => (best && gap(best) <= gap(bar) ? best : bar), null);
}
