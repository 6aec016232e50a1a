import type { ClassProblem } from "./problem";

const POINTS = [100, 80, 40, 10, -1];

/** A repeatable stream of numbers from 0 to 1. */
export function stream(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

export interface World {
  entries: number;
  stations: number;
  blocks: number;
  bars: number;
  capacities: readonly number[];
  /** So many entries belong to people who have two. */
  twice: number;
}

/** An invented class: people of a few kinds with whims, bars of a few families with differences, some stations closed. */
export function inventedClass(
  seed: number,
  { entries, stations, blocks, bars, capacities, twice }: World,
): ClassProblem {
  const random = stream(seed);
  const pick = <T>(of: readonly T[]) => of[Math.floor(random() * of.length)]!;
  const families = Math.ceil(bars / 3);
  const kinds = Array.from({ length: 8 }, () => Array.from({ length: families }, () => pick(POINTS)));
  const slots = Array.from({ length: blocks * stations }, (_, k) => ({
    block: Math.floor(k / stations),
    capacity: capacities[(k % stations) % capacities.length]!,
    bars: Array.from({ length: bars }, () => random() < 0.95),
  }));
  return {
    slots,
    entries: Array.from({ length: entries }, (_, e) => {
      const kind = pick(kinds);
      const open = Array.from({ length: stations }, () => random() < 0.7);
      return {
        person: `p${e < twice ? Math.floor(e / 2) : e}`,
        fit: Array.from({ length: bars }, (__, j) => (random() < 0.1 ? pick(POINTS) : kind[j % families]!)),
        slots: slots.map((_, k) => open[k % stations]!),
      };
    }),
  };
}
