import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { flaggedGaps } from "./flaggedGaps";
import { gapMeaning } from "./gapMeaning";
import { lengthCulprit } from "./lengthCulprit";
import { measured, MENS_BAR, stated, testBar } from "./testBar.fixture";
import { STARTING_TOLERANCES, tolerancesFrom } from "./tolerances";

describe("flagged gaps", () => {
  const heavy = { quantities: { mass: measured(20.3, 20) } };
  it("follow the gym’s tolerance, both sides of it", () => {
    expect(flaggedGaps(heavy)).toMatchObject([{ kind: "mass", tolerance: 0.2 }]);
    expect(flaggedGaps(heavy, { ...STARTING_TOLERANCES, mass: 0.3 })).toEqual([]);
    expect(flaggedGaps(heavy, { ...STARTING_TOLERANCES, mass: 0.29 })).toHaveLength(1);
  });
  it("take only sensible numbers from what the house saved", () => {
    expect(tolerancesFrom({ mass: 0.5, shaftDiameter: -1, seatToSeat: "3", unknown: 7 })).toEqual({
      ...STARTING_TOLERANCES,
      mass: 0.5,
    });
    expect(tolerancesFrom(null)).toEqual(STARTING_TOLERANCES);
  });
});

describe("what a gap changes", () => {
  it("says that every load is off by a heavier bar", () =>
    expect(gapMeaning(testBar({ mass: measured(20.4, 20) }), { kind: "mass", gap: 0.4 })).toBe(
      "0.4 kg heavier: every load worked out from the label is off by that",
    ));
  it("gives stiffness by the fourth power: 29 against 28.5 mm is 7.2 % (handbook §5)", () => {
    const bar = testBar({ ...MENS_BAR, shaftDiameter: measured(29, 28.5) });
    expect(gapMeaning(bar, { kind: "shaftDiameter", gap: 0.5 })).toMatch(
      /0\.5 mm thicker: .* 7\.2 % stiffer.*less slack/,
    );
  });
  it("turns a collar's gap into twice that between the seats", () => {
    const bar = testBar({ ...MENS_BAR, collarThickness: measured(40, 30) });
    expect(gapMeaning(bar, { kind: "collarThickness", gap: 10 })).toMatch(
      /^10 mm thicker than stated: the plates sit 20 mm further apart, .* more slack/,
    );
  });
});

describe("the length identity (handbook §3)", () => {
  const with_ = (more: object) => ({ quantities: { ...MENS_BAR, ...more } });
  it("holds for the IWF men's bar, and within 6 mm", () => {
    expect(lengthCulprit(with_({}))).toBeNull();
    expect(lengthCulprit(with_({ sleeveLength: stated(418) }))).toBeNull();
    expect(lengthCulprit(with_({ sleeveLength: stated(418.1) }))).not.toBeNull();
  });
  it("names a reading whose stated value would fit", () =>
    expect(lengthCulprit(with_({ shaftLength: measured(1380, 1310) }))).toMatchObject({
      kind: "shaftLength",
      excessMm: 70,
      why: expect.stringMatching(/1310 mm the seller states would fit/),
    }));
  it("names the one that nobody measured, before those that were", () =>
    expect(
      lengthCulprit({
        quantities: {
          overallLength: measured(2200),
          shaftLength: measured(1310),
          collarThickness: measured(30),
          sleeveLength: stated(445),
        },
      }),
    ).toMatchObject({ kind: "sleeveLength", wouldBeMm: 415, why: expect.stringMatching(/only stated/) }));
  it("reads the seats instead of shaft and collars when a tape did", () =>
    expect(lengthCulprit(with_({ seatToSeat: measured(1420) }))).toMatchObject({
      kind: "seatToSeat",
      wouldBeMm: 1370,
    }));
  it("would hold if the culprit were what it says", () =>
    fc.assert(
      fc.property(
        fc.constantFrom("shaftLength", "collarThickness", "sleeveLength"),
        fc.double({ min: 10, max: 200, noNaN: true }),
        (kind, off) => {
          const bar = with_({ [kind]: measured(MENS_BAR[kind]!.value + off) });
          const culprit = lengthCulprit(bar)!;
          const mended = { quantities: { ...bar.quantities, [culprit.kind]: measured(culprit.wouldBeMm) } };
          expect(lengthCulprit(mended)).toBeNull();
        },
      ),
    ));
});
