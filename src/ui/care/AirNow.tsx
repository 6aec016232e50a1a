"use client";

import { monthOfYear } from "@/core/units/dates";
import { wetFromPct, type SteelReading } from "@/core/care/climateDay";
import { climateCauses, type ClimateMonth } from "@/core/care/climateMonths";
import { hallClockAt } from "@/core/units/hallDay";
import { fixed, trimmed } from "@/core/units/format";
import type { SensorRow } from "@/server/care/air";
import type { AirSheetProps } from "./airSheetProps";

const CAUSE_WORDS = { humidity: "humidity", temperature: "temperature", salt: "what falls from the air" } as const;

export function Now({ now, sensor, timeZone }: { now: SteelReading | null; sensor: SensorRow; timeZone: string }) {
  if (!now)
    return (
      <p className="sheet px-4 py-3">
        {sensor.name} has not been read in the last two days: nothing can be said about this morning.
      </p>
    );
  const gap = now.dewPointC === null ? null : now.steelC - now.dewPointC;
  const isSaltWet = wetFromPct(sensor.chloride) < 80 && now.relativeHumidityPct >= wetFromPct(sensor.chloride);
  return (
    <section
      className={`sheet border-l-4 px-4 py-3 ${now.isWet ? "border-l-error" : isSaltWet || (gap !== null && gap < 1) ? "border-l-accent" : "border-l-primary"}`}
      aria-label="Now"
    >
      <p className="text-lg font-semibold">
        {now.isWet
          ? "The bars sweat: their steel is below the dew point. Wipe them before use, and keep the doors shut until they have warmed."
          : gap !== null && gap < 1
            ? "The bars are within a degree of sweating."
            : isSaltWet
              ? `Salt on the bars draws water: wet from ${wetFromPct(sensor.chloride)} % humidity. Wipe them.`
              : "The bars are dry."}
      </p>
      <p className="text-sm">
        At {hallClockAt(new Date(now.at), timeZone)} the air was {fixed(now.temperatureC, 1)} °C and{" "}
        {fixed(now.relativeHumidityPct, 0)} %{now.dewPointC !== null && `, its dew point ${fixed(now.dewPointC, 1)} °C`}
        ; the steel about {fixed(now.steelC, 1)} °C.
      </p>
    </section>
  );
}

/** Why the last month is better or worse than the months before it, cause by cause. */
export function Why({ months, depositionOf, sensor }: AirSheetProps) {
  const last = months.at(-1)!;
  const before = months.slice(0, -1).filter(({ days }) => days >= 10);
  if (before.length === 0) return null;
  const mean = (of: (month: ClimateMonth) => number) =>
    before.reduce((sum, month) => sum + of(month), 0) / before.length;
  const falls = (month: string) => depositionOf[month] ?? sensor;
  const usual = {
    meanC: mean(({ meanC }) => meanC),
    meanHumidityPct: mean(({ meanHumidityPct }) => meanHumidityPct),
    so2: mean(({ month }) => falls(month).so2),
    chloride: mean(({ month }) => falls(month).chloride),
  };
  const causes = climateCauses(usual, { ...last, ...falls(last.month) });
  const times = last.factor / mean(({ factor }) => factor);
  const word = times > 1.03 ? "worse" : times < 0.97 ? "better" : "like";
  const told = causes.filter(({ factor }) => Math.abs(factor - 1) >= 0.02);
  return (
    <section className="sheet px-4 py-3" aria-label="Why this month">
      <p className="text-lg leading-snug font-semibold">
        {monthOfYear(last.month)} is{" "}
        {word === "like" ? "like the months before it" : `${word} than the months before it`}: bars need care{" "}
        {trimmed(last.factor, 2)} times as often as in temperate air, {trimmed(times, 2)} times the usual here.
      </p>
      <p className="text-sm">
        {told.length === 0
          ? "Nothing stands out."
          : `On the corrosion rate: ${told
              .map(
                ({ what, factor }) =>
                  `${CAUSE_WORDS[what]} × ${trimmed(factor, 2)}${what === "humidity" ? ` (${fixed(last.meanHumidityPct, 0)} against ${fixed(usual.meanHumidityPct, 0)} %)` : what === "temperature" ? ` (${fixed(last.meanC, 1)} against ${fixed(usual.meanC, 1)} °C)` : ""}`,
              )
              .join(", ")}.`}{" "}
        Class {last.category}, {fixed(last.wetHours, 0)} humid hours, {fixed(last.dewHours, 0)} hours with dew on the
        steel.
      </p>
    </section>
  );
}
