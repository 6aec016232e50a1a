import { eq } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { barMeasurements, bars, carePlan, plates } from "./schema";
import { makeHall } from "./testHall.fixture";

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
