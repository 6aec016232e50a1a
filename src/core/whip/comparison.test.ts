import { assumedCentroidMm, assumedPlates } from "./assumedPlates";
import { loadOnSide } from "./closedForm";
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { candidateBar, candidateText, readCandidate } from "../bars/candidate";
import { ALLOYS } from "../bars/bar";
import { measured, MENS_BAR, stated, testBar } from "../bars/testBar.fixture";
import { LIFTS } from "../matching/lifts";
import { STANDARD_DISC } from "./assumedPlates";
import { bendUnder } from "./compareWhip";
import { comparisonRows } from "./comparisonRows";
import { comparisonParams, readComparison } from "./comparisonState";
import { judge, type JudgedAt } from "./judgement";
import { sweepBars } from "./sweep";

const bar = (tag: string, diameter: number, length = 1310, collar = 30) =>
  testBar(
    { ...MENS_BAR, shaftDiameter: measured(diameter), shaftLength: stated(length), collarThickness: stated(collar) },
    { tag, yieldMPa: 1100 },
  );
const at = (more: Partial<JudgedAt> = {}): JudgedAt => ({
  lift: LIFTS.deadlift,
  loadKg: 270,
  supportHalfSpacingMm: 220,
  disc: STANDARD_DISC,
  noticeableMm: 1.5,
  ...more,
});
const judged = (bars: ReturnType<typeof bar>[], more: Partial<JudgedAt> = {}) => {
  const question = at(more);
  return judge(
    bars.map((one) => ({
      bar: one,
      bent: bendUnder(one, question.loadKg, question.supportHalfSpacingMm, question.disc),
    })),
    question,
  );
};

describe("whether it matters here", () => {
  it("starts with the answer, from the gym’s noticeable difference (28 and 29 mm: 22.1 and 19.2 mm, handbook §5)", () => {
    const two = [bar("A", 28), bar("B", 29)];
    const { verdict, text, opinion } = judged(two);
    expect(verdict).toBe("It matters here.");
    expect(text).toMatch(/At 270 kg the hands rise 22\.1 mm on A and 19\.2 mm on B .*: 2\.9 mm apart/);
    expect(opinion).toMatch(/some that half a millimetre decides.*2\.9 mm of slack, which this gym calls noticeable/);
    expect(judged(two, { noticeableMm: 5 }).verdict).toBe("It hardly matters here.");
  });
  it("names the greatest and the least of three, and the load from which it is noticed", () => {
    const { text } = judged([bar("B", 29), bar("L", 27, 1452.6, 50), bar("T", 32, 1420, 40)]);
    expect(text).toMatch(/37\.8 mm on L and 17\.2 mm on T .*the others between.*Below \d+ kg the two differ by less/);
  });
  it("speaks of plates hanging where the bar is not pulled from the floor, and of one bar alone without a verdict", () => {
    expect(judged([bar("A", 28), bar("B", 29)], { lift: LIFTS["back-squat-high"] }).text).toContain("the plates hang");
    expect(judged([bar("A", 28)])).toMatchObject({ verdict: null, text: expect.stringMatching(/first plate leaves/) });
  });
  it("names the bars of which nothing can be said, with the reason", () =>
    expect(judged([bar("A", 28), testBar({}, { tag: "Y", family: "yoke" })]).unable).toEqual([
      expect.stringMatching(/^Y: not a straight bar/),
    ]));
});

describe("a sweep", () => {
  const question = {
    bars: [bar("A", 28), testBar({}, { tag: "U" })],
    loadKg: 100,
    supportHalfSpacingMm: 220,
    disc: STANDARD_DISC,
    mostKg: 150,
  };
  it("is bar by bar and load by load what a single bend is", () => {
    const { loadsKg, byLoad, gripsMm, byGrip } = sweepBars(question);
    expect(loadsKg).toHaveLength(151);
    const one = bendUnder(question.bars[0]!, 120, 220);
    expect(one.ok && byLoad[0]![120]!.deflectionMm).toBe(one.ok && one.whip.deflectionMm);
    const wide = bendUnder(question.bars[0]!, 100, gripsMm[40]! / 2);
    expect(wide.ok && byGrip[0]![40]!.lastPlateMm).toBe(wide.ok && wide.lastPlateMm);
    expect(byLoad[0]![10]).toBeNull();
    expect(byLoad[1]!.every((point) => point === null)).toBe(true);
  });
  it("tells how far it is and can be stopped", () => {
    const shares: number[] = [];
    sweepBars(question, (share) => shares.push(share));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
    expect(() =>
      sweepBars(question, () => {
        throw new Error("stopped");
      }),
    ).toThrow("stopped");
  });
});

describe("the table of a comparison", () => {
  const rows = (bars: ReturnType<typeof bar>[]) =>
    comparisonRows(
      bars.map((one) => ({ bar: one, bent: bendUnder(one, 270, 220) })),
      LIFTS.deadlift,
    );
  it("puts what differs first, what is equal last, with the size of the difference", () => {
    const table = rows([bar("A", 28), bar("B", 29)]);
    expect(table[0]).toMatchObject({ name: "slack before lift-off", by: "2.9 mm", isEqual: false });
    expect(table.find(({ name }) => name === "shaft length")).toMatchObject({ isEqual: true, by: "0.0 mm" });
    const firstEqual = table.findIndex(({ isEqual }) => isEqual);
    expect(table.slice(firstEqual).every(({ isEqual }) => isEqual)).toBe(true);
  });
  it("marks stated values, and never calls an unknown value equal", () => {
    const table = rows([bar("A", 28), testBar({ ...MENS_BAR, sleeveLength: undefined as never }, { tag: "B" })]);
    expect(table.find(({ name }) => name === "mass")!.cells[0]).toEqual({ text: "20.0", isStated: true });
    expect(table.find(({ name }) => name === "loadable sleeve")).toMatchObject({
      isEqual: false,
      unit: "mm",
      // Of one figure there is no difference, and its unit alone says nothing.
      by: "",
      cells: [{}, { text: "–" }],
    });
  });
});

describe("a comparison's link", () => {
  it("says what it reads", () =>
    fc.assert(
      fc.property(
        fc.record({
          tags: fc.uniqueArray(fc.constantFrom("K1", "K2", "K3"), { maxLength: 3 }),
          load: fc.integer({ min: 1, max: 2000 }),
          hands: fc.constantFrom(null, 400, 0),
          candidates: fc.array(
            fc.record({
              name: fc.stringMatching(/^[a-zA-Z0-9, ]{1,20}$/).map((text) => text.trim() || "offer"),
              massKg: fc.integer({ min: 5, max: 40 }),
              shaftDiameterMm: fc.constantFrom(25, 28.5, 29),
              shaftLengthMm: fc.integer({ min: 800, max: 1500 }),
              collarThicknessMm: fc.integer({ min: 0, max: 60 }),
              alloy: fc.constantFrom(...ALLOYS),
              yieldMPa: fc.constantFrom(null, 1100),
            }),
            { maxLength: 2 },
          ),
        }),
        ({ tags, load, hands, candidates }) => {
          const state = {
            tags,
            offers: tags.length > 1 ? ["O7"] : [],
            candidates,
            lift: "snatch",
            loadKg: load,
            loadText: String(load),
            handsMm: hands,
            disc: "",
            lifter: "",
            pair: [0, 1] as const,
          };
          const params = Object.entries(comparisonParams(state)).flatMap(([key, value]) =>
            value === null ? [] : [[key, value]],
          );
          expect(readComparison(Object.fromEntries(params))).toEqual(state);
        },
      ),
    ));
  test.each(["", "x~20~28.5~1310", "x~20~900~1310~30~alloy-steel~", "x~heavy~28~1310~30~alloy-steel~"])(
    "refuses the candidate %j",
    (text) => expect(readCandidate(text)).toBeNull(),
  );
  it("takes at most six bars, candidates included", () => {
    const offer = candidateText(readCandidate("Offer~20~28.5~1310~30~stainless~1100")!);
    const state = readComparison({ bars: "A,B,C,D,E", try: `${offer};${offer}` });
    expect([state.tags.length, state.candidates.length]).toEqual([5, 1]);
    const withOffers = readComparison({ bars: "A,B,C,D", offers: "O1,O2,O3", try: offer });
    expect([withOffers.offers, withOffers.candidates]).toEqual([["O1", "O2"], []]);
    expect(candidateBar(state.candidates[0]!, 0)).toMatchObject({ tag: "A?", state: "on-order", alloy: "stainless" });
  });
});

it("assumed discs act in the middle of their stack, however many there are", () => {
  for (const sideKg of [0.5, 12.5, 25, 60, 137.25, 400])
    expect(assumedCentroidMm(1370, sideKg)).toBeCloseTo(loadOnSide(1370, assumedPlates(sideKg)).centroidMm, 9);
});
