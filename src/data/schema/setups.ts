import { sql } from "drizzle-orm";
import {
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
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { bars } from "./bars";
import { hallId, people } from "./hall";
import { lifters } from "./lifting";

/** What was measured of how one bar adjusts, how it stands now and how it must stand when it hangs. */
export const barSetups = pgTable(
  "bar_setups",
  {
    hallId: hallId(),
    barId: uuid().notNull(),
    /** Marks and pins, or holes and offsets; null for a bar that only has grips to choose. */
    chart: jsonb(),
    calibratedOn: date({ mode: "string" }),
    /** What is chosen of each option. */
    present: jsonb().$type<Record<string, string>>(),
    presentAt: timestamp({ withTimezone: true }),
    stored: jsonb().$type<Record<string, string>>(),
    /** Counts calibrations: a setting kept under another one is said to be old. */
    chartVersion: integer().notNull().default(0),
    version: integer().notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.barId] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
  ],
);

/** How a bar is set for one lifter's lift. A row is never changed: a new one replaces it, so that history stays. */
export const lifterSettings = pgTable(
  "lifter_settings",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    lifterId: uuid().notNull(),
    barId: uuid().notNull(),
    liftKey: text().notNull(),
    setting: jsonb().$type<Record<string, string>>().notNull(),
    chartVersion: integer().notNull(),
    stationKey: text(),
    jCupHole: integer(),
    safetyHole: integer(),
    /** What the card was made for: total on the bar in kg, largest plate and supports of the rack in mm. */
    loadKg: doublePrecision(),
    plateMm: doublePrecision(),
    rackMm: doublePrecision(),
    note: text(),
    keptAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    personId: uuid().notNull(),
    replacedAt: timestamp({ withTimezone: true }),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    uniqueIndex("lifter_settings_current")
      .on(t.hallId, t.lifterId, t.barId, t.liftKey)
      .where(sql`${t.replacedAt} is null`),
    index().on(t.hallId, t.barId),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("lifter_settings_holes", sql`coalesce(${t.jCupHole}, 1) >= 1 and coalesce(${t.safetyHole}, 1) >= 1`),
  ],
);

/** A bar put away: what of its loose parts was counted, and what was not there. */
export const putAways = pgTable(
  "put_aways",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    personId: uuid().notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
    counts: jsonb().$type<Record<string, number>>().notNull(),
    missing: text().array().notNull(),
  },
  (t) => [
    index().on(t.hallId, t.barId, t.at),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
  ],
);
