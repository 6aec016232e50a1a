import "server-only";
import { eq } from "drizzle-orm";
import type { Problem } from "@/core/problem";
import type { HallDb } from "@/data/hallDb";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction } from "@/server/access";
import { type Outcome, recordChange, stale } from "@/server/kit";

/**
 * One rule of the house as it is stored; version 0 where the house decided nothing.
 *
 * @param forUpdate held until the transaction ends, against whoever writes it by another way, like a hall's file
 */
export async function storedRule(
  hall: HallDb,
  key: string,
  forUpdate = false,
): Promise<{ value: unknown; version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, key), ...(forUpdate ? { forUpdate } : {}) });
  return { value: row?.value, version: row?.version ?? 0 };
}

/** What is to be stored, and how the history and somebody who was overtaken are told. */
export interface KeptRule {
  key: string;
  value: object;
  /** As it was read by whoever changes it. */
  version: number;
  /** In the history: "colours of the labels". */
  action: string;
  /** "the colours": what somebody else changed meanwhile. */
  what: string;
  /** What the history says it was. */
  before: (stored: unknown) => unknown;
  /** What somebody who was overtaken is told of what stands now, field by field. */
  differs?: (stored: unknown) => Problem[];
}

/** Stores one rule of the house under a lock, also where no row is there yet. */
export async function keepRule(context: Context, rule: KeptRule): Promise<Outcome<object>> {
  const { key, value, version, action, what, before, differs } = rule;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold(`rule ${key}`);
    const now = await storedRule(hall, key, true);
    if (now.version !== version)
      return stale(
        `Someone else changed ${what} meanwhile. Save again to overwrite.`,
        now.version,
        differs?.(now.value),
      );
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      key,
      value: value as Record<string, unknown>,
      version: version + 1,
    });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action,
      before: before(now.value),
      after: value,
    });
    return { ok: true as const };
  });
}
