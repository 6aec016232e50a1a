import { describe, expect, it } from "vitest";
import { massUnitsFromKg } from "../units/exactMass";
import { turnsOver, type Disc } from "./statics.fixture";
import { platesOffOneSide, tippingOf } from "./tippingOf";

const BARS = [
  { kg: 8, seatToSeatMm: 1360 },
  { kg: 20, seatToSeatMm: 1370 },
  { kg: 24.2, seatToSeatMm: 1410 },
  { kg: 36.8, seatToSeatMm: 1350 },
];
const RACKS = [1090, 1180];
const D = { 25: 60, 20: 52, 15: 44, 10: 32, 5: 26, 2.5: 18 } as const;
const disc = (kg: keyof typeof D): Disc => ({ kg, mm: D[kg] });
const LOADS: Disc[][] = [
  [disc(20), disc(5), disc(2.5)],
  [disc(25)],
  [disc(25), disc(15)],
  [disc(25), disc(25), disc(10)],
  [disc(25), disc(25), disc(25), disc(25)],
  [disc(2.5)],
];

describe("what may come off one side, replayed plate by plate", () => {
  it("is what statics say, for every bar, rack and load, and nothing is said where all of it may", () => {
    for (const bar of BARS)
      for (const rack of RACKS)
        for (const side of LOADS) {
          const answer = tippingOf(
            { barKg: bar.kg, seatToSeatMm: bar.seatToSeatMm, rackHalfSpacingMm: rack / 2 },
            side.map(({ kg, mm }) => ({ massUnits: massUnitsFromKg(kg), thicknessMm: mm })),
            null,
          );
          const name = `${bar.kg} kg on ${rack}: ${side.map(({ kg }) => kg).join("+")}`;
          expect(answer.tips !== null, name).toBe(turnsOver(bar, rack / 2, side, side));
          if (answer.tips !== null) continue;
          let off = 0;
          while (off < side.length && !turnsOver(bar, rack / 2, side.slice(0, side.length - off - 1), side)) off += 1;
          expect(platesOffOneSide(answer, side.length, false), name).toBe(off >= side.length ? null : off);
        }
  });
  it("says nothing of 72.5 kg without clamps on a 20 kg bar in a rack of 1090 mm", () => {
    const side = [disc(25), { kg: 1.25, mm: 12 }];
    const answer = tippingOf(
      { barKg: 20, seatToSeatMm: 1370, rackHalfSpacingMm: 545 },
      side.map(({ kg, mm }) => ({ massUnits: massUnitsFromKg(kg), thicknessMm: mm })),
      null,
    );
    expect(turnsOver(BARS[1]!, 545, [], side)).toBe(false);
    expect(platesOffOneSide(answer, side.length, false)).toBeNull();
  });
});
