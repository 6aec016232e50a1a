import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import type { ClimateClass } from "../../core/care/climateClass";
import { accounts } from "./accounts";

/** One gym. A hall owns every row of every other table; rows refer to each other only within a hall. */
export const halls = pgTable("halls", {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  timeZone: text().notNull(),
  climateClass: text().$type<ClimateClass>().notNull(),
  currency: text().notNull().default("EUR"),
  /** In which masses are typed where nobody says a unit. */
  massUnit: text().$type<"kg" | "lb">().notNull().default("kg"),
  lengthUnit: text().$type<"mm" | "in">().notNull().default("mm"),
  /** How times are written: a locale of `LOCALES`. */
  locale: text().notNull().default("en-GB"),
  /** A demonstration: simulated instruments are offered and count here, and nowhere else. */
  isDemo: boolean().notNull().default(false),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
});

/** The column that every table of a hall begins with. */
export const hallId = () =>
  uuid()
    .notNull()
    .references(() => halls.id);

/** What somebody is in the hall; `server/access` says what each may. */
export const PERSON_ROLES = ["owner", "manager", "coach", "care", "lifter"] as const;
/** What a tablet is there for; each sees its own screens and nothing else. */
export const DEVICE_ROLES = ["wall", "sheets", "rounds"] as const;
export const ROLES = [...PERSON_ROLES, ...DEVICE_ROLES] as const;
export type PersonRole = (typeof PERSON_ROLES)[number];
export type DeviceRole = (typeof DEVICE_ROLES)[number];
export type Role = (typeof ROLES)[number];

/** Whoever may use the program, with one role. Erasing a person takes the name and leaves the row. */
export const people = pgTable(
  "people",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    name: text().notNull(),
    role: text().$type<Role>().notNull(),
    /** Who signs in as this person; null while nobody does. */
    accountId: uuid().references(() => accounts.id),
    /** Argon2id of the short number that they type on a shared tablet. */
    pinHash: text(),
    /** In which units they read and type; null: as the gym does. */
    massUnit: text().$type<"kg" | "lb">(),
    lengthUnit: text().$type<"mm" | "in">(),
    /** No longer here: nobody signs in as them. What they did stays theirs. */
    removedAt: timestamp({ withTimezone: true }),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.accountId),
    index().on(t.hallId, t.name),
    index().on(t.accountId),
    check("people_role", sql`${t.role} in ('owner', 'manager', 'coach', 'care', 'lifter', 'wall', 'sheets', 'rounds')`),
  ],
);

/** What a program may with its token, within what its person may: look and compute; write; read health words. */
export const TOKEN_SCOPES = ["read", "write", "health"] as const;
export type TokenScope = (typeof TOKEN_SCOPES)[number];

/** Bearer tokens for programs; only their hash is kept. */
export const apiTokens = pgTable(
  "api_tokens",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid().notNull(),
    tokenSha256: text().notNull().unique(),
    label: text().notNull(),
    /** What it may: TOKEN_SCOPES. */
    scopes: text().array().$type<TokenScope[]>().notNull().default(["read"]),
    createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** It counts until then; null without an end. */
    endsAt: timestamp({ withTimezone: true }),
    usedAt: timestamp({ withTimezone: true }),
    revokedAt: timestamp({ withTimezone: true }),
  },
  (t) => [foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] })],
);

/** What the house decides where practitioners disagree; a rule without a row has its starting value. */
export const houseRules = pgTable(
  "house_rules",
  {
    hallId: hallId(),
    key: text().notNull(),
    value: jsonb().notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [primaryKey({ columns: [t.hallId, t.key] })],
);

/** Every change: who, when, what was, what is. Written in the transaction that makes the change, never altered. */
export const changes = pgTable(
  "changes",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    personId: uuid().notNull(),
    entity: text().notNull(),
    entityId: uuid().notNull(),
    action: text().notNull(),
    before: jsonb(),
    after: jsonb(),
    reason: text(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.entity, t.entityId, t.at),
  ],
);

/** Writes from floor screens that were carried out, so that one sent twice counts once. */
export const idempotencyKeys = pgTable(
  "idempotency_keys",
  {
    hallId: hallId(),
    key: text().notNull(),
    action: text().notNull(),
    result: jsonb().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.hallId, t.key] })],
);

/** Backups of the whole database, good and failed; the only table that belongs to no hall. Written by scripts/backup.mjs. */
export const backups = pgTable(
  "backups",
  {
    id: uuid().primaryKey().defaultRandom(),
    startedAt: timestamp({ withTimezone: true }).notNull(),
    finishedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** Name of the file without its folder; null where the backup failed. */
    file: text(),
    bytes: bigint({ mode: "number" }),
    /** Why it failed, or why its copy did; null where all is well. */
    problem: text(),
  },
  (t) => [index().on(t.finishedAt)],
);
