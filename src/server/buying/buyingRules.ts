import "server-only";
import { eq } from "drizzle-orm";
import { readMoney } from "@/core/buying/money";
import { LOOK_STEPS } from "@/core/buying/usedBar";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";

const BUYING_KEY = "buying";

/** How the gym buys. */
export interface BuyingRules {
  /** What there is to spend, in minor units of the gym's currency; null where nobody said. */
  budgetMinor: number | null;
  /** What a finding takes off a used bar, in percent by "step.answer"; where nothing is said, the start. */
  deductions: Record<string, number>;
  version: number;
}

export async function buyingRules({ hall }: Pick<Context, "hall">): Promise<BuyingRules> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, BUYING_KEY) });
  const { budgetMinor = null, deductions = {} } = (row?.value ?? {}) as Partial<BuyingRules>;
  return { budgetMinor, deductions, version: row?.version ?? 0 };
}

/** Saves the budget and the deductions; texts are `budget` and one for each "step.answer". */
export async function saveBuyingRules(
  context: Context,
  texts: Readonly<Record<string, string>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "offer.edit")) return forbidden("change how the gym buys");
  const problems: Problem[] = [];
  const { currency } = context.actor;
  const before = await buyingRules(context);
  let { budgetMinor } = before;
  if (texts.budget !== undefined) {
    const read = texts.budget.trim() === "" ? null : readMoney(texts.budget, currency);
    if (read === null) budgetMinor = null;
    else if (!read.ok) problems.push({ path: "budget", message: `Budget: ${read.message}` });
    else if (read.money.currency !== currency)
      problems.push({ path: "budget", message: `Budget: in ${currency}, the gym’s currency` });
    else budgetMinor = read.money.minor;
  }
  const deductions: Record<string, number> = { ...before.deductions };
  for (const { key, answers } of LOOK_STEPS)
    for (const answer of answers) {
      const path = `${key}.${answer.key}`;
      const text = texts[path]?.trim();
      if (text === undefined || answer.offPct === 0 || answer.ends) continue;
      const value = Number(text.replace("%", "").replace(",", ".") || answer.offPct);
      if (value >= 0 && value <= 100) deductions[path] = value;
      else problems.push({ path, message: `${answer.text}: “${text}” must be from 0 to 100 %` });
    }
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, async (context) => {
    const { hall, actor } = context;
    await hall.hold("buying rules");
    const now = await buyingRules(context);
    if (now.version !== version)
      return stale("Someone else changed this meanwhile. Save again to overwrite.", now.version);
    const value = { budgetMinor, deductions };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      ...{ key: BUYING_KEY, value, version: version + 1 },
    });
    await recordChange(context, {
      ...{ entity: "rule", entityId: actor.hallId, action: "how the gym buys", before: now, after: value },
    });
    return { ok: true as const };
  });
}
