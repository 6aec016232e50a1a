import { asc, eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { bars, careLog, carePlan, careTasks, changes, places } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { type Tick, careLately, tickCare, undoCare } from "./careLog";
import { careDueList, careDueOn, careDuePage } from "@/server/care/due/careDue";

let keys = 0;
const tickOf = (doneBy: string, more: Partial<Tick> = {}): Tick => ({
  tag: "T1",
  task: "shaft",
  doneOn: "2026-03-20",
  doneBy,
  note: "",
  idempotencyKey: `key-${(keys += 1)}-for-test`,
  ...more,
});

describe("ticking off", () => {
  it("moves the due day by the interval, keeps who and when, and writes history", async () => {
    const { hall, context } = await makeContexts("care");
    const result = await tickCare(
      context("care"),
      tickOf(context("coach").actor.personId, { doneOn: "2026-03-19", note: " rust at the collar " }),
    );
    expect(result).toMatchObject({ ok: true, dueOn: "2026-03-29" });
    expect(await hall.rows(careLog)).toMatchObject([
      {
        doneOn: "2026-03-19",
        doneBy: context("coach").actor.personId,
        enteredBy: context("care").actor.personId,
        note: "rust at the collar",
      },
    ]);
    expect(await hall.rows(changes, { orderBy: [asc(changes.at)] })).toMatchObject([
      { action: "done", before: { dueOn: "2026-03-11" }, after: { dueOn: "2026-03-29" } },
    ]);
    expect(await careDueOn(context("care"), "2026-03-20")).toEqual([]);
  });

  it("counts once when sent twice, also at the same moment", async () => {
    const { hall, context } = await makeContexts("care");
    const tick = tickOf(context("care").actor.personId);
    const [one, two] = await Promise.all([tickCare(context("care"), tick), tickCare(context("care"), tick)]);
    expect(one).toEqual(two);
    expect(await tickCare(context("care"), tick)).toEqual(one);
    expect(await hall.rows(careLog)).toHaveLength(1);
  });

  it("is undone: due as before, the entry stays and is marked; undoing twice changes nothing more", async () => {
    const { hall, context } = await makeContexts("care");
    const first = await tickCare(context("care"), tickOf(context("care").actor.personId, { doneOn: "2026-03-10" }));
    const second = await tickCare(context("care"), tickOf(context("care").actor.personId, { doneOn: "2026-03-18" }));
    if (!first.ok || !second.ok) throw new Error("not ticked");
    expect(await undoCare(context("care"), second.logId)).toMatchObject({ ok: true, dueOn: "2026-03-20" });
    expect(await undoCare(context("care"), second.logId)).toMatchObject({ ok: true, dueOn: "2026-03-20" });
    expect(await undoCare(context("care"), first.logId)).toMatchObject({ ok: true, dueOn: "2026-01-01" });
    expect((await hall.rows(careLog)).every(({ undoneAt }) => undoneAt !== null)).toBe(true);
    expect((await careLately(context("care"))).every(({ isUndone }) => isUndone)).toBe(true);
    expect(await hall.rows(changes, { where: eq(changes.action, "undone") })).toHaveLength(2);
  });

  it("refuses a day to come, a stranger, a long note and a bad key, all in one answer, and keeps nothing", async () => {
    const { hall, context } = await makeContexts("care");
    const other = await makeContexts("other");
    const result = await tickCare(
      context("care"),
      tickOf(other.context("care").actor.personId, {
        doneOn: "2026-03-21",
        note: "x".repeat(501),
        idempotencyKey: "short",
      }),
    );
    expect(result).toMatchObject({ ok: false, code: "invalid" });
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "doneOn",
      "note",
      "idempotencyKey",
      "doneBy",
    ]);
    expect(await hall.rows(careLog)).toEqual([]);
  });

  it("refuses those who may not, and what is not there", async () => {
    const { context } = await makeContexts("care");
    expect(await tickCare(context("lifter"), tickOf(context("care").actor.personId))).toMatchObject({
      code: "forbidden",
    });
    expect(await undoCare(context("wall"), "x")).toMatchObject({ code: "forbidden" });
    expect(await tickCare(context("care"), tickOf(context("care").actor.personId, { tag: "T9" }))).toMatchObject({
      code: "not-found",
    });
    expect(await tickCare(context("care"), tickOf(context("care").actor.personId, { task: "dance" }))).toMatchObject({
      code: "not-found",
    });
    expect(await undoCare(context("care"), "' or 1=1")).toMatchObject({ code: "not-found" });
  });
});

describe("what is due", () => {
  it("is sorted by day, and leaves out bars that are retired or not here yet", async () => {
    const { hall, context, bar } = await makeContexts("care");
    expect(await careDueOn(context("wall"), "2026-03-10")).toEqual([]);
    expect(await careDueOn(context("wall"), "2026-03-11")).toMatchObject([
      { tag: "T1", task: "shaft", overdueDays: 9 },
    ]);
    await hall.update(bars, eq(bars.id, bar.id), { state: "on-order" });
    expect(await careDueOn(context("wall"), "2026-03-11")).toEqual([]);
  });

  it("is listed as far as asked and counted whole, of one task, bar or place", async () => {
    const { hall, context, bar, task } = await makeContexts("care");
    const [rack] = await hall.insert(places, { name: "Rack wall", roundOrder: 1 });
    const [sleeves] = await hall.insert(careTasks, { ...task, id: undefined, key: "sleeves", name: "oil", minutes: 1 });
    await hall.update(bars, eq(bars.id, bar.id), { placeId: rack!.id });
    const due = { intervalDays: 10, reason: "" };
    await hall.insert(carePlan, { barId: bar.id, taskId: sleeves!.id, dueOn: "2026-03-20", ...due });
    for (const tag of ["T2", "T3"]) {
      const [one] = await hall.insert(bars, { ...bar, id: undefined, tag, placeId: null });
      await hall.insert(carePlan, { barId: one!.id, taskId: task.id, dueOn: "2026-03-15", ...due });
    }
    const list = (only = {}, most = 10, day = "2026-03-20") => careDueList(context("care"), day, only, most);
    expect(await list({}, 2)).toMatchObject({
      items: [{ tag: "T1", task: "shaft" }, { dueOn: "2026-03-15" }],
      count: 4,
      late: 3,
      minutes: 3 * 3 + 1,
    });
    expect(await list({ task: "sleeves" })).toMatchObject({ items: [{ tag: "T1" }], count: 1, late: 0, minutes: 1 });
    expect(await list({ tag: "T2" })).toMatchObject({ items: [{ tag: "T2", place: null }], count: 1 });
    expect(await list({ place: "Rack wall", task: "shaft" })).toMatchObject({ items: [{ tag: "T1" }], count: 1 });
    for (const nothing of [{ task: "dance" }, { tag: "T9" }, { place: "' or true --" }])
      expect(await list(nothing)).toMatchObject({ items: [], count: 0, minutes: 0 });
    expect(await list({}, 10, "2026-03-14")).toMatchObject({ count: 1, late: 1 });
  });

  it("is paged without losing or doubling an item", async () => {
    const { hall, context, task } = await makeContexts("care");
    for (let i = 2; i < 8; i += 1) {
      const [bar] = await hall.insert(bars, {
        tag: `T${i}`,
        name: "x",
        family: "power",
        state: "in-service",
        knownSince: "2026-01-01",
      });
      await hall.insert(carePlan, {
        barId: bar!.id,
        taskId: task.id,
        dueOn: `2026-03-1${i % 3}`,
        intervalDays: 10,
        reason: "",
      });
    }
    const seen: string[] = [];
    let after;
    do {
      const page = await careDuePage(context("care"), "2026-03-20", { limit: 2, after });
      seen.push(...page.items.map(({ tag }) => tag));
      after = page.nextCursor === null ? undefined : JSON.parse(page.nextCursor);
    } while (after);
    expect(seen.toSorted()).toEqual(["T1", "T2", "T3", "T4", "T5", "T6", "T7"]);
  });

  it("is the hall's own", async () => {
    const [a, b] = [await makeContexts("A"), await makeContexts("B")];
    await tickCare(a.context("care"), tickOf(a.context("care").actor.personId));
    expect(await careDueOn(a.context("care"), "2026-03-20")).toEqual([]);
    expect(await careDueOn(b.context("care"), "2026-03-20")).toHaveLength(1);
  });
});
