import { afterAll, expect, it } from "vitest";
import { people, plates } from "@/data/schema";
import type { HallDb } from "@/data/hallDb";
import { keptReads } from "@/data/keptReads";
import { inTransaction, keptBriefly } from ".";
import { makeContexts } from "./context.fixture";
import { endNews } from "./news";

afterAll(endNews);

it("is worked out once until a table is written that it came from, apart for each role, and a failure is not kept", async () => {
  const { context, hall } = await makeContexts("briefly");
  let reads = 0;
  const read = async ({ hall }: { hall: HallDb }) => {
    await hall.rows(people);
    return (reads += 1);
  };
  const [manager, coach] = [context("manager"), context("coach")];
  expect(await keptBriefly(manager, "n", read)).toBe(1);
  expect(await keptBriefly(manager, "n", read)).toBe(1);
  expect(await keptBriefly(coach, "n", read)).toBe(2);
  await inTransaction(coach, ({ hall }) => hall.update(plates, undefined, { material: "iron" }));
  expect(await keptBriefly(manager, "n", read)).toBe(1);
  await inTransaction(coach, ({ hall }) => hall.insert(people, { name: "New", role: "coach" }));
  expect(await keptBriefly(manager, "n", read)).toBe(3);
  await hall.insert(people, { name: "Newer", role: "coach" });
  expect(await keptBriefly(manager, "n", read)).toBe(4);
  await expect(keptBriefly(manager, "other", () => Promise.reject(new Error("away")))).rejects.toThrow("away");
  expect(await keptBriefly(manager, "other", async () => "back")).toBe("back");
});

it("is forgotten when another copy of the program writes", async () => {
  const { context, hall } = await makeContexts("briefly-copies");
  let reads = 0;
  const look = () =>
    keptBriefly(context("manager"), "n", async ({ hall }) => {
      await hall.rows(people);
      return (reads += 1);
    });
  await look();
  // What this process knows of its own writes is put back, so that only the database can tell.
  const forget = keptReads().forget.bind(keptReads());
  const heard: string[] = [];
  keptReads().forget = (hallId, tables) => {
    if (new Error().stack!.includes("news.ts")) {
      heard.push([...(tables ?? [])].join());
      forget(hallId, tables);
    }
  };
  try {
    for (let i = 0; i < 100 && reads < 2; i += 1) {
      await hall.insert(people, { name: `Copy ${i}`, role: "coach" });
      await new Promise((resolve) => setTimeout(resolve, 30));
      await look();
    }
  } finally {
    keptReads().forget = forget;
  }
  expect(heard).toContain("people");
  expect(reads).toBe(2);
});
