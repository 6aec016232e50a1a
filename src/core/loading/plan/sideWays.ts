import type { MassUnits } from "../../units/exactMass";
import type { PlanPlate } from "./sessionQuestion";

/** Every choice of plates for one side that counts as near enough: how many of each kind, in the order of the kinds. */
export interface SideWays {
  /** The greatest mass of a side that can be reached at or below the wish. */
  massUnits: MassUnits;
  /** Fewest plates first. */
  ways: Uint8Array[];
  /** Whether there are more ways than are listed; the ones with fewest plates are. */
  isCut: boolean;
}

interface Part {
  mass: number;
  thickness: number;
  plates: number;
  counts: Uint8Array;
}

/** A list longer than this is cut to the ways with fewest plates. */
export const MAX_WAYS = 100_000;
/** Ways listed for all questions of one finder; beyond that each list is short. */
const MAX_WAYS_IN_ALL = 2_000_000;
const SHORT_LIST = 2_000;
/** Half of the kinds are combined freely; more combinations than this are not listed. */
const MAX_PARTS = 80_000;
/** Once they are too many, only the ones with fewest plates go on. */
const PARTS_AFTER_CUT = 2_000;
/** Ways looked at, and steps of one question; beyond that the answer is said to be cut. */
const MAX_FOUND = 160_000;
const FOUND_AFTER_CUT = 2_000;
const MAX_STEPS = 3_000_000;

/**
 * The greatest mass of one side at or below a limit that fits the sleeve, and every choice of plates that makes it.
 * The kinds are split in two halves whose sums are listed and joined, so nothing is tabulated by mass: masses of kg and
 * lb plates have no common step worth a table.
 */
export class SideFinder {
  private readonly left: Part[];
  private readonly right: Part[];
  private readonly known = new Map<number, SideWays>();
  /** Places of the kinds, largest mass first. */
  private readonly largest: readonly number[];
  private listed = 0;
  /** Whether not every combination could be listed. */
  readonly isCut: boolean;

  /**
   * @param pairs at hand of each plate.
   * @param mostUnits greatest wish of one side.
   * @param slackUnits so far from the nearest, a side counts as equally near.
   */
  constructor(
    plates: readonly PlanPlate[],
    pairs: readonly number[],
    private readonly roomMm: number | null,
    mostUnits: MassUnits,
    private readonly slackUnits: MassUnits = 0,
  ) {
    this.largest = plates.map((_, k) => k).sort((a, b) => plates[b]!.massUnits - plates[a]!.massUnits || a - b);
    // Alternating halves have about as many combinations each.
    const [odd, even] = [plates.map((_, k) => k % 2 === 1), plates.map((_, k) => k % 2 === 0)];
    const limit = { mostUnits: mostUnits + slackUnits, roomMm: roomMm ?? Infinity };
    const [left, right] = [partsOf(plates, pairs, even, limit), partsOf(plates, pairs, odd, limit)];
    this.left = left.parts;
    this.right = right.parts;
    this.isCut = left.isCut || right.isCut;
  }

  /** @param limitUnits the most one side may have. */
  atOrBelow(limitUnits: MassUnits): SideWays {
    const known = this.known.get(limitUnits);
    if (known) return known;
    const room = this.roomMm ?? Infinity;
    let best = 0;
    let steps = 0;
    let isCut = this.isCut;
    for (const a of this.left) {
      if (a.mass > limitUnits || steps > MAX_STEPS) break;
      for (let i = lastAtMost(this.right, limitUnits - a.mass); i >= 0; i -= 1) {
        const b = this.right[i]!;
        steps += 1;
        if (a.mass + b.mass <= best || steps > MAX_STEPS) break;
        if (a.thickness + b.thickness <= room + 1e-9) {
          best = a.mass + b.mass;
          break;
        }
      }
    }
    if (steps > MAX_STEPS) isCut = true;
    const answer = { massUnits: best, ...this.around(best, isCut) };
    this.known.set(limitUnits, answer);
    return answer;
  }

  /**
   * Every choice within the slack of a wish, either way; where there is none, those of the nearest mass, above or below.
   *
   * @param aimUnits the wish for one side.
   * @param mostUnits never more than this; at least the wish.
   * @returns the wish as its mass where something is within the slack of it, else the nearest
   */
  near(aimUnits: MassUnits, mostUnits: MassUnits): SideWays {
    const known = this.known.get(aimUnits);
    if (known) return known;
    const within = this.between(aimUnits - this.slackUnits, Math.min(aimUnits + this.slackUnits, mostUnits));
    let answer: SideWays = { massUnits: aimUnits, ...within };
    if (within.ways.length === 0) {
      const below = this.nearestBelow(aimUnits);
      const above = this.nearestAbove(aimUnits, Math.min(mostUnits, aimUnits + (aimUnits - below) - 1));
      const nearest = above ?? below;
      answer = { massUnits: nearest, ...this.between(nearest, nearest) };
    }
    this.known.set(aimUnits, answer);
    return answer;
  }

  /** The greatest mass at or below one that fits the sleeve; the empty sleeve always does. */
  private nearestBelow(limitUnits: MassUnits): MassUnits {
    return this.extreme((a) => {
      for (let i = lastAtMost(this.right, limitUnits - a.mass); i >= 0; i -= 1)
        if (this.fits(a, this.right[i]!)) return i;
      return -1;
    }, Math.max)!;
  }

  /** The least mass above one and not above another; null where none is. */
  private nearestAbove(overUnits: MassUnits, mostUnits: MassUnits): MassUnits | null {
    return this.extreme((a) => {
      const from = lastAtMost(this.right, overUnits - a.mass) + 1;
      for (let i = from; i < this.right.length && a.mass + this.right[i]!.mass <= mostUnits; i += 1)
        if (this.fits(a, this.right[i]!)) return i;
      return -1;
    }, Math.min);
  }

  private extreme(partnerOf: (a: Part) => number, better: (a: number, b: number) => number): number | null {
    let best: number | null = null;
    for (const a of this.left) {
      const i = partnerOf(a);
      if (i < 0) continue;
      const mass = a.mass + this.right[i]!.mass;
      best = best === null ? mass : better(best, mass);
    }
    return best;
  }

  private fits(a: Part, b: Part): boolean {
    return a.thickness + b.thickness <= (this.roomMm ?? Infinity) + 1e-9;
  }

  /**
   * Every choice that is as near as the nearest.
   *
   * @param nearestUnits mass of one side.
   * @returns choices, fewest plates first, and whether there are more
   */
  around(nearestUnits: MassUnits, isKnownCut = this.isCut): Pick<SideWays, "ways" | "isCut"> {
    return this.between(nearestUnits - this.slackUnits, nearestUnits + this.slackUnits, isKnownCut);
  }

  /**
   * Every choice between two masses, inclusive.
   *
   * @returns choices, fewest plates first, and whether there are more
   */
  between(from: MassUnits, to: MassUnits, isKnownCut = this.isCut): Pick<SideWays, "ways" | "isCut"> {
    const room = (this.roomMm ?? Infinity) + 1e-9;
    const [maxFound, maxWays] =
      this.listed > MAX_WAYS_IN_ALL ? [MAX_FOUND, SHORT_LIST] : [isKnownCut ? FOUND_AFTER_CUT : MAX_FOUND, MAX_WAYS];
    const found: { plates: number; a: Part; b: Part }[] = [];
    let isCut = isKnownCut;
    for (const a of this.left) {
      if (a.mass > to) break;
      for (let i = lastAtMost(this.right, to - a.mass); i >= 0 && a.mass + this.right[i]!.mass >= from; i -= 1) {
        const b = this.right[i]!;
        if (a.thickness + b.thickness > room) continue;
        found.push({ plates: a.plates + b.plates, a, b });
      }
      if (found.length > maxFound) {
        isCut = true;
        break;
      }
    }
    // Larger plates first among as many: what a gym would load (handbook §10).
    const { largest } = this;
    const isLarger = (p: (typeof found)[number], q: (typeof found)[number]) => {
      for (const k of largest) {
        const more = q.a.counts[k]! + q.b.counts[k]! - p.a.counts[k]! - p.b.counts[k]!;
        if (more !== 0) return more;
      }
      return 0;
    };
    found.sort((p, q) => p.plates - q.plates || isLarger(p, q));
    if (found.length > maxWays) {
      isCut = true;
      found.length = maxWays;
    }
    this.listed += found.length;
    return { ways: found.map(({ a, b }) => a.counts.map((n, k) => n + b.counts[k]!)), isCut };
  }
}

function partsOf(
  plates: readonly PlanPlate[],
  pairs: readonly number[],
  isMine: readonly boolean[],
  { mostUnits, roomMm }: { mostUnits: number; roomMm: number },
): { parts: Part[]; isCut: boolean } {
  let parts: Part[] = [{ mass: 0, thickness: 0, plates: 0, counts: new Uint8Array(plates.length) }];
  let isCut = false;
  plates.forEach(({ massUnits, thicknessMm }, k) => {
    if (!isMine[k]) return;
    const longer: Part[] = [];
    for (const part of parts)
      for (let n = 0; n <= pairs[k]! && longer.length <= (isCut ? 4 * PARTS_AFTER_CUT : MAX_PARTS); n += 1) {
        const mass = part.mass + n * massUnits;
        const thickness = part.thickness + n * thicknessMm;
        if (mass > mostUnits || thickness > roomMm + 1e-9) break;
        if (n === 0) longer.push(part);
        else {
          const counts = part.counts.slice();
          counts[k] = n;
          longer.push({ mass, thickness, plates: part.plates + n, counts });
        }
      }
    if (longer.length > (isCut ? 4 * PARTS_AFTER_CUT : MAX_PARTS)) {
      isCut = true;
      longer.sort((a, b) => a.plates - b.plates);
      longer.length = PARTS_AFTER_CUT;
    }
    parts = longer;
  });
  parts.sort((a, b) => a.mass - b.mass || a.thickness - b.thickness);
  return { parts, isCut };
}

/** Place of the last part that weighs at most so much; −1 when there is none. */
function lastAtMost(parts: readonly Part[], mass: number): number {
  let [low, high] = [0, parts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (parts[middle]!.mass <= mass) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}
