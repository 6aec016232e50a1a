import type { QuantityKind } from "@/core/bars/quantities";
import { asc, eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import type { PlannedClass } from "@/core/classes/planClass";
import { LIFT_KEYS, LIFTS } from "@/core/matching/lifts";
import { massUnitsFromKg } from "@/core/units/exactMass";
import {
  barQuantities,
  bars,
  carePlan,
  changes,
  classes,
  classEntries,
  lifters,
  lifts,
  meetingSpecs,
  stations,
  plates,
} from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { assignTonight, reassignTonight } from "@/server/classes/assign";
import { type ClassForm, addEntry, lockEntry, removeEntry, saveClass } from "@/server/classes/classChanges";
import { boardPlates } from "@/server/classes/boardPlates";
import { moveInClass, weighMove } from "@/server/classes/moveInClass";
import { classPool } from "@/server/classes/classPool";
import { classDetails, listClasses } from "@/server/classes/classes";
import { planLoad } from "@/server/loading/planLoad";
import { planRun } from "@/server/loading/planRun";
import { todayItems } from "@/server/today/today";
import { barsOnTheWall } from "@/server/bars/bars";
import { previewRules, saveMatchingRules } from "@/server/matching/policies";
import { matchingRules } from "@/server/rules/matchingRules";
import { barsOfLifter, noteBarUse } from "./barUse";
import { confirmLifter, lifterTexts, saveLifter } from "./lifterChanges";
import { eraseLifter } from "./eraseLifter";
import { listLifters } from "./lifters";
import { allLifts, liftTexts, saveLift } from "@/server/lifts/lifts";
import { hallCoverage } from "@/server/matching/coverage";
import { matchForLift } from "@/server/matching/matchForLift";
import { removeMeetingSpec, saveMeetingSpec } from "@/server/lifts/meetings";
import { wallAnswer } from "@/server/matching/wallScreen";

/** What a screen asks of a load and of a session, where a test asks whether it is refused. */
const LOAD = {
  ...{ targetKg: 60, clamps: null, ending: "racked", rounding: "nearest", toleranceKg: 0.25, only: null },
  onBar: [],
} as never;
const SESSION = {
  ...{ way: "count", jumpKg: 20, count: 2, workSets: 1, order: "named", clamps: null, only: null, station: null },
  lifters: [{ name: "Ann", workKg: 60 }],
} as never;

type Hall = Awaited<ReturnType<typeof makeContexts>>;
const ANN = {
  key: "ann",
  name: "Ann Example",
  experience: "regular",
  heightMm: "1950",
  massKg: "90",
  limits: "reach",
  comfortNote: "no",
  usualLoads: "back-squat-high 100 kg | bench 135 lb",
  meetings: "2026-04-10 ipf Spring",
};

async function withLifts(name: string): Promise<Hall> {
  const made = await makeContexts(name);
  await made.hall.insert(
    lifts,
    LIFT_KEYS.map((key, i) => ({ ...LIFTS[key], listOrder: i + 1 })),
  );
  const quantity = (barId: string, kind: QuantityKind, value: number) => ({
    barId,
    kind,
    statedValue: String(value),
    statedUnit: kind === "mass" ? ("kg" as const) : ("mm" as const),
    stated: value,
    effective: value,
    source: "stated" as const,
  });
  const facts = {
    state: "in-service",
    knownSince: "2026-01-01",
    ratingValue: "500",
    ratingUnit: "kg",
    ratingKg: 500,
    ratingBasis: "total",
  } as const;
  const [power] = await made.hall.update(bars, eq(bars.id, made.bar.id), {
    ...facts,
    knurl: "medium",
    centreKnurl: "full",
    ringMarks: "dual",
  });
  const [yoke] = await made.hall.insert(bars, {
    ...facts,
    tag: "Y1",
    name: "Yoke",
    family: "yoke",
    sleeveRotation: "fixed",
  });
  // Nothing is overdue: only what a test is about may hold a bar back.
  await made.hall.update(carePlan, eq(carePlan.barId, power!.id), { dueOn: "2026-04-01" });
  await made.hall.insert(barQuantities, [
    ...(["mass", "shaftDiameter", "shaftLength", "collarThickness"] as const).map((kind, i) =>
      quantity(power!.id, kind, [20, 29, 1310, 30][i]!),
    ),
    quantity(yoke!.id, "mass", 30),
  ]);
  return made;
}
const enter = (made: Hall, texts: Record<string, string>, role: "manager" | "coach" | "care" = "coach") =>
  saveLifter(made.context(role), { id: null, version: 0, texts });
const row = async (made: Hall, key: string) => (await made.hall.first(lifters, { where: eq(lifters.key, key) }))!;

describe("lifters", () => {
  it("are kept field by field, come back as they were typed, and have their history", async () => {
    const made = await withLifts("lifters");
    expect(await enter(made, ANN)).toMatchObject({ ok: true, key: "ann" });
    const ann = await row(made, "ann");
    expect(lifterTexts(ann)).toEqual(ANN);
    expect(ann.usualLoads).toMatchObject({ bench: { value: "135", unit: "lb" } });
    const stale = { id: ann.id, version: 1, texts: { ...ANN, heightMm: "1960" } };
    expect(await saveLifter(made.context("coach"), stale)).toMatchObject({ ok: true });
    const again = await saveLifter(made.context("coach"), { ...stale, texts: { ...ANN, heightMm: "1970" } });
    expect(!again.ok && again.problems.map(({ message }) => message)).toEqual([
      "height: you wrote “1970”, it is now “1960”",
    ]);
    expect((await made.hall.rows(changes, { orderBy: [asc(changes.at)] })).map(({ action }) => action)).toEqual([
      "entered",
      "edited",
    ]);
  });
  it("are refused with every problem at once, and to everybody but coach and manager", async () => {
    const made = await withLifts("lifters");
    const result = await enter(made, {
      ...ANN,
      key: "Ann!",
      heightMm: "tall",
      usualLoads: "swim 10 kg",
      meetings: "soon ipf",
    });
    // Single fields come first; what depends on the hall is looked at once they can be read.
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual(["heightMm"]);
    const next = await enter(made, { ...ANN, key: "Ann!", usualLoads: "swim 10 kg", meetings: "soon ipf" });
    expect(!next.ok && next.problems.map(({ path }) => path)).toEqual(["key", "usualLoads", "meetings"]);
    expect(await enter(made, ANN, "care")).toMatchObject({ code: "forbidden" });
    expect(await listLifters(made.context("care"))).toEqual([]);
    expect(await made.hall.rows(lifters)).toEqual([]);
  });
  it("erased leave nothing of themselves, not in the history either, and no longer answer", async () => {
    const made = await withLifts("lifters");
    await enter(made, ANN);
    await noteBarUse(made.context("coach"), {
      lifter: "ann",
      tag: "Y1",
      usedOn: "2026-03-10",
      setting: "long handles",
    });
    expect(await eraseLifter(made.context("coach"), "ann")).toMatchObject({ code: "forbidden" });
    expect(await eraseLifter(made.context("manager"), "ann")).toMatchObject({ ok: true });
    // Row ids and moments are random digits that may well hold a "135": they are not what is looked for.
    const kept = JSON.stringify(
      [await made.hall.rows(lifters), await made.hall.rows(changes)],
      (_key, value: unknown) =>
        typeof value === "string" && /^[0-9a-f]{8}-[0-9a-f-]{27}$|^\d{4}-\d\d-\d\dT/.test(value) ? "" : value,
    );
    for (const word of ["Ann Example", "1950", "reach", "135", "Spring", "long handles"])
      expect(kept).not.toContain(word);
    expect(await matchForLift(made.context("coach"), { lift: "bench", loadKg: 60, lifter: "ann" })).toMatchObject({
      code: "not-found",
    });
    expect(await listLifters(made.context("coach"))).toEqual([]);
  });
  it("know bars since a day: the first stays the first, the last moves on, and the future is refused", async () => {
    const made = await withLifts("lifters");
    await enter(made, ANN);
    const use = (usedOn: string, setting = "") =>
      noteBarUse(made.context("coach"), { lifter: "ann", tag: "Y1", usedOn, setting });
    await use("2026-03-10", "long handles");
    await use("2026-03-15");
    await use("2026-03-01");
    expect(await barsOfLifter(made.context("coach"), (await row(made, "ann")).id)).toEqual([
      { tag: "Y1", name: "Yoke", firstUsedOn: "2026-03-01", lastUsedOn: "2026-03-15", setting: "long handles" },
    ]);
    expect(await use("2026-03-21")).toMatchObject({ code: "invalid" });
  });
});

describe("matching for a lifter", () => {
  it("gives the yoke to whoever cannot reach back, says why to the coach, and nothing to others", async () => {
    const made = await withLifts("match");
    await enter(made, ANN);
    const ask = { lift: "back-squat-high", loadKg: 100, lifter: "ann" };
    const result = await matchForLift(made.context("coach"), ask);
    if (!result.ok) throw new Error(result.message);
    const [first, second] = result.matching.items;
    expect(first!.tag).toBe("Y1");
    expect(second!.reasons.find(({ factor }) => factor === "comfort")).toMatchObject({
      atBest: "poor",
      isPrivate: true,
    });
    expect(await matchForLift(made.context("lifter"), ask)).toMatchObject({ code: "forbidden" });
    const anybody = await matchForLift(made.context("wall"), { ...ask, lifter: null });
    expect(
      anybody.ok && anybody.matching.items.flatMap(({ reasons }) => reasons).some(({ isPrivate }) => isPrivate),
    ).toBe(false);
  });
  it("says what a coach has to confirm, until it is confirmed", async () => {
    const made = await withLifts("match");
    await enter(made, ANN);
    const [lift] = (await allLifts(made.context("coach"))).filter(({ key }) => key === "bench");
    await saveLift(made.context("coach"), {
      id: lift!.id,
      version: 1,
      texts: { ...liftTexts(lift!), prerequisite: "a steady push-up", key: "other" },
    });
    const reasons = async () => {
      const result = await matchForLift(made.context("coach"), { lift: "bench", loadKg: 60, lifter: "ann" });
      return result.ok ? result.matching.items[0]!.reasons.map(({ text }) => text) : [];
    };
    expect(await reasons()).toContain("Before this lift: a steady push-up.");
    await confirmLifter(made.context("coach"), "ann", ["bench", "nonsense"]);
    expect((await row(made, "ann")).confirmed).toEqual(["bench"]);
    expect(await reasons()).not.toContain("Before this lift: a steady push-up.");
    expect(await saveLift(made.context("care"), { id: null, version: 0, texts: {} })).toMatchObject({
      code: "forbidden",
    });
  });
  it("the wall screen says bar, place and limit, the coverage counts people without names", async () => {
    const made = await withLifts("match");
    await enter(made, ANN);
    const answer = (await wallAnswer(made.context("wall"), "bench"))!;
    expect(answer.take[0]).toMatchObject({ bar: { tag: "T1" }, ratedKg: 500 });
    expect(answer.leave.map(({ tag }) => tag)).toEqual(["Y1"]);
    expect(JSON.stringify(answer)).not.toMatch(/Ann|reach/);
    expect(await wallAnswer(made.context("wall"), "flying")).toBeNull();
    const seen = await hallCoverage(made.context("coach"));
    expect(seen.byLift.find(({ lift }) => lift === "bench")!.people).toBe(1);
    expect((await hallCoverage(made.context("wall"))).byLift.find(({ lift }) => lift === "bench")!.people).toBe(0);
    expect(JSON.stringify(seen.byBar)).not.toContain("Ann");
  });
});

describe("house rules", () => {
  it("preview names the flips and keeps nothing; saving keeps them, once, with what changed", async () => {
    const made = await withLifts("rules");
    await made.hall.update(bars, eq(bars.id, made.bar.id), { sleeveRotation: "needle" });
    const manager = made.context("manager");
    const looked = await previewRules(manager, { sleeves: "hardly-matters" });
    if (!looked.ok) throw new Error(looked.message);
    expect(looked.flips.length).toBeGreaterThan(0);
    expect(looked.flips.every(({ tag }) => tag === "T1")).toBe(true);
    expect((await matchingRules({ ...manager })).version).toBe(0);
    expect(await saveMatchingRules(manager, { sleeves: "hardly-matters", tallMm: "1850" }, 0)).toMatchObject({
      ok: true,
    });
    expect(await matchingRules({ ...manager })).toMatchObject({
      version: 1,
      tallMm: 1850,
      policies: { sleeves: "hardly-matters" },
    });
    expect(await saveMatchingRules(manager, {}, 0)).toMatchObject({ code: "stale" });
    const [change] = await made.hall.rows(changes, { where: eq(changes.entity, "rule") });
    expect(change).toMatchObject({
      before: { tallMm: 1900, sleeves: "decides" },
      after: { tallMm: 1850, sleeves: "hardly-matters" },
    });
  });
  it("refuses numbers out of range with each of them, and everybody but the manager", async () => {
    const made = await withLifts("rules");
    const result = await saveMatchingRules(made.context("manager"), { tallMm: "3", leastMargin: "x" }, 0);
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual(["leastMargin", "tallMm"]);
    expect(await saveMatchingRules(made.context("coach"), {}, 0)).toMatchObject({ code: "forbidden" });
    expect(await previewRules(made.context("coach"), {})).toMatchObject({ code: "forbidden" });
  });
  it("one bar for most: care of the all-round bar comes round sooner, and back again", async () => {
    const made = await withLifts("rules");
    await made.hall.update(bars, eq(bars.id, made.bar.id), { family: "all-round" });
    const days = async () => (await made.hall.first(carePlan))!.intervalDays;
    const before = await days();
    await saveMatchingRules(made.context("manager"), { bars: "one-all-round" }, 0);
    expect(await days()).toBe(Math.round(0.8 * before));
    await saveMatchingRules(made.context("manager"), { bars: "by-lift" }, 1);
    expect(await days()).toBe(before);
  });
});

describe("competition rules", () => {
  const FORM = {
    id: null,
    version: 0,
    rules: "Lake League",
    source: "sheet 2",
    lifts: ["bench"],
    marks: "powerlifting",
    texts: { "least.shaftDiameter": "28", "most.shaftDiameter": "29" },
  };
  it("are entered, changed against their version, taken away, and counted for whoever has such a competition", async () => {
    const made = await withLifts("meetings");
    expect(await saveMeetingSpec(made.context("manager"), FORM)).toMatchObject({ ok: true });
    await enter(made, { ...ANN, limits: "", meetings: "2026-04-10 Lake League Summer cup" });
    expect((await row(made, "ann")).meetings).toEqual([{ on: "2026-04-10", rules: "Lake League", name: "Summer cup" }]);
    const result = await matchForLift(made.context("coach"), { lift: "bench", loadKg: 60, lifter: "ann" });
    const meeting =
      result.ok &&
      result.matching.items.find(({ tag }) => tag === "T1")!.reasons.find(({ factor }) => factor === "meeting");
    expect(meeting).toMatchObject({
      text: "It is the bar of the competition: Lake League in 3 weeks.",
      isPrivate: true,
    });
    const [spec] = await made.hall.rows(meetingSpecs);
    expect(await saveMeetingSpec(made.context("manager"), { ...FORM, id: spec!.id, version: 2 })).toMatchObject({
      code: "stale",
    });
    expect(await removeMeetingSpec(made.context("manager"), spec!.id)).toMatchObject({ ok: true });
    expect(await made.hall.rows(meetingSpecs)).toEqual([]);
  });
  it("are refused with every problem", async () => {
    const made = await withLifts("meetings");
    const result = await saveMeetingSpec(made.context("manager"), {
      ...FORM,
      rules: "IPF",
      source: "",
      lifts: ["flying"],
      texts: { "least.mass": "25", "most.mass": "20", "most.shaftDiameter": "thick" },
    });
    expect(!result.ok && result.problems.map(({ path }) => path)).toEqual([
      "rules",
      "source",
      "lifts",
      "least.mass",
      "most.shaftDiameter",
    ]);
    expect(await saveMeetingSpec(made.context("coach"), FORM)).toMatchObject({ code: "forbidden" });
  });
});

describe("classes", () => {
  const FORM: ClassForm = {
    id: null,
    version: 0,
    name: "Evening",
    heldOn: "2026-03-20",
    startsAt: "18:30",
    blockMinutes: "25",
    blocks: "2",
    capacities: { "rack-1": "1" },
  };
  async function withClass() {
    const made = await withLifts("class");
    await made.hall.insert(stations, {
      key: "rack-1",
      name: "Rack 1",
      kind: "rack",
      supportSpacingMm: 1090,
      jCupPairs: 1,
    });
    await enter(made, ANN);
    await enter(made, { ...ANN, key: "bo", name: "Bo Example", limits: "", meetings: "" });
    const saved = await saveClass(made.context("coach"), FORM);
    if (!saved.ok) throw new Error(saved.message);
    const put = (lifter: string, lift = "back-squat-high", load = "100 kg") =>
      addEntry(made.context("coach"), { classId: saved.id, lifter, lift, load, purpose: "general" });
    return { made, id: saved.id, put };
  }
  it("give each a block, a station and a bar; the yoke goes to whoever needs it, and a change makes the plan stale", async () => {
    const { made, id, put } = await withClass();
    await put("ann");
    await put("bo");
    const coach = made.context("coach");
    const result = await assignTonight(coach, id);
    if (!result.ok) throw new Error(result.message);
    expect(result.plan.isProven).toBe(true);
    const details = await classDetails(coach, id);
    if (!details.ok) throw new Error(details.message);
    const { items, plan, reasons } = details.details;
    const of = (lifter: string) =>
      plan!.entries.find(({ id: own }) => items.find((item) => item.id === own)!.lifter === lifter)!;
    expect([of("ann").tag, of("bo").tag]).toEqual(["Y1", "T1"]);
    expect(of("ann").block).not.toBe(of("bo").block);
    expect(reasons.get(of("ann").id)!.length).toBeGreaterThan(0);
    await lockEntry(coach, id, of("bo").id, { block: of("ann").block! + 1, station: null, tag: null });
    expect((await made.hall.first(classes))!.plan).toBeNull();
    await assignTonight(coach, id);
    const again = await classDetails(coach, id);
    const bo = again.ok && again.details.plan!.entries.find(({ id: own }) => own === of("bo").id)!;
    expect(bo && bo.block).toBe(of("ann").block);
  });
  it("come with their plates: who cannot be loaded at once is kept apart, and where that cannot be it is said", async () => {
    const { made, id, put } = await withClass();
    const coach = made.context("coach");
    await made.hall.insert(stations, {
      key: "rack-2",
      name: "Rack 2",
      kind: "rack",
      supportSpacingMm: 1090,
      jCupPairs: 1,
    });
    await made.hall.insert(
      plates,
      (
        [
          ["25", 4],
          ["10", 1],
          ["5", 2],
          ["2.5", 2],
          ["1.25", 2],
        ] as const
      ).map(([massValue, pairs]) => ({
        ...{ key: `p${massValue}`, massValue, massUnit: "kg" as const, massUnits: massUnitsFromKg(Number(massValue)) },
        ...{ pairs, thicknessMm: 30, diameterMm: 450, material: "steel" as const },
      })),
    );
    const [row] = await made.hall.rows(classes);
    const again = await saveClass(coach, {
      ...FORM,
      id,
      version: row!.version,
      capacities: { "rack-1": "1", "rack-2": "1" },
    });
    expect(again).toMatchObject({ ok: true });
    // A side of 220 kg takes every pair of 25 kg that there is.
    await put("ann", "back-squat-high", "220 kg");
    await put("bo", "back-squat-high", "220 kg");
    const apart = await assignTonight(coach, id);
    if (!apart.ok) throw new Error(apart.message);
    const [one, other] = apart.plan.entries;
    expect(one!.block).not.toBe(other!.block);
    expect(apart.plan).toMatchObject({ isProven: true, plates: { isServed: true } });
    expect(apart.plan.plates!.sets!.count).toBeGreaterThan(2);
    for (const entry of [one!, other!]) await lockEntry(coach, id, entry.id, { block: 1, station: null, tag: null });
    const together = await assignTonight(coach, id);
    if (!together.ok) throw new Error(together.message);
    expect(together.plan).toMatchObject({ isProven: false, plates: { isServed: false } });
    expect(together.plan.entries.every(({ block }) => block === 0)).toBe(true);
    const [clash] = together.plan.plates!.clashes;
    expect(clash).toContain("Ann Example");
    expect(clash).toContain("Bo Example");
    expect(clash).toMatch(/pairs? of 25 kg/);
    expect(together.plan.plates!.sets!.short.map(({ lifter }) => lifter)).toContain("Bo Example");
  });
  it("say what a person or a bar put elsewhere costs, keep nothing by saying it, and fix what is moved", async () => {
    const { made, id, put } = await withClass();
    await put("ann");
    await put("bo");
    const coach = made.context("coach");
    const early = await weighMove(coach, id, { kind: "person", entryId: "x", block: 0, station: "rack-1" });
    expect(early).toMatchObject({ ok: false, code: "impossible" });
    await assignTonight(coach, id);
    const entries = async () => {
      const details = await classDetails({ ...made.context("coach") }, id);
      if (!details.ok) throw new Error(details.message);
      const { items, plan } = details.details;
      return Object.fromEntries(
        items.map((item) => [item.lifter, { ...item, ...plan!.entries.find((one) => one.id === item.id)! }]),
      );
    };
    const before = await entries();
    const [ann, bo] = [before.ann!, before.bo!];
    // One rack, one at a time: Ann in Bo's hour sends Bo to hers.
    const swap = { kind: "person", entryId: ann.id, block: bo.block!, station: "rack-1" } as const;
    const weighed = await weighMove(coach, id, swap);
    if (!weighed.ok) throw new Error(weighed.message);
    expect(weighed.cost).toMatchObject({ isPossible: true, fitAfter: weighed.cost.fitBefore });
    expect(weighed.cost.changes.map(({ lifter, to }) => [lifter, to?.tag])).toEqual([
      ["Ann Example", "Y1"],
      ["Bo Example", "T1"],
    ]);
    expect(await entries()).toEqual(before);
    // The straight bar for Ann, whose shoulders do not reach it: worse, and said so.
    const worse = await weighMove(coach, id, { kind: "bar", tag: "T1", block: ann.block!, station: "rack-1" });
    if (!worse.ok) throw new Error(worse.message);
    expect(worse.cost.fitAfter).toBeLessThan(worse.cost.fitBefore);
    expect(worse.cost.changes).toMatchObject([
      { lifter: "Ann Example", to: { tag: "T1", verdict: "poor" }, because: "T1 is fixed: poor rather than good." },
    ]);
    const done = await moveInClass(coach, id, swap);
    expect(done).toMatchObject({ ok: true, cost: weighed.cost });
    const after = await entries();
    expect([after.ann!.block, after.bo!.block]).toEqual([bo.block, ann.block]);
    expect(after.ann).toMatchObject({ lockedBlock: bo.block! + 1, lockedStation: "rack-1", lockedTag: null });
    expect(after.bo).toMatchObject({ lockedBlock: null, lockedStation: null });
    for (const [move, code] of [
      [{ ...swap, block: 7 }, "not-found"],
      [{ ...swap, station: "rack-9" }, "not-found"],
      [{ ...swap, entryId: "nobody" }, "impossible"],
      [{ kind: "bar", tag: "NONE", block: 0, station: "rack-1" }, "impossible"],
    ] as const)
      expect(await moveInClass(coach, id, move)).toMatchObject({ ok: false, code });
    expect(await entries()).toEqual(after);
    // The plates of each work set stand on the board: none while the gym has none.
    const plan = (await made.hall.first(classes))!.plan as PlannedClass;
    const plated = async () => [
      ...(await boardPlates({ ...made.context("coach") }, Object.values(after), plan)).values(),
    ];
    expect(await plated()).toEqual([[], []]);
    await made.hall.insert(plates, {
      ...{ key: "p10", massValue: "10", massUnit: "kg" as const, massUnits: massUnitsFromKg(10), pairs: 3 },
      ...{ thicknessMm: 30, diameterMm: 450, material: "steel" as const },
    });
    expect(await plated()).toEqual([
      ["p10", "p10", "p10"],
      ["p10", "p10", "p10"],
    ]);
  });
  it("what breaks a bar breaks everything that was planned with it, in every state of it, and one touch plans again", async () => {
    const { made, id, put } = await withClass();
    await put("ann");
    await put("bo");
    const coach = made.context("coach");
    await assignTonight(coach, id);
    const tag = "Y1";
    const [row] = await made.hall.rows(bars, { where: eq(bars.tag, tag) });
    const set = (change: Partial<typeof bars.$inferInsert>) => made.hall.update(bars, eq(bars.id, row!.id), change);
    // Each look is another request's, as on a screen.
    const look = async () => {
      const context = { ...made.context("coach") };
      const details = await classDetails(context, id);
      if (!details.ok) throw new Error(details.message);
      const match = await matchForLift(context, { lift: "back-squat-high", loadKg: 100, lifter: null });
      const wall = await wallAnswer({ ...made.context("wall") }, "back-squat-high");
      const listed = (await barsOnTheWall(context)).find(({ bar }) => bar.tag === tag);
      const pool = await classPool(context, id, { way: "count", jumpKg: 20, count: 2, workSets: 1, only: null });
      return {
        breaks: [...details.details.breaks.values()].flat(),
        warnings: details.details.warnings,
        verdict: match.ok && match.matching.items.find((item) => item.tag === tag)?.verdict,
        takes: wall!.take.some(({ bar }) => bar.tag === tag),
        warned: wall!.take.find(({ bar }) => bar.tag === tag)?.warning ?? null,
        load: listed && (await planLoad(context, listed, LOAD)),
        session: listed && (await planRun(context, listed, SESSION)),
        pool: pool.ok ? pool.problems.join(" ") : "",
        today: (await todayItems({ ...made.context("manager") })).filter(({ weight }) => weight === "danger"),
      };
    };
    const fine = await look();
    expect(fine).toMatchObject({ breaks: [], warnings: [], takes: true, today: [] });
    for (const [change, words] of [
      [{ state: "quarantined", stateReason: "a crack" }, "Y1 is quarantined: a crack."],
      [{ state: "retired", stateReason: "a crack" }, "Y1 is retired or no longer here."],
      [{ state: "on-order", stateReason: null }, "Y1 is on order."],
    ] as const) {
      await set(change);
      const seen = await look();
      expect(seen.breaks, words).toEqual([words]);
      expect(seen.verdict, words).toBe("never");
      expect(seen.takes, words).toBe(false);
      expect(seen.pool, words).toContain(words);
      if (seen.load) expect([seen.load.ok, seen.session!.ok], words).toEqual([false, false]);
      expect(seen.today[0]!.title, words).toContain(words);
      expect(seen.today[0]!.action).toEqual({ label: "Reassign", href: `/classes/${id}` });
    }
    // Watch warns and breaks nothing.
    await set({ state: "watch", stateReason: "clicks" });
    const watched = await look();
    expect(watched.breaks).toEqual([]);
    expect(watched.warnings).toEqual(["Y1 is under watch: clicks."]);
    expect(watched.verdict).not.toBe("never");
    expect(watched.warned).toContain("Under watch: clicks.");
    // Less rated than what is planned, too.
    await set({ state: "in-service", stateReason: null, ratingKg: 80, ratingBasis: "total" });
    expect((await look()).breaks).toEqual(["Y1 may carry 80 kg; 100 kg is planned."]);
    await set({ ratingKg: 500, state: "quarantined", stateReason: "a crack" });

    const before = (await made.hall.first(classes))!.plan as PlannedClass;
    const again = await reassignTonight(coach, id);
    expect(again).toMatchObject({ ok: true, changed: 1, moved: 0 });
    const after = (await made.hall.first(classes))!.plan as PlannedClass;
    expect(after.entries.some((one) => one.tag === tag)).toBe(false);
    for (const one of before.entries.filter((was) => was.tag !== tag))
      expect(after.entries.find((now) => now.id === one.id)).toMatchObject({ block: one.block, tag: one.tag });
    expect((await look()).breaks).toEqual([]);
    expect(await reassignTonight(coach, id)).toMatchObject({ ok: true, changed: 0, moved: 0 });
    expect(await reassignTonight(made.context("care"), id)).toMatchObject({ code: "forbidden" });
  });
  it("while a block runs, its bars are in use for whoever asks elsewhere", async () => {
    const { made, put } = await withClass();
    await put("ann");
    const [held] = await made.hall.rows(classes);
    const coach = made.context("coach");
    await assignTonight(coach, held!.id);
    const taken = async () => {
      const result = await matchForLift({ ...coach }, { lift: "back-squat-high", loadKg: 100, lifter: null });
      return (
        result.ok &&
        result.matching.items.find(({ tag }) => tag === "Y1")!.reasons.find(({ factor }) => factor === "free")
      );
    };
    // It is six: a block of three hours that begins now, and one that begins in half a day.
    await made.hall.update(classes, eq(classes.id, held!.id), { startsAt: "06:00", blockMinutes: 180, blocks: 1 });
    expect(await taken()).toMatchObject({ text: "In use at Rack 1.", atBest: "usable" });
    const seen = await classDetails({ ...coach }, held!.id);
    const why = seen.ok ? [...seen.details.reasons.values()].flat().map(({ factor }) => factor) : [];
    expect([why.includes("family"), why.includes("free")]).toEqual([true, false]);
    await made.hall.update(classes, eq(classes.id, held!.id), { startsAt: "18:00" });
    expect(await taken()).toBeUndefined();
  });
  it("say why someone has no place", async () => {
    const { made, id, put } = await withClass();
    await put("ann", "snatch", "40 kg");
    await put("bo");
    await put("bo", "box-squat", "90 kg");
    await put("ann");
    const result = await assignTonight(made.context("coach"), id);
    if (!result.ok) throw new Error(result.message);
    const nowhere = result.plan.entries.filter(({ block }) => block === null).map(({ tradeOff }) => tradeOff);
    expect(nowhere.sort()).toEqual([
      "Every station that suits it is full.",
      "No station of the class suits this lift.",
    ]);
  });
  it("refuse what cannot be, with every problem, and whoever may not", async () => {
    const { made, id, put } = await withClass();
    const bad = await saveClass(made.context("coach"), {
      ...FORM,
      name: "",
      heldOn: "soon",
      startsAt: "25:00",
      blocks: "0",
      capacities: {},
    });
    expect(!bad.ok && bad.problems.map(({ path }) => path)).toEqual([
      "name",
      "heldOn",
      "startsAt",
      "blocks",
      "capacities",
    ]);
    expect(await saveClass(made.context("coach"), { ...FORM, id, version: 9 })).toMatchObject({ code: "stale" });
    const wrong = await put("nobody", "flying", "much");
    expect(!wrong.ok && wrong.problems.map(({ path }) => path)).toEqual(["load", "lift", "lifter"]);
    await put("ann");
    expect(await put("ann")).toMatchObject({ code: "invalid", problems: [{ path: "lift" }] });
    expect(await assignTonight(made.context("care"), id)).toMatchObject({ code: "forbidden" });
    expect(await listClasses(made.context("wall"))).toEqual([]);
    const other = await makeContexts("other");
    expect(await classDetails(other.context("manager"), id)).toMatchObject({ code: "not-found" });
    const [entry] = await made.hall.rows(classEntries);
    expect(await removeEntry(other.context("manager"), id, entry!.id)).toMatchObject({ code: "not-found" });
    expect(await removeEntry(made.context("coach"), id, entry!.id)).toMatchObject({ ok: true });
    expect(await assignTonight(made.context("coach"), id)).toMatchObject({ code: "impossible" });
  });
});
