import "server-only";
import { and, eq, gt, isNull, or, sql } from "drizzle-orm";
import { type Database, database } from "@/data/client";
import { now } from "@/data/environment";
import { apiTokens, DEVICE_ROLES, devices, halls, people, sessions, type DeviceRole } from "@/data/schema";
import type { Actor } from "./context";
import { isDeviceScreen } from "./deviceScreens";
import type { Door } from "./door";
import { hashOf } from "./secrets";

/* Whom a cookie or a token lets in. Each is one query by an index; nothing is remembered, so that what is revoked is dead
 * at the next touch. Every page and touch asks, so the database is asked by statements that it has read once and for the
 * columns that are needed only. */

/** Somebody who was let in, and by which door. */
export interface Entry {
  actor: Actor;
  door: Door;
}

/** Without a touch for so long a session ends. */
export const IDLE_MS = 14 * 86_400_000;
/** Seen is written this often at most. */
const SEEN_EVERY_MS = 5 * 60_000;

/** What a session's cookie and a tablet's begin with, so that each is looked for where it is. */
export const SESSION_MARK = "s.";
export const DEVICE_MARK = "d.";

/** Whom the cookie lets in. */
export async function entryOfCookie(token: string | undefined, path: string | null, at = now()): Promise<Entry | null> {
  if (!token || token.length > 100) return null;
  if (token.startsWith(SESSION_MARK)) return entryOfSession(token, at);
  return token.startsWith(DEVICE_MARK) ? entryOfDevice(token, path, at) : null;
}

/** What is asked of a person and of their hall. */
const PERSON = {
  id: people.id,
  name: people.name,
  role: people.role,
  massUnit: people.massUnit,
  lengthUnit: people.lengthUnit,
};
const HALL = {
  id: halls.id,
  name: halls.name,
  timeZone: halls.timeZone,
  climateClass: halls.climateClass,
  massUnit: halls.massUnit,
  lengthUnit: halls.lengthUnit,
  locale: halls.locale,
  currency: halls.currency,
  isDemo: halls.isDemo,
};
const asked = { hash: sql.placeholder("hash"), at: sql.placeholder("at"), idleSince: sql.placeholder("idleSince") };

const statementsOf = (db: Database) => ({
  session: db
    .select({
      session: {
        id: sessions.id,
        accountId: sessions.accountId,
        confirmedAt: sessions.confirmedAt,
        seenAt: sessions.seenAt,
      },
      person: PERSON,
      hall: HALL,
    })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.personId))
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(
      and(
        eq(sessions.tokenSha256, asked.hash),
        isNull(sessions.endedAt),
        gt(sessions.endsAt, asked.at),
        gt(sessions.seenAt, asked.idleSince),
        isNull(people.removedAt),
        // Without an account only a demonstration's people are somebody; a person may since belong to another account.
        or(eq(people.accountId, sessions.accountId), and(isNull(sessions.accountId), eq(halls.isDemo, true))),
      ),
    )
    .limit(1)
    .prepare("entry_session"),
  device: db
    .select({ device: { id: devices.id, seenAt: devices.seenAt }, person: PERSON, hall: HALL })
    .from(devices)
    .innerJoin(people, eq(people.id, devices.personId))
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(and(eq(devices.tokenSha256, asked.hash), isNull(devices.revokedAt), isNull(people.removedAt)))
    .limit(1)
    .prepare("entry_device"),
  token: db
    .select({
      token: { id: apiTokens.id, usedAt: apiTokens.usedAt, scopes: apiTokens.scopes },
      person: PERSON,
      hall: HALL,
    })
    .from(apiTokens)
    .innerJoin(people, eq(people.id, apiTokens.personId))
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(
      and(
        eq(apiTokens.tokenSha256, asked.hash),
        isNull(apiTokens.revokedAt),
        or(isNull(apiTokens.endsAt), gt(apiTokens.endsAt, asked.at)),
        isNull(people.removedAt),
      ),
    )
    .limit(1)
    .prepare("entry_token"),
});

const prepared = new WeakMap<Database, ReturnType<typeof statementsOf>>();

/** The statements of the database of this process. */
function statements(): ReturnType<typeof statementsOf> {
  const db = database();
  const known = prepared.get(db) ?? statementsOf(db);
  prepared.set(db, known);
  return known;
}

async function entryOfSession(token: string, at: Date): Promise<Entry | null> {
  const [row] = await statements().session.execute({
    hash: hashOf(token),
    at,
    idleSince: new Date(at.getTime() - IDLE_MS),
  });
  if (!row) return null;
  const { session, ...rest } = row;
  if (at.getTime() - session.seenAt.getTime() > SEEN_EVERY_MS)
    await database().update(sessions).set({ seenAt: at }).where(eq(sessions.id, session.id));
  return {
    actor: actorOf(rest),
    door: {
      kind: "session",
      sessionId: session.id,
      accountId: session.accountId,
      confirmedAt: session.confirmedAt,
    },
  };
}

async function entryOfDevice(token: string, path: string | null, at: Date): Promise<Entry | null> {
  const [row] = await statements().device.execute({ hash: hashOf(token) });
  if (!row) return null;
  const { device, ...rest } = row;
  const actor = actorOf(rest);
  const isTablet = (DEVICE_ROLES as readonly string[]).includes(actor.role);
  // Where nobody says which screen is asked for, a tablet gets none.
  if (!isTablet || path === null || !isDeviceScreen(actor.role as DeviceRole, path)) return null;
  if (at.getTime() - device.seenAt.getTime() > SEEN_EVERY_MS)
    await database().update(devices).set({ seenAt: at }).where(eq(devices.id, device.id));
  return { actor, door: { kind: "device", deviceId: device.id } };
}

/** What the tablet of a cookie is there for; null for everything else. */
export async function deviceRoleOf(token: string | undefined): Promise<DeviceRole | null> {
  if (!token?.startsWith(DEVICE_MARK) || token.length > 100) return null;
  const [row] = await database()
    .select({ role: people.role })
    .from(devices)
    .innerJoin(people, eq(people.id, devices.personId))
    .where(and(eq(devices.tokenSha256, hashOf(token)), isNull(devices.revokedAt), isNull(people.removedAt)))
    .limit(1);
  return row && (DEVICE_ROLES as readonly string[]).includes(row.role) ? (row.role as DeviceRole) : null;
}

/** These are written in the public interface's description: they open the demonstration, from the machine itself. */
export const KNOWN_TOKENS: readonly string[] = ["demo-token", "demo-manager-token"];

/** Whom a program's token lets in. */
export async function entryOfToken(token: string, at = now()): Promise<Entry | null> {
  if (token.length > 200) return null;
  const [row] = await statements().token.execute({ hash: hashOf(token), at });
  if (!row || (KNOWN_TOKENS.includes(token) && !row.hall.isDemo)) return null;
  const { token: kept, ...rest } = row;
  if (!kept.usedAt || at.getTime() - kept.usedAt.getTime() > SEEN_EVERY_MS)
    await database().update(apiTokens).set({ usedAt: at }).where(eq(apiTokens.id, kept.id));
  return { actor: actorOf(rest), door: { kind: "token", tokenId: kept.id, scopes: kept.scopes } };
}

type KnownOfPerson = Pick<typeof people.$inferSelect, keyof typeof PERSON>;
type KnownOfHall = Pick<typeof halls.$inferSelect, keyof typeof HALL>;

/** A person as somebody who asks. */
export function actorOf({ person, hall }: { person: KnownOfPerson; hall: KnownOfHall }): Actor {
  return {
    ...hallOf(hall),
    ...{ personId: person.id, name: person.name, role: person.role },
    units: { mass: person.massUnit ?? hall.massUnit, length: person.lengthUnit ?? hall.lengthUnit },
  };
}

/** What is known of the hall that somebody asks in. */
export const hallOf = (hall: KnownOfHall) => ({
  hallId: hall.id,
  hallName: hall.name,
  timeZone: hall.timeZone,
  climateClass: hall.climateClass,
  massUnit: hall.massUnit,
  units: { mass: hall.massUnit, length: hall.lengthUnit },
  gymLengthUnit: hall.lengthUnit,
  locale: hall.locale,
  currency: hall.currency,
  isDemo: hall.isDemo,
});
