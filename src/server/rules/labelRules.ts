import "server-only";
import { FAMILIES, FAMILY_KEYS, type FamilyKey } from "@/core/bars/families";
import type { Problem } from "@/core/problem";
import { type Context, may } from "@/server/access";
import { type Outcome, failed, forbidden } from "@/server/kit";
import { keepRule, storedRule } from "./houseRule";

/** The colours by which this gym tells families apart on its labels. */
export interface LabelRules {
  colours: Partial<Record<FamilyKey, string>>;
  version: number;
}

const LABELS_KEY = "labels";
const COLOUR = /^#[0-9a-f]{6}$/;

/** The gym's colours; none to start with. */
export async function labelRules({ hall }: Pick<Context, "hall">): Promise<LabelRules> {
  const { value, version } = await storedRule(hall, LABELS_KEY);
  return { colours: coloursOf(value), version };
}

const coloursOf = (stored: unknown): LabelRules["colours"] =>
  (stored as { colours?: LabelRules["colours"] } | undefined)?.colours ?? {};

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
  return keepRule(context, {
    ...{ key: LABELS_KEY, value: { colours }, version, action: "colours of the labels", what: "the colours" },
    before: coloursOf,
  });
}
