import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgTable,
  text,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { hallId, people } from "./hall";

/** Lifts a hall does; it starts with the usual ones and may add its own. */
export const lifts = pgTable(
  "lifts",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    listOrder: integer().notNull(),
    speed: text().notNull(),
    start: text().notNull(),
    ending: text().notNull(),
    contact: text().notNull(),
    supportHalfSpacingMm: doublePrecision().notNull(),
    isCentreScraped: boolean().notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("lifts_speed", sql`${t.speed} in ('slow', 'fast')`),
    check("lifts_start", sql`${t.start} in ('floor', 'rack')`),
    check("lifts_ending", sql`${t.ending} in ('racked', 'lowered', 'dropped')`),
    check("lifts_contact", sql`${t.contact} in ('hands', 'back', 'front')`),
  ],
);

/** People who lift. Sizes and notes are private: coaches and the manager read them, nobody else. */
export const lifters = pgTable(
  "lifters",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid(),
    key: text().notNull(),
    name: text().notNull(),
    squad: text(),
    heightMm: doublePrecision(),
    massKg: doublePrecision(),
    handLengthMm: doublePrecision(),
    isLearning: boolean().notNull().default(false),
    comfortNote: text(),
    coachNote: text(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    index().on(t.hallId, t.name),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
  ],
);
