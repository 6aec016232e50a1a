/* Whether a bar turns over, by statics written apart from the product's own. */

export interface Disc {
  kg: number;
  mm: number;
}

/**
 * Moments about one J-cup of every weight on the bar, one after the other; with a fifth in reserve. Inside first.
 *
 * @returns true where it tips to either side
 */
export function turnsOver(
  bar: { kg: number; seatToSeatMm: number },
  halfMm: number,
  left: readonly Disc[],
  right: readonly Disc[],
): boolean {
  const weights: { kg: number; xMm: number }[] = [{ kg: bar.kg, xMm: 0 }];
  for (const [side, discs] of [
    [-1, left],
    [1, right],
  ] as const) {
    let edge = bar.seatToSeatMm / 2;
    for (const { kg, mm } of discs) {
      weights.push({ kg, xMm: side * (edge + mm / 2) });
      edge += mm;
    }
  }
  return [-1, 1].some((side) => {
    const arms = weights.map(({ kg, xMm }) => kg * (side * xMm - halfMm));
    const over = arms.filter((moment) => moment > 0).reduce((sum, moment) => sum + moment, 0);
    const hold = -arms.filter((moment) => moment < 0).reduce((sum, moment) => sum + moment, 0);
    return over > 0.8 * hold + 1e-9;
  });
}
