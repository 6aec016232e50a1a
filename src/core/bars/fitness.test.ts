import { describe, expect, it, test } from "vitest";
import { BAR_STATES } from "./bar";
import { outOfUseText, planBreaks, planWarnings } from "./fitness";
import { MENS_BAR, stated, testBar } from "./testBar.fixture";

const RACK = { name: "Rack 1", kind: "rack" as const, supportSpacingMm: 1090 };
const bar = (more: object = {}) => testBar(MENS_BAR, { tag: "K1", rating: { kg: 200, basis: "total" }, ...more });

describe("whether a plan with a bar holds", () => {
  test.each(BAR_STATES.map((state) => [state]))("in state %s", (state) => {
    const isOut = ["quarantined", "retired", "on-order"].includes(state);
    const one = bar({ state, stateReason: "a crack" });
    expect(outOfUseText(one) !== null).toBe(isOut);
    expect(planBreaks(one, { totalKg: 100, station: RACK }).length > 0).toBe(isOut);
    expect(planWarnings(one, []).length > 0).toBe(state === "watch");
  });
  it("breaks over the rating and in a rack that does not take it, and says both", () => {
    expect(planBreaks(bar(), { totalKg: 200 })).toEqual([]);
    const short = bar({ quantities: { shaftLength: stated(800) } });
    expect(planBreaks(short, { totalKg: 220, station: RACK, stations: [RACK] })).toEqual([
      "K1 may carry 200 kg; 220 kg is planned.",
      expect.stringContaining("K1 is too narrow for Rack 1"),
    ]);
    expect(planBreaks(bar({ state: "quarantined", stateReason: "a crack" }), { totalKg: 220 })).toEqual([
      "K1 is quarantined: a crack.",
    ]);
  });
  it("breaks over what the station holds, bar and plates, and holds at exactly that", () => {
    const weak = { ...RACK, ratedKg: 150 };
    expect(planBreaks(bar(), { totalKg: 150, station: weak })).toEqual([]);
    expect(planBreaks(bar(), { totalKg: 150.5, station: weak })).toEqual([
      "Rack 1 holds 150 kg at most; 150.5 kg is planned.",
    ]);
    expect(planBreaks(bar(), { totalKg: 190, station: { ...RACK, ratedKg: null } })).toEqual([]);
    expect(planBreaks(bar(), { station: weak })).toEqual([]);
  });
  it("warns of what is not resolved, of watch, and of a mass that the plan did not count", () => {
    expect(planWarnings(bar({ state: "watch", stateReason: "clicks" }), ["rust", "end cap"])).toEqual([
      "K1 is under watch: clicks.",
      "K1: rust; end cap. Not resolved.",
    ]);
    expect(planWarnings(bar(), [], { countedKg: 20.4 })[0]).toContain("weighs 20 kg now; the plan counted 20.4 kg");
    expect(planWarnings(bar(), [], { countedKg: 20 })).toEqual([]);
  });
});
