import { asc, eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { barMeasurements, barQuantities, bars, carePlan, changes, places } from "@/data/schema";
import { inTransaction } from "@/server/access";
import { makeContexts } from "@/server/access/context.fixture";
import { changeBarState } from "./barState";
import { editBar } from "./editBar";
import { enterBars } from "./addBars";
import { insertMeasurements } from "./insertBars";
import { measureBar } from "./measureBar";
import { undoLastChange } from "./undoBarChange";
import { barDetails } from "./barPage";

const SPEC = {
  name: "House bar",
  family: "power",
  state: "in-service",
  finish: "bare",
  sleeveRotation: "bushing",
  place: "Rack wall",
  rating: "700 lb",
  ratingBasis: "unknown",
  "stated.mass": "45 lb",
  "stated.shaftDiameter": "28.5",
};
type Hall = Awaited<ReturnType<typeof makeContexts>>;
const page = async ({ context }: Hall, tag: string) => (await barDetails(context("manager"), tag))!;
const undo = async (made: Hall, tag: string) =>
  undoLastChange(made.context("coach"), tag, (await page(made, tag)).history[0]!.id);

describe("entering bars", () => {
  it("makes five of a kind with five tags and one spec, each with its own plan of care and history", async () => {
    const made = await makeContexts("enter");
    const tags = ["K1", "K2", "K3", "K4", "K5"];
    expect(await enterBars(made.context("coach"), SPEC, tags)).toEqual({ ok: true, tags });
    const rows = (await made.hall.rows(bars)).filter(({ tag }) => tag !== "T1");
    expect(rows).toHaveLength(5);
    expect(rows[0]).toMatchObject({ name: "House bar", massKg: 20.41165665, shaftDiameterMm: 28.5 });
    expect(rows[0]!.ratedTotalKg).toBeCloseTo(317.514659, 6);
    expect(await made.hall.rows(places)).toHaveLength(1);
    expect(await made.hall.rows(carePlan)).toHaveLength(6);
    const { texts, history } = await page(made, "K3");
    expect(texts).toMatchObject({ tag: "K3", rating: "700 lb", "stated.mass": "45 lb", place: "Rack wall" });
    expect(history.map(({ action }) => action)).toEqual(["entered"]);
  });
  it("enters none when one tag hangs already, or a field is wrong, and lists every problem", async () => {
    const made = await makeContexts("enter");
    expect(await enterBars(made.context("coach"), SPEC, ["K1", "T1"])).toMatchObject({
      ok: false,
      problems: [{ path: "tag", message: expect.stringContaining("T1 hangs on the wall") }],
    });
    const wrong = await enterBars(made.context("coach"), { ...SPEC, finish: "gold", "stated.mass": "heavy" }, [
      "K1",
      "K1",
    ]);
    expect(!wrong.ok && wrong.problems.map(({ path }) => path)).toEqual(["tag", "finish", "stated.mass"]);
    expect(await made.hall.rows(bars)).toHaveLength(1);
  });
  it("lets a tag be used again once its bar is retired", async () => {
    const made = await makeContexts("enter");
    await changeBarState(made.context("manager"), { tag: "T1", state: "retired", reason: "cracked", version: 1 });
    expect(await enterBars(made.context("manager"), SPEC, ["T1"])).toMatchObject({ ok: true });
    expect((await page(made, "T1")).bar.name).toBe("House bar");
  });
  it("is not for lifters, the care crew or the wall", async () => {
    const made = await makeContexts("enter");
    for (const role of ["care", "lifter", "wall"] as const)
      expect(await enterBars(made.context(role), SPEC, ["K1"])).toMatchObject({ code: "forbidden" });
  });
});

describe("changing a bar", () => {
  async function entered() {
    const made = await makeContexts("edit");
    await enterBars(made.context("coach"), SPEC, ["K1"]);
    const { id, version, texts } = await page(made, "K1");
    return { made, id, version, texts };
  }
  it("writes what was and what is, and brings effective values up to date", async () => {
    const { made, id, version, texts } = await entered();
    const result = await editBar(made.context("coach"), id, version, {
      ...texts,
      finish: "ceramic",
      "stated.mass": "20 kg",
    });
    expect(result).toMatchObject({ ok: true, changed: ["finish", "stated.mass"] });
    const { history, bar } = await page(made, "K1");
    expect(history[0]).toMatchObject({
      action: "edited",
      before: { finish: "bare", "stated.mass": "45 lb" },
      after: { finish: "ceramic", "stated.mass": "20 kg" },
    });
    expect(bar.quantities.mass!.value).toBe(20);
    expect((await made.hall.first(bars, { where: eq(bars.id, id) }))!.massKg).toBe(20);
  });
  it("writes nothing when nothing differs", async () => {
    const { made, id, version, texts } = await entered();
    expect(await editBar(made.context("coach"), id, version, texts)).toMatchObject({ ok: true, changed: [] });
    expect((await page(made, "K1")).version).toBe(version);
  });
  it("refuses a stale edit, names both texts of every field, and takes it with the new version", async () => {
    const { made, id, version, texts } = await entered();
    await editBar(made.context("manager"), id, version, { ...texts, name: "Renamed" });
    const mine = { ...texts, finish: "ceramic" };
    const stale = await editBar(made.context("coach"), id, version, mine);
    expect(stale).toMatchObject({
      ok: false,
      code: "stale",
      stale: { version: version + 1, theirs: { name: "Renamed" } },
    });
    expect(!stale.ok && stale.problems.map(({ message }) => message)).toEqual([
      "name: you wrote “House bar”, it is now “Renamed”",
      "shaft finish: you wrote “ceramic”, it is now “bare”",
    ]);
    expect(await page(made, "K1")).toMatchObject({ bar: { name: "Renamed" }, texts: { finish: "bare" } });
    expect(await editBar(made.context("coach"), id, version + 1, mine)).toMatchObject({ ok: true });
    expect((await page(made, "K1")).bar.name).toBe("House bar");
  });
  it("drops a quantity that nobody states any more, and keeps one that was measured", async () => {
    const { made, id, version, texts } = await entered();
    await measureBar(made.context("care"), {
      tag: "K1",
      kind: "shaftDiameter",
      readings: [{ value: "28.4", unit: "mm" }],
      instrument: "caliper",
    });
    const rest = Object.fromEntries(Object.entries(texts).filter(([key]) => !key.startsWith("stated.")));
    await editBar(made.context("coach"), id, version + 1, rest);
    const rows = await made.hall.rows(barQuantities, { where: eq(barQuantities.barId, id) });
    expect(rows).toMatchObject([{ kind: "shaftDiameter", source: "measured", stated: null, effective: 28.4 }]);
    expect((await made.hall.first(bars, { where: eq(bars.id, id) }))!.massKg).toBeNull();
  });
  it("makes care follow a new finish", async () => {
    const { made, id, version, texts } = await entered();
    const plan = async () => (await made.hall.first(carePlan, { where: eq(carePlan.barId, id) }))!.intervalDays;
    const before = await plan();
    await editBar(made.context("coach"), id, version, { ...texts, finish: "stainless" });
    expect(await plan()).toBeGreaterThan(before);
  });
  it("sees no bar of another hall", async () => {
    const { id, version, texts } = await entered();
    const other = await makeContexts("other");
    expect(await editBar(other.context("manager"), id, version, texts)).toMatchObject({ code: "not-found" });
  });
});

describe("taking the last change back", () => {
  it("restores fields, and taking back again restores the change", async () => {
    const made = await makeContexts("undo");
    await enterBars(made.context("coach"), SPEC, ["K1"]);
    const { id, version, texts } = await page(made, "K1");
    await editBar(made.context("coach"), id, version, { ...texts, name: "Other", "stated.mass": "20 kg" });
    expect(await undo(made, "K1")).toMatchObject({ ok: true, what: "edited" });
    expect(await page(made, "K1")).toMatchObject({ bar: { name: "House bar" }, texts: { "stated.mass": "45 lb" } });
    expect(await undo(made, "K1")).toMatchObject({ ok: true });
    expect(await page(made, "K1")).toMatchObject({ bar: { name: "Other" }, texts: { "stated.mass": "20 kg" } });
    expect((await page(made, "K1")).history.map(({ action }) => action)).toEqual([
      "undone: edited",
      "undone: edited",
      "edited",
      "entered",
    ]);
  });
  it("no longer counts readings, which stay in the record", async () => {
    const made = await makeContexts("undo");
    await enterBars(made.context("coach"), SPEC, ["K1"]);
    await measureBar(made.context("care"), {
      tag: "K1",
      kind: "mass",
      readings: [{ value: "20.8", unit: "kg" }],
      instrument: "scale",
    });
    expect((await page(made, "K1")).bar.quantities.mass).toMatchObject({ source: "measured", value: 20.8 });
    await undo(made, "K1");
    expect((await page(made, "K1")).bar.quantities.mass).toMatchObject({ source: "stated" });
    expect(await made.hall.rows(barMeasurements)).toHaveLength(1);
    await undo(made, "K1");
    expect((await page(made, "K1")).bar.quantities.mass).toMatchObject({ source: "measured", value: 20.8 });
  });
  it("returns a state, but lifts a quarantine for the manager only", async () => {
    const made = await makeContexts("undo");
    await changeBarState(made.context("coach"), { tag: "T1", state: "quarantined", reason: "bent", version: 1 });
    expect(await undo(made, "T1")).toMatchObject({ code: "forbidden" });
    const last = (await page(made, "T1")).history[0]!.id;
    // Nor by the manager without anybody having looked: taking a change back is no way round it.
    expect(await undoLastChange(made.context("manager"), "T1", last)).toMatchObject({ code: "impossible" });
    expect((await page(made, "T1")).bar).toMatchObject({ state: "quarantined", stateReason: "bent" });
  });
  it("takes back only the last, and never the entering", async () => {
    const made = await makeContexts("undo");
    await enterBars(made.context("coach"), SPEC, ["K1"]);
    expect(await undo(made, "K1")).toMatchObject({ code: "impossible" });
    const first = (await page(made, "K1")).history[0]!.id;
    await changeBarState(made.context("coach"), { tag: "K1", state: "watch", reason: "clicks", version: 1 });
    expect(await undoLastChange(made.context("coach"), "K1", first)).toMatchObject({ code: "stale" });
  });
});

it("keeps a set of readings sent twice once", async () => {
  const made = await makeContexts("twice");
  const sent = {
    tag: "T1",
    kind: "mass" as const,
    readings: [{ value: "20.1", unit: "kg" as const }],
    instrument: "scale",
    idempotencyKey: "key-of-one-step",
  };
  const [first, second] = [await measureBar(made.context("care"), sent), await measureBar(made.context("care"), sent)];
  expect(second).toEqual(first);
  expect(await made.hall.rows(barMeasurements)).toHaveLength(1);
  expect((await made.hall.rows(changes)).filter(({ action }) => action === "measured mass")).toHaveLength(1);
});

it("takes a simulated instrument's reading in a demonstration only, and marks it for ever", async () => {
  const made = await makeContexts("simulated");
  const sent = {
    tag: "T1",
    kind: "mass" as const,
    readings: [{ value: "19.4", unit: "kg" as const }],
    instrument: "Simulated scale",
  };
  const refused = await measureBar(made.context("manager"), sent);
  expect(!refused.ok && refused.problems).toMatchObject([{ path: "instrument" }]);
  expect(await made.hall.rows(barMeasurements)).toEqual([]);
  const manager = made.context("manager");
  const demo = { ...manager, actor: { ...manager.actor, isDemo: true } };
  expect(await measureBar(demo, sent)).toMatchObject({ ok: true, effective: 19.4 });
  expect(await made.hall.rows(barMeasurements)).toMatchObject([{ isSimulated: true, counts: true }]);
  // Brought by a file into a gym of its own it is kept, marked, and does not count as measured.
  await measureBar(made.context("coach"), { ...sent, readings: [{ value: "20.3", unit: "kg" }], instrument: "scale" });
  await inTransaction(manager, (context) =>
    insertMeasurements(context, [
      {
        barId: made.bar.id,
        measurement: { ...sent, at: "2026-03-21T09:00:00Z", by: null } as never,
      },
    ]),
  );
  const rows = await made.hall.rows(barMeasurements, { orderBy: [asc(barMeasurements.measuredAt)] });
  expect(rows.at(-1)).toMatchObject({ isSimulated: true, counts: false });
  expect((await page(made, "T1")).bar.quantities.mass).toMatchObject({ value: 20.3, source: "measured" });
});

it("takes six readings of a shaft, three places in two directions, and three of anything else", async () => {
  const made = await makeContexts("six");
  const readings = (count: number, value: string, unit: "mm" | "kg") =>
    Array.from({ length: count }, () => ({ value, unit }));
  const measure = (kind: "shaftDiameter" | "mass", count: number, value: string, unit: "mm" | "kg") =>
    measureBar(made.context("care"), { tag: "T1", kind, readings: readings(count, value, unit), instrument: "x" });
  expect(await measure("shaftDiameter", 6, "28.5", "mm")).toMatchObject({ ok: true });
  expect(await measure("shaftDiameter", 7, "28.5", "mm")).toMatchObject({ ok: false });
  expect(await measure("mass", 4, "20", "kg")).toMatchObject({
    ok: false,
    problems: [{ message: "One to three readings." }],
  });
});
