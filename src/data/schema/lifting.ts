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
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from "drizzle-orm/pg-core";
import { bars } from "./bars";
import { hallId, people } from "./hall";
import type { Experience, Purpose } from "../../core/matching/lifter";
import type { Lift } from "../../core/matching/lifts";
import type { MeetingSpec } from "../../core/matching/meetingSpec";
import type { Unit } from "../../core/units/typedQuantity";

/** Lifts a hall does; it starts with the usual ones and may add its own. */
export const lifts = pgTable(
  "lifts",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    key: text().notNull(),
    name: text().notNull(),
    listOrder: integer().notNull(),
    speed: text().$type<Lift["speed"]>().notNull(),
    start: text().$type<Lift["start"]>().notNull(),
    ending: text().$type<Lift["ending"]>().notNull(),
    contact: text().$type<Lift["contact"]>().notNull(),
    supportHalfSpacingMm: doublePrecision().notNull(),
    isCentreScraped: boolean().notNull(),
    /** Key of the usual lift that it is judged like. */
    like: text("judged_like").$type<Lift["like"]>().notNull(),
    prerequisite: text(),
    usualKg: doublePrecision().notNull().default(60),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    check("lifts_speed", sql`${t.speed} in ('slow', 'fast')`),
    check("lifts_start", sql`${t.start} in ('floor', 'rack')`),
    check("lifts_ending", sql`${t.ending} in ('racked', 'lowered', 'dropped')`),
    check("lifts_contact", sql`${t.contact} in ('hands', 'back', 'front')`),
  ],
);

/** People who lift. Sizes and notes are private: coaches and the manager read them, nobody else. */
export const lifters = pgTable(
  "lifters",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    personId: uuid(),
    key: text().notNull(),
    name: text().notNull(),
    squad: text(),
    heightMm: doublePrecision(),
    massKg: doublePrecision(),
    trunkLengthMm: doublePrecision(),
    thighLengthMm: doublePrecision(),
    shankLengthMm: doublePrecision(),
    handLengthMm: doublePrecision(),
    experience: text().$type<Experience>().notNull().default("regular"),
    isMinor: boolean(),
    /** Of somebody under age: who consented to what is kept, and when. */
    guardianConsent: text(),
    /** What is not comfortable, and their own words about it. */
    limits: text().array(),
    comfortNote: text(),
    coachNote: text(),
    /** What a set of theirs is usually for. */
    purposes: text().array(),
    /** Keys of what a coach confirmed. */
    confirmed: text().array(),
    /** By lift: the mass as typed. */
    usualLoads: jsonb().$type<Record<string, { value: string; unit: string }>>(),
    meetings: jsonb().$type<{ on: string; rules: string; name: string }[]>(),
    retiredAt: timestamp({ withTimezone: true }),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    unique().on(t.hallId, t.key),
    index().on(t.hallId, t.name),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("lifters_experience", sql`${t.experience} in ('learning', 'regular', 'experienced')`),
  ],
);

/** What one lifter knows of one bar: since when, and how it is set for them. Private like the rest of a lifter. */
export const lifterBars = pgTable(
  "lifter_bars",
  {
    hallId: hallId(),
    lifterId: uuid().notNull(),
    barId: uuid().notNull(),
    firstUsedOn: date({ mode: "string" }).notNull(),
    lastUsedOn: date({ mode: "string" }).notNull(),
    setting: text(),
  },
  (t) => [
    primaryKey({ columns: [t.lifterId, t.barId] }),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    check("lifter_bars_days", sql`${t.firstUsedOn} <= ${t.lastUsedOn}`),
  ],
);

/** What a federation asks of the bar for some lifts; rules of one name belong together. */
export const meetingSpecs = pgTable(
  "meeting_specs",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    rules: text().notNull(),
    source: text().notNull(),
    lifts: text().array().notNull(),
    /** Least and greatest of quantities. */
    ranges: jsonb().$type<Record<string, { least?: number; most?: number }>>().notNull(),
    marks: text().$type<NonNullable<MeetingSpec["marks"]>>(),
    version: integer().notNull().default(1),
  },
  (t) => [unique().on(t.hallId, t.id), index().on(t.hallId, t.rules)],
);

/** A class: an evening's blocks at some stations. */
export const classes = pgTable(
  "classes",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    name: text().notNull(),
    heldOn: date({ mode: "string" }).notNull(),
    startsAt: text().notNull(),
    blockMinutes: integer().notNull(),
    blocks: integer().notNull(),
    /** By station key: how many lifters share it in one block. */
    capacities: jsonb().$type<Record<string, number>>().notNull(),
    /** Who brushes the knurl between heavy attempts; null where nobody was named. */
    brushBy: text(),
    /** The assignment as it was last worked out; null before that and after a change of what was asked. */
    plan: jsonb(),
    version: integer().notNull().default(1),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    index().on(t.hallId, t.heldOn),
    check("classes_blocks", sql`${t.blocks} between 1 and 12 and ${t.blockMinutes} between 5 and 180`),
  ],
);

/** One lifter's lift in a class, and what somebody fixed of it. */
export const classEntries = pgTable(
  "class_entries",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    classId: uuid().notNull(),
    lifterId: uuid().notNull(),
    liftKey: text().notNull(),
    loadValue: numeric().notNull(),
    loadUnit: text().$type<Unit>().notNull(),
    loadKg: doublePrecision().notNull(),
    /** The load follows the log: it is set anew for the bar that the class gives them. */
    followsLog: boolean().notNull().default(false),
    /** Which of a lifter's bars in the same lift, in the order of the evening. */
    bout: integer().notNull().default(1),
    purpose: text().$type<Purpose>().notNull().default("general"),
    lockedBlock: integer(),
    lockedStation: text(),
    lockedBarId: uuid(),
  },
  (t) => [
    foreignKey({ columns: [t.hallId, t.classId], foreignColumns: [classes.hallId, classes.id] }),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.lockedBarId], foreignColumns: [bars.hallId, bars.id] }),
    unique().on(t.hallId, t.classId, t.lifterId, t.liftKey, t.bout),
    check("class_entries_load", sql`${t.loadKg} > 0`),
  ],
);
