import type { MassUnits } from "../../units/exactMass";
import type { PlanPlate } from "./sessionQuestion";

/** Every choice of plates for one side that makes one mass: how many of each kind, in the order of the kinds. */
export interface SideWays {
  massUnits: MassUnits;
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
export const MAX_WAYS = 8_000;
/** Half of the kinds are combined freely; more combinations than this are not listed. */
const MAX_PARTS = 80_000;
/** Once they are too many, only the ones with fewest plates go on. */
const PARTS_AFTER_CUT = 2_000;
/** Equal ways looked at, and steps of one question; beyond that the answer is said to be cut. */
const MAX_FOUND = 40_000;
const FOUND_AFTER_CUT = 300;
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
  /** Whether not every combination could be listed. */
  readonly isCut: boolean;

  /** @param pairs at hand of each plate. */
  constructor(
    plates: readonly PlanPlate[],
    pairs: readonly number[],
    private readonly roomMm: number | null,
    mostUnits: MassUnits,
  ) {
    // Alternating halves have about as many combinations each.
    const [odd, even] = [plates.map((_, k) => k % 2 === 1), plates.map((_, k) => k % 2 === 0)];
    const limit = { mostUnits, roomMm: roomMm ?? Infinity };
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
    const found: { plates: number; counts: Uint8Array }[] = [];
    for (const a of this.left) {
      if (a.mass > best || found.length >= (this.isCut ? FOUND_AFTER_CUT : MAX_FOUND)) break;
      const rest = best - a.mass;
      for (let i = lastAtMost(this.right, rest); i >= 0 && this.right[i]!.mass === rest; i -= 1) {
        const b = this.right[i]!;
        if (a.thickness + b.thickness > room + 1e-9) continue;
        found.push({ plates: a.plates + b.plates, counts: a.counts.map((n, k) => n + b.counts[k]!) });
      }
    }
    found.sort((p, q) => p.plates - q.plates);
    const answer = {
      massUnits: best,
      ways: found.slice(0, MAX_WAYS).map(({ counts }) => counts),
      isCut: isCut || found.length > MAX_WAYS,
    };
    this.known.set(limitUnits, answer);
    return answer;
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
