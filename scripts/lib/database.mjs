import { randomBytes } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { backupDatabase } from "./backup.mjs";
import { keptSecret } from "./prepare.mjs";
import { cleanEnv, run } from "./run.mjs";
import { Failure, say } from "./say.mjs";

/** The role that the program uses from day to day; it owns nothing. */
const APP_ROLE = "garrison_app";

/** Runs commands of src/data/cli.ts against a database; answers what they printed, by command. */
export async function databaseCommands(root, url, ...commands) {
  return databaseCommandsWith(root, url, {}, ...commands);
}

/** The same with variables beside the database. */
export async function databaseCommandsWith(root, url, env, ...commands) {
  const { printed } = await run(process.execPath, ["--import", "tsx", "src/data/cli.ts", ...commands], {
    cwd: root,
    env: cleanEnv({ DATABASE_URL: url, ...env }),
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
  if (pending < 0)
    throw new Failure(
      "The database was made by a newer version of Garrison. Run that version, or restore a backup from before the upgrade.",
    );
  if (pending === 0) return;
  if (hasData) say(`Backed up to ${await backupDatabase(url, backups)} before ${pending} migration(s).`);
  await databaseCommands(root, url, "migrate");
}

/** Lets the day-to-day role, with a password, do what it needs. */
export const grantTo = (root, ownerUrl, password) =>
  databaseCommandsWith(root, ownerUrl, { APP_ROLE, APP_PASSWORD: password }, "grant");

/**
 * Lets the day-to-day role do what it needs and answers the database as that role reaches it.
 * @param home where its password is kept.
 */
export async function asAppRole(root, ownerUrl, home) {
  const password = keptSecret(home, "app-password", randomBytes(24));
  await grantTo(root, ownerUrl, password);
  const url = new URL(ownerUrl);
  url.username = APP_ROLE;
  url.password = password;
  return url.href;
}

/** The database to work on as its owner: DATABASE_OWNER_URL, DATABASE_URL, else the one that a home's cluster holds. */
export function configuredUrl(home) {
  const given = process.env.DATABASE_OWNER_URL || process.env.DATABASE_URL;
  if (given) return given;
  const file = join(home, "database-url");
  if (!existsSync(file)) throw new Failure("No database yet. Start the product once with: npm start, or npm run demo");
  return readFileSync(file, "utf8").trim();
}
