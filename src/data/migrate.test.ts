import { randomUUID } from "node:crypto";
import { Client } from "pg";
import { expect, it } from "vitest";
import { openDatabase } from "./client";
import { loadDemo } from "./demo/loadDemo";
import { migrateDatabase, pendingMigrations } from "./migrate";

async function inNewDatabase(work: (url: string) => Promise<void>) {
  const server = process.env.TEST_SERVER_URL!;
  const name = `t_${randomUUID().replaceAll("-", "")}`;
  const client = new Client({ connectionString: `${server}/postgres` });
  await client.connect();
  await client.query(`create database ${name}`);
  try {
    await work(`${server}/${name}`);
  } finally {
    await client.query(`drop database ${name} with (force)`);
    await client.end();
  }
}

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
      expect((await one(`select count(*)::int as n from lifters where hall_id = ${kestrel}`)).n).toBe(8);
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
