import { sql } from "drizzle-orm";
import {
  check,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { hallId, people } from "./hall";
import type { StationKind } from "../../core/classes/stationSuits";
import type { StationFound, StationPart } from "../../core/care/stationChecks";

/** Where lifting is done: racks, benches, platforms, open floor. */
export const stations = pgTable(
  "stations",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    kind: text().$type<StationKind>().notNull(),
    /** Name of the place where bars hang nearest. */
    nearPlace: text(),
    /** Between the contact points of the two J-cups. */
    supportSpacingMm: doublePrecision(),
    holePitchMm: doublePrecision(),
    firstHoleMm: doublePrecision(),
    /** The most it may hold, bar and plates, by the least of rack, J-cups, safeties and bench. */
    ratedKg: doublePrecision(),
    jCupPairs: integer().notNull().default(0),
    /** Hole numbers in which the pairs sit, one for each that is in the uprights. */
    jCupHoles: integer().array(),
    /** Why nobody lifts there until it is put right; null where it is sound. */
    outOfUse: text(),
    /** Where it stands on the floor sketch, in thousandths of its width and height. */
    planX: integer(),
    planY: integer(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("stations_kind", sql`${t.kind} in ('rack', 'bench', 'platform', 'floor')`),
  ],
);

/** A look at what holds a station together: bolts, pins, liners; the latest of each says when it is due again. */
export const stationChecks = pgTable(
  "station_checks",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    stationId: uuid().notNull(),
    part: text().$type<StationPart>().notNull(),
    found: text().$type<StationFound>().notNull(),
    note: text(),
    doneOn: date({ mode: "string" }).notNull(),
    personId: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull(),
  },
  (t) => [
    index().on(t.hallId, t.stationId, t.part, t.doneOn),
    foreignKey({ columns: [t.hallId, t.stationId], foreignColumns: [stations.hallId, stations.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("station_checks_part", sql`${t.part} in ('bolts', 'pins', 'liners', 'pads')`),
    check("station_checks_found", sql`${t.found} in ('sound', 'worn', 'loose', 'cracked', 'missing')`),
  ],
);
