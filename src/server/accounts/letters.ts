import "server-only";
import { and, asc, desc, eq, gt, isNull, lt, lte } from "drizzle-orm";
import { createTransport } from "nodemailer";
import { letters } from "@/data/schema";
import { type Context, type Doorstep, may, sealed, unsealed } from "@/server/access";
import type { HallDb } from "@/data/hallDb";

/* Letters of the program. With a mail server they are sent; without one they wait here to be copied. What is in them
 * opens doors, so it is sealed, and dropped once it is sent. */

const MAX_TRIES = 8;
const AT_ONCE = 20;
/** So long a mail server may take for one letter. */
const PATIENCE_MS = 15_000;

/** Puts a letter into the outbox, in the transaction that the handle is of. */
export async function writeLetter(
  hall: Pick<HallDb, "insert">,
  at: Date,
  letter: { toAddress: string; subject: string; body: string; madeBy: string | null },
): Promise<void> {
  await hall.insert(letters, { ...letter, body: sealed(letter.body), createdAt: at, nextTryAt: at });
}

/**
 * Sends what is due, if there is a mail server. Several copies of the program share the work. A letter that is refused is
 * tried again later, each time twice as long.
 *
 * @returns how many were sent
 */
export async function sendLetters({
  db,
  now,
  log,
  mail,
}: Pick<Doorstep, "db" | "now" | "log" | "mail">): Promise<number> {
  if (!mail) return 0;
  const transport = createTransport(mail.url, {
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS,
  } as never);
  let sent = 0;
  try {
    for (let i = 0; i < AT_ONCE; i += 1) {
      const isDone = await db.transaction(async (tx) => {
        const at = now();
        const [letter] = await tx
          .select()
          .from(letters)
          .where(and(isNull(letters.sentAt), lt(letters.tries, MAX_TRIES), lte(letters.nextTryAt, at)))
          .orderBy(asc(letters.nextTryAt))
          .limit(1)
          .for("update", { skipLocked: true });
        if (!letter) return true;
        const mine = eq(letters.id, letter.id);
        const body = unsealed(letter.body);
        try {
          if (body === null) throw new Error("sealed with another secret");
          await transport.sendMail({ from: mail.from, to: letter.toAddress, subject: letter.subject, text: body });
          await tx
            .update(letters)
            .set({ sentAt: at, body: "", problem: null, tries: letter.tries + 1 })
            .where(mine);
          sent += 1;
        } catch (error) {
          const problem = error instanceof Error ? error.message.slice(0, 300) : "unknown";
          const nextTryAt = new Date(at.getTime() + 60_000 * 2 ** letter.tries);
          await tx
            .update(letters)
            .set({ tries: letter.tries + 1, nextTryAt, problem })
            .where(mine);
          log.warn({ problem }, "a letter was not sent");
        }
        return false;
      });
      if (isDone) break;
    }
  } finally {
    transport.close();
  }
  return sent;
}

export interface OutboxLetter {
  id: string;
  to: string;
  subject: string;
  /** To copy while it is not sent, for whoever wrote it; empty for everybody else, whom the link would let in. */
  body: string;
  createdAt: Date;
  sentAt: Date | null;
  problem: string | null;
}

/** Letters of the last month, newest first, for whoever manages people. */
export async function outboxLetters(context: Context): Promise<OutboxLetter[]> {
  if (!may(context, "people.manage")) return [];
  const since = new Date(context.clock.now().getTime() - 30 * 86_400_000);
  const rows = await context.hall.rows(letters, {
    where: gt(letters.createdAt, since),
    orderBy: [desc(letters.createdAt)],
    limit: 50,
  });
  return rows.map(({ id, madeBy, toAddress, subject, body, createdAt, sentAt, problem }) => ({
    ...{ id, subject, createdAt, sentAt, problem },
    to: toAddress,
    body: body !== "" && madeBy === context.actor.personId ? (unsealed(body) ?? "") : "",
  }));
}
