import { describe, expect, it } from "vitest";
import { MENS_BAR, measured, stated, testBar } from "../bars/testBar.fixture";
import { bendUnder, loadWhereTheyDiffer } from "../whip/compareWhip";
import { LIFTS } from "../matching/lifts";
import { MATCHING_RULES } from "../matching/houseRules";
import { nearestOwned, offerDifferences } from "./offerDifference";
import {
  duplicatesOf,
  improvementsOf,
  needsOf,
  offeredVerdicts,
  ownedVerdicts,
  peopleText,
  spareNeeds,
  sparesOf,
  type GainWant,
} from "./offerGain";

const TODAY = "2026-03-18";
const rules = MATCHING_RULES;
const want = (person: string, lift: keyof typeof LIFTS, loadKg: number, weight = 1): GainWant => ({
  ...{ person, personName: person, lift: LIFTS[lift], loadKg, weight },
});
const rated = { rating: { kg: 500, basis: "total" as const } };
const power = (tag: string, mm = 29) =>
  testBar(
    { ...MENS_BAR, shaftDiameter: measured(mm) },
    { ...rated, tag, family: "power", sleeveRotation: "bushing", centreKnurl: "full", finish: "bare" },
  );
const fast = (tag: string) =>
  testBar(MENS_BAR, { ...rated, tag, family: "weightlifting", sleeveRotation: "needle", centreKnurl: "none" });

describe("what an offer gains", () => {
  const wants = [want("Ada", "snatch", 60), want("Bo", "snatch", 70, 2), want("Ada", "bench", 60)];
  const bars = [power("P1"), power("P2")];
  const owned = ownedVerdicts({ wants, bars, rules, today: TODAY });
  const verdicts = offeredVerdicts([{ ...fast("O1"), state: "on-order" }], { wants, rules, today: TODAY });
  it("is the step of each lift from what is owned, by Match's own verdicts, as if it hung there already", () => {
    expect(owned.map(({ verdict }) => verdict).slice(0, 2)).toEqual(["poor", "poor"]);
    expect(verdicts.map(([own]) => own).slice(0, 2)).toEqual(["made-for", "made-for"]);
    const [snatch, ...others] = improvementsOf(owned, verdicts, [0]);
    // 1 × 90 and 2 × 90 points.
    expect(snatch).toMatchObject({
      liftKey: "snatch",
      from: "poor",
      to: "made-for",
      people: ["Ada", "Bo"],
      points: 270,
    });
    expect(others).toEqual([]);
  });
  it("becomes needs whose points are those of the verdicts", () => {
    expect(needsOf(owned, ["O1"], verdicts).slice(0, 2)).toEqual([
      { id: "Ada snatch", weight: 1, owned: 10, offers: [{ id: "O1", points: 100, copies: 1 }] },
      { id: "Bo snatch", weight: 2, owned: 10, offers: [{ id: "O1", points: 100, copies: 1 }] },
    ]);
  });
  it("counts a stand-in where one bar only is best, and nothing where two are", () => {
    const alone = ownedVerdicts({ wants, bars: [...bars, fast("F1")], rules, today: TODAY });
    expect(alone.map((one) => one.alone)).toEqual([{ tag: "F1", next: "poor" }, { tag: "F1", next: "poor" }, null]);
    expect(spareNeeds(alone, ["O1"], verdicts)).toEqual([
      { id: "spare Ada snatch", weight: 0.25, owned: 10, offers: [{ id: "O1", points: 100, copies: 1 }] },
      { id: "spare Bo snatch", weight: 0.5, owned: 10, offers: [{ id: "O1", points: 100, copies: 1 }] },
    ]);
    expect(sparesOf(alone, verdicts, [0])).toEqual([
      { tag: "F1", lifts: [LIFTS.snatch.name], people: ["Ada", "Bo"], from: "poor", to: "made-for" },
    ]);
    const two = ownedVerdicts({ wants, bars: [...bars, fast("F1"), fast("F2")], rules, today: TODAY });
    expect(spareNeeds(two, ["O1"], verdicts)).toEqual([]);
  });
  it("says what it would be one more of", () => {
    expect(duplicatesOf(power("O2"), [...bars, power("P3", 28), fast("F1")]).map(({ tag }) => tag)).toEqual([
      "P1",
      "P2",
    ]);
  });
  it("names a few people and counts the rest", () => {
    expect(peopleText(["Ada"])).toBe("Ada");
    expect(peopleText(["Ada", "Bo", "Cy", "Di", "Ed"])).toBe("Ada, Bo, Cy and 2 more");
  });
});

describe("what a difference is worth at this gym's loads", () => {
  const owned = power("P1", 28.5);
  const offer = { ...power("O1", 29), finish: "stainless" as const };
  const ask = (loadKg: number, more: object = {}) =>
    offerDifferences({
      ...{ offer, owned, noticeableMm: 1.5, bareMinutes: 120 },
      wants: [want("Ada", "deadlift", loadKg), want("Bo", "bench", 60)],
      ...more,
    });
  it("is nothing where nobody lifts enough, and says from which load on it is something", () => {
    const [shaft] = ask(100);
    expect(shaft).toMatchObject({ what: "shaft", matters: false });
    const h = LIFTS.deadlift.supportHalfSpacingMm;
    const from = loadWhereTheyDiffer(offer, owned, { supportHalfSpacingMm: h, differenceMm: 1.5, mostKg: 500 })!;
    expect(shaft!.text).toContain(`below ${Math.round(from / 5) * 5} kg`);
  });
  it("is the slack of the beam formulas where someone does", () => {
    const [shaft] = ask(320);
    const slack = (bar: typeof offer | typeof owned) => {
      const bent = bendUnder(bar, 320, LIFTS.deadlift.supportHalfSpacingMm);
      return bent.ok ? bent.whip.deflectionMm : NaN;
    };
    expect(shaft!.matters).toBe(true);
    expect(shaft!.text).toContain(`${(slack(owned) - slack(offer)).toFixed(1)} mm less slack`);
  });
  it("counts a coating in minutes of care, and bearings by who does fast lifts", () => {
    const [, coating, sleeves] = ask(100);
    // Stainless waits twice as long: half of 120 minutes.
    expect(coating).toMatchObject({ matters: true, text: expect.stringContaining("saves 60 min") as string });
    expect(sleeves).toMatchObject({ matters: false });
    const needle = { ...offer, sleeveRotation: "needle" as const };
    expect(ask(100, { offer: needle })[2]).toMatchObject({ what: "sleeves", matters: false });
    const quick = ask(100, { offer: needle, wants: [want("Ada", "clean", 60), want("Bo", "snatch", 50)] })[2];
    expect(quick).toMatchObject({ matters: true, text: expect.stringContaining("2 people do fast lifts") as string });
  });
  it("is told against the nearest that is owned", () => {
    expect(nearestOwned(offer, [fast("F1"), owned, power("P9", 32)])!.tag).toBe("P1");
    expect(nearestOwned(offer, [])).toBeNull();
    expect(
      offerDifferences({
        offer: { ...offer, quantities: { mass: stated(20) } },
        owned,
        wants: [],
        noticeableMm: 1,
        bareMinutes: 1,
      }),
    ).toHaveLength(2);
  });
});
