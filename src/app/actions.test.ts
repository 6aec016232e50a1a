import { eq } from "drizzle-orm";
import { beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { BAR_STATES } from "@/core/bars/bar";
import { LIFTS } from "@/core/matching/lifts";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { barQuantities, bars, careLog, careTasks, lifters, lifts, places, plates, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import * as barActions from "./(desk)/bars/actions";
import * as equipmentActions from "./(desk)/bars/equipment/actions";
import * as measureActions from "./(desk)/bars/measure/actions";
import * as careActions from "./(desk)/care/actions";
import * as lifterActions from "./(desk)/lifters/actions";
import * as sessionActions from "./(desk)/load/session/actions";
import * as matchActions from "./(desk)/match/actions";
import * as classActions from "./(desk)/classes/actions";
import * as houseActions from "./(desk)/settings/house/actions";
import * as settingsActions from "./(desk)/settings/actions";
import * as setupActions from "./(desk)/setups/actions";
import { edge, form, leads } from "./edge.fixture";
import * as chalkActions from "./wall/chalk/actions";
import { FRESH, type FormState } from "@/ui/kit/formState";

vi.mock("@/server/access", async (original) => {
  const { contextOfTest } = await import("./edge.fixture");
  return { ...(await original<object>()), requestContext: contextOfTest, requestContextOf: contextOfTest };
});
vi.mock("next/cache", () => ({
  revalidatePath: () => {
    edge.revalidated += 1;
  },
}));
vi.mock("next/navigation", async () => {
  const { Redirected } = await import("./edge.fixture");
  return {
    redirect: (to: string) => {
      throw new Redirected(to);
    },
  };
});

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeAll(async () => {
  made = await makeContexts("actions");
  const { hall, bar } = made;
  await hall.insert(
    lifts,
    Object.values(LIFTS).map((lift, i) => ({ ...lift, listOrder: i + 1 })),
  );
  await hall.insert(lifters, { key: "ann", name: "Ann", heightMm: 1700, massKg: 70, usualLoads: {} });
  await hall.insert(stations, {
    key: "r1",
    name: "Rack 1",
    kind: "rack",
    jCupPairs: 2,
    supportSpacingMm: 1090,
    holePitchMm: 50,
    firstHoleMm: 300,
  });
  await hall.insert(barQuantities, {
    barId: bar.id,
    kind: "mass",
    statedValue: "20",
    statedUnit: "kg",
    stated: 20,
    effective: 20,
    source: "stated",
  });
  await hall.insert(
    plates,
    [20, 10].map((kg) => ({
      key: `r${kg}`,
      massValue: String(kg),
      massUnit: "kg" as const,
      massUnits: massUnitsFromKg(kg),
      pairs: 4,
    })),
  );
});
beforeEach(() => {
  edge.context = made.context("manager");
  edge.revalidated = 0;
});

const bar = async (tag: string) => (await made.hall.first(bars, { where: eq(bars.tag, tag) }))!;
const done = { status: "done" };
const refused = { status: "refused" };

describe("bars", () => {
  const fields = { name: "Added bar", family: "power", state: "in-service", "stated.mass": "20 kg" };
  it("are added one by one or several of a kind, and open", async () => {
    expect(await leads(barActions.enterAction(FRESH, form({ ...fields, tag: "A1" })))).toEqual({ to: "/bars/A1" });
    expect(await leads(barActions.enterAction(FRESH, form({ ...fields, tag: "A2, A3" })))).toEqual({
      to: "/bars?q=Added%20bar",
    });
    expect(edge.revalidated).toBe(2);
  });
  it("that are wrong keep what was typed, with every problem", async () => {
    const answer = await leads(barActions.enterAction(FRESH, form({ ...fields, tag: "A1", family: "flying" })));
    expect(answer).toMatchObject({ ...refused, typed: { name: "Added bar", family: "flying" } });
    expect((answer as FormState).problems.length).toBeGreaterThan(0);
    expect(edge.revalidated).toBe(0);
  });
  it("are edited with the version that was read; a stale form is told the new one", async () => {
    const { id, version } = await bar("A1");
    const edit = (name: string, of: number) =>
      leads(barActions.editAction(FRESH, form({ barId: id, version: String(of), tag: "A1", ...fields, name })));
    expect(await edit("Renamed", version)).toEqual({ to: "/bars/A1" });
    expect(await edit("Renamed twice", version)).toMatchObject({ ...refused, version: version + 1 });
    expect((await bar("A1")).name).toBe("Renamed");
  });
  it("change state with a reason, and the last change is taken back", async () => {
    const state = async (to: string, reason: string) =>
      barActions.stateAction(FRESH, form({ tag: "A2", state: to, reason, version: String((await bar("A2")).version) }));
    expect(await state("quarantined", "")).toMatchObject(refused);
    expect(await state("watch", "clicks")).toMatchObject(done);
    expect((await bar("A2")).state).toBe("watch");
    const { lastChangeOf } = await import("@/server/kit");
    const last = (await lastChangeOf(made.hall, "bar", (await bar("A2")).id))!;
    expect(await barActions.undoAction(FRESH, form({ tag: "A2", changeId: last.id }))).toMatchObject(done);
    expect((await bar("A2")).state).toBe("in-service");
    expect(await barActions.undoAction(FRESH, form({ tag: "A2", changeId: last.id }))).toMatchObject(refused);
  });
  it("a state that is none is refused, whatever a form says", async () => {
    const { version } = await bar("A3");
    const answer = await barActions.stateAction(
      FRESH,
      form({ tag: "A3", state: "melted", reason: "x", version: String(version) }),
    );
    expect(answer).toMatchObject(refused);
    expect(BAR_STATES).toContain((await bar("A3")).state);
  });
  it("are measured once, however often a reading is sent", async () => {
    const sent = {
      tag: "A3",
      kind: "mass" as const,
      readings: [{ value: "20.4", unit: "kg" as const }],
      instrument: "scale",
      idempotencyKey: "measure-a3-1",
    };
    expect(await measureActions.keepReadings(sent)).toEqual({ ok: true, message: "Saved." });
    expect(await measureActions.keepReadings(sent)).toMatchObject({ ok: true });
    expect((await bar("A3")).massKg).toBe(20.4);
    expect(await measureActions.keepReadings({ ...sent, readings: [] })).toMatchObject({ ok: false });
    expect(await measureActions.keepReadings({ ...sent, kind: "colour" as never })).toMatchObject({ ok: false });
    expect(
      await measureActions.keepReadings({
        ...sent,
        idempotencyKey: "measure-a3-2",
        readings: [{ value: "900", unit: "mm" }],
      }),
    ).toMatchObject({ ok: false });
  });
});

describe("plates, clamps and stations", () => {
  it("are added, changed by version, and weighed one by one", async () => {
    const add = equipmentActions.saveAction(
      FRESH,
      form({ equipment: "plate", key: "i45", mass: "45 lb", pairs: "2", material: "iron" }),
    );
    expect(await add).toMatchObject({ ...done, message: expect.stringContaining("i45") as unknown });
    const row = (await made.hall.first(plates, { where: eq(plates.key, "i45") }))!;
    expect(row.massUnits).toBe(massUnitsFromKg(45 * 0.45359237));
    const weigh = (mass: string) => equipmentActions.weighAction(FRESH, form({ plateId: row.id, mark: "a", mass }));
    expect(await weigh("20.5 kg")).toMatchObject(done);
    expect(await weigh("heavy")).toMatchObject({ ...refused, typed: { mark: "a", mass: "heavy" } });
    const stale = equipmentActions.saveAction(
      FRESH,
      form({ equipment: "plate", id: row.id, version: "7", key: "i45", mass: "45 lb", pairs: "3" }),
    );
    expect(await stale).toMatchObject(refused);
  });
});

describe("care", () => {
  const tick = (key: string, more: Record<string, string> = {}) =>
    careActions.tickAction(
      FRESH,
      form({
        tag: "T1",
        task: "shaft",
        doneBy: made.actor("care").personId,
        doneOn: "2026-03-20",
        note: "",
        idempotencyKey: key,
        ...more,
      }),
    );
  it("is ticked once and taken back", async () => {
    const first = await tick("tick-action-1");
    expect(first).toMatchObject({ ...done, typed: { logId: expect.any(String) as unknown } });
    await tick("tick-action-1");
    expect(await made.hall.rows(careLog)).toHaveLength(1);
    expect(await careActions.undoAction(FRESH, form({ logId: first.typed.logId! }))).toMatchObject(done);
    expect(await careActions.undoAction(FRESH, form({ logId: "nonsense" }))).toMatchObject(refused);
    expect(await tick("tick-action-2", { doneOn: "2026-03-21" })).toMatchObject(refused);
  });
  it("goes by the rule, the hours and the factors that a form says, or names what is wrong", async () => {
    expect(await careActions.careRulesAction(FRESH, form({ rule: "meter", version: "0" }))).toMatchObject(done);
    expect(await careActions.careRulesAction(FRESH, form({ rule: "moon", version: "1" }))).toMatchObject({
      ...refused,
      typed: { rule: "moon" },
    });
    const person = made.actor("care").personId;
    expect(await careActions.hoursAction(FRESH, form({ person, hours: "Mon 09:00-10:00" }))).toMatchObject(done);
    expect(await careActions.hoursAction(FRESH, form({ person, hours: "Someday" }))).toMatchObject(refused);
    expect(
      await careActions.factorsAction(FRESH, form({ tag: "T1", version: "0", use: "1.2", finish: "" })),
    ).toMatchObject(done);
    expect(
      await careActions.factorsAction(FRESH, form({ tag: "T1", version: "1", use: "99", finish: "x" })),
    ).toMatchObject(refused);
  });
  it("is planned into rounds, and a round is moved", async () => {
    const planned = await careActions.planAction(FRESH, form({}));
    expect(planned).toMatchObject({ ...done, message: expect.stringMatching(/jobs? in \d+ rounds?/) as unknown });
    expect(await careActions.moveRoundAction(FRESH, form({ id: "x", day: "2026-03-25", version: "1" }))).toMatchObject(
      refused,
    );
  });
  it("the air comes from a file, whole or not at all", async () => {
    const file = (text: string) => new File([text], "air.csv", { type: "text/csv" });
    const take = (upload: File) => careActions.importAirAction(FRESH, form({ sensor: "hall", file: upload }));
    expect(await take(file(""))).toMatchObject({ ...refused, problems: [{ path: "file" }] });
    expect(await take(file("at,temperature,humidity\n2026-03-19T10:00Z,18,60\n"))).toMatchObject(refused);
  });
  it("an inspection is kept once, judged, and a bar that is cracked is out", async () => {
    const inspect = form({ tag: "A3", crackSeen: "yes", decided: "", reason: "", idempotencyKey: "inspect-a3-1" });
    const answer = await careActions.inspectAction(FRESH, inspect);
    expect(answer).toMatchObject(done);
    expect((await bar("A3")).state).toBe("quarantined");
    expect(await careActions.inspectAction(FRESH, form({ tag: "A3", idempotencyKey: "inspect-a3-2" }))).toMatchObject(
      refused,
    );
  });
  it("a task is changed, never to one that opens a sleeve", async () => {
    const task = (await made.hall.first(careTasks))!;
    const change = (steps: string) =>
      careActions.careTaskAction(
        FRESH,
        form({
          id: task.id,
          version: String(task.version),
          key: "shaft",
          name: "brush",
          steps,
          minutes: "4",
          dryDays: "30",
          temperateDays: "20",
          saltHumidDays: "10",
        }),
      );
    expect(await change("open the sleeve and grease it")).toMatchObject(refused);
    expect(await change("brush with nylon")).toMatchObject(done);
  });
  it("a calendar address is told once", async () => {
    const answer = await careActions.linkAction(FRESH, form({ person: "" }));
    expect(answer.typed.token).toMatch(/^[\w-]{32}$/);
  });
  it("what was seen in passing is noted from the wall", async () => {
    edge.context = made.context("wall");
    expect(await chalkActions.seenAction(FRESH, form({ seen: "chalk T1" }))).toMatchObject(done);
    expect(await chalkActions.seenAction(FRESH, form({ seen: "clean T1", isSure: "yes" }))).toMatchObject(done);
    expect(await chalkActions.seenAction(FRESH, form({ seen: "nonsense" }))).toMatchObject(refused);
  });
});

describe("people, lifts and classes", () => {
  it("a lifter is added, confirmed and erased, with the box ticked", async () => {
    const add = lifterActions.saveLifterAction(
      FRESH,
      form({ key: "cy", name: "Cy", experience: "regular", heightMm: "1800" }),
    );
    expect(await leads(add)).toEqual({ to: "/lifters/cy" });
    expect(await lifterActions.confirmAction(FRESH, form({ lifter: "cy", confirmed: ["nonsense"] }))).toMatchObject(
      done,
    );
    expect(await leads(lifterActions.eraseAction(FRESH, form({ lifter: "cy" })))).toMatchObject(refused);
    expect(await leads(lifterActions.eraseAction(FRESH, form({ lifter: "cy", sure: "on" })))).toEqual({
      to: "/lifters",
    });
    expect(await made.hall.rows(lifters, { where: eq(lifters.key, "cy") })).toEqual([]);
  });
  it("the use of a bar is noted by its day", async () => {
    const note = (usedOn: string) =>
      lifterActions.noteUseAction(FRESH, form({ lifter: "ann", tag: "T1", usedOn, setting: "" }));
    expect(await note("2026-03-19")).toMatchObject(done);
    expect(await note("yesterday")).toMatchObject({ ...refused, typed: { usedOn: "yesterday" } });
    expect(await note("2027-01-01")).toMatchObject(refused);
  });
  it("a lift and competition rules are the gym’s to change", async () => {
    const lift = (key: string) =>
      matchActions.liftAction(
        FRESH,
        form({
          key,
          name: "pause bench",
          like: "bench",
          speed: "slow",
          start: "rack",
          ending: "racked",
          contact: "hands",
          supportHalfSpacingMm: "405",
          usualKg: "60",
        }),
      );
    expect(await lift("pause-bench")).toMatchObject(done);
    expect(await lift("Pause Bench")).toMatchObject(refused);
    const rules = (more: Record<string, string | string[]>) =>
      matchActions.meetingAction(
        FRESH,
        form({ rules: "River", source: "its book", marks: "", lifts: ["bench"], ...more }),
      );
    expect(await rules({ "most.mass": "25" })).toMatchObject(done);
    expect(await rules({ "least.mass": "30", "most.mass": "25" })).toMatchObject({
      ...refused,
      typed: { rules: "River" },
    });
  });
  it("a class is added, filled, assigned, and an entry is fixed and taken out", async () => {
    const answer = await leads(
      classActions.classAction(
        FRESH,
        form({
          name: "Evening",
          heldOn: "2026-03-20",
          startsAt: "18:00",
          blocks: "2",
          blockMinutes: "30",
          "capacity.r1": "2",
        }),
      ),
    );
    const classId = (answer as { to: string }).to.replace("/classes/", "");
    expect(classId).toMatch(/^[0-9a-f-]{36}$/);
    const entry = (load: string) =>
      classActions.addEntryAction(
        FRESH,
        form({ classId, lifter: "ann", lift: "back-squat-high", load, purpose: "general" }),
      );
    expect(await entry("heavy")).toMatchObject(refused);
    expect(await entry("60 kg")).toMatchObject(done);
    expect(await entry("60 kg")).toMatchObject(refused);
    expect(await classActions.assignAction(FRESH, form({ classId }))).toMatchObject(done);
    const { classDetails } = await import("@/server/classes");
    const details = await classDetails(made.context("coach"), classId);
    const [item] = details.ok ? details.details.items : [];
    const lock = (more: Record<string, string>) =>
      classActions.lockAction(FRESH, form({ classId, entryId: item!.id, ...more }));
    expect(await lock({ block: "2", station: "r1", tag: "T1" })).toMatchObject(done);
    expect(await lock({ block: "9" })).toMatchObject(refused);
    expect(await lock({ remove: "yes" })).toMatchObject(done);
    const wrong = await leads(
      classActions.classAction(
        FRESH,
        form({ name: "", heldOn: "x", startsAt: "25:00", blocks: "0", blockMinutes: "1" }),
      ),
    );
    expect((wrong as FormState).problems.length).toBeGreaterThanOrEqual(5);
  });
});

describe("house rules and settings", () => {
  it("are looked at before they are kept, and a stale form is refused", async () => {
    expect(await houseActions.previewAction(form({ sleeves: "hardly-matters" }))).toMatchObject({ ok: true });
    expect(await houseActions.previewAction(form({ tallMm: "-4" }))).toMatchObject({ ok: false });
    expect(await houseActions.houseAction(FRESH, form({ version: "0", sleeves: "decides" }))).toMatchObject(done);
    expect(await houseActions.houseAction(FRESH, form({ version: "0", sleeves: "decides" }))).toMatchObject(refused);
    expect(await settingsActions.rulesAction(FRESH, form({ version: "0", mass: "0.3" }))).toMatchObject(done);
    expect(await settingsActions.rulesAction(FRESH, form({ version: "1", mass: "much" }))).toMatchObject({
      ...refused,
      typed: { mass: "much" },
    });
  });
});

describe("setups, storage and sessions", () => {
  it("what cannot be set is refused with what was typed", async () => {
    expect(await leads(setupActions.calibrateAction(FRESH, form({ tag: "T1", version: "0" })))).toMatchObject(refused);
    expect(await setupActions.keepAction(FRESH, form({ setting: "{" }))).toMatchObject(refused);
    expect(
      await setupActions.keepAction(FRESH, form({ setting: "{}", tag: "T1", lift: "none", lifter: "ann" })),
    ).toMatchObject(refused);
    expect(
      await leads(setupActions.copyAction(FRESH, form({ id: "00000000-0000-4000-8000-000000000000", lifter: "ann" }))),
    ).toMatchObject(refused);
  });
  it("a straight bar's rack setting is kept for a lifter", async () => {
    const answer = await setupActions.keepAction(
      FRESH,
      form({
        setting: "{}",
        tag: "T1",
        lift: "back-squat-high",
        lifter: "ann",
        station: "r1",
        jCupHole: "12",
        note: "",
      }),
    );
    expect(answer).toMatchObject({ ...done, typed: { id: expect.any(String) as unknown } });
  });
  it("bars are hung, places made and moved, parts counted", async () => {
    expect(
      await setupActions.savePlaceAction(FRESH, form({ name: "Wall C", kind: "wall-horizontal", slots: "1" })),
    ).toMatchObject(done);
    const place = (await made.hall.first(places, { where: eq(places.name, "Wall C") }))!;
    expect(await setupActions.hangAction("T1", "Wall C")).toMatchObject({
      ...done,
      message: expect.stringContaining("peg 1") as unknown,
    });
    expect(await setupActions.hangFormAction(FRESH, form({ tag: "A1", place: "Wall C" }))).toMatchObject(refused);
    expect(await setupActions.movePlaceAction(place.id, 100, 200)).toMatchObject(done);
    expect(await setupActions.movePlaceAction(place.id, -1, 2000)).toMatchObject(refused);
    expect(await setupActions.putAwayAction(FRESH, form({ tag: "T1" }))).toMatchObject(done);
    expect(await setupActions.standAction(FRESH, form({ tag: "nothing", as: "present" }))).toMatchObject(refused);
  });
  it("a session is begun on its page and ended", async () => {
    const ask = { bar: "T1", who: "Ann 60", way: "count", jump: "20", count: "3", work: "1", order: "named" };
    const begun = await leads(sessionActions.beginAction(FRESH, form(ask)));
    const id = (begun as { to: string }).to.split("/").at(-1)!;
    expect(await leads(sessionActions.beginAction(FRESH, form(ask)))).toMatchObject(refused);
    expect(await sessionActions.endAction(FRESH, form({ id }))).toMatchObject(done);
    expect(await leads(sessionActions.beginAction(FRESH, form({ ...ask, who: " " })))).toMatchObject(refused);
  });
});

describe("whoever may not", () => {
  it("is refused by every action, and nothing is revalidated", async () => {
    edge.context = made.context("wall");
    const calls: Promise<unknown>[] = [
      leads(barActions.enterAction(FRESH, form({ tag: "W1", name: "x", family: "power" }))),
      leads(
        barActions.editAction(FRESH, form({ barId: made.bar.id, version: "1", tag: "T1", name: "x", family: "power" })),
      ),
      equipmentActions.saveAction(FRESH, form({ equipment: "plate", key: "x", mass: "5 kg", pairs: "1" })),
      leads(lifterActions.saveLifterAction(FRESH, form({ key: "dee", name: "Dee" }))),
      careActions.careRulesAction(FRESH, form({ rule: "calendar", version: "1" })),
      careActions.planAction(FRESH, form({})),
      houseActions.houseAction(FRESH, form({ version: "1" })),
      leads(classActions.classAction(FRESH, form({ name: "x" }))),
      setupActions.savePlaceAction(FRESH, form({ name: "x", kind: "floor" })),
      sessionActions.endAction(FRESH, form({ id: made.bar.id })),
    ];
    for (const answer of await Promise.all(calls)) expect(answer).toMatchObject(refused);
    expect(edge.revalidated).toBe(0);
  });
});
