import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../units/exactMass";
import { blowOf } from "./blow";
import type { PlateKind } from "./plateKind";

const plate = (
  kg: number,
  material: PlateKind["material"],
  thicknessMm: number | null,
  diameterMm: number | null = 450,
) => ({
  id: `${kg}${material}`,
  massUnits: massUnitsFromKg(kg),
  pairs: 2,
  thicknessMm,
  diameterMm,
  material,
});
const kg = massUnitsFromKg;

describe("the blow of a dropped bar (handbook §10; common practice, no source)", () => {
  it("is mass over the rubber of both sides: a thin disc alone does not carry 120 kg", () => {
    // 120 kg over 2 × 30 mm is 2 kg/mm, over the house's 1.6.
    const blow = blowOf([plate(25, "bumper", 30), plate(25, "iron", 30, 400)], kg(120));
    expect(blow.kgPerMm).toBeCloseTo(2, 12);
    expect(blow.isCarried).toBe(false);
    expect(blow.plates).toEqual([
      { meetsFloor: true, isRubber: true },
      { meetsFloor: false, isRubber: false },
    ]);
  });
  it("is carried at exactly the limit, and not a hair over it", () => {
    const side = [plate(20, "bumper", 37.5)];
    expect(blowOf(side, kg(120)).isCarried).toBe(true);
    expect(blowOf(side, kg(120.1)).isCarried).toBe(false);
  });
  it("counts iron against rubber: 2 × 20 kg rubber with 2 × 5 kg iron is 25 %, a warning at 20/30", () => {
    const side = [plate(20, "bumper", 60), plate(5, "iron", 20, 230)];
    expect(blowOf(side, kg(70))).toMatchObject({ ironShare: 0.25, ironVerdict: "warn" });
    expect(blowOf(side, kg(70), { warn: 0.1, refuse: 0.2 }).ironVerdict).toBe("refuse");
  });
  it("never drops iron alone, takes urethane as rubber, and leaves a bare bar in peace", () => {
    expect(blowOf([plate(20, "iron", 30)], kg(60))).toMatchObject({
      kgPerMm: null,
      isCarried: false,
      ironVerdict: "refuse",
      ironShare: null,
    });
    expect(blowOf([plate(20, "urethane", 50)], kg(60))).toMatchObject({ isCarried: true, ironVerdict: "fine" });
    expect(blowOf([], kg(20))).toMatchObject({ isCarried: true, ironVerdict: "fine" });
  });
});
