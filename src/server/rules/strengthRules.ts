import "server-only";
import { eq } from "drizzle-orm";
import { readStrengthRules, strengthRulesFrom } from "@/core/strength/strengthRuleFields";
import type { StrengthRules } from "@/core/strength/strengthRules";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";

export const STRENGTH_KEY = "strength";

/** How the gym thinks about strength and bars; starting values where it decided nothing. */
export async function strengthRules({ hall }: Pick<Context, "hall">): Promise<StrengthRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, STRENGTH_KEY) });
  return { ...strengthRulesFrom(row?.value), version: row?.version ?? 0 };
}

/** Saves them. */
export async function saveStrengthRules(
  context: Context,
  texts: Readonly<Record<string, string>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readStrengthRules(texts);
  if (!read.ok) return failed("invalid", "Not saved.", read.problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("strength rules");
    const { version: now, ...before } = await strengthRules({ hall });
    if (now !== version) return stale("Someone else changed these rules meanwhile. Save again to overwrite.", now);
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      key: STRENGTH_KEY,
      value: read.rules,
      version: version + 1,
    });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "how strength is estimated",
      before,
      after: read.rules,
    });
    return { ok: true as const };
  });
}
