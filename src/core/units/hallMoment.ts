import { hallClockAt, hallDayAt, type HallDay } from "./hallDay";

/**
 * The moment at which the hall's clock shows so many minutes past midnight on a day. In the hour that a summer time
 * skips it is the moment after it; in the one that comes twice the first.
 *
 * @returns the moment
 *
 * @example momentOfHall("2026-07-01", 9 * 60, "Europe/London") // 08:00 UTC
 */
export function momentOfHall(day: HallDay, minute: number, timeZone: string): Date {
  const wished = new Date(`${day}T00:00:00Z`).getTime() + minute * 60_000;
  let moment = wished;
  // The offset at the guess, then at what it gives: twice is enough for any zone.
  for (let i = 0; i < 2; i += 1) {
    const at = new Date(moment);
    const [hours, minutes] = hallClockAt(at, timeZone).split(":").map(Number);
    const shown = new Date(`${hallDayAt(at, timeZone)}T00:00:00Z`).getTime() + (60 * hours! + minutes!) * 60_000;
    moment += wished - shown;
  }
  return new Date(moment);
}
