import "server-only";
import { createHash } from "node:crypto";
import { and, asc, eq, isNull } from "drizzle-orm";
import { getIronSession } from "iron-session";
import { cookies, headers } from "next/headers";
import { cache } from "react";
import { groupBy } from "@/core/collections/groupBy";
import { database } from "@/data/client";
import { carriedRequest } from "@/data/carriedRequest";
import { environment, now } from "@/data/environment";
import { HallDb } from "@/data/hallDb";
import { withPossibleValues } from "@/data/possibleValues";
import { type Log, log } from "@/data/log";
import { calendarLinks, halls, people } from "@/data/schema";
import { type Actor, type Context, clockIn } from "./context";
import { hearNews } from "./news";

/* The edge: who is asking is decided here and nowhere else, and no other room of the server opens the database. */

interface Session {
  personId?: string;
}

/**
 * The context of the request that is being answered: the person of the session cookie. Until accounts exist, somebody
 * without a cookie is the manager of the first hall, and a switcher sets the cookie; a bearer token is accepted and
 * ignored. Made once a request.
 */
export const requestContext = cache(async (): Promise<Context> => {
  const { personId } = await session();
  const actor = (personId ? await findActor(personId) : null) ?? (await firstManager());
  const given = await headers();
  const id = given.get("x-request-id");
  const carried = carriedRequest();
  return {
    ...contextFor(actor, id ? log().child({ id }) : log()),
    asker: askerOf(given.get("authorization"), personId, carried?.address),
    ...(carried ? { signal: carried.signal } : {}),
  };
});

/** A token is told by its hash: nothing that is kept or logged of it opens a door. */
function askerOf(authorization: string | null, personId: string | undefined, address: string | undefined): string {
  const token = /^Bearer\s+(\S+)$/i.exec(authorization ?? "")?.[1];
  if (token) return `token ${createHash("sha256").update(token).digest("hex").slice(0, 16)}`;
  return personId ? `session ${personId} ${address ?? ""}` : `address ${address ?? "unknown"}`;
}

/** The context of a request of which the route holds the signal: work stops when the asker has gone. */
export async function requestContextOf(request: Request): Promise<Context> {
  return { ...(await requestContext()), signal: request.signal };
}

/** A context for somebody, with the machine's clock. */
export function contextFor(actor: Actor, ownLog: Log = log()): Context {
  hearNews();
  return {
    actor,
    hall: new HallDb(database(), actor.hallId, { isKept: true }),
    clock: clockIn(actor.timeZone, now),
    asker: actor.personId,
    signal: new AbortController().signal,
    log: ownLog,
    publicUrl: environment().publicUrl,
  };
}

/** Makes the session that of another person; for the switcher of the demo. False when there is no such person. */
export async function becomePerson(personId: string): Promise<boolean> {
  if (!(await findActor(personId))) return false;
  const current = await session();
  current.personId = personId;
  await current.save();
  return true;
}

/** Everybody the switcher offers, hall by hall. */
export async function peopleToBecome(): Promise<
  { hallName: string; people: { id: string; name: string; role: string }[] }[]
> {
  const rows = await database()
    .select({ hallName: halls.name, id: people.id, name: people.name, role: people.role })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .orderBy(asc(halls.createdAt), asc(halls.id), asc(people.name));
  const byHall = groupBy(rows, ({ hallName }) => hallName);
  return [...byHall].map(([hallName, list]) => ({ hallName, people: list }));
}

async function session() {
  return getIronSession<Session>(await cookies(), {
    cookieName: "garrison",
    password: environment().sessionSecret,
    // Plain HTTP on a hall's own network is a supported way to run it.
    cookieOptions: { secure: environment().publicUrl.startsWith("https:"), sameSite: "lax", httpOnly: true },
  });
}

async function findActor(personId: string): Promise<Actor | null> {
  const [row] = await actorQuery()
    .where(withPossibleValues(eq(people.id, personId)))
    .limit(1);
  return row ? toActor(row) : null;
}

async function firstManager(): Promise<Actor> {
  const [row] = await actorQuery()
    .where(eq(people.role, "manager"))
    .orderBy(asc(halls.createdAt), asc(people.name))
    .limit(1);
  if (!row) throw new Error("The database has no hall with a manager yet. Start it with npm start or npm run demo.");
  return toActor(row);
}

/** A manager of every hall that has one: on whose behalf the program itself acts. */
export async function contextOfEachHall(): Promise<Context[]> {
  const rows = await actorQuery().where(eq(people.role, "manager")).orderBy(asc(halls.createdAt), asc(people.name));
  return [...groupBy(rows, ({ hall }) => hall.id).values()].map(([row]) => contextFor(toActor(row!)));
}

/** The care calendar behind the hash of a secret address, and the context of its hall; null when there is none. */
export async function contextOfCalendar(tokenSha256: string) {
  const [found] = await database()
    .select({ link: calendarLinks, hall: halls })
    .from(calendarLinks)
    .innerJoin(halls, eq(halls.id, calendarLinks.hallId))
    .where(and(eq(calendarLinks.tokenSha256, tokenSha256), isNull(calendarLinks.revokedAt)))
    .limit(1);
  if (!found) return null;
  const { link, hall } = found;
  // Whoever holds the address may read this calendar and nothing else: the role that may least.
  const context = contextFor({ ...hallOf(hall), personId: "", name: "calendar", role: "wall" });
  return { personId: link.personId, context };
}

function actorQuery() {
  return database()
    .select({ person: people, hall: halls })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .$dynamic();
}

function toActor({ person, hall }: { person: typeof people.$inferSelect; hall: typeof halls.$inferSelect }): Actor {
  return { ...hallOf(hall), personId: person.id, name: person.name, role: person.role };
}

const hallOf = (hall: typeof halls.$inferSelect) => ({
  hallId: hall.id,
  hallName: hall.name,
  timeZone: hall.timeZone,
  climateClass: hall.climateClass,
  currency: hall.currency,
  isDemo: hall.isDemo,
});
