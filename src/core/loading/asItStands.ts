import type { MassUnits } from "../units/exactMass";
import { commonInnerPart, platesHandled } from "./handled";

/** What one side takes to come to another stack. */
export interface SideMove {
  /** Plates to take off, outside first. */
  off: string[];
  /** Plates to put on, in order. */
  on: string[];
}

export interface LeastChange {
  /** Both sides afterwards, inside first. */
  perSide: readonly string[];
  left: SideMove;
  right: SideMove;
  /** Plates handled, both sides together. */
  handled: number;
}

/**
 * How much heavier the left side is than the right.
 *
 * @param massOf of one plate, in mass units
 * @returns in mass units; negative where the right one is heavier
 */
export function unevenUnits(
  left: readonly string[],
  right: readonly string[],
  massOf: (id: string) => MassUnits,
): MassUnits {
  const sum = (side: readonly string[]) => side.reduce((all, id) => all + massOf(id), 0);
  return sum(left) - sum(right);
}

/**
 * How a bar that stands loaded, perhaps unevenly, comes to one of some stacks with the fewest plates handled; among
 * equals the first.
 *
 * @param stacks of one side, inside first, each as good as the others
 * @returns null where there is none
 */
export function leastChange(
  left: readonly string[],
  right: readonly string[],
  stacks: readonly (readonly string[])[],
): LeastChange | null {
  let best: LeastChange | null = null;
  for (const perSide of stacks) {
    const handled = platesHandled(left, perSide) + platesHandled(right, perSide);
    if (!best || handled < best.handled)
      best = { perSide, left: moveTo(left, perSide), right: moveTo(right, perSide), handled };
  }
  return best;
}

function moveTo(from: readonly string[], to: readonly string[]): SideMove {
  const shared = commonInnerPart(from, to);
  return { off: from.slice(shared).toReversed(), on: to.slice(shared) };
}
