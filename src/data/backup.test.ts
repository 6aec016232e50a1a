import { execFile } from "node:child_process";
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import type { Client } from "pg";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { removeOldBackups } from "../../scripts/lib/backup.mjs";
import { migrationsIn, replaceWith } from "../../scripts/lib/restore.mjs";
import { inNewDatabase, withClient } from "./database.fixture";
import { knownMigrations, migrateDatabase, pendingMigrations } from "./migrate";

const MIGRATIONS = "src/data/migrations";
const scratch = mkdtempSync(join(tmpdir(), "garrison-backup-"));
let folder = "";
let count = 0;
beforeEach(() => {
  folder = join(scratch, String((count += 1)));
});
afterAll(() => rmSync(scratch, { recursive: true, force: true }));

/** A script as people run it, on one database. */
const npmScript = (url: string, name: string, args: string[], env: Record<string, string> = {}) =>
  promisify(execFile)(process.execPath, [`scripts/${name}.mjs`, ...args], {
    env: { ...process.env, DATABASE_URL: url, BACKUP_FOLDER: folder, GARRISON_HOME: scratch, ...env },
  });
const saysNo = async (call: Promise<unknown>, words: string | RegExp) =>
  await expect(call).rejects.toMatchObject({ stderr: expect.stringMatching(words) as unknown });

/** A hall with a bar, in whatever columns every version of the schema has. */
const fill = (url: string, name: string) =>
  withClient(url, (client) =>
    client.query(
      `with hall as (insert into halls (name, time_zone, climate_class) values ($1, 'UTC', 'dry') returning id)
       insert into bars (hall_id, tag, name, family, state, known_since)
       select id, 'O1', $1, 'power', 'in-service', '2026-01-01' from hall`,
      [name],
    ),
  );
const names = (url: string) =>
  withClient(url, async (client) =>
    (await client.query("select name from bars order by name")).rows.map(({ name }) => name),
  );
const dumps = () => readdirSync(folder).filter((file) => file.endsWith(".dump"));

/** The migrations up to one of them, as the release of that day had them. */
function migrationsUpTo(n: number): string {
  const older = join(scratch, `migrations-${n}`);
  if (existsSync(older)) return older;
  cpSync(MIGRATIONS, older, { recursive: true });
  const journal = join(older, "meta/_journal.json");
  const all = JSON.parse(readFileSync(journal, "utf8")) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.slice(0, n) }));
  return older;
}

describe("a backup", () => {
  it("put back brings everything back as it was and takes away what came after; what was there is kept first", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "kept");
      expect((await npmScript(url, "backup", [])).stdout).toContain("Backed up to");
      await withClient(url, (client) => client.query("update bars set name = 'spoilt'"));
      await fill(url, "later");
      const [file] = dumps();
      expect((await npmScript(url, "restore", [join(folder, file!), "--yes"])).stdout).toMatch(
        /What was there is kept in .*\nRestored from/,
      );
      expect(await names(url)).toEqual(["kept"]);
      // And back again: the newest is what was there before.
      await npmScript(url, "restore", ["--yes"]);
      expect(await names(url)).toEqual(["later", "spoilt"]);
    }));

  it("is the owner's alone, and is written down with its size; a copy goes to a second folder", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "kept");
      const copies = join(folder, "copies");
      await npmScript(url, "backup", [], { BACKUP_COPY_FOLDER: copies });
      const [file] = dumps();
      for (const path of [join(folder, file!), join(copies, file!)]) expect(statSync(path).mode & 0o777).toBe(0o600);
      const { rows } = await withClient(url, (client) =>
        client.query("select file, bytes::int as bytes, problem from backups"),
      );
      expect(rows).toEqual([{ file, bytes: statSync(join(folder, file!)).size, problem: null }]);
    }));

  it("that fails leaves nothing behind but why, and keeps no password where others can read it", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      // A table that somebody holds: pg_dump gives up after its wait, here at once since it may not read it.
      const poor = `poor_${Date.now()}`;
      await withClient(url, async (client) => {
        await client.query(`create role ${poor} login password 'poor-secret'`);
        await client.query(`grant usage on schema public to ${poor}; grant insert on backups to ${poor}`);
      });
      const as = new URL(url);
      as.username = poor;
      as.password = "poor-secret";
      try {
        const failed = await npmScript(as.href, "backup", []).catch((error: { stderr: string }) => error);
        expect(failed.stderr).toMatch(/pg_dump failed/);
        expect(failed.stderr).not.toContain("poor-secret");
        expect(readdirSync(folder)).toEqual([]);
        const { rows } = await withClient(url, (client) => client.query("select file, problem from backups"));
        expect(rows).toEqual([{ file: null, problem: expect.stringMatching(/pg_dump failed/) as unknown }]);
      } finally {
        await withClient(url, (client) => client.query(`drop owned by ${poor}; drop role ${poor}`));
      }
    }));

  it("whose copy fails is good itself, and both are said", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "kept");
      mkdirSync(folder);
      writeFileSync(join(folder, "no-folder"), "");
      await saysNo(
        npmScript(url, "backup", [], { BACKUP_COPY_FOLDER: join(folder, "no-folder") }),
        /The backup is good\. The copy in .* failed/,
      );
      expect(dumps()).toHaveLength(1);
    }));

  it("is kept for some days, the newest for ever", () => {
    mkdirSync(folder);
    const day = (n: number) => new Date(Date.UTC(2026, 2, 20 - n));
    for (const n of [0, 5, 14, 15, 40]) {
      const path = join(folder, `garrison-${day(n).toISOString().replace(/[:.]/g, "-")}.dump`);
      writeFileSync(path, "x");
      utimesSync(path, day(n), day(n));
    }
    writeFileSync(join(folder, "of-somebody-else.dump"), "x");
    expect(removeOldBackups(folder, 14, day(0))).toBe(2);
    expect(dumps()).toHaveLength(4);
    expect(removeOldBackups(folder, 1, new Date("2027-01-01"))).toBe(2);
    expect(dumps()).toHaveLength(2);
  });
});

describe("restoring", () => {
  const all = knownMigrations();
  const pgDump = (url: string, file: string) =>
    promisify(execFile)(`${process.env.PG_BIN ?? "/usr/lib/postgresql/15/bin"}/pg_dump`, [
      ...["-Fc", "--no-owner", "-f", file, "-d", url],
    ]);

  it("brings a backup of every version to the newest schema, with what each version had written", () =>
    inNewDatabase((old) =>
      inNewDatabase(async (url) => {
        await migrateDatabase(url);
        mkdirSync(folder);
        const written: string[] = [];
        for (const n of all.keys()) {
          await migrateDatabase(old, migrationsUpTo(n + 1));
          await fill(old, `of schema ${n + 1}`);
          written.push(`of schema ${n + 1}`);
          // As that release wrote it, without the table of backups that came later.
          const dump = join(folder, `${n + 1}.dump`);
          await pgDump(old, dump);
          await fill(url, "what was there");
          // The script as people run it for the oldest and the newest; what it does with a backup for all between.
          if (n === 0 || n === all.length - 1) await npmScript(url, "restore", [dump, "--yes"]);
          else {
            expect(await migrationsIn(dump)).toEqual(all.slice(0, n + 1));
            await replaceWith(url, dump);
            await migrateDatabase(url);
          }
          expect((await names(url)).sort(), `after ${n + 1} migrations`).toEqual(written.toSorted());
          expect(await pendingMigrations(url), `after ${n + 1} migrations`).toEqual({ pending: 0, hasData: true });
        }
      }),
    ));

  it("as it was leaves an older backup for the version that made it: its data in its schema", () =>
    inNewDatabase(async (old) => {
      const n = all.length - 1;
      await migrateDatabase(old, migrationsUpTo(n));
      await fill(old, "of the older version");
      mkdirSync(folder);
      const dump = join(folder, "old.dump");
      await pgDump(old, dump);
      await inNewDatabase(async (url) => {
        await migrateDatabase(url);
        await fill(url, "written since");
        await npmScript(url, "restore", [dump, "--yes", "--as-it-was"]);
        expect(await names(url)).toEqual(["of the older version"]);
        expect((await pendingMigrations(url)).pending).toBe(1);
        // What was written since is in the backup that was made first.
        expect(dumps().length).toBe(2);
      });
    }));

  it("refuses a dump that is none of ours, one of a newer version, and a file that is no dump; nothing changes", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "safe");
      mkdirSync(folder);
      const dumpOf = async (name: string, prepare: (client: Client) => Promise<unknown>) => {
        const path = join(folder, name);
        await inNewDatabase(async (other) => {
          await withClient(other, prepare);
          await pgDump(other, path);
        });
        return path;
      };
      const foreign = await dumpOf("foreign.dump", (client) =>
        client.query("create table bars (id int); create table halls (id int)"),
      );
      await saysNo(npmScript(url, "restore", [foreign, "--yes"]), /is no backup of Garrison/);

      const newer = join(folder, "newer.dump");
      await inNewDatabase(async (other) => {
        await migrateDatabase(other);
        await withClient(other, (client) =>
          client.query(
            "insert into drizzle.__drizzle_migrations (hash, created_at) values (repeat('ab', 32), 9999999999999)",
          ),
        );
        await pgDump(other, newer);
      });
      await saysNo(npmScript(url, "restore", [newer, "--yes"]), /made by another version/);

      writeFileSync(join(folder, "text.dump"), "not a dump");
      await saysNo(npmScript(url, "restore", [join(folder, "text.dump"), "--yes"]), /is no backup of Garrison/);
      await saysNo(npmScript(url, "restore", [join(folder, "nothing.dump"), "--yes"]), /There is no backup at/);
      expect(await names(url)).toEqual(["safe"]);
    }));

  it("asks first, and refuses while the program runs", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "safe");
      await npmScript(url, "backup", []);
      await saysNo(npmScript(url, "restore", []), /Say so with: npm run restore -- FILE --yes/);
      const running = new URL(url);
      running.searchParams.set("application_name", "garrison");
      await withClient(running.href, async () => {
        await saysNo(npmScript(url, "restore", ["--yes"]), /Garrison is running on this database/);
      });
      expect(await names(url)).toEqual(["safe"]);
    }));

  it("all of it or nothing: a backup that breaks off leaves what was there", () =>
    inNewDatabase(async (url) => {
      await migrateDatabase(url);
      await fill(url, "safe");
      await npmScript(url, "backup", []);
      const [file] = dumps();
      const whole = readFileSync(join(folder, file!));
      const cut = join(folder, "cut.dump");
      writeFileSync(cut, whole.subarray(0, whole.length - 2000));
      chmodSync(cut, 0o600);
      await expect(npmScript(url, "restore", [cut, "--yes"])).rejects.toBeTruthy();
      expect(await names(url)).toEqual(["safe"]);
    }));
});
