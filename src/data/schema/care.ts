import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  doublePrecision,
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
import { bars } from "./bars";
import { hallId, people } from "./hall";

/** What is done to bars, and how often by the air of the hall. */
export const careTasks = pgTable(
  "care_tasks",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    listOrder: integer().notNull(),
    steps: text().array().notNull(),
    minutes: doublePrecision().notNull(),
    dryDays: integer().notNull(),
    temperateDays: integer().notNull(),
    saltHumidDays: integer().notNull(),
    dependsOnFinish: boolean().notNull(),
    /** For the need meter: days in temperate air, and how much of the air reaches it; null for the usual of its key. */
    meterDays: doublePrecision(),
    climateShare: doublePrecision(),
    materials: text().array(),
    cautions: text().array(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("care_tasks_days", sql`least(${t.dryDays}, ${t.temperateDays}, ${t.saltHumidDays}) > 0`),
  ],
);

/** When each task is due next on each bar; kept in step with the log, so that lists need no sums. */
export const carePlan = pgTable(
  "care_plan",
  {
    hallId: hallId(),
    barId: uuid().notNull(),
    taskId: uuid().notNull(),
    lastDoneOn: date({ mode: "string" }),
    dueOn: date({ mode: "string" }).notNull(),
    intervalDays: integer().notNull(),
    reason: text().notNull(),
    /** What hastens it, in a few words. */
    drivers: jsonb().$type<string[]>().notNull().default([]),
  },
  (t) => [
    primaryKey({ columns: [t.barId, t.taskId] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.taskId], foreignColumns: [careTasks.hallId, careTasks.id] }),
    index().on(t.hallId, t.dueOn, t.barId, t.taskId),
  ],
);

/** What was done, when and by whom. A tick taken back stays, marked as such. */
export const careLog = pgTable(
  "care_log",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    taskId: uuid().notNull(),
    doneOn: date({ mode: "string" }).notNull(),
    doneBy: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    enteredBy: uuid().notNull(),
    minutes: doublePrecision(),
    note: text(),
    undoneAt: timestamp({ withTimezone: true }),
    undoneBy: uuid(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.taskId], foreignColumns: [careTasks.hallId, careTasks.id] }),
    foreignKey({ columns: [t.hallId, t.doneBy], foreignColumns: [people.hallId, people.id] }),
    foreignKey({ columns: [t.hallId, t.enteredBy], foreignColumns: [people.hallId, people.id] }),
    index().on(t.barId, t.taskId, t.doneOn),
    index().on(t.hallId, t.enteredAt),
    index().on(t.hallId, t.doneOn),
    check("care_log_undone", sql`(${t.undoneAt} is null) = (${t.undoneBy} is null)`),
  ],
);

/** Care that was passed over on a round, with why; the task stays due. */
export const careSkips = pgTable(
  "care_skips",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    taskId: uuid().notNull(),
    skippedOn: date({ mode: "string" }).notNull(),
    reason: text().notNull(),
    personId: uuid().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.taskId], foreignColumns: [careTasks.hallId, careTasks.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.skippedOn),
  ],
);

/** When somebody is in to do care, week by week. Minutes from midnight by the hall's clock; Monday is 1. */
export const staffHours = pgTable(
  "staff_hours",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid().notNull(),
    weekday: integer().notNull(),
    fromMinute: integer().notNull(),
    toMinute: integer().notNull(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.personId),
    check("staff_hours_weekday", sql`${t.weekday} between 1 and 7`),
    check(
      "staff_hours_span",
      sql`${t.fromMinute} between 0 and 1439 and ${t.toMinute} between 1 and 1440 and ${t.fromMinute} < ${t.toMinute}`,
    ),
  ],
);

/** One job of a round: a task on a bar, or a look at a part of a station. */
export type RoundItem = { dueOn: string } & ({ barId: string; taskId: string } | { stationId: string; part: string });

/** A round planned for somebody: which care on a day, in the order bars hang. */
export const careRounds = pgTable(
  "care_rounds",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid().notNull(),
    day: date({ mode: "string" }).notNull(),
    fromMinute: integer().notNull(),
    minutes: doublePrecision().notNull(),
    items: jsonb().$type<RoundItem[]>().notNull(),
    version: integer().notNull().default(1),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.day),
  ],
);

/** A secret address at which calendar programs read rounds; only its hash is kept. */
export const calendarLinks = pgTable(
  "calendar_links",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    /** Whose rounds; null for everybody's. */
    personId: uuid(),
    tokenSha256: text().notNull().unique(),
    createdBy: uuid().notNull(),
    createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    revokedAt: timestamp({ withTimezone: true }),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    foreignKey({ columns: [t.hallId, t.createdBy], foreignColumns: [people.hallId, people.id] }),
  ],
);

/** Reminders that would go out by mail; nothing leaves the program, they are read in it. */
export const messages = pgTable(
  "messages",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    toPersonId: uuid().notNull(),
    subject: text().notNull(),
    body: text().notNull(),
    sentAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    readAt: timestamp({ withTimezone: true }),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.toPersonId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.sentAt),
  ],
);
