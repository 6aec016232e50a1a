import { compareLargerInside, labelSearch, type Budget, type Concerns, type Label } from "./labelSearch";
import { commonStep, countsFor, fewestPlates, minCountTable } from "./minCountTable";
import type { PlateKind } from "./plateKind";
import { withCounts, type Side } from "./side";

/** What one side must keep to. */
export interface SideLimits {
  /** Greatest mass of a side worth looking at, in mass units. */
  mostUnits: number;
  /** The greatest mass of a side that is not over the target. */
  aimUnits: number;
  /** How far from that a search has to look; Infinity for everywhere. */
  slackUnits: number;
  /** Room for plates on the sleeve; null when unknown. */
  roomMm: number | null;
  concerns: Concerns;
  /** Whether a finished side may be used as it is. */
  isAllowed: (side: Side) => boolean;
}

/** Answers what can be put on one side, starting from plates that stay on it. */
export interface SideFinder {
  /** The way of least plates, then larger inside, with a mass between two masses, inclusive. */
  best(fromUnits: number, toUnits: number): Label | null;
  /** The way with the greatest mass at or below a mass. */
  atOrBelow(units: number): Label | null;
  /** The way with the least mass above a mass. */
  above(units: number): Label | null;
}

/** Beyond this many cells over all kinds a table costs more than a search over the masses that really occur. */
const MAX_CELLS = 1_000_000;

/**
 * A finder that looks at mass and count alone, from a table; null when the masses share no useful step.
 * Its answers are right whenever they are allowed: the best of more ways, if allowed, is the best of the allowed.
 *
 * @returns the finder, or null
 */
export function tableFinder(kinds: readonly PlateKind[], start: Side, limits: SideLimits): SideFinder | null {
  const step = commonStep(kinds) || 1;
  const room = limits.mostUnits - start.massUnits;
  const all = kinds.reduce((sum, { massUnits, pairs }) => sum + massUnits * pairs, 0);
  const cells = Math.floor(Math.min(Math.max(room, 0), all) / step) + 1;
  if (cells * kinds.length > MAX_CELLS) return null;
  const table = minCountTable(kinds, step, cells);
  const cellAtOrBelow = (units: number) => Math.min(cells - 1, Math.floor((units - start.massUnits) / step));
  const labelAt = (cell: number): Label => {
    const counts = countsFor(table, cell);
    return { counts, side: withCounts(start, kinds, counts) };
  };
  return {
    best(fromUnits, toUnits) {
      let best: Label | null = null;
      let least = Infinity;
      const from = Math.max(0, Math.ceil((fromUnits - start.massUnits) / step));
      for (let cell = from; cell <= cellAtOrBelow(toUnits); cell += 1) {
        const plates = fewestPlates(table, cell);
        if (plates === null || plates > least) continue;
        const label = labelAt(cell);
        if (!best || plates < least || compareLargerInside(label.counts, best.counts) < 0) best = label;
        least = plates;
      }
      return best;
    },
    atOrBelow(units) {
      for (let cell = cellAtOrBelow(units); cell >= 0; cell -= 1)
        if (fewestPlates(table, cell) !== null) return labelAt(cell);
      return null;
    },
    above(units) {
      for (let cell = Math.max(0, cellAtOrBelow(units) + 1); cell < cells; cell += 1)
        if (start.massUnits + cell * step > units && fewestPlates(table, cell) !== null) return labelAt(cell);
      return null;
    },
  };
}

/**
 * A finder that keeps every way that can matter under all limits.
 *
 * @returns the finder
 */
export function labelFinder(kinds: readonly PlateKind[], start: Side, limits: SideLimits, budget: Budget): SideFinder {
  const most = Math.min(limits.mostUnits, limits.aimUnits + limits.slackUnits);
  const least = limits.aimUnits - limits.slackUnits;
  const fits = (side: Side) => side.massUnits <= most && (limits.roomMm === null || side.thicknessMm <= limits.roomMm);
  const labels = labelSearch(kinds, start, fits, limits.concerns, budget, least, limits.aimUnits);
  const allowed: Label[] = [];
  for (const bucket of labels.values())
    for (const label of bucket) if (fits(label.side) && limits.isAllowed(label.side)) allowed.push(label);
  const pick = (wanted: (units: number) => boolean, isBetter: (a: Label, b: Label) => number) =>
    allowed.reduce<Label | null>(
      (best, label) => (wanted(label.side.massUnits) && (!best || isBetter(label, best) < 0) ? label : best),
      null,
    );
  const byPlates = (a: Label, b: Label) => a.side.plates - b.side.plates || compareLargerInside(a.counts, b.counts);
  return {
    best: (from, to) => pick((units) => units >= from && units <= to, byPlates),
    atOrBelow: (most) =>
      pick(
        (units) => units <= most,
        (a, b) => b.side.massUnits - a.side.massUnits || byPlates(a, b),
      ),
    above: (least) =>
      pick(
        (units) => units > least,
        (a, b) => a.side.massUnits - b.side.massUnits || byPlates(a, b),
      ),
  };
}

/**
 * Whether a label may be used as it is: it fits the sleeve and the way the set ends.
 *
 * @returns true when it may
 */
export function isLabelAllowed(label: Label, limits: SideLimits): boolean {
  return (limits.roomMm === null || label.side.thicknessMm <= limits.roomMm) && limits.isAllowed(label.side);
}
