import "server-only";
import { eq } from "drizzle-orm";
import { INSPECTION_LIMITS, type InspectionLimits } from "@/core/care/inspection";
import { CLIMATE_CLASSES, type ClimateClass } from "@/core/care/climateClass";
import type { Air } from "@/core/care/corrosion";
import { CARE_RULES, type CareRule } from "@/core/care/needMeter";
import type { StaffHours } from "@/core/care/staffHours";
import type { HallDb } from "@/data/hallDb";
import { houseRules } from "@/data/schema";
import type { Context } from "@/server/access";

/** Under this the house's rules for care are stored. */
export const CARE_KEY = "care";

/** By which rule care is due, and by which limits an inspection is judged. */
export interface CareRules {
  rule: CareRule;
  limits: InspectionLimits;
  /** What an hour of care costs, in minor units; null where the house did not say. */
  hourMinor: number | null;
  /** When no round may be, week by week; classes are quiet by themselves. */
  quiet: StaffHours[];
  /** The air that the gym goes by where nothing is measured: a class, or figures of its own; null as it was set up. */
  climate: ClimateClass | Air | null;
}

/** The house's rules for care; a house that decided nothing goes by the calendar. */
export async function storedCareRules(hall: HallDb): Promise<CareRules & { version: number }> {
  const row = await hall.first(houseRules, { where: eq(houseRules.key, CARE_KEY) });
  return { ...careRulesFrom(row?.value), version: row?.version ?? 0 };
}

/** Rules for care as stored; what is missing or not understood is as a house starts. */
export function careRulesFrom(saved: unknown): CareRules {
  const value = (saved ?? {}) as Record<string, unknown>;
  const limits = (value.limits ?? {}) as Record<string, unknown>;
  const isNumber = (one: unknown, most: number) => typeof one === "number" && one >= 0 && one <= most;
  const hours = Array.isArray(value.quiet) ? (value.quiet as Partial<StaffHours>[]) : [];
  return {
    rule: CARE_RULES.find((rule) => rule === value.rule) ?? "calendar",
    limits: Object.fromEntries(
      Object.entries(INSPECTION_LIMITS).map(([key, start]) => [key, isNumber(limits[key], 100) ? limits[key] : start]),
    ) as unknown as InspectionLimits,
    climate: climateFrom(value.climate),
    hourMinor: isNumber(value.hourMinor, 1_000_000) ? (value.hourMinor as number) : null,
    quiet: hours.filter(
      (one): one is StaffHours =>
        isNumber(one.weekday, 7) && isNumber(one.fromMinute, 1439) && isNumber(one.toMinute, 1440),
    ),
  };
}

const AIR_RANGES: Record<keyof Air, readonly [number, number]> = {
  temperatureC: [-60, 60],
  relativeHumidityPct: [0, 100],
  so2Deposition: [0, 2000],
  chlorideDeposition: [0, 2000],
};

function climateFrom(saved: unknown): CareRules["climate"] {
  const known = CLIMATE_CLASSES.find((one) => one === saved);
  if (known) return known;
  const air = (saved ?? {}) as Record<string, unknown>;
  const isAir = Object.entries(AIR_RANGES).every(
    ([key, [least, most]]) => typeof air[key] === "number" && air[key] >= least && air[key] <= most,
  );
  return isAir ? (Object.fromEntries(Object.keys(AIR_RANGES).map((key) => [key, air[key]])) as unknown as Air) : null;
}

/** The house's rules for care, for a page. */
export const storedCareRulesOf = (context: Context) => storedCareRules(context.hall);
