import fc from "fast-check";
import jStat from "jstat";
import { describe, expect, it } from "vitest";
import { addMonths } from "../units/calendar";
import { MENS_BAR, testBar, stated } from "../bars/testBar.fixture";
import { STARTING_TOLERANCES } from "../bars/tolerances";
import { barCost, resaleMinor } from "./barCost";
import { batchRisk, oddsText, PRIOR_DEGREES } from "./batchRisk";
import { converted, minorDigits, moneyText, readMoney, readRate, shareOf } from "./money";
import { isValidOn, OFFER_KEYS, readOffer } from "./offer";
import { offerColumnsOf, offerRowTexts } from "./offerColumns";
import { judgeReceiving, RECEIVING_CHECKS, receivingKinds } from "./receiving";
import { studentTCdf } from "./studentT";
import { suspiciousFigures } from "./suspicious";
import { LOOK_STEPS, NO_WARRANTY_PCT, usedWorth } from "./usedBar";

const SEED = 20_261_127;

describe("money", () => {
  it.each([
    ["410", "GBP", 41_000, "GBP"],
    ["£410", "EUR", 41_000, "GBP"],
    ["410 EUR", "GBP", 41_000, "EUR"],
    ["eur 1.299,50", "GBP", 129_950, "EUR"],
    ["1,299.50", "GBP", 129_950, "GBP"],
    ["1 299,5 €", "GBP", 129_950, "EUR"],
    ["$455", "GBP", 45_500, "USD"],
    ["$455", "CAD", 45_500, "CAD"],
    ["¥58000", "GBP", 58_000, "JPY"],
    ["0", "GBP", 0, "GBP"],
  ])("reads “%s”", (text, usual, minor, currency) => {
    expect(readMoney(text, usual)).toEqual({ ok: true, money: { minor, currency } });
  });
  it.each(["", "free", "-5", "12 XYZ", "1,2,3", "¥58.50", "410.1234", "9999999999999"])("refuses “%s”", (text) => {
    expect(readMoney(text, "GBP").ok).toBe(false);
  });
  it("converts exactly, rounded half up once", () => {
    const usd = (minor: number) => ({ minor, currency: "USD" });
    expect(converted(usd(100), "GBP", "0.795").minor).toBe(80);
    expect(converted(usd(100), "GBP", "0.794").minor).toBe(79);
    // A minor unit of yen is a whole yen.
    expect(converted({ minor: 58_000, currency: "JPY" }, "GBP", "0.0052").minor).toBe(30_160);
    expect(converted(usd(12_345), "JPY", "151.3").minor).toBe(18_678);
    expect(converted(usd(5), "USD", "anything").minor).toBe(5);
    expect(() => converted(usd(5), "GBP", "0")).toThrow(RangeError);
  });
  it("is within half a minor unit of the true product, whatever the rate", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10_000_000_000 }),
        fc.integer({ min: 1, max: 999_999 }),
        fc.integer({ min: 0, max: 6 }),
        (minor, digits, decimals) => {
          const rate = decimals === 0 ? String(digits) : (digits / 10 ** decimals).toFixed(decimals);
          const got = BigInt(converted({ minor, currency: "USD" }, "EUR", rate).minor);
          const scale = 10n ** BigInt(decimals);
          const twice = 2n * BigInt(minor) * BigInt(digits);
          // 2·|got − true| ≤ 1, and a half goes up.
          expect(2n * got * scale - twice <= scale && twice - 2n * got * scale < scale).toBe(true);
        },
      ),
      { numRuns: 300, seed: SEED },
    );
  });
  it("knows minor units of ISO 4217, shares, rates and how it is read", () => {
    expect(["EUR", "JPY", "KWD"].map(minorDigits)).toEqual([2, 0, 3]);
    expect(shareOf(10_050, 470)).toBe(472);
    expect(moneyText({ minor: 129_950, currency: "EUR" })).toBe("€1,299.50");
    expect(readRate("1,17")).toBe("1.17");
    expect(readRate("0")).toMatchObject({ path: "rate" });
  });
});

describe("Student's t", () => {
  it("has the probabilities of the statistics package (jstat)", () => {
    for (const degrees of [0.5, 1, 2, 3, 4.5, 9, 30, 200])
      for (let t = -12; t <= 12; t += 0.37)
        expect(studentTCdf(t, degrees), `${t} at ${degrees}`).toBeCloseTo(jStat.studentt.cdf(t, degrees), 7);
  });
  it("has the published quantiles (Fisher and Yates, Statistical Tables, table III; from memory)", () => {
    for (const [degrees, t] of [
      [1, 12.706],
      [2, 4.303],
      [5, 2.571],
      [10, 2.228],
      [30, 2.042],
    ] as const)
      expect(studentTCdf(t, degrees)).toBeCloseTo(0.975, 4);
  });
  it("grows from 0 to 1, and needs degrees of freedom", () => {
    expect([studentTCdf(-Infinity, 3), studentTCdf(0, 3), studentTCdf(Infinity, 3)]).toEqual([0, 0.5, 1]);
    expect(() => studentTCdf(1, 0)).toThrow(RangeError);
  });
});

describe("how likely the next bar is right", () => {
  it("rests on the prior while nothing was measured, and on the bars once they are many", () => {
    const nothing = batchRisk([], 0.1);
    expect(nothing).toMatchObject({ bars: 0, mean: null });
    expect(nothing.within).toBeGreaterThan(0.6);
    const good = batchRisk([0.01, -0.02, 0, 0.01, 0.02, -0.01, 0, 0.01], 0.1);
    expect(good.within).toBeGreaterThan(0.95);
    const off = batchRisk([-0.4, -0.41, -0.39, -0.4, -0.42], 0.1);
    expect(off.within).toBeLessThan(0.2);
    expect(off.mean).toBeCloseTo(-0.404, 9);
  });
  it("is the share of simulated next bars that lie within, where mean and spread are drawn from the same belief", () => {
    // Gibbs-free: draw variance and mean from the posterior by its own formulas, then the next bar.
    const gaps = [0.05, -0.03, 0.08];
    const tolerance = 0.1;
    const normal = (i: number) => jStat.normal.inv((i * 0.754877666 + 0.1) % 1 || 0.5, 0, 1);
    const [n, mean] = [gaps.length, gaps.reduce((a, b) => a + b, 0) / gaps.length];
    const spread = gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0);
    const kappa = 1 + n;
    const degrees = PRIOR_DEGREES + n;
    const scale = PRIOR_DEGREES * (tolerance / 2) ** 2 + spread + (n * mean ** 2) / kappa;
    let inside = 0;
    const draws = 40_000;
    for (let i = 1; i <= draws; i += 1) {
      const variance = scale / jStat.chisquare.inv((i * 0.569840296) % 1 || 0.5, degrees);
      const centre = (n * mean) / kappa + normal(i) * Math.sqrt(variance / kappa);
      const next = centre + Math.sqrt(variance) * jStat.normal.inv((i * 0.618033989) % 1 || 0.5, 0, 1);
      if (Math.abs(next) <= tolerance) inside += 1;
    }
    expect(batchRisk(gaps, tolerance).within).toBeCloseTo(inside / draws, 1.5);
  });
  it.each([
    [0.999, "more than 49 in 50"],
    [0.9, "9 in 10"],
    [0.52, "even"],
    [0.31, "3 in 10"],
    [0.001, "less than 1 in 50"],
  ])("says %s as %s", (chance, words) => expect(oddsText(chance)).toBe(words));
});

const OFFER = {
  ...{ name: "Stiff bar", family: "power bar", "stated.mass": "20 kg", "stated.shaftDiameter": "29" },
  ...{ price: "£395", freight: "38", leadDays: "2 weeks", delivery: "kerb, signature", warrantyMonths: "60" },
};

describe("an offer", () => {
  it("is read as people write it, in the gym's own money", () => {
    const read = readOffer(OFFER, "GBP");
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.offer).toMatchObject({
      ...{ name: "Stiff bar", quantity: 1, leadDays: 14, delivery: ["kerb", "signature"], stock: "new", rate: null },
      cost: { price: { minor: 39_500, currency: "GBP" }, deliveredMinor: 43_300 },
    });
    expect(read.offer.record).toMatchObject({ family: "power", state: "on-order" });
  });
  it("sums up another currency part by part, with duty on price and freight", () => {
    const read = readOffer({ ...OFFER, price: "$455", freight: "$180", duty: "4.7 %", rate: "0,79" }, "GBP");
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    // 635.00 × 4.7 % = 29.845, rounded half up; each part by itself × 0.79.
    expect(read.offer.cost).toMatchObject({
      duty: { minor: 2_985, currency: "USD" },
      deliveredMinor: 35_945 + 14_220 + 2_358,
    });
  });
  it("is an idea without a price", () => {
    const read = readOffer({ name: "Some day", family: "curl" }, "GBP");
    expect(read).toMatchObject({ ok: true, offer: { cost: null } });
  });
  it.each([
    ["no price beside freight", { price: "" }, ["price"]],
    ["two currencies", { freight: "38 EUR" }, ["currency"]],
    ["no such currency", { currency: "XYZ" }, ["currency"]],
    ["no rate", { price: "395 USD" }, ["rate"]],
    ["a rate of nothing", { price: "395 USD", freight: "", rate: "0" }, ["rate"]],
    ["none of it there", { quantity: "0" }, ["quantity"]],
    ["a day that does not exist", { validUntil: "2026-02-30" }, ["validUntil"]],
    ["no link", { link: "javascript:alert(1)" }, ["link"]],
    ["duty beyond everything", { duty: "120 %" }, ["duty"]],
    ["a mass of no bar", { "stated.mass": "9999 kg" }, ["stated.mass"]],
    ["several at once", { name: "", price: "much", quantity: "x" }, ["name", "price", "quantity"]],
  ])("names every problem: %s", (_, change, paths) => {
    const read = readOffer({ ...OFFER, ...change }, "GBP");
    expect(read.ok ? [] : read.problems.map(({ path }) => path).sort()).toEqual(paths);
  });
  it("holds to the end of its last day", () => {
    expect(isValidOn({ validUntil: "2026-03-18" }, "2026-03-18")).toBe(true);
    expect(isValidOn({ validUntil: "2026-03-18" }, "2026-03-19")).toBe(false);
    expect(isValidOn({ validUntil: null }, "2099-01-01")).toBe(true);
  });
  it("comes from a seller's own heads", () => {
    const heads = [
      "Name",
      "Type",
      "Cost",
      "Shipping",
      "Vendor",
      "Lot",
      "Qty",
      "Shaft (mm)",
      "Weight lb",
      "Lead time",
      "Colour",
    ];
    const columns = offerColumnsOf(heads);
    expect(columns.unknown).toEqual(["Colour"]);
    expect(
      offerRowTexts(["Bar", "power bar", "£395", "38", "Iron", "B7", "3", "29", "45", "14", "red"], columns),
    ).toEqual({
      ...{ name: "Bar", family: "power bar", price: "£395", freight: "38", seller: "Iron", batch: "B7", quantity: "3" },
      ...{ "stated.shaftDiameter": "29 mm", "stated.mass": "45 lb", leadDays: "14" },
    });
  });
  it("has a column for every field of its own", () => {
    expect(offerColumnsOf(OFFER_KEYS).offer).toEqual(OFFER_KEYS);
  });
});

describe("stated figures that cannot all be true", () => {
  const nothing = { tensileMPa: null, yieldMPa: null };
  it("are none on a men's bar by the IWF's lengths", () => {
    expect(suspiciousFigures(testBar(MENS_BAR), { tensileMPa: 1480, yieldMPa: 1320 })).toEqual([]);
  });
  it.each([
    ["a strength beyond steel", testBar(MENS_BAR), { tensileMPa: 3100, yieldMPa: null }, /3100 MPa/],
    ["yield beyond tensile", testBar(MENS_BAR), { tensileMPa: 1200, yieldMPa: 1300 }, /which is which/],
    [
      "parts longer than the whole",
      testBar({ ...MENS_BAR, overallLength: stated(2100) }),
      nothing,
      /longer than the bar/,
    ],
    ["a shaft as heavy as the bar", testBar({ ...MENS_BAR, mass: stated(7) }), nothing, /shaft alone/],
  ])("%s", (_, bar, record, words) => {
    const said = suspiciousFigures(bar, record);
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(words);
  });
});

describe("a bar that arrives", () => {
  const bar = testBar({ mass: stated(20), shaftDiameter: stated(29), shaftLength: stated(1310) });
  const fine = Object.fromEntries(RECEIVING_CHECKS.map(({ key }) => [key, "fine"]));
  it("is kept while everything is right, up to the tolerance itself", () => {
    const readings = { mass: 20.2, shaftDiameter: 29.1 };
    expect(judgeReceiving(bar, fine, readings, STARTING_TOLERANCES)).toEqual({ verdict: "keep", reasons: [] });
  });
  it("is a claim by any reading beyond it, and by any wrong answer, each said", () => {
    const judged = judgeReceiving(bar, { ...fine, spin: "wrong" }, { shaftDiameter: 28.4 }, STARTING_TOLERANCES);
    expect(judged.verdict).toBe("claim");
    expect(judged.reasons).toHaveLength(2);
    expect(judged.reasons[1]).toMatch(/28\.40 mm measured, 29\.00 mm stated/);
  });
  it("is measured by what matters for its family", () => {
    expect(receivingKinds(bar)).toContain("shaftDiameter");
    expect(receivingKinds(testBar({}, { family: "yoke" }))).toContain("camberDrop");
    expect(receivingKinds(testBar({}, { family: "closed-frame" }))).toContain("frameWidth");
  });
});

describe("a used bar", () => {
  const facts = { newMinor: 40_000, freightMinor: 2_000, hasWarranty: true };
  const fine = Object.fromEntries(LOOK_STEPS.map(({ key }) => [key, "fine"]));
  it("is worth a new one less bringing it here where nothing is found", () => {
    expect(usedWorth(fine, facts)).toEqual({ ended: null, open: 0, deductions: [], mostMinor: 38_000 });
    expect(usedWorth(fine, { ...facts, hasWarranty: false }).mostMinor).toBe(400 * (100 - NO_WARRANTY_PCT) - 2_000);
  });
  it("loses what is found, by the gym’s figures where it has some", () => {
    expect(usedWorth({ ...fine, rust: "surface" }, facts).mostMinor).toBe(34_800);
    expect(usedWorth({ ...fine, rust: "surface" }, facts, { "rust.surface": 20 }).mostMinor).toBe(30_000);
  });
  it("stops at the first thing that ends it", () => {
    expect(usedWorth({ cracks: "fine", roll: "bent" }, facts)).toMatchObject({ mostMinor: 0, open: 0 });
    expect(usedWorth({ cracks: "fine", roll: "bent" }, facts).ended).toContain("Hops");
  });
  it("never costs more than nothing", () => {
    const all = Object.fromEntries(
      LOOK_STEPS.map(({ key, answers }) => [key, answers.filter(({ ends }) => !ends).at(-1)!.key]),
    );
    expect(usedWorth(all, facts).mostMinor).toBe(0);
  });
});

describe("what a bar has cost", () => {
  it("is price less resale, care and repairs, by session", () => {
    const facts = { priceMinor: 60_000, resaleMinor: 24_000, careMinutes: 90, hourMinor: 1_200, repairsMinor: 3_000 };
    expect(barCost({ ...facts, sessions: 120 })).toEqual({
      totalMinor: 40_800,
      careMinor: 1_800,
      perSessionMinor: 340,
    });
    expect(barCost({ ...facts, sessions: 0 }).perSessionMinor).toBeNull();
    expect(barCost({ ...facts, priceMinor: null, sessions: 10 }).totalMinor).toBeNull();
  });
  it("resale falls with the years, to a fifth", () => {
    expect([0, 2, 50].map((years) => resaleMinor(10_000, "new", years))).toEqual([7_000, 6_000, 2_000]);
    expect(resaleMinor(10_000, "blemished", 0)).toBe(6_000);
  });
  it.each([
    ["2026-01-31", 1, "2026-02-28"],
    ["2024-01-31", 1, "2024-02-29"],
    ["2026-11-30", 3, "2027-02-28"],
    ["2026-03-18", 60, "2031-03-18"],
    ["2026-12-01", 0, "2026-12-01"],
  ])("a warranty of months: %s and %i", (day, months, then) => expect(addMonths(day, months)).toBe(then));
});
