import { eq } from "drizzle-orm";
import { beforeAll, expect, it } from "vitest";
import { barQuantities, bars, places } from "@/data/schema";
import { inTransaction } from "@/server/access";
import { makeContexts } from "@/server/access/context.fixture";
import { barsOnTheWall, refreshEffective } from ".";

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeAll(async () => {
  made = await makeContexts("wall-kept");
});

it("the wall is read again only when something of it was written, by whomever, and never after a rollback", async () => {
  const { hall, bar, context } = made;
  const wall = () => barsOnTheWall(context("manager"));
  const first = await wall();
  expect(await wall()).toBe(first);
  expect(await barsOnTheWall(context("wall"))).toBe(first);

  await hall.update(bars, eq(bars.id, bar.id), { name: "Renamed" });
  const second = await wall();
  expect(second).not.toBe(first);
  expect(second[0]!.bar.name).toBe("Renamed");

  const [place] = await hall.insert(places, { name: "Wall", kind: "floor", roundOrder: 1 });
  await hall.update(bars, eq(bars.id, bar.id), { placeId: place!.id });
  expect((await wall())[0]!.place).toBe("Wall");
  await hall.update(places, eq(places.id, place!.id), { name: "Other wall" });
  expect((await wall())[0]!.place).toBe("Other wall");

  // A figure of the bar stands in another table; what writes it moves the bar on.
  await hall.insert(barQuantities, {
    ...{
      barId: bar.id,
      kind: "mass",
      statedValue: "20",
      statedUnit: "kg",
      stated: 20,
      effective: 20,
      source: "stated",
    },
  } as never);
  const [row] = await hall.rows(bars, { where: eq(bars.id, bar.id) });
  await refreshEffective(hall, [{ row: row! }]);
  expect((await wall())[0]!.bar.quantities.mass?.value).toBe(20);

  const before = await wall();
  await expect(
    inTransaction(context("manager"), async (inside) => {
      await inside.hall.update(bars, eq(bars.id, bar.id), { state: "quarantined" });
      // Inside, its own write is seen.
      expect((await barsOnTheWall(inside))[0]!.bar.state).toBe("quarantined");
      throw new Error("no");
    }),
  ).rejects.toThrow("no");
  expect((await wall())[0]!.bar.state).toBe(before[0]!.bar.state);
});
