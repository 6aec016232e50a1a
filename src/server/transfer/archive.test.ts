import { expect, it } from "vitest";
import { readUpload } from "@/api/upload";
import { bars, lifters } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { accountLines } from "@/server/accounts";
import { restoreArchive, takeArchive } from "./archive";
import { exportHall } from "./hallFile";

const PASSPHRASE = "a rope round seven posts";
const read = async (text: string) => readUpload({ kind: "json", bytes: new TextEncoder().encode(text) });
const into = (passphrase = PASSPHRASE, version = "0.2.0") => ({ passphrase, version, read });

it("the owner's hall goes out sealed and into an empty one, the same, with its health words", async () => {
  const from = await makeContexts("archive from");
  await from.hall.insert(lifters, { key: "ann", name: "Ann", comfortNote: "aches when cold" });
  const taken = await takeArchive(from.context("owner"), { passphrase: PASSPHRASE, version: "0.2.0" });
  if (!taken.ok) throw new Error(taken.message);
  expect(taken.name).toBe("archive-from-2026-03-20.garrison");
  for (const word of ["aches", "Ann", "Test bar"]) expect(taken.bytes.includes(word), word).toBe(false);
  const to = await makeContexts("archive to");
  const restore = (bytes: Buffer, options = into()) => restoreArchive(to.context("owner"), bytes, options);
  // A hall that has bars is not written over.
  expect(await restore(taken.bytes)).toMatchObject({ ok: false, code: "impossible" });
  const { testDatabase } = await import("@/data/testDatabase.fixture");
  const { sql } = await import("drizzle-orm");
  await testDatabase().execute(sql`delete from care_plan where hall_id = ${to.actor("owner").hallId}`);
  await testDatabase().execute(sql`delete from bars where hall_id = ${to.actor("owner").hallId}`);
  const wrong = Buffer.from(taken.bytes);
  wrong[wrong.length - 40]! ^= 1;
  const head = Buffer.from(taken.bytes);
  head[head.indexOf("0.2.0")]! ^= 1;
  for (const [bytes, options] of [
    [taken.bytes, into("another passphrase!")],
    [wrong, into()],
    [head, into()],
    [taken.bytes.subarray(0, 200), into()],
    [Buffer.from("PK\u0003\u0004 no archive"), into()],
    [Buffer.alloc(0), into()],
    [taken.bytes, into(PASSPHRASE, "0.1.9")],
  ] as const)
    expect(await restore(Buffer.from(bytes), options)).toMatchObject({ ok: false });
  expect(await to.hall.rows(bars)).toEqual([]);
  expect(await restore(taken.bytes)).toMatchObject({ ok: true, from: "archive from" });
  const [one, other] = await Promise.all([from, to].map((made) => exportHall(made.context("owner"), { health: true })));
  expect(other).toEqual(one);
  expect((await accountLines(to.context("owner"))).map(({ kind }) => kind)).toContain("archive-restored");
});

it("is the owner's alone, with a passphrase that holds", async () => {
  const { context } = await makeContexts("archive roles");
  for (const role of ["manager", "coach", "care", "lifter", "wall"] as const) {
    expect(await takeArchive(context(role), { passphrase: PASSPHRASE, version: "0.2.0" })).toMatchObject({
      code: "forbidden",
    });
    expect(await restoreArchive(context(role), Buffer.alloc(9), into())).toMatchObject({ code: "forbidden" });
  }
  expect(await takeArchive(context("owner"), { passphrase: "short", version: "0.2.0" })).toMatchObject({
    code: "invalid",
  });
});
