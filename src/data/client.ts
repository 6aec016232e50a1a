import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { Pool } from "pg";
import * as schema from "./schema";

export type Database = NodePgDatabase<typeof schema>;

/** One pool a process, kept across the development server's reloads. */
const held = globalThis as typeof globalThis & { garrisonDatabase?: { db: Database; pool: Pool } };

/** The database behind DATABASE_URL. Opened at first use, so that a build needs none. */
export function database(): Database {
  held.garrisonDatabase ??= openDatabase(requiredUrl());
  return held.garrisonDatabase.db;
}

/** Opens a pool of its own; the caller ends it. */
export function openDatabase(url: string): { db: Database; pool: Pool } {
  const pool = new Pool({ connectionString: url, max: 10 });
  // A connection that dies while idle must not take the process with it; the next query says what is wrong.
  pool.on("error", (error) => console.error(`database connection lost: ${error.message}`));
  return { pool, db: drizzle(pool, { schema, casing: "snake_case" }) };
}

function requiredUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL is not set. Start the product with: npm run demo");
  return url;
}
