import { describe, expect, it } from "vitest";
import { isGrave, partsOfStation, STATION_FOUNDS, STATION_PARTS, stationDueOn } from "./stationChecks";

describe("what is looked at on stations", () => {
  it("is bolts, pins and liners of racks, pads of benches too, and nothing of an open floor", () => {
    expect(partsOfStation("rack")).toEqual(["bolts", "pins", "liners"]);
    expect(partsOfStation("bench")).toEqual(["bolts", "pins", "liners", "pads"]);
    expect(partsOfStation("platform")).toEqual([]);
  });
  it("takes a station out for a crack anywhere, and for bolts or pins that are loose or missing; worn takes none out", () => {
    for (const part of STATION_PARTS) {
      expect(isGrave(part, "cracked")).toBe(true);
      expect(isGrave(part, "sound")).toBe(false);
      expect(isGrave(part, "worn")).toBe(false);
    }
    for (const found of STATION_FOUNDS) expect(isGrave("liners", found)).toBe(found === "cracked");
    expect(isGrave("bolts", "loose") && isGrave("pins", "missing")).toBe(true);
  });
  it("is due today where nobody looked, and its interval after the last look", () => {
    expect(stationDueOn("bolts", null, "2026-03-20")).toBe("2026-03-20");
    expect(stationDueOn("pins", "2026-03-10", "2026-03-20")).toBe("2026-03-24");
  });
});
