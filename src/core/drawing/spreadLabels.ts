/**
 * Places for labels along one line, moved onwards where they would lie on one another; their order is kept.
 *
 * @param wished where each would stand best, in mm.
 * @returns a place for each, in mm, in the order given
 *
 * @example spreadLabels([0, 10, 200], 40) // [0, 40, 200]
 */
export function spreadLabels(wished: readonly number[], leastGapMm: number): number[] {
  const order = wished.map((at, i) => ({ at, i })).sort((a, b) => a.at - b.at);
  const placed = [...wished];
  let last = -Infinity;
  for (const { at, i } of order) {
    placed[i] = Math.max(at, last + leastGapMm);
    last = placed[i];
  }
  return placed;
}
