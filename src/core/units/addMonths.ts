import { addDays, type HallDay } from "./hallDay";

/**
 * A day some months on; where that month is shorter, its last day.
 *
 * @param months 0 or more
 * @returns the day
 *
 * @example addMonths("2026-01-31", 1) // "2026-02-28"
 */
export function addMonths(day: HallDay, months: number): HallDay {
  const [year, month, date] = day.split("-").map(Number) as [number, number, number];
  const count = year * 12 + (month - 1) + months;
  const first = `${String(Math.floor(count / 12)).padStart(4, "0")}-${String((count % 12) + 1).padStart(2, "0")}-01`;
  const next = `${String(Math.floor((count + 1) / 12)).padStart(4, "0")}-${String(((count + 1) % 12) + 1).padStart(2, "0")}-01`;
  const last = Number(addDays(next, -1).slice(8));
  return addDays(first, Math.min(date, last) - 1);
}
