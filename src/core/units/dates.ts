import { hallDayAt, type HallDay } from "./hallDay";

/* Every date and time that a screen or a paper shows is written here; files and addresses keep ISO. */

const written = (options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat("en-GB", { timeZone: "UTC", ...options });
const SHORT_DAY = written({ weekday: "short", day: "numeric", month: "short" });
const DATE = written({ day: "numeric", month: "short" });
const MONTH = { short: written({ month: "short" }), long: written({ month: "long" }) };
/** Browsers and servers differ in a comma and in how short September is. */
const short = (text: string) => text.replace(",", "").replace("Sept", "Sep");
const atNoon = (day: HallDay) => new Date(`${day}T12:00:00Z`);

/**
 * A day as people write it; the year only when it is not this one.
 *
 * @returns "Sat 28 Nov", "Thu 2 Jan 2025"
 */
export function dayText(day: HallDay, today: HallDay): string {
  const year = day.slice(0, 4);
  return `${short(SHORT_DAY.format(atNoon(day)))}${year === today.slice(0, 4) ? "" : ` ${year}`}`;
}

/**
 * A day of a column or an axis, without its weekday.
 *
 * @returns "28 Nov", "2 Jan 2025"
 */
export function dateText(day: HallDay, today: HallDay): string {
  const year = day.slice(0, 4);
  return `${short(DATE.format(atNoon(day)))}${year === today.slice(0, 4) ? "" : ` ${year}`}`;
}

/**
 * A month by its name.
 *
 * @param month "2026-11", or any day of it
 * @returns "Nov" or "November"
 */
export function monthText(month: string, length: "short" | "long" = "short"): string {
  const name = MONTH[length].format(atNoon(`${month.slice(0, 7)}-01`));
  return length === "short" ? short(name) : name;
}

/**
 * A month with its year.
 *
 * @returns "November 2026"
 */
export const monthOfYear = (month: string): string => `${monthText(month, "long")} ${month.slice(0, 4)}`;

/**
 * A time of day as people of a gym write it.
 *
 * @param time "18:30" or "18:30:00"
 * @param locale of the gym
 * @returns "18:30" or "6:30 pm"
 */
export function timeText(time: string, locale: string): string {
  return clockOf(locale)
    .format(new Date(`1970-01-01T${time.slice(0, 5)}:00Z`))
    .replace(/\s/g, " ")
    .toLowerCase();
}

const clocks = new Map<string, Intl.DateTimeFormat>();

function clockOf(locale: string, timeZone = "UTC"): Intl.DateTimeFormat {
  const key = `${locale} ${timeZone}`;
  const known = clocks.get(key) ?? clockOfPlace(locale, timeZone);
  clocks.set(key, known);
  return known;
}

function clockOfPlace(locale: string, timeZone: string): Intl.DateTimeFormat {
  const { hour12 } = new Intl.DateTimeFormat(locale, { hour: "numeric" }).resolvedOptions();
  return new Intl.DateTimeFormat(locale, {
    ...{ timeZone, minute: "2-digit" },
    ...(hour12 ? { hour: "numeric", hour12 } : { hour: "2-digit", hourCycle: "h23" }),
  });
}

/** Whose time it is. */
export interface Place {
  timeZone: string;
  locale: string;
}

/**
 * A moment as people of a gym read it; with the year where it is not this one.
 *
 * @returns "Fri 27 Nov, 18:30"
 */
export function momentText(moment: Date, { timeZone, locale }: Place, now: Date): string {
  const day = (of: Date) => hallDayAt(of, timeZone);
  const time = clockOf(locale, timeZone).format(moment).replace(/\s/g, " ").toLowerCase();
  return `${dayText(day(moment), day(now))}, ${time}`;
}

/**
 * How long ago, roughly: now, 12 min ago, 3 h ago, else the day.
 *
 * @returns words
 */
export function agoText(moment: Date, place: Place, now: Date): string {
  const minutes = Math.round((now.getTime() - moment.getTime()) / 60_000);
  if (minutes < 6) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  return minutes < 24 * 60 ? `${Math.round(minutes / 60)} h ago` : momentText(moment, place, now);
}
