import { and, eq, isNull } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { chartTexts } from "@/core/setups/chartFields";
import { ARM_CHART, FRAME_CHART } from "@/core/setups/setups.fixture";
import { LIFT_KEYS, LIFTS } from "@/core/matching/lifts";
import {
  bars,
  barQuantities,
  barSetups,
  changes,
  lifters,
  lifterSettings,
  lifts,
  people,
  places,
  putAways,
  stations,
} from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { eraseLifter } from "@/server/lifters/eraseLifter";
import { cardPage, cardPages } from "./setupCards";
import { type SettingForm, calibrate, copySetting, keepSetting, noteStand } from "./setupChanges";
import { barToSet } from "./setBars";
import { keptSettings } from "./keptSettings";
import { stationHoles } from "./stationHoles";
import { cardPdf, cardsPdf } from "@/papers/setupPdf";
import { hangBar, movePlace, putAway, savePlace } from "./storageChanges";
import { spaceOf } from "./space";
import { storageDangers, storageOf } from "./storage";
import { todayItems } from "@/server/today/today";

async function withBars(name: string) {
  const made = await makeContexts(name);
  const { hall } = made;
  await hall.insert(
    lifts,
    LIFT_KEYS.map((key, i) => ({ ...LIFTS[key], listOrder: i + 1 })),
  );
  const facts = { state: "in-service" as const, knownSince: "2026-01-01" };
  const [arm, twin, frame] = await hall.insert(bars, [
    { ...facts, tag: "Y1", name: "Arms", family: "adjustable-yoke", looseParts: ["4 pins", "2 arms"] },
    { ...facts, tag: "Y2", name: "Twin", family: "adjustable-yoke" },
    { ...facts, tag: "F1", name: "Frame", family: "open-frame" },
  ]);
  await hall.insert(
    barQuantities,
    [arm!, twin!, frame!].map(({ id }) => ({
      barId: id,
      kind: "mass",
      statedValue: "25",
      statedUnit: "kg",
      stated: 25,
      effective: 25,
      source: "stated",
    })),
  );
  const [ann, bo] = await hall.insert(lifters, [
    { key: "ann", name: "Ann Example", heightMm: 1930, massKg: 90 },
    { key: "bo", name: "Bo Example", heightMm: 1700, massKg: 70, personId: made.context("lifter").actor.personId },
  ]);
  await hall.insert(stations, [
    { key: "r1", name: "Rack 1", kind: "rack", holePitchMm: 50, firstHoleMm: 430, jCupPairs: 2 },
    { key: "b1", name: "Bench 1", kind: "bench", holePitchMm: 50, firstHoleMm: 700, jCupPairs: 1 },
  ]);
  return { ...made, arm: arm!, twin: twin!, frame: frame!, ann: ann!, bo: bo! };
}

const FORM: SettingForm = {
  lifter: "ann",
  tag: "Y1",
  lift: "back-squat-high",
  setting: { mark: "6", pin: "B" },
  station: "r1",
  jCupHole: "24",
  note: "",
};
const ARM_TEXTS = chartTexts(ARM_CHART);

describe("calibrating a bar", () => {
  it("belongs to that bar, counts up, and refuses a stale form", async () => {
    const { context, hall, arm } = await withBars("calibrate");
    const coach = context("coach");
    expect(await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS })).toMatchObject({ ok: true });
    const set = (await barToSet(coach, "Y1"))!;
    expect(set).toMatchObject({ chart: ARM_CHART, chartVersion: 1, calibratedOn: "2026-03-20" });
    expect((await barToSet(coach, "Y2"))!.chart).toBeNull();
    expect(await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS })).toMatchObject({ code: "stale" });
    // The same again changes nothing.
    await calibrate(coach, { tag: "Y1", version: set.setupVersion, texts: ARM_TEXTS });
    expect((await barToSet(coach, "Y1"))!.chartVersion).toBe(1);
    const [row] = await hall.rows(changes, {
      where: and(eq(changes.entityId, arm.id), eq(changes.action, "calibrated")),
    });
    expect(row!.after).toMatchObject({ pins: "A = 60 60 | B = 120 120 | C = 180 180 | D = 280 280" });
  });
  it("stores nothing of what is wrong, and names it", async () => {
    const { context, hall } = await withBars("calibrate badly");
    const bad = await calibrate(context("coach"), {
      tag: "Y1",
      version: 0,
      texts: { ...ARM_TEXTS, marks: "1 = 20 30", padKg: "26" },
    });
    expect(bad).toMatchObject({ ok: false, code: "invalid" });
    const heavy = await calibrate(context("coach"), { tag: "Y1", version: 0, texts: { ...ARM_TEXTS, padKg: "26" } });
    expect(heavy).toMatchObject({ problems: [{ path: "padKg", message: "the whole bar is 25 kg" }] });
    expect(await calibrate(context("coach"), { tag: "T1", version: 0, texts: {} })).toMatchObject({
      code: "impossible",
    });
    expect(await calibrate(context("coach"), { tag: "nix", version: 0, texts: {} })).toMatchObject({
      code: "not-found",
    });
    expect(await hall.rows(barSetups)).toEqual([]);
  });
});

describe("how a bar stands", () => {
  it("is kept when left and right agree and refused when they do not", async () => {
    const { context } = await withBars("stand");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const like = (mark: string) => ({ mark, pin: "B" });
    expect(await noteStand(coach, { tag: "Y1", left: like("3"), right: like("4"), as: "present" })).toMatchObject({
      ok: false,
      code: "impossible",
    });
    expect((await barToSet(coach, "Y1"))!.present).toBeNull();
    expect(await noteStand(coach, { tag: "Y1", left: like("3"), right: like("3"), as: "present" })).toEqual({
      ok: true,
      words: "mark 3, pin B",
    });
    expect(await noteStand(coach, { tag: "Y1", left: like("9"), right: like("3"), as: "present" })).toMatchObject({
      code: "invalid",
      problems: [{ path: "left.mark" }],
    });
    await noteStand(coach, { tag: "Y1", left: like("1"), right: like("1"), as: "stored" });
    const { conflicts } = await storageOf(coach);
    expect(conflicts.map(({ text }) => text)).toContain(
      "Y1 Arms should hang at mark 1, pin B; it is at mark 3, pin B.",
    );
  });
});

describe("settings of a lifter", () => {
  it("keep their history, and a setting of one bar never applies to another", async () => {
    const { context, hall, arm, ann } = await withBars("settings");
    const coach = context("coach");
    expect(await keepSetting(coach, FORM)).toMatchObject({
      problems: [{ message: "Y1 has no chart yet: calibrate it first" }, { path: "mark" }, { path: "pin" }],
    });
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    await calibrate(coach, { tag: "Y2", version: 0, texts: { ...ARM_TEXTS, marks: "x = 10 | y = 40" } });
    const first = await keepSetting(coach, FORM);
    const second = await keepSetting(coach, { ...FORM, setting: { mark: "5", pin: "C" }, note: "better" });
    expect([first.ok, second.ok]).toEqual([true, true]);
    const kept = await keptSettings(coach, { lifterId: ann.id, withHistory: true });
    expect(kept.map(({ words, isCurrent }) => [words, isCurrent])).toEqual([
      ["mark 5, pin C", true],
      ["mark 6, pin B", false],
    ]);
    expect(await keepSetting(coach, { ...FORM, tag: "Y2" })).toMatchObject({
      problems: [{ message: "mark: this bar has no 6; it has x, y" }],
    });
    // A new calibration makes what was kept old, and says so.
    const set = (await barToSet(coach, "Y1"))!;
    await calibrate(coach, { tag: "Y1", version: set.setupVersion, texts: { ...ARM_TEXTS, padKg: "9" } });
    expect((await keptSettings(coach, { barId: arm.id }))[0]!.isOld).toBe(true);
    expect(await hall.rows(lifterSettings, { where: isNull(lifterSettings.replacedAt) })).toHaveLength(1);
  });
  it("name every problem of a form", async () => {
    const { context } = await withBars("settings badly");
    await calibrate(context("coach"), { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const bad = await keepSetting(context("coach"), {
      ...FORM,
      lift: "swim",
      setting: { mark: "6" },
      station: "",
      jCupHole: "1.5",
      note: "x".repeat(201),
    });
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["lift", "pin", "jCupHole", "station", "note"]);
    expect(await keepSetting(context("coach"), { ...FORM, lifter: "nobody" })).toMatchObject({
      problems: [{ path: "lifter" }],
    });
    expect(await keepSetting(context("coach"), { ...FORM, station: "r9" })).toMatchObject({
      problems: [{ path: "station" }],
    });
  });
  it("of a frame with the hands off the axis are refused with the reason", async () => {
    const { context, hall } = await withBars("frames");
    const coach = context("coach");
    await calibrate(coach, { tag: "F1", version: 0, texts: chartTexts(FRAME_CHART) });
    const setting = { arms: "up", handles: "up", direction: "back", hole: "1", pins: "out", stands: "off" };
    const form = { ...FORM, tag: "F1", lift: "deadlift", setting, station: "", jCupHole: "", totalKg: 125 };
    const refused = await keepSetting(coach, form);
    expect(refused).toMatchObject({ ok: false, code: "impossible" });
    expect(refused.ok ? "" : refused.message).toContain("must cross back over the axis");
    expect(await hall.rows(lifterSettings)).toEqual([]);
    expect(await keepSetting(coach, { ...form, setting: { ...setting, direction: "forward" } })).toMatchObject({
      ok: true,
    });
  });
  it("are copied with the J-cup hole of the other lifter's own height", async () => {
    const { context, hall, bo } = await withBars("copying");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const kept = await keepSetting(coach, FORM);
    if (!kept.ok) throw new Error(kept.message);
    expect(await copySetting(coach, { id: kept.id, lifter: "ann" })).toMatchObject({ code: "invalid" });
    expect(await copySetting(coach, { id: kept.id, lifter: "bo" })).toMatchObject({ ok: true });
    const row = await hall.first(lifterSettings, { where: eq(lifterSettings.lifterId, bo.id) });
    // 0.818 × 1700 + 20 − 60 + 50 (yoke) = 1400.6 mm: hole 20 of a rack from 430 mm by 50 mm.
    expect(row).toMatchObject({ setting: { mark: "6", pin: "B" }, jCupHole: 20, stationKey: "r1" });
  });
  it("go with the lifter when the lifter is erased", async () => {
    const { context, hall } = await withBars("erasing");
    await calibrate(context("coach"), { tag: "Y1", version: 0, texts: ARM_TEXTS });
    await keepSetting(context("coach"), FORM);
    expect(await eraseLifter(context("manager"), "ann")).toMatchObject({ ok: true });
    expect(await hall.rows(lifterSettings)).toEqual([]);
  });
});

describe("J-cups at every rack and bench", () => {
  it("come from what was used last, else from the rule, and pairs that store a bar are counted off", async () => {
    const { context, hall, twin, ann } = await withBars("holes");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const ask = async () => ({
      set: (await barToSet(coach, "Y1"))!,
      setting: { mark: "3", pin: "B" },
      lift: LIFTS["back-squat-high"],
      build: { heightMm: 1930, massKg: 90 },
      lifterId: ann.id,
    });
    const [bench, rack] = await stationHoles(coach, await ask());
    // 0.818 × 1930 + 20 − 60 + 50 = 1588.7 mm: hole 24.
    expect(rack).toMatchObject({ key: "r1", hole: 24, ruleHole: 24, fromStraight: 1, note: null, pairsLeft: 2 });
    expect(bench).toMatchObject({ key: "b1", hole: null, ruleHole: null });
    await keepSetting(coach, { ...FORM, jCupHole: "23" });
    const [place] = await hall.insert(places, { name: "In rack 1", roundOrder: 9, kind: "rack", stationKey: "r1" });
    await hall.update(bars, eq(bars.id, twin.id), { placeId: place!.id });
    const [, later] = await stationHoles(coach, await ask());
    expect(later).toMatchObject({ hole: 23, ruleHole: 24, note: "used last; the rule says hole 24" });
  });
});

describe("setup cards", () => {
  it("are seen by coaches and by the lifter they are for, by nobody else", async () => {
    const { context, hall } = await withBars("cards");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const kept = await keepSetting(coach, { ...FORM, lifter: "bo" });
    if (!kept.ok) throw new Error(kept.message);
    const card = (await cardPage(coach, kept.id))!;
    expect(card).toMatchObject({ lifterName: "Bo Example", liftName: "back squat, high bar", isOld: false });
    expect(card.card.first[0]).toContain("only when it is empty");
    expect(card.address.endsWith(`/setups/card/${kept.id}`)).toBe(true);
    expect(await cardPage(context("lifter"), kept.id)).not.toBeNull();
    expect(await cardPage(context("care"), kept.id)).toBeNull();
    expect(await cardPage(context("wall"), kept.id)).toBeNull();
    const [other] = await hall.insert(people, { name: "Other", role: "lifter" });
    expect(
      await cardPage({ ...context("lifter"), actor: { ...context("lifter").actor, personId: other!.id } }, kept.id),
    ).toBeNull();
    expect(await cardPage(coach, "nonsense")).toBeNull();
    expect(await cardPages(coach, { tag: "Y1" })).toHaveLength(1);
    expect(await cardPages(coach, { tag: "Y2" })).toEqual([]);
    expect(await cardPages(context("care"), {})).toEqual([]);
  });
  it("say which one counts when they were replaced", async () => {
    const { context } = await withBars("replaced");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const [first, second] = [
      await keepSetting(coach, FORM),
      await keepSetting(coach, { ...FORM, setting: { mark: "2", pin: "A" } }),
    ];
    if (!first.ok || !second.ok) throw new Error("not kept");
    expect((await cardPage(coach, first.id))!.replacedBy).toBe(second.id);
    expect((await cardPage(coach, second.id))!.replacedBy).toBeNull();
  });
  it("print as one page each, and eight to a sheet", async () => {
    const { context } = await withBars("printing");
    const coach = context("coach");
    await calibrate(coach, { tag: "Y1", version: 0, texts: ARM_TEXTS });
    const kept = await keepSetting(coach, FORM);
    if (!kept.ok) throw new Error(kept.message);
    const card = (await cardPage(coach, kept.id))!;
    const isPdf = (bytes: Uint8Array) => Buffer.from(bytes.slice(0, 5)).toString() === "%PDF-";
    expect(isPdf(await cardPdf(card, "foot"))).toBe(true);
    const { PDFDocument } = await import("pdf-lib");
    const pages = async (count: number) =>
      (
        await PDFDocument.load(
          await cardsPdf(
            Array.from({ length: count }, () => card),
            "t",
            "f",
          ),
        )
      ).getPageCount();
    expect([await pages(0), await pages(8), await pages(9)]).toEqual([1, 1, 2]);
  });
});

describe("where bars hang", () => {
  it("gives the first free peg, refuses a taken one and a full place", async () => {
    const { context, hall } = await withBars("hanging");
    const care = context("care");
    await hall.insert(places, { name: "Wall", roundOrder: 1, slots: 2 });
    expect(await hangBar(care, { tag: "Y1", place: "Wall", slot: null })).toEqual({ ok: true, slot: 1 });
    expect(await hangBar(care, { tag: "Y2", place: "Wall", slot: 1 })).toMatchObject({
      code: "impossible",
      message: "Y1 hangs on peg 1 of Wall.",
    });
    expect(await hangBar(care, { tag: "Y2", place: "Wall", slot: 3 })).toMatchObject({ code: "invalid" });
    expect(await hangBar(care, { tag: "Y2", place: "Wall", slot: null })).toEqual({ ok: true, slot: 2 });
    expect(await hangBar(care, { tag: "F1", place: "Wall", slot: null })).toMatchObject({
      message: "Wall is full: it holds 2.",
    });
    expect(await hangBar(care, { tag: "F1", place: "nowhere", slot: null })).toMatchObject({ code: "not-found" });
  });
  it("never gives two bars that come at once one peg", async () => {
    const { context, hall } = await withBars("at once");
    await hall.insert(places, { name: "Wall", roundOrder: 1, slots: 9 });
    await Promise.all(["Y1", "Y2", "F1"].map((tag) => hangBar(context("care"), { tag, place: "Wall", slot: null })));
    const slots = (await hall.rows(bars)).flatMap(({ placeSlot }) => (placeSlot === null ? [] : [placeSlot]));
    expect(slots.sort()).toEqual([1, 2, 3]);
  });
  it("keeps places, with every problem named, and where they stand on the sketch", async () => {
    const { context, hall } = await withBars("places");
    const manager = context("manager");
    const save = (texts: Record<string, string>, id: string | null = null, version = 0) =>
      savePlace(manager, { id, version, texts });
    expect(await save({ name: "", kind: "cellar", slots: "x" })).toMatchObject({
      problems: [{ path: "name" }, { path: "kind" }, { path: "slots" }],
    });
    expect(await save({ name: "In rack 1", kind: "rack" })).toMatchObject({ problems: [{ path: "stationKey" }] });
    const made = await save({ name: "In rack 1", kind: "rack", stationKey: "r1" });
    if (!made.ok) throw new Error(made.message);
    expect(await save({ name: "in RACK 1", kind: "floor" })).toMatchObject({ problems: [{ path: "name" }] });
    expect(await save({ name: "Rack one", kind: "rack", stationKey: "r1" }, made.id, 1)).toMatchObject({ ok: true });
    expect(await save({ name: "Rack two", kind: "floor" }, made.id, 1)).toMatchObject({ code: "stale" });
    expect(await movePlace(manager, { id: made.id, x: 1200, y: 0 })).toMatchObject({ code: "invalid" });
    expect(await movePlace(manager, { id: made.id, x: 120.4, y: 500 })).toMatchObject({ ok: true });
    expect(await hall.first(places, { where: eq(places.id, made.id) })).toMatchObject({
      name: "Rack one",
      planX: 120,
      planY: 500,
    });
    const [rack] = await hall.rows(stations, { where: eq(stations.key, "r1") });
    expect(await movePlace(manager, { id: rack!.id, x: 300, y: 700 })).toMatchObject({ ok: true });
    expect((await storageOf(manager)).stations.find(({ id }) => id === rack!.id)!.at).toEqual({ x: 300, y: 700 });
    // What stands on the sketch is measured from there.
    expect((await spaceOf(manager)).spots).toEqual([
      { name: "Rack one", isStation: false, at: { x: 120, y: 500 } },
      { name: rack!.name, isStation: true, at: { x: 300, y: 700 } },
    ]);
  });
  it("counts loose parts; what is missing is on Today until it is counted again", async () => {
    const { context, hall } = await withBars("parts");
    const care = context("care");
    expect(await putAway(care, { tag: "Y1", counted: [4] })).toMatchObject({ problems: [{ path: "part.1" }] });
    expect(await hall.rows(putAways)).toEqual([]);
    expect(await putAway(care, { tag: "Y1", counted: [3, 2] })).toEqual({ ok: true, missing: ["1 of 4 pins"] });
    const [danger] = await storageDangers(care);
    expect(danger!.text).toBe("Y1 Arms: 1 of 4 pins missing when it was put away.");
    expect((await todayItems(context("manager")))[0]!.title).toBe(danger!.text);
    await putAway(care, { tag: "Y1", counted: [4, 2] });
    expect(await storageDangers(care)).toEqual([]);
  });
});
