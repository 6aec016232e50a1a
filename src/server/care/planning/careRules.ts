import "server-only";
import { readCareRules } from "@/core/care/readCareRules";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";
import { replanCare } from "./planCare";
import { CARE_KEY, storedCareRules } from "./storedCareRules";

/** Saves by which rule care is due and by which limits inspections are judged; every due day follows. */
export async function saveCareRules(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readCareRules(texts);
  if (!read.ok) return failed("invalid", "The rules were not changed.", read.problems);
  const { rule, limits } = read.value;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("care rules");
    const before = await storedCareRules(hall);
    if (before.version !== version) {
      const now: Record<string, unknown> = { rule: before.rule, ...before.limits };
      const mine: Record<string, unknown> = { rule, ...limits };
      return stale(
        "Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.",
        before.version,
        Object.keys(now).flatMap((key) =>
          now[key] === mine[key]
            ? []
            : [{ path: key, message: `you wrote “${String(mine[key])}”, it is now “${String(now[key])}”` }],
        ),
      );
    }
    const value = { ...read.value, climate: before.climate };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key: CARE_KEY, value, version: version + 1 });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "changed the rules for care",
      before: { rule: before.rule, limits: before.limits, hourMinor: before.hourMinor, quiet: before.quiet },
      after: value,
    });
    if (before.rule !== rule) await replanCare(context);
    return { ok: true as const };
  });
}
