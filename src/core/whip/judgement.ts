import type { Bar } from "../bars/bar";
import type { Lift } from "../matching/lifts";
import { trimmed } from "../units/format";
import type { SidePlate } from "./bendingBar";
import { loadWhereTheyDiffer, type Bent } from "./compareWhip";

export interface Judgement {
  /** The answer in four words; null for a single bar. */
  verdict: string | null;
  /** The rest, as plain sentences. */
  text: string;
  /** What the trade disagrees about here, and what the number says to it; empty when nothing differs. */
  opinion: string;
  /** Bars that nothing can be said of, with the reason. */
  unable: string[];
}

export interface Judged {
  bar: Bar;
  bent: Bent;
}

export interface JudgedAt {
  lift: Pick<Lift, "start" | "speed">;
  loadKg: number;
  supportHalfSpacingMm: number;
  disc: SidePlate;
  /** What the house calls noticeable, in mm of slack. */
  noticeableMm: number;
}

/** Up to here a person lifts; a difference that comes later is of no use to anybody. */
const MAX_LIFTED_KG = 500;

/**
 * Whether the difference between bars matters at this lift and load: the house's noticeable difference against the
 * number. Opinions differ (handbook §5); the number decides.
 *
 * @returns the sentence, and whether the difference is noticed
 */
export function judge(items: readonly Judged[], at: JudgedAt): Judgement {
  const unable = items.flatMap(({ bar, bent }) => (bent.ok ? [] : [`${bar.tag}: ${bent.why}`]));
  const able = items.flatMap(({ bar, bent }) => (bent.ok ? [{ bar, bent }] : []));
  const sorted = able.toSorted((a, b) => b.bent.whip.deflectionMm - a.bent.whip.deflectionMm);
  const [most, least] = [sorted[0], sorted.at(-1)];
  if (!most || !least) return { verdict: null, text: "", opinion: "", unable };
  const isFloor = at.lift.start === "floor" && at.lift.speed === "slow";
  const [what, then] = isFloor
    ? ["the hands rise", "before the weight leaves the floor"]
    : ["the plates hang", "below the supports"];
  const slack = ({ bent }: (typeof able)[number]) => `${trimmed(bent.whip.deflectionMm, 1)} mm`;
  const load = `At ${trimmed(at.loadKg, 1)} kg`;
  if (most === least)
    return {
      verdict: null,
      text: `${load} ${what} ${slack(most)} on ${most.bar.tag} ${then}. The first plate leaves at ${trimmed(most.bent.firstPlateMm, 1)} mm, the last at ${trimmed(most.bent.lastPlateMm, 1)} mm.`,
      opinion: "",
      unable,
    };
  const gap = most.bent.whip.deflectionMm - least.bent.whip.deflectionMm;
  const matters = gap >= at.noticeableMm;
  const from = loadWhereTheyDiffer(most.bar, least.bar, {
    supportHalfSpacingMm: at.supportHalfSpacingMm,
    differenceMm: at.noticeableMm,
    mostKg: Math.max(MAX_LIFTED_KG, at.loadKg),
    disc: at.disc,
  });
  const between = sorted.length > 2 ? `, the others between` : "";
  const threshold =
    from === null
      ? "; at no load a person lifts is that noticed."
      : `. Below ${trimmed(from, 0)} kg the two differ by less than the ${trimmed(at.noticeableMm, 2)} mm that this gym calls noticeable.`;
  return {
    verdict: matters ? "It matters here." : "It hardly matters here.",
    text: `${load} ${what} ${slack(most)} on ${most.bar.tag} and ${slack(least)} on ${least.bar.tag} ${then}${between}: ${trimmed(gap, 1)} mm apart${threshold}`,
    opinion: opinionOn(most.bar, least.bar, gap, matters),
    unable,
  };
}

/** The quarrel over half a millimetre, where that is what differs. */
function opinionOn(a: Bar, b: Bar, gap: number, matters: boolean): string {
  const [one, other] = [a.quantities.shaftDiameter?.value, b.quantities.shaftDiameter?.value];
  if (one === undefined || other === undefined) return "";
  const difference = Math.abs(one - other);
  if (difference < 0.05 || difference > 1.05) return "";
  return `Some say 28, 28.5 and 29 mm feel the same, some that half a millimetre decides. Here it comes to ${trimmed(gap, 1)} mm of slack, which this gym calls ${matters ? "noticeable" : "not noticeable"}.`;
}
