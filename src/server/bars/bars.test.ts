import { asc } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { barMeasurements, barQuantities, bars, changes } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { changeBarState } from "./barState";
import { measureBar } from "./measureBar";
import { barDetails } from "./barPage";
import { barsByTag, barsOnTheWall, listBars } from "./bars";
import { matchForLift } from "@/server/matching/matchForLift";
import { listLifters } from "@/server/lifters/lifters";
import { ROLES, may } from "@/server/access/permissions";

const kg = (...values: string[]) => values.map((value) => ({ value, unit: "kg" as const }));

describe("the state of a bar", () => {
  it("changes with a reason, a new version and history in one go", async () => {
    const { hall, context } = await makeContexts("bars");
    expect(
      await changeBarState(context("coach"), {
        tag: "T1",
        state: "quarantined",
        reason: "hops when rolled",
        version: 1,
      }),
    ).toMatchObject({ ok: true });
    expect(await hall.first(bars)).toMatchObject({ state: "quarantined", stateReason: "hops when rolled", version: 2 });
    expect(await hall.rows(changes, { orderBy: [asc(changes.at)] })).toMatchObject([
      { action: "state", before: { state: "in-service" }, after: { state: "quarantined" }, reason: "hops when rolled" },
    ]);
  });
  it("refuses a stale edit and shows both versions, nothing lost", async () => {
    const { hall, context } = await makeContexts("bars");
    await changeBarState(context("coach"), { tag: "T1", state: "watch", reason: "clicks", version: 1 });
    const stale = await changeBarState(context("manager"), {
      tag: "T1",
      state: "quarantined",
      reason: "bent",
      version: 1,
    });
    expect(stale).toMatchObject({ ok: false, code: "stale" });
    expect(!stale.ok && stale.message).toMatch(/watch, clicks.*quarantined, bent/);
    expect(await hall.first(bars)).toMatchObject({ state: "watch", version: 2 });
  });
  it("only the manager lifts a quarantine", async () => {
    const { context } = await makeContexts("bars");
    await changeBarState(context("coach"), { tag: "T1", state: "quarantined", reason: "bent", version: 1 });
    const back = { tag: "T1", state: "in-service" as const, reason: "straightened", version: 2 };
    expect(await changeBarState(context("coach"), back)).toMatchObject({ code: "forbidden" });
    // Not even the manager before somebody looked again (handbook §11).
    expect(await changeBarState(context("manager"), back)).toMatchObject({ code: "impossible" });
    await measureBar(context("coach"), {
      tag: "T1",
      kind: "mass",
      readings: [{ value: "20", unit: "kg" }],
      instrument: "scale",
    });
    expect(await changeBarState(context("manager"), { ...back, version: 3 })).toMatchObject({ ok: true });
  });
  it("a quarantine with a runout on record over the limit ends with a new reading under it only", async () => {
    const { context } = await makeContexts("bars-bent");
    const runout = (value: string) =>
      measureBar(context("coach"), {
        tag: "T1",
        kind: "runout",
        readings: [{ value, unit: "mm" }],
        instrument: "gauge",
      });
    await runout("3.4");
    await changeBarState(context("coach"), { tag: "T1", state: "quarantined", reason: "bent", version: 2 });
    const back = (version: number) =>
      changeBarState(context("manager"), { tag: "T1", state: "watch", reason: "straightened", version });
    const refused = await back(3);
    expect(!refused.ok && refused.message).toMatch(/3\.4 mm of runout is on record .* no new reading/);
    await runout("3.2");
    expect(await back(4)).toMatchObject({ code: "impossible" });
    await runout("0.9");
    expect(await back(5)).toMatchObject({ ok: true, state: "watch" });
  });
  it("needs a reason and a role", async () => {
    const { context } = await makeContexts("bars");
    expect(
      await changeBarState(context("coach"), { tag: "T1", state: "watch", reason: " ", version: 1 }),
    ).toMatchObject({
      code: "invalid",
      problems: [{ path: "reason" }],
    });
    expect(await changeBarState(context("care"), { tag: "T1", state: "watch", reason: "x", version: 1 })).toMatchObject(
      {
        code: "forbidden",
      },
    );
  });
});

describe("measuring", () => {
  it("keeps readings as typed, counts their mean, and brings lists up to date", async () => {
    const { hall, context, bar } = await makeContexts("bars");
    await hall.insert(barQuantities, {
      barId: bar.id,
      kind: "mass",
      statedValue: "45",
      statedUnit: "lb",
      stated: 20.41165665,
      effective: 20.41165665,
      source: "stated",
    });
    expect(
      await measureBar(context("care"), { tag: "T1", kind: "mass", readings: kg("20.6", "20.8"), instrument: "scale" }),
    ).toMatchObject({ ok: true, effective: 20.700000000000003 });
    expect(await hall.rows(barMeasurements)).toMatchObject([{ typedValues: ["20.6", "20.8"], typedUnit: "kg" }]);
    expect((await hall.first(bars))!.massKg).toBeCloseTo(20.7, 9);
    const details = (await barDetails(context("care"), "T1"))!;
    expect(details.texts["stated.mass"]).toBe("45 lb");
    expect(details.bar.quantities.mass).toMatchObject({
      source: "measured",
      statedValue: 20.41165665,
      readings: [20.6, 20.8],
    });
    expect((await barsOnTheWall(context("wall")))[0]!.bar.quantities.mass).toMatchObject({ source: "measured" });
  });
  it("counts the newest measurement of a quantity never stated before", async () => {
    const { context } = await makeContexts("bars");
    await measureBar(context("care"), {
      tag: "T1",
      kind: "seatToSeat",
      readings: [{ value: "54", unit: "in" }],
      instrument: "tape",
    });
    await measureBar(context("care"), {
      tag: "T1",
      kind: "seatToSeat",
      readings: [{ value: "1373", unit: "mm" }],
      instrument: "tape",
    });
    expect((await barsByTag(context("care"), ["T1"]))[0]!.bar.quantities.seatToSeat).toEqual({
      value: 1373,
      source: "measured",
    });
  });
  it("refuses what cannot be, naming every reading, and keeps nothing", async () => {
    const { hall, context } = await makeContexts("bars");
    const result = await measureBar(context("care"), {
      tag: "T1",
      kind: "mass",
      readings: [...kg("2000", "0"), { value: "1", unit: "mm" }],
      instrument: "scale",
    });
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "readings",
      "readings.0",
      "readings.1",
      "readings.2",
    ]);
    expect(await hall.rows(barMeasurements)).toEqual([]);
  });
});

it("pages bars by tag without losing or doubling one", async () => {
  const { hall, context } = await makeContexts("bars");
  await hall.insert(
    bars,
    ["T2", "T3", "T0"].map((tag) => ({
      tag,
      name: tag,
      family: "power",
      state: "in-service",
      knownSince: "2026-01-01",
    })),
  );
  const first = await listBars(context("wall"), { limit: 3 });
  expect(first.items.map(({ bar }) => bar.tag)).toEqual(["T0", "T1", "T2"]);
  const [tag, id] = JSON.parse(first.nextCursor!);
  expect(await listBars(context("wall"), { limit: 3, after: { tag, id } })).toMatchObject({
    items: [{ bar: { tag: "T3" } }],
    nextCursor: null,
  });
});

describe("privacy", () => {
  it("shows lifters to coach and manager only, and refuses matching for one to others", async () => {
    const { context } = await makeContexts("bars");
    for (const role of ROLES)
      expect(may({ actor: { role } }, "lifter.read")).toBe(["owner", "manager", "coach"].includes(role));
    expect(await listLifters(context("care"))).toEqual([]);
    expect(await matchForLift(context("wall"), { lift: "bench", loadKg: 60, lifter: "isla" })).toMatchObject({
      code: "forbidden",
    });
  });
  it("never hands out another hall's bar by its tag", async () => {
    const [a] = [await makeContexts("A"), await makeContexts("B")];
    expect(await barsByTag(a.context("manager"), ["T1"])).toMatchObject([{ id: a.bar.id }]);
    expect(await barDetails(a.context("manager"), "T2")).toBeNull();
  });
});
