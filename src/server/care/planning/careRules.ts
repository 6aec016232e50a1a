import "server-only";
import { INSPECTION_LIMITS, type InspectionLimits } from "@/core/care/inspection";
import { CARE_RULES } from "@/core/care/needMeter";
import { readStaffHours } from "@/core/care/staffHours";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";
import { replanCare } from "./planCare";
import { CARE_KEY, storedCareRules } from "./storedCareRules";

const LIMIT_RANGES: Record<keyof InspectionLimits, [label: string, least: number, most: number]> = {
  watchTirMm: ["runout to watch", 0.1, 20],
  quarantineTirMm: ["runout to quarantine", 0.1, 20],
  watchEndPlayMm: ["end play to watch", 0.1, 50],
  leastSpinS: ["least spin", 0, 60],
};

/** Saves by which rule care is due and by which limits inspections are judged; every due day follows. */
export async function saveCareRules(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const problems: Problem[] = [];
  const rule = CARE_RULES.find((key) => key === texts.rule);
  if (!rule) problems.push({ path: "rule", message: "Choose calendar, meter or condition." });
  const limits = Object.fromEntries(
    (Object.keys(LIMIT_RANGES) as (keyof InspectionLimits)[]).map((key) => {
      const [label, least, most] = LIMIT_RANGES[key];
      const text = (texts[key] ?? "").trim().replace(",", ".");
      if (text === "") return [key, INSPECTION_LIMITS[key]];
      const value = Number(text);
      if (!(value >= least && value <= most))
        problems.push({ path: key, message: `${label}: “${text}” must be a number from ${least} to ${most}` });
      return [key, value];
    }),
  ) as unknown as InspectionLimits;
  const hour = (texts.hour ?? "").trim().replace(",", ".");
  if (hour !== "" && !(Number(hour) >= 0 && Number(hour) <= 10_000))
    problems.push({ path: "hour", message: `an hour of care: “${hour}” must be a number from 0 to 10 000` });
  const quiet = readStaffHours(texts.quiet ?? "");
  if (!quiet.ok) problems.push(...quiet.problems.map(({ message }) => ({ path: "quiet", message })));
  if (problems.length === 0 && limits.watchTirMm >= limits.quarantineTirMm)
    problems.push({ path: "watchTirMm", message: "runout to watch must be less than runout to quarantine" });
  if (problems.length > 0) return failed("invalid", "The rules were not changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("care rules");
    const before = await storedCareRules(hall);
    if (before.version !== version) {
      const now: Record<string, unknown> = { rule: before.rule, ...before.limits };
      const mine: Record<string, unknown> = { rule, ...limits };
      return stale(
        "Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.",
        before.version,
        Object.keys(now).flatMap((key) =>
          now[key] === mine[key]
            ? []
            : [{ path: key, message: `you wrote “${String(mine[key])}”, it is now “${String(now[key])}”` }],
        ),
      );
    }
    const value = {
      rule,
      limits,
      hourMinor: hour === "" ? null : Math.round(100 * Number(hour)),
      quiet: quiet.ok ? quiet.hours : [],
      climate: before.climate,
    };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key: CARE_KEY, value, version: version + 1 });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "changed the rules for care",
      before: { rule: before.rule, limits: before.limits, hourMinor: before.hourMinor, quiet: before.quiet },
      after: value,
    });
    if (before.rule !== rule) await replanCare(context);
    return { ok: true as const };
  });
}
