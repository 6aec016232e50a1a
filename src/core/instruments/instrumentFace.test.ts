import { describe, expect, it } from "vitest";
import { METRIC, type Units } from "../units/shown";
import { instrumentFace, instrumentStep } from "./instrumentFace";

const OTHER: Units = { mass: "lb", length: "in" };

describe("the face of an instrument", () => {
  it.each([
    ["scale", "kg", 20, "20.00", "44.09"],
    ["caliper", "mm", 28, "28.00", "1.102"],
    ["tape", "mm", 1310, "1310.0", "51 9/16"],
    ["stopwatch", "s", 12.34, "12.3", "12.3"],
  ] as const)("of a %s follows the person's units", (kind, unit, value, metric, other) => {
    expect(instrumentFace(value, kind, unit, METRIC)).toBe(metric);
    expect(instrumentFace(value, kind, unit, OTHER)).toBe(other);
  });
  it("steps as that instrument does", () => {
    expect(instrumentStep("caliper", "mm", METRIC)).toBe("0.01 mm");
    expect(instrumentStep("caliper", "mm", OTHER)).toBe("0.001 in");
    expect(instrumentStep("tape", "mm", OTHER)).toBe("1/32 in");
    expect(instrumentStep("scale", "kg", OTHER)).toBe("0.04 lb");
  });
});
