import { describe, expect, it } from "vitest";
import { KG_PER_LB } from "@/core/units/constants";
import { loadAddress, readLoadState, startTarget } from "./loadState";

describe("the Load screen's address", () => {
  it("starts with 100 kg or 225 lb, racked, as near as the gym wants", () => {
    expect(readLoadState({})).toMatchObject({
      target: "100",
      targetKg: 100,
      unit: "kg",
      ending: "racked",
      withinKg: null,
      rounding: "nearest",
      only: null,
      onBar: [],
    });
    expect(readLoadState({ unit: "lb" }).target).toBe("225");
  });
  it("opens with a usual load that the bar may carry and that is more than the bar", () => {
    expect(startTarget("kg", null, 20)).toBe("100");
    expect(startTarget("kg", 90, 20)).toBe("80");
    expect(startTarget("kg", 34, 20.5)).toBe("30");
    expect(startTarget("kg", 22, 20.5)).toBe("20.5");
    expect(startTarget("lb", 100 * KG_PER_LB, 20)).toBe("95");
  });
  it("keeps what was typed when it is no load", () => {
    for (const target of ["heavy", "0", "-5", "2001", ""])
      expect(readLoadState({ target })).toMatchObject({ target, targetKg: null });
  });
  it("takes a unit written into the field", () =>
    expect(readLoadState({ target: "225 lb" }).targetKg).toBeCloseTo(102.058, 3));
  it("keeps the load when the unit changes", () => {
    const state = readLoadState({ target: "100kg", unit: "lb" });
    expect(state.target).toBe("220.46");
    expect(state.targetKg).toBe(100);
  });
  it("says only what differs from the start, and reads back what it says", () => {
    expect(loadAddress(readLoadState({ bar: "K11" }))).toBe("/load?bar=K11&target=100kg");
    const state = readLoadState({
      bar: "K11",
      target: "142.5",
      ending: "dropped",
      within: "0",
      only: "kg",
      on: "r25,r10",
    });
    const address = new URL(loadAddress(state), "http://hall");
    expect(readLoadState(Object.fromEntries(address.searchParams))).toEqual(state);
  });
});
