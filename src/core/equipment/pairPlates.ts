/** One plate that was put on the scale by itself. */
export interface WeighedPlate {
  mark: string;
  /** Exact, in units of 10⁻¹⁰ kg. */
  massUnits: number;
}

export interface PlatePair {
  plates: readonly [WeighedPlate, WeighedPlate];
  /** How much heavier one side is than the other with this pair, in units of 10⁻¹⁰ kg. */
  differenceUnits: number;
}

export interface Pairing {
  pairs: PlatePair[];
  /** The plate that is left when their number is odd. */
  single: WeighedPlate | null;
}

/**
 * Pairs plates of one kind so that the differences between the two sides are least in sum: neighbours by mass belong
 * together. Of an odd number the one is left out whose absence makes the sum least.
 *
 * @returns pairs with their differences in mass units, and the one that is left over or null
 *
 * @example pairPlates of 10.0, 10.3, 10.1, 10.25 // (10.0, 10.1) and (10.25, 10.3)
 */
export function pairPlates(plates: readonly WeighedPlate[]): Pairing {
  const sorted = plates.toSorted((a, b) => a.massUnits - b.massUnits || (a.mark < b.mark ? -1 : 1));
  if (sorted.length % 2 === 0) return { pairs: neighbours(sorted), single: null };
  let best: Pairing | null = null;
  // Leaving out any but every second plate cannot be better: the rest would pair across it.
  for (let out = 0; out < sorted.length; out += 2) {
    const pairs = neighbours(sorted.filter((_, i) => i !== out));
    if (!best || sumOf(pairs) < sumOf(best.pairs)) best = { pairs, single: sorted[out]! };
  }
  return best!;
}

function neighbours(sorted: readonly WeighedPlate[]): PlatePair[] {
  return Array.from({ length: sorted.length / 2 }, (_, i) => {
    const [a, b] = [sorted[2 * i]!, sorted[2 * i + 1]!];
    return { plates: [a, b] as const, differenceUnits: b.massUnits - a.massUnits };
  });
}

const sumOf = (pairs: readonly PlatePair[]) => pairs.reduce((sum, { differenceUnits }) => sum + differenceUnits, 0);
