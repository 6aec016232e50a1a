import { describe, expect, it } from "vitest";
import { ladder } from "./ladder";
import { ladderRounds } from "./rounds";

const WISH = { way: "count", jumpKg: 20, count: 3, workSets: 2 } as const;

describe("the rounds of several lifters", () => {
  it("bring everybody to the work sets in the same round", () => {
    const rounds = ladderRounds([100, 25], 20, { ...WISH, way: "jumps" });
    const [ann, bo] = [0, 1].map((l) => rounds.map((round) => round[l]));
    expect(ann!.filter(Boolean)).toHaveLength(
      ladder({ workKg: 100, emptyKg: 20, way: "jumps", jumpKg: 20, count: 3 }).length + 1,
    );
    expect(ann!.findIndex((set) => set?.isWork)).toBe(bo!.findIndex((set) => set?.isWork));
    expect(bo![0]).toBeNull();
    for (const sets of [ann!, bo!]) expect(sets.slice(-2).every((set) => set?.isWork)).toBe(true);
  });
  it("never go down before the work set, and are nothing for nobody", () => {
    const [first] = [ladderRounds([140], 20, WISH).map(([set]) => set!.targetKg)];
    expect(first).toEqual([...first!].sort((a, b) => a - b));
    expect(ladderRounds([], 20, WISH)).toEqual([]);
  });
});
