import type { PlateKind } from "./plateKind";

/** Marks a sum that cannot be reached. Larger than any possible count of plates. */
const UNREACHABLE = 0xffff;

/**
 * Fewest plates for every reachable mass on one side, when all masses are multiples of a common step.
 * Answers "which plates, larger inside first" for a mass without searching.
 */
export interface MinCountTable {
  step: number;
  /** Number of cells: cell c stands for the mass c · step. */
  cells: number;
  /** rows[k][c]: fewest plates that make cell c from kinds k and after; row 0 is over all kinds. */
  rows: Uint16Array[];
  kinds: readonly PlateKind[];
}

/**
 * Greatest common divisor of all plate masses, in mass units.
 *
 * @returns mass units; 0 when there are no plates
 */
export function commonStep(kinds: readonly PlateKind[]): number {
  return kinds.reduce((step, { massUnits }) => gcd(step, massUnits), 0);
}

/**
 * Tabulates the fewest plates for every multiple of a step.
 *
 * @param kinds larger first; all masses multiples of `step`.
 * @param cells how many multiples of the step to tabulate, from 0.
 * @returns the fewest plates for each multiple of the step
 */
export function minCountTable(kinds: readonly PlateKind[], step: number, cells: number): MinCountTable {
  const rows: Uint16Array[] = new Array(kinds.length + 1);
  let next = new Uint16Array(cells).fill(UNREACHABLE);
  next[0] = 0;
  rows[kinds.length] = next;
  let reach = 0;
  for (let k = kinds.length - 1; k >= 0; k -= 1) {
    const { massUnits, pairs } = kinds[k]!;
    const width = massUnits / step;
    const row = next.slice();
    const most = Math.min(pairs, Math.floor((cells - 1) / width));
    // Bundles of 1, 2, 4, … plates, each used once, make every count up to the most in a few passes.
    for (let left = most, bundle = 1; left > 0; left -= bundle, bundle = Math.min(2 * bundle, left)) {
      const shift = bundle * width;
      reach = Math.min(cells - 1, reach + shift);
      for (let c = reach; c >= shift; c -= 1) {
        const plates = row[c - shift]! + bundle;
        if (plates < row[c]!) row[c] = plates;
      }
    }
    rows[k] = row;
    next = row;
  }
  return { step, cells, rows, kinds };
}

/**
 * Fewest plates for a cell, or null when it cannot be made.
 *
 * @returns a count, or null
 */
export function fewestPlates(table: MinCountTable, cell: number): number | null {
  const count = table.rows[0]![cell]!;
  return count === UNREACHABLE ? null : count;
}

/**
 * Count of each kind for a reachable cell: fewest plates, and among those the most of the largest kinds.
 *
 * @returns a count for each kind, in the order of the kinds
 */
export function countsFor(table: MinCountTable, cell: number): number[] {
  const counts: number[] = [];
  let left = cell;
  for (let k = 0; k < table.kinds.length; k += 1) {
    const { massUnits, pairs } = table.kinds[k]!;
    const width = massUnits / table.step;
    const wanted = table.rows[k]![left]!;
    const after = table.rows[k + 1]!;
    let count = Math.min(pairs, Math.floor(left / width));
    while (after[left - count * width]! + count !== wanted) count -= 1;
    left -= count * width;
    counts.push(count);
  }
  return counts;
}

function gcd(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}
