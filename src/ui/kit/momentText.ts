/** A moment as people of a gym read it: Fri 27 Nov, 18:30; with the year where it is not this one. */
export function momentText(moment: Date, timeZone: string, now: Date): string {
  const part = (options: Intl.DateTimeFormatOptions, of = moment) =>
    new Intl.DateTimeFormat("en-GB", { timeZone, ...options }).format(of);
  const year = part({ year: "numeric" });
  const day = part({ weekday: "short", day: "numeric", month: "short" }).replace(",", "");
  const time = part({ hour: "2-digit", minute: "2-digit", hour12: false });
  return `${day}${year === part({ year: "numeric" }, now) ? "" : ` ${year}`}, ${time}`;
}

/** How long ago, roughly: now, 12 min ago, 3 h ago, else the day. */
export function agoText(moment: Date, timeZone: string, now: Date): string {
  const minutes = Math.round((now.getTime() - moment.getTime()) / 60_000);
  if (minutes < 6) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  return minutes < 24 * 60 ? `${Math.round(minutes / 60)} h ago` : momentText(moment, timeZone, now);
}
