import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Reason, VERDICTS } from "./verdict";
import { FACTOR_WORDS, whyOf } from "./why";

const FACTORS = Object.keys(FACTOR_WORDS);
const reason = (factor: string, atBest: Reason["atBest"]): Reason => ({
  ...{ factor, atBest, basis: "data", text: `${factor}, ${atBest}` },
});

describe("why a bar stands where it does", () => {
  it("is first what earned it its place, then what counts against it, the worst first", () => {
    const { first, against, forIt } = whyOf([
      reason("order", "good"),
      reason("family", "made-for"),
      reason("rating", "made-for"),
      reason("rack", "poor"),
      reason("comfort", "made-for"),
    ]);
    expect(first!.factor).toBe("comfort");
    expect(against.map(({ factor }) => factor)).toEqual(["rack", "order"]);
    expect(forIt.map(({ factor }) => factor)).toEqual(["family", "rating"]);
  });
  it("is the family where a bar is only good at it, before numbers that any bar has", () => {
    expect(whyOf([reason("stiffness", "made-for"), reason("family", "good")]).first!.factor).toBe("family");
    expect(whyOf([reason("stiffness", "made-for"), reason("family", "poor")]).first!.factor).toBe("stiffness");
  });
  it("says every reason once, and never begins with care that is late while anything else is there", () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.constantFrom(...FACTORS), fc.constantFrom(...VERDICTS)), {
          selector: ([factor]) => factor,
        }),
        (list) => {
          const reasons = list.map(([factor, atBest]) => reason(factor, atBest));
          const { first, against, forIt } = whyOf(reasons);
          const all = [...(first ? [first] : []), ...against, ...forIt];
          expect(all).toHaveLength(reasons.length);
          expect(new Set(all)).toEqual(new Set(reasons));
          if (first?.factor === "order")
            expect(
              reasons.every(
                ({ factor, atBest }) =>
                  factor === "order" ||
                  atBest !== "made-for" ||
                  ["near", "free", "rating", "findings"].includes(factor),
              ),
            ).toBe(true);
          expect(forIt.every(({ atBest }) => atBest === "made-for")).toBe(true);
          // What is wrong with a bar never speaks for it.
          expect([...forIt, first].some((one) => one?.factor === "findings")).toBe(false);
        },
      ),
      { seed: 20, numRuns: 500 },
    ));
});
