import "server-only";
import { eq } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import { idempotencyKeys } from "@/data/schema";

/**
 * Carries out a write from a floor screen once, however often it is sent: the second time answers what the first did.
 * Call it in the transaction of the write. A write sent twice at the same moment waits for the first.
 */
export async function idempotent<T>(hall: HallDb, key: string, action: string, work: () => Promise<T>): Promise<T> {
  const isFirst = await hall.insertOnce(idempotencyKeys, { key, action, result: {} });
  if (!isFirst) {
    const row = await hall.first(idempotencyKeys, { where: eq(idempotencyKeys.key, key) });
    return row!.result as T;
  }
  const result = await work();
  await hall.update(idempotencyKeys, eq(idempotencyKeys.key, key), { result });
  return result;
}
