import { execFileSync } from "node:child_process";
import { PDFDocument } from "pdf-lib";
import { describe, expect, it } from "vitest";
import { LIFTS } from "@/core/matching/lifts";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { eq } from "drizzle-orm";
import { bars, lifts, plates } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { enterBars } from "@/server/bars/addBars";
import { saveOffer } from "@/server/offers";
import { comparisonFor, questionWords } from "./comparison";
import { comparisonPdf } from "@/papers/comparisonPdf";
import { saveMeasuringRules } from "@/server/rules/measuringRules";

async function hallWithBars() {
  const made = await makeContexts("comparison");
  await made.hall.insert(lifts, [
    { ...LIFTS.deadlift, listOrder: 1 },
    { ...LIFTS["bench"], listOrder: 2 },
  ]);
  await made.hall.insert(plates, {
    key: "r25",
    massValue: "25",
    massUnit: "kg",
    massUnits: massUnitsFromKg(25),
    material: "bumper",
    thicknessMm: 62,
    diameterMm: 450,
    pairs: 4,
  });
  for (const [tag, diameter] of [
    ["A", "28"],
    ["B", "29"],
  ])
    await enterBars(
      made.context("manager"),
      {
        name: `Bar ${tag}`,
        family: "power",
        state: "in-service",
        "stated.mass": "20 kg",
        "stated.shaftDiameter": diameter!,
        "stated.shaftLength": "1310",
        "stated.collarThickness": "30",
      },
      [tag!],
    );
  return made;
}

describe("a comparison from its link", () => {
  it("bends the bars of the link as the handbook's check values: 22.1 and 19.2 mm at 270 kg", async () => {
    const { context } = await hallWithBars();
    const { items, judgement, unknownTags } = await comparisonFor(context("wall"), { bars: "A,B,GONE", load: "270" });
    expect(items.map(({ bent }) => bent.ok && bent.whip.deflectionMm.toFixed(1))).toEqual(["22.1", "19.2"]);
    expect(judgement.verdict).toBe("It matters here.");
    expect(unknownTags).toEqual(["GONE"]);
  });
  it("obeys the gym’s noticeable difference", async () => {
    const { context } = await hallWithBars();
    await saveMeasuringRules(context("manager"), { noticeableMm: "4" }, 0);
    expect((await comparisonFor(context("coach"), { bars: "A,B", load: "270" })).judgement.verdict).toBe(
      "It hardly matters here.",
    );
  });
  it("thinks the load in the hall's own plates when asked: thicker discs hang further out and bend more", async () => {
    const { context } = await hallWithBars();
    const slack = async (search: Record<string, string>) => {
      const { items, disc } = await comparisonFor(context("coach"), { bars: "A", load: "270", ...search });
      return { disc: disc.key, mm: items[0]!.bent.ok ? items[0]!.bent.whip.deflectionMm : NaN };
    };
    const [thin, thick] = [await slack({}), await slack({ plates: "r25" })];
    expect([thin.disc, thick.disc]).toEqual(["thin25", "r25"]);
    expect(thick.mm).toBeGreaterThan(thin.mm + 5);
  });
  it("takes offers from the link, after the bars of the hall", async () => {
    const { context } = await hallWithBars();
    const comparison = await comparisonFor(context("coach"), {
      bars: "A",
      try: "Offer~20~27~1452.6~50~alloy-steel~1100",
      load: "270",
    });
    expect(comparison.items.map(({ bar }) => bar.tag)).toEqual(["A", "A?"]);
    const offer = comparison.items[1]!.bent;
    expect(offer.ok && offer.whip.deflectionMm).toBeCloseTo(37.8, 1);
    expect(questionWords(comparison)).toBe("deadlift, 270 kg in all, hands 440 mm apart, 25 kg discs, 27 mm");
  });
  it("sets offers on file beside the hall's bars, shaped ones too, and names codes that are none", async () => {
    const { context } = await hallWithBars();
    const offer = {
      name: "Yoke on offer",
      family: "yoke",
      "stated.mass": "27 kg",
      "stated.shaftDiameter": "32",
      "stated.shaftLength": "1310",
      "stated.collarThickness": "30",
      padShape: "round",
      sleeveService: "serviceable",
    };
    expect(await saveOffer(context("manager"), { id: null, version: 0, texts: offer })).toMatchObject({ ok: true });
    const straight = {
      ...offer,
      name: "Thin on offer",
      family: "deadlift",
      "stated.shaftDiameter": "27",
      padShape: "",
    };
    expect(await saveOffer(context("manager"), { id: null, version: 0, texts: straight })).toMatchObject({ ok: true });
    const asked = { bars: "A", offers: "O1,O2,O9", load: "270" };
    const comparison = await comparisonFor(context("coach"), asked);
    expect(comparison.items.map(({ bar, kind, bent }) => [bar.tag, kind, bent.ok])).toEqual([
      ["A", "own", true],
      ["O1", "offer", false],
      ["O2", "offer", true],
    ]);
    expect(comparison.unknownTags).toEqual(["O9"]);
    expect(comparison.offered).toEqual([]);
    // What the seller says of pads and sleeves stands beside the gym's own.
    const said = (name: string) => comparison.rows.find((row) => row.name === name)!.cells.map(({ text }) => text);
    expect(said("pad shape")).toEqual(["–", "round", "–"]);
    expect(said("sleeve can be")).toEqual(["–", "serviceable", "serviceable"]);
    // A kiosk sees no offers, and a link to one shows it none.
    const atWall = await comparisonFor(context("wall"), asked);
    expect([atWall.items.length, atWall.offered]).toEqual([1, []]);
  });
  it("says what of the hall may not be lifted with at this load, and nothing of an offer's state", async () => {
    const { hall, context } = await hallWithBars();
    const asked = () =>
      comparisonFor(context("coach"), { bars: "A,B", try: "Offer~20~27~1452.6~50~alloy-steel~1100", load: "270" });
    expect(await asked()).toMatchObject({ breaks: [], warnings: [] });
    await hall.update(bars, eq(bars.tag, "A"), { state: "quarantined", stateReason: "crack" });
    await hall.update(bars, eq(bars.tag, "B"), {
      state: "watch",
      stateReason: "clicks",
      ratedTotalKg: 200,
      ratingKg: 200,
      ratingBasis: "total",
    });
    const { breaks, warnings, items } = await asked();
    expect(breaks).toEqual(["A is quarantined: crack.", "B may carry 200 kg; 270 kg is planned."]);
    expect(warnings).toEqual(["B is under watch: clicks."]);
    expect(items.map(({ kind }) => kind)).toEqual(["own", "own", "candidate"]);
  });
  it("falls back to a deadlift at 220 kg for what it does not understand", async () => {
    const { context } = await hallWithBars();
    const { lift, state, handsMm } = await comparisonFor(context("coach"), {
      bars: "A",
      lift: "moonwalk",
      load: "lots",
      hands: "-5",
    });
    expect([lift.key, state.loadKg, handsMm]).toEqual(["deadlift", 220, 440]);
  });
});

describe("a comparison's PDF", () => {
  const sheetOf = (rows: number, title = "K04 Long puller") => ({
    title,
    question: "−5 → 10 at ½ of 3 × 7",
    verdict: "It matters here.",
    text: "word ".repeat(120),
    caution: "never over the rating",
    tags: Array.from({ length: 6 }, (_, i) => ({ tag: `T${i}`, name: "x", ink: "#0f6b78" })),
    rows: Array.from({ length: rows }, (_, i) => ({
      name: `row ${i}`,
      cells: Array.from({ length: 6 }, () => ({ text: "1.0", isStated: i % 3 === 0 })),
      unit: "mm",
      by: "0.0 mm",
      isEqual: i % 2 === 0,
    })),
    drawing: null,
    foot: "hall",
  });
  const read = (bytes: Uint8Array, tool = "pdftotext", args = ["-layout", "-", "-"]) =>
    execFileSync(tool, args, { input: Buffer.from(bytes) }).toString();
  it("drops no row, however many there are, and numbers its pages", async () => {
    const bytes = await comparisonPdf(sheetOf(160));
    const text = read(bytes);
    for (let row = 0; row < 160; row += 1) expect(text).toMatch(new RegExp(`row ${row} mm\\s+1\\.0`));
    const pdf = await PDFDocument.load(bytes);
    expect(pdf.getPageCount()).toBeGreaterThan(2);
    expect(text).toContain(`page 2 of ${pdf.getPageCount()}`);
    expect(pdf.getPage(0).getWidth()).toBeCloseTo(841.89, 2);
    // The tags stand over the table on every page.
    expect(text.match(/T0\s+T1\s+T2/g)).toHaveLength(pdf.getPageCount());
  });
  it("is one page where one is enough", async () => {
    expect((await PDFDocument.load(await comparisonPdf(sheetOf(20)))).getPageCount()).toBe(1);
  });
  it("has every letter that people write: Latin of every kind, Greek, Cyrillic, Vietnamese, Devanagari, signs", async () => {
    const names = ["Žluťoučký kůň", "Łódź", "İstanbul", "Ελληνικά", "Кириллица", "Tiếng Việt", "−5 → 10 × ½ ²"];
    const bytes = await comparisonPdf(sheetOf(2, names.join(" · ")));
    const text = read(bytes);
    for (const name of names) for (const word of name.split(" ")) expect(text).toContain(word);
    // Joined letters are read back in another order; each is there.
    const joined = read(await comparisonPdf(sheetOf(2, "हिन्दी שלום مرحبا")));
    for (const letter of "हनद") expect(joined).toContain(letter);
    expect(joined).toContain("שלום");
    // What no face has is the sign for an unknown letter, never another one.
    expect(read(await comparisonPdf(sheetOf(2, "棒 bar 봉 🏋")))).toContain("\ufffd bar \ufffd \ufffd");
    // Embedded, every one: a reader without them shows the same.
    const fonts = execFileSync("pdffonts", ["-"], { input: Buffer.from(bytes) }).toString();
    expect(fonts).toContain("Archivo");
    expect(fonts).toContain("NotoSans");
    const embedded = fonts
      .split("\n")
      .slice(2)
      .filter(Boolean)
      .map((line) => /(yes|no)\s+(yes|no)\s+(yes|no)\s+\d+\s+\d+\s*$/.exec(line)?.[1]);
    expect(new Set(embedded)).toEqual(new Set(["yes"]));
  });
});
