import "server-only";
import { and, asc, eq, isNull } from "drizzle-orm";
import ical, { ICalCalendarMethod, ICalEventRepeatingFreq, ICalWeekday } from "ical-generator";
import { createHash, randomBytes } from "node:crypto";
import { tzlib_get_ical_block } from "timezones-ical-library";
import { clockText } from "@/core/care/staffHours";
import { weekdayOf } from "@/core/units/calendar";
import { addDays, type HallDay } from "@/core/units/hallDay";
import { momentOfHall } from "@/core/units/hallMoment";
import { calendarLinks, staffHours } from "@/data/schema";
import { type Context, contextOfCalendar, inTransaction, may } from "@/server/access";
import { type Outcome, forbidden, namesById, notFound, recordChange } from "@/server/kit";
import { jobsOfRound, linesOfRound, plannedRounds } from "./planned";
import { mayKnowHours } from "./staffHours";

const WEEKDAYS = [
  ICalWeekday.MO,
  ICalWeekday.TU,
  ICalWeekday.WE,
  ICalWeekday.TH,
  ICalWeekday.FR,
  ICalWeekday.SA,
  ICalWeekday.SU,
];

/**
 * Planned rounds as iCalendar (RFC 5545), everybody's or one person's, and hours of care as they recur. Rounds are
 * moments; hours recur by the clock of the hall, summer and winter. Opening the round's address shows it.
 */
export async function careCalendar(context: Context, personId: string | null): Promise<string> {
  const { actor, clock, hall } = context;
  const [rounds, hours, names] = [
    await plannedRounds(context, { from: clock.today, personId }),
    await hall.rows(staffHours, {
      where: personId ? eq(staffHours.personId, personId) : undefined,
      orderBy: [asc(staffHours.weekday), asc(staffHours.fromMinute)],
    }),
    await namesById(hall),
  ];
  const whose = personId ? names.get(personId) : null;
  const calendar = ical({
    name: `Care, ${actor.hallName}${whose ? `, ${whose}` : ""}`,
    prodId: { company: "Garrison", product: "Care", language: "EN" },
    method: ICalCalendarMethod.PUBLISH,
    // Moments are UTC. Hours recur by the gym's clock: the zone's rules go with them, since not every program knows it.
    timezone: { name: null, generator: (zone) => zoneBlock(zone) },
    ttl: 60 * 60,
  });
  for (const round of rounds) {
    const jobs = jobsOfRound(round);
    const [h, m] = round.from.split(":").map(Number);
    const start = momentOfHall(round.day, 60 * h! + m!, actor.timeZone);
    calendar.createEvent({
      id: `round-${round.id}@garrison`,
      start,
      end: new Date(start.getTime() + Math.ceil(round.minutes) * 60_000),
      stamp: clock.now(),
      summary: `${round.outOfUse.length > 0 ? "CHANGED: " : ""}Care round: ${jobs} ${jobs === 1 ? "job" : "jobs"}, ${Math.ceil(round.minutes)} min`,
      description: [`${round.person}:`, ...round.outOfUse, ...linesOfRound(round)].join("\n"),
      ...(context.publicUrl ? { url: `${context.publicUrl}/care/rounds?plan=${round.id}` } : {}),
      sequence: round.version - 1,
    });
  }
  for (const { id, personId: own, weekday, fromMinute, toMinute } of hours) {
    const first = nextWeekday(clock.today, weekday);
    calendar.createEvent({
      id: `hours-${id}@garrison`,
      start: momentOfHall(first, fromMinute, actor.timeZone),
      end: momentOfHall(first, toMinute, actor.timeZone),
      timezone: actor.timeZone,
      stamp: clock.now(),
      summary: `In for care: ${names.get(own) ?? "someone"}`,
      description: `${clockText(fromMinute)} to ${clockText(toMinute)}`,
      repeating: { freq: ICalEventRepeatingFreq.WEEKLY, byDay: [WEEKDAYS[weekday - 1]!] },
    });
  }
  const text = calendar.toString();
  // RFC 5545 wants a line break after the last line too.
  return text.endsWith("\r\n") ? text : `${text}\r\n`;
}

/** A zone's rules as RFC 5545 has them; null for one that nobody knows, as UTC is none. */
function zoneBlock(zone: string): string | null {
  const block = tzlib_get_ical_block(zone);
  return Array.isArray(block) ? block[0]! : null;
}

function nextWeekday(today: HallDay, weekday: number): HallDay {
  return addDays(today, (weekday - weekdayOf(today) + 7) % 7);
}

export interface CalendarLink {
  id: string;
  person: string | null;
  createdAt: Date;
}

/** Secret addresses that work. */
export async function calendarLinksOf(context: Context): Promise<CalendarLink[]> {
  if (!may(context, "care.plan")) return [];
  const { hall } = context;
  const [rows, names] = [
    await hall.rows(calendarLinks, { where: isNull(calendarLinks.revokedAt), orderBy: [asc(calendarLinks.createdAt)] }),
    await namesById(hall),
  ];
  const mine = rows.filter(({ personId }) => personId === null || mayKnowHours(context, personId));
  return mine.map(({ id, personId, createdAt }) => ({
    id,
    person: personId ? (names.get(personId) ?? "someone") : null,
    createdAt,
  }));
}

const hashOf = (token: string) => createHash("sha256").update(token).digest("hex");

/** Makes a secret address; its token is told once and only its hash kept. */
export async function makeCalendarLink(context: Context, personId: string | null): Promise<Outcome<{ token: string }>> {
  if (!may(context, "care.plan")) return forbidden("share the calendar");
  if (personId !== null && !mayKnowHours(context, personId)) return forbidden("share the calendar of others");
  const names = await namesById(context.hall);
  if (personId !== null && !names.has(personId)) return notFound("such person");
  const token = randomBytes(24).toString("base64url");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const [row] = await hall.insert(calendarLinks, {
      personId,
      tokenSha256: hashOf(token),
      createdAt: context.clock.now(),
      createdBy: context.actor.personId,
    });
    await recordChange(context, { entity: "round", entityId: row!.id, action: "calendar address made" });
    return { ok: true as const, token };
  });
}

/** Takes a secret address back: from now on it answers nothing. */
export async function revokeCalendarLink(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "care.plan")) return forbidden("share the calendar");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such address");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const rows = await hall.update(calendarLinks, and(eq(calendarLinks.id, id), isNull(calendarLinks.revokedAt)), {
      revokedAt: context.clock.now(),
    });
    if (rows.length === 0) return notFound("such address");
    await recordChange(context, { entity: "round", entityId: id, action: "calendar address revoked" });
    return { ok: true as const };
  });
}

/** The calendar of a secret address, or null when it was never made or was taken back. Whoever has it may read it. */
export async function calendarOfToken(token: string): Promise<string | null> {
  if (!/^[\w-]{32}$/.test(token)) return null;
  const found = await contextOfCalendar(hashOf(token));
  return found && careCalendar(found.context, found.personId);
}
