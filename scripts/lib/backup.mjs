import {
  existsSync,
  mkdirSync,
  openSync,
  closeSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  copyFileSync,
  chmodSync,
} from "node:fs";
import { basename, join } from "node:path";
import { postgresBin } from "./machine.mjs";
import { cleanEnv, run } from "./run.mjs";
import { Failure } from "./say.mjs";

const SUFFIX = ".dump";

/** How PostgreSQL's programs are told of a database: by the environment, so that no password stands in a process list. */
export function databaseEnv(url) {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  return cleanEnv({
    PGHOST: hostname,
    PGPORT: port || "5432",
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
    ...(searchParams.get("sslmode") ? { PGSSLMODE: searchParams.get("sslmode") } : {}),
  });
}

/** The folder of PostgreSQL's client programs; stops with the line to type when there is none. */
export function clientBin(what) {
  const bin = postgresBin("pg_dump");
  if (!bin)
    throw new Failure(`${what} needs PostgreSQL's programs. Install them with: apt-get install -y postgresql-client`);
  return bin;
}

/**
 * Writes a backup that only its owner may read, whole or not at all, and answers its path. A dump that cannot be read
 * back counts as failed.
 */
export async function backupDatabase(url, folder, now = new Date()) {
  const bin = clientBin("A backup");
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, `garrison-${now.toISOString().replace(/[:.]/g, "-")}${SUFFIX}`);
  const making = `${path}.making`;
  try {
    closeSync(openSync(making, "wx", 0o600));
    await run(
      join(bin, "pg_dump"),
      ["-Fc", "--no-owner", "--no-privileges", "--lock-wait-timeout=60000", "-f", making],
      {
        env: databaseEnv(url),
        capture: true,
        what: "pg_dump",
      },
    );
    await run(join(bin, "pg_restore"), ["-l", making], { capture: true, what: "reading the backup back" });
    renameSync(making, path);
  } catch (error) {
    rmSync(making, { force: true });
    throw error;
  }
  return path;
}

/** Copies a backup into a second folder, whole or not at all. */
export function copyBackup(path, folder) {
  const copy = join(folder, basename(path));
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    copyFileSync(path, `${copy}.making`);
    chmodSync(`${copy}.making`, 0o600);
    renameSync(`${copy}.making`, copy);
  } catch (error) {
    try {
      rmSync(`${copy}.making`, { force: true });
    } catch {
      // A folder that is none has nothing to take away; why the copy failed is what counts.
    }
    throw new Failure(`The copy in ${folder} failed: ${error.message}`);
  }
  return copy;
}

/** Backups of a folder, oldest first. */
export function listBackups(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((file) => /^garrison-.*\.dump$/.test(file))
    .sort()
    .map((file) => join(folder, file));
}

/** The newest backup in a folder, or null. */
export const newestBackup = (folder) => listBackups(folder).at(-1) ?? null;

/** Removes backups of a folder that are older than some days, never the newest; answers how many. */
export function removeOldBackups(folder, keepDays, now = new Date()) {
  const old = listBackups(folder)
    .slice(0, -1)
    .filter((path) => now.getTime() - statSync(path).mtimeMs > keepDays * 86_400_000);
  for (const path of old) rmSync(path);
  return old.length;
}
