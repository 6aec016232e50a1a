import { and, desc, eq, inArray, sql } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import type { HallDb } from "./hallDb";
import { barMeasurements, bars, carePlan, careTasks, plates } from "./schema";
import { makeHall } from "./testHall.fixture";

const LINE = { name: "New", family: "power", state: "in-service", knownSince: "2026-01-01" } as const;
const PLATE = { massValue: "20", massUnit: "kg", massUnits: 200_000_000_000, material: "iron", pairs: 1 } as const;

describe("one hall's view", () => {
  it("neither reads nor changes another hall's rows, whatever is asked for", async () => {
    const [a, b] = [await makeHall("A"), await makeHall("B")];
    expect(await a.hall.rows(bars, { where: eq(bars.id, b.bar.id) })).toEqual([]);
    expect(await a.hall.update(bars, eq(bars.id, b.bar.id), { name: "stolen" })).toEqual([]);
    expect((await b.hall.first(bars))!.name).toBe("Test bar");
    expect((await a.hall.rows(bars)).map(({ id }) => id)).toEqual([a.bar.id]);
  });

  it("cannot refer to another hall's rows: the database refuses", async () => {
    const [a, b] = [await makeHall("A"), await makeHall("B")];
    await expect(
      a.hall.insert(carePlan, { barId: b.bar.id, taskId: a.task.id, dueOn: "2026-01-01", intervalDays: 1, reason: "" }),
    ).rejects.toThrow();
  });

  it("does not overwrite another hall's row when both have the key", async () => {
    const [a, b] = [await makeHall("A"), await makeHall("B")];
    const row = { barId: b.bar.id, taskId: b.task.id, dueOn: "2030-01-01", intervalDays: 1, reason: "" };
    await a.hall.put(carePlan, [carePlan.barId, carePlan.taskId], row).catch(() => {});
    expect((await b.hall.first(carePlan))!.dueOn).toBe("2026-03-11");
  });
});

describe("a join", () => {
  const withTask = {
    task: { table: careTasks, on: eq(carePlan.taskId, careTasks.id), columns: { key: careTasks.key } },
  };
  it("says of each row what it names, in one query, and null where it names none", async () => {
    const { hall, bar, task } = await makeHall("joined");
    const other = {
      bar: {
        table: bars,
        on: and(eq(bars.id, carePlan.barId), eq(bars.tag, "elsewhere"))!,
        columns: { tag: bars.tag },
      },
    };
    const [row, ...more] = await hall.rowsWith(carePlan, { ...withTask, ...other });
    expect(more).toEqual([]);
    expect(row).toMatchObject({ row: { barId: bar.id, taskId: task.id }, task: { key: "shaft" }, bar: null });
  });
  it("never reaches into another hall, whatever it is joined on", async () => {
    const [a, b] = [await makeHall("A"), await makeHall("B")];
    const anyBar = { bar: { table: bars, on: sql`true`, columns: { id: bars.id } } };
    const seen = (await a.hall.rowsWith(carePlan, anyBar)).map(({ bar }) => bar?.id);
    expect(seen).toEqual([a.bar.id]);
    expect(seen).not.toContain(b.bar.id);
  });
  it("keeps order, limit and offset of the list", async () => {
    const { hall } = await makeHall("paged");
    await hall.insert(
      bars,
      ["P1", "P2", "P3"].map((tag) => ({ ...LINE, tag })),
    );
    const page = await hall.rowsWith(bars, {}, { orderBy: [desc(bars.tag)], limit: 2, offset: 1 });
    expect(page.map(({ row }) => row.tag)).toEqual(["P3", "P2"]);
  });
});

describe("many changes in one statement", () => {
  it("change the columns that are said, also to nothing, and no others", async () => {
    const { hall } = await makeHall("many");
    const rows = await hall.insert(
      bars,
      ["P1", "P2"].map((tag) => ({ ...LINE, tag, finish: "bare" as const })),
    );
    await hall.updateMany(bars, [
      { id: rows[0]!.id, name: "one 'quoted' \\ name", finish: null },
      { id: rows[1]!.id, name: "two", finish: "stainless" },
    ]);
    const after = await hall.rows(bars, { where: inArray(bars.tag, ["P1", "P2"]), orderBy: [bars.tag] });
    expect(after.map(({ name, finish, family }) => [name, finish, family])).toEqual([
      ["one 'quoted' \\ name", null, "power"],
      ["two", "stainless", "power"],
    ]);
  });
  it("leave another hall's rows alone", async () => {
    const [a, b] = [await makeHall("A"), await makeHall("B")];
    await a.hall.updateMany(bars, [{ id: b.bar.id, name: "stolen" }]);
    expect((await b.hall.first(bars))!.name).toBe("Test bar");
  });
});

describe("a look at one moment", () => {
  it("sees nothing of what others write meanwhile, and may itself write and lock nothing", async () => {
    const { hall, bar } = await makeHall("moment");
    await hall.snapshot(async (still) => {
      await still.first(bars);
      await hall.update(bars, undefined, { name: "changed meanwhile" });
      expect((await still.first(bars))!.name).toBe("Test bar");
    });
    const cause = /read-only transaction/;
    for (const write of [
      (still: HallDb) => still.update(bars, undefined, { name: "no" }),
      (still: HallDb) => still.rows(bars, { forUpdate: true }),
    ])
      await expect(hall.snapshot(write)).rejects.toMatchObject({
        cause: { message: expect.stringMatching(cause) as unknown },
      });
    expect((await hall.first(bars, { where: eq(bars.id, bar.id) }))!.name).toBe("changed meanwhile");
  });
});

describe("a transaction in a transaction", () => {
  it("that fails takes back its own part only, on the same connection", async () => {
    const { hall } = await makeHall("nested");
    await hall.transaction(async (outer) => {
      await outer.update(bars, undefined, { name: "outer" });
      await outer
        .transaction(async (inner) => {
          await inner.update(bars, undefined, { name: "inner" });
          throw new Error("not after all");
        })
        .catch(() => undefined);
      expect((await outer.first(bars))!.name).toBe("outer");
    });
    expect((await hall.first(bars))!.name).toBe("outer");
  });
  it("lets statements that are sent at the same moment take turns", async () => {
    const { hall } = await makeHall("turns");
    await hall.transaction(async (tx) => {
      await Promise.all(
        ["P1", "P2", "P3", "P1"].map((tag) => tx.insertOnce(plates, { ...PLATE, key: tag.toLowerCase() })),
      );
    });
    expect(await hall.rows(plates)).toHaveLength(3);
  });
});

describe("what must always hold", () => {
  it("a tag is unique among bars that are not retired, in one hall", async () => {
    const { hall, bar } = await makeHall("A");
    const twin = { tag: "T1", name: "Twin", family: "power", state: "in-service", knownSince: "2026-01-01" } as const;
    await expect(hall.insert(bars, twin)).rejects.toThrow();
    await hall.update(bars, eq(bars.id, bar.id), { state: "retired" });
    await expect(hall.insert(bars, twin)).resolves.toHaveLength(1);
  });
  it("a measurement has one to three readings, a state is one of five, a plate weighs something", async () => {
    const { hall, bar, actor } = await makeHall("A");
    const measurement = {
      barId: bar.id,
      kind: "mass" as const,
      measuredAt: new Date("2026-03-20T12:00:00Z"),
      personId: actor("care").personId,
      instrument: "scale",
      typedUnit: "kg" as const,
    };
    await expect(hall.insert(barMeasurements, { ...measurement, typedValues: [], readings: [] })).rejects.toThrow();
    await expect(
      hall.insert(barMeasurements, { ...measurement, typedValues: ["1", "2"], readings: [1] }),
    ).rejects.toThrow();
    await expect(hall.update(bars, eq(bars.id, bar.id), { state: "lost" as "watch" })).rejects.toThrow();
    await expect(
      hall.insert(plates, { key: "p", massValue: "0", massUnit: "kg", massUnits: 0, pairs: 1 }),
    ).rejects.toThrow();
  });
  it("a transaction that fails leaves nothing behind", async () => {
    const { hall, bar } = await makeHall("A");
    const broken = hall.transaction(async (tx) => {
      await tx.update(bars, eq(bars.id, bar.id), { name: "half done" });
      throw new Error("stop");
    });
    await expect(broken).rejects.toThrow("stop");
    expect((await hall.first(bars))!.name).toBe("Test bar");
  });
});
