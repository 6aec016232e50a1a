import { sql } from "drizzle-orm";
import { bigint, check, foreignKey, index, integer, pgTable, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { accounts } from "./accounts";
import { hallId, people } from "./hall";

/* Who may come in, and by which door: accounts, sessions, devices, invitations. Of everything that opens a door only a
 * hash is kept. */

const moment = () => timestamp({ withTimezone: true });

/** Somebody signed in somewhere. A demonstration's has no account. */
export const sessions = pgTable(
  "sessions",
  {
    id: uuid().primaryKey().defaultRandom(),
    tokenSha256: text().notNull().unique(),
    accountId: uuid().references(() => accounts.id),
    /** Whom they are now: one of the account's persons. */
    personId: uuid()
      .notNull()
      .references(() => people.id),
    createdAt: moment().notNull().defaultNow(),
    /** Looked at every few minutes, not at every request. */
    seenAt: moment().notNull().defaultNow(),
    endsAt: moment().notNull(),
    endedAt: moment(),
    /** When the passphrase was typed last: what matters asks for it anew. */
    confirmedAt: moment(),
    agent: text().notNull().default(""),
    address: text().notNull().default(""),
  },
  (t) => [index().on(t.accountId), index().on(t.personId), index().on(t.endsAt)],
);

export const INVITATION_KINDS = ["invite", "reset"] as const;

/** An address that lets one person in, once: to make their account, or to choose a new passphrase. */
export const invitations = pgTable(
  "invitations",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid().notNull(),
    kind: text().$type<(typeof INVITATION_KINDS)[number]>().notNull(),
    tokenSha256: text().notNull().unique(),
    madeBy: uuid(),
    createdAt: moment().notNull().defaultNow(),
    endsAt: moment().notNull(),
    usedAt: moment(),
    revokedAt: moment(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.personId),
    check("invitations_kind", sql`${t.kind} in ('invite', 'reset')`),
  ],
);

/** The one-time address by which a gym that nobody owns yet is claimed; the newest counts. It belongs to no hall. */
export const claims = pgTable("claims", {
  id: uuid().primaryKey().defaultRandom(),
  tokenSha256: text().notNull().unique(),
  createdAt: moment().notNull().defaultNow(),
  usedAt: moment(),
});

/** A tablet that is let in for one purpose. What it does is done by its own row of people. */
export const devices = pgTable(
  "devices",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid().notNull(),
    name: text().notNull(),
    tokenSha256: text().notNull().unique(),
    pairedBy: uuid().notNull(),
    pairedAt: moment().notNull().defaultNow(),
    seenAt: moment().notNull().defaultNow(),
    revokedAt: moment(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId),
  ],
);

/** Six digits that pair one tablet, for ten minutes. */
export const pairingCodes = pgTable(
  "pairing_codes",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    /** Keyed with the program's secret: six digits alone would be found by trying. */
    codeHmac: text().notNull(),
    purpose: text().notNull(),
    name: text().notNull(),
    madeBy: uuid().notNull(),
    endsAt: moment().notNull(),
    usedAt: moment(),
  },
  (t) => [
    index().on(t.codeHmac),
    foreignKey({ columns: [t.hallId, t.madeBy], foreignColumns: [people.hallId, people.id] }),
  ],
);

/** Who came in, from where, and what was done with doors and files; kept, never altered. */
export const accountLog = pgTable(
  "account_log",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    at: moment().notNull().defaultNow(),
    kind: text().notNull(),
    /** Whose doing it was; null where nobody was let in. */
    personId: uuid(),
    /** About whom or what, in words. */
    subject: text().notNull().default(""),
    address: text().notNull().default(""),
    agent: text().notNull().default(""),
  },
  (t) => [index().on(t.hallId, t.at)],
);

/** Letters of the program: sent where there is a mail server, else kept to be copied. */
export const letters = pgTable(
  "letters",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    /** Who wrote it, and alone may copy what is in it; null for what somebody asked for by mail. */
    madeBy: uuid(),
    toAddress: text().notNull(),
    subject: text().notNull(),
    body: text().notNull(),
    createdAt: moment().notNull().defaultNow(),
    sentAt: moment(),
    tries: integer().notNull().default(0),
    nextTryAt: moment().notNull().defaultNow(),
    problem: text(),
  },
  (t) => [index().on(t.hallId, t.createdAt)],
);

/** Counters of what may be tried so often; kept by rate-limiter-flexible. */
export const rateLimits = pgTable("rate_limits", {
  key: text().primaryKey(),
  points: integer().notNull().default(0),
  expire: bigint({ mode: "number" }),
});
