import { execFile } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { eq } from "drizzle-orm";
import { afterAll, expect, it } from "vitest";
import { database } from "./client";
import { bars, halls } from "./schema";
import { makeHall } from "./testHall.fixture";

const folder = mkdtempSync(join(tmpdir(), "garrison-backup-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const npmScript = async (name: string, ...args: string[]) =>
  (await promisify(execFile)(process.execPath, [`scripts/${name}.mjs`, ...args])).stdout;

it("a backup put back brings a bar back as it was, and takes away what came after", async () => {
  const { hall } = await makeHall("kept");
  expect(await npmScript("backup", folder)).toContain("Backed up to");
  await hall.update(bars, undefined, { name: "Spoilt" });
  const later = await makeHall("later");

  const [file] = readdirSync(folder);
  expect(await npmScript("restore", join(folder, file!))).toContain("Restored from");
  expect(await hall.rows(bars)).toMatchObject([{ tag: "T1", name: "Test bar" }]);
  expect(await database().select().from(halls).where(eq(halls.id, later.hall.hallId))).toEqual([]);
});

it("restoring a file that is not there says so and changes nothing", async () => {
  const { hall } = await makeHall("safe");
  await expect(npmScript("restore", join(folder, "nothing.dump"))).rejects.toMatchObject({
    stderr: expect.stringContaining("There is no backup at"),
  });
  expect(await hall.rows(bars)).toHaveLength(1);
});
