/* What the scripts ask of the database: `pending`, `migrate`, `demo`, `fresh-demo`. Answers on standard output. */
import { openDatabase } from "./client";
import { emptyDatabase, hasHall, loadDemo } from "./demo/loadDemo";
import { migrateDatabase, pendingMigrations } from "./migrate";

const url = process.env.DATABASE_URL;
const commands: Record<string, (url: string) => Promise<string>> = {
  pending: async (at) => JSON.stringify(await pendingMigrations(at)),
  migrate: async (at) => {
    await migrateDatabase(at);
    return "migrated";
  },
  demo: (at) =>
    withDatabase(at, async (db) => {
      if (await hasHall(db)) return "kept";
      await loadDemo(db, new Date());
      return "loaded";
    }),
  "fresh-demo": (at) =>
    withDatabase(at, async (db) => {
      await emptyDatabase(db);
      await loadDemo(db, new Date());
      return "loaded";
    }),
};

async function withDatabase(at: string, work: (db: ReturnType<typeof openDatabase>["db"]) => Promise<string>) {
  const { db, pool } = openDatabase(at);
  try {
    return await work(db);
  } finally {
    await pool.end();
  }
}

async function main() {
  if (!url) throw new Error("DATABASE_URL is not set.");
  for (const name of process.argv.slice(2)) {
    const command = commands[name];
    if (!command) throw new Error(`unknown command ${name}; known: ${Object.keys(commands).join(", ")}`);
    console.log(`${name}: ${await command(url)}`);
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
