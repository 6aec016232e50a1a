import "server-only";
import { eq } from "drizzle-orm";
import { cache } from "react";
import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import { STARTING_TOLERANCES, type Tolerances, tolerancesFrom } from "@/core/bars/tolerances";
import type { Problem } from "@/core/problem";
import { NOTICEABLE_MM } from "@/core/whip/compareWhip";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";

/** What the house decides about measuring and comparing. */
export interface MeasuringRules {
  tolerances: Tolerances;
  /** A difference in slack below this is not noticed, in mm. */
  noticeableMm: number;
  /** The version to name when changing them; 0 while the house has the starting values. */
  version: number;
}

/** Under this the house's rules for measuring and comparing are stored. */
export const MEASURING_KEY = "measuring";

const MAX_NOTICEABLE_MM = 50;

/** The house's rules for measuring and comparing, read once a request; starting values where it decided nothing. */
export const measuringRules = cache(async (context: Context): Promise<MeasuringRules> => {
  const row = await context.hall.first(houseRules, { where: eq(houseRules.key, MEASURING_KEY) });
  const saved = (row?.value ?? {}) as { tolerances?: unknown; noticeableMm?: unknown };
  const { noticeableMm } = saved;
  return {
    tolerances: tolerancesFrom(saved.tolerances),
    noticeableMm: typeof noticeableMm === "number" && noticeableMm > 0 ? noticeableMm : NOTICEABLE_MM,
    version: row?.version ?? 0,
  };
});

/** Saves them: texts by quantity and for the noticeable difference; an empty text is the starting value. */
export async function saveMeasuringRules(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const problems: Problem[] = [];
  const read = (path: string, label: string, start: number, most: number) => {
    const text = (texts[path] ?? "").trim().replace(",", ".");
    if (text === "") return start;
    const value = /^\d*\.?\d+$/.test(text) ? Number(text) : NaN;
    if (value >= 0 && value <= most) return value;
    problems.push({ path, message: `${label}: “${text}” must be a number from 0 to ${most}` });
    return start;
  };
  const tolerances = Object.fromEntries(
    QUANTITY_KINDS.flatMap((kind) => {
      const start = STARTING_TOLERANCES[kind];
      return start === null ? [] : [[kind, read(kind, QUANTITIES[kind].label, start, 100)]];
    }),
  );
  const noticeableMm = read("noticeableMm", "noticeable difference", NOTICEABLE_MM, MAX_NOTICEABLE_MM);
  if (noticeableMm === 0)
    problems.push({ path: "noticeableMm", message: "noticeable difference: must be more than 0" });
  if (problems.length > 0) return failed("invalid", "The rules were not changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("measuring rules");
    const row = await hall.first(houseRules, { where: eq(houseRules.key, MEASURING_KEY), forUpdate: true });
    if ((row?.version ?? 0) !== version)
      return stale(
        "Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.",
        row?.version ?? 0,
        Object.entries((row?.value as { tolerances?: Record<string, number> } | undefined)?.tolerances ?? {})
          .filter(([kind, now]) => tolerances[kind] !== now)
          .map(([path, now]) => ({ path, message: `it is now “${now}”` })),
      );
    const value = { tolerances, noticeableMm };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      key: MEASURING_KEY,
      value,
      version: version + 1,
    });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: `changed the rules for ${MEASURING_KEY}`,
      before: row?.value ?? null,
      after: value,
    });
    return { ok: true };
  });
}
