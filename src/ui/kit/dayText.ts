import { NEVER } from "@/core/care/needMeter";
import { daysBetween, type HallDay } from "@/core/units/hallDay";

/** A day as people write it: "Sat 28 Nov". The year only when it is not this one. */
export function dayText(day: HallDay, today: HallDay): string {
  const year = day.slice(0, 4) === today.slice(0, 4) ? undefined : "numeric";
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: "UTC",
    weekday: "short",
    day: "numeric",
    month: "short",
    year,
  }).format(new Date(`${day}T00:00:00Z`));
}

/** A day seen from today: "today", "3 days late", "in 12 days"; what waits to be asked for has no day. */
export function dueText(dueOn: HallDay, today: HallDay): string {
  if (dueOn >= NEVER) return "when asked for";
  const late = daysBetween(dueOn, today);
  if (late === 0) return "today";
  if (late > 0) return `${late} ${late === 1 ? "day" : "days"} late`;
  return `in ${-late} ${late === -1 ? "day" : "days"}`;
}
