import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  doublePrecision,
  foreignKey,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { hallId } from "./hall";

/** A place whose air is read: by the sensor that ships with the program, or from files and by hand. */
export const climateSensors = pgTable(
  "climate_sensors",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    kind: text().$type<"simulated" | "entered">().notNull(),
    seed: integer(),
    /** What falls on steel there, mg/m²·day, where a file does not say otherwise. */
    so2: doublePrecision().notNull(),
    chloride: doublePrecision().notNull(),
    /** How far bars lag behind the air, in hours. */
    lagHours: doublePrecision().notNull().default(1),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("climate_sensors_kind", sql`${t.kind} in ('simulated', 'entered')`),
    check("climate_sensors_seed", sql`${t.kind} = 'entered' or ${t.seed} is not null`),
    check(
      "climate_sensors_ranges",
      sql`${t.so2} between 0 and 2000 and ${t.chloride} between 0 and 2000 and ${t.lagHours} between 0 and 24`,
    ),
  ],
);

/** Readings, at most one a moment. */
export const climateReadings = pgTable(
  "climate_readings",
  {
    hallId: hallId(),
    sensorId: uuid().notNull(),
    at: timestamp({ withTimezone: true }).notNull(),
    temperatureC: doublePrecision().notNull(),
    humidityPct: doublePrecision().notNull(),
    /** Whether somebody uploaded it; the others a simulated sensor read. */
    isUploaded: boolean().notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.sensorId, t.at] }),
    foreignKey({ columns: [t.hallId, t.sensorId], foreignColumns: [climateSensors.hallId, climateSensors.id] }),
    check("climate_readings_ranges", sql`${t.temperatureC} between -60 and 60 and ${t.humidityPct} between 0 and 100`),
  ],
);

/** Days summed up, kept in step with the readings. */
export const climateDays = pgTable(
  "climate_days",
  {
    hallId: hallId(),
    sensorId: uuid().notNull(),
    day: date({ mode: "string" }).notNull(),
    readings: integer().notNull(),
    meanC: doublePrecision().notNull(),
    meanHumidityPct: doublePrecision().notNull(),
    so2: doublePrecision().notNull(),
    chloride: doublePrecision().notNull(),
    rateUmPerYear: doublePrecision().notNull(),
    wetHours: doublePrecision().notNull(),
    dewHours: doublePrecision().notNull(),
    leastGapC: doublePrecision(),
  },
  (t) => [
    primaryKey({ columns: [t.sensorId, t.day] }),
    foreignKey({ columns: [t.hallId, t.sensorId], foreignColumns: [climateSensors.hallId, climateSensors.id] }),
  ],
);
