import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { momentAxis, roundAxis } from "./chartAxes";

/* Axes that a person can read: equal steps of 1, 2 or 5, months where they begin. */

const step = ({ ticks }: { ticks: number[] }) => ticks[1]! - ticks[0]!;
const at = (day: string) => Date.parse(`${day}T12:00:00Z`);

describe("an axis of values", () => {
  it.each([
    [165.2, 179.7, [165, 170, 175, 180]],
    [0.82, 1.0, [0.8, 0.85, 0.9, 0.95, 1]],
    [0, 1.38, [0, 0.5, 1, 1.5]],
    [0, 4390, [0, 1000, 2000, 3000, 4000, 5000]],
    [1.4, 11.7, [0, 2, 4, 6, 8, 10, 12]],
  ])("from %d to %d has round figures", (least, most, figures) => {
    const { domain, ticks } = roundAxis(least, most);
    expect(ticks.map((one) => Math.round(one * 1000) / 1000)).toEqual(figures);
    expect(domain).toEqual([ticks[0], ticks.at(-1)]);
  });
  it("holds what it is made for, between two of its figures, at steps of 1, 2 or 5 of a power of ten", () => {
    const value = fc.double({ min: -1e4, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(value, value, (a, b) => {
        const [least, most] = [Math.min(a, b), Math.max(a, b)];
        fc.pre(most - least > 1e-6);
        const axis = roundAxis(least, most);
        expect(axis.domain[0]).toBeLessThanOrEqual(least);
        expect(axis.domain[1]).toBeGreaterThanOrEqual(most);
        expect(axis.ticks.length).toBeGreaterThanOrEqual(2);
        expect(axis.ticks.length).toBeLessThanOrEqual(9);
        const digit = step(axis) / 10 ** Math.floor(Math.log10(step(axis) * 1.000001));
        expect([1, 2, 5].some((one) => Math.abs(digit - one) < 1e-3)).toBe(true);
      }),
    );
  });
  it("of one value has that in the middle", () => {
    for (const value of [0, 3, 180]) {
      const { domain } = roundAxis(value, value);
      expect(domain[0]).toBeLessThan(value);
      expect(domain[1]).toBeGreaterThan(value);
    }
  });
});

describe("an axis of moments", () => {
  it("names months where they begin", () => {
    const { ticks, text, domain } = momentAxis([at("2026-02-24"), at("2026-11-24")]);
    expect(domain).toEqual([at("2026-02-24"), at("2026-11-24")]);
    expect(ticks.map((one) => new Date(one).toISOString().slice(8, 10))).toEqual(ticks.map(() => "01"));
    expect(ticks.map(text)).toEqual(["Apr", "Jul", "Oct"]);
  });
  it("names days where it is short, each once", () => {
    const { ticks, text } = momentAxis([at("2026-11-03"), at("2026-11-24")]);
    const words = ticks.map(text);
    expect(words).toContain("8 Nov");
    expect(new Set(words).size).toBe(words.length);
  });
  it("of one moment has no place for more", () => {
    expect(momentAxis([at("2026-11-03"), at("2026-11-03")]).ticks.length).toBeLessThanOrEqual(1);
  });
});
