import { sql } from "drizzle-orm";
import { check, doublePrecision, integer, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import { hallId } from "./hall";
import type { StationKind } from "../../core/classes/stationSuits";

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
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("stations_kind", sql`${t.kind} in ('rack', 'bench', 'platform', 'floor')`),
  ],
);
