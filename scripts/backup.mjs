#!/usr/bin/env node
/*
 * npm run backup [-- FOLDER]: writes a dump of the database, a copy into BACKUP_COPY_FOLDER, and a line of it into the
 * database. `--nightly` is what the program's own clock calls: it also removes what is older than BACKUP_KEEP_DAYS, and
 * does nothing while another copy of the program makes one.
 */
import { statSync } from "node:fs";
import { basename, dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { backupDatabase, copyBackup, removeOldBackups } from "./lib/backup.mjs";
import { openCluster } from "./lib/cluster.mjs";
import { configuredUrl } from "./lib/database.mjs";
import { homeOf } from "./lib/home.mjs";
import { Failure, main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const isNightly = process.argv.includes("--nightly");
const named = process.argv.slice(2).find((word) => !word.startsWith("--"));
/** Any fixed number of our own: one backup at a time on a database. */
const LOCK = 720_313;

await main(async () => {
  const home = homeOf(root);
  const folder = named ?? (process.env.BACKUP_FOLDER || join(home, "backups"));
  const cluster = await openCluster(home);
  try {
    await backup(configuredUrl(home), folder);
  } finally {
    await cluster.close();
  }
});

async function backup(url, folder) {
  const { default: pg } = await import("pg");
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const startedAt = new Date();
  const keep = (file, bytes, problem) =>
    client.query("insert into backups (started_at, finished_at, file, bytes, problem) values ($1, $2, $3, $4, $5)", [
      startedAt,
      new Date(),
      file,
      bytes,
      problem,
    ]);
  try {
    const { rows } = await client.query("select pg_try_advisory_lock($1) as mine", [LOCK]);
    if (!rows[0].mine) {
      say("Another backup is being made.");
      return;
    }
    let path;
    try {
      path = await backupDatabase(url, folder, startedAt);
    } catch (error) {
      await keep(null, null, reasonOf(error)).catch(() => {});
      throw error;
    }
    let problem = null;
    if (process.env.BACKUP_COPY_FOLDER)
      try {
        copyBackup(path, process.env.BACKUP_COPY_FOLDER);
      } catch (error) {
        problem = reasonOf(error);
      }
    await keep(basename(path), statSync(path).size, problem);
    const keepDays = Number(process.env.BACKUP_KEEP_DAYS || 14);
    if (isNightly)
      for (const one of [folder, process.env.BACKUP_COPY_FOLDER]) if (one) removeOldBackups(one, keepDays, startedAt);
    say(`Backed up to ${path}`);
    if (problem) throw new Failure(`The backup is good. ${problem}`);
  } finally {
    await client.end();
  }
}

function reasonOf(error) {
  return String(error.message ?? error)
    .split("\n")[0]
    .slice(0, 300);
}
