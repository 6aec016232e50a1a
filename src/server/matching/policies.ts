import "server-only";
import { eq, inArray } from "drizzle-orm";
import { isUsable } from "@/core/bars/bar";
import { type Flip, flips } from "@/core/matching/flips";
import { type MatchingRules, RULE_NUMBERS, RULE_NUMBER_KEYS, rulesFrom } from "@/core/matching/houseRules";
import { POLICY_KEYS } from "@/core/matching/policies";
import { readHouseRules } from "@/core/matching/readHouseRules";
import { bars, houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { planCare } from "@/server/care/planning";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";
import { barUse, listLifters, matchLifterOf } from "@/server/lifters";
import { allLifts, liftOf, meetingRules } from "@/server/lifts";
import { MATCHING_KEY as KEY, matchingRules } from "@/server/rules";

/** Which verdicts the rules of a form would change, before anybody saves them. Lifters count for coach and manager. */
export async function previewRules(
  context: Context,
  texts: Record<string, string>,
): Promise<Outcome<{ flips: Flip[]; graded: number }>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readHouseRules(texts);
  if (!read.ok) return failed("invalid", "Nothing was compared.", read.problems);
  const { rules } = read;
  const [wall, liftRows, people, meetings, used, now] = await Promise.all([
    barsOnTheWall(context),
    allLifts(context),
    listLifters(context),
    meetingRules(context),
    barUse(context),
    matchingRules(context),
  ]);
  const usable = wall.map(({ bar }) => bar).filter(({ state }) => isUsable(state));
  const lifts = liftRows.map(liftOf);
  const lifters = people.map((row) => ({
    name: row.name,
    as: (lift: (typeof lifts)[number]) =>
      matchLifterOf(row, lift, { today: context.clock.today, rules: meetings, used: used.get(row.id) }),
  }));
  return {
    ok: true,
    ...flips({ bars: usable, lifts, lifters, today: context.clock.today, before: now, after: rules }),
  };
}

/** Saves the rules of a form. A change of what touches care plans that care anew. */
export async function saveMatchingRules(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const read = readHouseRules(texts);
  if (!read.ok) return failed("invalid", "The rules were not changed.", read.problems);
  const { rules } = read;
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("matching rules");
    const row = await hall.first(houseRules, { where: eq(houseRules.key, KEY), forUpdate: true });
    if ((row?.version ?? 0) !== version)
      return stale(
        "Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.",
        row?.version ?? 0,
        Object.entries(changedOnly(rulesFrom(row?.value), rules)).map(([path, now]) => ({
          path,
          message: `${path in RULE_NUMBERS ? RULE_NUMBERS[path as keyof typeof RULE_NUMBERS].label : path}: it is now “${String(now)}”`,
        })),
      );
    const before = rulesFrom(row?.value);
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key: KEY, value: rules, version: version + 1 });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: `changed the rules for ${KEY}`,
      before: changedOnly(before, rules),
      after: changedOnly(rules, before),
    });
    if (before.policies.bars !== rules.policies.bars) {
      const busy = await hall.rows(bars, { where: inArray(bars.family, ["all-round", "hybrid"]) });
      await planCare(
        context,
        busy.filter(({ state }) => state !== "retired"),
      );
    }
    return { ok: true };
  });
}

/** The parts of one set of rules that differ from another. */
function changedOnly(rules: MatchingRules, other: MatchingRules): Record<string, unknown> {
  return Object.fromEntries([
    ...RULE_NUMBER_KEYS.filter((key) => rules[key] !== other[key]).map((key) => [key, rules[key]]),
    ...POLICY_KEYS.filter((key) => rules.policies[key] !== other.policies[key]).map((key) => [
      key,
      rules.policies[key],
    ]),
  ]) as Record<string, unknown>;
}
