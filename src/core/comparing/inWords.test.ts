import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FAMILIES, FAMILY_KEYS } from "../bars/families";
import { MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import type { Bar } from "../bars/bar";
import { LIFT_KEYS, LIFTS } from "../matching/lifts";
import { COMPARED_PARTS, type ComparedAt } from "./comparedParts";
import { comparedInWords } from "./inWords";
import { plateRoom } from "./plateLines";
import { START_STEADINESS, STEADY_KINDS, steadinessFrom, steadyKindOf } from "./steadiness";

const AT: ComparedAt = {
  lift: LIFTS["back-squat-high"],
  loadKg: 100,
  // The lifter of the handbook's check values (§8).
  build: { heightMm: 1800, massKg: 85 },
  handsHalfMm: 220,
  racks: [
    { name: "Rack 1", kind: "rack", supportSpacingMm: 1090 },
    { name: "Rack 3", kind: "rack", supportSpacingMm: 1230 },
  ],
  steadiness: START_STEADINESS,
  noticeableMm: 1.5,
  holePitchMm: 50,
};
const power = testBar(MENS_BAR, { tag: "P1" });
const yoke = testBar(
  { ...MENS_BAR, mass: stated(28), rackSpanInner: stated(420), yokeWidth: stated(1250) },
  { tag: "Y1", family: "yoke", sleeveRotation: "fixed" },
);
const cambered = testBar(
  { ...MENS_BAR, mass: stated(30), camberDrop: stated(300), rackSpanInner: stated(640), yokeWidth: stated(1250) },
  { tag: "C1", family: "cambered" },
);
const said = (a: Bar, b: Bar, at: Partial<ComparedAt> = {}) => {
  const words = comparedInWords({ bar: a }, { bar: b }, { ...AT, ...at });
  return { words, all: COMPARED_PARTS.flatMap((part) => words[part].map(({ text }) => text)).join(" ") };
};

describe("two bars compared in words", () => {
  it("what is said to carry over is a whole sentence for either family, and one for both", () => {
    const opinion = (a: Bar, b: Bar) =>
      comparedInWords({ bar: a }, { bar: b }, AT)
        .purpose.map(({ text }) => text)
        .find((text) => text.includes("carry over"));
    const [ofYoke, ofCambered] = [opinion(power, yoke)!, opinion(power, cambered)!];
    expect(ofYoke).toMatch(/^Safety squat bar and front squats are said to carry over to the deadlift\.$/);
    expect(ofCambered).toMatch(/^Cambered bar squats are said to carry over best to the straight squat\.$/);
    const both = opinion(yoke, cambered)!;
    expect(both).toContain("deadlift");
    expect(both).toContain("cambered bar squats are said to carry over");
    expect(opinion(power, power)).toBeUndefined();
  });
  it("a yoke against a straight bar: more upright by the model (handbook §8: 33.4° against 41.4°), forward, no reach back, J-cups higher", () => {
    const { words, all } = said(yoke, power);
    expect(all).toContain("Y1 keeps the trunk 8° more upright: 33° against 41° with P1.");
    expect(all).toMatch(/Y1 presses its pads on and wants to roll forward \((29|30|31) N·m\)/);
    expect(all).toContain("nothing to reach back for");
    expect(all).toContain("J-cups go 1 hole higher for Y1");
    expect(all).toContain("8 kg heavier");
    expect(words.purpose.some(({ basis, others }) => basis === "opinion" && others)).toBe(true);
  });
  it("a cambered bar: what the hands can put right (handbook §8: 51 mm at 100 kg), lower safeties, steadiness by the house's list", () => {
    // All of the load at the end of the camber, as in the handbook's check.
    const light = { ...cambered, quantities: { ...cambered.quantities, mass: stated(0.001) } };
    const { words, all } = said(light, power);
    expect(all).toContain("51 mm to put a slip right");
    expect(all).toContain("300 mm below the back");
    const steady = words.body.find(({ basis }) => basis === "house rule")!;
    expect(steady.text).toContain("P1 counts as steadier here");
    expect(steady.others).toContain("Some find the cambered bar steadier");
    const turned = said(light, power, { steadiness: [...START_STEADINESS].reverse() });
    expect(turned.words.body.find(({ basis }) => basis === "house rule")!.text).toContain("C1 counts as steadier");
  });
  it("two straight bars: what the hands feel when they bend, only where it is felt (handbook §5)", () => {
    const thin = testBar(
      { ...MENS_BAR, shaftDiameter: stated(27), shaftLength: stated(1452.6), collarThickness: stated(50) },
      { tag: "D1", family: "deadlift" },
    );
    const pull = { lift: LIFTS.deadlift, loadKg: 270 };
    expect(said(thin, power, pull).all).toMatch(/At 270 kg D1 bends 1\d\.\d mm more than P1: the hands rise that much/);
    const twin = { ...power, tag: "P2" };
    expect(said(twin, power, pull).all).toContain("bend alike");
  });
  it("the same family: names the lighter one that hangs beside, and says that it is one family", () => {
    const words = comparedInWords({ bar: yoke, lighter: { tag: "Y9", kg: 20 } }, { bar: { ...yoke, tag: "Y2" } }, AT);
    expect(words.purpose.map(({ text }) => text).join(" ")).toContain("The same family, lighter: Y9 has 20 kg empty.");
    expect(words.purpose.map(({ text }) => text).join(" ")).toContain("one family, safety squat bar");
  });
  it("slim flanges and grooves: how many more plates, and the noise", () => {
    const slim = testBar({ ...MENS_BAR, sleeveLength: stated(445), collarThickness: stated(12) }, { tag: "S1" });
    const words = comparedInWords({ bar: slim, areSleevesGrooved: true }, { bar: power, areSleevesGrooved: false }, AT);
    const plates = words.plates.map(({ text }) => text).join(" ");
    // (445 − 40) / 27 and (415 − 40) / 27, rounded down.
    expect([plateRoom(slim, 27), plateRoom(power, 27)]).toEqual([15, 13]);
    expect(plates).toContain("S1 takes 2 more plates a side (25 kg discs, 27 mm): 15 against 13.");
    expect(plates).toContain("S1 has a flange 18 mm slimmer");
    expect(plates).toContain("louder");
  });
  it("finishes, fixed sleeves and welds: what each wants of care", () => {
    const bare = { ...power, finish: "bare" as const };
    const chrome = { ...yoke, finish: "hard-chrome" as const };
    const { all } = said(bare, chrome);
    expect(all).toContain("P1 (bare) needs its shaft cleaned 1.6 times as often as Y1 (hard chrome)");
    expect(all).toContain("Y1 has no sleeves to oil");
    expect(all).toContain("Y1 has welds, pins or pads to check");
  });
  it("says the same whichever stands first, for any two bars and any lift; and of a bar against itself nothing that differs", () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILY_KEYS),
        fc.constantFrom(...FAMILY_KEYS),
        fc.constantFrom(...LIFT_KEYS),
        fc.integer({ min: 30, max: 250 }),
        (one, two, like, loadKg) => {
          const [a, b] = [one, two].map((family, i) =>
            testBar(
              { ...MENS_BAR, mass: stated(20 + 5 * i) },
              { tag: i === 0 ? "A1" : "B1", family, finish: i === 0 ? "bare" : "stainless" },
            ),
          ) as [Bar, Bar];
          const at = { lift: LIFTS[like], loadKg };
          const [first, second] = [said(a, b, at), said(b, a, at)];
          for (const part of COMPARED_PARTS)
            expect(new Set(first.words[part].map(({ basis }) => basis))).toEqual(
              new Set(second.words[part].map(({ basis }) => basis)),
            );
          expect(first.all).not.toMatch(/NaN|undefined|null|Infinity/);
          for (const part of COMPARED_PARTS)
            for (const { basis, others } of first.words[part]) if (basis === "opinion") expect(others).toBeTruthy();
          const self = said(a, { ...a, tag: "B1" }, at);
          expect(self.all).not.toMatch(/more upright|heavier|slimmer|longer|times as often/);
        },
      ),
    ));
});

describe("how steady bars feel", () => {
  it("starts as the handbook has it (§8), and takes no list that is not all five", () => {
    expect(START_STEADINESS).toEqual(["low-yoke", "yoke", "straight", "cambered-yoke", "cambered"]);
    expect(steadinessFrom(["yoke"])).toBe(START_STEADINESS);
    expect(steadinessFrom([...STEADY_KINDS].reverse())[0]).toBe("cambered");
    expect(steadinessFrom(undefined)).toBe(START_STEADINESS);
  });
  it("counts every family that is carried on the back as one of five", () => {
    for (const family of FAMILY_KEYS)
      expect(steadyKindOf(family) === null).toBe(["frame", "multi-grip", "zigzag"].includes(FAMILIES[family].form));
  });
});
