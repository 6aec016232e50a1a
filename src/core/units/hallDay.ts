/** A calendar day of the hall's own time zone, written YYYY-MM-DD. */
export type HallDay = string;

const MS_PER_DAY = 86_400_000;
const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;

/**
 * The day it is in the hall at a moment.
 *
 * @param timeZone an IANA name, e.g. "Europe/Lisbon".
 * @throws RangeError for an unknown time zone.
 * @returns "YYYY-MM-DD"
 */
export function hallDayAt(moment: Date, timeZone: string): HallDay {
  const parts = keptFormat(days, timeZone, DAY_PARTS).formatToParts(moment);
  const part = (type: string) => parts.find((p) => p.type === type)!.value;
  return `${part("year")}-${part("month")}-${part("day")}`;
}

const DAY_PARTS = ["en-CA", { year: "numeric", month: "2-digit", day: "2-digit" }] as const;
const CLOCK_PARTS = ["en-GB", { hour: "2-digit", minute: "2-digit", hourCycle: "h23" }] as const;

/** Formats by time zone. Making one takes a hundred times as long as using it, and a log asks for thousands of days. */
const days = new Map<string, Intl.DateTimeFormat>();
const clocks = new Map<string, Intl.DateTimeFormat>();
/** There are some six hundred time zones; a name that is none throws and is not kept. */
const MAX_ZONES = 1_000;

function keptFormat(
  kept: Map<string, Intl.DateTimeFormat>,
  timeZone: string,
  [locale, parts]: readonly [string, Intl.DateTimeFormatOptions],
): Intl.DateTimeFormat {
  const before = kept.get(timeZone);
  if (before) return before;
  const format = new Intl.DateTimeFormat(locale, { ...parts, timeZone });
  if (kept.size >= MAX_ZONES) kept.clear();
  kept.set(timeZone, format);
  return format;
}

/**
 * The time of day in the hall at a moment, as "18:05".
 *
 * @returns "HH:MM"
 */
export function hallClockAt(moment: Date, timeZone: string): string {
  return keptFormat(clocks, timeZone, CLOCK_PARTS).format(moment);
}

/**
 * Whether the text is a day that exists: "2024-02-29" does, "2023-02-29" does not.
 *
 * @returns true when it does
 */
export function isHallDay(text: string): text is HallDay {
  if (!DAY.test(text)) return false;
  const moment = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(moment.getTime()) && moment.toISOString().slice(0, 10) === text;
}

/**
 * The day a whole number of days later (earlier when negative). Days have no clock, so no clock change can shift them.
 *
 * @returns "YYYY-MM-DD"
 */
export function addDays(day: HallDay, count: number): HallDay {
  return new Date(toMs(day) + count * MS_PER_DAY).toISOString().slice(0, 10);
}

/**
 * Whole days from one day to another; negative when `to` comes first.
 *
 * @returns whole days
 */
export function daysBetween(from: HallDay, to: HallDay): number {
  return Math.round((toMs(to) - toMs(from)) / MS_PER_DAY);
}

/** Days that were read already: a log or a plan asks for the same few hundred thousands of times. */
const known = new Map<HallDay, number>();
const MAX_KNOWN = 20_000;

function toMs(day: HallDay): number {
  const before = known.get(day);
  if (before !== undefined) return before;
  if (!isHallDay(day)) throw new RangeError(`not a day: ${day}`);
  const ms = Date.parse(`${day}T00:00:00Z`);
  if (known.size >= MAX_KNOWN) known.clear();
  known.set(day, ms);
  return ms;
}

/**
 * Whether a text names a time zone that days can be days of.
 *
 * @returns false also for an empty text
 */
export function isTimeZone(text: string): boolean {
  if (text === "") return false;
  try {
    keptFormat(days, text, DAY_PARTS);
    return true;
  } catch {
    return false;
  }
}
