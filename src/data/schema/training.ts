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
  numeric,
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { bars } from "./bars";
import { hallId, people } from "./hall";
import { lifters } from "./lifting";
import { runs } from "./runs";
import type { RotationWish } from "../../core/rotation/rotationWish";
import type { PlannedRotation } from "../../core/rotation/plannedRotation";
import type { Unit } from "../../core/units/typedQuantity";

/** Where a logged set came from. */
export const LOG_SOURCES = ["run", "typed", "imported"] as const;
export type LogSource = (typeof LOG_SOURCES)[number];

/** Sets that were lifted: of one lifter, on one bar. Private like the rest of a lifter. */
export const logSets = pgTable(
  "log_sets",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    lifterId: uuid().notNull(),
    barId: uuid().notNull(),
    liftKey: text().notNull(),
    /** Stance, box, pause: kept apart, never averaged. Empty for the usual way. */
    variant: text().notNull().default(""),
    /** How the bar was set; empty where there is nothing to set. */
    setting: text().notNull().default(""),
    handsHelped: boolean().notNull().default(false),
    liftedOn: date({ mode: "string" }).notNull(),
    /** Order within the day. */
    seq: integer().notNull(),
    /** Total on the bar, as typed and in kg. */
    loadValue: numeric().notNull(),
    loadUnit: text().$type<Unit>().notNull(),
    loadKg: doublePrecision().notNull(),
    repetitions: integer().notNull(),
    /** Repetitions that were left; null where nobody said. */
    reserve: doublePrecision(),
    isMade: boolean().notNull().default(true),
    note: text(),
    source: text().$type<LogSource>().notNull(),
    runId: uuid(),
    runSetId: text(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    index().on(t.hallId, t.lifterId, t.liftedOn, t.seq),
    index().on(t.hallId, t.liftedOn, t.id),
    // One set of a run sheet is one set here, however often it is touched.
    uniqueIndex("log_sets_of_run")
      .on(t.hallId, t.runId, t.runSetId)
      .where(sql`${t.runId} is not null`),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.runId], foreignColumns: [runs.hallId, runs.id] }),
    check("log_sets_source", sql`${t.source} in ('run', 'typed', 'imported')`),
    check("log_sets_load", sql`${t.loadKg} > 0 and ${t.loadKg} <= 2000`),
    check("log_sets_repetitions", sql`${t.repetitions} between 1 and 100`),
    check("log_sets_reserve", sql`${t.reserve} between 0 and 10`),
  ],
);

/** What bars are worth to lifters today, kept beside their logs so that the gym's usual can be told at once. */
export const barWorths = pgTable(
  "bar_worths",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    lifterId: uuid().notNull(),
    liftKey: text().notNull(),
    variant: text().notNull(),
    barId: uuid().notNull(),
    setting: text().notNull(),
    handsHelped: boolean().notNull(),
    /** Logarithm of the worth against the straight bar, and its variance. */
    logRatio: doublePrecision().notNull(),
    variance: doublePrecision().notNull(),
    uses: integer().notNull(),
    asOf: date({ mode: "string" }).notNull(),
  },
  (t) => [
    index().on(t.hallId, t.lifterId, t.liftKey),
    index().on(t.hallId, t.liftKey, t.barId),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
  ],
);

/** Which bar in which week, for some lifters: what was asked, and what was planned. */
export const rotations = pgTable(
  "rotations",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    name: text().notNull(),
    /** The Monday of the first week. */
    startsOn: date({ mode: "string" }).notNull(),
    weeks: integer().notNull(),
    wish: jsonb().$type<RotationWish>().notNull(),
    /** Null until it was planned, and after a change of what is wished. */
    plan: jsonb().$type<PlannedRotation>(),
    createdBy: uuid().notNull(),
    version: integer().notNull().default(1),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    index().on(t.hallId, t.startsOn),
    foreignKey({ columns: [t.hallId, t.createdBy], foreignColumns: [people.hallId, people.id] }),
    check("rotations_weeks", sql`${t.weeks} between 4 and 16`),
  ],
);
