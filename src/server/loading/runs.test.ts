import { eq } from "drizzle-orm";
import { describe, expect, it, vi } from "vitest";
import { currentSet } from "@/core/loading/run/runState";
import { seeded } from "@/core/loading/plan/instances.fixture";
import { stepRun } from "@/core/loading/run/runStep";
import { type RunTouch, stepOfTouch } from "@/core/loading/run/runTouch";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { bars, lifters, plates, plateWeights, runs, runSteps } from "@/data/schema";
import { activeRuns } from "./activeRuns";
import { eraseLifter } from "@/server/lifters/eraseLifter";
import { planLoad } from "./planLoad";
import type { Outcome } from "@/server/kit/outcome";
import { endNews } from "@/server/access";
import { followRun } from "./runNews";
import { beginRun, endRun, touchRun } from "./runs";
import { type RunView, listRuns, runOf } from "./runView";
import { TEST_NOW } from "@/server/access/context.fixture";
import { withPlates } from "./session.fixture";
import type { Context } from "@/server/access/context";

const MORE = { liftKey: null, planAddress: "/load/session?who=Ann", lifterIds: {} };

function ok<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.message);
  return outcome;
}

async function begun(name: string) {
  const made = await withPlates(name);
  const { id } = ok(await beginRun(made.manager, made.item, made.wish, MORE));
  let keys = 0;
  const see = async (context: Context = made.manager) => ok(await runOf({ ...context }, id)).view;
  const send = async (touch: RunTouch, key = `key-${(keys += 1)}-${name}`, context: Context = made.manager) =>
    ok(await touchRun({ ...context }, id, { ...touch, key, madeAt: TEST_NOW.toISOString() }));
  const doneOf = ({ state }: RunView): RunTouch => {
    const { id: set, perSide } = currentSet(state)!;
    return { kind: "done", set, perSide };
  };
  return { ...made, id, see, send, doneOf };
}

describe("ten tablets at once", () => {
  it("begin one session of a bar, whoever was first", async () => {
    const made = await withPlates("at-once");
    const all = await Promise.all(
      Array.from({ length: 4 }, () => beginRun({ ...made.manager }, made.item, made.wish, MORE)),
    );
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
    expect(await made.hall.rows(runs)).toHaveLength(1);
    for (const one of all) if (!one.ok) expect(one.message).toContain("in a session already");
  });
  it("may begin where yesterday's session was never ended", async () => {
    const made = await withPlates("forgotten");
    const { id } = ok(await beginRun(made.manager, made.item, made.wish, MORE));
    await made.hall.update(runs, eq(runs.id, id), { startedAt: new Date(TEST_NOW.getTime() - 20 * 3_600_000) });
    ok(await beginRun({ ...made.manager }, made.item, made.wish, MORE));
    expect((await made.hall.rows(runs, { where: eq(runs.id, id) }))[0]!.endedAt).not.toBeNull();
  });
  it("touch one sheet 200 times in any order, twice each: every touch counts once, and all see the same", async () => {
    const { send, see, hall, id } = await begun("tablets");
    const first = await see();
    const next = seeded(20_261_127);
    const sets = first.state.sets;
    const touches = Array.from({ length: 100 }, (_, i): { key: string; touch: RunTouch } => {
      const set = sets[Math.floor(next() * sets.length)]!;
      const kind = (["done", "skip", "load", "reopen"] as const)[Math.floor(next() * 4)]!;
      const more = {
        done: { perSide: set.perSide },
        load: { targetKg: 40 + 5 * Math.floor(next() * 10) },
        skip: {},
        reopen: {},
      };
      return { key: `tablet-${i % 10}-touch-${i}`, touch: { kind, set: set.id, ...more[kind] } };
    });
    const sent = [...touches, ...touches].map((one) => ({ one, at: next() })).sort((a, b) => a.at - b.at);
    const tablets = Array.from({ length: 10 }, (_, t) => sent.filter((_, i) => i % 10 === t));
    await Promise.all(
      tablets.map(async (own) => {
        for (const { one } of own) await send(one.touch, one.key);
      }),
    );
    const steps = await hall.rows(runSteps, { where: eq(runSteps.runId, id) });
    expect(steps).toHaveLength(touches.length);
    const view = await see();
    expect(view.seq).toBe(steps.filter(({ outcome }) => outcome === "taken").length);
    // What was taken, carried out again in its order by the one rule, is what everybody sees.
    const taken = steps.filter(({ outcome }) => outcome === "taken").sort((a, b) => a.seq - b.seq);
    const again = taken.reduce(
      (state, { detail }) => stepRun(state, stepOfTouch(detail as RunTouch)).state,
      first.state,
    );
    expect(again.sets.map(({ id: set, state }) => [set, state])).toEqual(
      view.state.sets.map(({ id: set, state }) => [set, state]),
    );
  });
  it("hear of what another did, also from another copy of the program", async () => {
    const { send, doneOf, see, manager, hall, id } = await begun("news");
    const row = (await hall.rows(runs, { where: eq(runs.id, id) }))[0]!;
    const heard: number[] = [];
    const stop = followRun(manager, row, ({ seq }) => heard.push(seq));
    const stopToo = followRun(manager, row, ({ seq }) => heard.push(seq));
    // The ear opens its own connection: until then there is nothing to hear.
    await vi.waitFor(
      async () => {
        await hall.tell("run", id);
        expect(heard.length).toBeGreaterThan(1);
      },
      { timeout: 20_000, interval: 200 },
    );
    await send(doneOf(await see()));
    await vi.waitFor(() => expect(heard.filter((seq) => seq === 1).length).toBeGreaterThan(1), { timeout: 20_000 });
    stop();
    stopToo();
    await endNews();
  });
});

describe("a session that is run", () => {
  it("is stored: what one tablet does the other sees, and what is sent twice counts once", async () => {
    const { see, send, doneOf, context, hall, id } = await begun("stored");
    const first = await see();
    const touch = doneOf(first);
    const [one, two] = await Promise.all([send(touch, "same-key-1"), send(touch, "same-key-1")]);
    expect([one.outcome, two.outcome]).toEqual(["taken", "taken"]);
    // The same set, ticked on two tablets at the same moment.
    const next = doneOf(await see());
    const both = await Promise.all([send(next, "tablet-a-1"), send(next, "tablet-b-1", context("coach"))]);
    expect(both.map(({ outcome }) => outcome).sort()).toEqual(["already", "taken"]);
    const view = await see(context("coach"));
    expect(view.seq).toBe(2);
    expect(view.state.sets.filter(({ state }) => state === "done")).toHaveLength(2);
    expect(view.stamp).not.toBe(first.stamp);
    expect(await hall.rows(runSteps, { where: eq(runSteps.runId, id) })).toHaveLength(3);
  });
  it("takes what a tablet without connection kept, in any order with what others did, and says what differs", async () => {
    const { see, send, doneOf } = await begun("offline");
    await send(doneOf(await see()));
    const away = await see();
    const kept = away.state.sets.slice(1, 4).map(({ id, perSide }): RunTouch => ({ kind: "done", set: id, perSide }));
    // Meanwhile another tablet changes the load of a set that was lifted by then, and leaves one out.
    await send({ kind: "load", set: kept[0]!.set, targetKg: 70 });
    await send({ kind: "skip", set: kept[1]!.set });
    for (const touch of kept) expect((await send(touch)).outcome).toBe("taken");
    const { state, notices } = await see();
    expect(state.sets).toHaveLength(15);
    expect(state.sets.filter((set) => set.state === "done").map(({ id }) => id)).toEqual([
      state.sets[0]!.id,
      ...kept.map(({ set }) => set),
    ]);
    expect(notices.map(({ text }) => text).join(" ")).toMatch(/with other plates than planned last/);
    expect(notices.map(({ text }) => text).join(" ")).toMatch(/had been left out and was lifted after all/);
    // Too late for a change: it is said, and nothing else happens.
    const late = await send({ kind: "load", set: kept[0]!.set, targetKg: 90 });
    expect(late.outcome).toBe("late");
    expect(late.view.notices[0]!.text).toMatch(
      /was lifted on one tablet while another changed its load: it counts as lifted/,
    );
  });
  it("plans anew when a plate is put away, with a notice, also one that is on the bar", async () => {
    const { see, send, doneOf, hall } = await begun("retired");
    for (let i = 0; i < 13; i += 1) await send(doneOf(await see()));
    const before = await see();
    const gone = before.state.sets[12]!.perSide[0]!;
    await hall.update(plates, eq(plates.key, gone), { pairs: 0 });
    const after = await see();
    expect(after.seq).toBe(before.seq + 1);
    expect(after.notices[0]!.text).toMatch(/^No [\d.]+ kg plates are left\. What comes was replanned\.$/);
    expect(after.state.sets.slice(0, 13)).toEqual(before.state.sets.slice(0, 13));
    for (const set of after.state.sets.slice(13)) expect(set.perSide).not.toContain(gone);
    // Said once.
    expect((await see()).seq).toBe(after.seq);
  });
  it("stops when its bar is quarantined, and still takes what was lifted before", async () => {
    const { see, send, doneOf, hall, bar } = await begun("bent");
    const touch = doneOf(await see());
    await hall.update(bars, eq(bars.id, bar.id), { state: "quarantined", stateReason: "bent" });
    const view = await see();
    expect(view.stop).toBe("T1 is quarantined: bent. Nobody lifts with it: empty it evenly, and take another bar.");
    expect((await send(touch)).outcome).toBe("taken");
  });
  it("is one a bar, and its plates are its own until it ends: others plan without them and are told what to borrow", async () => {
    const { manager, item, wish, id, see, send, doneOf } = await begun("pool");
    for (let i = 0; i < 14; i += 1) await send(doneOf(await see()));
    expect(await beginRun({ ...manager }, item, wish, MORE)).toMatchObject({
      code: "impossible",
      message: "T1 is in a session already at Rack 1: end that one first.",
    });
    const other = { ...item, bar: { ...item.bar, tag: "T2" } };
    const load = (targetKg: number) =>
      planLoad({ ...manager }, other, {
        targetKg,
        clamps: null,
        ending: "racked",
        rounding: "at-or-below",
        toleranceKg: 0,
        only: "kg",
        onBar: [],
      });
    const everything = 29.4 + 2 * (2 * 25 + 2 * 20 + 2 * 10 + 2 * 5 + 2 * 2.5 + 1.25);
    const { plan } = ok(await load(everything));
    if (!plan.answer.ok) throw new Error(plan.answer.message);
    expect(plan.answer.errorUnits).toBeLessThan(0);
    expect(plan.heldElsewhere.length).toBeGreaterThan(0);
    expect(plan.borrow).toMatchObject({ errorUnits: 0 });
    expect(plan.borrow!.from.every(({ where }) => where.includes("Rack 1"))).toBe(true);
    // What is on this bar stays at hand, though the other session counts on some of it.
    const [held] = plan.heldElsewhere;
    const onBar = new Array<string>(plan.plates.get(held!.key)!.pairs).fill(held!.key);
    const loaded = await planLoad({ ...manager }, other, {
      targetKg: 120,
      clamps: null,
      ending: "racked",
      rounding: "at-or-below",
      toleranceKg: 0,
      only: "kg",
      onBar,
    });
    expect(ok(loaded).plan).toMatchObject({ onBar, answer: { ok: true } });
    expect(await activeRuns({ ...manager })).toHaveLength(1);
    expect(await endRun({ ...manager }, id)).toEqual({ ok: true });
    expect(await endRun({ ...manager }, id)).toEqual({ ok: true });
    const free = ok(await load(everything));
    expect(free.plan.answer).toMatchObject({ ok: true, errorUnits: 0 });
    expect(free.plan.borrow).toBeNull();
    expect((await listRuns(manager))[0]).toMatchObject({ isOver: true, tag: "T1" });
  });
  it("is nobody else's: not another hall's, not a lifter's, and an erased lifter's name goes", async () => {
    const made = await withPlates("private");
    const [ann] = await made.hall.insert(lifters, { key: "ann", name: "Ann Example" });
    const { id } = ok(await beginRun(made.manager, made.item, made.wish, { ...MORE, lifterIds: { Ann: ann!.id } }));
    const other = await withPlates("private too");
    expect(await runOf(other.manager, id)).toMatchObject({ code: "not-found" });
    expect(await runOf(made.context("lifter"), id)).toMatchObject({ code: "forbidden" });
    expect(await listRuns(made.context("care"))).toEqual([]);
    await touchRun(made.manager, id, { kind: "skip", set: "1.1", key: "erase-me-1", madeAt: TEST_NOW.toISOString() });
    expect(JSON.stringify(await made.hall.rows(runs))).toContain("Ann");
    expect(await eraseLifter(made.manager, "ann")).toMatchObject({ ok: true });
    expect(JSON.stringify(await made.hall.rows(runs))).not.toContain("Ann");
    expect((await made.hall.rows(runSteps)).every(({ notice }) => !notice?.includes("Ann"))).toBe(true);
    expect(ok(await runOf({ ...made.manager }, id)).view.state.sets).toHaveLength(15);
    expect(await runOf(made.manager, "x")).toMatchObject({ code: "not-found" });
  });
  it("counts weighed plates by the gym’s rule", async () => {
    const { hall, manager, item, wish } = await withPlates("weighed");
    const [row] = await hall.rows(plates, { where: eq(plates.key, "r20") });
    const weigh = (mark: string, kg: number) => ({
      plateId: row!.id,
      mark,
      massValue: String(kg),
      massUnit: "kg" as const,
      massUnits: massUnitsFromKg(kg),
      weighedBy: manager.actor.personId,
      weighedAt: TEST_NOW,
    });
    await hall.insert(plateWeights, [weigh("a", 20.1), weigh("b", 20.3)]);
    const { id } = ok(await beginRun(manager, item, wish, MORE));
    const { state } = ok(await runOf({ ...manager }, id)).view;
    expect(state.plates.find((plate) => plate.id === "r20")!.massUnits).toBe(massUnitsFromKg(20.2));
  });
});
