import "server-only";
import { eq } from "drizzle-orm";
import type { Context } from "@/server/access";
import { idempotencyKeys } from "@/data/schema";
import type { Outcome } from "./outcome";

/**
 * Carries out a write from a floor screen once, however often it is sent: the second time answers what the first did.
 * What was refused is not kept, so that it may be sent again mended. A key belongs to its action and its person: the same
 * one from elsewhere is another write, and none reaches the marks of the program's own housekeeping. Call it in the
 * transaction of the write. A write sent twice at the same moment waits for the first.
 */
export async function idempotent<T>(
  { hall, actor }: Context,
  sent: string,
  action: string,
  work: () => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const key = `${action} ${actor.personId} ${sent}`;
  const isFirst = await hall.insertOnce(idempotencyKeys, { key, action, result: {} });
  if (!isFirst) {
    const row = await hall.first(idempotencyKeys, { where: eq(idempotencyKeys.key, key) });
    return row!.result as Outcome<T>;
  }
  const result = await work();
  if (result.ok) await hall.update(idempotencyKeys, eq(idempotencyKeys.key, key), { result });
  else await hall.remove(idempotencyKeys, eq(idempotencyKeys.key, key));
  return result;
}
