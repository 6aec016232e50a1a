import { sql } from "drizzle-orm";
import {
  check,
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
import type { RunState } from "@/core/loading/run/runState";
import { bars } from "./bars";
import { hallId, people } from "./hall";
import type { RunStep, SteppedRun } from "../../core/loading/run/runStep";

/** A session on one bar while it is lifted. The state follows from the plan and the steps, and is kept beside them. */
export const runs = pgTable(
  "runs",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    barId: uuid().notNull(),
    stationKey: text(),
    clampKey: text(),
    liftKey: text(),
    /** Lifters of the hall by the name they stand under here, so that an erased one can be taken out. */
    lifterIds: jsonb().$type<Record<string, string>>().notNull().default({}),
    /** Where the plan was made: the address of the session page, to come back to. */
    planAddress: text().notNull(),
    state: jsonb().$type<RunState>().notNull(),
    /** Counts steps that changed something. */
    seq: integer().notNull().default(0),
    startedBy: uuid().notNull(),
    startedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    endedAt: timestamp({ withTimezone: true }),
  },
  (t) => [
    unique().on(t.hallId, t.id),
    index().on(t.hallId, t.endedAt, t.startedAt),
    // One session a bar, whatever several tablets ask at once.
    uniqueIndex("runs_one_a_bar")
      .on(t.hallId, t.barId)
      .where(sql`${t.endedAt} is null`),
    foreignKey({ columns: [t.hallId, t.barId], foreignColumns: [bars.hallId, bars.id] }),
    foreignKey({ columns: [t.hallId, t.startedBy], foreignColumns: [people.hallId, people.id] }),
  ],
);

/** Everything touched on a run sheet, in the order in which it arrived. */
export const runSteps = pgTable(
  "run_steps",
  {
    id: uuid().primaryKey().defaultRandom(),
    hallId: hallId(),
    runId: uuid().notNull(),
    /** The run's count after it. */
    seq: integer().notNull(),
    kind: text().$type<RunStep["kind"] | "plates">().notNull(),
    setId: text(),
    detail: jsonb(),
    outcome: text().$type<SteppedRun["outcome"]>().notNull(),
    /** What is said of it on the sheet; null where nothing is. */
    notice: text(),
    personId: uuid().notNull(),
    /** When it was touched, by the tablet's clock, and when it arrived. */
    madeAt: timestamp({ withTimezone: true }).notNull(),
    arrivedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [
    index().on(t.hallId, t.runId, t.arrivedAt),
    foreignKey({ columns: [t.hallId, t.runId], foreignColumns: [runs.hallId, runs.id] }),
    foreignKey({ columns: [t.hallId, t.personId], foreignColumns: [people.hallId, people.id] }),
    check("run_steps_outcome", sql`${t.outcome} in ('taken', 'already', 'late', 'unknown')`),
  ],
);
