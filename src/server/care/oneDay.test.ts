import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import ICAL from "ical.js";
import nodeIcal from "node-ical";
import { LIFTS } from "@/core/matching/lifts";
import { barCare, bars, carePlan, careRounds, climateSensors, lifters, lifts, places } from "@/data/schema";
import { at, makeContexts } from "@/server/access/context.fixture";
import { barDetails } from "@/server/bars/barPage";
import { editBar } from "@/server/bars/editBar";
import { changeBarState } from "@/server/bars/barState";
import { importClimate } from "@/server/care/air/importClimate";
import { careDueList, careDuePage, neediestBars } from "@/server/care/due/careDue";
import { tickCare } from "@/server/care/log";
import { careMeters, saveBarFactors, saveCareRules, saveCareTask, saveClimate } from "@/server/care/planning";
import { replanCare } from "@/server/care/planning/planCare";
import { careCalendar } from "@/server/care/rounds/calendar";
import { plannedRounds, roundsOfToday } from "@/server/care/rounds/planned";
import { moveRound, planRounds } from "@/server/care/rounds/planner";
import { saveStaffHours } from "@/server/care/rounds/staffHours";
import { plannedRoundOf } from "@/server/care/rounds/round";
import { noteSeen } from "@/server/care/rounds/spotChecks";
import { noteBarUse } from "@/server/lifters/barUse";
import { hangBar } from "@/server/setups/storageChanges";
import { todayItems } from "@/server/today/today";
import { careTaskTexts } from "@/server/care/planning";

/* One due day for a bar's task, whoever asks; whatever changes a factor replans it in the same transaction. */

const LATE = "2026-05-01";

async function withMeters(name: string) {
  const made = await makeContexts(name);
  const { hall, bar, task } = made;
  await hall.insert(lifts, { ...LIFTS.deadlift, listOrder: 1 });
  await hall.insert(lifters, { key: "ann", name: "Ann Example" });
  await hall.insert(climateSensors, [
    { key: "hall", name: "Hall", kind: "entered", so2: 5, chloride: 5 },
    { key: "dock", name: "Dock", kind: "entered", so2: 5, chloride: 200 },
  ]);
  await hall.insert(places, [
    { name: "Inside", roundOrder: 1, sensorKey: "hall" },
    { name: "Dock", roundOrder: 2, sensorKey: "dock" },
  ]);
  const more = await hall.insert(
    bars,
    ["A", "B", "C"].map((tag) => ({ ...bar, id: undefined, tag })),
  );
  await hall.insert(
    carePlan,
    more.map(({ id }, i) => ({
      ...{ barId: id, taskId: task.id, lastDoneOn: `2026-03-1${i}`, dueOn: `2026-03-2${i}`, intervalDays: 10 },
      reason: "because",
    })),
  );
  const manager = made.context("manager");
  expect(await saveCareRules(manager, { rule: "meter" }, 0)).toMatchObject({ ok: true });
  return { ...made, manager };
}
type Made = Awaited<ReturnType<typeof withMeters>>;

/** Every due day as each place that shows one tells it. */
async function told({ manager, hall }: Made) {
  const stored = new Map((await hall.rows(carePlan)).map((row) => [row.barId, row]));
  const tagOf = new Map((await hall.rows(bars)).map(({ id, tag }) => [id, tag]));
  const days = Object.fromEntries([...stored].map(([id, { dueOn }]) => [tagOf.get(id)!, dueOn]));
  const inUse = Object.fromEntries(Object.entries(days).filter(([tag]) => [...tagOf.values()].includes(tag)));
  const meters = Object.fromEntries(
    (await careMeters({ ...manager })).items.map(({ tag, tasks }) => [tag, tasks[0]!.need.dueOn]),
  );
  const list = Object.fromEntries(
    (await careDueList({ ...manager }, LATE, {}, 100)).items.map(({ tag, dueOn }) => [tag, dueOn]),
  );
  const api = Object.fromEntries(
    (await careDuePage({ ...manager }, LATE, { limit: 100 })).items.map(({ tag, dueOn }) => [tag, dueOn]),
  );
  return { stored: inUse, meters, list, api };
}

/** Everything agrees, and working it out again changes nothing: it was replanned when the factor changed. */
async function expectOneTruth(made: Made) {
  const before = await told(made);
  expect(before.meters).toEqual(before.stored);
  expect(before.list).toEqual(before.stored);
  expect(before.api).toEqual(before.stored);
  await replanCare({ ...made.manager });
  expect((await told(made)).stored).toEqual(before.stored);
  return before.stored;
}

describe("due days", () => {
  it("agree everywhere, to the day, after every change that touches a factor", async () => {
    const made = await withMeters("one day");
    const { manager, hall, task } = made;
    await replanCare(manager);
    let days = await expectOneTruth(made);
    const versionOf = async (tag: string) => (await hall.first(bars, { where: eq(bars.tag, tag) }))!.version;
    const steps: [string, () => Promise<{ ok: boolean }>, isFelt: boolean][] = [
      ["chalk is seen", () => noteSeen(manager, ["A"], "chalk"), true],
      ["it is seen clean again", () => noteSeen(manager, ["A"], "clean"), true],
      ["someone sets a factor", () => saveBarFactors(manager, { tag: "B", version: 0, use: "1.3", finish: "" }), true],
      [
        "the finish is edited",
        async () => {
          const details = (await barDetails({ ...manager }, "C"))!;
          const { id } = (await hall.first(bars, { where: eq(bars.tag, "C") }))!;
          return editBar(manager, id, details.version, { ...details.texts, finish: "stainless" });
        },
        true,
      ],
      ["it is hung in other air", () => hangBar(manager, { tag: "A", place: "Dock", slot: null }), false],
      ["the climate is chosen", () => saveClimate(manager, { climate: "dry" }, 1), true],
      [
        "the climate has figures of its own",
        () =>
          saveClimate(
            manager,
            {
              ...{ climate: "own", temperatureC: "28", relativeHumidityPct: "85", so2Deposition: "5" },
              chlorideDeposition: "250",
            },
            2,
          ),
        true,
      ],
      [
        "readings come from a file",
        () =>
          importClimate(
            manager,
            "dock",
            Array.from({ length: 240 }, (_, i) => ({
              at: new Date(Date.parse("2026-03-10T00:00Z") + i * 3_600_000).toISOString(),
              ...{ temperature: "14", humidity: "40", so2: "", chloride: "" },
            })),
          ),
        true,
      ],
      [
        "a lifter used a bar",
        () => noteBarUse(manager, { lifter: "ann", tag: "B", usedOn: "2026-03-19", setting: "" }),
        true,
      ],
      [
        "a bar is put away for good",
        async () => changeBarState(manager, { tag: "C", state: "watch", reason: "odd", version: await versionOf("C") }),
        false,
      ],
      [
        "the task changes",
        () =>
          saveCareTask(manager, {
            id: task.id,
            version: task.version,
            texts: { ...careTaskTexts(task), meterDays: "12" },
          }),
        true,
      ],
      ["the rule changes", () => saveCareRules(manager, { rule: "calendar" }, 3), true],
    ];
    for (const [what, change, isFelt] of steps) {
      expect(await change(), what).toMatchObject({ ok: true });
      const after = await expectOneTruth(made);
      if (isFelt) expect(after, what).not.toEqual(days);
      days = after;
    }
  });
  it("contradictory or missing climate figures are refused with every problem, and nothing changes", async () => {
    const { manager, context } = await withMeters("climate");
    expect(
      await saveClimate(manager, { climate: "own", temperatureC: "99", relativeHumidityPct: "x" }, 1),
    ).toMatchObject({
      code: "invalid",
      problems: [
        ...["temperatureC", "relativeHumidityPct", "so2Deposition", "chlorideDeposition"].map((path) => ({ path })),
      ],
    });
    expect(await saveClimate(manager, { climate: "dry", chlorideDeposition: "200" }, 1)).toMatchObject({
      code: "invalid",
    });
    expect(await saveClimate(manager, { climate: "moon" }, 1)).toMatchObject({ code: "invalid" });
    expect(await saveClimate(context("coach"), { climate: "dry" }, 1)).toMatchObject({ code: "forbidden" });
    expect(await saveClimate(manager, { climate: "dry" }, 0)).toMatchObject({ code: "stale", version: 1 });
  });
  it("name the same bar as the neediest on Today and Care, by how late it is against its own interval", async () => {
    const made = await withMeters("neediest");
    const [first] = await neediestBars({ ...made.manager });
    expect(first!.tag).toBe("T1");
    const item = (await todayItems({ ...made.manager })).find(({ id }) => id === "neediest")!;
    expect(item.title).toContain("T1 Test bar needs care most: brush");
    await made.hall.update(bars, eq(bars.tag, "T1"), { state: "quarantined" });
    expect((await neediestBars(at(made.manager, "2026-03-20T08:00:00Z")))[0]?.tag).not.toBe("T1");
  });
});

describe("chalk on the wall screen", () => {
  it("is not cleared by a slip: brushing is said twice", async () => {
    const { hall, context, bar } = await withMeters("slip");
    const wall = context("wall");
    const chalk = async () => (await hall.first(barCare, { where: eq(barCare.barId, bar.id) }))!.chalkSeenOn;
    expect(await noteSeen(wall, ["T1"], "clean")).toMatchObject({ ok: true });
    expect(await noteSeen(wall, ["T1"], "chalk")).toMatchObject({ ok: true });
    expect(await noteSeen(wall, ["T1"], "clean")).toMatchObject({ code: "impossible" });
    expect(await chalk()).toBe("2026-03-20");
    expect(await noteSeen(wall, ["T1"], "clean", { isSure: true })).toMatchObject({ ok: true });
    expect(await chalk()).toBeNull();
  });
});

describe("planned rounds", () => {
  const planned = async (name: string) => {
    const made = await withMeters(name);
    const care = made.context("care");
    await saveStaffHours(care, care.actor.personId, "Mon 09:00-10:00\nFri 09:00-10:00");
    expect(await planRounds(care)).toMatchObject({ ok: true });
    return { ...made, care, rounds: await plannedRounds(care, { from: care.clock.today }) };
  };
  it("are not moved to a day on which their person is not in without saying so", async () => {
    const { care, rounds, hall } = await planned("not in");
    const [round] = rounds;
    const move = (day: string, isSure?: boolean) =>
      moveRound(care, { id: round!.id, day, version: round!.version, ...(isSure ? { isSure } : {}) });
    expect(await move("2026-03-22")).toMatchObject({ code: "impossible", problems: [{ path: "isSure" }] });
    expect((await hall.first(careRounds, { where: eq(careRounds.id, round!.id) }))!.day).toBe(round!.day);
    expect(await move("2026-03-22", true)).toMatchObject({ ok: true });
  });
  it("start from their card, with what is still to do", async () => {
    const { care, rounds, hall, manager } = await planned("start");
    const today = await roundsOfToday({ ...care });
    expect(today.map(({ id }) => id)).toEqual([rounds[0]!.id]);
    expect((await todayItems({ ...manager })).find(({ id }) => id === `round-${rounds[0]!.id}`)!.action.href).toBe(
      `/care/rounds?plan=${rounds[0]!.id}`,
    );
    const view = (await plannedRoundOf(care, rounds[0]!.id))!;
    const tags = rounds[0]!.tasks.flatMap(({ at }) => at.map(({ name }) => name));
    expect(new Set(view.stops.map(({ tag }) => tag))).toEqual(new Set(tags));
    await tickCare(care, {
      ...{ tag: tags[0]!, task: "shaft", doneOn: "2026-03-20", doneBy: care.actor.personId, note: "" },
      idempotencyKey: "done-in-round",
    });
    expect((await plannedRoundOf(care, rounds[0]!.id))!.stops.map(({ tag }) => tag)).not.toContain(tags[0]);
    await hall.update(bars, eq(bars.tag, tags[1]!), { state: "quarantined" });
    expect((await plannedRoundOf(care, rounds[0]!.id))!.stops.map(({ tag }) => tag)).not.toContain(tags[1]);
    // What comes later is still all there.
    const last = rounds.at(-1)!;
    expect((await plannedRoundOf(care, last.id))!.stops.length).toBeGreaterThan(0);
    expect(await plannedRoundOf(care, "x")).toBeNull();
  });
  it("stand in the calendar at moments that two parsers read alike, and hours carry their zone's rules", async () => {
    const { care, rounds } = await planned("zone");
    const inLondon = { ...care, actor: { ...care.actor, timeZone: "Europe/London" } };
    const text = await careCalendar(inLondon, null);
    expect(text).toContain("BEGIN:VTIMEZONE");
    expect(text.replaceAll("\r\n ", "")).toContain(`/care/rounds?plan=${rounds[0]!.id}`);
    const ours = new ICAL.Component(ICAL.parse(text));
    for (const zone of ours.getAllSubcomponents("vtimezone")) ICAL.TimezoneService.register(zone);
    const starts = new Map(
      ours
        .getAllSubcomponents("vevent")
        .map((event) => new ICAL.Event(event))
        .map((event) => [event.uid, event.startDate.toJSDate().getTime()]),
    );
    const theirs = Object.values(nodeIcal.sync.parseICS(text)).filter((one) => one.type === "VEVENT");
    expect(theirs).toHaveLength(starts.size);
    for (const event of theirs) expect(event.start.getTime(), event.uid).toBe(starts.get(event.uid));
    // Nothing floats: every start is UTC or names a zone that the file explains.
    for (const line of text.split("\r\n").filter((one) => /^DT(START|END|STAMP)/.test(one)))
      expect(line).toMatch(/^DT(?:START|END|STAMP)(:\d{8}T\d{6}Z|;TZID=Europe\/London:\d{8}T\d{6}|:19\d{6}T\d{6})$/);
  });
});
