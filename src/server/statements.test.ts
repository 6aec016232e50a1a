import { Client } from "pg";
import { afterAll, describe, expect, it, vi } from "vitest";
import { readWallQuery } from "@/core/bars/wallQuery";
import { openDatabase } from "@/data/client";
import { HallDb } from "@/data/hallDb";
import { bars, careLog, plates, runSteps } from "@/data/schema";
import type { Context } from "./access/context";
import { makeContexts, TEST_NOW } from "./access/context.fixture";
import { enterBars, listBars, wallBars } from "./bars";
import { careDueOn } from "./care/due";
import { tickCare } from "./care/log";
import { beginRun, touchRun } from "./loading";
import { withPlates } from "./loading/session.fixture";
import { exportHall, importHall } from "./transfer";

/*
 * How the server uses its connections: no more statements for a hundred bars than for ten, never a second connection
 * while the first is held, and a look at a file that holds nothing up.
 */

const LINE = { name: "New", family: "power", state: "in-service", sleeveRotation: "bushing", "stated.mass": "20 kg" };
const tags = (n: number, from = 0) => Array.from({ length: n }, (_, i) => `N${String(from + i).padStart(3, "0")}`);

/** How many statements the database gets while something is done. */
async function statementsOf(work: () => Promise<unknown>): Promise<number> {
  const spy = vi.spyOn(Client.prototype, "query");
  try {
    await work();
    return spy.mock.calls.length;
  } finally {
    spy.mockRestore();
  }
}

async function hallOf(n: number): Promise<Context> {
  const made = await makeContexts(`hall of ${n}`);
  const context = made.context("manager");
  const entered = await enterBars(context, LINE, tags(n));
  if (!entered.ok) throw new Error(entered.message);
  return context;
}

describe("statements do not grow with the wall", () => {
  const works: [string, (context: Context) => Promise<unknown>][] = [
    ["the wall", (context) => wallBars(context, readWallQuery({}), { count: 1000 })],
    ["the list of bars", (context) => listBars(context, { limit: 500 })],
    ["what is due", (context) => careDueOn(context, "2026-04-20")],
    ["an export", (context) => exportHall(context)],
    [
      "looking at a file of all of them",
      async (context) => {
        const result = await importHall(
          context,
          { bars: tags(50).map((tag, i) => ({ line: i + 1, texts: { ...LINE, tag, name: "Other" } })) },
          { isDryRun: true },
        );
        expect(result.ok).toBe(true);
      },
    ],
  ];
  it.each(works)("%s", async (_name, work) => {
    const [few, many] = [await hallOf(6), await hallOf(50)];
    const [ofFew, ofMany] = [await statementsOf(() => work(few)), await statementsOf(() => work(many))];
    expect(ofMany).toBeLessThanOrEqual(ofFew + 2);
    expect(ofMany).toBeLessThan(50);
  });

  it("entering bars, with their care planned", async () => {
    const counts: number[] = [];
    for (const n of [6, 50]) {
      const context = (await makeContexts(`enter ${n}`)).context("manager");
      counts.push(await statementsOf(() => enterBars(context, LINE, tags(n))));
      expect(await context.hall.rows(bars)).toHaveLength(n + 1);
    }
    expect(counts[1]).toBeLessThanOrEqual(counts[0]! + 2);
  });

  it("taking a file in", async () => {
    const counts: number[] = [];
    for (const n of [6, 50]) {
      const context = (await makeContexts(`take in ${n}`)).context("manager");
      const file = { bars: tags(n).map((tag, i) => ({ line: i + 1, texts: { ...LINE, tag } })) };
      counts.push(await statementsOf(() => importHall(context, file, { isDryRun: false })));
      expect(await context.hall.rows(bars)).toHaveLength(n + 1);
    }
    expect(counts[1]).toBeLessThanOrEqual(counts[0]! + 2);
  });
});

describe("with one connection for everybody", () => {
  const limits = { databasePoolSize: 1, databaseWaitMs: 20_000, statementTimeoutMs: 20_000, lockTimeoutMs: 20_000 };
  const { db, pool } = openDatabase(process.env.DATABASE_URL!, limits);
  afterAll(() => pool.end());
  const through = (context: Context): Context => ({ ...context, hall: new HallDb(db, context.actor.hallId) });

  it("everything that people do at the same moment is done; nothing waits for a second connection", async () => {
    const made = await withPlates("one connection");
    const manager = through(made.manager);
    const begun = await beginRun(manager, made.item, made.wish, {
      liftKey: null,
      planAddress: "/load/session",
      lifterIds: {},
    });
    if (!begun.ok) throw new Error(begun.message);
    const touches = Array.from({ length: 12 }, (_, i) =>
      touchRun(manager, begun.id, {
        kind: "load",
        set: "1.1",
        targetKg: 60 + i,
        key: `touch-of-one-${i}`,
        madeAt: TEST_NOW.toISOString(),
      }),
    );
    const answers = await Promise.all([
      ...touches,
      ...tags(4).map((tag) => enterBars(manager, LINE, [tag])),
      tickCare(manager, {
        tag: "T1",
        task: "shaft",
        doneOn: "2026-03-20",
        doneBy: manager.actor.personId,
        note: "",
        idempotencyKey: "tick-of-one-1",
      }),
      exportHall(manager),
      importHall(manager, { bars: [{ line: 1, texts: { ...LINE, tag: "D1" } }] }, { isDryRun: true }),
    ]);
    expect(answers.every((answer) => (answer as { ok: boolean }).ok)).toBe(true);
    expect(await made.hall.rows(runSteps)).toHaveLength(12);
    expect(await made.hall.rows(bars)).toHaveLength(5);
    expect(await made.hall.rows(careLog)).toHaveLength(1);
  });
});

describe("looking at a file", () => {
  it("waits for nobody's lock and holds up nobody: someone is in the middle of changing every bar", async () => {
    const made = await makeContexts("locked");
    const context = made.context("manager");
    const file = {
      bars: [{ line: 1, texts: { ...LINE, tag: "T1", name: "Renamed" } }],
      plates: [{ texts: { key: "r25", mass: "25 kg", pairs: "2" }, weights: [] }],
    };
    await made.hall.transaction(async (other) => {
      await other.rows(bars, { forUpdate: true });
      await other.update(bars, undefined, { name: "half changed" });
      const looked = await importHall(context, file, { isDryRun: true });
      expect(looked.ok && looked.report).toMatchObject({ changed: 1 });
      // What the other does next is not held up by what was looked at.
      await other.update(bars, undefined, { name: "changed" });
    });
    expect((await made.hall.rows(bars)).map(({ name }) => name)).toEqual(["changed"]);
    expect(await made.hall.rows(plates)).toEqual([]);
  });
  it("of which something changed since is not taken in by its old token; by the new one it is", async () => {
    const made = await makeContexts("token");
    const context = made.context("manager");
    const file = { bars: [{ line: 1, texts: { ...LINE, tag: "N1" } }] };
    const looked = await importHall(context, file, { isDryRun: true });
    if (!looked.ok) throw new Error(looked.message);
    await enterBars(context, LINE, ["N1"]);
    const stale = await importHall(context, file, { isDryRun: false, token: looked.token });
    expect(stale.ok ? null : stale.code).toBe("stale");
    const again = await importHall(context, file, { isDryRun: true });
    if (!again.ok) throw new Error(again.message);
    expect((await importHall(context, file, { isDryRun: false, token: again.token })).ok).toBe(true);
  });
});
