import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  numeric,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { hallId, people } from "./hall";
import type { PlateMaterial } from "../../core/loading/plateKind";
import type { Unit } from "../../core/units/typedQuantity";

/** Plates that are alike. Masses as typed, and as whole units of 10⁻¹⁰ kg. */
export const plates = pgTable(
  "plates",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    /** Short and steady, for people and programs: "r25", "i45lb". */
    key: text().notNull(),
    massValue: numeric().notNull(),
    massUnit: text().$type<Unit>().notNull(),
    massUnits: bigint({ mode: "number" }).notNull(),
    material: text().$type<PlateMaterial>(),
    diameterMm: doublePrecision(),
    thicknessMm: doublePrecision(),
    pairs: integer().notNull(),
    isDropRated: boolean().notNull().default(false),
    colour: text(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    index().on(t.hallId, t.massUnits, t.id),
    check("plates_pairs", sql`${t.pairs} between 0 and 100`),
    check("plates_mass", sql`${t.massUnits} > 0`),
  ],
);

/** One plate by itself, put on the scale: plates of one kind may differ, and the nearest are paired. */
export const plateWeights = pgTable(
  "plate_weights",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    plateId: uuid().notNull(),
    /** What is written on it to tell it from the others. */
    mark: text().notNull(),
    massValue: numeric().notNull(),
    massUnit: text().$type<Unit>().notNull(),
    massUnits: bigint({ mode: "number" }).notNull(),
    weighedBy: uuid().notNull(),
    weighedAt: timestamp({ withTimezone: true }).notNull(),
  },
  (t) => [
    unique().on(t.hallId, t.plateId, t.mark),
    foreignKey({ columns: [t.hallId, t.plateId], foreignColumns: [plates.hallId, plates.id] }),
    foreignKey({ columns: [t.hallId, t.weighedBy], foreignColumns: [people.hallId, people.id] }),
    check("plate_weights_mass", sql`${t.massUnits} > 0`),
  ],
);

/** Clamp collars: what holds the plates on. */
export const clamps = pgTable(
  "clamps",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    pairMassValue: numeric().notNull(),
    pairMassUnit: text().$type<Unit>().notNull(),
    pairMassUnits: bigint({ mode: "number" }).notNull(),
    /** Sleeve that one clamp takes. */
    widthMm: doublePrecision().notNull(),
    pairs: integer().notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [unique().on(t.hallId, t.id), unique().on(t.hallId, t.key)],
);
