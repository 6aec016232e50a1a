import { eq } from "drizzle-orm";
import { expect, it } from "vitest";
import { carePlan } from "@/data/schema";
import { inTransaction } from "@/server/access";
import { makeContexts } from "@/server/access/context.fixture";
import { tickCare } from "@/server/care/log";
import { replanCare } from ".";

it("planning everything anew keeps a tick that is made meanwhile", async () => {
  const { bar, task, context, hall } = await makeContexts("tick-and-replan");
  const care = context("care");
  let open!: () => void;
  const gate = new Promise<void>((resolve) => (open = resolve));
  let isHeld!: () => void;
  const held = new Promise<void>((resolve) => (isHeld = resolve));
  const ticking = inTransaction(care, async (inside) => {
    const tick = { tag: bar.tag, task: task.key, doneOn: "2026-03-20" as const, note: "" };
    const result = await tickCare(inside, { ...tick, doneBy: care.actor.personId, idempotencyKey: "tick-and-replan" });
    isHeld();
    await gate;
    return result;
  });
  await held;
  // Begins before the tick is through, and has this bar's row to write: what the hall was made with is no plan's.
  const planning = inTransaction(context("manager"), (inside) => replanCare(inside));
  await new Promise((resolve) => setTimeout(resolve, 300));
  open();
  expect(await ticking).toMatchObject({ ok: true });
  await planning;
  const [row] = await hall.rows(carePlan, { where: eq(carePlan.barId, bar.id) });
  expect(row!.lastDoneOn).toBe("2026-03-20");
  expect(row!.dueOn > "2026-03-20").toBe(true);
});
