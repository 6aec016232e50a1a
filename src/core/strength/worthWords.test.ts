import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays } from "../units/hallDay";
import type { BarWorth } from "./estimates";
import type { WorthPoint } from "./lifterLog";
import { MIN_LIFTERS_FOR_USUAL, reversals, worthWords, type UsualWorth } from "./worthWords";

const point = (days: number, ratio: number, band = 0.02): WorthPoint => ({
  ...{ on: addDays("2026-01-01", days), ratio, low: ratio - band, high: ratio + band },
});
const worth = (value: number, isLearning = false): BarWorth => ({
  ...{ bar: "K20", value, low: value - 0.02, high: value + 0.02, uses: isLearning ? 2 : 12, isLearning },
});
const usual = (mean: number, lifters = 5): UsualWorth => ({ mean: Math.log(mean), sd: 0.04, lifters });

describe("what a bar is worth", () => {
  const said = (past: WorthPoint[], now = worth(0.86)) => worthWords(now, past, null, 6, "weak-link").text;

  it("names the month from which it has moved, up or down, and nothing where its bands overlap", () => {
    expect(said([point(0, 0.74), point(170, 0.86)])).toMatch(/0\.86 .*up from 0\.74 in January/);
    expect(said([point(0, 0.95), point(170, 0.86)])).toMatch(/down from 0\.95 in January/);
    expect(said([point(0, 0.85), point(170, 0.86)])).not.toMatch(/from/);
  });

  it("looks back two months at least", () => {
    expect(said([point(0, 0.74), point(59, 0.86)])).not.toMatch(/from/);
    expect(said([point(0, 0.74), point(60, 0.86)])).toMatch(/from 0\.74/);
  });

  it("says how far learning has come while it goes on", () => {
    expect(said([], worth(0.8, true))).toContain("2 of 6");
    expect(said([])).not.toContain("of 6");
  });
});

describe("a guess", () => {
  const guess = (value: number, of: UsualWorth | null, side: "weak-link" | "trains" = "weak-link") =>
    worthWords(worth(value), [], of, 6, side).hypothesis;

  it("comes where a worth is far from the gym's usual, and says another thing by either school", () => {
    const [link, trains] = [guess(0.7, usual(0.9)), guess(0.7, usual(0.9), "trains")];
    expect(link).toContain("0.90");
    expect(trains).toContain("0.90");
    expect(link).not.toBe(trains);
    expect(guess(1.1, usual(0.9))).toContain("Higher");
  });

  it("is none near the usual, without one, of too few lifters, or while learning", () => {
    expect(guess(0.88, usual(0.9))).toBeNull();
    expect(guess(0.7, null)).toBeNull();
    expect(guess(0.7, usual(0.9, MIN_LIFTERS_FOR_USUAL - 1))).toBeNull();
    expect(worthWords(worth(0.7, true), [], usual(0.9), 6, "trains").hypothesis).toBeNull();
  });

  it("asks what changed where the better of two bars is the other one now", () => {
    const turned = [point(0, 0.9), point(120, 1.1)];
    expect(worthWords(worth(1.1), turned, null, 6, "trains").hypothesis).toContain("reversed");
    expect(worthWords(worth(1.1), turned.slice(1), null, 6, "trains").hypothesis).toBeNull();
  });
});

describe("bars that overtook one another", () => {
  it("are told with the last day on which the other was ahead", () => {
    const past = new Map([
      ["K18", [point(0, 0.8), point(50, 0.86), point(100, 0.95)]],
      ["K20", [point(0, 0.9), point(100, 0.9)]],
    ]);
    expect(reversals(past)).toEqual([{ now: "K18", before: "K20", since: addDays("2026-01-01", 50) }]);
  });

  it("never overtake one another both ways, nor where one point is known, nor by less than can be felt", () => {
    const history = fc
      .array(fc.tuple(fc.integer({ min: 0, max: 200 }), fc.double({ min: 0.6, max: 1.2, noNaN: true })), {
        minLength: 1,
        maxLength: 6,
      })
      .map((all) => all.toSorted(([a], [b]) => a - b).map(([days, ratio]) => point(days, ratio)));
    fc.assert(
      fc.property(history, history, history, (a, b, c) => {
        const past = new Map([
          ["A", a],
          ["B", b],
          ["C", c],
        ]);
        const found = reversals(past);
        for (const { now, before, since } of found) {
          expect(found.some((other) => other.now === before && other.before === now)).toBe(false);
          expect(past.get(now)!.length).toBeGreaterThan(1);
          expect(past.get(now)!.at(-1)!.ratio - past.get(before)!.at(-1)!.ratio).toBeGreaterThanOrEqual(0.02);
          expect([...a, ...b, ...c].some(({ on }) => on === since)).toBe(true);
        }
      }),
    );
  });
});
