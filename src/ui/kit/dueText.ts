import { NEVER } from "@/core/care/needMeter";
import { daysBetween, type HallDay } from "@/core/units/hallDay";

/** A day seen from today: "today", "3 days late", "in 12 days"; what waits to be asked for has no day. */
export function dueText(dueOn: HallDay, today: HallDay): string {
  if (dueOn >= NEVER) return "when asked for";
  const late = daysBetween(dueOn, today);
  if (late === 0) return "today";
  if (late > 0) return `${late} ${late === 1 ? "day" : "days"} late`;
  return `in ${-late} ${late === -1 ? "day" : "days"}`;
}
