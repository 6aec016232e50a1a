import { openDatabase, type Database } from "./client";

let opened: ReturnType<typeof openDatabase> | undefined;

/** The database of the tests, opened at first use with the waits of the program. */
export function testDatabase(): Database {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("These tests need a database: npm run test:data");
  opened ??= openDatabase(url, {
    databasePoolSize: 10,
    databaseWaitMs: 30_000,
    statementTimeoutMs: 60_000,
    lockTimeoutMs: 30_000,
  });
  return opened.db;
}
