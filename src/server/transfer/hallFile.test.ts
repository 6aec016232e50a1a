import { ARM_CHART } from "@/core/setups/setups.fixture";
import { describe, expect, it } from "vitest";
import { dialReadings } from "@/core/care/inspection";
import { NOT_LOOKED_AT } from "@/core/care/checks";
import { chartTexts } from "@/core/setups/chartFields";
import { barsCsv, readCsvFile } from "@/api/barFile";
import { readHallFile } from "@/api/hallFile";
import { asc, eq } from "drizzle-orm";
import {
  barMeasurements,
  bars,
  careLog,
  carePlan,
  careTasks,
  changes,
  climateDays,
  climateSensors,
  lifters,
  lifts,
  people,
  plates,
} from "@/data/schema";
import { inTransaction } from "@/server/access";
import { makeContexts } from "@/server/access/context.fixture";
import { changeBarState } from "@/server/bars/barState";
import { enterBars } from "@/server/bars/addBars";
import { measureBar } from "@/server/bars/measureBar";
import { barDetails } from "@/server/bars/barPage";
import { exportBars } from "./hallFile";
import { barCells } from "./parts/readBars";
import type { IncomingBar } from "./part";
import { saveEquipment } from "@/server/equipment/equipmentChanges";
import { weighPlate } from "@/server/equipment/weighing";
import { tickCare } from "@/server/care/log/careLog";
import { careTaskTexts, saveCareTask } from "@/server/care/planning/careTasks";
import { confirmLifter, saveLifter } from "@/server/lifters/lifterChanges";
import { liftersPart } from "./parts/lifters";
import { inspectBar } from "@/server/care/inspections/inspections";
import { saveCareRules } from "@/server/care/planning/careRules";
import { importClimate } from "@/server/care/air/importClimate";
import { saveMatchingRules } from "@/server/matching/policies";
import { saveMeasuringRules } from "@/server/rules/measuringRules";
import { calibrate, keepSetting } from "@/server/setups/setupChanges";
import { saveLift } from "@/server/lifts/lifts";
import { saveMeetingSpec } from "@/server/lifts/meetings";
import { exportHall, importHall } from "./hallFile";

const LINE = { name: "New", family: "power", state: "in-service", sleeveRotation: "bushing" };
const LIFT = (key: string) => ({
  id: null,
  version: 0,
  texts: {
    key,
    name: key,
    like: "back-squat-high",
    speed: "slow",
    start: "rack",
    ending: "racked",
    contact: "back",
    supportHalfSpacingMm: "200",
    usualKg: "80",
  },
});
type Hall = Awaited<ReturnType<typeof makeContexts>>;

async function full(): Promise<Hall> {
  const made = await makeContexts("full");
  await enterBars(
    made.context("manager"),
    {
      ...LINE,
      name: '=cmd|"x", ünïcode\'s "bar"',
      place: "Wall, north",
      rating: "700 lb",
      ratingBasis: "unknown",
      price: "189.50",
      paintMarks: "red dot = heavy\n-blue = light",
      "stated.mass": "45 lb",
      "stated.shaftDiameter": "1.125 in",
      note: "+two\nlines",
    },
    ["K1", "K2"],
  );
  for (const value of ["20.6", "20.62"])
    await measureBar(made.context("care"), {
      tag: "K1",
      kind: "mass",
      readings: [{ value, unit: "kg" }],
      instrument: "scale",
    });
  await changeBarState(made.context("manager"), { tag: "K2", state: "retired", reason: "cracked", version: 1 });
  await enterBars(made.context("manager"), { ...LINE, name: "Second life" }, ["K2"]);
  return made;
}
const exported = async ({ context }: Hall) => {
  const result = await exportBars(context("manager"));
  if (!result.ok) throw new Error(result.message);
  return result.bars;
};
const bring = (made: Hall, rows: readonly IncomingBar[], isDryRun = false) =>
  importHall(made.context("manager"), { bars: rows }, { isDryRun });

describe("round trip", () => {
  it("JSON: export, import into another hall, export: the same, older measurements and retired bars included", async () => {
    const made = await full();
    const before = await exported(made);
    const read = readHallFile(JSON.parse(JSON.stringify({ format: "garrison", version: 1, hall: "x", bars: before })));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = await makeContexts("empty");
    expect(await bring(other, read.file.bars)).toMatchObject({ ok: true, report: { added: 3, unchanged: 1 } });
    // Who measured is somebody of the other hall; everything else is the same.
    const bare = (all: typeof before) =>
      all.map(({ texts, measurements }) => ({
        texts,
        measurements: measurements.map((one) => ({ ...one, by: null })),
      }));
    expect(bare(await exported(other))).toEqual(bare(before));
  });
  it("a hall's file: plates with their single weights, clamps and stations as well, twice the same", async () => {
    const made = await full();
    const plate = { key: "i45", mass: "45 lb", pairs: "3", material: "iron", thicknessMm: "32" };
    const save = (kind: "plate" | "clamp" | "station", texts: Record<string, string>) =>
      saveEquipment(made.context("manager"), kind, { id: null, version: 0, texts });
    await save("plate", plate);
    await save("clamp", { key: "c1", name: "Spring", pairMass: "0.4 kg", widthMm: "25", pairs: "4" });
    await save("station", { key: "r1", name: "Rack", kind: "rack", jCupPairs: "2", jCupHoles: "9\n14" });
    const [row] = await made.hall.rows(plates);
    await weighPlate(made.context("care"), { plateId: row!.id, mark: "A", mass: "20.52 kg" });
    const out = async (hall: Hall) => {
      const result = await exportHall(hall.context("manager"));
      if (!result.ok) throw new Error(result.message);
      return result.file;
    };
    const file = await out(made);
    expect(file.plates).toEqual([
      { texts: { ...plate, isDropRated: "no" }, weights: [{ mark: "A", mass: "20.52 kg" }] },
    ]);
    const read = readHallFile(JSON.parse(JSON.stringify({ format: "garrison", version: 1, hall: "x", ...file })));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = await makeContexts("empty");
    const into = (isDryRun: boolean) => importHall(other.context("manager"), read.file, { isDryRun });
    expect(await into(true)).toMatchObject({ report: { added: 6, changed: 0, unchanged: 2 } });
    expect((await out(other)).stations).toEqual([]);
    await into(false);
    const { plates: p, clamps: c, stations: s } = await out(other);
    expect({ plates: p, clamps: c, stations: s }).toEqual({
      plates: file.plates,
      clamps: file.clamps,
      stations: file.stations,
    });
    expect(await into(false)).toMatchObject({ report: { added: 0, changed: 0, unchanged: 8 } });
  });
  it("a hall's file: lifts, competition rules, lifters with what was confirmed, tasks and the log of care, twice the same", async () => {
    const made = await full();
    const manager = made.context("manager");
    const ok = <T extends { ok: boolean }>(result: T) => expect(result).toMatchObject({ ok: true });
    const fresh = () => ({ ...manager });
    const form = (texts: Record<string, string>) => ({ id: null, version: 0, texts });
    for (const key of ["pause-squat", "a-squat"]) ok(await saveLift(fresh(), LIFT(key)));
    ok(
      await saveMeetingSpec(fresh(), {
        ...form({ "least.mass": "24.8", "most.mass": "25.2" }),
        rules: "Example Federation",
        source: "its sheet",
        lifts: ["pause-squat"],
        marks: "powerlifting",
      }),
    );
    ok(
      await saveLifter(
        fresh(),
        form({
          key: "ann",
          name: "Ann Example",
          experience: "regular",
          usualLoads: "pause-squat 80 kg",
          meetings: "2026-06-01 Example Federation Spring open",
        }),
      ),
    );
    ok(await confirmLifter(fresh(), "ann", ["hinge-on-straight"]));
    const task = (await made.hall.first(careTasks))!;
    ok(await saveCareTask(fresh(), { id: task.id, version: 1, texts: { ...careTaskTexts(task), minutes: "4.5" } }));
    const care = made.context("care");
    for (const [i, doneOn] of ["2026-03-01", "2026-03-10"].entries())
      ok(
        await tickCare(care, {
          tag: "T1",
          task: "shaft",
          doneOn,
          doneBy: care.actor.personId,
          note: i === 0 ? "rust at the collar" : "",
          minutes: 2.5,
          idempotencyKey: `file-tick-${i}`,
        }),
      );
    const out = async (hall: Hall) => {
      const result = await exportHall({ ...hall.context("manager") });
      if (!result.ok) throw new Error(result.message);
      return result.file;
    };
    const file = await out(made);
    expect(file.lifts.map(({ texts }) => texts.key)).toEqual(["pause-squat", "a-squat"]);
    expect(file.lifters).toMatchObject([{ texts: { key: "ann" }, confirmed: ["hinge-on-straight"] }]);
    expect(file.care.map(({ doneOn, by, note }) => [doneOn, by, note])).toEqual([
      ["2026-03-01", care.actor.name + " of full", "rust at the collar"],
      ["2026-03-10", care.actor.name + " of full", null],
    ]);
    const read = readHallFile(JSON.parse(JSON.stringify({ format: "garrison", version: 1, hall: "x", ...file })));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = await makeContexts("empty");
    await other.hall.insert(people, { name: care.actor.name + " of full", role: "care" });
    const into = (isDryRun: boolean) => importHall({ ...other.context("manager") }, read.file, { isDryRun });
    expect(await into(true)).toMatchObject({ ok: true });
    expect((await out(other)).lifts).toEqual([]);
    expect(await into(false)).toMatchObject({ ok: true });
    expect({ ...(await out(other)), bars: null }).toEqual({ ...file, bars: null });
    expect(await into(false)).toMatchObject({ report: { added: 0, changed: 0 } });
    // Due days follow the log that came in: the task comes round from its last time.
    expect(await other.hall.first(carePlan, { where: eq(carePlan.barId, other.bar.id) })).toMatchObject({
      lastDoneOn: "2026-03-10",
      dueOn: "2026-03-20",
    });
    // Whoever may not read lifters takes none out.
    expect(await liftersPart.read(made.context("care"), { health: true })).toBeNull();
  });
  it("a hall's file: charts of setups and inspections, of bars that come with it; an inspection of a file bends no bar", async () => {
    const made = await makeContexts("charts");
    const manager = made.context("manager");
    await enterBars(manager, { ...LINE, family: "adjustable-yoke", sleeveRotation: "fixed", "stated.mass": "25 kg" }, [
      "Y1",
    ]);
    const calibrated = await calibrate(manager, { tag: "Y1", version: 0, texts: chartTexts(ARM_CHART) });
    expect(calibrated).toMatchObject({ ok: true });
    const looked = await inspectBar(manager, {
      tag: "T1",
      facts: { ...NOT_LOOKED_AT, dialMm: dialReadings({ tirMm: 3.4, bendAtDeg: 80 }, 8), rust: "bloom" },
      decided: null,
      reason: "",
      idempotencyKey: "inspect-for-file",
    });
    expect(looked).toMatchObject({ ok: true, verdict: "quarantine" });
    const out = async (hall: Hall) => {
      const result = await exportHall({ ...hall.context("manager") });
      if (!result.ok) throw new Error(result.message);
      return result.file;
    };
    const file = await out(made);
    expect(file.charts).toMatchObject([{ tag: "Y1", calibratedOn: "2026-03-20" }]);
    expect(file.inspections).toMatchObject([{ tag: "T1", on: "2026-03-20", decided: "quarantine" }]);
    const read = readHallFile(JSON.parse(JSON.stringify({ format: "garrison", version: 1, hall: "x", ...file })));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = await makeContexts("empty");
    const into = () => importHall({ ...other.context("manager") }, read.file, { isDryRun: false });
    expect(await into()).toMatchObject({ ok: true });
    const { charts, inspections: list } = await out(other);
    expect(charts).toEqual(file.charts);
    expect(list.map((one) => ({ ...one, by: null }))).toEqual(file.inspections.map((one) => ({ ...one, by: null })));
    expect(await into()).toMatchObject({ report: { added: 0, changed: 0 } });
    // Taken in alone it is history: T1 stays in service where only the inspection came.
    const third = await makeContexts("history");
    const alone = { inspections: read.file.inspections! };
    expect(await importHall(third.context("manager"), alone, { isDryRun: false })).toMatchObject({
      report: { added: 1 },
    });
    expect(await third.hall.first(bars)).toMatchObject({ state: "in-service" });
    const bad = await importHall(
      third.context("manager"),
      {
        charts: [
          { tag: "T1", texts: {}, calibratedOn: null },
          { tag: "K9", texts: {}, calibratedOn: "soon" },
        ],
        inspections: [{ tag: "K9", on: "2999-01-01", by: null, facts: NOT_LOOKED_AT, decided: "burn", reason: null }],
      },
      { isDryRun: false },
    );
    expect(!bad.ok && bad.problems.map(({ path }) => path)).toEqual([
      "chart 1, tag",
      "chart 2, tag",
      "chart 2, calibratedOn",
      "inspection 1, tag",
      "inspection 1, on",
      "inspection 1, decided",
      "inspection 1, facts",
    ]);
  });
  it("a hall's file: how bars are set for lifters, what the gym decided, and its air, twice the same", async () => {
    const made = await makeContexts("house");
    const manager = made.context("manager");
    const fresh = () => ({ ...manager });
    const ok = <T extends { ok: boolean }>(result: T) => expect(result).toMatchObject({ ok: true });
    await enterBars(manager, { ...LINE, family: "adjustable-yoke", sleeveRotation: "fixed", "stated.mass": "25 kg" }, [
      "Y1",
    ]);
    ok(await calibrate(fresh(), { tag: "Y1", version: 0, texts: chartTexts(ARM_CHART) }));
    ok(await saveLift(fresh(), LIFT("a-squat")));
    ok(await saveLifter(fresh(), { id: null, version: 0, texts: { key: "ann", name: "Ann", experience: "regular" } }));
    const [mark, pin] = [ARM_CHART.marks[0]!.name, ARM_CHART.pins[0]!.name];
    ok(
      await keepSetting(fresh(), {
        lifter: "ann",
        tag: "Y1",
        lift: "a-squat",
        setting: { mark, pin },
        station: "",
        jCupHole: "",
        note: "pads up",
      }),
    );
    ok(await saveCareRules(fresh(), { rule: "meter", watchTirMm: "1.2", hour: "24", quiet: "Fri 08:00-09:00" }, 0));
    ok(await saveMeasuringRules(fresh(), { mass: "0.2" }, 0));
    ok(await saveMatchingRules(fresh(), { bars: "one-all-round" }, 0));
    await made.hall.insert(climateSensors, { key: "hall", name: "Hall", kind: "entered", so2: 5, chloride: 5 });
    const hours = Array.from({ length: 30 }, (_, i) => ({
      at: new Date(Date.UTC(2026, 2, 10, i)).toISOString(),
      temperature: String(15 + i / 10),
      humidity: "70",
      so2: "",
      chloride: i < 24 ? "100" : "",
    }));
    ok(await importClimate(fresh(), "hall", hours));
    const out = async (hall: Hall) => {
      const result = await exportHall({ ...hall.context("manager") });
      if (!result.ok) throw new Error(result.message);
      return result.file;
    };
    const file = await out(made);
    expect(file.settings).toMatchObject([
      { lifter: "ann", tag: "Y1", lift: "a-squat", setting: { mark, pin }, note: "pads up" },
    ]);
    expect(file.rules.map(({ key }) => key)).toEqual(["care", "matching", "measuring"]);
    expect(file.air).toMatchObject([{ key: "hall", deposition: [{ day: "2026-03-10", chloride: 100 }] }]);
    expect(file.air[0]!.readings).toHaveLength(30);
    const read = readHallFile(JSON.parse(JSON.stringify({ format: "garrison", version: 1, hall: "x", ...file })));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = await makeContexts("empty");
    const into = () => importHall({ ...other.context("manager") }, read.file, { isDryRun: false });
    ok(await into());
    const { settings, rules, air } = await out(other);
    expect({ settings, rules, air }).toEqual({ settings: file.settings, rules: file.rules, air: file.air });
    expect(await other.hall.rows(climateDays, { orderBy: [asc(climateDays.day)] })).toMatchObject(
      (await made.hall.rows(climateDays, { orderBy: [asc(climateDays.day)] })).map(({ day, rateUmPerYear }) => ({
        day,
        rateUmPerYear,
      })),
    );
    expect(await into()).toMatchObject({ report: { added: 0, changed: 0 } });
    // Due days go by the rule and the air that came in.
    const plan = await other.hall.first(carePlan, { where: eq(carePlan.barId, other.bar.id) });
    expect(plan!.reason).toContain("air ×");
    // What is not understood is refused at its place, and nothing is kept.
    const bad = await importHall(
      { ...other.context("manager") },
      {
        settings: [{ ...file.settings![0]!, lifter: "nobody", lift: "moon-walk", station: "r9" }],
        rules: [
          { key: "care", value: { rule: "never", limits: { watchTirMm: "wide" }, toString: 1 } },
          { key: "matching", value: { schools: { bars: "none" }, emptyShareLimit: 7 } },
          { key: "dancing", value: {} },
        ],
        air: [
          {
            ...file.air[0]!,
            key: "Bad Key",
            readings: [{ at: "2999-01-01T00:00:00Z", temperatureC: 1, humidityPct: 1 }],
          },
        ],
      },
      { isDryRun: false },
    );
    expect(!bad.ok && bad.problems.map(({ path }) => path)).toEqual([
      "setting 1, lifter",
      "setting 1, lift",
      "setting 1, station",
      "rule 1, value.rule",
      "rule 1, value.limits.watchTirMm",
      "rule 1, value.toString",
      "rule 2, value.schools.bars",
      "rule 2, value.emptyShareLimit",
      "rule 3, key",
      "place of air 1, key",
      "place of air 1, readings.0.at",
    ]);
    expect((await out(other)).rules).toEqual(file.rules);
  });
  it("every problem of every part is named at its place, and nothing of the file is kept", async () => {
    const made = await makeContexts("in");
    const result = await importHall(
      made.context("manager"),
      {
        lifts: [{ texts: { key: "Bad Key", name: "x" } }],
        meetings: [{ rules: "", source: "s", lifts: ["nothing"], marks: "", texts: { "least.mass": "heavy" } }],
        lifters: [
          { texts: { key: "ann", name: "Ann", usualLoads: "moon-walk 80 kg" }, confirmed: ["flying"] },
          { texts: { key: "bo", name: "Bo", experience: "regular" } },
        ],
        careTasks: [
          {
            texts: {
              key: "dance",
              name: "dance",
              minutes: "3",
              dryDays: "9",
              temperateDays: "9",
              saltHumidDays: "9",
              steps: "Dance.",
            },
          },
        ],
        care: [
          { tag: "T1", task: "shaft", doneOn: "2026-03-01", by: null, minutes: null, note: null },
          { tag: "K99", task: "dance", doneOn: "2026-13-01", by: "x", minutes: 1, note: null },
          { tag: "T1", task: "shaft", doneOn: "2027-01-01", by: null, minutes: null, note: null },
        ],
      },
      { isDryRun: false },
    );
    const paths = result.ok ? [] : result.problems.map(({ path }) => path);
    for (const path of [
      "competition rule 1, rules",
      "competition rule 1, lifts",
      "competition rule 1, least.mass",
      "lifter 1, confirmed",
      "care task 1, key",
      "care 2, tag",
      "care 2, task",
      "care 2, doneOn",
      "care 3, doneOn",
    ])
      expect(paths).toContain(path);
    expect(paths.some((path) => path.startsWith("lift 1"))).toBe(true);
    expect(paths.some((path) => path.startsWith("lifter 2"))).toBe(false);
    for (const table of [lifters, lifts, careLog]) expect(await made.hall.rows(table)).toEqual([]);
  });
  it("care done by someone the hall does not know is kept with the name in its note, once", async () => {
    const made = await makeContexts("in");
    const care = [{ tag: "T1", task: "shaft", doneOn: "2026-03-05", by: "Old Hand", minutes: null, note: "oiled" }];
    const into = () => importHall({ ...made.context("manager") }, { care }, { isDryRun: false });
    expect(await into()).toMatchObject({ report: { added: 1, changes: [{ tag: "T1", what: "care done 1 time" }] } });
    expect(await made.hall.rows(careLog)).toMatchObject([{ note: "by Old Hand: oiled", doneOn: "2026-03-05" }]);
    await into();
    expect(await made.hall.rows(careLog)).toHaveLength(1);
  });
  it("keeps everything as it was when only a station is wrong", async () => {
    const made = await makeContexts("in");
    const result = await importHall(
      made.context("manager"),
      {
        bars: [{ line: 1, texts: { ...LINE, tag: "N1" } }],
        plates: [{ texts: { key: "r25", mass: "25 kg", pairs: "2" }, weights: [{ mark: "", mass: "heavy" }] }],
        stations: [{ texts: { key: "r1", name: "Rack", kind: "sofa", jCupPairs: "2" } }],
      },
      { isDryRun: false },
    );
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "plate 1, mark",
      "plate 1, mass",
      "station 1, kind",
    ]);
    expect([await made.hall.rows(bars), await made.hall.rows(plates)].map(({ length }) => length)).toEqual([1, 0]);
  });
  it("CSV: every text and the newest measurements come back, and a second time changes nothing", async () => {
    const made = await full();
    const csv = barsCsv((await exported(made)).map(barCells));
    const read = readCsvFile(csv);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(await bring(made, read.rows)).toMatchObject({ ok: true, report: { added: 0, changed: 0, unchanged: 4 } });
    const other = await makeContexts("empty");
    await bring(other, read.rows);
    const texts = async (hall: Hall) => (await exported(hall)).map((bar) => bar.texts);
    expect(await texts(other)).toEqual(await texts(made));
    expect((await barDetails(other.context("manager"), "K1"))!.bar.quantities.mass).toMatchObject({ value: 20.62 });
    expect(await bring(other, read.rows)).toMatchObject({ ok: true, report: { added: 0, changed: 0, unchanged: 4 } });
  });
});

describe("taking bars in", () => {
  it("tells the problems of every line and writes nothing", async () => {
    const made = await makeContexts("in");
    const result = await bring(made, [
      { line: 2, texts: { ...LINE, tag: "N1" } },
      { line: 3, texts: { ...LINE, tag: "N2", finish: "gold", "stated.mass": "much" } },
      { line: 4, texts: { ...LINE, tag: "N1" } },
      { line: 5, texts: { tag: "N3", name: "x", family: "sword" } },
      { line: 6, texts: { ...LINE, tag: "N4", "measured.mass": "heavy" } },
    ]);
    expect(result).toMatchObject({ ok: false, code: "invalid" });
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "line 3, shaft finish",
      "line 3, mass, stated",
      "line 4, tag",
      "line 5, family",
      "line 6, measured.mass",
    ]);
    expect(await made.hall.rows(bars)).toHaveLength(1);
  });
  it("looks without writing, then does what it said, with care, history and measurements", async () => {
    const made = await makeContexts("in");
    const rows: IncomingBar[] = [
      { line: 2, texts: { ...LINE, tag: "N1", "measured.mass": "20.4 20.42 kg", place: "New wall" } },
      { line: 3, texts: { tag: "T1", finish: "ceramic" } },
    ];
    const looked = await bring(made, rows, true);
    expect(looked).toMatchObject({
      ok: true,
      report: {
        added: 1,
        changed: 1,
        changes: [
          { line: 2, tag: "N1", what: "new" },
          { line: 3, tag: "T1", what: "shaft finish: bare → ceramic" },
        ],
      },
    });
    expect(await made.hall.rows(bars)).toHaveLength(1);
    expect(await bring(made, rows)).toEqual(looked);
    const { bar, place, history } = (await barDetails(made.context("manager"), "N1"))!;
    expect(place).toBe("New wall");
    expect(bar.quantities.mass!.value).toBeCloseTo(20.41, 9);
    expect(history).toMatchObject([{ action: "entered", reason: "from a file" }]);
    expect(await made.hall.rows(carePlan)).toHaveLength(2);
    expect((await barDetails(made.context("manager"), "T1"))!.texts).toMatchObject({
      finish: "ceramic",
      name: "Test bar",
    });
    expect((await made.hall.rows(changes)).map(({ reason }) => reason)).toEqual(["from a file", "from a file"]);
    // Readings without a moment are not taken twice.
    expect(await bring(made, rows)).toMatchObject({ report: { unchanged: 2 } });
    expect(await made.hall.rows(barMeasurements)).toHaveLength(1);
  });
  it("is the manager's alone; coaches may take files out, lifters neither", async () => {
    const made = await makeContexts("in");
    expect(await importHall(made.context("coach"), {}, { isDryRun: true })).toMatchObject({ code: "forbidden" });
    expect(await exportBars(made.context("coach"))).toMatchObject({ ok: true });
    expect(await exportBars(made.context("lifter"))).toMatchObject({ code: "forbidden" });
  });
  it("says how far it is", async () => {
    const made = await makeContexts("in");
    const told: number[] = [];
    const rows = Array.from({ length: 600 }, (_, i) => ({ line: i + 2, texts: { ...LINE, tag: `P${i}` } }));
    await importHall(
      made.context("manager"),
      { bars: rows },
      { isDryRun: false, onProgress: (done) => told.push(done) },
    );
    expect(told).toEqual([250, 500, 600, 600]);
  });
});

describe("a file that changes bars of a hall that is open", () => {
  it("holds nobody who ticks off care of the same bars meanwhile", async () => {
    const { bar, task, context } = await makeContexts("while-open");
    const manager = context("manager");
    const named = (name: string) => ({ bars: [{ line: 1, texts: { tag: bar.tag, name, family: "power" } }] });
    // Once before, so that care stands as the log says.
    expect(await importHall(manager, named("Known"), { isDryRun: false })).toMatchObject({ ok: true });
    await inTransaction(manager, async (inside) => {
      // What the import holds it holds until the transaction ends.
      expect(await importHall(inside, named("Renamed"), { isDryRun: false })).toMatchObject({
        ...{ ok: true, report: { changed: 1 } },
      });
      const tick = { tag: bar.tag, task: task.key, doneOn: "2026-03-20" as const, note: "" };
      const { personId } = context("care").actor;
      expect(
        await tickCare(context("care"), { ...tick, doneBy: personId, idempotencyKey: "tick-while-open" }),
      ).toMatchObject({ ok: true });
    });
  });
  it("does nothing when whoever sent it has gone", async () => {
    const { bar, context, hall } = await makeContexts("gone");
    const manager = context("manager");
    const file = { bars: [{ line: 1, texts: { tag: bar.tag, name: "From a file", family: "power" } }] };
    const gone = new AbortController();
    gone.abort();
    await expect(importHall({ ...manager, signal: gone.signal }, file, { isDryRun: false })).rejects.toThrow();
    const [after] = await hall.rows(bars, { where: eq(bars.id, bar.id) });
    expect(after!.name).toBe(bar.name);
  });
});
