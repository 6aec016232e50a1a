import "server-only";
import { readStrengthRules, strengthRulesFrom } from "@/core/strength/strengthRuleFields";
import type { StrengthRules } from "@/core/strength/strengthRules";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

export const STRENGTH_KEY = "strength";

/** How the gym thinks about strength and bars; starting values where it decided nothing. */
export async function strengthRules({ hall }: Pick<Context, "hall">): Promise<StrengthRules & { version: number }> {
  const { value, version } = await storedRule(hall, STRENGTH_KEY);
  return { ...strengthRulesFrom(value), version };
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
  return keepRule(context, {
    ...{ key: STRENGTH_KEY, value: read.rules, version },
    action: "how strength is estimated",
    what: "these rules",
    before: strengthRulesFrom,
  });
}
