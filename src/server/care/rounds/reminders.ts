import "server-only";
import { and, desc, eq, isNull } from "drizzle-orm";
import { messages } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { type Outcome, forbidden, namesById, notFound } from "@/server/kit";
import { linesOfRound, plannedRounds } from "./planned";

/** Writes a reminder of each of today's rounds to whoever does it. Call it once a day; nothing leaves the program. */
export async function remindOfRounds(context: Context): Promise<number> {
  const { hall } = context;
  const rounds = (await plannedRounds(context, { from: context.clock.today })).filter(
    ({ day }) => day === context.clock.today,
  );
  if (rounds.length === 0) return 0;
  await hall.insert(
    messages,
    rounds.map((round) => ({
      toPersonId: round.personId,
      sentAt: context.clock.now(),
      subject: `Care today at ${round.from}: about ${Math.ceil(round.minutes)} min`,
      body: linesOfRound(round).join("\n"),
    })),
  );
  return rounds.length;
}

export interface Message {
  id: string;
  to: string;
  subject: string;
  body: string;
  sentAt: Date;
  isRead: boolean;
}

/** The outbox: what would have gone out by mail, newest first. */
export async function outboxOf(context: Context): Promise<Message[]> {
  if (!may(context, "care.plan")) return [];
  const { hall } = context;
  const [rows, names] = [
    await hall.rows(messages, { orderBy: [desc(messages.sentAt)], limit: 100 }),
    await namesById(hall),
  ];
  return rows.map(({ id, toPersonId, subject, body, sentAt, readAt }) => ({
    id,
    to: names.get(toPersonId) ?? "someone",
    subject,
    body,
    sentAt,
    isRead: readAt !== null,
  }));
}

/** Marks a reminder as read. */
export async function readMessage(context: Context, id: string): Promise<Outcome<object>> {
  if (!may(context, "care.plan")) return forbidden("read reminders");
  if (!/^[0-9a-f-]{36}$/.test(id)) return notFound("such reminder");
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await hall.first(messages, { where: eq(messages.id, id) });
    if (!row) return notFound("such reminder");
    await hall.update(messages, and(eq(messages.id, id), isNull(messages.readAt)), { readAt: context.clock.now() });
    return { ok: true as const };
  });
}
