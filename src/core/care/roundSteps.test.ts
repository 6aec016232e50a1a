import fc from "fast-check";
import { expect, it } from "vitest";
import { CARE_TASKS } from "./careTasks";
import { isBySides, nextRoundStep, NO_SIDES, type Sides } from "./roundSteps";

/** Walks a round to its end: what was done, step by step. */
function walk(open: readonly string[], late: readonly string[] = []): string[] {
  const said: string[] = [];
  let left = [...open];
  let sides: Sides = NO_SIDES;
  for (;;) {
    const step = nextRoundStep(left, sides);
    if (step === null) return said;
    if (step.kind === "turn") {
      said.push(`turn ${step.tags.join(" ")}`);
      sides = { ...sides, isTurned: true };
      left = [...left, ...late];
      continue;
    }
    said.push(`${step.tag} ${step.side}`);
    if (step.side === "first") sides = { ...sides, first: [...sides.first, step.tag] };
    else left = left.filter((tag) => tag !== step.tag);
  }
}

it("does one side of every bar, then all turned over for the other", () => {
  expect(walk(["K01", "K02", "K03"])).toEqual([
    "K01 first",
    "K02 first",
    "K03 first",
    "turn K01 K02 K03",
    "K01 second",
    "K02 second",
    "K03 second",
  ]);
  expect(walk([])).toEqual([]);
  expect(walk(["K01"], ["K09"]).slice(1)).toEqual(["turn K01", "K01 second", "K09 both"]);
});

it("is how sleeves are done, and nothing else: their steps say so", () => {
  expect(Object.keys(CARE_TASKS).filter(isBySides)).toEqual(["sleeves"]);
  expect(CARE_TASKS.sleeves.steps.join(" ")).toContain("One side of every bar, then all turned over");
});

it("does every side of every bar once and turns once, whichever bars are passed over on the way", () =>
  fc.assert(
    fc.property(fc.uniqueArray(fc.stringMatching(/^K\d\d$/), { maxLength: 30 }), fc.nat(), (tags, seed) => {
      // Some are passed over when their first side comes up: they never come back.
      const skipped = tags.filter((_, i) => (seed >> (i % 30)) % 3 === 1);
      let left = tags;
      let sides: Sides = NO_SIDES;
      const seen: string[] = [];
      let turns = 0;
      for (let step = nextRoundStep(left, sides); step !== null; step = nextRoundStep(left, sides)) {
        if (step.kind === "turn") {
          turns += 1;
          sides = { ...sides, isTurned: true };
        } else if (step.side === "first" && !skipped.includes(step.tag)) {
          seen.push(`${step.tag} first`);
          sides = { ...sides, first: [...sides.first, step.tag] };
        } else {
          const { tag, side } = step;
          if (side !== "first") seen.push(`${tag} ${side}`);
          left = left.filter((one) => one !== tag);
        }
      }
      const kept = tags.filter((tag) => !skipped.includes(tag));
      expect(seen).toEqual([...kept.map((tag) => `${tag} first`), ...kept.map((tag) => `${tag} second`)]);
      expect(turns).toBe(kept.length > 0 ? 1 : 0);
    }),
  ));
