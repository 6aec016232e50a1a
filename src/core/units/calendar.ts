import { addMonths as addMonthsTo, format, getISODay, parseISO } from "date-fns";
import type { HallDay } from "./hallDay";

/**
 * A day some months on; where that month is shorter, its last day.
 *
 * @param months 0 or more
 * @returns the day
 *
 * @example addMonths("2026-01-31", 1) // "2026-02-28"
 */
export const addMonths = (day: HallDay, months: number): HallDay =>
  format(addMonthsTo(parseISO(day), months), "yyyy-MM-dd");

/**
 * Which day of the week it is.
 *
 * @returns 1 for Monday to 7 for Sunday
 */
export const weekdayOf = (day: HallDay): number => getISODay(parseISO(day));
