import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

// This program makes backups; where none are made nothing is missed. Before anything reads the environment.
vi.hoisted(() => (process.env.BACKUP_FOLDER = "/nowhere/backups"));

import { backups } from "@/data/schema";
import { testDatabase } from "@/data/testDatabase.fixture";
import { makeContexts, TEST_NOW } from "@/server/access/context.fixture";
import { todayCount, todayItems } from "./today";

/* Whether a manager learns on Today that nobody has a fresh copy of the database. */

const ago = (hours: number) => new Date(TEST_NOW.getTime() - hours * 3_600_000);
const made = (hours: number, more: Partial<typeof backups.$inferInsert> = {}) =>
  testDatabase()
    .insert(backups)
    .values({ startedAt: ago(hours), finishedAt: ago(hours), file: "garrison.dump", bytes: 9, ...more });

beforeEach(async () => void (await testDatabase().delete(backups)));
afterEach(async () => void (await testDatabase().delete(backups)));

const alarmFor = async (role: "manager" | "coach") => {
  const { context } = await makeContexts(`backups ${role}`);
  const [items, count] = [await todayItems(context(role)), await todayCount(context(role))];
  expect(count).toBe(items.length);
  return items.find(({ id }) => id === "backup") ?? null;
};

describe("backups on Today", () => {
  it("say nothing while the last good one is fresh", async () => {
    await made(5);
    expect(await alarmFor("manager")).toBeNull();
  });
  it("are an alarm when the last good one is over a day old, with why and the way to mend it", async () => {
    await made(50);
    await made(2, { file: null, bytes: null, problem: "pg_dump failed: no space left" });
    const alarm = await alarmFor("manager");
    expect(alarm).toMatchObject({ weight: "danger", action: { href: "/settings#backups" } });
    expect(alarm!.because).toContain("no space left");
  });
  it("are the manager's to mend and not the coach's to see", async () => {
    await made(50);
    expect(await alarmFor("coach")).toBeNull();
  });
  it("that are good in one folder and not in the other are said", async () => {
    await made(1, { problem: "The copy in /mnt/stick failed" });
    expect((await alarmFor("manager"))!.because).toContain("/mnt/stick");
  });
});
