import { eq } from "drizzle-orm";
import { expect, it } from "vitest";
import { groupBy } from "@/core/collections/groupBy";
import { waveOf } from "@/core/rotation/rotationWish";
import { DEMO_HALL } from "@/data/demo/demoHall";
import { loadDemo } from "@/data/demo/loadDemo";
import { inNewDatabase } from "@/data/database.fixture";
import { openDatabase } from "@/data/client";
import { HallDb } from "@/data/hallDb";
import { migrateDatabase } from "@/data/migrate";
import { bars, classEntries, classes, halls, lifters, people, rotations } from "@/data/schema";
import type { Context } from "@/server/access";
import { TEST_NOW, makeContexts } from "@/server/access/context.fixture";
import { barsOnTheWall } from "@/server/bars";
import { addEntry, assignTonight, lockEntry, saveClass } from "@/server/classes";
import { eraseLifter } from "@/server/lifters";
import { loadable } from "@/server/loading";
import { addSets, expecting, lifterLog } from "@/server/logbook";
import { liftedKey, pinWeeks, rotationOf, saveRotation, sendToClasses, sessionDay } from ".";

/** The demonstration's coach, with a real database of its own. */
async function inDemo(name: string, work: (context: Context) => Promise<void>) {
  const { context, actor } = await makeContexts(name);
  await inNewDatabase(async (url) => {
    await migrateDatabase(url);
    const { db, pool } = openDatabase(url);
    try {
      await loadDemo(db, TEST_NOW);
      const [row] = await db.select().from(halls).where(eq(halls.name, DEMO_HALL.name));
      const hall = new HallDb(db, row!.id);
      const coach = (await hall.first(people, { where: eq(people.role, "manager") }))!;
      await work({
        ...context("manager"),
        hall,
        actor: { ...actor("manager"), hallId: row!.id, personId: coach.id, isDemo: true },
      });
    } finally {
      await pool.end();
    }
  });
}

const SESSION = { weekday: "tuesday", startsAt: "18:30", repetitions: "5", reserve: "2" };
const texts = (change: Record<string, string> = {}) => ({
  ...{ name: "Spring squats", weeks: "8", liftKey: "back-squat-low", school: "weekly" },
  ...Object.fromEntries(Object.entries(SESSION).map(([key, value]) => [`session.0.${key}`, value])),
  ...change,
});

/** Day by day what a rotation is for: eight weeks for four lifters. */
it("eight weeks for four lifters are planned, pinned, sent to classes, and held against what was lifted", () =>
  inDemo("rotation demo", async (context) => {
    const { hall } = context;
    const ids = new Map((await hall.rows(lifters)).map(({ key, id }) => [key, id]));
    const four = ["isla", "emeric", "runa", "bram"].map((key) => ids.get(key)!);
    const ask = { id: null, version: 0, startsOn: "2026-03-25", lifterIds: four };
    const wrong = await saveRotation(context, {
      ...ask,
      lifterIds: [],
      texts: texts({ weeks: "30", wave: "90, 70" }),
    });
    expect((wrong as { problems: { path: string }[] }).problems.map(({ path }) => path)).toEqual([
      "weeks",
      "lifterIds",
      "wave",
    ]);
    expect(await hall.rows(rotations)).toEqual([]);

    const saved = await saveRotation(context, { ...ask, texts: texts() });
    if (!saved.ok) throw new Error(JSON.stringify(saved));
    const look = async () => {
      const result = await rotationOf(context, saved.id);
      if (!result.ok) throw new Error(result.message);
      return result.view;
    };
    const { row } = await look();
    // Any day of the week stands for its Monday.
    expect(row).toMatchObject({ startsOn: "2026-03-23", weeks: 8, wish: { wave: waveOf("weekly", 8, 3) } });
    const plan = row.plan!;
    expect(plan.isProven).toBe(true);
    expect(plan.rows.map(({ lifterId }) => lifterId).sort()).toEqual([...four].sort());
    const family = new Map((await hall.rows(bars)).map((bar) => [bar.id, bar.family as string]));
    for (const { lifterId, weeks } of plan.rows) {
      weeks.forEach((week, w) => {
        // A bar that is new comes in light weeks only.
        if (week.isLearning) expect({ w, isLight: week.isLight }).toEqual({ w, isLight: true });
      });
      if (lifterId !== ids.get("bram")) for (const { loadKg } of weeks) expect(loadKg).toBeGreaterThan(30);
    }
    // Runa competes in four weeks: three weeks on a straight bar, up to and including that one.
    const runa = plan.rows.find(({ lifterId }) => lifterId === ids.get("runa"))!;
    const near = runa.weeks.flatMap(({ isCompetition }, w) => (isCompetition ? [w] : []));
    expect(near.length).toBeGreaterThan(0);
    expect(new Set(near.map((w) => runa.weeks[w]!.barId)).size).toBe(1);
    for (const w of near) expect(["power", "squat", "all-round"]).toContain(family.get(runa.weeks[w]!.barId));

    const isla = plan.rows.find(({ lifterId }) => lifterId === ids.get("isla"))!;
    // Another straight bar: one that is new to her would be refused in a heavy week.
    const straight = [...family].filter(([, name]) => name === "power" || name === "squat").map(([id]) => id);
    const other = straight.find((id) => id !== isla.weeks[2]!.barId)!;
    const pin = { lifterId: ids.get("isla")!, session: 0, week: 3, barId: other };
    expect(await pinWeeks(context, saved.id, 7, [pin])).toMatchObject({ code: "stale" });
    expect(await pinWeeks(context, saved.id, row.version, [pin])).toMatchObject({ ok: true });
    const pinned = (await look()).row;
    expect(pinned.plan!.rows.find(({ lifterId }) => lifterId === ids.get("isla"))!.weeks[2]!.barId).toBe(other);
    expect(pinned.plan!.value).toBeLessThanOrEqual(plan.value);

    const sent = await sendToClasses(context, saved.id);
    if (!sent.ok) throw new Error(sent.message);
    expect(sent.sent).toMatchObject({ classes: 8, changed: 0 });
    const day = sessionDay(pinned.startsOn, 2, 1);
    expect(day).toBe("2026-04-07");
    const evening = (await hall.first(classes, { where: eq(classes.heldOn, day) }))!;
    const entries = await hall.rows(classEntries, { where: eq(classEntries.classId, evening.id) });
    expect(entries.find(({ lifterId }) => lifterId === ids.get("isla"))).toMatchObject({
      ...{ lockedBarId: other, liftKey: "back-squat-low" },
      loadKg: pinned.plan!.rows.find(({ lifterId }) => lifterId === ids.get("isla"))!.weeks[2]!.loadKg,
    });
    // Sent again it finds its classes and adds nothing.
    expect(await sendToClasses(context, saved.id)).toMatchObject({ sent: { classes: 8, added: 0 } });

    const later = { ...context, clock: { ...context.clock, today: "2026-03-25" } } as Context;
    const tag = (await hall.first(bars, { where: eq(bars.id, isla.weeks[0]!.barId) }))!.tag;
    const lifted = await addSets(later, {
      ...{
        lifter: "isla",
        lift: "back-squat-low",
        tag,
        on: "2026-03-24",
        lines: "110x5 @2",
        setting: "",
        variant: "",
      },
      ...{ handsHelped: false, note: "", isSure: false },
    });
    expect(lifted).toMatchObject({ ok: true });
    expect((await look()).lifted.get(liftedKey(ids.get("isla")!, 0, 0))).toMatchObject({ tag, loadKg: 110 });

    expect(await eraseLifter(context, "isla")).toEqual({ ok: true });
    expect(JSON.stringify((await look()).row)).not.toContain(ids.get("isla")!);
  }));

it("two bars on one evening are lifted heaviest first, in blocks of their own", () =>
  inDemo("rotation evening", async (context) => {
    const { hall } = context;
    const ids = new Map((await hall.rows(lifters)).map(({ key, id }) => [key, id]));
    const both = [...Object.entries(SESSION), ["lighterPct", "0"]].map(([key, value]) => [`session.1.${key}`, value]);
    const saved = await saveRotation(context, {
      ...{ id: null, version: 0, startsOn: "2026-03-25", lifterIds: [ids.get("isla")!] },
      texts: texts({ weeks: "4", ...Object.fromEntries(both), "session.0.lighterPct": "25" }),
    });
    if (!saved.ok) throw new Error(JSON.stringify(saved));
    const sent = await sendToClasses(context, saved.id);
    expect(sent).toMatchObject({ ok: true, sent: { classes: 8 } });
    const entries = await hall.rows(classEntries, { where: eq(classEntries.lifterId, ids.get("isla")!) });
    const evenings = groupBy(
      entries.filter(({ lockedBlock, liftKey }) => lockedBlock !== null && liftKey === "back-squat-low"),
      ({ classId }) => classId,
    );
    expect(evenings.size).toBe(4);
    for (const own of evenings.values()) {
      const [first, second] = own.sort((a, b) => a.bout - b.bout);
      expect([first, second]).toMatchObject([
        { bout: 1, lockedBlock: 1 },
        { bout: 2, lockedBlock: 2 },
      ]);
      expect(first!.loadKg).toBeGreaterThanOrEqual(second!.loadKg);
    }
    expect(await sendToClasses(context, saved.id)).toMatchObject({ sent: { added: 0 } });
  }));

it("a class gives whoever's load follows the log what their bar is worth to them", () =>
  inDemo("class by log", async (context) => {
    const { hall } = context;
    const isla = (await hall.first(lifters, { where: eq(lifters.key, "isla") }))!;
    const held = await saveClass(context, {
      ...{ id: null, version: 0, name: "By the log", heldOn: "2026-03-20", startsAt: "09:00" },
      ...{ blocks: "1", blockMinutes: "30", capacities: { "rack-1": "1" } },
    });
    if (!held.ok) throw new Error(JSON.stringify(held));
    const lift = { classId: held.id, lifter: "isla", lift: "back-squat-low", purpose: "general" };
    const entry = await addEntry(context, { ...lift, load: "" });
    if (!entry.ok) throw new Error(JSON.stringify(entry));
    const row = async () => (await hall.first(classEntries, { where: eq(classEntries.id, entry.id) }))!;
    const onStraight = (await row()).loadKg;
    const wall = await barsOnTheWall(context);
    const known = await expecting(context, [isla.id], "back-squat-low");
    const loadOn = await loadable(context);
    const lockedTo = async (tag: string) => {
      expect(await lockEntry(context, held.id, entry.id, { block: null, station: null, tag })).toMatchObject({
        ok: true,
      });
      expect(await assignTonight(context, held.id)).toMatchObject({ ok: true });
      const { id: barId, bar } = wall.find((one) => one.bar.tag === tag)!;
      const wish = { barId, family: bar.family, setting: "", handsHelped: false, repetitions: 5, reserve: 2 };
      return { wanted: loadOn(bar, known.of(isla.id, wish)!.value), got: (await row()).loadKg };
    };
    const yoke = await lockedTo(wall.find(({ bar }) => bar.family === "yoke" && bar.state === "in-service")!.bar.tag);
    expect(yoke.got).toBe(yoke.wanted);
    expect(yoke.got).toBeLessThan(onStraight);
    const straight = await lockedTo(
      wall.find(({ bar }) => bar.family === "power" && bar.state === "in-service")!.bar.tag,
    );
    expect(straight.got).toBe(straight.wanted);
    expect(straight.got).toBeGreaterThan(yoke.got);
    // A load that the coach typed stays.
    await hall.update(classEntries, eq(classEntries.id, entry.id), { followsLog: false, loadKg: 77 });
    expect(await assignTonight(context, held.id)).toMatchObject({ ok: true });
    expect((await row()).loadKg).toBe(77);
  }));

it("the demonstration's logs hold what was put behind them: one that reverses, a learner, one who came back", () =>
  inDemo("logs demo", async (context) => {
    const { hall } = context;
    const ids = new Map((await hall.rows(lifters)).map(({ key, id }) => [key, id]));
    const bram = (await lifterLog(context, ids.get("bram")!, {})).strength!;
    expect(bram.reversed).toHaveLength(1);
    const cato = (await lifterLog(context, ids.get("cato")!, {})).strength!;
    expect(cato.bars.filter(({ isStraight }) => !isStraight)).toMatchObject([{ worth: { isLearning: true } }]);
    const isla = await lifterLog(context, ids.get("isla")!, {});
    const gaps = isla.weeks.map(({ from }, i) =>
      i === 0 ? 0 : Date.parse(from) - Date.parse(isla.weeks[i - 1]!.from),
    );
    expect(Math.max(...gaps)).toBeGreaterThan(6 * 7 * 86_400_000);
    const runa = await lifterLog(context, ids.get("runa")!, {});
    expect(runa.effort!.light.loadKg).toBeLessThan(0.9 * runa.effort!.heavy.loadKg);
  }));
