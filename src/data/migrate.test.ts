import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { openDatabase } from "./client";
import { inNewDatabase } from "./database.fixture";
import { loadDemo } from "./demo/loadDemo";
import { migrateDatabase, pendingMigrations } from "./migrate";

it("builds the schema from empty, says when nothing is pending, and keeps the data of a second run", () =>
  inNewDatabase(async (url) => {
    expect(await pendingMigrations(url)).toMatchObject({ hasData: false });
    await migrateDatabase(url);
    const { db, pool } = openDatabase(url);
    try {
      await loadDemo(db, new Date("2026-06-15T12:00:00Z"));
      const count = async () => (await pool.query("select count(*)::int as n from bars")).rows[0].n;
      const before = await count();
      expect(await pendingMigrations(url)).toEqual({ pending: 0, hasData: true });
      await migrateDatabase(url);
      expect(await count()).toBe(before);
    } finally {
      await pool.end();
    }
  }));

it("lets two processes migrate at once", () =>
  inNewDatabase(async (url) => {
    await Promise.all([migrateDatabase(url), migrateDatabase(url)]);
    expect((await pendingMigrations(url)).pending).toBe(0);
  }));

it("loads the same demo world every time, relative to the day it is loaded", () =>
  inNewDatabase(async (url) => {
    await migrateDatabase(url);
    const { db, pool } = openDatabase(url);
    try {
      const now = new Date("2026-06-15T12:00:00Z");
      await loadDemo(db, now);
      const one = async (sql: string) => (await pool.query(sql)).rows[0];
      const kestrel = "(select id from halls where name like 'Kestrel%')";
      expect(
        (await one(`select count(distinct family)::int as n from bars where hall_id = ${kestrel}`)).n,
      ).toBeGreaterThanOrEqual(10);
      expect((await one(`select count(*)::int as n from bars where hall_id = ${kestrel}`)).n).toBeGreaterThanOrEqual(
        16,
      );
      expect((await one(`select count(*)::int as n from lifters where hall_id = ${kestrel}`)).n).toBe(10);
      expect((await one(`select count(distinct mass_unit)::int as n from plates where hall_id = ${kestrel}`)).n).toBe(
        2,
      );
      const log = await one(
        `select min(done_on)::text as first, max(done_on)::text as last, count(*)::int as n from care_log where hall_id = ${kestrel}`,
      );
      expect(log.n).toBeGreaterThan(100);
      expect(log.first < "2026-04-20").toBe(true);
      expect(log.last < "2026-06-15").toBe(true);
      const signature = async () =>
        (
          await one(
            "select md5(string_agg(b.tag || p.due_on || p.reason, ',' order by b.tag, p.reason, p.due_on)) as sum from care_plan p join bars b on b.id = p.bar_id",
          )
        ).sum;
      const first = await signature();
      await pool.query("truncate halls cascade");
      await loadDemo(db, now);
      expect(await signature()).toBe(first);
    } finally {
      await pool.end();
    }
  }));

/** Migrations of a release that is out in halls: the register. */
const RELEASED = 2;

it("brings the schema of an earlier release, with bars, readings, lifts and lifters in it, to the newest without losing any", () =>
  inNewDatabase(async (url) => {
    const older = mkdtempSync(join(tmpdir(), "garrison-migrations-"));
    try {
      cpSync("src/data/migrations", older, { recursive: true });
      const journal = join(older, "meta/_journal.json");
      const all = JSON.parse(readFileSync(journal, "utf8"));
      writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.slice(0, RELEASED) }));
      await migrateDatabase(url, older);
      expect(await pendingMigrations(url)).toEqual({ pending: all.entries.length - RELEASED, hasData: true });
      const { pool } = openDatabase(url);
      try {
        await pool.query(`
          with hall as (insert into halls (name, time_zone, climate_class) values ('Old', 'UTC', 'dry') returning id),
            person as (insert into people (hall_id, name, role) select id, 'Maker', 'manager' from hall returning id),
            bar as (insert into bars (hall_id, tag, name, family, state, known_since)
              select id, 'O1', 'Old bar', 'power', 'in-service', '2026-01-01' from hall returning id),
            lift as (insert into lifts (hall_id, key, name, list_order, speed, start, ending, contact, support_half_spacing_mm, is_centre_scraped)
              select id, 'bench', 'bench', 1, 'slow', 'rack', 'racked', 'hands', 405, false from hall),
            lifter as (insert into lifters (hall_id, key, name, is_learning) select id, 'ann', 'Ann', true from hall)
          insert into bar_measurements (hall_id, bar_id, kind, measured_at, person_id, instrument, typed_values, typed_unit, readings)
          select hall.id, bar.id, 'mass', now(), person.id, 'scale', '{20.1,20.2}', 'kg', '{20.1,20.2}' from hall, person, bar`);
        await migrateDatabase(url);
        expect(await pendingMigrations(url)).toEqual({ pending: 0, hasData: true });
        const { rows } = await pool.query(
          "select b.tag, m.readings, m.undone_at from bars b join bar_measurements m on m.bar_id = b.id",
        );
        expect(rows).toEqual([{ tag: "O1", readings: [20.1, 20.2], undone_at: null }]);
        const lifting = await pool.query(
          "select judged_like, usual_kg, experience, said from lifts, lifters, bars where said like '%power bar%'",
        );
        expect(lifting.rows).toEqual([
          { judged_like: "bench", usual_kg: 60, experience: "learning", said: expect.stringContaining("old bar") },
        ]);
      } finally {
        await pool.end();
      }
    } finally {
      rmSync(older, { recursive: true, force: true });
    }
  }));
