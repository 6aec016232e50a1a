import "server-only";
import { CLIMATE_CLASSES } from "@/core/care/climateClass";
import type { Air } from "@/core/care/corrosion";
import type { Problem } from "@/core/problem";
import { houseRules } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, failed, forbidden, recordChange, stale } from "@/server/kit";
import { replanCare } from "./planCare";
import { CARE_KEY, storedCareRules } from "./storedCareRules";

const FIGURES: Record<keyof Air, readonly [label: string, least: number, most: number]> = {
  temperatureC: ["temperature", -60, 60],
  relativeHumidityPct: ["humidity", 0, 100],
  so2Deposition: ["sulphur dioxide", 0, 2000],
  chlorideDeposition: ["salt", 0, 2000],
};

/**
 * Chooses the air that care goes by where nothing is measured: one of the climates, or the gym's own figures, all four of
 * them. Every due day follows in the same transaction.
 */
export async function saveClimate(
  context: Context,
  texts: Record<string, string>,
  version: number,
): Promise<Outcome<object>> {
  if (!may(context, "rule.edit")) return forbidden("change house rules");
  const said = texts.climate ?? "";
  const known = CLIMATE_CLASSES.find((one) => one === said);
  const problems: Problem[] = [];
  const typed = Object.entries(FIGURES).map(([key, [label, least, most]]) => {
    const text = (texts[key] ?? "").trim().replace(",", ".");
    const value = text === "" ? NaN : Number(text);
    if (said === "own" && !(value >= least && value <= most))
      problems.push({
        path: key,
        message: `${label}: “${texts[key] ?? ""}” must be a number from ${least} to ${most}`,
      });
    if (known && text !== "")
      problems.push({ path: key, message: `${label}: leave it blank, or choose your own figures` });
    return [key, value] as const;
  });
  if (!known && said !== "own") problems.push({ path: "climate", message: "Choose a climate, or your own figures." });
  if (problems.length > 0) return failed("invalid", "The climate was not changed.", problems);
  const climate = known ?? (Object.fromEntries(typed) as unknown as Air);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    await hall.hold("care rules");
    const { version: now, ...before } = await storedCareRules(hall);
    if (now !== version)
      return stale("Someone else changed the rules meanwhile. Nothing was changed; what you typed is still here.", now);
    const value = { ...before, climate };
    await hall.put(houseRules, [houseRules.hallId, houseRules.key], { key: CARE_KEY, value, version: version + 1 });
    await recordChange(context, {
      entity: "rule",
      entityId: context.actor.hallId,
      action: "changed the climate",
      before: { climate: before.climate },
      after: { climate },
    });
    await replanCare(context);
    return { ok: true as const };
  });
}
