import { execFileSync } from "node:child_process";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { describe, expect, it } from "vitest";
import { daysBetween } from "@/core/units/hallDay";
import {
  barCare,
  bars,
  careFindings,
  careLog,
  carePlan,
  careSkips,
  classes,
  climateDays,
  climateSensors,
  houseRules,
  inspections,
  places,
} from "@/data/schema";
import { at, makeContexts } from "@/server/access/context.fixture";
import { barsOnTheWall } from "@/server/bars/bars";
import { replanCare } from "@/server/care/planning/planCare";
import type { RoundTouch } from "@/core/care/roundTouch";
import { minutesLearned, roundOf, touchRound } from "@/server/care/rounds/round";
import { barCondition, rustAgainstCare } from "@/server/care/records/condition";
import { careLogRows, careRecords } from "@/server/care/records/records";
import { careReportPdf } from "@/papers/reportPdf";
import { careMeters, saveBarFactors } from "@/server/care/planning/meters";
import { saveCareRules } from "@/server/care/planning/careRules";
import { noteSeen, spotChecks } from "@/server/care/rounds/spotChecks";
import { careTaskTexts, careTasksOf, saveCareTask } from "@/server/care/planning/careTasks";
import { importClimate } from "@/server/care/air/importClimate";
import { saveSensor } from "@/server/care/air/saveSensor";
import { findingPhoto, listFindings, settleFinding } from "@/server/care/findings/findings";
import { type InspectionForm, inspectBar } from "@/server/care/inspections/inspections";
import { matchForLift } from "@/server/matching/matchForLift";
import { changeBarState } from "@/server/bars/barState";
import { listIncidents, recordIncident } from "@/server/care/findings/incidents";
import { allLifts } from "@/server/lifts/lifts";
import { lifts } from "@/data/schema";
import { NOT_LOOKED_AT } from "@/core/care/checks";
import { LIFTS } from "@/core/matching/lifts";
import { dialReadings } from "@/core/care/inspection";

/** The same people late in the evening of the test's day, when the day's readings are in. */
const atNight = <T extends Awaited<ReturnType<typeof makeContexts>>>(made: T): T => ({
  ...made,
  context: (role: Parameters<T["context"]>[0]) => at(made.context(role), "2026-03-20T23:30:00Z"),
});

/** A hall with a sensor that goes by the meter. */
async function withSensor(name: string) {
  const made = atNight(await makeContexts(name));
  await made.hall.insert(climateSensors, { key: "hall", name: "Hall", kind: "entered", so2: 5, chloride: 5 });
  const manager = made.context("manager");
  expect(await saveCareRules(manager, { rule: "meter" }, 0)).toMatchObject({ ok: true });
  return { ...made, manager };
}
type Made = Awaited<ReturnType<typeof withSensor>>;
const plan = async ({ hall }: Made) => (await hall.first(carePlan))!;

/** Every hour of some days before the test's today. */
const hourly = (days: number, temperature: number, humidity: number, chloride = "") =>
  Array.from({ length: 24 * days }, (_, i) => ({
    at: new Date(Date.UTC(2026, 2, 21) - (i + 1) * 3_600_000).toISOString(),
    temperature: String(temperature),
    humidity: String(humidity),
    so2: "",
    chloride,
  }));

describe("care by the air", () => {
  it("a damp salty month doubles the rounds of a temperate one, and says why", async () => {
    const made = await withSensor("damp");
    await importClimate(made.manager, "hall", hourly(30, 15, 65));
    const usual = await plan(made);
    expect(usual.reason).toBe("as usual: every 18 days");
    const taken = await importClimate(made.manager, "hall", hourly(30, 26, 82, "200"));
    expect(taken).toMatchObject({ ok: true, readings: 720, days: 30 });
    const salty = await plan(made);
    expect(salty.intervalDays * 2).toBe(usual.intervalDays);
    expect(salty.reason).toBe("air × 2.06: every 9 days instead of 18");
    expect(daysBetween("2026-03-01", salty.dueOn) * 2).toBe(daysBetween("2026-03-01", usual.dueOn));
    const days = await made.hall.rows(climateDays);
    expect(days.every(({ chloride }) => chloride === 200)).toBe(true);
  });
  it("takes a file whole or not at all, and names every problem by its line", async () => {
    const made = await withSensor("file");
    const [row] = hourly(1, 15, 65);
    const bad = [
      row!,
      { ...row!, at: "yesterday" },
      { ...row!, humidity: "130" },
      { ...row!, at: "2999-01-01T00:00Z" },
      { ...row!, temperature: "" },
    ];
    const result = await importClimate(made.manager, "hall", bad);
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "line 3, at",
      "line 4, humidity",
      "line 5, at",
      "line 6, temperature",
    ]);
    expect(await made.hall.rows(climateDays)).toEqual([]);
    expect(await importClimate(made.manager, "none", [row!])).toMatchObject({ code: "not-found" });
    expect(await importClimate(made.context("wall"), "hall", [row!])).toMatchObject({ code: "forbidden" });
    // Twice the same is the same.
    await importClimate(made.manager, "hall", hourly(2, 15, 65));
    const before = await made.hall.rows(climateDays);
    await importClimate(made.manager, "hall", hourly(2, 15, 65));
    expect(await made.hall.rows(climateDays)).toEqual(before);
  });
  it("goes by calendar, meter or condition only, as the house chooses; limits must make sense", async () => {
    const made = await withSensor("rules");
    expect(await saveCareRules(made.manager, { rule: "x", watchTirMm: "5" }, 1)).toMatchObject({ code: "invalid" });
    expect(await saveCareRules(made.manager, { rule: "meter", watchTirMm: "4" }, 1)).toMatchObject({ code: "invalid" });
    expect(await saveCareRules(made.manager, { rule: "calendar" }, 0)).toMatchObject({ code: "stale" });
    expect(await saveCareRules(made.manager, { rule: "calendar" }, 1)).toMatchObject({ ok: true });
    expect((await plan(made)).reason).toBe("bare shaft in salt-humid air: every 10 days");
    await saveCareRules(made.manager, { rule: "condition" }, 2);
    expect((await plan(made)).dueOn).toBe("9999-12-31");
    await noteSeen(made.context("wall"), ["T1"], "chalk");
    expect(await plan(made)).toMatchObject({ dueOn: "2026-03-20", reason: "chalk was left on it" });
  });
  it("a bar with chalk left on it is due sooner until it is brushed; anybody may note it", async () => {
    const made = await withSensor("chalk");
    const before = await plan(made);
    expect(await noteSeen(made.context("wall"), ["T1"], "chalk")).toEqual({ ok: true, noted: ["T1"] });
    const after = await plan(made);
    expect(after.dueOn < before.dueOn).toBe(true);
    expect(after.reason).toContain("chalk left on × 1.5");
    const touch = {
      key: "brush-t1-aa",
      kind: "done",
      tag: "T1",
      tasks: ["shaft"],
      madeAt: "2026-03-20T10:00:00Z",
    } as const;
    expect(await touchRound(made.context("care"), { ...touch, tasks: [...touch.tasks] })).toMatchObject({ ok: true });
    expect(await made.hall.first(barCare)).toMatchObject({ chalkSeenOn: null });
    // Seen clean it is as good as brushed: chalk is off, whoever took it off.
    await noteSeen(made.context("lifter"), ["T1"], "chalk");
    const again = await plan(made);
    expect(again.reason).toContain("chalk left on");
    expect(await noteSeen(made.context("lifter"), ["T1"], "clean")).toMatchObject({ ok: true });
    expect((await plan(made)).reason).not.toContain("chalk");
    expect(await noteSeen(made.manager, ["none"], "chalk")).toMatchObject({ code: "not-found" });
  });
  it("the day's spot checks are bars with chalk left on, then the busiest, each until someone looked at it", async () => {
    const made = await withSensor("spot checks");
    const { bar } = made;
    const more = await made.hall.insert(
      bars,
      ["B1", "B2", "B3"].map((tag) => ({ ...bar, id: undefined, tag })),
    );
    const times = { T1: 3, B1: 5, B2: 1 };
    await made.hall.insert(
      classes,
      Object.entries(times).flatMap(([tag, count]) =>
        Array.from({ length: count }, () => ({
          name: "class",
          heldOn: "2026-03-18",
          startsAt: "18:00",
          blockMinutes: 20,
          blocks: 1,
          capacities: {},
          plan: { entries: [{ tag }] },
        })),
      ),
    );
    const list = async () =>
      (await spotChecks(made.context("wall"))).map(({ tag, uses, isLookedAt }) => [tag, uses, isLookedAt]);
    expect(await list()).toEqual([
      ["B1", 5, false],
      ["T1", 3, false],
      ["B2", 1, false],
    ]);
    await noteSeen(made.context("wall"), ["B3"], "chalk");
    await noteSeen(made.context("wall"), ["B1"], "clean");
    // B3 comes first: chalk is on it, though nobody uses it. It was looked at by whoever saw the chalk.
    expect(await list()).toEqual([
      ["B3", 0, true],
      ["B1", 5, true],
      ["T1", 3, false],
      ["B2", 1, false],
    ]);
    // The next day all is to be looked at again; a bar out of use is not.
    await made.hall.update(bars, eq(bars.id, more[1]!.id), { state: "quarantined" });
    expect(
      (await spotChecks(at(made.context("wall"), "2026-03-21T12:00:00Z"))).map(({ isLookedAt }) => isLookedAt),
    ).toEqual([false, false, false]);
  });
  it("someone may set what is worked out, and the meters show every factor", async () => {
    const made = await withSensor("factors");
    expect(await saveBarFactors(made.manager, { tag: "T1", version: 0, use: "20", finish: "" })).toMatchObject({
      code: "invalid",
    });
    expect(await saveBarFactors(made.manager, { tag: "T1", version: 0, use: "2", finish: "" })).toMatchObject({
      ok: true,
    });
    expect(await saveBarFactors(made.manager, { tag: "T1", version: 0, use: "3", finish: "" })).toMatchObject({
      code: "stale",
    });
    const { items } = await careMeters(made.manager);
    expect(items[0]).toMatchObject({ tag: "T1", isUseSet: true, version: 1 });
    expect(items[0]!.tasks[0]!.need.factors.find(({ label }) => label === "use")!.value).toBe(2);
    expect((await plan(made)).reason).toContain("use × 2");
  });
  it("a sensor's lag and what falls there can be changed; days follow, single days of files stay", async () => {
    const made = await withSensor("sensor");
    await importClimate(made.manager, "hall", hourly(3, 15, 65));
    await importClimate(made.manager, "hall", hourly(1, 15, 65, "90").slice(2, 5));
    const form = { key: "hall", version: 1, so2: "5", chloride: "50", lagHours: "2" };
    expect(await saveSensor(made.manager, { ...form, lagHours: "-1" })).toMatchObject({ code: "invalid" });
    expect(await saveSensor(made.manager, form)).toEqual({ ok: true, version: 2 });
    expect(await saveSensor(made.manager, form)).toMatchObject({ code: "stale" });
    const falls = (await made.hall.rows(climateDays)).map(({ chloride }) => chloride).sort((a, b) => a - b);
    expect([falls[0], falls.at(-1)]).toEqual([50, 90]);
  });
  it("tasks are edited, but never to open a sleeve", async () => {
    const made = await withSensor("tasks");
    const [task] = await careTasksOf(made.manager);
    const form = (changes: Record<string, string>) => ({
      id: task!.id,
      version: task!.version,
      texts: { ...careTaskTexts(task!), ...changes },
    });
    const refused = await saveCareTask(made.manager, form({ steps: "Take off the end caps and open the sleeve." }));
    expect(!refused.ok && refused.problems[0]!.message).toContain("never schedules it");
    expect(
      await saveCareTask(
        made.manager,
        form({ steps: "Brush.\nNever open the sleeve.", meterDays: "9", cautions: "Mind the eyes." }),
      ),
    ).toMatchObject({ ok: true });
    expect((await plan(made)).reason).toBe("air × 2.06: every 4 days instead of 9");
    expect(await saveCareTask(made.context("coach"), form({}))).toMatchObject({ code: "forbidden" });
  });
  it("is planned for ten thousand rows in one go, to the same days as one by one", async () => {
    const made = await withSensor("many");
    const [bar] = await made.hall.rows(bars);
    await made.hall.insert(
      bars,
      Array.from({ length: 40 }, (_, i) => ({ ...bar!, id: undefined, tag: `M${i}` })),
    );
    expect(await replanCare(made.manager)).toBe(41);
    expect(new Set((await made.hall.rows(carePlan)).map(({ intervalDays }) => intervalDays)).size).toBe(1);
  });
});

const PNG = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

describe("a round", () => {
  const touch = (key: string, more: Partial<RoundTouch>): RoundTouch => ({
    key: `round-${key}`,
    kind: "done",
    tag: "T1",
    tasks: ["shaft"],
    madeAt: "2026-03-20T10:00:00Z",
    ...more,
  });
  it("goes past the bars in the order they hang, and each touch counts once, however often it is sent", async () => {
    const made = await withSensor("round");
    const [near] = await made.hall.insert(places, { name: "Near", roundOrder: 1 });
    await made.hall.update(bars, eq(bars.tag, "T1"), { placeId: near!.id });
    const care = made.context("care");
    const round = await roundOf(care, { task: null, day: "2026-03-20" });
    expect(round.stops).toMatchObject([{ tag: "T1", place: "Near", tasks: [{ key: "shaft", skipped: null }] }]);
    for (let i = 0; i < 3; i += 1)
      expect(await touchRound(care, touch("a", { minutes: 2 }))).toMatchObject({ ok: true });
    // The same bar from another telephone.
    expect(await touchRound(made.context("coach"), touch("b", {}))).toMatchObject({ ok: true });
    expect(await made.hall.rows(careLog)).toHaveLength(1);
    expect((await roundOf({ ...care }, { task: null, day: "2026-03-20" })).stops).toEqual([]);
    expect((await minutesLearned(care)).get("shaft")).toBeCloseTo((8 * 3 + 2) / 9, 12);
    expect(await touchRound(made.context("lifter"), touch("c", {}))).toMatchObject({ code: "forbidden" });
  });
  it("passes over with a reason, and a tablet whose clock runs ahead does nothing tomorrow", async () => {
    const made = await withSensor("skip");
    const care = made.context("care");
    expect(await touchRound(care, touch("a", { kind: "skip" }))).toMatchObject({ code: "invalid" });
    expect(await touchRound(care, touch("b", { kind: "skip", note: "in use" }))).toMatchObject({ ok: true });
    expect((await roundOf({ ...care }, { task: null, day: "2026-03-20" })).stops[0]!.tasks[0]!.skipped).toBe("in use");
    expect(await made.hall.rows(careSkips)).toHaveLength(1);
    await touchRound(care, touch("c", { madeAt: "2026-03-22T10:00:00Z" }));
    expect((await made.hall.first(careLog))!.doneOn).toBe("2026-03-20");
  });
  it("keeps a photo upright, no larger than needed, and without where and with what it was taken", async () => {
    const made = await withSensor("photos");
    const care = made.context("care");
    const sent = await sharp({ create: { width: 3000, height: 1500, channels: 3, background: "#a85" } })
      .withExif({ IFD0: { Make: "A camera", ImageDescription: "behind the boathouse" }, IFD3: { GPSLatitudeRef: "N" } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect(sent.includes("behind the boathouse")).toBe(true);
    const photo = sent.toString("base64");
    expect(await touchRound(care, touch("photo-1", { kind: "wrong", note: "bent", photo }))).toMatchObject({
      ok: true,
    });
    const [finding] = await listFindings(care, { openOnly: true });
    const { bytes } = (await findingPhoto(care, finding!.id))!;
    const kept = await sharp(bytes).metadata();
    // Turned as the camera was held: what was wide is high.
    expect([kept.width, kept.height, kept.orientation, kept.exif]).toEqual([1000, 2000, undefined, undefined]);
    expect(bytes.includes("boathouse")).toBe(false);
    // A small file that unfolds to more dots than any camera makes (CWE-409).
    const bomb = await sharp({ create: { width: 12_000, height: 8_000, channels: 3, background: "#fff" } })
      .png()
      .toBuffer();
    expect(bomb.length).toBeLessThan(1_000_000);
    const refused = await touchRound(
      care,
      touch("photo-2", { kind: "wrong", note: "bent", photo: bomb.toString("base64") }),
    );
    expect(!refused.ok && refused.problems[0]!.message).toContain("60 million");
  });
  it("keeps what is wrong with a photo whose bytes are one, and settles it with what was done", async () => {
    const made = await withSensor("wrong");
    const care = made.context("care");
    expect(await touchRound(care, touch("a", { kind: "wrong", note: "" }))).toMatchObject({ code: "invalid" });
    const fake = await touchRound(
      care,
      touch("b", { kind: "wrong", note: "crack", photo: Buffer.from("<svg onload=alert(1)>").toString("base64") }),
    );
    expect(!fake.ok && fake.problems[0]!.message).toContain("That is no photo");
    const large = Buffer.concat([Buffer.from(PNG, "base64"), Buffer.alloc(5 * 1024 * 1024)]).toString("base64");
    expect(await touchRound(care, touch("c", { kind: "wrong", note: "crack", photo: large }))).toMatchObject({
      code: "invalid",
    });
    expect(await made.hall.rows(careFindings)).toEqual([]);
    expect(await touchRound(care, touch("d", { kind: "wrong", note: "end cap loose", photo: PNG }))).toMatchObject({
      ok: true,
    });
    const [finding] = await listFindings({ ...care }, { openOnly: true });
    expect(finding).toMatchObject({ tag: "T1", note: "end cap loose", hasPhoto: true });
    expect(await findingPhoto(care, finding!.id)).toMatchObject({ type: "image/jpeg" });
    const other = await makeContexts("other");
    expect(await findingPhoto(other.context("manager"), finding!.id)).toBeNull();
    expect(await settleFinding(care, finding!.id, " ")).toMatchObject({ code: "invalid" });
    expect(await settleFinding(care, finding!.id, "tightened")).toMatchObject({ ok: true });
    expect(await listFindings({ ...care }, { openOnly: true })).toEqual([]);
  });
});

describe("an inspection", () => {
  const form = (
    key: string,
    facts: Partial<InspectionForm["facts"]>,
    more: Partial<InspectionForm> = {},
  ): InspectionForm => ({
    tag: "T1",
    facts: { ...NOT_LOOKED_AT, ...facts },
    decided: null,
    reason: "",
    idempotencyKey: `inspect-${key}`,
    ...more,
  });
  const dial = (tirMm: number) => dialReadings({ tirMm, bendAtDeg: 77 }, 8);
  it("of a bar with 3.4 mm runout quarantines it at once, and it is gone from matching", async () => {
    const made = await withSensor("bent");
    await made.hall.insert(lifts, { ...LIFTS.bench, listOrder: 1 });
    expect(await inspectBar(made.context("care"), form("a", { dialMm: dial(3.4) }))).toEqual({
      ok: true,
      verdict: "quarantine",
      reasons: ["runout 3.4 mm, over 3 mm"],
    });
    const [bar] = await made.hall.rows(bars);
    expect(bar).toMatchObject({ state: "quarantined", stateReason: "runout 3.4 mm, over 3 mm" });
    expect(await allLifts({ ...made.manager })).toHaveLength(1);
    const match = await matchForLift({ ...made.manager }, { lift: "bench", loadKg: 60, lifter: null });
    if (!match.ok) throw new Error(match.message);
    expect(match.matching.items.find(({ tag }) => tag === "T1")).toMatchObject({ verdict: "never" });
    // What was measured is kept like any measurement, and looking at it counts.
    const [listed] = await barsOnTheWall({ ...made.manager });
    expect(listed!.bar.quantities.runout!.value).toBeCloseTo(3.4, 2);
    // Only the manager's inspection takes it out again.
    expect(await inspectBar(made.context("coach"), form("b", { dialMm: dial(0.5) }))).toMatchObject({
      ok: true,
      verdict: "keep",
    });
    expect((await made.hall.rows(bars))[0]!.state).toBe("quarantined");
    await inspectBar(made.manager, form("c", { dialMm: dial(0.5) }));
    expect((await made.hall.rows(bars))[0]!.state).toBe("in-service");
  });
  it("an incident puts the bar under watch until someone inspects it, once however often it is sent", async () => {
    const made = await withSensor("incident");
    const crew = made.context("care");
    const happened = {
      key: "incident-1",
      tag: "T1",
      kind: "dropped" as const,
      note: "rolled off the rack",
      loadKg: 80,
    };
    for (let i = 0; i < 2; i += 1) expect(await recordIncident(crew, happened)).toMatchObject({ ok: true, tag: "T1" });
    const bar = async () => (await made.hall.rows(bars))[0]!;
    expect(await bar()).toMatchObject({
      state: "watch",
      stateReason: "Incident, not inspected yet: a bar fell or tipped",
    });
    expect(await listIncidents(made.context("coach"))).toMatchObject({ code: "forbidden" });
    const listed = await listIncidents(made.manager);
    expect(listed.ok && listed.items).toMatchObject([{ tag: "T1", kind: "dropped", loadKg: 80, hasPhoto: false }]);
    const back = async () =>
      changeBarState(made.manager, {
        tag: "T1",
        state: "in-service",
        reason: "looks fine",
        version: (await bar()).version,
      });
    expect(await back()).toMatchObject({ code: "impossible" });
    expect(await inspectBar(crew, form("after", { crackSeen: false }))).toMatchObject({ ok: true });
    expect(await back()).toMatchObject({ ok: true });
    expect(await recordIncident(made.context("lifter"), happened)).toMatchObject({ code: "forbidden" });
  });
  it("may be decided otherwise with a reason; milder only by whoever changes states", async () => {
    const made = await withSensor("override");
    const bent = { dialMm: dial(2) };
    expect(await inspectBar(made.context("coach"), form("a", bent, { decided: "keep" }))).toMatchObject({
      code: "invalid",
    });
    expect(
      await inspectBar(made.context("care"), form("b", bent, { decided: "keep", reason: "old bar" })),
    ).toMatchObject({
      code: "forbidden",
    });
    expect(
      await inspectBar(made.context("care"), form("c", bent, { decided: "quarantine", reason: "I heard a click" })),
    ).toMatchObject({ ok: true, verdict: "quarantine" });
    const rows = await made.hall.rows(inspections);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ suggested: "watch", decided: "quarantine", reason: "I heard a click" });
    expect(await inspectBar(made.context("wall"), form("d", bent))).toMatchObject({ code: "forbidden" });
  });
  it("counts once however often it is sent, and refuses what cannot be", async () => {
    const made = await withSensor("once");
    for (let i = 0; i < 2; i += 1) await inspectBar(made.manager, form("same", { spinLeftS: 8, endPlayMm: 0.4 }));
    expect(await made.hall.rows(inspections)).toHaveLength(1);
    const nothing = await inspectBar(made.manager, form("b", {}));
    expect(!nothing.ok && nothing.problems[0]!.path).toBe("facts");
    const bad = await inspectBar(made.manager, form("c", { dialMm: [1, 2, 99], endPlayMm: -1 }));
    expect(!bad.ok && bad.problems.map(({ path }) => path)).toEqual(["dialMm", "dialMm", "endPlayMm"]);
    expect(await made.hall.rows(houseRules)).toHaveLength(1);
  });
});

describe("records of a year", () => {
  it("sum jobs and minutes by month and bar, as timed or as the task says, with what it costs and how the bar went", async () => {
    const made = await withSensor("records");
    const care = made.context("care");
    const done = (key: string, madeAt: string, minutes?: number) =>
      touchRound(care, {
        key: `records-${key}`,
        kind: "done",
        tag: "T1",
        tasks: ["shaft"],
        madeAt,
        ...(minutes === undefined ? {} : { minutes }),
      });
    await done("a", "2026-01-10T10:00:00Z", 5);
    await done("b", "2026-02-10T10:00:00Z");
    await made.hall.insert(
      inspections,
      [0.5, 1.2].map((tirMm, i) => ({
        barId: made.bar.id,
        personId: care.actor.personId,
        inspectedOn: `2026-0${i + 1}-15`,
        facts: { ...NOT_LOOKED_AT, rust: i === 0 ? ("bloom" as const) : ("specks" as const) },
        tirMm,
        bendAtDeg: 0,
        suggested: "keep",
        decided: "keep",
      })),
    );
    await saveCareRules(made.manager, { rule: "meter", hour: "30" }, 1);
    const result = await careRecords({ ...care }, 2026);
    if (!result.ok) throw new Error(result.message);
    const { months, bars: own, jobs, minutes, hourMinor } = result.records;
    expect([jobs, minutes, hourMinor]).toEqual([2, 8, 3000]);
    expect(months.slice(0, 3)).toEqual([
      { month: "2026-01", jobs: 1, minutes: 5 },
      { month: "2026-02", jobs: 1, minutes: 3 },
      { month: "2026-03", jobs: 0, minutes: 0 },
    ]);
    expect(own[0]).toMatchObject({
      tag: "T1",
      jobs: 2,
      tasks: [{ name: "brush", times: 2 }],
      firstTirMm: 0.5,
      lastTirMm: 1.2,
      lastRust: "specks",
    });
    // Over time: brushed once on the day between two looks; what rust did meanwhile.
    const condition = await barCondition(care, made.bar.id);
    expect(condition.care.map(({ on, task }) => [on, task])).toEqual([
      ["2026-01-10", "shaft"],
      ["2026-02-10", "shaft"],
    ]);
    expect(condition.looks.map(({ tirMm }) => tirMm)).toEqual([0.5, 1.2]);
    expect(condition.spans).toMatchObject([{ days: 31, times: 1, before: "bloom", after: "specks", steps: 1 }]);
    expect(await rustAgainstCare(care)).toBeNull();
    const rows = await careLogRows(care, 2026);
    expect(rows.ok && rows.rows[0]).toEqual(["2026-01-10", "T1", "brush", "care of records", "5", "", ""]);
    const pdf = Buffer.from(
      await careReportPdf(result.records, { hallName: care.actor.hallName, today: care.clock.today }),
    );
    const text = execFileSync("pdftotext", ["-layout", "-", "-"], { input: pdf }).toString();
    expect(text).toContain("Care of bars 2026");
    expect(text).toMatch(/2 jobs in 0\.1 hours, worth 4 EUR/);
    expect(text).toMatch(/T1 Test bar\s+brush 2×\s+8\s+0\.5 to 1\.2/);
    expect(await careRecords(made.context("wall"), 2026)).toMatchObject({ code: "forbidden" });
  });
});
