import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../units/exactMass";
import type { PlateKind } from "./plateKind";
import type { LoadQuestion } from "./question";
import { differenceWords, totalOf, wayFacts } from "./twoWays";

const plate = (id: string, kg: number, more: Partial<PlateKind>): PlateKind => ({
  ...{ id, massUnits: massUnitsFromKg(kg), pairs: 4, thicknessMm: 30, diameterMm: 450, material: "bumper" },
  ...more,
});
const RUBBER_25 = plate("b25", 25, { thicknessMm: 65 });
const STEEL_25 = plate("s25", 25, { thicknessMm: 27, material: "steel" });
const IRON_10 = plate("i10", 10, { thicknessMm: 25, diameterMm: 280, material: "iron" });
const IRON_15 = plate("i15", 15, { thicknessMm: 35, diameterMm: 350, material: "iron" });
const QUESTION: LoadQuestion = {
  targetUnits: massUnitsFromKg(70),
  barUnits: massUnitsFromKg(20),
  clampPairUnits: 0,
  roomMm: 400,
  ratedUnits: null,
  plates: [RUBBER_25, STEEL_25, IRON_10, IRON_15],
  ending: "racked",
  rounding: "at-or-below",
  toleranceUnits: 0,
  onBar: null,
};
const facts = (...side: PlateKind[]) => wayFacts(QUESTION, side, massUnitsFromKg(totalOf(QUESTION, side)));

describe("one mass made two ways", () => {
  it("measures what each takes of the sleeve and where its mass sits (by hand)", () => {
    expect(totalOf(QUESTION, [RUBBER_25])).toBe(70);
    expect(facts(RUBBER_25)).toMatchObject({ plates: 1, sleeveMm: 65, centreMm: 32.5, rubberMm: 65, mayDrop: true });
    // 15 × 17.5 + 10 × 47.5 = 737.5 over 25 kg.
    expect(facts(IRON_15, IRON_10)).toMatchObject({
      plates: 2,
      sleeveMm: 60,
      centreMm: 29.5,
      rubberMm: 0,
      mayDrop: false,
    });
  });
  it("says what differs for floor, sleeve and whoever carries plates, and nothing where nothing does", () => {
    const [rubber, steel, iron] = [facts(RUBBER_25), facts(STEEL_25), facts(IRON_15, IRON_10)];
    expect(differenceWords(rubber, rubber)).toEqual([]);
    expect(differenceWords(rubber, steel)).toEqual([
      "It takes 38 mm less of the sleeve.",
      "Its mass sits 19 mm nearer to the collar: the bar bends less.",
      "It may not be dropped; the first may.",
    ]);
    expect(differenceWords(iron, rubber)).toEqual([
      "1 plate fewer a side to carry.",
      "It takes 5 mm more of the sleeve.",
      "It may be dropped; the first may not.",
    ]);
  });
  it("says nothing of a sleeve whose plates nobody measured", () => {
    const unknown = facts(plate("x", 25, { thicknessMm: null }));
    expect(unknown).toMatchObject({ sleeveMm: null, centreMm: null });
    expect(differenceWords(facts(RUBBER_25), unknown).join()).not.toContain("sleeve");
  });
});
