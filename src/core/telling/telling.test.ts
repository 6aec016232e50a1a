import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cellsOf } from "./cells";
import { nextQuestion, oddsOf } from "./nextQuestion";
import { type SeenBar, TRAITS, type Trait, type TraitValue } from "./traits";

/* Which bar is this: the questions against every order of questions on small walls, and against the entropy bound. */

const SEED = 21;
const bar = (tag: string, traits: Partial<Record<Trait, TraitValue>>): SeenBar => ({
  tag,
  traits: { ...(Object.fromEntries(TRAITS.map((trait) => [trait, null])) as SeenBar["traits"]), ...traits },
});
const all = (seen: readonly SeenBar[]) => seen.map((_, i) => i);

const valueOfTrait: Record<Trait, fc.Arbitrary<TraitValue>> = {
  shape: fc.constantFrom("straight", "yoke", "frame"),
  colour: fc.constantFrom("bright", "black"),
  thickness: fc.constantFrom(25, 28, 28.5, 29, 32, 50),
  collar: fc.constantFrom(30, 36, 45),
  knurlStop: fc.constantFrom(0, 10, 60),
  centreKnurl: fc.constantFrom("none", "full"),
  marks: fc.constantFrom("none", "dual"),
  length: fc.constantFrom(1900, 2010, 2200, 2230),
  spin: fc.constantFrom("fixed", "little", "on"),
};
const wallOf = (max: number, unknown: number) =>
  fc
    .array(
      fc.record(
        Object.fromEntries(
          TRAITS.map((trait) => [
            trait,
            fc.oneof(
              { weight: 10 - unknown, arbitrary: valueOfTrait[trait] },
              { weight: unknown, arbitrary: fc.constant(null) },
            ),
          ]),
        ) as Record<Trait, fc.Arbitrary<TraitValue>>,
      ),
      { minLength: 1, maxLength: max },
    )
    .map((list) => list.map((traits, i) => bar(`B${i}`, traits)));

/** The least average number of questions, by trying every order. */
function exhaustive(seen: readonly SeenBar[], set: readonly number[]): number {
  let least: number | null = null;
  for (const trait of TRAITS) {
    const cells = cellsOf(seen, set, trait);
    if (cells.length === 0 || cells.every(({ bars }) => bars.length === set.length)) continue;
    const odds = oddsOf(cells, set.length);
    const cost = 1 + cells.reduce((sum, { bars }, i) => sum + odds[i]! * exhaustive(seen, bars), 0);
    least = least === null ? cost : Math.min(least, cost);
  }
  return least ?? 0;
}

/** Walks to a bar with true answers. */
function walk(seen: readonly SeenBar[], target: number): { steps: number; left: readonly number[] } {
  let [left, steps] = [all(seen) as readonly number[], 0];
  for (;;) {
    const asked = nextQuestion(seen, left);
    if (!asked) return { steps, left };
    steps += 1;
    left = asked.cells.find(({ bars }) => bars.includes(target))!.bars;
  }
}

describe("which bar is this", () => {
  it("tells sizes apart only where a hand or an eye does, and by what is near among those that are left", () => {
    const seen = [25, 28, 28.5, 29, 32].map((thickness, i) => bar(`B${i}`, { thickness }));
    expect(cellsOf(seen, all(seen), "thickness").map(({ range }) => range)).toEqual([
      [25, 25],
      [28, 29],
      [32, 32],
    ]);
    expect(cellsOf(seen, [1, 2, 3], "thickness")).toEqual([]);
  });
  it("leaves a bar behind every answer where nobody knows", () => {
    const seen = [bar("a", { marks: "none" }), bar("b", { marks: "dual" }), bar("c", {})];
    expect(cellsOf(seen, all(seen), "marks").map(({ word, bars }) => [word, bars])).toEqual([
      ["dual", [1, 2]],
      ["none", [0, 2]],
    ]);
  });
  it("takes as few questions as the best of all orders", () => {
    fc.assert(
      fc.property(wallOf(6, 2), (seen) => {
        const asked = nextQuestion(seen, all(seen));
        expect(asked?.isProven ?? true).toBe(true);
        expect(asked?.expected ?? 0).toBeCloseTo(exhaustive(seen, all(seen)), 9);
      }),
      { seed: SEED, numRuns: 120 },
    );
  });
  it("never takes fewer than the entropy of the wall allows (Shannon 1948, source coding)", () => {
    fc.assert(
      fc.property(wallOf(30, 0), (seen) => {
        const asked = nextQuestion(seen, all(seen));
        const ends = new Map<string, number>();
        for (const i of all(seen)) {
          const { left } = walk(seen, i);
          expect(left).toContain(i);
          ends.set(left.join(), (ends.get(left.join()) ?? 0) + 1);
        }
        const entropy = [...ends.values()].reduce((sum, n) => sum - (n / seen.length) * Math.log2(n / seen.length), 0);
        // No trait here has more than six values, so no question has more than six answers.
        const widest = 6;
        expect(asked?.expected ?? 0).toBeGreaterThanOrEqual(entropy / Math.log2(widest) - 1e-9);
      }),
      { seed: SEED, numRuns: 40 },
    );
  });
  it("takes on the way what it said it would, and never more than it said", () => {
    fc.assert(
      fc.property(wallOf(24, 0), (seen) => {
        const asked = nextQuestion(seen, all(seen));
        const steps = all(seen).map((i) => walk(seen, i).steps);
        expect(Math.max(...steps)).toBe(asked?.atMost ?? 0);
        expect(steps.reduce((a, b) => a + b, 0) / seen.length).toBeCloseTo(asked?.expected ?? 0, 9);
      }),
      { seed: SEED, numRuns: 40 },
    );
  });
  it("asks what is left when somebody cannot tell", () => {
    const seen = [bar("a", { marks: "none", spin: "on" }), bar("b", { marks: "dual", spin: "little" })];
    expect(nextQuestion(seen, [0, 1])!.trait).toBe("marks");
    expect(nextQuestion(seen, [0, 1], new Set(["marks"]))!.trait).toBe("spin");
    expect(nextQuestion(seen, [0, 1], new Set(["marks", "spin"]))).toBeNull();
  });
  it("goes on with what splits best where there is too much to weigh, and says that it is not proven", () => {
    const seen = fc.sample(wallOf(60, 1), { seed: SEED, numRuns: 30 }).toSorted((a, b) => b.length - a.length)[0]!;
    const asked = nextQuestion(seen, all(seen), new Set(), 3)!;
    expect(asked.isProven).toBe(false);
    const proven = nextQuestion(seen, all(seen))!;
    expect(proven.isProven).toBe(true);
    expect(asked.expected).toBeGreaterThanOrEqual(proven.expected - 1e-9);
  });
});
