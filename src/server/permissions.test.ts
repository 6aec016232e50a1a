import { describe, expect, it } from "vitest";
import { NOTHING_LOOKED_AT } from "@/core/care/inspection.fixture";
import { LIFTS } from "@/core/matching/lifts";
import { classes, classEntries, lifters, lifts, meetingSpecs, plates } from "@/data/schema";
import { makeHall } from "@/data/testHall.fixture";
import { changeBarState, editBar, enterBars, measureBar, undoLastChange } from "./barChanges";
import { tickCare, undoCare } from "./care";
import { makeCalendarLink, revokeCalendarLink } from "./careCalendar";
import { moveRound, planRounds, saveStaffHours } from "./carePlanner";
import { touchRound } from "./careRound";
import { saveBarFactors, saveCareRules } from "./careRules";
import { noteSeen } from "./spotChecks";
import { saveCareTask } from "./careTasks";
import { addEntry, assignTonight, lockEntry, removeEntry, saveClass } from "./classChanges";
import { classDetails, listClasses } from "./classes";
import { classPool } from "./classPool";
import { saveEquipment, weighPlate } from "./equipmentChanges";
import { importClimate, saveSensor } from "./climate";
import { settleFinding } from "./findings";
import { exportHall, importHall } from "./hallFile";
import { inspectBar } from "./inspections";
import { previewRules, saveMatchingRules } from "./houseRules";
import {
  barsOfLifter,
  confirmLifter,
  eraseLifter,
  listLifterPage,
  listLifters,
  noteBarUse,
  saveLifter,
} from "./lifters";
import { saveLift } from "./lifts";
import { matchForLift } from "./matching";
import { removeMeetingSpec, saveMeetingSpec } from "./meetings";
import type { Outcome } from "./outcome";
import { readMessage } from "./reminders";
import { endRun, runOf, touchRun } from "./runs";
import { saveMeasuringRules } from "./rules";
import { calibrate, copySetting, keepSetting, noteStand } from "./setupChanges";
import { hangBar, movePlace, putAway, savePlace } from "./storage";
import type { Who } from "./who";

type Made = Awaited<ReturnType<typeof makeHall>>;
const ROLES = ["manager", "coach", "care", "lifter", "wall"] as const;
type Role = (typeof ROLES)[number];

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
const INSPECTION = { tag: "x", facts: NOTHING_LOOKED_AT, decided: null, reason: "", idempotencyKey: "x" };
const ROUND = { key: "round-x-1", kind: "skip" as const, tag: "x", tasks: [], madeAt: "2026-03-20T10:00:00Z" };
const SENSOR = { key: "x", version: 1, so2: "", chloride: "", lagHours: "" };
const LADDER = { way: "percent", jumpKg: 20, count: 3, workSets: 1, only: null } as const;
const TOUCH = { kind: "skip", set: "1.1", key: "abcdefgh-touch", madeAt: "2026-03-20T10:00:00Z" } as const;

/** Everything that writes or shows what is private, and who may: nobody else gets further than being told so. */
const WRITES: [name: string, may: Role[], call: (who: Who) => Promise<Outcome<object>>][] = [
  ["enter bars", ["manager", "coach"], (who) => enterBars(who, {}, [])],
  ["edit a bar", ["manager", "coach"], (who) => editBar(who, NO_ID, 1, {})],
  [
    "change a bar's state",
    ["manager", "coach"],
    (who) => changeBarState(who, { tag: "x", state: "watch", reason: "", version: 1 }),
  ],
  ["calibrate", ["manager", "coach"], (who) => calibrate(who, { tag: "x", version: 0, texts: {} })],
  [
    "note how a bar stands",
    ["manager", "coach"],
    (who) => noteStand(who, { tag: "x", left: {}, right: {}, as: "present" }),
  ],
  [
    "keep a setting",
    ["manager", "coach"],
    (who) => keepSetting(who, { lifter: "x", tag: "x", lift: "x", setting: {}, station: "", jCupHole: "", note: "" }),
  ],
  ["copy a setting", ["manager", "coach"], (who) => copySetting(who, { id: NO_ID, lifter: "x" })],
  ["hang a bar", ["manager", "coach", "care"], (who) => hangBar(who, { tag: "x", place: "x", slot: null })],
  ["put a bar away", ["manager", "coach", "care"], (who) => putAway(who, { tag: "x", counted: [] })],
  ["move a place", ["manager", "coach"], (who) => movePlace(who, { id: NO_ID, x: 1, y: 1 })],
  ["change a place", ["manager", "coach"], (who) => savePlace(who, FORM)],
  ["take a change back", ["manager", "coach"], (who) => undoLastChange(who, "x", NO_ID)],
  [
    "measure",
    ["manager", "coach", "care"],
    (who) => measureBar(who, { tag: "x", kind: "mass", readings: [], instrument: "scale" }),
  ],
  ["tick care", ["manager", "coach", "care"], (who) => tickCare(who, TICK)],
  ["undo care", ["manager", "coach", "care"], (who) => undoCare(who, NO_ID)],
  ["change equipment", ["manager", "coach"], (who) => saveEquipment(who, "plate", FORM)],
  ["weigh a plate", ["manager", "coach", "care"], (who) => weighPlate(who, { plateId: NO_ID, mark: "", mass: "" })],
  ["take records out", ["manager", "coach"], (who) => exportHall(who)],
  ["take records in", ["manager"], (who) => importHall(who, {}, { isDryRun: true })],
  ["measuring rules", ["manager"], (who) => saveMeasuringRules(who, { mass: "x" }, 0)],
  ["house rules", ["manager"], (who) => saveMatchingRules(who, { tallMm: "x" }, 0)],
  ["preview house rules", ["manager"], (who) => previewRules(who, { tallMm: "x" })],
  ["change a lift", ["manager", "coach"], (who) => saveLift(who, FORM)],
  ["meeting rules", ["manager"], (who) => saveMeetingSpec(who, SPEC)],
  ["remove meeting rules", ["manager"], (who) => removeMeetingSpec(who, NO_ID)],
  ["change a lifter", ["manager", "coach"], (who) => saveLifter(who, FORM)],
  ["confirm a lifter", ["manager", "coach"], (who) => confirmLifter(who, "x", [])],
  [
    "note use",
    ["manager", "coach"],
    (who) => noteBarUse(who, { lifter: "x", tag: "x", usedOn: "2026-01-01", setting: "" }),
  ],
  ["erase a lifter", ["manager"], (who) => eraseLifter(who, "x")],
  ["list lifters", ["manager", "coach"], (who) => listLifterPage(who, { limit: 10 })],
  ["match for a lifter", ["manager", "coach"], (who) => matchForLift(who, { lift: "bench", loadKg: 60, lifter: "x" })],
  ["enter a class", ["manager", "coach"], (who) => saveClass(who, CLASS)],
  ["see a class", ["manager", "coach"], (who) => classDetails(who, NO_ID)],
  [
    "put into a class",
    ["manager", "coach"],
    (who) => addEntry(who, { classId: NO_ID, lifter: "", lift: "", load: "", purpose: "" }),
  ],
  ["take out of a class", ["manager", "coach"], (who) => removeEntry(who, NO_ID, NO_ID)],
  [
    "fix a choice",
    ["manager", "coach"],
    (who) => lockEntry(who, NO_ID, NO_ID, { block: null, station: null, tag: null }),
  ],
  ["assign a class", ["manager", "coach"], (who) => assignTonight(who, NO_ID)],
  ["inspect a bar", ["manager", "coach", "care"], (who) => inspectBar(who, INSPECTION)],
  ["touch a round", ["manager", "coach", "care"], (who) => touchRound(who, ROUND)],
  ["settle a finding", ["manager", "coach", "care"], (who) => settleFinding(who, NO_ID, "")],
  ["note chalk", ["manager", "coach", "care", "lifter", "wall"], (who) => noteSeen(who, [], "chalk")],
  ["rules of care", ["manager"], (who) => saveCareRules(who, {}, 0)],
  [
    "factors of a bar",
    ["manager", "coach"],
    (who) => saveBarFactors(who, { tag: "x", version: 0, use: "", finish: "" }),
  ],
  ["care tasks", ["manager"], (who) => saveCareTask(who, FORM)],
  ["readings of the air", ["manager", "coach", "care"], (who) => importClimate(who, "x", [])],
  ["a sensor", ["manager", "coach", "care"], (who) => saveSensor(who, SENSOR)],
  ["plan rounds", ["manager", "coach", "care"], (who) => planRounds(who)],
  ["move a round", ["manager", "coach", "care"], (who) => moveRound(who, { id: NO_ID, day: "", version: 1 })],
  ["staff hours", ["manager", "coach", "care"], (who) => saveStaffHours(who, NO_ID, "x")],
  ["share the calendar", ["manager", "coach", "care"], (who) => makeCalendarLink(who, NO_ID)],
  ["take the calendar back", ["manager", "coach", "care"], (who) => revokeCalendarLink(who, NO_ID)],
  ["read reminders", ["manager", "coach", "care"], (who) => readMessage(who, NO_ID)],
  ["plates for a class", ["manager", "coach"], (who) => classPool(who, NO_ID, LADDER)],
  ["see a session", ["manager", "coach"], (who) => runOf(who, NO_ID)],
  ["touch a session", ["manager", "coach"], (who) => touchRun(who, NO_ID, TOUCH)],
  ["end a session", ["manager", "coach"], (who) => endRun(who, NO_ID)],
];

describe("who may do what", () => {
  it.each(WRITES)("%s: %j, and nobody else", async (_, allowed, call) => {
    const { who } = await makeHall("roles");
    for (const role of ROLES) {
      const result = await call(who(role));
      expect([role, !result.ok && result.code === "forbidden"]).toEqual([role, !allowed.includes(role)]);
    }
  });
  it("lists of what is private are empty for everybody else", async () => {
    const { who, hall } = await makeHall("roles");
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
      expect(await listLifters(who(role))).toEqual([]);
      expect(await listClasses(who(role))).toEqual([]);
      expect(await barsOfLifter(who(role), ann!.id)).toEqual([]);
    }
    expect(await listLifters(who("coach"))).toHaveLength(1);
    expect(await listClasses(who("coach"))).toHaveLength(1);
  });
});

describe("one hall and another", () => {
  /** Rows of the one, asked for and changed from the other by their very ids. */
  async function both(): Promise<{ mine: Made; theirs: Made; ids: Record<string, string> }> {
    const [mine, theirs] = [await makeHall("mine"), await makeHall("theirs")];
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
    const manager = mine.who("manager");
    const asked: [string, Promise<Outcome<object>>][] = [
      ["class", classDetails(manager, ids.class!)],
      ["assign", assignTonight(manager, ids.class!)],
      ["entry", removeEntry(manager, ids.class!, ids.entry!)],
      ["lock", lockEntry(manager, ids.class!, ids.entry!, { block: 1, station: null, tag: null })],
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
