import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { Client, Pool, type PoolConfig } from "pg";
import { environment } from "./environment";
import { log } from "./log";
import { withoutNul } from "./possibleValues";
import * as schema from "./schema";
import { unavailableNoter } from "./unavailable";

export type Database = NodePgDatabase<typeof schema>;

/** How long things may take; see `Environment`. */
export interface DatabaseLimits {
  databasePoolSize: number;
  databaseWaitMs: number;
  statementTimeoutMs: number;
  lockTimeoutMs: number;
}

/** A transaction in which nothing happens for so long is ended, so that its locks do not stay. */
const IDLE_IN_TRANSACTION_MS = 30_000;

/** Under this name our connections are known to the database, so that a restore can see whether the program runs. */
export const APPLICATION_NAME = "garrison";

/** One pool a process, kept across the development server's reloads. */
const held = globalThis as typeof globalThis & { garrisonDatabase?: { db: Database; pool: Pool } };

/** The database of this process. Opened at first use, so that a build needs none. Only the edge may ask for it. */
export function database(): Database {
  return opened().db;
}

/** Whether the database answers; for `/readyz`. */
export async function databaseAnswers(): Promise<boolean> {
  return opened()
    .pool.query("select 1")
    .then(
      () => true,
      () => false,
    );
}

/** Ends this process's connections once what runs on them is done. */
export async function closeDatabase(): Promise<void> {
  const { garrisonDatabase } = held;
  delete held.garrisonDatabase;
  await garrisonDatabase?.pool.end();
}

function opened(): { db: Database; pool: Pool } {
  return (held.garrisonDatabase ??= openDatabase(environment().databaseUrl, environment()));
}

/**
 * Opens a pool of its own; the caller ends it. With limits every wait is bounded: for a connection, for a statement,
 * for a lock. A connection that was lost is replaced by the next that is asked for.
 */
export function openDatabase(url: string, limits?: DatabaseLimits): { db: Database; pool: Pool } {
  const bounds: PoolConfig = limits
    ? {
        max: limits.databasePoolSize,
        connectionTimeoutMillis: limits.databaseWaitMs,
        statement_timeout: limits.statementTimeoutMs,
        lock_timeout: limits.lockTimeoutMs,
        idle_in_transaction_session_timeout: IDLE_IN_TRANSACTION_MS,
        keepAlive: true,
      }
    : { max: 10 };
  const pool = new NotingPool({
    connectionString: url,
    application_name: APPLICATION_NAME,
    Client: NotingClient,
    ...bounds,
  });
  // A connection that dies while idle must not take the process with it; the next query says what is wrong.
  pool.on("error", (error) => log().warn({ err: error }, "database connection lost"));
  return { pool, db: drizzle(pool, { schema, casing: "snake_case" }) };
}

type Told = (error: Error | null | undefined, ...rest: unknown[]) => void;

/** Calls with a promise or with a callback as last argument, and lets errors be looked at on their way. */
function noting(call: (...all: unknown[]) => unknown, args: unknown[]): unknown {
  const note = unavailableNoter();
  const told = args.at(-1);
  if (typeof told === "function")
    return call(...args.slice(0, -1), (error: Error | null | undefined, ...rest: unknown[]) => {
      if (error) note(error);
      (told as Told)(error, ...rest);
    });
  const answer = call(...args);
  if (answer instanceof Promise) answer.catch(note);
  return answer;
}

/** Notes on the request that is being answered when no connection is to be had. */
class NotingPool extends Pool {
  override connect(...args: unknown[]): never {
    return noting((...all) => (super.connect as (...all: unknown[]) => unknown).apply(this, all), args) as never;
  }

  /** A statement that waits for a connection is sent when another request gives one back: this is the one that asks. */
  override query(...args: unknown[]): never {
    return noting((...all) => (super.query as (...all: unknown[]) => unknown).apply(this, all), args) as never;
  }
}

/** Notes the same when a statement or a lock took too long, or the line broke; and sends no text that none can hold. */
class NotingClient extends Client {
  override query(...given: unknown[]): never {
    const args = given.map((one) => (Array.isArray(one) ? one.map(withoutNul) : one));
    return noting((...all) => (super.query as (...all: unknown[]) => unknown).apply(this, all), args) as never;
  }
}
