import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { childOf, singleStack, stackTrie, type StackTrie } from "./stackTrie";

/** The stack of a node, inside first, read from its parents. */
function stackOf({ parent, kind }: StackTrie, node: number): string {
  return node === 0 ? "" : stackOf({ parent, kind } as StackTrie, parent[node]!) + String(kind[node]);
}
const stacksOf = (trie: StackTrie) =>
  [...trie.isStack.entries()].flatMap(([node, is]) => (is === 1 ? [stackOf(trie, node)] : [])).sort();

/** Every order of some plates, by trying all. */
function orders(plates: readonly number[]): string[] {
  if (plates.length === 0) return [""];
  return plates.flatMap((plate, i) => orders(plates.toSpliced(i, 1)).map((rest) => `${plate}${rest}`));
}
const platesOf = (way: readonly number[]) => way.flatMap((count, kind) => Array<number>(count).fill(kind));
const NO_LIMIT = { maxStacks: 1e6 };

const way = fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 3 });
const ways = fc.array(way, { minLength: 1, maxLength: 4 });
const asBytes = (all: readonly (readonly number[])[]) => all.map((one) => Uint8Array.from(one));

describe("ordered stacks", () => {
  it("of any order are what trying every order gives, each once", () => {
    fc.assert(
      fc.property(ways, (all) => {
        const trie = stackTrie(asBytes(all), [[0, 1, 2]], NO_LIMIT)!;
        expect(stacksOf(trie)).toEqual([...new Set(all.flatMap((one) => orders(platesOf(one))))].sort());
      }),
    );
  });

  it("of one order are one for each choice, the first group inside", () => {
    fc.assert(
      fc.property(ways, fc.shuffledSubarray([0, 1, 2], { minLength: 3 }), (all, order) => {
        const groups = order.map((kind) => [kind]);
        const trie = stackTrie(asBytes(all), groups, NO_LIMIT)!;
        const one = (own: readonly number[]) => order.map((kind) => String(kind).repeat(own[kind]!)).join("");
        expect(stacksOf(trie)).toEqual([...new Set(all.map(one))].sort());
      }),
    );
  });

  it("share their inner parts: a node comes after the one inside it, and is found from there by its kind", () => {
    fc.assert(
      fc.property(ways, (all) => {
        const trie = stackTrie(asBytes(all), [[0], [1, 2]], NO_LIMIT)!;
        const seen = new Set<string>();
        for (let node = 1; node < trie.nodes; node += 1) {
          const inside = trie.parent[node]!;
          expect(inside).toBeLessThan(node);
          expect(trie.depth[node]).toBe(trie.depth[inside]! + 1);
          expect(childOf(trie, inside, trie.kind[node]!)).toBe(node);
          seen.add(stackOf(trie, node));
        }
        expect(seen.size).toBe(trie.nodes - 1);
        expect(childOf(trie, 0, 9)).toBe(-1);
      }),
    );
  });

  it("are none beyond what is allowed, or when time is over", () => {
    const six = [Uint8Array.from([1, 1, 1])];
    expect(stackTrie(six, [[0, 1, 2]], { maxStacks: 6 })).not.toBeNull();
    expect(stackTrie(six, [[0, 1, 2]], { maxStacks: 5 })).toBeNull();
    const many = [Uint8Array.from([3, 3, 3])];
    let asked = 0;
    expect(stackTrie(many, [[0, 1, 2]], { ...NO_LIMIT, isOver: () => ++asked > 0 })).toBeNull();
    expect(asked).toBe(1);
  });

  it("of a single stack is that stack, whatever its length", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 100 }), (plates) => {
        const trie = singleStack(plates);
        expect(stacksOf(trie)).toEqual([plates.join("")]);
        expect(trie.nodes).toBe(plates.length + 1);
      }),
    );
  });
});
