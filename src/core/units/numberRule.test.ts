import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readNumberRule } from "./numberRule";

const SEED = 20;

describe("a number that a gym chooses", () => {
  const tall = { label: "tall from", unit: "mm", range: [1500, 2300] } as const;
  it("may be typed in any unit of its kind, with a comma, with its own unit or without", () => {
    const values = (rule: Parameters<typeof readNumberRule>[0], ...texts: string[]) =>
      texts.map((text) => {
        const read = readNumberRule(rule, text);
        return read.ok ? read.value : null;
      });
    expect(values(tall, "1900", "1.9 m", "190 cm", "6 ft 3", "75 in", "short")).toEqual([
      1900,
      1900,
      1900,
      1905,
      1905,
      null,
    ]);
    const within = { label: "right within", unit: "kg", range: [0, 2.5] } as const;
    expect(values(within, "0,25", "0.25 kg", "1 lb", "250 g", "3")).toEqual([0.25, 0.25, 0.45359237, 0.25, null]);
    expect(values({ label: "share", unit: "%", range: [10, 100] }, "60", "60 %", "60%", "60 kg", "1e2")).toEqual([
      60,
      60,
      60,
      null,
      null,
    ]);
  });
  it("is named as its field is, with what was read and what would be right", () => {
    const read = readNumberRule(tall, " 3 m ");
    expect(read.ok ? "" : read.message).toMatch(/^tall from: .*3 m.*1500.*2300 mm$/);
  });
  it("takes exactly what lies in its range, and never what is no number (property)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (value) => {
        expect(readNumberRule(tall, String(value)).ok).toBe(value >= 1500 && value <= 2300);
      }),
      { seed: SEED, numRuns: 300 },
    );
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), fc.constantFrom("mm", "kg", "%", ""), (text, unit) => {
        const read = readNumberRule({ label: "x", unit, range: [-1e9, 1e9] }, text);
        if (read.ok) {
          expect(Number.isFinite(read.value)).toBe(true);
          expect(text).toMatch(/\d|[½¼¾⅛⅜⅝⅞]/);
        }
      }),
      { seed: SEED, numRuns: 1000 },
    );
  });
});
