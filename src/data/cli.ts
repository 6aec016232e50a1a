/*
 * What the scripts ask of the database: `pending`, `known`, `migrate`, `grant`, `demo`, `fresh-demo`, `gym`, `claim`,
 * `owner`, `doors`, `halls`.
 * Answers on standard output, a line a command.
 */
import { grantAppRole } from "./appRole";
import { openDatabase } from "./client";
import { emptyDatabase, hasHall, loadDemo } from "./demo/loadDemo";
import { readGymFacts } from "./gymFacts";
import { knownMigrations, migrateDatabase, pendingMigrations } from "./migrate";
import { doorsOf, newClaim } from "./claims";
import { makeOwner } from "./owner";
import { makeEmptyHall } from "./newHall";

const url = process.env.DATABASE_URL;
const now = () => new Date(Date.now() + Number(process.env.GARRISON_CLOCK_OFFSET_MS ?? 0));

const commands: Record<string, (url: string) => Promise<string>> = {
  pending: async (at) => JSON.stringify(await pendingMigrations(at)),
  /** Hashes of the migrations that this version knows, oldest first. */
  known: async () => JSON.stringify(knownMigrations()),
  migrate: async (at) => {
    await migrateDatabase(at);
    return "migrated";
  },
  /** Lets the role of APP_ROLE, with APP_PASSWORD, do what the program does from day to day. */
  grant: async (at) => {
    const { APP_ROLE: role, APP_PASSWORD: password } = process.env;
    if (!role || !password) throw new Error("APP_ROLE and APP_PASSWORD are not set.");
    await grantAppRole(at, role, password);
    return role;
  },
  demo: (at) =>
    withDatabase(at, async (db) => {
      if (await hasHall(db)) return "kept";
      await loadDemo(db, now());
      return "loaded";
    }),
  "fresh-demo": (at) =>
    withDatabase(at, async (db) => {
      await emptyDatabase(db);
      await loadDemo(db, now());
      return "loaded";
    }),
  /** A gym's own empty hall, made once where its name is known. */
  gym: (at) =>
    withDatabase(at, async (db) => {
      // Without a name for it, its owner names it where they claim it.
      if ((await hasHall(db)) || !process.env.GYM_NAME) return "kept";
      const facts = readGymFacts(process.env);
      await makeEmptyHall(db, facts);
      return `made ${facts.name}`;
    }),
  /** The one-time address's token while nobody owns the gym; the one before counts no more. */
  claim: (at) => withDatabase(at, async (db) => (await newClaim(db, now())) ?? "claimed"),
  /** Makes an owner, or gives one a new passphrase: OWNER_NAME, OWNER_PASSPHRASE, OWNER_GYM. */
  owner: (at) => withDatabase(at, (db) => makeOwner(db, process.env, now())),
  /** How many sign in here, and whether it is a demonstration. */
  doors: (at) => withDatabase(at, async (db) => JSON.stringify(await doorsOf(db))),
  halls: (at) => withDatabase(at, async (db) => String(await hasHall(db))),
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
