import "server-only";
import { and, desc, eq } from "drizzle-orm";
import type { HallDb } from "@/data/hallDb";
import { changes, idempotencyKeys } from "@/data/schema";
import { namesById } from "./lookups";
import type { Context } from "./access/context";

export interface Change {
  entity:
    | "bar"
    | "care-log"
    | "plate"
    | "clamp"
    | "station"
    | "rule"
    | "lift"
    | "lifter"
    | "meeting rule"
    | "class"
    | "place"
    | "run"
    | "sensor"
    | "care task"
    | "finding"
    | "inspection"
    | "round";
  entityId: string;
  action: string;
  before?: unknown;
  after?: unknown;
  reason?: string | null;
}

/** Writes who, when, what was and what is. Call it in the transaction that makes the change. */
export async function recordChange(context: Context, change: Change): Promise<void> {
  const { hall } = context;
  await hall.insert(changes, { ...change, personId: context.actor.personId, at: context.clock.now() });
}

/** The latest changes of one thing, newest first, with the name of whoever made them. */
export async function changesOf(hall: HallDb, entity: Change["entity"], entityId: string, limit = 20) {
  const rows = await hall.rows(changes, {
    where: and(eq(changes.entity, entity), eq(changes.entityId, entityId)),
    orderBy: [desc(changes.at), desc(changes.id)],
    limit,
  });
  const names = await namesById(hall);
  return rows.map(({ id, at, action, before, after, reason, personId }) => ({
    id,
    at,
    action,
    before,
    after,
    reason,
    by: names.get(personId) ?? "somebody",
  }));
}

/** The newest change of one thing, or null. */
export function lastChangeOf(hall: HallDb, entity: Change["entity"], entityId: string) {
  return hall.first(changes, {
    where: and(eq(changes.entity, entity), eq(changes.entityId, entityId)),
    orderBy: [desc(changes.at), desc(changes.id)],
  });
}

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
