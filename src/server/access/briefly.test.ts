import { afterAll, expect, it } from "vitest";
import { inTransaction, keptBriefly } from ".";
import { makeContexts } from "./context.fixture";
import { endNews } from "./news";

afterAll(endNews);

it("is read once until something is written, apart for each role, and a failure is not kept", async () => {
  const { context } = await makeContexts("briefly");
  let reads = 0;
  const read = async () => (reads += 1);
  const [manager, coach] = [context("manager"), context("coach")];
  expect(await keptBriefly(manager, "n", read)).toBe(1);
  expect(await keptBriefly(manager, "n", read)).toBe(1);
  expect(await keptBriefly(coach, "n", read)).toBe(2);
  await inTransaction(coach, async () => {});
  expect(await keptBriefly(manager, "n", read)).toBe(3);
  await expect(keptBriefly(manager, "other", () => Promise.reject(new Error("away")))).rejects.toThrow("away");
  expect(await keptBriefly(manager, "other", async () => "back")).toBe("back");
});

it("is forgotten when another copy of the program writes", async () => {
  const { context, hall } = await makeContexts("briefly-copies");
  let reads = 0;
  const look = () => keptBriefly(context("manager"), "n", async () => (reads += 1));
  await look();
  for (let i = 0; i < 100 && reads < 2; i += 1) {
    // As another copy tells it, through the database.
    await hall.tell("bar", null);
    await new Promise((resolve) => setTimeout(resolve, 30));
    await look();
  }
  expect(reads).toBeGreaterThan(1);
});
