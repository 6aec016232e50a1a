#!/usr/bin/env node
/*
 * npm run restore [-- FILE] [-- --yes] [-- --as-it-was]: puts a backup back, the newest one when none is named. What is
 * in the database is backed up first and then replaced, all in one transaction; a backup of an older version is brought
 * to this one, or with --as-it-was left for the older version to run on.
 */
import { existsSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import { createInterface } from "node:readline/promises";
import { fileURLToPath } from "node:url";
import { backupDatabase, newestBackup } from "./lib/backup.mjs";
import { openCluster } from "./lib/cluster.mjs";
import { asAppRole, configuredUrl, databaseCommands } from "./lib/database.mjs";
import { homeOf } from "./lib/home.mjs";
import { migrationsIn, replaceWith, runningPrograms } from "./lib/restore.mjs";
import { Failure, main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const named = process.argv.slice(2).find((word) => !word.startsWith("--"));
const isSure = process.argv.includes("--yes");
/** For going back to the version that made the backup: its schema is left as that version knows it. */
const isAsItWas = process.argv.includes("--as-it-was");

await main(async () => {
  const home = homeOf(root);
  const folder = process.env.BACKUP_FOLDER || join(home, "backups");
  const path = named ? resolve(named) : newestBackup(folder);
  if (!path) throw new Failure("There is no backup to restore. Make one with: npm run backup");
  if (!existsSync(path)) throw new Failure(`There is no backup at ${path}.`);
  const cluster = await openCluster(home);
  try {
    const url = configuredUrl(home);
    const stands = await databaseCommands(root, url, "known", "pending");
    const known = JSON.parse(stands.known);
    const made = await migrationsIn(path);
    if (made.some((hash, i) => hash !== known[i]))
      throw new Failure(
        `${path} was made by another version of Garrison than this one can read. Restore it with that version.`,
      );
    const running = await runningPrograms(url);
    if (running > 0)
      throw new Failure("Garrison is running on this database. Stop it first, every copy of it, then restore.");
    if (!isSure) await ask(`Replace everything in the database with ${path}?`);
    const { hasData } = JSON.parse(stands.pending);
    if (hasData) say(`What was there is kept in ${await backupDatabase(url, folder)}`);
    await replaceWith(url, path);
    if (isAsItWas) {
      say(`Restored from ${path}, as it was. Start it with the version that made it; this one would upgrade it again.`);
      return;
    }
    await databaseCommands(root, url, "migrate");
    // The role's rights go with the tables that were replaced.
    if (!process.env.DATABASE_URL) await asAppRole(root, url, home);
    await noteRestored(url, basename(path));
    say(`Restored from ${path}`);
  } finally {
    await cluster.close();
  }
});

/** A line in the account of every gym that the backup holds: its owner sees that somebody put it back. */
async function noteRestored(url, file) {
  const { default: pg } = await import("pg");
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(
      "insert into account_log (hall_id, kind, subject, agent) select id, 'restored', $1, 'npm run restore' from halls",
      [file],
    );
  } finally {
    await client.end();
  }
}

async function ask(question) {
  if (!process.stdin.isTTY) throw new Failure(`${question} Say so with: npm run restore -- FILE --yes`);
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await lines.question(`${question} Type yes: `);
  lines.close();
  if (answer.trim().toLowerCase() !== "yes") throw new Failure("Nothing was changed.");
}
