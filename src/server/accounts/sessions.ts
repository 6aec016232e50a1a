import "server-only";
import { and, asc, desc, eq, gt, isNull, lt, ne, or } from "drizzle-orm";
import { accounts, halls, people, rateLimits, sessions } from "@/data/schema";
import {
  type Context,
  cookieToken,
  type Database,
  type Doorstep,
  dropCookie,
  hashOf,
  IDLE_MS,
  newToken,
  SESSION_MARK,
  setCookie,
} from "@/server/access";
import { type Outcome, failed, notFound } from "@/server/kit";
import { noteAccount, noteAtDoor } from "./accountLog";
import { forgetWrong, noteWrong, secondsToSlow, waitWords } from "./limits";
import { isPassphrase } from "./passphrase";

type Tx = Pick<Database, "insert" | "update" | "select">;

/** A session ends after so long, however often it is used. */
const LONGEST_MS = 60 * 86_400_000;

/** Begins a session and answers the token of its cookie, which is told to nobody else. */
export async function beginSession(
  tx: Tx,
  { now, address, agent }: Pick<Doorstep, "now" | "address" | "agent">,
  { accountId, personId }: { accountId: string | null; personId: string },
): Promise<string> {
  const token = `${SESSION_MARK}${newToken()}`;
  const at = now();
  await tx.insert(sessions).values({
    tokenSha256: hashOf(token),
    accountId,
    personId,
    createdAt: at,
    seenAt: at,
    endsAt: new Date(at.getTime() + LONGEST_MS),
    confirmedAt: at,
    agent,
    address,
  });
  return token;
}

/** Ends the session that this browser had, where somebody else comes in on it. */
export async function leaveOldSession({ db, now }: Pick<Doorstep, "db" | "now">): Promise<void> {
  const token = await cookieToken();
  if (token?.startsWith(SESSION_MARK))
    await db
      .update(sessions)
      .set({ endedAt: now() })
      .where(and(eq(sessions.tokenSha256, hashOf(token)), isNull(sessions.endedAt)));
}

/** Ends the session that asks, and takes its cookie away. */
export async function signOut(context: Context, step: Doorstep): Promise<void> {
  const { door, clock } = context;
  if (door.kind === "session") {
    await step.db.update(sessions).set({ endedAt: clock.now() }).where(eq(sessions.id, door.sessionId));
    await noteAccount(context, "signed-out");
  }
  await dropCookie();
}

/** Sessions of somebody that are open, the one that asks first. */
export interface OpenSession {
  id: string;
  isThis: boolean;
  createdAt: Date;
  seenAt: Date;
  agent: string;
  address: string;
}

/** Where somebody is signed in. */
export async function openSessions({ door, clock }: Context, { db }: Doorstep): Promise<OpenSession[]> {
  if (door.kind !== "session" || door.accountId === null) return [];
  const at = clock.now();
  const rows = await db
    .select()
    .from(sessions)
    .where(
      and(
        eq(sessions.accountId, door.accountId),
        isNull(sessions.endedAt),
        gt(sessions.endsAt, at),
        gt(sessions.seenAt, new Date(at.getTime() - IDLE_MS)),
      ),
    )
    .orderBy(desc(sessions.seenAt))
    .limit(100);
  return rows
    .map(({ id, createdAt, seenAt, agent, address }) => ({
      ...{ id, createdAt, seenAt, agent, address },
      isThis: id === door.sessionId,
    }))
    .sort((a, b) => Number(b.isThis) - Number(a.isThis));
}

/** Ends one of one's own sessions, or every other when none is named. */
export async function endSessions(context: Context, { db }: Doorstep, id: string | null): Promise<Outcome<object>> {
  const { door, clock } = context;
  if (door.kind !== "session" || door.accountId === null) return notFound("such session");
  if (id !== null && !/^[0-9a-f-]{36}$/.test(id)) return notFound("such session");
  const ended = await db
    .update(sessions)
    .set({ endedAt: clock.now() })
    .where(
      and(
        eq(sessions.accountId, door.accountId),
        isNull(sessions.endedAt),
        id === null ? ne(sessions.id, door.sessionId) : eq(sessions.id, id),
      ),
    )
    .returning();
  if (id !== null && ended.length === 0) return notFound("such session");
  await noteAccount(context, "sessions-ended", `${ended.length} ended`);
  return { ok: true };
}

/** Sessions that ended, or that nobody used, are forgotten after so long. */
const FORGOTTEN_MS = 90 * 86_400_000;

/** Takes out what nobody can sign in with any more, and counters that have run out. */
export async function forgetOldSessions({ db, now }: Pick<Doorstep, "db" | "now">): Promise<void> {
  const before = new Date(now().getTime() - FORGOTTEN_MS);
  await db
    .delete(sessions)
    .where(or(lt(sessions.endedAt, before), lt(sessions.seenAt, before), lt(sessions.endsAt, before)));
  await db.delete(rateLimits).where(lt(rateLimits.expire, now().getTime() - 3_600_000));
}

/** Ends every session of an account, in whatever transaction `tx` is; but one where it is named. */
export async function endAllOf(tx: Tx, accountId: string, at: Date, but: string | null = null): Promise<void> {
  await tx
    .update(sessions)
    .set({ endedAt: at })
    .where(
      and(eq(sessions.accountId, accountId), isNull(sessions.endedAt), but === null ? undefined : ne(sessions.id, but)),
    );
}

/**
 * Types the passphrase once more: for ten minutes what matters may be done. The session gets a new key, so that one
 * that was copied before is worth nothing.
 */
export async function confirmSession(context: Context, step: Doorstep, passphrase: string): Promise<Outcome<object>> {
  const { door } = context;
  if (door.kind !== "session") return failed("forbidden", "Sign in as a person first.");
  if (door.accountId === null) return { ok: true };
  const wait = await secondsToSlow(step.db, door.accountId, step.address);
  if (wait !== null) return failed("invalid", waitWords(wait));
  const [account] = await step.db.select().from(accounts).where(eq(accounts.id, door.accountId));
  if (!(await isPassphrase(passphrase, account?.passphraseHash ?? null))) {
    await noteWrong(step.db, door.accountId, step.address);
    await noteAccount(context, "confirm-failed");
    return failed("invalid", "That is not your passphrase.", [
      { path: "passphrase", message: "Passphrase: not the one of your account." },
    ]);
  }
  await forgetWrong(step.db, door.accountId, step.address);
  const token = `${SESSION_MARK}${newToken()}`;
  await step.db
    .update(sessions)
    .set({ confirmedAt: step.now(), tokenSha256: hashOf(token) })
    .where(eq(sessions.id, door.sessionId));
  await setCookie(token);
  await noteAccount(context, "confirmed");
  return { ok: true };
}

/** The halls of the account that asks, by name, with whom it is there. */
export async function hallsOfAccount({ door }: Context, { db }: Doorstep) {
  if (door.kind !== "session" || door.accountId === null) return [];
  return db
    .select({ personId: people.id, role: people.role, hallId: halls.id, hallName: halls.name })
    .from(people)
    .innerJoin(halls, eq(halls.id, people.hallId))
    .where(and(eq(people.accountId, door.accountId), isNull(people.removedAt)))
    .orderBy(asc(halls.name));
}

/** Goes to another hall of one's own account, with a new key. */
export async function enterHall(context: Context, step: Doorstep, personId: string): Promise<Outcome<object>> {
  const { door } = context;
  const to = (await hallsOfAccount(context, step)).find((one) => one.personId === personId);
  if (door.kind !== "session" || !to) return notFound("such gym among yours");
  const token = `${SESSION_MARK}${newToken()}`;
  await step.db.transaction(async (tx) => {
    await tx
      .update(sessions)
      .set({ personId, tokenSha256: hashOf(token) })
      .where(eq(sessions.id, door.sessionId));
    await noteAtDoor(tx, step, {
      hallId: to.hallId,
      kind: "signed-in",
      personId,
      subject: `from ${context.actor.hallName}`,
    });
  });
  await setCookie(token);
  return { ok: true };
}
