import { sql } from "drizzle-orm";
import { bigint, check, index, pgTable, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";

const moment = () => timestamp({ withTimezone: true });

/** Somebody who signs in. One account may be a person in several halls; what they may is said there. */
export const accounts = pgTable(
  "accounts",
  {
    id: uuid().primaryKey().defaultRandom(),
    /** What they type to sign in, unless they type their mail address; never with an @. */
    signInName: text().notNull(),
    email: text(),
    /** Argon2id, with its parameters and salt. */
    passphraseHash: text().notNull(),
    passphraseAt: moment().notNull().defaultNow(),
    /** Sealed with the program's secret; null without a second step. */
    totpSealed: text(),
    /** The last step of time whose code was used, so that none counts twice. */
    totpStep: bigint({ mode: "number" }),
    /** SHA-256 of each code that is left for the day the telephone is lost. */
    spareCodes: text().array(),
    createdAt: moment().notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex("accounts_sign_in_name").on(sql`lower(${t.signInName})`),
    uniqueIndex("accounts_email").on(sql`lower(${t.email})`),
    check("accounts_sign_in_name_is_no_address", sql`${t.signInName} !~ '@'`),
  ],
);

/** A key on a device of theirs that opens their account without a passphrase (WebAuthn). */
export const passkeys = pgTable(
  "passkeys",
  {
    id: uuid().primaryKey().defaultRandom(),
    accountId: uuid()
      .notNull()
      .references(() => accounts.id),
    credentialId: text().notNull().unique(),
    /** COSE key, base64url. */
    publicKey: text().notNull(),
    counter: bigint({ mode: "number" }).notNull().default(0),
    transports: text().array(),
    name: text().notNull(),
    createdAt: moment().notNull().defaultNow(),
    usedAt: moment(),
  },
  (t) => [index().on(t.accountId)],
);
