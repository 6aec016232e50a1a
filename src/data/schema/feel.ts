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
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { NoteStage } from "../../core/feel/barNote";
import type { SideMarks } from "../../core/sideview/marks";
import { bars } from "./bars";
import { bytes } from "./bytes";
import { hallId, people } from "./hall";
import { lifters } from "./lifting";

/** How a bar feels to somebody at one of its stages; of one lifter, bar and stage there is one. */
export const barNotes = pgTable(
  "bar_notes",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    /** Whose feel it is; null for somebody of the staff who is no lifter. */
    lifterId: uuid(),
    /** Who wrote it. */
    personId: uuid().notNull(),
    stage: text().$type<NoteStage>().notNull(),
    /** 1 to 5, 5 the best; null where nothing was said. */
    comfort: integer(),
    balance: integer(),
    knurl: integer(),
    noise: integer(),
    wouldUseAgain: boolean(),
    wouldBuyAgain: boolean(),
    words: text(),
    notedOn: date({ mode: "string" }).notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull(),
    version: integer().notNull().default(1),
  },
  (t) => [
    uniqueIndex("bar_notes_of_lifter")
      .on(t.hallId, t.barId, t.lifterId, t.stage)
      .where(sql`${t.lifterId} is not null`),
    uniqueIndex("bar_notes_of_staff")
      .on(t.hallId, t.barId, t.personId, t.stage)
      .where(sql`${t.lifterId} is null`),
    index().on(t.hallId, t.lifterId),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("bar_notes_stage", sql`${t.stage} in ('first-day', 'three-weeks', 'three-months')`),
    ...[t.comfort, t.balance, t.knurl, t.noise].map((score, i) =>
      check(`bar_notes_score_${i + 1}`, sql`${score} between 1 and 5`),
    ),
  ],
);

/** A still from the side with its marks, of one lifter; its picture only where somebody saved it for them. */
export const sideViews = pgTable(
  "side_views",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    lifterId: uuid().notNull(),
    barId: uuid(),
    liftKey: text().notNull(),
    /** How the bar was set, in words. */
    setting: text().notNull().default(""),
    loadKg: doublePrecision().notNull(),
    takenOn: date({ mode: "string" }).notNull(),
    marks: jsonb().$type<SideMarks>().notNull(),
    photo: bytes(),
    photoType: text(),
    personId: uuid().notNull(),
    enteredAt: timestamp({ withTimezone: true }).notNull(),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    index().on(t.hallId, t.lifterId, t.takenOn),
    foreignKey({ columns: [t.hallId, t.lifterId], foreignColumns: [lifters.hallId, lifters.id] }),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("side_views_load", sql`${t.loadKg} between 0 and 2000`),
    check(
      "side_views_photo",
      sql`(${t.photo} is null) = (${t.photoType} is null) and coalesce(octet_length(${t.photo}), 0) <= 5242880`,
    ),
  ],
);
