import type { Problem } from "../problem";

/** When somebody is in, week by week; minutes from midnight, Monday is 1. */
export interface StaffHours {
  weekday: number;
  fromMinute: number;
  toMinute: number;
}

export const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;

/**
 * "Mon 09:00-10:30", one a line; every line that cannot be read is named.
 *
 * @returns spans in minutes from midnight with weekdays from 1 (Monday), or every problem
 */
export function readStaffHours(text: string): { ok: true; hours: StaffHours[] } | { ok: false; problems: Problem[] } {
  const problems: Problem[] = [];
  const hours = text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter(Boolean)
    .flatMap((line): StaffHours[] => {
      const found = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\s+(\d{1,2}):(\d\d)\s*[-–]\s*(\d{1,2}):(\d\d)$/i.exec(line);
      const [fromMinute, toMinute] = found
        ? [60 * Number(found[2]) + Number(found[3]), 60 * Number(found[4]) + Number(found[5])]
        : [0, 0];
      if (!found || Number(found[3]) > 59 || Number(found[5]) > 59 || toMinute > 1440 || fromMinute >= toMinute) {
        problems.push({ path: "hours", message: `“${line}”: write a day and hours, as Mon 09:00-10:30` });
        return [];
      }
      const weekday = WEEKDAYS.findIndex((day) => day.toLowerCase() === found[1]!.toLowerCase()) + 1;
      return [{ weekday, fromMinute, toMinute }];
    })
    .sort((a, b) => a.weekday - b.weekday || a.fromMinute - b.fromMinute);
  if (hours.length > 40) problems.push({ path: "hours", message: "at most 40 lines" });
  hours.forEach((one, i) => {
    const before = hours[i - 1];
    if (before && before.weekday === one.weekday && one.fromMinute < before.toMinute)
      problems.push({ path: "hours", message: `${staffHoursText(before)} and ${staffHoursText(one)} overlap` });
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, hours };
}

/**
 * A minute of the day as people write it.
 *
 * @returns "09:05"
 */
export const clockText = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(Math.round(minute % 60)).padStart(2, "0")}`;

/**
 * A span of hours as people write it.
 *
 * @returns "Mon 09:00-10:30", as `readStaffHours` reads it
 */
export const staffHoursText = ({ weekday, fromMinute, toMinute }: StaffHours) =>
  `${WEEKDAYS[weekday - 1]} ${clockText(fromMinute)}-${clockText(toMinute)}`;

/**
 * What is left of hours outside quiet times, as long spans; all in minutes from midnight.
 *
 * @returns spans in minutes from midnight, in order, none empty
 */
export function outsideQuiet(
  { fromMinute, toMinute }: Pick<StaffHours, "fromMinute" | "toMinute">,
  quiet: readonly { fromMinute: number; toMinute: number }[],
): { fromMinute: number; toMinute: number }[] {
  let spans = [{ fromMinute, toMinute }];
  for (const one of quiet)
    spans = spans.flatMap((span) =>
      [
        { fromMinute: span.fromMinute, toMinute: Math.min(span.toMinute, one.fromMinute) },
        { fromMinute: Math.max(span.fromMinute, one.toMinute), toMinute: span.toMinute },
      ].filter((part) => part.toMinute > part.fromMinute && part.fromMinute >= span.fromMinute),
    );
  // A span that no quiet time touches is found twice: once is enough.
  return spans.filter(
    (span, i) =>
      spans.findIndex((other) => other.fromMinute === span.fromMinute && other.toMinute === span.toMinute) === i,
  );
}
