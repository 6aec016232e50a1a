import { existsSync, mkdirSync, readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { postgresBin } from "./machine.mjs";
import { cleanEnv, run } from "./run.mjs";
import { Failure, say } from "./say.mjs";

/** Runs commands of src/data/cli.ts against a database; answers what they printed, by command. */
export async function databaseCommands(root, url, ...commands) {
  const { printed } = await run(process.execPath, ["--import", "tsx", "src/data/cli.ts", ...commands], {
    cwd: root,
    env: cleanEnv({ DATABASE_URL: url }),
    capture: true,
    what: `preparing the database (${commands.join(", ")})`,
  });
  return Object.fromEntries(
    printed
      .trim()
      .split("\n")
      .map((line) => line.split(/: (.*)/s).slice(0, 2)),
  );
}

/** Migrates, after a backup when there is something to lose. */
export async function migrateSafely(root, url, backups) {
  const { pending, hasData } = JSON.parse((await databaseCommands(root, url, "pending")).pending);
  if (pending === 0) return;
  if (hasData) say(`Backed up to ${await backupDatabase(url, backups)} before ${pending} migration(s).`);
  await databaseCommands(root, url, "migrate");
}

/** Writes a backup and answers its path. */
export async function backupDatabase(url, folder) {
  const bin = postgresBin();
  if (!bin) throw new Failure("A backup needs pg_dump. Install it with: apt-get install -y postgresql-client");
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `garrison-${new Date().toISOString().replace(/[:.]/g, "-")}.dump`);
  await run(join(bin, "pg_dump"), ["-Fc", "--no-owner", "-f", path, "-d", url], { capture: true, what: "pg_dump" });
  return path;
}

/** Puts a backup back: what is in the database now is replaced, in one transaction. */
export async function restoreDatabase(url, path) {
  if (!existsSync(path)) throw new Failure(`There is no backup at ${path}.`);
  const bin = postgresBin();
  if (!bin) throw new Failure("Restoring needs pg_restore. Install it with: apt-get install -y postgresql-client");
  await run(
    join(bin, "pg_restore"),
    ["--clean", "--if-exists", "--no-owner", "--single-transaction", "-d", url, path],
    {
      capture: true,
      what: "pg_restore",
    },
  );
}

/** The newest backup in a folder, or null. */
export function newestBackup(folder) {
  if (!existsSync(folder)) return null;
  const name = readdirSync(folder)
    .filter((file) => file.endsWith(".dump"))
    .sort()
    .at(-1);
  return name ? join(folder, name) : null;
}

/** The database to work on: DATABASE_URL, else the one of the demo, which must be running. */
export function configuredUrl(root) {
  if (process.env.DATABASE_URL) return process.env.DATABASE_URL;
  const file = join(root, ".data/database-url");
  if (!existsSync(file)) throw new Failure("No database yet. Start the product once with: npm run demo");
  return readFileSync(file, "utf8").trim();
}
