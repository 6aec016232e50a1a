import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { tipping, type TippingPlate, type TippingQuestion } from "./tipping";

const disc = (massKg: number, thicknessMm = 27): TippingPlate => ({ massKg, thicknessMm });
const ask = (left: TippingPlate[], right: TippingPlate[], more: Partial<TippingQuestion> = {}): TippingQuestion => ({
  barKg: 20,
  seatToSeatMm: 1370,
  rackHalfSpacingMm: 545,
  left,
  right,
  ...more,
});
const discs = fc.array(
  fc.record({ massKg: fc.double({ min: 0.5, max: 50, noNaN: true }), thicknessMm: fc.integer({ min: 0, max: 90 }) }),
  { maxLength: 6 },
);

describe("tipping on a rack (statics, handbook §10)", () => {
  // By hand: one 25 kg disc of 27 mm at 685 + 13.5 = 698.5; overturns 25·153.5 = 3837.5, the bar holds 20·545 = 10900.
  it("gives the moment that is left", () => {
    const { marginNm, share, tips } = tipping(ask([], [disc(25)]));
    expect(tips).toBeNull();
    expect(marginNm).toBeCloseTo(((10900 - 3837.5) * 9.80665) / 1000, 6);
    expect(share).toBeCloseTo(3837.5 / 10900, 9);
  });
  // By hand: 3 discs at 698.5, 725.5, 752.5: 25·(153.5 + 180.5 + 207.5) = 13537.5 > 10900.
  test.each([
    [1, null],
    [2, null],
    [3, "right"],
  ] as const)("%s discs of 25 kg on one side of an empty 20 kg bar: tips %s", (count, tips) =>
    expect(
      tipping(
        ask(
          [],
          Array.from({ length: count }, () => disc(25)),
        ),
      ).tips,
    ).toBe(tips),
  );
  it("counts what may come off one side, outside first", () => {
    const four = Array.from({ length: 4 }, () => disc(25));
    const answer = tipping(ask(four, four));
    // By hand: with n left on the left, the right overturns 25·(153.5 + 180.5 + 207.5 + 234.5) = 19400;
    // none left holds 10900: tips; one left holds 10900 + 25·1243.5 = 41987: stays.
    expect(answer.maxOneSidedRemoval).toEqual({ left: 3, right: 3 });
    expect(answer.safeUnloadOrder).toHaveLength(8);
  });
  it("says when there is no order for one person", () => {
    const big = [disc(50, 60)];
    const light = tipping(ask(big, big, { barKg: 5, rackHalfSpacingMm: 400 }));
    expect(light.tips).toBeNull();
    expect(light.safeUnloadOrder).toBeNull();
    expect(light.maxOneSidedRemoval).toEqual({ left: 0, right: 0 });
  });
  it("gives nothing but the side when it tips already", () => {
    const answer = tipping(ask([], [disc(50), disc(50)], { barKg: 8 }));
    expect(answer).toMatchObject({ tips: "right", maxOneSidedRemoval: { left: 0, right: 0 }, safeUnloadOrder: null });
    expect(answer.marginNm).toBeLessThan(0);
    expect(answer.share).toBeGreaterThan(1);
  });
  it("does not tip with the plates inside the supports", () =>
    expect(tipping(ask([], [disc(50)], { seatToSeatMm: 800, rackHalfSpacingMm: 545 })).share).toBe(0));
  it("is the same mirrored", () =>
    fc.assert(
      fc.property(discs, discs, fc.double({ min: 1, max: 40, noNaN: true }), (left, right, barKg) => {
        const [one, other] = [tipping(ask(left, right, { barKg })), tipping(ask(right, left, { barKg }))];
        expect(other.marginNm).toBeCloseTo(one.marginNm, 9);
        expect(other.maxOneSidedRemoval).toEqual({
          left: one.maxOneSidedRemoval.right,
          right: one.maxOneSidedRemoval.left,
        });
        expect(other.safeUnloadOrder === null).toBe(one.safeUnloadOrder === null);
      }),
    ));
  it("has orders that never tip, and none only when every order tips", () =>
    fc.assert(
      fc.property(discs, discs, fc.double({ min: 1, max: 30, noNaN: true }), (left, right, barKg) => {
        const question = ask(left, right, { barKg });
        const stays = (l: number, r: number) =>
          tipping({ ...question, left: left.slice(0, l), right: right.slice(0, r) }).tips === null;
        // Slow and obvious: is there any order at all?
        const seen = new Set<string>();
        const canEmpty = (l: number, r: number): boolean => {
          if (!stays(l, r)) return false;
          if (l === 0 && r === 0) return true;
          const key = `${l} ${r}`;
          if (seen.has(key)) return false;
          seen.add(key);
          return (l > 0 && canEmpty(l - 1, r)) || (r > 0 && canEmpty(l, r - 1));
        };
        const { safeUnloadOrder } = tipping(question);
        expect(safeUnloadOrder !== null).toBe(canEmpty(left.length, right.length));
        let [l, r] = [left.length, right.length];
        for (const side of safeUnloadOrder ?? []) {
          if (side === "left") l -= 1;
          else r -= 1;
          expect(stays(l, r)).toBe(true);
        }
        if (safeUnloadOrder) expect([l, r]).toEqual([0, 0]);
      }),
      { numRuns: 300 },
    ));
  it("keeps a reserve in hand when asked to: what is safe with it is safe without", () =>
    fc.assert(
      fc.property(discs, discs, (left, right) => {
        const [pure, kept] = [tipping(ask(left, right)), tipping(ask(left, right, { reserve: 0.2 }))];
        expect(kept.marginNm).toBeLessThanOrEqual(pure.marginNm);
        expect(kept.maxOneSidedRemoval.left).toBeLessThanOrEqual(pure.maxOneSidedRemoval.left);
        expect(kept.share).toBe(pure.share);
        if (pure.tips !== null) expect(kept.tips).not.toBeNull();
      }),
    ));
});
