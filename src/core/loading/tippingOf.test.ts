import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../units/exactMass";
import { sideOrder, tippingOf } from "./tippingOf";

const RACK = { barKg: 20, seatToSeatMm: 1370, rackHalfSpacingMm: 545 };
const plates = (...kgs: number[]) =>
  kgs.map((kg) => ({ massUnits: massUnitsFromKg(kg), thicknessMm: 40 as number | null }));
const CLAMP = { pairMassUnits: massUnitsFromKg(0.5), widthMm: 30 };

describe("in which order the sides are changed at a rack", () => {
  it("lets light plates be moved side by side, and asks for turns where stripping would tip", () => {
    const [light, heavy] = [tippingOf(RACK, plates(5), null), tippingOf(RACK, plates(25, 25, 25), null)];
    expect(sideOrder({ tipping: light, off: 1 }, { tipping: light, on: 1 }, false)).toBe("either");
    // Three 25s off one side: the other side pulls the bar over (handbook §10).
    expect(heavy.maxOneSidedRemoval.left).toBeLessThan(3);
    expect(sideOrder({ tipping: heavy, off: 3 }, { tipping: light, on: 0 }, false)).toBe("turns");
    expect(sideOrder({ tipping: light, off: 0 }, { tipping: heavy, on: 3 }, false)).toBe("turns");
    expect(sideOrder({ tipping: heavy, off: 0 }, { tipping: heavy, on: 0 }, true)).toBe("either");
  });
  it("counts the clamp as a piece that comes off first", () => {
    const loaded = tippingOf(RACK, plates(20, 20), CLAMP);
    const most = loaded.maxOneSidedRemoval.left;
    expect(most).toBeGreaterThan(0);
    expect(sideOrder({ tipping: loaded, off: most }, { tipping: loaded, on: 0 }, false)).toBe("either");
    expect(sideOrder({ tipping: loaded, off: most }, { tipping: loaded, on: 0 }, true)).toBe("turns");
  });
  it("says when not even one plate at a time is safe: a light bar with big plates", () => {
    const wide = { ...RACK, barKg: 7, rackHalfSpacingMm: 400 };
    const loaded = tippingOf(wide, plates(25, 25), null);
    expect(loaded.safeUnloadOrder).toBeNull();
    expect(sideOrder({ tipping: loaded, off: 1 }, { tipping: loaded, on: 0 }, false)).toBe("both-at-once");
  });
  it("takes a plate that nobody measured as a thick one: the safe side", () => {
    const unknown = tippingOf(RACK, [{ massUnits: massUnitsFromKg(25), thicknessMm: null }], null);
    const thick = tippingOf(RACK, [{ massUnits: massUnitsFromKg(25), thicknessMm: 50 }], null);
    expect(unknown).toEqual(thick);
  });
});
