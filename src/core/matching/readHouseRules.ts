import type { Problem } from "../problem";
import { readNumberRule } from "../units/numberRule";
import { MATCHING_RULES, type MatchingRules, RULE_NUMBER_KEYS, RULE_NUMBERS } from "./houseRules";
import { policiesFrom } from "./policies";

/**
 * The rules that a form says, by number and by policy. Numbers left blank are as a gym starts.
 *
 * @returns shares, mm, kg, degrees, N·m and weeks as the rules hold them, or every problem
 */
export function readHouseRules(
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; rules: MatchingRules } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const numbers = Object.fromEntries(
    RULE_NUMBER_KEYS.map((path) => {
      const text = texts[path] ?? "";
      if (text.trim() === "") return [path, MATCHING_RULES[path]];
      const read = readNumberRule(RULE_NUMBERS[path], text);
      if (!read.ok) problems.push({ path, message: read.message });
      return [path, read.ok ? read.value / RULE_NUMBERS[path].factor : MATCHING_RULES[path]];
    }),
  );
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, rules: { ...MATCHING_RULES, ...numbers, policies: policiesFrom(texts) } };
}
