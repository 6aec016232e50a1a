import { readField } from "../bars/fieldText";
import type { Problem } from "../problem";
import { type NumberRule, readNumberRule } from "../units/numberRule";
import { INSPECTION_LIMITS, type InspectionLimits } from "./inspection";
import { CARE_RULES, type CareRule } from "./needMeter";
import { readStaffHours, type StaffHours } from "./staffHours";

/** What a gym decides about care. */
export interface CareChoice {
  /** By what care is due. */
  rule: CareRule;
  /** By what inspections are judged. */
  limits: InspectionLimits;
  /** What an hour of care costs, in whole minor units of the gym's currency; null where nobody said. */
  hourMinor: number | null;
  /** When nothing is planned. */
  quiet: StaffHours[];
}

export const LIMIT_NUMBERS: Readonly<Record<keyof InspectionLimits, NumberRule>> = {
  watchTirMm: { label: "watch above this runout", unit: "mm", range: [0.1, 20] },
  quarantineTirMm: { label: "quarantine above this runout", unit: "mm", range: [0.1, 20] },
  watchEndPlayMm: { label: "watch above this end play", unit: "mm", range: [0.1, 50] },
  leastSpinS: { label: "drags below this spin", unit: "s", range: [0, 60] },
};
export const LIMIT_KEYS = Object.keys(LIMIT_NUMBERS) as (keyof InspectionLimits)[];

const HOUR = { label: "an hour of care costs", group: "keeping", kind: "money" } as const;

/**
 * What somebody typed of it; limits left blank are as a gym starts.
 *
 * @returns the rules, or every problem
 */
export function readCareRules(
  texts: Readonly<Record<string, string | undefined>>,
): { ok: true; value: CareChoice } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const rule = CARE_RULES.find((key) => key === texts.rule);
  if (!rule) problems.push({ path: "rule", message: "Choose calendar, meter or condition." });
  const limits = Object.fromEntries(
    LIMIT_KEYS.map((path) => {
      const text = texts[path] ?? "";
      if (text.trim() === "") return [path, INSPECTION_LIMITS[path]];
      const read = readNumberRule(LIMIT_NUMBERS[path], text);
      if (!read.ok) problems.push({ path, message: read.message });
      return [path, read.ok ? read.value : INSPECTION_LIMITS[path]];
    }),
  ) as unknown as InspectionLimits;
  const hour = readField(HOUR, texts.hour ?? "");
  if (!hour.ok) problems.push({ path: "hour", message: `${HOUR.label}: ${hour.message}` });
  const quiet = readStaffHours(texts.quiet ?? "");
  if (!quiet.ok) problems.push(...quiet.problems.map(({ message }) => ({ path: "quiet", message })));
  if (problems.length === 0 && limits.watchTirMm >= limits.quarantineTirMm)
    problems.push({ path: "watchTirMm", message: "runout to watch must be less than runout to quarantine" });
  if (problems.length > 0 || !rule || !hour.ok || !quiet.ok) return { ok: false, problems };
  return { ok: true, value: { rule, limits, hourMinor: hour.value as number | null, quiet: quiet.hours } };
}
