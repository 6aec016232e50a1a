import "server-only";
import { eq } from "drizzle-orm";
import { FAMILIES, FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";

/** The colours by which this gym tells families apart on its labels. */
export interface LabelRules {
  colours: Partial<Record<FamilyKey, string>>;
  version: number;
}

const LABELS_KEY = "labels";
const COLOUR = /^#[0-9a-f]{6}$/;

/** The gym's colours; none to start with. */
export async function labelRules({ hall }: Pick<Context, "hall">): Promise<LabelRules> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, LABELS_KEY) });
  return {
    colours: (row?.value as { colours?: LabelRules["colours"] } | undefined)?.colours ?? {},
    version: row?.version ?? 0,
  };
}

/**
 * Saves them.
 *
 * @param texts by family: "#rrggbb", or empty for no colour
 */
export async function saveLabelRules(
  context: Context,
  texts: Readonly<Record<string, string>>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const problems: Problem[] = [];
  const colours: LabelRules["colours"] = {};
  for (const family of FAMILY_KEYS) {
    const text = (texts[family] ?? "").trim().toLowerCase();
    if (text === "") continue;
    if (COLOUR.test(text)) colours[family] = text;
    else problems.push({ path: family, message: `${FAMILIES[family].name}: “${text}” must be a colour like #0f6b78` });
  }
  if (problems.length > 0) return failed("invalid", "Not saved.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("label rules");
    const now = await labelRules({ hall });
    if (now.version !== version)
      return stale("Someone else changed the colours meanwhile. Save again to overwrite.", now.version);
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], {
      key: LABELS_KEY,
      value: { colours },
      version: version + 1,
    });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "colours of the labels",
      before: now.colours,
      after: colours,
    });
    return { ok: true as const };
  });
}
