import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
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
    check("care_log_undone", sql`(${t.undoneAt} is null) = (${t.undoneBy} is null)`),
  ],
);
