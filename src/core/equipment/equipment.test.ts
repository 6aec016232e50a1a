import { fieldTexts, readFields } from "../bars/fieldText";
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { EQUIPMENT_FIELDS } from "./equipmentFields";
import { pairPlates, type WeighedPlate } from "./pairPlates";

const plates = (...masses: number[]): WeighedPlate[] => masses.map((massUnits, i) => ({ mark: `p${i}`, massUnits }));
const total = (of: ReturnType<typeof pairPlates>) =>
  of.pairs.reduce((sum, { differenceUnits }) => sum + differenceUnits, 0);

/** The slow, obvious way: every way to pair, and of an odd number every plate left out. */
function leastSum(masses: readonly number[]): number {
  if (masses.length < 2) return 0;
  if (masses.length % 2 === 1)
    return Math.min(...masses.map((_, out) => leastSum(masses.filter((_m, i) => i !== out))));
  const [first, ...rest] = masses;
  return Math.min(...rest.map((other, i) => Math.abs(first! - other) + leastSum(rest.filter((_m, k) => k !== i))));
}

describe("plates weighed one by one", () => {
  it("pairs neighbours by mass and says how far the sides differ", () =>
    expect(pairPlates(plates(100, 103, 101, 1025 / 10))).toMatchObject({
      pairs: [
        { plates: [{ massUnits: 100 }, { massUnits: 101 }], differenceUnits: 1 },
        { plates: [{ massUnits: 102.5 }, { massUnits: 103 }], differenceUnits: 0.5 },
      ],
      single: null,
    }));
  it("leaves the odd one out", () => expect(pairPlates(plates(10, 11, 50)).single!.massUnits).toBe(50));
  it("has the least sum of differences that any pairing has", () =>
    fc.assert(
      fc.property(fc.array(fc.nat(40), { maxLength: 7 }), (masses) => {
        const pairing = pairPlates(plates(...masses));
        expect(total(pairing)).toBe(leastSum(masses));
        expect(pairing.pairs.length * 2 + (pairing.single ? 1 : 0)).toBe(masses.length);
      }),
    ));
});

describe("what is kept of plates, clamps and stations", () => {
  test.each([
    ["plate", { key: "r25", mass: "45 lb", pairs: "3", material: "iron", isDropRated: "no", thicknessMm: "27" }],
    ["clamp", { key: "spring", name: "spring clamps", pairMass: "0.5 kg", widthMm: "30", pairs: "4" }],
    ["station", { key: "r1", name: "Rack 1", kind: "rack", jCupPairs: "2", jCupHoles: "7 | 14" }],
  ] as const)("%s reads back what it writes", (kind, texts) => {
    const read = readFields(EQUIPMENT_FIELDS[kind], texts);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(fieldTexts(EQUIPMENT_FIELDS[kind], read.values)).toEqual(texts);
  });
  it("lists every problem at once", () => {
    const read = readFields(EQUIPMENT_FIELDS.plate, { mass: "heavy", pairs: "200", material: "wood" });
    expect(!read.ok && read.problems.map(({ path }) => path)).toEqual(["key", "mass", "material", "pairs"]);
  });
});
