import { isHallDay, type HallDay } from "./hallDay";

const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/**
 * A day as people write it: 2026-11-28, 28 Nov, Sat 28 Nov 2026, 28.11.2026, 28/11 in a gym that writes the day first,
 * 11/28 in one that writes the month first.
 *
 * @param today for the year where none is written.
 * @param isMonthFirst whether 3/4 is the fourth of March.
 * @returns the day; null when it is none, or does not exist
 */
export function readDay(text: string, today: HallDay, isMonthFirst = false): HallDay | null {
  const said: string = text.trim().toLowerCase().replace(/,/g, " ").replace(/\s+/g, " ");
  const year = today.slice(0, 4);
  const day = (y: string, m: number, d: number): HallDay | null => {
    const whole = y.length === 2 ? `20${y}` : y;
    const iso = `${whole}-${String(m).padStart(2, "0")}-${String(d).padStart(2, "0")}`;
    return isHallDay(iso) ? iso : null;
  };
  const iso: string = said;
  if (isHallDay(iso)) return iso;
  const words = /^(?:[a-z]{2,9}\.? )?(\d{1,2})(?:st|nd|rd|th)? ([a-z]{3,9})\.?(?: (\d{4}|\d{2}))?$/.exec(said);
  const american = /^(?:[a-z]{2,9}\.? )?([a-z]{3,9})\.? (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(said);
  const [d, name, y] = words
    ? [words[1]!, words[2]!, words[3]]
    : american
      ? [american[2]!, american[1]!, american[3]]
      : [];
  if (d && name) {
    const month = MONTHS.indexOf(name.slice(0, 3));
    return month < 0 ? null : day(y ?? year, month + 1, Number(d));
  }
  const figures = /^(\d{1,2})[./](\d{1,2})\.?(?:[./]?(\d{4}|\d{2}))?$/.exec(said);
  if (!figures) return null;
  const [first, second] = [Number(figures[1]), Number(figures[2])];
  // Points are written with the day first everywhere.
  const isMonth = isMonthFirst && !said.includes(".");
  return day(figures[3] ?? year, isMonth ? first : second, isMonth ? second : first);
}
