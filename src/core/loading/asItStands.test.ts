import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { leastChange, unevenUnits } from "./asItStands";

/* A bar as it stands: the moves are played on two stacks of plates, as two people would. */

const PLATES = ["25", "20", "10", "5"];
const stack = fc.array(fc.constantFrom(...PLATES), { maxLength: 5 });

/** Takes off from the outside and puts on outside: anything else cannot be done with plates on a sleeve. */
function played(from: readonly string[], { off, on }: { off: string[]; on: string[] }): string[] {
  const sleeve = [...from];
  for (const plate of off) expect(sleeve.pop()).toBe(plate);
  return [...sleeve, ...on];
}

describe("a bar as it stands", () => {
  it("comes to one of the stacks on both sides, by moves that a sleeve allows, the fewest of all", () => {
    fc.assert(
      fc.property(stack, stack, fc.array(stack, { minLength: 1, maxLength: 5 }), (left, right, stacks) => {
        const least = leastChange(left, right, stacks)!;
        expect(stacks).toContainEqual(least.perSide);
        expect(played(left, least.left)).toEqual(least.perSide);
        expect(played(right, least.right)).toEqual(least.perSide);
        const moves = least.left.off.length + least.left.on.length + least.right.off.length + least.right.on.length;
        expect(least.handled).toBe(moves);
        // Every way there is, plate by plate: off down to some height that agrees, then on.
        for (const to of stacks)
          for (let i = 0; i <= Math.min(left.length, to.length); i += 1)
            for (let j = 0; j <= Math.min(right.length, to.length); j += 1)
              if (
                left.slice(0, i).join() === to.slice(0, i).join() &&
                right.slice(0, j).join() === to.slice(0, j).join()
              )
                expect(least.handled).toBeLessThanOrEqual(left.length + right.length + 2 * to.length - 2 * i - 2 * j);
      }),
      { seed: 21, numRuns: 300 },
    );
  });
  it("says by how much the left side is heavier, and nothing where they weigh alike", () => {
    const massOf = (id: string) => Number(id);
    expect(unevenUnits(["25", "5"], ["25"], massOf)).toBe(5);
    expect(unevenUnits(["20"], ["10", "10"], massOf)).toBe(0);
    expect(leastChange(["25"], ["25"], [])).toBeNull();
  });
});
