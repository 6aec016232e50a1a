import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, it } from "vitest";
import { idempotencyKeys, places } from "@/data/schema";
import { inTransaction } from "@/server/access";
import { makeContexts } from "@/server/access/context.fixture";
import { failed } from "./outcome";
import { idempotent } from ".";

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeAll(async () => {
  made = await makeContexts("idempotent");
});

describe("a write with a key", () => {
  const write = (
    key: string,
    answer: () => { ok: true; n: number } | ReturnType<typeof failed>,
    role: "manager" | "care" = "manager",
    action = "test",
  ) => inTransaction(made.context(role), (context) => idempotent(context, key, action, async () => answer()));

  it("is carried out once, and answers the same the second time", async () => {
    let times = 0;
    const once = () => ({ ok: true as const, n: (times += 1) });
    expect(await write("key-once-1", once)).toEqual({ ok: true, n: 1 });
    expect(await write("key-once-1", once)).toEqual({ ok: true, n: 1 });
    expect(times).toBe(1);
  });
  it("that was refused may be sent again mended", async () => {
    expect(await write("key-mend-1", () => failed("invalid", "Say why."))).toMatchObject({ ok: false });
    expect(await write("key-mend-1", () => ({ ok: true, n: 7 }))).toEqual({ ok: true, n: 7 });
  });
  it("belongs to its action and its person", async () => {
    expect(await write("key-own-1", () => ({ ok: true, n: 1 }))).toEqual({ ok: true, n: 1 });
    expect(await write("key-own-1", () => ({ ok: true, n: 2 }), "care")).toEqual({ ok: true, n: 2 });
    expect(await write("key-own-1", () => ({ ok: true, n: 3 }), "manager", "other")).toEqual({ ok: true, n: 3 });
  });
  it("cannot stand for the program's own marks", async () => {
    const key = "care-day-2026-03-20";
    await write(key, () => ({ ok: true, n: 1 }));
    expect(await made.hall.rows(idempotencyKeys, { where: eq(idempotencyKeys.key, key) })).toEqual([]);
  });
  it("is one of two that are sent at the same moment", async () => {
    const insert = (name: string) =>
      inTransaction(made.context("manager"), (context) =>
        idempotent(context, "key-twice-1", "place", async () => {
          await context.hall.insert(places, { name, kind: "floor", roundOrder: 1 });
          return { ok: true as const };
        }),
      );
    await Promise.all([insert("Twice"), insert("Twice")]);
    expect(await made.hall.rows(places, { where: eq(places.name, "Twice") })).toHaveLength(1);
  });
});
