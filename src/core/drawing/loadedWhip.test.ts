import { describe, expect, it } from "vitest";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { bendingBarOf } from "../whip/bendingBar";
import { whip } from "../whip/closedForm";
import { loadedWhip } from "./loadedWhip";

const bar = testBar({ ...MENS_BAR, shaftDiameter: stated(28) });
const plates = [25, 25, 20].map((massKg) => ({ massKg, thicknessMm: 27 }));

describe("the whip of a loaded bar as it is drawn", () => {
  it("falls as the closed form says, and says by how much it is drawn larger", () => {
    const drawn = loadedWhip(bar, plates, { fromMm: 480 })!;
    const bending = bendingBarOf(bar);
    if (!bending.ok) throw new Error("no bar");
    // The closed form puts all plates at their centroid, the drawing each at its own place: some per cent apart.
    expect(drawn.dropMm / whip(bending.bar, 550, plates)!.deflectionMm).toBeCloseTo(1, 1);
    expect(drawn.exaggeration).toBeGreaterThanOrEqual(1);
    expect(drawn.dropMm * drawn.exaggeration).toBeLessThanOrEqual(Math.max(15, drawn.dropMm));
    // On the support nothing falls; beyond it every place is lower than the one before.
    const beyond = drawn.axis.filter(([x]) => x > 550);
    for (let i = 1; i < beyond.length; i += 1) expect(beyond[i]![1]).toBeLessThan(beyond[i - 1]![1]);
    expect(drawn.seat).toEqual(drawn.axis.at(-1));
    expect(drawn.angleDeg).toBeGreaterThan(0);
  });
  it("falls more the farther the J-cups are from the plates", () => {
    const near = loadedWhip(bar, plates, { fromMm: 480, supportHalfSpacingMm: 600 })!;
    const far = loadedWhip(bar, plates, { fromMm: 480, supportHalfSpacingMm: 450 })!;
    expect(far.dropMm).toBeGreaterThan(near.dropMm);
  });
  it("is left out for an empty bar, a bent family, a bar that nobody measured, and J-cups outside the plates", () => {
    expect(loadedWhip(bar, [], { fromMm: 480 })).toBeNull();
    expect(loadedWhip({ ...bar, family: "cambered" }, plates, { fromMm: 480 })).toBeNull();
    expect(loadedWhip(testBar({}), plates, { fromMm: 480 })).toBeNull();
    expect(loadedWhip(bar, plates, { fromMm: 480, supportHalfSpacingMm: 900 })).toBeNull();
  });
});
