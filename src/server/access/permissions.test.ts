import { describe, expect, it } from "vitest";
import { readWallQuery } from "@/core/bars/wallQuery";
import { NOT_LOOKED_AT } from "@/core/care/checks";
import { LIFTS } from "@/core/matching/lifts";
import { bars, classes, classEntries, lifters, lifts, meetingSpecs, plates } from "@/data/schema";
import type { Context } from "./context";
import { makeContexts } from "./context.fixture";
import { ROLES } from "./permissions";
import { changeBarState } from "@/server/bars/barState";
import { barDetails } from "@/server/bars/barPage";
import { wallBars } from "@/server/bars/wall";
import { editBar } from "@/server/bars/editBar";
import { enterBars } from "@/server/bars/addBars";
import { measureBar } from "@/server/bars/measureBar";
import { undoLastChange } from "@/server/bars/undoBarChange";
import { careLately, tickCare, undoCare } from "@/server/care/log/careLog";
import { calendarLinksOf, makeCalendarLink, revokeCalendarLink } from "@/server/care/rounds/calendar";
import { moveRound, planRounds } from "@/server/care/rounds/planner";
import { crewHours, saveStaffHours } from "@/server/care/rounds/staffHours";
import { touchRound } from "@/server/care/rounds/round";
import { saveBarFactors } from "@/server/care/planning/meters";
import { saveCareRules } from "@/server/care/planning/careRules";
import { noteSeen } from "@/server/care/rounds/spotChecks";
import { saveCareTask } from "@/server/care/planning/careTasks";
import { assignTonight } from "@/server/classes/assign";
import { addRepair, approvalPdf, buyingChoice, claimPdf } from "@/server/buying";
import { receiveBar, resolveClaim, saveBuyingRules, watchBatch } from "@/server/buying";
import { decideOffer, importOffers, listOfferPage, saveOffer } from "@/server/offers";
import { addEntry, lockEntry, removeEntry, saveClass } from "@/server/classes/classChanges";
import { classDetails, listClasses } from "@/server/classes/classes";
import { classPool } from "@/server/classes/classPool";
import { saveEquipment } from "@/server/equipment/equipmentChanges";
import { moveInClass, weighMove } from "@/server/classes/moveInClass";
import { weighPlate } from "@/server/equipment/weighing";
import { importClimate } from "@/server/care/air/importClimate";
import { saveSensor } from "@/server/care/air/saveSensor";
import { settleFinding } from "@/server/care/findings/findings";
import { exportHall, importHall } from "@/server/transfer/hallFile";
import { inspectBar } from "@/server/care/inspections/inspections";
import { previewRules, saveMatchingRules } from "@/server/matching/policies";
import { barsOfLifter, noteBarUse } from "@/server/lifters/barUse";
import { confirmLifter, saveLifter } from "@/server/lifters/lifterChanges";
import { eraseLifter } from "@/server/lifters/eraseLifter";
import { listLifterPage, listLifters } from "@/server/lifters/lifters";
import { saveLift } from "@/server/lifts/lifts";
import { matchForLift } from "@/server/matching/matchForLift";
import { removeMeetingSpec, saveMeetingSpec } from "@/server/lifts/meetings";
import type { Outcome } from "@/server/kit/outcome";
import { readMessage } from "@/server/care/rounds/reminders";
import { endRun, touchRun } from "@/server/loading/runs";
import { runOf } from "@/server/loading/runView";
import { checkStation } from "@/server/equipment";
import { saveBrushDuty } from "@/server/classes";
import { startMarks } from "@/core/sideview/stillState";
import { saveNote } from "@/server/feel";
import { deleteSideView, saveSideView } from "@/server/sideview";
import { saveFloor, saveLabelRules, saveSteadiness, saveUseCard } from "@/server/rules";
import { saveMeasuringRules } from "@/server/rules/measuringRules";
import { calibrate, copySetting, keepSetting, noteStand } from "@/server/setups/setupChanges";
import { hangBar, movePlace, putAway, savePlace } from "@/server/setups/storageChanges";

type Made = Awaited<ReturnType<typeof makeContexts>>;
type Role = (typeof ROLES)[number];
/** What tablets may beside what the wall screen is named for below. */
const TABLETS: Record<"sheets" | "rounds", readonly string[]> = {
  sheets: ["see a session", "touch a session", "end a session"],
  rounds: [
    "hang a bar",
    "put a bar away",
    "tick care",
    "check a station",
    "undo care",
    "inspect a bar",
    "touch a round",
    "settle a finding",
    "note chalk",
  ],
};
/** Who may, as the table below says it of five roles: an owner may what a manager may. */
const whoMay = (name: string, allowed: readonly Role[]): Role[] =>
  ROLES.filter((role) =>
    role === "owner"
      ? allowed.includes("manager")
      : role === "sheets" || role === "rounds"
        ? TABLETS[role].includes(name)
        : allowed.includes(role),
  );

const NO_ID = "00000000-0000-4000-8000-000000000000";
const FORM = { id: null, version: 0, texts: {} };
const CLASS = {
  id: null,
  version: 0,
  name: "",
  heldOn: "",
  startsAt: "",
  blockMinutes: "",
  blocks: "",
  capacities: {},
};
const SPEC = { id: null, version: 0, rules: "", source: "", lifts: [], marks: "", texts: {} };
const TICK = { tag: "T1", task: "shaft", doneOn: "2026-03-20", doneBy: NO_ID, note: "", idempotencyKey: "abcdefgh" };
const STILL = {
  ...{ key: "abcdefgh", lifter: "x", tag: null, lift: "x", setting: "", loadKg: 0, takenOn: "x", photo: null },
  marks: startMarks(1000, 800),
};
const INSPECTION = { tag: "x", facts: NOT_LOOKED_AT, decided: null, reason: "", idempotencyKey: "x" };
const ROUND = { key: "round-x-1", kind: "skip" as const, tag: "x", tasks: [], madeAt: "2026-03-20T10:00:00Z" };
const SENSOR = { key: "x", version: 1, so2: "", chloride: "", lagHours: "" };
const LADDER = { way: "percent", jumpKg: 20, count: 3, workSets: 1, only: null } as const;
const TOUCH = { kind: "skip", set: "1.1", key: "abcdefgh-touch", madeAt: "2026-03-20T10:00:00Z" } as const;

/** Everything that writes or shows what is private, and who may: nobody else gets further than being told so. */
const RECEIVING = { offerId: NO_ID, key: "", answers: {}, readings: {}, verdict: "", note: "", tag: "", photos: [] };

const WRITES: [name: string, may: Role[], call: (context: Context) => Promise<Outcome<object>>][] = [
  ["enter bars", ["manager", "coach"], (context) => enterBars(context, {}, [])],
  ["edit a bar", ["manager", "coach"], (context) => editBar(context, NO_ID, 1, {})],
  [
    "change a bar's state",
    ["manager", "coach"],
    (context) => changeBarState(context, { tag: "x", state: "watch", reason: "", version: 1 }),
  ],
  [
    "note how a bar feels to somebody",
    ["manager", "coach"],
    (context) => saveNote(context, { tag: "x", lifter: "x", texts: { stage: "first-day", words: "x" }, version: 0 }),
  ],
  [
    "note how a bar feels",
    ["manager", "coach", "care"],
    (context) => saveNote(context, { tag: "x", lifter: null, texts: { stage: "first-day", words: "x" }, version: 0 }),
  ],
  ["save a still", ["manager", "coach"], (context) => saveSideView(context, STILL)],
  ["delete a still", ["manager", "coach"], (context) => deleteSideView(context, NO_ID)],
  [
    "check a station",
    ["manager", "coach", "care"],
    (context) => checkStation(context, { key: "abcdefgh", station: "x", part: "pins", found: "sound", note: "" }),
  ],
  [
    "name a brush duty",
    ["manager", "coach"],
    (context) => saveBrushDuty(context, { id: NO_ID, name: "x", version: 1 }),
  ],
  [
    "say how large the floor is",
    ["manager", "coach"],
    (context) => saveFloor(context, { widthMm: "9 m", depthMm: "9 m" }, 9),
  ],
  ["rank steadiness", ["manager"], (context) => saveSteadiness(context, [], 0)],
  ["calibrate", ["manager", "coach"], (context) => calibrate(context, { tag: "x", version: 0, texts: {} })],
  [
    "note how a bar stands",
    ["manager", "coach"],
    (context) => noteStand(context, { tag: "x", left: {}, right: {}, as: "present" }),
  ],
  [
    "keep a setting",
    ["manager", "coach"],
    (context) =>
      keepSetting(context, { lifter: "x", tag: "x", lift: "x", setting: {}, station: "", jCupHole: "", note: "" }),
  ],
  ["copy a setting", ["manager", "coach"], (context) => copySetting(context, { id: NO_ID, lifter: "x" })],
  ["hang a bar", ["manager", "coach", "care"], (context) => hangBar(context, { tag: "x", place: "x", slot: null })],
  ["put a bar away", ["manager", "coach", "care"], (context) => putAway(context, { tag: "x", counted: [] })],
  ["move a place", ["manager", "coach"], (context) => movePlace(context, { id: NO_ID, x: 1, y: 1 })],
  ["change a place", ["manager", "coach"], (context) => savePlace(context, FORM)],
  ["take a change back", ["manager", "coach"], (context) => undoLastChange(context, "x", NO_ID)],
  [
    "measure",
    ["manager", "coach", "care"],
    (context) => measureBar(context, { tag: "x", kind: "mass", readings: [], instrument: "scale" }),
  ],
  ["tick care", ["manager", "coach", "care"], (context) => tickCare(context, TICK)],
  ["undo care", ["manager", "coach", "care"], (context) => undoCare(context, NO_ID)],
  ["change equipment", ["manager", "coach"], (context) => saveEquipment(context, "plate", FORM)],
  [
    "weigh a plate",
    ["manager", "coach", "care"],
    (context) => weighPlate(context, { plateId: NO_ID, mark: "", mass: "" }),
  ],
  ["take records out", ["manager", "coach"], (context) => exportHall(context)],
  ["take records in", ["manager"], (context) => importHall(context, {}, { isDryRun: true })],
  ["colours of labels", ["manager"], (context) => saveLabelRules(context, { power: "x" }, 0)],
  ["how to use a bar", ["manager", "coach"], (context) => saveUseCard(context, "yoke", { hands: "x".repeat(999) }, 0)],
  ["measuring rules", ["manager"], (context) => saveMeasuringRules(context, { mass: "x" }, 0)],
  ["house rules", ["manager"], (context) => saveMatchingRules(context, { tallMm: "x" }, 0)],
  ["preview house rules", ["manager"], (context) => previewRules(context, { tallMm: "x" })],
  ["change a lift", ["manager", "coach"], (context) => saveLift(context, FORM)],
  ["competition rules", ["manager"], (context) => saveMeetingSpec(context, SPEC)],
  ["remove competition rules", ["manager"], (context) => removeMeetingSpec(context, NO_ID)],
  ["change a lifter", ["manager", "coach"], (context) => saveLifter(context, FORM)],
  ["confirm a lifter", ["manager", "coach"], (context) => confirmLifter(context, "x", [])],
  [
    "note use",
    ["manager", "coach"],
    (context) => noteBarUse(context, { lifter: "x", tag: "x", usedOn: "2026-01-01", setting: "" }),
  ],
  ["erase a lifter", ["manager"], (context) => eraseLifter(context, "x")],
  ["list lifters", ["manager", "coach"], (context) => listLifterPage(context, { limit: 10 })],
  [
    "match for a lifter",
    ["manager", "coach"],
    (context) => matchForLift(context, { lift: "bench", loadKg: 60, lifter: "x" }),
  ],
  ["enter a class", ["manager", "coach"], (context) => saveClass(context, CLASS)],
  ["see a class", ["manager", "coach"], (context) => classDetails(context, NO_ID)],
  [
    "put into a class",
    ["manager", "coach"],
    (context) => addEntry(context, { classId: NO_ID, lifter: "", lift: "", load: "", purpose: "" }),
  ],
  ["take out of a class", ["manager", "coach"], (context) => removeEntry(context, NO_ID, NO_ID)],
  [
    "fix a choice",
    ["manager", "coach"],
    (context) => lockEntry(context, NO_ID, NO_ID, { block: null, station: null, tag: null }),
  ],
  [
    "weigh a move",
    ["manager", "coach"],
    (context) => weighMove(context, NO_ID, { kind: "person", entryId: NO_ID, block: 0, station: "" }),
  ],
  [
    "move in a class",
    ["manager", "coach"],
    (context) => moveInClass(context, NO_ID, { kind: "person", entryId: NO_ID, block: 0, station: "" }),
  ],
  ["assign a class", ["manager", "coach"], (context) => assignTonight(context, NO_ID)],
  ["inspect a bar", ["manager", "coach", "care"], (context) => inspectBar(context, INSPECTION)],
  ["touch a round", ["manager", "coach", "care"], (context) => touchRound(context, ROUND)],
  ["settle a finding", ["manager", "coach", "care"], (context) => settleFinding(context, NO_ID, "")],
  ["note chalk", ["manager", "coach", "care", "lifter", "wall"], (context) => noteSeen(context, [], "chalk")],
  ["rules of care", ["manager"], (context) => saveCareRules(context, {}, 0)],
  [
    "factors of a bar",
    ["manager", "coach"],
    (context) => saveBarFactors(context, { tag: "x", version: 0, use: "", finish: "" }),
  ],
  ["care tasks", ["manager"], (context) => saveCareTask(context, FORM)],
  ["readings of the air", ["manager", "coach", "care"], (context) => importClimate(context, "x", [])],
  ["a sensor", ["manager", "coach", "care"], (context) => saveSensor(context, SENSOR)],
  ["plan rounds", ["manager", "coach", "care"], (context) => planRounds(context)],
  ["move a round", ["manager", "coach", "care"], (context) => moveRound(context, { id: NO_ID, day: "", version: 1 })],
  ["hours of others", ["manager"], (context) => saveStaffHours(context, NO_ID, "x")],
  ["share the calendar of others", ["manager"], (context) => makeCalendarLink(context, NO_ID)],
  ["take the calendar back", ["manager", "coach", "care"], (context) => revokeCalendarLink(context, NO_ID)],
  ["read reminders", ["manager", "coach", "care"], (context) => readMessage(context, NO_ID)],
  ["plates for a class", ["manager", "coach"], (context) => classPool(context, NO_ID, LADDER)],
  ["see a session", ["manager", "coach"], (context) => runOf(context, NO_ID)],
  ["touch a session", ["manager", "coach"], (context) => touchRun(context, NO_ID, TOUCH)],
  ["end a session", ["manager", "coach"], (context) => endRun(context, NO_ID)],
  ["add an offer", ["manager"], (context) => saveOffer(context, { id: null, version: 0, texts: {} })],
  ["import offers", ["manager"], (context) => importOffers(context, { text: "", isDry: true })],
  ["decide about an offer", ["manager"], (context) => decideOffer(context, NO_ID, 1, { kind: "approve" })],
  ["list offers", ["manager", "coach"], (context) => listOfferPage(context, { limit: 10 })],
  ["decide what to buy", ["manager"], (context) => buyingChoice(context, { budgetMinor: 0 })],
  ["put a batch on watch", ["manager"], (context) => watchBatch(context, { batch: "x", reason: "x" })],
  ["check in a bar", ["manager", "coach", "care"], (context) => receiveBar(context, RECEIVING)],
  ["resolve a claim", ["manager"], (context) => resolveClaim(context, NO_ID, { outcome: "", resolution: "", tag: "" })],
  ["note a repair", ["manager"], (context) => addRepair(context, { tag: "x", paidOn: "", amount: "", note: "" })],
  ["how the gym buys", ["manager"], (context) => saveBuyingRules(context, { budget: "x" }, 0)],
  ["read an approval", ["manager"], (context) => approvalPdf(context, NO_ID)],
  ["read a claim", ["manager"], (context) => claimPdf(context, NO_ID)],
];

describe("who may do what", () => {
  it.each(WRITES)("%s: %j, and nobody else", async (name, allowed, call) => {
    const { context } = await makeContexts("roles");
    const may: Role[] = [];
    for (const role of ROLES) {
      const result = await call(context(role));
      if (result.ok || result.code !== "forbidden") may.push(role);
    }
    expect(may).toEqual(whoMay(name, allowed));
  });
  it("of the care crew each knows and sets their own hours and shares their own calendar; the manager everybody's", async () => {
    const { context, actor } = await makeContexts("hours");
    for (const role of ["coach", "care"] as const) {
      const mine = actor(role).personId;
      expect(await saveStaffHours(context(role), mine, "Mon 09:00-10:00")).toEqual({ ok: true });
      expect(await makeCalendarLink(context(role), mine)).toMatchObject({ ok: true });
      expect((await crewHours(context(role))).map(({ id }) => id)).toEqual([mine]);
    }
    await makeCalendarLink(context("manager"), actor("manager").personId);
    expect((await calendarLinksOf(context("care"))).map(({ person }) => person)).toEqual(["care of hours"]);
    expect((await crewHours(context("manager"))).length).toBeGreaterThan(2);
  });
  it("care in another's name says who wrote it down", async () => {
    const { context, actor } = await makeContexts("names");
    const tick = { ...TICK, doneBy: actor("coach").personId, idempotencyKey: "in-anothers-name" };
    expect(await tickCare(context("care"), tick)).toMatchObject({ ok: true });
    expect((await careLately(context("care")))[0]!.by).toBe("coach of names, noted by care of names");
  });
  it("what a bar cost and who sold it ends at the manager: page, history, file, and an edit leaves it", async () => {
    const { context, hall, bar } = await makeContexts("money");
    const details = async (role: Role) => (await barDetails(context(role), "T1"))!;
    const { texts, version } = await details("manager");
    const bought = { ...texts, supplier: "Quay Forge", price: "410" };
    expect(await editBar(context("manager"), bar.id, version, bought)).toMatchObject({ ok: true });
    const seen = await details("coach");
    expect(JSON.stringify([seen.texts, seen.history])).not.toMatch(/Quay Forge|410/);
    expect((await details("manager")).texts.supplier).toBe("Quay Forge");
    const renamed = { ...seen.texts, name: "Renamed", supplier: "", price: "" };
    expect(await editBar(context("coach"), bar.id, seen.version, renamed)).toMatchObject({
      ok: true,
      changed: ["name"],
    });
    expect(await hall.first(bars)).toMatchObject({ supplier: "Quay Forge", priceMinor: 41_000 });
    const found = async (role: Role) =>
      (await wallBars(context(role), { ...readWallQuery({}), text: "quay" }, { count: 9 })).total;
    expect([await found("manager"), await found("coach")]).toEqual([1, 0]);
    const file = async (role: Role) => JSON.stringify(await exportHall(context(role)));
    expect(await file("coach")).not.toContain("Quay Forge");
    expect(await file("manager")).toContain("Quay Forge");
  });
  it("health words leave only where they are asked for, by whoever may read them, and stay when such a file comes back", async () => {
    const { context, hall } = await makeContexts("health");
    await hall.insert(lifters, {
      key: "ann",
      name: "Ann",
      limits: ["shoulder"],
      comfortNote: "aches when cold",
      coachNote: "go slow",
    });
    const words = /aches when cold|go slow|shoulder/;
    const plain = await exportHall(context("coach"));
    expect(JSON.stringify(plain)).not.toMatch(words);
    expect(JSON.stringify(await exportHall(context("coach"), { health: true }))).toMatch(words);
    const token = (scopes: readonly ("read" | "health")[]) =>
      ({ ...context("coach"), door: { kind: "token", tokenId: "x", scopes } }) as Context;
    expect(await exportHall(token(["read"]), { health: true })).toMatchObject({ code: "forbidden" });
    expect(await exportHall(token(["read", "health"]), { health: true })).toMatchObject({ ok: true });
    if (plain.ok) await importHall(context("manager"), { lifters: plain.file.lifters! }, { isDryRun: false });
    expect(await hall.first(lifters)).toMatchObject({
      comfortNote: "aches when cold",
      coachNote: "go slow",
      limits: ["shoulder"],
    });
  });
  it("lists of what is private are empty for everybody else", async () => {
    const { context, hall } = await makeContexts("roles");
    const [ann] = await hall.insert(lifters, { key: "ann", name: "Ann" });
    await hall.insert(classes, {
      name: "Evening",
      heldOn: "2026-03-20",
      startsAt: "18:30",
      blockMinutes: 25,
      blocks: 2,
      capacities: {},
    });
    for (const role of ["care", "lifter", "wall"] as const) {
      expect(await listLifters(context(role))).toEqual([]);
      expect(await listClasses(context(role))).toEqual([]);
      expect(await barsOfLifter(context(role), ann!.id)).toEqual([]);
    }
    expect(await listLifters(context("coach"))).toHaveLength(1);
    expect(await listClasses(context("coach"))).toHaveLength(1);
  });
});

describe("one hall and another", () => {
  /** Rows of the one, asked for and changed from the other by their very ids. */
  async function both(): Promise<{ mine: Made; theirs: Made; ids: Record<string, string> }> {
    const [mine, theirs] = [await makeContexts("mine"), await makeContexts("theirs")];
    await theirs.hall.insert(lifts, { ...LIFTS.bench, listOrder: 1 });
    const [lifter] = await theirs.hall.insert(lifters, { key: "ann", name: "Ann" });
    const [spec] = await theirs.hall.insert(meetingSpecs, { rules: "Lake", source: "x", lifts: ["bench"], ranges: {} });
    const [held] = await theirs.hall.insert(classes, {
      name: "Evening",
      heldOn: "2026-03-20",
      startsAt: "18:30",
      blockMinutes: 25,
      blocks: 2,
      capacities: { "rack-1": 2 },
    });
    const [entry] = await theirs.hall.insert(classEntries, {
      classId: held!.id,
      lifterId: lifter!.id,
      liftKey: "bench",
      loadValue: "60",
      loadUnit: "kg",
      loadKg: 60,
    });
    const [plate] = await theirs.hall.insert(plates, {
      key: "r20",
      massValue: "20",
      massUnit: "kg",
      massUnits: 200_000_000_000,
      pairs: 2,
    });
    return {
      mine,
      theirs,
      ids: {
        lifter: lifter!.id,
        spec: spec!.id,
        class: held!.id,
        entry: entry!.id,
        plate: plate!.id,
        bar: theirs.bar.id,
      },
    };
  }
  it("neither reads nor changes a row of the other, by whatever id", async () => {
    const { mine, theirs, ids } = await both();
    const manager = mine.context("manager");
    const asked: [string, Promise<Outcome<object>>][] = [
      ["class", classDetails(manager, ids.class!)],
      ["assign", assignTonight(manager, ids.class!)],
      ["entry", removeEntry(manager, ids.class!, ids.entry!)],
      ["lock", lockEntry(manager, ids.class!, ids.entry!, { block: 1, station: null, tag: null })],
      ["weigh", weighMove(manager, ids.class!, { kind: "bar", tag: "T1", block: 0, station: "rack-1" })],
      ["move", moveInClass(manager, ids.class!, { kind: "person", entryId: ids.entry!, block: 0, station: "rack-1" })],
      ["spec", removeMeetingSpec(manager, ids.spec!)],
      ["plate", weighPlate(manager, { plateId: ids.plate!, mark: "A", mass: "20 kg" })],
      ["lifter", eraseLifter(manager, "ann")],
      ["confirm", confirmLifter(manager, "ann", [])],
      ["match", matchForLift(manager, { lift: "bench", loadKg: 60, lifter: null })],
    ];
    for (const [name, result] of asked)
      expect([name, (await result) as object]).toMatchObject([name, { ok: false, code: "not-found" }]);
    const kept = [
      await theirs.hall.rows(lifters),
      await theirs.hall.rows(meetingSpecs),
      await theirs.hall.rows(classEntries),
      await theirs.hall.rows(plates),
    ].map(({ length }) => length);
    expect(kept).toEqual([1, 1, 1, 1]);
    expect((await theirs.hall.first(lifters))!.name).toBe("Ann");
  });
  it("the database itself refuses a reference across halls", async () => {
    const { mine, ids } = await both();
    const [own] = await mine.hall.insert(classes, {
      name: "Mine",
      heldOn: "2026-03-20",
      startsAt: "18:30",
      blockMinutes: 25,
      blocks: 2,
      capacities: {},
    });
    const across = mine.hall.insert(classEntries, {
      classId: own!.id,
      lifterId: ids.lifter!,
      liftKey: "bench",
      loadValue: "60",
      loadUnit: "kg",
      loadKg: 60,
    });
    await expect(across).rejects.toThrow();
  });
});
