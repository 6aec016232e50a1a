import "server-only";
import { inArray } from "drizzle-orm";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import type { Problem } from "@/core/problem";
import { MAX_LINE, USE_CARDS, USE_PART_WORDS, USE_PARTS, type UseCard } from "@/core/use/useCards";
import { houseRules } from "@/data/schema";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule } from "./houseRule";

/** A gym's own lines for a family, over ours. */
export interface UsageRules {
  own: UseCard;
  version: number;
}

const keyOf = (family: FamilyKey) => `use ${family}`;
const NOTHING: UsageRules = { own: {}, version: 0 };

/** What this gym says of how bars of some families are used; nothing of its own to start with. */
export async function usageRules(
  { hall }: Pick<Context, "hall">,
  families: readonly FamilyKey[],
): Promise<(family: FamilyKey) => UsageRules> {
  const asked = [...new Set(families)];
  if (asked.length === 0) return () => NOTHING;
  const rows = await hall.rows(houseRules, { where: inArray(houseRules.key, asked.map(keyOf)) });
  const byKey = new Map(rows.map((row) => [row.key, { own: row.value as UseCard, version: row.version }]));
  return (family) => byKey.get(keyOf(family)) ?? NOTHING;
}

/**
 * Saves a gym's lines for a family.
 *
 * @param texts by part; what is as ours is not kept, so that ours is mended for everybody; null for ours again.
 */
export async function saveUseCard(
  context: Context,
  family: FamilyKey,
  texts: Readonly<Record<string, string>> | null,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "setup.edit")) return forbidden("say how bars are used");
  const problems: Problem[] = [];
  const own: Record<string, string> = {};
  for (const part of texts ? USE_PARTS : []) {
    const text = (texts![part] ?? "").trim().replace(/\s+/g, " ");
    if (text.length > MAX_LINE)
      problems.push({
        path: part,
        message: `${USE_PART_WORDS[part]}: at most ${MAX_LINE} letters, this has ${text.length}`,
      });
    if (text !== (USE_CARDS[family][part] ?? "")) own[part] = text;
  }
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return keepRule(context, {
    ...{ key: keyOf(family), value: own, version, what: "these lines" },
    action: `how to use: ${FAMILIES[family].name}`,
    before: (stored) => stored ?? {},
  });
}
