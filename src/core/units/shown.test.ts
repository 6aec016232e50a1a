import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { KG_PER_LB, MM_PER_IN } from "./constants";
import {
  fieldNumber,
  heightText,
  inchFraction,
  METRIC,
  saidIn,
  shownLength,
  shownMass,
  typedIn,
  type Units,
  unitName,
} from "./shown";
import { convertTyped, readTyped } from "./typedQuantity";

const LB_IN: Units = { mass: "lb", length: "in" };

describe("how tall someone is", () => {
  it("is said to the centimetre, or in feet and whole inches", () => {
    expect([1798, 1800, 2010].map((mm) => heightText(mm, METRIC))).toEqual(["1.80 m", "1.80 m", "2.01 m"]);
    expect([1803, 1880, 1828.8].map((mm) => heightText(mm, LB_IN))).toEqual(["5 ft 11 in", "6 ft 2 in", "6 ft 0 in"]);
    // Never 5 ft 12 in.
    expect(heightText(1826, LB_IN)).toBe("6 ft 0 in");
  });
});

describe("units that a person reads", () => {
  it("are kg and mm, or lb and inches by the yard and pound of 1959", () => {
    expect([shownMass(20, 2, METRIC), shownMass(20.41165665, 2, LB_IN), shownMass(100, 1, LB_IN)]).toEqual([
      "20",
      "45",
      "220",
    ]);
    expect([shownLength(1310, 0, METRIC), shownLength(1310, 0, LB_IN), shownLength(25.4, 1, LB_IN)]).toEqual([
      "1310",
      "51 9/16",
      "1",
    ]);
    // A shaft's diameter: what half a millimetre does must be seen.
    expect([28, 28.5, 29].map((mm) => shownLength(mm, 1, LB_IN))).toEqual(["1.102", "1.122", "1.142"]);
  });
  it("say lengths to the nearest 1/32 in", () => {
    fc.assert(
      fc.property(fc.integer({ min: -96_000, max: 96_000 }), (parts) => {
        const text = inchFraction(parts / 1000);
        const [, sign, whole, top, below] = /^(-?)(?:(\d+)(?: |$))?(?:(\d+)\/(\d+))?$/.exec(text)!;
        const value = (sign ? -1 : 1) * (Number(whole ?? 0) + Number(top ?? 0) / Number(below ?? 1));
        expect(Math.abs(value - parts / 1000)).toBeLessThanOrEqual(1 / 64 + 1e-9);
        // In lowest terms.
        if (top) expect(Number(top) % 2).toBe(1);
      }),
      { seed: 20, numRuns: 500 },
    );
  });
  it("are said in sentences too, but not of plates, which bear their own mark, and not of ratios", () => {
    const said = (text: string) => saidIn(text, LB_IN);
    expect(said("At 220 kg the hands rise 27.5 mm on K04.")).toBe("At 485 lb the hands rise 1.083 in on K04.");
    expect(said("K20 may carry 100 kg; 140 kg is planned.")).toBe("K20 may carry 220 lb; 309 lb is planned.");
    expect(said("from 40 to 60 kg")).toBe("from 88.2 to 132 lb");
    expect(said("20 of 25 mm of sleeve")).toBe("25/32 of 31/32 in of sleeve");
    expect(said("off by −1.2 kg and +0.4 kg")).toBe("off by −2.6 lb and +0.9 lb");
    expect(said("1,310 mm between the collars")).toBe("51 9/16 in between the collars");
    for (const same of ["27 N/mm", "0.68 kg a mm", "25 kg plates", "6 kg/m", "12 mg", "K20 mm2"])
      expect(said(same)).toBe(same);
    expect(said("20.11 · 20.1 · 20.12 kg, then 27 · 26.98 mm")).toBe("44.33 · 44.31 · 44.36 lb, then 1.063 · 1.062 in");
    expect(saidIn("At 220 kg", METRIC)).toBe("At 220 kg");
    expect(saidIn("27.5 mm at 220 kg", { mass: "lb", length: "mm" })).toBe("27.5 mm at 485 lb");
  });
  it("hold for what is typed without a unit, and only for that", () => {
    expect(typedIn("45", "kg", LB_IN)).toBe("45 lb");
    expect(typedIn(" 1 1/8 ", "mm", LB_IN)).toBe("1 1/8 in");
    for (const [text, unit] of [
      ["45 kg", "kg"],
      ["6 ft 4", "mm"],
      ["much", "mm"],
      ["", "kg"],
      ["12", "s"],
    ] as const)
      expect(typedIn(text, unit, LB_IN)).toBe(text);
    expect(typedIn("45", "kg", METRIC)).toBe("45");
    expect([unitName("kg", LB_IN), unitName("mm", LB_IN), unitName("N·m", LB_IN)]).toEqual(["lb", "in", "N·m"]);
  });
  it("come back from a field as they went in", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2_000_000 }), fc.constantFrom("kg", "mm"), (thousandths, unit) => {
        const value = thousandths / 1000;
        const typed = readTyped(typedIn(fieldNumber(value, unit, LB_IN), unit, LB_IN), unit as "kg")!;
        const step = unit === "kg" ? 0.005 * KG_PER_LB : 0.0005 * MM_PER_IN;
        expect(Math.abs(convertTyped(typed) - value)).toBeLessThanOrEqual(step + 1e-9);
      }),
      { seed: 20, numRuns: 500 },
    );
  });
});
