import { eq } from "drizzle-orm";
import { describe, expect, it, vi } from "vitest";
import { bars, changes, classEntries, classes, lifters, lifterSettings, people, runs } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { testStep } from "@/server/accounts/doors.fixture";
import { linkPerson, saveLifter } from "@/server/lifters";
import { recordChange } from "@/server/kit";
import { cardPage } from "@/server/setups";
import { eraseOwn, exportOwn, ownSheet, saveOwnComfort } from ".";

vi.mock("next/headers", async () => (await import("@/server/accounts/doors.fixture")).headersOfTest());

/** A lifter who signs in, and another who is none of theirs; both with a setting, a set and a class. */
async function withLifters(name: string) {
  const made = await makeContexts(name);
  const { hall, bar, actor } = made;
  const [mine, other] = await hall.insert(lifters, [
    { key: "mine", name: "Mine", comfortNote: "aches when cold", limits: ["shoulder"] },
    { key: "other", name: "Other", comfortNote: "dizzy" },
  ]);
  const by = { personId: actor("coach").personId };
  const [ownCard, otherCard] = await hall.insert(
    lifterSettings,
    [mine!, other!].map(({ id, name: whose }) => ({
      ...{
        lifterId: id,
        barId: bar.id,
        liftKey: "bench",
        setting: { hole: `hole of ${whose}` },
        chartVersion: 1,
        ...by,
      },
    })),
  );
  const [evening] = await hall.insert(classes, {
    ...{ name: "Evening", heldOn: "2026-03-20", startsAt: "18:30", blockMinutes: 25, blocks: 2, capacities: {} },
  });
  await hall.insert(
    classEntries,
    [mine!, other!].map(({ id }, i) => ({
      ...{
        classId: evening!.id,
        lifterId: id,
        liftKey: "bench",
        loadValue: "60",
        loadUnit: "kg" as const,
        loadKg: 60 + i,
      },
    })),
  );
  const set = (lifter: string, kg: number) => ({
    ...{
      id: lifter,
      lifter,
      isWork: true,
      targetUnits: kg * 1e10,
      achievedUnits: kg * 1e10,
      setup: null,
      jCupHole: null,
    },
    ...{ perSide: [], state: "done" as const },
  });
  await hall.insert(runs, {
    barId: bar.id,
    liftKey: "bench",
    lifterIds: { Mine: mine!.id, Other: other!.id },
    planAddress: "/load/session",
    state: { bar: {}, plates: [], start: [], sets: [set("Mine", 70), set("Other", 90)], isProven: true } as never,
    startedBy: by.personId,
  });
  await recordChange(made.context("coach"), {
    entity: "lifter",
    entityId: mine!.id,
    action: "added",
    after: { comfortNote: "aches when cold" },
  });
  expect(await linkPerson(made.context("coach"), "mine", actor("lifter").personId)).toEqual({ ok: true });
  return {
    ...made,
    mine: mine!,
    other: other!,
    ownCard: ownCard!,
    otherCard: otherCard!,
    lifter: made.context("lifter"),
  };
}

describe("a lifter who signs in", () => {
  it("sees their own settings, cards, sets and next class, and nothing of anybody else", async () => {
    const { lifter, ownCard, otherCard, context } = await withLifters("own");
    const sheet = (await ownSheet(lifter))!;
    expect(sheet).toMatchObject({
      comfortNote: "aches when cold",
      settings: [{ id: ownCard.id, tag: "T1", words: "hole of Mine" }],
      sets: [{ tag: "T1", loadKg: 70 }],
      next: [{ name: "Evening", on: "2026-03-20", loadKg: 60 }],
    });
    const all = JSON.stringify([sheet, await exportOwn(lifter, testStep())]);
    for (const word of ["Other", "dizzy"]) expect(all, word).not.toContain(word);
    expect(all).toContain("aches when cold");
    expect(await cardPage(lifter, otherCard.id)).toBeNull();
    // Whoever is no lifter has nothing of their own here.
    expect(await ownSheet(context("care"))).toBeNull();
  });
  it("corrects and withdraws their own words; what is withdrawn is in no history either", async () => {
    const { lifter, mine, hall } = await withLifters("words");
    const { version } = (await ownSheet(lifter))!;
    expect(await saveOwnComfort(lifter, { version, limits: ["elbow", "nonsense"], comfortNote: "elbow now" })).toEqual({
      ok: true,
    });
    expect((await ownSheet(lifter))!).toMatchObject({ limits: ["elbow"], comfortNote: "elbow now" });
    expect(await saveOwnComfort(lifter, { version, limits: [], comfortNote: "" })).toMatchObject({
      code: "stale",
      version: version + 1,
    });
    expect(await saveOwnComfort(lifter, { version: version + 1, limits: [], comfortNote: "" })).toEqual({ ok: true });
    expect(await hall.first(lifters, { where: eq(lifters.id, mine.id) })).toMatchObject({
      limits: null,
      comfortNote: null,
    });
    const history = JSON.stringify(await hall.rows(changes, { where: eq(changes.entityId, mine.id) }));
    expect(history).not.toMatch(/aches|elbow/);
  });
  it("erases themselves: row, history, sheets and name; the others stay", async () => {
    const { lifter, hall, actor, context } = await withLifters("erases");
    expect(await eraseOwn(context("coach"), testStep())).toMatchObject({ code: "forbidden" });
    expect(await eraseOwn(lifter, testStep())).toEqual({ ok: true });
    const everything = JSON.stringify([
      await hall.rows(lifters),
      await hall.rows(changes),
      await hall.rows(runs),
      await hall.rows(lifterSettings),
      await hall.rows(people),
    ]);
    for (const word of ["aches", "hole of Mine", "lifter of erases"]) expect(everything, word).not.toContain(word);
    expect(everything).toContain("hole of Other");
    expect(await hall.first(people, { where: eq(people.id, actor("lifter").personId) })).toMatchObject({
      name: "erased",
      accountId: null,
    });
    expect(await hall.rows(bars)).toHaveLength(1);
  });
  it("is linked by a coach to one lifter only, and unlinked again", async () => {
    const { context, actor, lifter } = await withLifters("links");
    const person = actor("lifter").personId;
    expect(await linkPerson(context("care"), "other", person)).toMatchObject({ code: "forbidden" });
    expect(await linkPerson(context("coach"), "other", person)).toMatchObject({ code: "impossible" });
    expect(await linkPerson(context("coach"), "mine", null)).toEqual({ ok: true });
    expect(await ownSheet(lifter)).toBeNull();
  });
});

describe("someone under age", () => {
  it("has nothing about health kept before a guardian's consent is noted", async () => {
    const { context } = await makeContexts("minors");
    const save = (texts: Record<string, string>) =>
      saveLifter(context("coach"), { id: null, version: 0, texts: { name: "Kit", experience: "regular", ...texts } });
    const refused = await save({ key: "kit", isMinor: "yes", comfortNote: "aches" });
    expect(!refused.ok && refused.problems.map(({ path }) => path)).toEqual(["guardianConsent"]);
    expect(await save({ key: "kit-2", isMinor: "yes" })).toMatchObject({ ok: true });
    expect(
      await save({ key: "kit-3", isMinor: "yes", comfortNote: "aches", guardianConsent: "mother, 3 Sep" }),
    ).toMatchObject({ ok: true });
  });
});
