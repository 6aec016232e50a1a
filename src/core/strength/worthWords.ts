import type { BarWorth } from "./estimates";
import type { WorthPoint } from "./lifterLog";

/** What is said of a bar's worth to a lifter. */
export interface WorthWords {
  /** "0.86 of the straight bar, up from 0.74 in June" */
  text: string;
  /** A guess to look into, and never a diagnosis; null where there is none. */
  hypothesis: string | null;
}

/** A change is said when its bands stand apart this far back. */
const MONTHS_BACK_DAYS = 60;
const MONTH = new Intl.DateTimeFormat("en-GB", { month: "long", timeZone: "UTC" });

/** Worths this far from the gym's usual, in standard deviations of both, are worth a look. */
const FAR = 2;

/** What the gym's lifters usually get from such bars: mean and standard deviation of the logarithm, and how many. */
export interface UsualWorth {
  mean: number;
  sd: number;
  lifters: number;
}

/** Fewer lifters than this are no usual. */
export const MIN_LIFTERS_FOR_USUAL = 3;

/**
 * In words: what it is worth, how that moved, whether learning is over.
 *
 * @param past from the whole log, oldest first
 * @param usual of the gym for this family and lift; null where too few use it
 * @param side the house's side: whether an odd ratio shows a weak link, or shows what the bar trains
 * @returns a sentence, and perhaps a guess
 */
export function worthWords(
  worth: BarWorth,
  past: readonly WorthPoint[],
  usual: UsualWorth | null,
  learningUses: number,
  side: "weak-link" | "trains",
): WorthWords {
  const now = worth.value.toFixed(2);
  const then = earlier(past);
  const learning = worth.isLearning ? ` Still learning: ${worth.uses} of ${learningUses} uses.` : " Learning is over.";
  return { text: `${now} of the straight bar${then}.${learning}`, hypothesis: hypothesisOf(worth, past, usual, side) };
}

/** ", up from 0.74 in June", where the bands of then and now stand apart by half. */
function earlier(past: readonly WorthPoint[]): string {
  const now = past.at(-1);
  if (!now) return "";
  const before = past.filter(({ on }) => Date.parse(now.on) - Date.parse(on) >= MONTHS_BACK_DAYS * 86_400_000);
  const then = before.toSorted((a, b) => Math.abs(b.ratio - now.ratio) - Math.abs(a.ratio - now.ratio))[0];
  if (!then || Math.abs(now.ratio - then.ratio) < (now.high - now.low) / 2) return "";
  const month = MONTH.format(new Date(`${then.on}T00:00:00Z`));
  return `, ${now.ratio > then.ratio ? "up" : "down"} from ${then.ratio.toFixed(2)} in ${month}`;
}

function hypothesisOf(
  { value, low, high, isLearning }: BarWorth,
  past: readonly WorthPoint[],
  usual: UsualWorth | null,
  side: "weak-link" | "trains",
): string | null {
  const first = past[0];
  const last = past.at(-1);
  const isReversed = first && last && ((first.high < 1 && last.low > 1) || (first.low > 1 && last.high < 1));
  if (isReversed)
    return `It reversed: ${first.ratio.toFixed(2)} at first, ${last.ratio.toFixed(2)} now. What changed, the lifter or the way it is done?`;
  if (isLearning || !usual || usual.lifters < MIN_LIFTERS_FOR_USUAL) return null;
  const own = Math.log(high / low) / 3.3;
  const off = (Math.log(value) - usual.mean) / Math.hypot(usual.sd, own);
  if (Math.abs(off) < FAR) return null;
  const usually = Math.exp(usual.mean).toFixed(2);
  const than = `${off < 0 ? "Lower" : "Higher"} than the gym's usual ${usually}`;
  if (off > 0) return `${than}. A guess: the bar suits how they are built, or the straight bar is held back.`;
  return side === "weak-link"
    ? `${than}. A guess: a weak link shows on this bar. Watch a set before changing anything.`
    : `${than}. A guess: this bar trains what the straight one spares. Watch a set before changing anything.`;
}

/** Two bars whose order turned round. */
export interface Reversal {
  now: string;
  before: string;
  since: string;
}

/** A difference counts from this on, as a ratio. */
const CLEARLY = 0.02;

/**
 * Which bars have overtaken which: clearly less at first, clearly more now.
 *
 * @param past by bar, oldest first
 * @returns one for each pair that turned round
 */
export function reversals(past: ReadonlyMap<string, readonly WorthPoint[]>): Reversal[] {
  const all = [...past].filter(([, points]) => points.length > 1);
  return all.flatMap(([now, own]) =>
    all.flatMap(([before, other]) => {
      if (now === before) return [];
      const from = own[0]!.on > other[0]!.on ? own[0]!.on : other[0]!.on;
      const at = (points: readonly WorthPoint[], on: string) =>
        (points.findLast((point) => point.on <= on) ?? points[0]!).ratio;
      const first = at(own, from) - at(other, from);
      const last = own.at(-1)!.ratio - other.at(-1)!.ratio;
      if (first > -CLEARLY || last < CLEARLY) return [];
      const days = [...own, ...other]
        .map(({ on }) => on)
        .filter((on) => on >= from)
        .sort();
      const since = days.findLast((on) => at(own, on) <= at(other, on)) ?? from;
      return [{ now, before, since }];
    }),
  );
}
