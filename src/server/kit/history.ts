import "server-only";
import { and, desc, eq } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import type { HallDb } from "@/data/hallDb";
import { changes } from "@/data/schema";
import type { Context } from "@/server/access";
import { namesById } from "./lookups";

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
    | "competition rule"
    | "class"
    | "place"
    | "run"
    | "sensor"
    | "care task"
    | "finding"
    | "inspection"
    | "round"
    | "incident"
    | "person"
    | "device"
    | "token"
    | "log"
    | "rotation"
    | "offer"
    | "delivery"
    | "repair"
    | "note"
    | "side-view"
    | "station-check";
  entityId: string;
  action: string;
  before?: unknown;
  after?: unknown;
  reason?: string | null;
}

/** Writes who, when, what was and what is. Call it in the transaction that makes the change. */
export async function recordChange(context: Context, change: Change): Promise<void> {
  await recordChanges(context, [change]);
}

/** The same of several things at once. */
export async function recordChanges(context: Context, all: readonly Change[]): Promise<void> {
  const { hall, actor, clock } = context;
  await hall.insertMany(
    changes,
    all.map(({ entity, entityId, action, before = null, after = null, reason = null }) => ({
      id: randomUUID(),
      personId: actor.personId,
      at: clock.now(),
      entity,
      entityId,
      action,
      before,
      after,
      reason,
    })),
  );
  // Screens that follow something hear of it once the transaction is through.
  const [first] = all;
  if (first) await hall.tell(first.entity, all.length === 1 ? first.entityId : null);
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
    by: names.get(personId) ?? "someone",
  }));
}

/** The newest change of one thing, or null. */
export function lastChangeOf(hall: HallDb, entity: Change["entity"], entityId: string) {
  return hall.first(changes, {
    where: and(eq(changes.entity, entity), eq(changes.entityId, entityId)),
    orderBy: [desc(changes.at), desc(changes.id)],
  });
}
