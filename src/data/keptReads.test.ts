import { asc, eq, inArray, sql } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { HallDb } from "./hallDb";
import { KeptReads, keptReads, tablesOf } from "./keptReads";
import { barQuantities, bars, halls, people, places } from "./schema";
import { testDatabase } from "./testDatabase.fixture";

describe("what is kept", () => {
  const read =
    (value: unknown, ...tables: string[]) =>
    async () => ({ value, tables: new Set(tables) });

  it("is given again until one of its tables is written, and not after its time", async () => {
    let ms = 0;
    const kept = new KeptReads(() => ms);
    expect(await kept.get("h", "k", read(1, "bars", "places"))).toBe(1);
    expect(await kept.get("h", "k", read(2, "bars"))).toBe(1);
    expect(await kept.get("other hall", "k", read(3, "bars"))).toBe(3);
    kept.forget("h", ["people"]);
    expect(await kept.get("h", "k", read(4, "bars"))).toBe(1);
    kept.forget("h", ["places"]);
    expect(await kept.get("h", "k", read(5, "bars"))).toBe(5);
    expect(await kept.get("other hall", "k", read(6, "bars"))).toBe(3);
    ms = 30_001;
    expect(await kept.get("h", "k", read(7, "bars"))).toBe(7);
    kept.forgetAll();
    expect(await kept.get("h", "k", read(8, "bars"))).toBe(8);
  });

  it("is not what was read before a write that came while it was read", async () => {
    const kept = new KeptReads();
    let answer!: (value: number) => void;
    const slow = kept.get("h", "k", async () => ({
      value: await new Promise<number>((resolve) => (answer = resolve)),
      tables: new Set(["bars"]),
    }));
    // Nobody knows yet what it depends on: any write counts.
    kept.forget("h", ["plates"]);
    const newer = kept.get("h", "k", read(2, "bars"));
    answer(1);
    expect(await slow).toBe(1);
    expect(await newer).toBe(2);
    expect(await kept.get("h", "k", read(3, "bars"))).toBe(2);
  });

  it("never holds more than it may, and long answers not at all", async () => {
    const kept = new KeptReads();
    const rows = (n: number) => Array.from({ length: n }, (_, i) => i);
    await kept.get("h", "long", read(rows(2_001), "bars"));
    let again = 0;
    await kept.get("h", "long", async () => ({ value: (again += 1), tables: new Set(["bars"]) }));
    expect(again).toBe(1);
    for (let hall = 0; hall < 3; hall += 1)
      for (let i = 0; i < 90; i += 1) await kept.get(`h${hall}`, `k${i}`, read(rows(1_000), "bars"));
    let first = 0;
    await kept.get("h0", "k0", async () => ({ value: (first += 1), tables: new Set(["bars"]) }));
    expect(first).toBe(1);
    expect(await kept.get("h2", "k89", read("anew", "bars"))).toHaveLength(1_000);
  });

  it("depends on every table that a statement names, and on no other of a longer name", () => {
    expect([...tablesOf(`select * from "care_plan" where exists (select 1 from "bars")`)].sort()).toEqual([
      "bars",
      "care_plan",
    ]);
    expect([...tablesOf(`"bar_quantities"."bar_id"`)]).toEqual(["bar_quantities"]);
  });
});

describe("a hall's reads", () => {
  const handles = async (name: string) => {
    const [row] = await testDatabase().insert(halls).values({ name, timeZone: "UTC", climateClass: "dry" }).returning();
    return {
      hall: new HallDb(testDatabase(), row!.id),
      kept: new HallDb(testDatabase(), row!.id, { isKept: true }),
    };
  };
  const bar = (tag: string) => ({ tag, name: tag, family: "power", state: "in-service", knownSince: "2026-01-01" });

  it("see every write at once, in whatever table they look, and never half of a transaction", async () => {
    const { kept } = await handles("kept-reads");
    const look = async () => ({
      rows: (await kept.rows(bars, { orderBy: [asc(bars.tag)] })).map(({ tag }) => tag),
      first: (await kept.first(bars, { where: eq(bars.tag, "B") }))?.name ?? null,
      count: (await kept.summary(bars, { n: sql<number>`count(*)::int` }))[0]!.n,
      aliased: (await kept.summary(bars, { n: sql<string>`max(${bars.tag})`.as("n") }))[0]!.n,
      placed: (await kept.rows(bars, { where: sql`${bars.placeId} in (select id from ${places} where name = 'Wall')` }))
        .length,
      joined: (
        await kept.rowsWith(
          bars,
          { place: { table: places, on: eq(places.id, bars.placeId), columns: { name: places.name } } },
          { orderBy: [asc(bars.tag)] },
        )
      ).map(({ place }) => place?.name ?? null),
      spans:
        (await kept.spans(barQuantities, barQuantities.effective, barQuantities.kind, ["mass"])).get("mass") ?? null,
    });
    expect(await look()).toMatchObject({ rows: [], count: 0, spans: null });
    const [place] = await kept.insert(places, { name: "Wall", kind: "floor", roundOrder: 1 });
    const [first] = await kept.insert(bars, { ...bar("A"), placeId: place!.id } as never);
    expect(await look()).toMatchObject({
      rows: ["A"],
      first: null,
      count: 1,
      aliased: "A",
      placed: 1,
      joined: ["Wall"],
    });
    await kept.update(places, eq(places.id, place!.id), { name: "Floor" });
    expect(await look()).toMatchObject({ placed: 0, joined: ["Floor"] });
    await kept.insertMany(barQuantities, [
      {
        ...{ barId: first!.id, kind: "mass", statedValue: "20", statedUnit: "kg", stated: 20, effective: 20 },
        source: "stated",
      } as never,
    ]);
    expect((await look()).spans).toEqual({ least: 20, greatest: 20 });
    await kept.transaction(async (inside) => {
      await inside.insert(bars, bar("B") as never);
      expect(await inside.rows(bars)).toHaveLength(2);
      // Outside nothing has happened yet.
      expect((await look()).count).toBe(1);
    });
    expect(await look()).toMatchObject({ rows: ["A", "B"], first: "B", count: 2, aliased: "B" });
    await expect(
      kept.transaction(async (inside) => {
        await inside.remove(bars, eq(bars.tag, "B"));
        throw new Error("no");
      }),
    ).rejects.toThrow("no");
    expect((await look()).rows).toEqual(["A", "B"]);
    await kept.transaction((inside) => inside.transaction((deeper) => deeper.remove(bars, eq(bars.tag, "B"))));
    expect((await look()).rows).toEqual(["A"]);
  });

  it("are the asker's own list, of rows that nobody can change", async () => {
    const { kept } = await handles("kept-own");
    await kept.insert(bars, [bar("A"), bar("B")] as never);
    const one = await kept.rows(bars, { orderBy: [asc(bars.tag)] });
    one.reverse();
    expect((await kept.rows(bars, { orderBy: [asc(bars.tag)] })).map(({ tag }) => tag)).toEqual(["A", "B"]);
    expect(() => (one[0]!.name = "changed")).toThrow(TypeError);
  });

  it("are another for every other value, limit, order and column that they name", async () => {
    const { kept } = await handles("kept-apart");
    await kept.insert(bars, [bar("A"), bar("B"), bar("C")] as never);
    const tags = async (query: Parameters<typeof kept.rows>[1]) => (await kept.rows(bars, query)).map(({ tag }) => tag);
    expect(await tags({ where: eq(bars.tag, "A") })).toEqual(["A"]);
    expect(await tags({ where: eq(bars.tag, "B") })).toEqual(["B"]);
    expect(await tags({ where: inArray(bars.tag, ["A", "B"]), orderBy: [asc(bars.tag)] })).toEqual(["A", "B"]);
    expect(await tags({ orderBy: [asc(bars.tag)], limit: 1 })).toEqual(["A"]);
    expect(await tags({ orderBy: [asc(bars.tag)], limit: 1, offset: 1 })).toEqual(["B"]);
    expect(await tags({ orderBy: [sql`${bars.tag} desc`], limit: 1 })).toEqual(["C"]);
    const sum = async (field: ReturnType<typeof sql>) => (await kept.summary(bars, { n: field }))[0]!.n;
    expect(await sum(sql`min(${bars.tag})`)).toBe("A");
    expect(await sum(sql`max(${bars.tag})`)).toBe("C");
    expect(await kept.rows(people)).toEqual(await kept.rows(people));
  });

  it("of one hall do not forget another's, nor see them", async () => {
    const [a, b] = [await handles("kept-a"), await handles("kept-b")];
    await a.kept.insert(bars, bar("A") as never);
    expect(await b.kept.rows(bars)).toEqual([]);
    expect(await a.kept.rows(bars)).toHaveLength(1);
    const before = keptReads();
    await b.hall.insert(bars, bar("A") as never);
    expect(await b.kept.rows(bars)).toHaveLength(1);
    expect(keptReads()).toBe(before);
  });
});
