import type { PlateKind } from "./plateKind";
import { withPlates, type Side } from "./side";

/** One way to fill a side: how many of each kind (larger first), and what that sums up to. */
export interface Label {
  side: Side;
  counts: readonly number[];
}

/** Which sums of a side the caller has limits on; only those make one label better than another. */
export interface Concerns {
  thickness: boolean;
  dropping: boolean;
}

/** How much searching is left for one question. A step is one label extended or compared once. */
export interface Budget {
  steps: number;
}

/** Enough for every collection of plates that a gym has. */
export const STEP_BUDGET = 200_000;

/** How many unfinished labels are completed greedily when the budget runs out. */
const SAMPLE = 400;

/**
 * All ways to fill a side that can matter, by mass: for each reachable mass the ways that no other way of the
 * same mass beats in plates, larger-inside order and every sum the caller has limits on.
 *
 * Kinds are added from the largest to the smallest. Two labels of one mass have the same future, so a label
 * that is no better in anything can be dropped without losing an optimum.
 *
 * @param start what is on the side already and stays (its plates are not in `kinds`).
 * @param fits whether a side may still be extended; it must be true of every part of an allowed side.
 * @param leastUnits masses of a finished side under this are of no interest: what cannot reach it any more is dropped.
 * @param aimUnits the mass to fill up to when the budget runs out and the rest is completed greedily.
 * @returns the labels by mass. Where no budget is left afterwards they are good ways, not provably all.
 */
export function labelSearch(
  kinds: readonly PlateKind[],
  start: Side,
  fits: (side: Side) => boolean,
  concerns: Concerns,
  budget: Budget,
  leastUnits: number,
  aimUnits: number,
): Map<number, Label[]> {
  let stillToCome = kinds.reduce((sum, { massUnits, pairs }) => sum + massUnits * pairs, 0);
  let labels = new Map<number, Label[]>([[start.massUnits, [{ side: start, counts: [] }]]]);
  for (let k = 0; k < kinds.length; k += 1) {
    if (budget.steps <= 0) return completed(labels, start, kinds, k, fits, aimUnits);
    stillToCome -= kinds[k]!.massUnits * kinds[k]!.pairs;
    labels = extended(labels, kinds[k]!, fits, concerns, budget, leastUnits - stillToCome);
  }
  return labels;
}

/** Every label with every number of plates of one kind that still fits; out of budget, with none of it. */
function extended(
  labels: ReadonlyMap<number, Label[]>,
  kind: PlateKind,
  fits: (side: Side) => boolean,
  concerns: Concerns,
  budget: Budget,
  leastUnits: number,
): Map<number, Label[]> {
  const next = new Map<number, Label[]>();
  for (const bucket of labels.values())
    for (const { side: from, counts } of bucket) {
      let side = from;
      for (let count = 0; count <= kind.pairs; count += 1) {
        if (count > 0) side = withPlates(side, kind, 1);
        if (count > 0 && (budget.steps <= 0 || !fits(side))) break;
        if (side.massUnits < leastUnits && budget.steps > 0) continue;
        budget.steps -= 1 + insert(next, { side, counts: [...counts, count] }, concerns);
      }
    }
  return next;
}

/** A sample of the labels, each filled up with the kinds from `k` on as far as it goes. */
function completed(
  labels: ReadonlyMap<number, Label[]>,
  start: Side,
  kinds: readonly PlateKind[],
  k: number,
  fits: (side: Side) => boolean,
  aimUnits: number,
): Map<number, Label[]> {
  const all = [...labels.values()].flat();
  const every = Math.max(1, Math.floor(all.length / SAMPLE));
  const done = new Map<number, Label[]>();
  // Nothing at all is always a way, whatever the limits.
  done.set(start.massUnits, [{ side: start, counts: kinds.map(() => 0) }]);
  for (let i = 0; i < all.length; i += every) {
    let { side } = all[i]!;
    const counts = [...all[i]!.counts];
    for (const kind of kinds.slice(k)) {
      let count = 0;
      for (
        let longer = withPlates(side, kind, 1);
        count < kind.pairs && longer.massUnits <= aimUnits && fits(longer);
      ) {
        side = longer;
        count += 1;
        longer = withPlates(side, kind, 1);
      }
      counts.push(count);
    }
    done.set(side.massUnits, [...(done.get(side.massUnits) ?? []), { side, counts }]);
  }
  return done;
}

/** Adds a label unless another beats it, and drops those it beats. Returns how many it was compared with. */
function insert(labels: Map<number, Label[]>, label: Label, concerns: Concerns): number {
  const bucket = labels.get(label.side.massUnits);
  if (!bucket) {
    labels.set(label.side.massUnits, [label]);
    return 0;
  }
  if (bucket.some((other) => isNoWorse(other, label, concerns))) return bucket.length;
  const kept = bucket.filter((other) => !isNoWorse(label, other, concerns));
  kept.push(label);
  labels.set(label.side.massUnits, kept);
  return bucket.length;
}

function isNoWorse(a: Label, b: Label, concerns: Concerns): boolean {
  if (a.side.plates > b.side.plates) return false;
  if (concerns.thickness && a.side.thicknessMm > b.side.thicknessMm) return false;
  if (concerns.dropping) {
    if (a.side.ironUnits > b.side.ironUnits) return false;
    if (a.side.fullRubberWidthMm < b.side.fullRubberWidthMm) return false;
  }
  return a.side.plates < b.side.plates || compareLargerInside(a.counts, b.counts) <= 0;
}

/**
 * Negative when `a` has the larger plate at the first place inside where the two differ.
 *
 * @returns negative, 0 or positive, for sorting
 */
export function compareLargerInside(a: readonly number[], b: readonly number[]): number {
  for (let k = 0; k < a.length; k += 1) if (a[k] !== b[k]) return b[k]! - a[k]!;
  return 0;
}
