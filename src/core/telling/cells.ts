import { type SeenBar, TOLD_APART_MM, type Trait } from "./traits";

/** One answer to a question about some bars: those that it leaves. */
export interface Cell {
  /** The word, or null where it is a range of sizes. */
  word: string | null;
  /** The least and the greatest size in it, in mm; null where it is a word. */
  range: readonly [number, number] | null;
  /** Which bars it leaves, by their place in the list. A bar of which the trait is not known is left by every answer. */
  bars: readonly number[];
}

/**
 * The answers that tell some bars apart by a trait: a word each, or ranges of sizes with a gap between them that a hand or
 * an eye notices. Among few bars more is told apart than on a whole wall.
 *
 * @param among places in the list of the bars that it can still be
 * @returns nothing where the trait tells none of them apart
 */
export function cellsOf(seen: readonly SeenBar[], among: readonly number[], trait: Trait): Cell[] {
  const unknown = among.filter((i) => seen[i]!.traits[trait] === null);
  const known = among.filter((i) => seen[i]!.traits[trait] !== null);
  const gap = TOLD_APART_MM[trait];
  const groups = gap === undefined ? byWord(seen, known, trait) : bySize(seen, known, trait, gap);
  if (groups.length < 2) return [];
  return groups.map(({ bars, ...rest }) => ({ ...rest, bars: [...bars, ...unknown].sort((a, b) => a - b) }));
}

function byWord(seen: readonly SeenBar[], known: readonly number[], trait: Trait): Cell[] {
  const words = [...new Set(known.map((i) => seen[i]!.traits[trait] as string))].sort();
  return words.map((word) => ({ word, range: null, bars: known.filter((i) => seen[i]!.traits[trait] === word) }));
}

function bySize(seen: readonly SeenBar[], known: readonly number[], trait: Trait, gap: number): Cell[] {
  const size = (i: number) => seen[i]!.traits[trait] as number;
  const cells: { word: null; range: [number, number]; bars: number[] }[] = [];
  for (const i of known.toSorted((a, b) => size(a) - size(b))) {
    const last = cells.at(-1);
    if (last && size(i) - last.range[1] < gap) {
      last.bars.push(i);
      last.range[1] = size(i);
    } else cells.push({ word: null, range: [size(i), size(i)], bars: [i] });
  }
  return cells;
}
