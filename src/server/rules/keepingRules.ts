import "server-only";
import { eq } from "drizzle-orm";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";

/** How long the house keeps what it need not keep for ever. */
export interface KeepingRules {
  /** What happened at the doors, in days. */
  accountLogDays: number;
  /** Lifters after they were retired, in months; null for as long as nobody erases them. */
  retiredLifterMonths: number | null;
  version: number;
}

const KEEPING_KEY = "keeping";
const STARTING = { accountLogDays: 400, retiredLifterMonths: 24 } as const;

/** The house's rule; starting values where it decided nothing. */
export async function keepingRules({ hall }: Pick<Context, "hall">): Promise<KeepingRules> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, KEEPING_KEY) });
  return { ...STARTING, ...((row?.value ?? {}) as Partial<KeepingRules>), version: row?.version ?? 0 };
}

/** Saves it; an empty number of months means for as long as nobody erases them. */
export async function saveKeepingRules(
  context: Context,
  texts: Readonly<Record<string, string>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const problems: Problem[] = [];
  const read = (path: string, label: string, [least, most]: readonly [number, number]) => {
    const text = (texts[path] ?? "").trim();
    const value = /^\d{1,5}$/.test(text) ? Number(text) : NaN;
    if (value >= least && value <= most) return value;
    problems.push({ path, message: `${label}: “${text}” must be a whole number from ${least} to ${most}` });
    return least;
  };
  const value = {
    accountLogDays: read("accountLogDays", "what happened at the doors", [30, 3650]),
    retiredLifterMonths:
      (texts.retiredLifterMonths ?? "").trim() === ""
        ? null
        : read("retiredLifterMonths", "lifters after they left", [1, 240]),
  };
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("keeping rules");
    const row = await hall.first(houseRules, { where: eq(houseRules.key, KEEPING_KEY), forUpdate: true });
    const now = await keepingRules({ hall });
    if ((row?.version ?? 0) !== version)
      return stale(
        `Someone else changed this meanwhile: ${now.accountLogDays} days, ${now.retiredLifterMonths ?? "no"} months. Save again to overwrite.`,
        row?.version ?? 0,
      );
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      key: KEEPING_KEY,
      value,
      version: version + 1,
    });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "how long what is kept",
      before: { accountLogDays: now.accountLogDays, retiredLifterMonths: now.retiredLifterMonths },
      after: value,
    });
    return { ok: true as const };
  });
}
