import type { SessionQuestion } from "./sessionQuestion";
import type { SideWays } from "./sideWays";

/**
 * Least handled when not every choice of plates could be listed: a mass moves at most one plate at a time, and the
 * heaviest plates at hand make it with fewest.
 *
 * @returns a count of plates, one side
 */
export function massBound(
  { plates, start, endsEmpty, toleranceUnits = 0 }: SessionQuestion,
  ways: readonly SideWays[],
  isEmptiedBefore: readonly boolean[],
): number {
  if (ways.length === 0) return endsEmpty ? start.length : 0;
  const slack = Math.floor(toleranceUnits / 2);
  const heaviestFirst = [...plates].sort((a, b) => b.massUnits - a.massUnits);
  const heaviest = Math.max(1, heaviestFirst[0]?.massUnits ?? 1);
  const fewest = ways.map(({ massUnits }) => fewestPlates(heaviestFirst, massUnits - slack));
  const between = (a: number, b: number, slacks: number) =>
    Math.max(0, Math.ceil((Math.abs(a - b) - slacks) / heaviest - 1e-9));
  const massOf = new Map(plates.map(({ id, massUnits }) => [id, massUnits]));
  const startUnits = start.reduce((sum, id) => sum + (massOf.get(id) ?? 0), 0);
  let sum = start.length === 0 ? fewest[0]! : between(startUnits, ways[0]!.massUnits, slack);
  for (let i = 1; i < ways.length; i += 1)
    sum += isEmptiedBefore[i]
      ? fewest[i - 1]! + fewest[i]!
      : between(ways[i]!.massUnits, ways[i - 1]!.massUnits, 2 * slack);
  const throughLast = sum + (endsEmpty ? fewest.at(-1)! : 0);
  // From empty to empty, every plate of the fullest set goes on and comes off.
  const ofFullest = start.length === 0 ? Math.max(...fewest) * (endsEmpty ? 2 : 1) : 0;
  return Math.max(throughLast, ofFullest);
}

function fewestPlates(heaviestFirst: SessionQuestion["plates"], massUnits: number): number {
  let left = massUnits;
  let plates = 0;
  for (const { massUnits: each, pairs } of heaviestFirst) {
    if (left <= 0) break;
    const used = Math.min(pairs, Math.ceil(left / each));
    plates += used;
    left -= used * each;
  }
  return plates;
}
