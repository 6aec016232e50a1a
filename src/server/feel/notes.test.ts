import { eq } from "drizzle-orm";
import { describe, expect, it, vi } from "vitest";
import { barNotes, bars, changes, lifterBars, lifters } from "@/data/schema";
import { addDays } from "@/core/units/hallDay";
import { makeContexts } from "@/server/access/context.fixture";
import { eraseRow } from "@/server/lifters/eraseLifter";
import { linkPerson } from "@/server/lifters";
import { exportOwn, ownSheet, saveOwnNote } from "@/server/own";
import { testStep } from "@/server/accounts/doors.fixture";
import { todayCount, todayItems } from "@/server/today";
import { feelOfBars, feelOfSeller, notesAsked, notesOf, saveNote } from ".";

vi.mock("next/headers", async () => (await import("@/server/accounts/doors.fixture")).headersOfTest());

const TODAY = "2026-03-20";

/** A lifter who has used a bar for so many days. */
async function used(name: string, days: number) {
  const made = await makeContexts(name);
  const { hall, bar } = made;
  const [ada] = await hall.insert(lifters, { key: "ada", name: "Ada" });
  await hall.insert(lifterBars, {
    ...{ lifterId: ada!.id, barId: bar.id, firstUsedOn: addDays(TODAY, -days), lastUsedOn: TODAY, setting: null },
  });
  return { ...made, ada: ada! };
}

const form = (more: Record<string, string> = {}) => ({
  ...{ tag: "T1", lifter: "ada", version: 0 },
  texts: { stage: "three-months", comfort: "4", balance: "", wouldUseAgain: "yes", words: "rolls well", ...more },
});

describe("notes on how a bar feels", () => {
  it("are asked for three months after the first use, of the coach and of the lifter, until somebody notes one", async () => {
    const { context, actor, ada } = await used("feel asked", 91);
    const coach = context("coach");
    expect(await notesAsked(coach)).toMatchObject([{ lifter: "ada", tag: "T1", stage: "three-months" }]);
    const item = (await todayItems(coach)).find(({ id }) => id === "notes")!;
    expect(item.title).toContain("Ask Ada how T1");
    expect(await todayCount(coach)).toBe((await todayItems(coach)).length);
    expect(await linkPerson(coach, "ada", actor("lifter").personId)).toEqual({ ok: true });
    expect((await ownSheet(context("lifter")))!.asked).toMatchObject([{ tag: "T1", stage: "three-months" }]);
    // Nobody but coaches is asked about others.
    for (const role of ["care", "wall", "lifter"] as const) expect(await notesAsked(context(role))).toEqual([]);
    expect(await saveNote(coach, form())).toEqual({ ok: true });
    expect(await notesAsked(coach)).toEqual([]);
    expect(await notesAsked(coach, ada.id)).toEqual([]);
  });

  it("are asked for no more where somebody gave the bar up", async () => {
    const { context, hall } = await used("feel given up", 200);
    await hall.update(lifterBars, undefined, { lastUsedOn: addDays(TODAY, -90) });
    expect(await notesAsked(context("coach"))).toEqual([]);
  });

  it("list every problem and keep nothing of them; a note of the same stage is overwritten only knowingly", async () => {
    const { context, hall } = await used("feel problems", 91);
    const coach = context("coach");
    const bad = await saveNote(coach, form({ stage: "later", comfort: "9", words: "x".repeat(501) }));
    expect(bad).toMatchObject({ code: "invalid" });
    expect(bad.ok ? [] : bad.problems.map(({ path }) => path)).toEqual(["stage", "comfort", "words"]);
    expect(await hall.rows(barNotes)).toEqual([]);
    expect(await saveNote(coach, form())).toEqual({ ok: true });
    expect(await saveNote(coach, form({ words: "another" }))).toMatchObject({ code: "stale", version: 1 });
    expect(await saveNote(coach, { ...form({ words: "another" }), version: 1 })).toEqual({ ok: true });
    expect(await hall.rows(barNotes)).toMatchObject([{ words: "another", version: 2 }]);
    expect(await saveNote(coach, { ...form(), tag: "X9" })).toMatchObject({ code: "not-found" });
    expect(await saveNote(coach, { ...form(), lifter: "nobody" })).toMatchObject({ code: "not-found" });
  });

  it("say on the bar how many said so, with names only for whoever may read them, and of its batch together", async () => {
    const { context, hall, bar } = await used("feel said", 91);
    await hall.update(bars, eq(bars.id, bar.id), { batch: "B7", supplier: "Weir" });
    const [twin] = await hall.insert(bars, {
      ...{
        tag: "T2",
        name: "Twin",
        family: bar.family,
        state: "in-service",
        knownSince: TODAY,
        batch: "B7",
        supplier: "Weir",
      },
    } as never);
    expect(await saveNote(context("coach"), form())).toEqual({ ok: true });
    expect(
      await saveNote(context("care"), { ...form({ comfort: "2", wouldUseAgain: "no" }), tag: "T2", lifter: null }),
    ).toEqual({ ok: true });
    const feels = await feelOfBars(context("care"), ["T1", "T2"]);
    expect(feels.get("T1")).toMatchObject({
      feel: { people: 1, useAgain: { yes: 1, of: 1 } },
      batch: { name: "B7", bars: 2, feel: { people: 2, useAgain: { yes: 1, of: 2 } } },
    });
    expect(twin).toBeDefined();
    expect((await notesOf(context("coach"), bar.id))[0]).toMatchObject({ by: "Ada", words: "rolls well" });
    expect((await notesOf(context("care"), bar.id))[0]!.by).toBeNull();
    expect(await feelOfSeller(context("manager"), { family: bar.family, supplier: "weir" })).toMatchObject({
      ...{ bars: 2, ofSeller: true, feel: { people: 2 } },
    });
    // A history that others read says that there is a note and not what it says.
    expect(JSON.stringify(await hall.rows(changes))).not.toContain("rolls well");
  });

  it("are a lifter's own: written by themselves, in their file, and gone with them", async () => {
    const { context, actor, hall, ada } = await used("feel own", 21);
    await linkPerson(context("coach"), "ada", actor("lifter").personId);
    const { texts } = form({ stage: "three-weeks", words: "my own words" });
    expect(await saveOwnNote(context("lifter"), { tag: "T1", texts, version: 0 })).toEqual({ ok: true });
    expect(JSON.stringify(await exportOwn(context("lifter"), testStep()))).toContain("my own words");
    expect(await saveOwnNote(context("care"), { tag: "T1", texts, version: 0 })).toMatchObject({ code: "not-found" });
    await eraseRow(context("manager"), eq(lifters.id, ada.id));
    expect(await hall.rows(barNotes)).toEqual([]);
  });
});
