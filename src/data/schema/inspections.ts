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
  uuid,
} from "drizzle-orm/pg-core";
import type { InspectionFacts } from "@/core/care/inspection";
import type { IncidentKind } from "../../core/care/incident";
import { bars } from "./bars";
import { bytes } from "./bytes";
import { hallId, people } from "./hall";
import type { Zone } from "../../core/wear/zones";
import type { InspectionVerdict } from "../../core/care/inspection";

/** What hastens or slows care on one bar, where somebody set it or saw it. */
export const barCare = pgTable(
  "bar_care",
  {
    hallId: hallId(),
    barId: uuid().notNull(),
    /** Set by somebody in place of what is worked out; null for that. */
    useFactor: doublePrecision(),
    finishFactor: doublePrecision(),
    /** Seen with chalk in the knurl on that day and not brushed since. */
    chalkSeenOn: date({ mode: "string" }),
    /** Somebody last said on that day what was to be seen on it. */
    lookedOn: date({ mode: "string" }),
    version: integer().notNull().default(1),
  },
  (t) => [
    primaryKey({ columns: [t.barId] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    check(
      "bar_care_factors",
      sql`coalesce(${t.useFactor}, 1) between 0.1 and 10 and coalesce(${t.finishFactor}, 1) between 0.1 and 10`,
    ),
  ],
);

/** A bar looked at closely: what was found, what the rule says, what was decided and why. */
export const inspections = pgTable(
  "inspections",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    personId: uuid().notNull(),
    inspectedOn: date({ mode: "string" }).notNull(),
    facts: jsonb().$type<InspectionFacts>().notNull(),
    tirMm: doublePrecision(),
    bendAtDeg: doublePrecision(),
    /** By the rule. */
    suggested: text().$type<InspectionVerdict>().notNull(),
    decided: text().$type<InspectionVerdict>().notNull(),
    reason: text(),
    enteredAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.barId, t.inspectedOn),
    check("inspections_decided", sql`${t.decided} in ('keep', 'watch', 'quarantine', 'retire')`),
    check("inspections_override", sql`${t.suggested} = ${t.decided} or ${t.reason} is not null`),
  ],
);

/** Something wrong that somebody saw, with a photo perhaps; open until somebody settles it. */
export const careFindings = pgTable(
  "care_findings",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    note: text().notNull(),
    /** On which part of the bar; null where nobody said. */
    zone: text().$type<Zone>(),
    photo: bytes(),
    photoType: text(),
    foundBy: uuid().notNull(),
    foundAt: timestamp({ withTimezone: true }).notNull(),
    settledAt: timestamp({ withTimezone: true }),
    settledBy: uuid(),
    settledNote: text(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.foundBy], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.barId, t.foundAt),
    index().on(t.hallId, t.settledAt, t.foundAt),
    check(
      "care_findings_photo",
      sql`(${t.photo} is null) = (${t.photoType} is null) and coalesce(octet_length(${t.photo}), 0) <= 5242880`,
    ),
    check(
      "care_findings_zone",
      sql`${t.zone} in ('left-sleeve', 'left-collar', 'left-knurl', 'middle', 'right-knurl', 'right-collar', 'right-sleeve')`,
    ),
    check("care_findings_settled", sql`(${t.settledAt} is null) = (${t.settledBy} is null)`),
  ],
);

/** What happened with a bar: somebody was hurt, it fell, or nearly. For the manager to read. */
export const incidents = pgTable(
  "incidents",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    kind: text().$type<IncidentKind>().notNull(),
    /** What happened, in words. */
    note: text().notNull(),
    /** How the bar was set and where, as it was said. */
    setup: text(),
    loadKg: doublePrecision(),
    photo: bytes(),
    photoType: text(),
    happenedAt: timestamp({ withTimezone: true }).notNull(),
    personId: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    index().on(t.hallId, t.happenedAt),
    index().on(t.hallId, t.barId, t.happenedAt),
    check("incidents_kind", sql`${t.kind} in ('hurt', 'dropped', 'near-miss')`),
    check(
      "incidents_photo",
      sql`(${t.photo} is null) = (${t.photoType} is null) and coalesce(octet_length(${t.photo}), 0) <= 5242880`,
    ),
  ],
);
