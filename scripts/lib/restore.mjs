import { mkdtempSync, rmSync, writeFileSync, createWriteStream } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { spawn } from "node:child_process";
import { once } from "node:events";
import { clientBin, databaseEnv } from "./backup.mjs";
import { cleanEnv, run } from "./run.mjs";
import { Failure } from "./say.mjs";

/** Tables that every backup of ours has, whatever its version. */
const OURS = ["public halls", "public bars", "public people", "drizzle __drizzle_migrations"];

/**
 * The migrations that a backup was made after, as their hashes, oldest first.
 * @throws Failure when the file is no backup of Garrison's.
 */
export async function migrationsIn(path) {
  const bin = clientBin("Restoring");
  const listed = await run(join(bin, "pg_restore"), ["-l", path], { capture: true, allowFailure: true });
  const tables = new Set([...listed.printed.matchAll(/^\d+; \d+ \d+ TABLE (\S+ \S+)/gm)].map(([, name]) => name));
  if (listed.code !== 0 || OURS.some((name) => !tables.has(name)))
    throw new Failure(`${path} is no backup of Garrison. Nothing was changed.`);
  const { printed } = await run(
    join(bin, "pg_restore"),
    ["--data-only", "-n", "drizzle", "-t", "__drizzle_migrations", "-f", "-", path],
    { capture: true, what: "reading the backup's version" },
  );
  return [...printed.matchAll(/^(\d+)\t([0-9a-f]{64})\t\d+$/gm)]
    .sort(([, a], [, b]) => Number(a) - Number(b))
    .map(([, , hash]) => hash);
}

/** How many copies of the program have a connection to a database. */
export async function runningPrograms(url) {
  const { default: pg } = await import("pg");
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query(
      "select count(*)::int as n from pg_stat_activity where datname = current_database() and application_name = 'garrison' and pid <> pg_backend_pid()",
    );
    return rows[0].n;
  } finally {
    await client.end();
  }
}

/** Empties the schema and puts a backup in its place, in one transaction: all of it, or all stays as it was. */
export async function replaceWith(url, path) {
  const bin = clientBin("Restoring");
  const folder = mkdtempSync(join(tmpdir(), "garrison-restore-"));
  try {
    const before = join(folder, "before.sql");
    const script = join(folder, "backup.sql");
    writeFileSync(
      before,
      "drop schema if exists public cascade;\ndrop schema if exists drizzle cascade;\ncreate schema public;\n",
    );
    await toFile(join(bin, "pg_restore"), ["--no-owner", "--no-privileges", "-f", "-", path], script);
    await run(
      join(bin, "psql"),
      ["-X", "-q", "--single-transaction", "-v", "ON_ERROR_STOP=1", "-o", "/dev/null", "-f", before, "-f", script],
      { env: databaseEnv(url), capture: true, what: "restoring" },
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What a command prints goes to a file that only its owner may read; a backup may be larger than a text can be. */
async function toFile(command, args, path) {
  const child = spawn(command, args, { env: cleanEnv(), stdio: ["ignore", "pipe", "pipe"] });
  let complaint = "";
  child.stderr.on("data", (chunk) => (complaint += chunk));
  const file = createWriteStream(path, { mode: 0o600 });
  child.stdout.pipe(file);
  const [[code]] = await Promise.all([once(child, "close"), once(file, "close")]);
  if (code !== 0) throw new Failure(`pg_restore failed (exit ${code}).\n${complaint.slice(-1000)}`);
}
