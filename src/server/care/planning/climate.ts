import "server-only";
import { readClimate } from "@/core/care/readClimate";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";
import { replanCare } from "./planCare";
import { CARE_KEY, storedCareRules } from "./storedCareRules";

/**
 * Chooses the air that care goes by where nothing is measured: one of the climates, or the gym's own figures, all four of
 * them. Every due day follows in the same transaction.
 */
export async function saveClimate(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readClimate(texts);
  if (!read.ok) return failed("invalid", "The climate was not changed.", read.problems);
  const { climate } = read;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("care rules");
    const { version: now, ...before } = await storedCareRules(hall);
    if (now !== version)
      return stale("Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.", now);
    const value = { ...before, climate };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key: CARE_KEY, value, version: version + 1 });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "changed the climate",
      before: { climate: before.climate },
      after: { climate },
    });
    await replanCare(context);
    return { ok: true as const };
  });
}
