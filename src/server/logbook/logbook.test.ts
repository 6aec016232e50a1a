import { and, eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { readLogLines, setText } from "@/core/strength/logLines";
import { daysBetween } from "@/core/units/hallDay";
import { barWorths, bars, changes, lifters, logSets, runs } from "@/data/schema";
import { insertUsualLifts } from "@/data/newHall";
import { makeContexts } from "@/server/access/context.fixture";
import { eraseLifter } from "@/server/lifters";
import {
  addSets,
  deleteSets,
  editSet,
  expecting,
  importSets,
  lastLogChange,
  lifterLog,
  gymLog,
  listLog,
  logOf,
  runSetLogged,
  type SetsForm,
  undoLog,
} from ".";

const TODAY = "2026-03-18";

/** A coach, a lifter, a straight bar T1 of the fixture, a yoke bar and one that is retired. */
async function withLog(name: string) {
  const made = await makeContexts(name);
  const { hall } = made;
  await insertUsualLifts(hall);
  const [mine, other] = await hall.insert(lifters, [
    { key: "mine", name: "Mine" },
    { key: "other", name: "Other" },
  ]);
  const copy = async (tag: string, family: "yoke" | "power", state: "in-service" | "retired") => {
    const { finish, knownSince, sleeveRotation } = made.bar;
    return (await hall.insert(bars, { finish, knownSince, sleeveRotation, tag, name: tag, family, state }))[0]!;
  };
  const [straight, yoke, old] = [
    await copy("S1", "power", "in-service"),
    await copy("Y1", "yoke", "in-service"),
    await copy("OLD", "power", "retired"),
  ];
  const form = (change: Partial<SetsForm> = {}): SetsForm => ({
    ...{ lifter: "mine", lift: "back-squat-low", tag: "S1", on: TODAY, lines: "140x5 @2" },
    ...{ setting: "", variant: "", handsHelped: false, note: "", isSure: false },
    ...change,
  });
  return { ...made, mine: mine!, other: other!, straight, yoke, old, form, coach: made.context("coach") };
}

describe("lines of sets", () => {
  it.each([
    ["140x5 @2", [["140", "kg", 5, 2, true]]],
    [
      "315 lb 3,3,2",
      [
        ["315", "lb", 3, null, true],
        ["315", "lb", 3, null, true],
        ["315", "lb", 2, null, true],
      ],
    ],
    ["100,5 kg × 4 @ 1,5", [["100.5", "kg", 4, 1.5, true]]],
    [
      "100x5x3",
      [
        ["100", "kg", 5, null, true],
        ["100", "kg", 5, null, true],
        ["100", "kg", 5, null, true],
      ],
    ],
    ["150 missed", [["150", "kg", 1, null, false]]],
    ["150x3 failed", [["150", "kg", 3, null, false]]],
  ])("%s", (line, expected) => {
    const read = readLogLines(line, "kg");
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(read.sets.map((set) => [set.loadValue, set.loadUnit, set.repetitions, set.reserve, set.isMade])).toEqual(
      expected,
    );
    // What is shown for an edit reads as the same set.
    for (const set of read.sets) expect(readLogLines(setText(set), "lb")).toMatchObject({ ok: true, sets: [set] });
  });

  it("every line that is no set is named; zero, minus and thousands of repetitions are none", () => {
    const read = readLogLines("140x5\n0x5\n-20x3\n100x9999\n100x5 @40\nsquat\n3000x1", "kg");
    expect(read.ok).toBe(false);
    expect((read as { problems: { path: string }[] }).problems.map(({ path }) => path)).toEqual([
      ...["line 2", "line 3", "line 4", "line 5", "line 6", "line 7"],
    ]);
  });
});

describe("the log", () => {
  it("adds what was typed, all or none, and estimates from it; only coaches and managers may", async () => {
    const { coach, form, mine, hall, context } = await withLog("log adds");
    expect(await addSets(context("care"), form())).toMatchObject({ code: "forbidden" });
    const wrong = await addSets(coach, form({ lines: "140x5\n0x2", tag: "NONE", on: "2027-01-01" }));
    expect(wrong).toMatchObject({ ok: false, code: "invalid" });
    expect((wrong as { problems: { path: string }[] }).problems.map(({ path }) => path)).toEqual([
      "tag",
      "on",
      "line 2",
    ]);
    expect(await hall.rows(logSets)).toEqual([]);
    expect(await addSets(coach, form({ lines: "140x5 @2\n315 lb 3,3" }))).toEqual({ ok: true, added: 3 });
    const { strength, sets, lifts } = await lifterLog(coach, mine.id, {});
    expect(sets.map(({ loadKg }) => Math.round(loadKg * 100) / 100)).toEqual([142.88, 142.88, 140]);
    expect(lifts).toEqual([{ liftKey: "back-squat-low", variant: "", sets: 3 }]);
    expect(strength!.straight.value).toBeGreaterThan(150);
    expect((await lifterLog(context("care"), mine.id, {})).sets).toEqual([]);
  });

  it("asks before it takes a load over twice the best", async () => {
    const { coach, form } = await withLog("log asks");
    await addSets(coach, form());
    const asked = await addSets(coach, form({ lines: "1400x5" }));
    expect(asked).toMatchObject({ code: "invalid", problems: [{ path: "isSure" }] });
    expect(await addSets(coach, form({ lines: "1400x5", isSure: true }))).toEqual({ ok: true, added: 1 });
  });

  it("a bar that is retired since can be logged, and stays in the log", async () => {
    const { coach, form, mine } = await withLog("log retired");
    expect(await addSets(coach, form({ tag: "old" }))).toEqual({ ok: true, added: 1 });
    expect((await lifterLog(coach, mine.id, {})).sets[0]).toMatchObject({ tag: "OLD" });
  });

  it("edits, deletes and undoes; a stale edit overwrites nothing; worths follow each time", async () => {
    const { coach, form, mine, hall } = await withLog("log edits");
    await addSets(coach, form());
    await addSets(coach, form({ tag: "Y1", lines: "110x5 @2" }));
    const ratio = async () => (await hall.first(barWorths, { where: eq(barWorths.lifterId, mine.id) }))?.logRatio;
    const before = await ratio();
    const set = (await logOf(hall, mine.id)).find(({ tag }) => tag === "Y1")!;
    expect(await editSet(coach, set.id, 1, form({ tag: "Y1", lines: "125x5 @2" }))).toEqual({ ok: true });
    const after = await ratio();
    expect(after!).toBeGreaterThan(before!);
    expect(await editSet(coach, set.id, 1, form({ tag: "Y1", lines: "60x5" }))).toMatchObject({
      code: "stale",
      version: 2,
    });
    const last = (await lastLogChange(coach, mine.id))!;
    expect(last.action).toBe("edited");
    expect(await undoLog(coach, mine.id, last.id)).toEqual({ ok: true });
    expect(await ratio()).toBeCloseTo(before!, 12);
    // Undone once is undone.
    expect(await undoLog(coach, mine.id, last.id)).toMatchObject({ code: "stale" });
    expect(await deleteSets(coach, mine.id, [set.id])).toEqual({ ok: true });
    expect(await ratio()).toBeUndefined();
    await undoLog(coach, mine.id, (await lastLogChange(coach, mine.id))!.id);
    expect(await ratio()).toBeCloseTo(before!, 12);
  });

  it("imports a file once: a dry run adds nothing, the same file again adds nothing, wrong rows stop all of it", async () => {
    const { coach, mine, hall } = await withLog("log imports");
    const text = [
      "Date;Lift;Bar;Load;Unit;Reps;RIR;Made",
      "2026-03-02;back-squat-low;S1;140;kg;5;2;yes",
      "2026-03-02;back-squat-low;S1;140;kg;5;2;yes",
      "2026-03-04;back-squat-low;y1;250;lb;3;;no",
    ].join("\r\n");
    const ask = { lifter: "mine", text, isDry: false, isSure: false };
    expect(await importSets(coach, { ...ask, isDry: true })).toMatchObject({
      import: { sets: 3, known: 0, from: "2026-03-02", to: "2026-03-04" },
    });
    expect(await hall.rows(logSets)).toEqual([]);
    expect(await importSets(coach, ask)).toMatchObject({ import: { sets: 3 } });
    expect(await importSets(coach, ask)).toMatchObject({ import: { sets: 0, known: 3 } });
    // Two alike on one day are two; a third is new.
    const more = `${text}\r\n2026-03-02;back-squat-low;S1;140;kg;5;2;yes`;
    expect(await importSets(coach, { ...ask, text: more })).toMatchObject({ import: { sets: 1, known: 3 } });
    const wrong = await importSets(coach, {
      ...ask,
      text: "date,lift,bar,load,repetitions\n2026-03-32,x,S1,100,5\n2026-03-01,back-squat-low,NONE,100,5",
    });
    expect(wrong).toMatchObject({ code: "invalid" });
    expect((wrong as { problems: { message: string }[] }).problems.map(({ message }) => message.slice(0, 6))).toContain(
      "Row 2:",
    );
    const rows = await importSets(coach, { ...ask, text: "date,lift,bar,load\n2026-03-01,lunge jump,NONE,100" });
    expect((rows as { problems: object[] }).problems).toHaveLength(2);
    expect(await logOf(hall, mine.id)).toHaveLength(4);
    await undoLog(coach, mine.id, (await lastLogChange(coach, mine.id))!.id);
    expect(await logOf(hall, mine.id)).toHaveLength(3);
  });

  it("keeps lifts, variants, settings and helped hands apart", async () => {
    const { coach, form, mine } = await withLog("log apart");
    await addSets(coach, form());
    await addSets(coach, form({ variant: "pause", lines: "120x5 @2" }));
    for (const change of [{}, { handsHelped: true }, { setting: "hole 3" }])
      await addSets(coach, form({ tag: "Y1", lines: "110x5 @2", ...change }));
    const log = await lifterLog(coach, mine.id, { liftKey: "back-squat-low", variant: "" });
    expect(log.lifts.map(({ variant, sets }) => [variant, sets])).toEqual([
      ["", 4],
      ["pause", 1],
    ]);
    expect(log.strength!.bars.filter(({ isStraight }) => !isStraight)).toHaveLength(3);
  });

  it("says what to load: low on a new bar, up once it was lifted; others' lifts say nothing of this one", async () => {
    const { coach, form, mine, straight, yoke, context } = await withLog("log expects");
    await addSets(coach, form({ lines: "150x5 @2\n150x5 @2" }));
    const wish = { setting: "", handsHelped: false, repetitions: 5, reserve: 2 };
    const of = async (context_ = coach, lift = "back-squat-low") => {
      const known = await expecting(context_, [mine.id], lift);
      return {
        straight: known.of(mine.id, { ...wish, barId: straight.id, family: "power" }),
        yoke: known.of(mine.id, { ...wish, barId: yoke.id, family: "yoke" }),
      };
    };
    const first = await of();
    expect(first.straight!.value).toBeGreaterThan(146);
    expect(first.straight!.value).toBeLessThan(154);
    expect(first.yoke).toMatchObject({ isFirst: true, isLearning: true });
    expect(first.yoke!.value).toBeLessThan(0.75 * first.straight!.value);
    await addSets(coach, form({ tag: "Y1", lines: "125x5 @2" }));
    const second = await of();
    expect(second.yoke).toMatchObject({ isFirst: false, uses: 1 });
    expect(second.yoke!.value).toBeGreaterThan(first.yoke!.value);
    expect((await of(coach, "bench")).straight).toBeNull();
    expect((await of(context("care"))).straight).toBeNull();
  });

  it("pages for programs of coaches, newest first, and tells nobody else", async () => {
    const { coach, form, context } = await withLog("log pages");
    await addSets(coach, form({ on: "2026-03-01", lines: "100x5x5" }));
    await addSets(coach, form({ on: "2026-03-02", lines: "105x5 @1" }));
    const page = await listLog(coach, { limit: 4 });
    if (!page.ok) throw new Error(page.message);
    expect(page.items[0]).toMatchObject({ on: "2026-03-02", lifter: "mine", bar: "S1", reserve: 1, isMade: true });
    const after = JSON.parse(page.nextCursor!) as [string, string];
    const rest = await listLog(coach, { limit: 4, after });
    expect(rest).toMatchObject({ ok: true, nextCursor: null });
    expect((rest as { items: object[] }).items).toHaveLength(2);
    expect(await listLog(context("lifter"), { limit: 4 })).toMatchObject({ code: "forbidden" });
    // The Logbook says the same, of so many days, by lifter, lift and bar.
    const { today } = coach.clock;
    const days = 1 + daysBetween("2026-03-02", today);
    const all = await gymLog(coach, { days: days + 1 });
    expect(all!.sets.map(({ on, tag, loadKg }) => [on, tag, loadKg])).toEqual([
      ["2026-03-02", "S1", 105],
      ...Array.from({ length: 5 }, () => ["2026-03-01", "S1", 100]),
    ]);
    expect((await gymLog(coach, { days }))!.sets).toHaveLength(1);
    expect((await gymLog(coach, { days: days + 1, tag: "Y1" }))!.sets).toEqual([]);
    expect((await gymLog(coach, { days: days + 1, lifterKey: "mine", tag: "S1" }))!.sets).toHaveLength(6);
    expect(await gymLog(context("care"), { days })).toBeNull();
  });
});

describe("a run sheet", () => {
  async function withRun(name: string) {
    const made = await withLog(name);
    const set = (id: string, isWork: boolean) => ({
      ...{ id, lifter: "Mine", isWork, targetUnits: 120e10, achievedUnits: 120e10, setup: null, jCupHole: null },
      ...{ perSide: [], state: "done" as const, repetitions: 5 },
    });
    const state = { bar: {}, plates: [], start: [], sets: [set("1", false), set("2", true)], isProven: true };
    const [run] = await made.hall.insert(runs, {
      ...{ barId: made.straight.id, liftKey: "back-squat-low", lifterIds: { Mine: made.mine.id } },
      ...{ planAddress: "/load/session", state: state as never, startedBy: made.actor("coach").personId },
    });
    const touched = (id: string, change: object) => ({
      ...run!,
      state: { ...state, sets: state.sets.map((one) => (one.id === id ? { ...one, ...change } : one)) } as never,
    });
    return { ...made, run: run!, touched };
  }
  const effort = { repetitions: 4, reserve: 1, isMade: true, handsHelped: false };

  it("fills the log by itself: work sets once, with how they went, and gone when undone", async () => {
    const { coach, hall, mine, run, touched } = await withRun("run logs");
    await runSetLogged(coach, run, "1");
    expect(await logOf(hall, mine.id)).toEqual([]);
    await runSetLogged(coach, run, "2");
    await runSetLogged(coach, run, "2");
    expect(await logOf(hall, mine.id)).toMatchObject([{ loadKg: 120, repetitions: 5, reserve: null, source: "run" }]);
    await runSetLogged(coach, touched("2", { effort }), "2");
    expect(await logOf(hall, mine.id)).toMatchObject([{ repetitions: 4, reserve: 1 }]);
    // A warm-up counts once somebody said how it went.
    await runSetLogged(coach, touched("1", { effort }), "1");
    expect(await logOf(hall, mine.id)).toHaveLength(2);
    await runSetLogged(coach, touched("2", { state: "open" }), "2");
    expect(await logOf(hall, mine.id)).toHaveLength(1);
  });

  it("leaves what someone edited by hand, and names that are nobody's", async () => {
    const { coach, hall, mine, form, run, touched } = await withRun("run stays");
    await runSetLogged(coach, run, "2");
    const [set] = await logOf(hall, mine.id);
    await editSet(coach, set!.id, 1, form({ lines: "122.5x5 @2" }));
    await runSetLogged(coach, touched("2", { effort }), "2");
    expect(await logOf(hall, mine.id)).toMatchObject([{ loadKg: 122.5, reserve: 2 }]);
    await runSetLogged(coach, { ...run, lifterIds: {}, id: run.id }, "1");
    expect(await logOf(hall, mine.id)).toHaveLength(1);
  });
});

describe("someone who is erased", () => {
  it("leaves no set, no worth and no word in the history of the log", async () => {
    const { coach, form, mine, other, hall, context } = await withLog("log erased");
    await addSets(coach, form({ tag: "Y1", lines: "110x5 @2", note: "knee" }));
    await addSets(coach, form({ lifter: "other" }));
    const set = (await logOf(hall, mine.id))[0]!;
    await editSet(coach, set.id, 1, form({ tag: "Y1", lines: "111x5 @2", note: "knee again" }));
    expect(await eraseLifter(context("manager"), "mine")).toEqual({ ok: true });
    expect(await logOf(hall, mine.id)).toEqual([]);
    expect(await hall.rows(barWorths, { where: eq(barWorths.lifterId, mine.id) })).toEqual([]);
    const history = await hall.rows(changes, { where: and(eq(changes.entity, "log"), eq(changes.entityId, mine.id)) });
    expect(JSON.stringify(history)).not.toMatch(/knee|111/);
    expect(await logOf(hall, other.id)).toHaveLength(1);
  });
});
