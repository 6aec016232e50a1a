import "server-only";
import type { ClimateClass } from "@/core/care/climateClass";
import { type HallDay, hallDayAt } from "@/core/units/hallDay";
import type { Units } from "@/core/units/shown";
import type { HallDb } from "@/data/hallDb";
import type { Log } from "@/data/log";
import type { Door } from "./door";
import type { Role } from "./permissions";

/** Somebody who asks for something, and the hall they ask in. */
export interface Actor {
  personId: string;
  name: string;
  role: Role;
  hallId: string;
  hallName: string;
  /** IANA name; days are days of this zone. */
  timeZone: string;
  climateClass: ClimateClass;
  /** In which masses are typed where nobody says a unit. */
  massUnit: "kg" | "lb";
  /** In which units this person reads and types: their own choice, else the gym's. */
  units: Units;
  gymLengthUnit: "mm" | "in";
  /** How times are written. */
  locale: string;
  /** ISO 4217 code in which prices are kept. */
  currency: string;
  /** Whether the hall is a demonstration, where simulated instruments count. */
  isDemo: boolean;
}

/** What time it is. Nothing below the edge asks the machine, so that tests can say. */
export interface Clock {
  now(): Date;
  /** The hall's day; the same one throughout a request, also over midnight. */
  readonly today: HallDay;
}

/**
 * Everything that a piece of work needs, made once at the edge and passed on. Below the edge nothing opens a connection:
 * in a transaction `hall` is the transaction's own handle, so whatever is called with the context stays on it and
 * cannot wait for a second connection.
 */
export interface Context {
  actor: Actor;
  /** How they came in. */
  door: Door;
  hall: HallDb;
  clock: Clock;
  /** Whose turn it is where askers take turns: a token, a session, or the place a request came from. */
  asker: string;
  /** Where the request came from, and what the browser calls itself; for the account of who did what. */
  address: string;
  agent: string;
  /** Aborted when nobody waits for the answer any more. */
  signal: AbortSignal;
  log: Log;
  /** What links and codes begin with that are read outside of the program; empty where nobody said. */
  publicUrl: string;
}

/** A clock that reads `now` as the hall's zone does. */
export function clockIn(timeZone: string, now: () => Date): Clock {
  return { now, today: hallDayAt(now(), timeZone) };
}

/**
 * Everything done inside happens, or nothing does. Name the inner context `context` as well: the outer one, whose work
 * would not be part of the transaction, is then out of reach. Within a transaction it is a savepoint of that one.
 */
export async function inTransaction<T>(context: Context, work: (context: Context) => Promise<T>): Promise<T> {
  return await context.hall.transaction((hall) => work({ ...context, hall }));
}
