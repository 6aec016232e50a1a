import { describe, expect, it } from "vitest";
import { FAMILIES, FAMILY_KEYS } from "../bars/families";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { drawnSizes } from "./drawnSizes";

describe("the sizes a bar is drawn with", () => {
  it("are its own where they are known, from seat to seat", () => {
    const sizes = drawnSizes(testBar({ ...MENS_BAR }));
    expect(sizes).toMatchObject({ shaftDiameter: 28, halfShaft: 655, sleeveLength: 415, sleeveDiameter: 50 });
    // Half of 1310 mm between the collars and one collar of 30 mm.
    expect(sizes.seat).toBe(685);
    expect(sizes.assumed).toEqual([]);
  });

  it.each(FAMILY_KEYS)("are all known, and said to be assumed, of a %s of which nobody measured anything", (family) => {
    const { assumed, ...sizes } = drawnSizes(testBar({}, { family }));
    for (const size of Object.values(sizes)) expect(Number.isFinite(size) && size >= 0).toBe(true);
    expect(sizes.seat).toBeGreaterThan(sizes.halfShaft);
    expect(sizes.yokeWidth).toBeLessThan(2 * sizes.halfShaft);
    expect(new Set(assumed).size).toBe(assumed.length);
    expect(assumed.length).toBeGreaterThanOrEqual(FAMILIES[family].form === "straight" ? 3 : 2);
  });

  it("name only what is missing and is drawn", () => {
    const cambered = testBar({ ...MENS_BAR, camberDrop: stated(310) }, { family: "cambered" });
    const known = drawnSizes(cambered);
    expect(known.camberDrop).toBe(310);
    expect(known.assumed).toHaveLength(1);
    const straight = drawnSizes(testBar({ ...MENS_BAR }));
    expect(straight.camberDrop).toBe(0);
  });

  it("keep a raised part inside the collars, whatever its record says", () => {
    const yoke = testBar({ ...MENS_BAR, rackSpanOuter: stated(1500) }, { family: "yoke" });
    expect(drawnSizes(yoke).yokeWidth).toBe(1290);
  });
});
