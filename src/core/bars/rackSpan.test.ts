import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { LIFTS } from "../matching/lifts";
import { fitAt, isRackable, isRefused, jCupsFor, rackFit, rackFitText, rackSpanOf, stationsThatFit } from "./rackSpan";
import { MENS_BAR, stated, testBar } from "./testBar.fixture";

const rack = (name: string, supportSpacingMm: number | null) => ({ name, kind: "rack" as const, supportSpacingMm });
const RACKS = [rack("Rack 1", 1090), rack("Rack 3", 1180)];
const curl = testBar({ shaftLength: stated(830) }, { tag: "C", family: "curl" });
const yoke = (inner: number | null, outer: number | null) =>
  testBar(
    {
      shaftLength: stated(1370),
      ...(inner === null ? {} : { rackSpanInner: stated(inner) }),
      ...(outer === null ? {} : { yokeWidth: stated(outer) }),
    },
    { tag: "Y", family: "yoke" },
  );

describe("the rack span (handbook §3: inner + 60 ≤ spacing ≤ outer − 60 mm)", () => {
  test.each<[string, Parameters<typeof rackFit>[0], number, string]>([
    ["a curl bar of 830 mm between collars lies in no rack of 1100", curl, 1100, "too-narrow"],
    ["a men's bar lies in it", testBar(MENS_BAR), 1100, "fits"],
    ["just at the ends it lies", testBar({ shaftLength: stated(1310) }), 1250, "fits"],
    ["a hair beyond it does not", testBar({ shaftLength: stated(1310) }), 1250.5, "too-narrow"],
    ["a yoke on its raised part", yoke(470, 1240), 1180, "fits"],
    ["a raised part that ends too soon", yoke(470, 1200), 1180, "too-narrow"],
    ["pads wider than the rack", yoke(1060, 1240), 1100, "too-wide"],
    ["what nobody measured", yoke(null, 1240), 1100, "unknown"],
    ["what is known already keeps it out", yoke(null, 1100), 1100, "too-narrow"],
    ["a frame", testBar({ shaftLength: stated(1400) }, { family: "open-frame" }), 1100, "not-racked"],
  ])("%s", (_, bar, spacing, answer) => expect(rackFit(bar, spacing).answer).toBe(answer));

  it("names the racks that do take it", () => {
    expect(rackFitText(yoke(470, 1200), RACKS[1]!, RACKS)).toBe(
      "is too narrow for Rack 3 (J-cups 1180 mm apart, the bar takes 530 to 1140 mm); fits Rack 1",
    );
    expect(rackFitText(curl, RACKS[0]!, RACKS)).toContain("fits no rack here");
    expect(rackFitText(testBar(MENS_BAR), RACKS[0]!, RACKS)).toBeNull();
    expect(rackFitText(yoke(null, null), RACKS[0]!, RACKS)).toBe(
      "has an unknown rack span: measure rack span, inside and raised part, width",
    );
    expect(stationsThatFit(yoke(470, 1200), RACKS, "rack").map(({ name }) => name)).toEqual(["Rack 1"]);
  });

  it("asks nothing of a floor, of a rack that nobody measured, or of a lift that starts elsewhere", () => {
    expect(fitAt(curl, { name: "Floor", kind: "floor", supportSpacingMm: 1100 })).toBeNull();
    expect(fitAt(curl, rack("Rack 9", null))).toBeNull();
    expect(isRefused(fitAt(curl, rack("Rack 1", 1090)))).toBe(true);
    expect(isRackable(testBar({}, { family: "closed-frame", canBeRacked: true }))).toBe(true);
    expect([LIFTS["back-squat-high"], LIFTS.bench, LIFTS.deadlift, LIFTS.curl].map(jCupsFor)).toEqual([
      "rack",
      "bench",
      null,
      null,
    ]);
  });

  it("a wider straight stretch never fits fewer racks, and a wider margin never more", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1200 }),
        fc.integer({ min: 300, max: 1500 }),
        fc.integer({ min: 700, max: 1400 }),
        fc.integer({ min: 0, max: 200 }),
        (inner, outer, spacing, more) => {
          const fits = (i: number, o: number, margin = 60) => rackFit(yoke(i, o), spacing, margin).answer === "fits";
          if (fits(inner, outer)) expect(fits(Math.max(0, inner - more), outer + more)).toBe(true);
          if (fits(inner, outer, 60 + more)) expect(fits(inner, outer, 60)).toBe(true);
          const { innerMm, outerMm } = rackSpanOf(yoke(inner, outer));
          expect(fits(inner, outer)).toBe((innerMm === 0 || spacing >= innerMm! + 60) && spacing <= outerMm! - 60);
        },
      ),
      { seed: 1511, numRuns: 500 },
    ));
});
