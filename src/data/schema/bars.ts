import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  numeric,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { FAMILIES, FAMILY_ALSO_CALLED, FAMILY_KEYS } from "../../core/bars/families";
import { hallId, people } from "./hall";
import type {
  Alloy,
  BarState,
  CentreKnurl,
  Finish,
  Knurl,
  RatingBasis,
  RingMarks,
  SleeveRotation,
} from "../../core/bars/bar";
import type { FamilyKey } from "../../core/bars/families";
import type { QuantityKind } from "../../core/bars/quantities";
import type { PlaceKind, StoredBar } from "../../core/setups/storage";
import type { Unit } from "../../core/units/typedQuantity";

/** A family by its key, its name and what else people call it. */
const calledOf = (key: FamilyKey) =>
  [FAMILIES[key].name, ...(FAMILY_ALSO_CALLED[key] ?? [])].join(" ").replaceAll("'", "''");

/** Everything of a bar that a search looks at, in small letters; families also by their names, as people say them. */
const SAID = sql.raw(
  `lower(tag || ' ' || name || ' ' || family || ' ' || case family ${FAMILY_KEYS.map((key) => `when '${key}' then '${calledOf(key)}'`).join(" ")} else '' end || ' ' || state${["finish", "sleeve_rotation", "supplier", "batch"].map((column) => ` || ' ' || coalesce(${column}, '')`).join("")})`,
);

/** Where bars hang, in the order a round passes them. */
export const places = pgTable(
  "places",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    name: text().notNull(),
    roundOrder: integer().notNull(),
    kind: text().$type<PlaceKind>().notNull().default("wall-horizontal"),
    /** Pegs, hooks or tubes. */
    slots: integer(),
    /** Longest bar it takes. */
    lengthMm: doublePrecision(),
    heightMm: doublePrecision(),
    /** Free room in front. */
    reachMm: doublePrecision(),
    isByWalkway: boolean(),
    /** Short name of the rack whose spare J-cups store bars. */
    stationKey: text(),
    /** Short name of the sensor that reads its air; null for the hall's first. */
    sensorKey: text(),
    /** Where it stands on the floor sketch, in thousandths of its width and height. */
    planX: integer(),
    planY: integer(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.name),
    check("places_kind", sql`${t.kind} in ('wall-horizontal', 'wall-vertical', 'rack', 'floor')`),
  ],
);

/**
 * One real bar. Ids never change, tags may. What is measured is kept reading by reading in `bar_measurements`,
 * what a seller states in `bar_quantities`; the columns at the end are the effective values, for lists.
 */
export const bars = pgTable(
  "bars",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    tag: text().notNull(),
    name: text().notNull(),
    family: text().$type<FamilyKey>().notNull(),
    state: text().$type<BarState>().notNull(),
    stateReason: text(),
    knownSince: date({ mode: "string" }).notNull(),
    placeId: uuid(),
    supplier: text(),
    batch: text(),
    boughtOn: date({ mode: "string" }),
    priceMinor: integer(),
    priceCurrency: text(),
    stock: text(),
    chartVersion: text(),
    warrantyUntil: date({ mode: "string" }),
    doesOpeningVoidWarranty: boolean(),
    hangsHow: text(),
    sticksOut: text(),
    placeSlot: integer(),
    hangsWay: text().$type<StoredBar["hangsWay"] & string>(),
    handlesPoint: text().$type<StoredBar["handlesPoint"] & string>(),
    sticksOutMm: doublePrecision(),
    swingMm: doublePrecision(),
    paintMarks: text().array(),
    looseParts: text().array(),
    alloy: text().$type<Alloy>(),
    elasticModulusGPa: doublePrecision("elastic_modulus_gpa"),
    tensileMPa: doublePrecision("tensile_mpa"),
    yieldMPa: doublePrecision("yield_mpa"),
    hardness: text(),
    finish: text().$type<Finish>(),
    sleeveFinish: text().$type<Finish>(),
    areSleevesGrooved: boolean(),
    knurl: text().$type<Knurl>(),
    knurlShape: text(),
    centreKnurl: text().$type<CentreKnurl>(),
    ringMarks: text().$type<RingMarks>(),
    plainGapMm: doublePrecision(),
    sleeveRotation: text().$type<SleeveRotation>(),
    bearingsPerSide: integer(),
    sleeveRetention: text(),
    camberMotion: text(),
    areHandlesRemovable: boolean(),
    staysByItself: boolean(),
    padding: text(),
    padShape: text(),
    handleShape: text(),
    sleeveService: text(),
    expectedOn: date({ mode: "string" }),
    savingMinor: integer(),
    gripOptions: text().array(),
    canBeRacked: boolean(),
    ratingValue: numeric(),
    ratingUnit: text().$type<Unit>(),
    ratingKg: doublePrecision(),
    ratingBasis: text().$type<RatingBasis>(),
    hardLimitValue: numeric(),
    hardLimitUnit: text().$type<Unit>(),
    hardLimitKg: doublePrecision(),
    note: text(),
    massKg: doublePrecision(),
    shaftDiameterMm: doublePrecision(),
    shaftLengthMm: doublePrecision(),
    seatToSeatMm: doublePrecision(),
    ratedTotalKg: doublePrecision(),
    said: text().generatedAlwaysAs(SAID),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    uniqueIndex("bars_tag_in_use")
      .on(t.hallId, t.tag)
      .where(sql`${t.state} <> 'retired'`),
    index().on(t.hallId, t.tag, t.id),
    index().on(t.hallId, t.massKg, t.id),
    index().on(t.hallId, t.shaftDiameterMm, t.id),
    index().on(t.hallId, t.seatToSeatMm, t.id),
    index().on(t.hallId, t.family, t.tag),
    index().on(t.hallId, t.state, t.tag),
    index().on(t.hallId, t.name, t.id),
    foreignKey({ columns: [t.hallId, t.placeId], foreignColumns: [places.hallId, places.id] }),
    check("bars_state", sql`${t.state} in ('in-service', 'watch', 'quarantined', 'retired', 'on-order')`),
    check("bars_tag", sql`length(${t.tag}) between 1 and 12`),
    check("bars_rating", sql`(${t.ratingKg} is null) = (${t.ratingBasis} is null)`),
  ],
);

/** One quantity of one bar: what is stated as typed, and the effective value with its source. */
export const barQuantities = pgTable(
  "bar_quantities",
  {
    hallId: hallId(),
    barId: uuid().notNull(),
    kind: text().$type<QuantityKind>().notNull(),
    statedValue: numeric(),
    statedUnit: text().$type<Unit>(),
    stated: doublePrecision(),
    effective: doublePrecision().notNull(),
    source: text().$type<"measured" | "stated">().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.barId, t.kind] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    index().on(t.hallId, t.kind, t.effective, t.barId),
    check("bar_quantities_source", sql`${t.source} in ('measured', 'stated')`),
    check("bar_quantities_stated", sql`(${t.statedValue} is null) = (${t.statedUnit} is null)`),
  ],
);

/** The readings of one quantity on one occasion, as typed and converted; taken back, they stay and no longer count. */
export const barMeasurements = pgTable(
  "bar_measurements",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    kind: text().$type<QuantityKind>().notNull(),
    measuredAt: timestamp({ withTimezone: true }).notNull(),
    personId: uuid().notNull(),
    instrument: text().notNull(),
    typedValues: numeric().array().notNull(),
    typedUnit: text().$type<Unit>().notNull(),
    readings: doublePrecision().array().notNull(),
    /** Made by a simulated instrument; marked so for ever. */
    isSimulated: boolean().notNull().default(false),
    /** Whether it counts as measured: a simulated one does in a demonstration only. */
    counts: boolean().notNull().default(true),
    undoneAt: timestamp({ withTimezone: true }),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.barId, t.kind, t.measuredAt),
    check(
      "bar_measurements_readings",
      sql`cardinality(${t.readings}) between 1 and 6 and cardinality(${t.typedValues}) = cardinality(${t.readings})`,
    ),
  ],
);
