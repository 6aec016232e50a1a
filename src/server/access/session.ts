import "server-only";
import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import { cookies, headers } from "next/headers";
import { unauthorized } from "next/navigation";
import { cache } from "react";
import { groupBy } from "@/core/collections/groupBy";
import { database } from "@/data/client";
import { carriedRequest } from "@/data/carriedRequest";
import { environment, now } from "@/data/environment";
import { HallDb } from "@/data/hallDb";
import { type Log, log } from "@/data/log";
import { calendarLinks, halls, people } from "@/data/schema";
import { type Actor, type Context, clockIn } from "./context";
import { cookieName } from "./cookie";
import type { Door } from "./door";
import { actorOf, type Entry, entryOfCookie, entryOfToken, hallOf, KNOWN_TOKENS } from "./entry";
import { hearNews } from "./news";

/* The edge: who is asking is decided here and nowhere else, and no other room of the server opens the database. */

/** Nobody was let in. Routes answer 401. */
export class Nobody extends Error {
  constructor() {
    super("nobody is signed in");
  }
}

/**
 * The context of a page or an action: the person of the session's cookie, or a paired tablet on its own screens. Nobody
 * gets the sign-in page, with 401. Made once a request.
 */
export const requestContext = cache(async (): Promise<Context> => {
  const context = await maybeContext();
  if (!context) unauthorized();
  return context;
});

/** The same, or null for nobody: for what is shown to both. */
export const maybeContext = cache(async (): Promise<Context | null> => {
  const entry = await entryOfCookie((await cookies()).get(cookieName())?.value, carriedRequest()?.path ?? null);
  return entry && contextOfEntry(entry);
});

/**
 * The context of a request of which the route holds the signal: work stops when the asker has gone. Under /api/ a
 * bearer token lets a program in; one that is not good is nobody, whatever cookie came with it.
 *
 * @throws Nobody
 */
export async function requestContextOf(request: Request): Promise<Context> {
  const token = bearerOf(request);
  const context = token === null ? await maybeContext() : await contextOfToken(request, token);
  if (!context) throw new Nobody();
  return { ...context, signal: request.signal };
}

const bearerOf = (request: Request) =>
  /^Bearer(?:\s+(.*))?$/i.exec(request.headers.get("authorization") ?? "")?.map((part) => part ?? "")[1] ?? null;

async function contextOfToken(request: Request, token: string): Promise<Context | null> {
  if (!new URL(request.url).pathname.startsWith("/api/")) return null;
  // Everybody knows these: they open nothing to the network.
  if (KNOWN_TOKENS.includes(token) && !isFromHere(carriedRequest()?.address ?? "")) return null;
  const entry = await entryOfToken(token);
  return entry && contextOfEntry(entry);
}

/** Whether an address is this machine's own; also where the program carries no request, in development and tests. */
const isFromHere = (address: string) => address === "" || /^(::1|(::ffff:)?127\.)/.test(address);

async function contextOfEntry({ actor, door }: Entry): Promise<Context> {
  const given = await headers();
  const id = given.get("x-request-id");
  const carried = carriedRequest();
  return {
    ...contextFor(actor, door, id ? log().child({ id }) : log()),
    asker: askerOf(door, actor),
    address: carried?.address ?? "",
    agent: (given.get("user-agent") ?? "").slice(0, 300),
    ...(carried ? { signal: carried.signal } : {}),
  };
}

/** Whose turn it is: a session, a tablet, a token. */
function askerOf(door: Door, { personId }: Actor): string {
  if (door.kind === "session") return `session ${door.sessionId}`;
  if (door.kind === "device") return `device ${door.deviceId}`;
  return door.kind === "token" ? `token ${door.tokenId}` : personId;
}

/** A context for somebody, with the machine's clock. */
export function contextFor(actor: Actor, door: Door = { kind: "program" }, ownLog: Log = log()): Context {
  hearNews();
  return {
    actor,
    door,
    hall: new HallDb(database(), actor.hallId, { isKept: true }),
    clock: clockIn(actor.timeZone, now),
    asker: actor.personId,
    address: "",
    agent: "",
    signal: new AbortController().signal,
    log: ownLog,
    publicUrl: environment().publicUrl,
  };
}

/** A manager of every hall that has one: on whose behalf the program itself acts. */
export async function contextOfEachHall(): Promise<Context[]> {
  const rows = await database()
    .select({ person: people, hall: halls })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(and(inArray(people.role, ["owner", "manager"]), isNull(people.removedAt)))
    .orderBy(asc(halls.createdAt), asc(people.role), asc(people.name));
  return [...groupBy(rows, ({ hall }) => hall.id).values()].map(([row]) => contextFor(actorOf(row!)));
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
