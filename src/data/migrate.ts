import { createHash } from "node:crypto";
import { sql } from "drizzle-orm";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { drizzle } from "drizzle-orm/node-postgres";
import { Client } from "pg";

const FOLDER = join(process.cwd(), "src/data/migrations");
/** Any fixed number of our own: two processes that migrate at once take turns. */
const LOCK = 720_311;

interface Journal {
  entries: { tag: string }[];
}

/** Hashes of the migrations in a folder, oldest first, as the database keeps them: SHA-256 of each file. */
export function knownMigrations(folder = FOLDER): string[] {
  const { entries } = JSON.parse(readFileSync(join(folder, "meta/_journal.json"), "utf8")) as Journal;
  return entries.map(({ tag }) =>
    createHash("sha256")
      .update(readFileSync(join(folder, `${tag}.sql`)))
      .digest("hex"),
  );
}

/** How many migrations wait, and whether there is anything to lose if one goes wrong. */
export async function pendingMigrations(url: string): Promise<{ pending: number; hasData: boolean }> {
  return withClient(url, async (client) => {
    const known = knownMigrations();
    const table = await client.query("select to_regclass('drizzle.__drizzle_migrations') as name");
    if (table.rows[0].name === null) return { pending: known.length, hasData: false };
    const done = await client.query("select count(*)::int as count from drizzle.__drizzle_migrations");
    return { pending: known.length - done.rows[0].count, hasData: done.rows[0].count > 0 };
  });
}

/** Brings the database to the newest schema. Migrations run under an advisory lock, each in full or not at all. */
export async function migrateDatabase(url: string, folder = FOLDER): Promise<void> {
  await withClient(url, async (client) => {
    const db = drizzle(client);
    await db.execute(sql`select pg_advisory_lock(${LOCK})`);
    try {
      await migrate(db, { migrationsFolder: folder });
    } finally {
      await db.execute(sql`select pg_advisory_unlock(${LOCK})`);
    }
  });
}

async function withClient<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
