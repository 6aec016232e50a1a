import { randomBytes } from "node:crypto";
import { expect, it } from "vitest";
import { grantAppRole } from "./appRole";
import { openDatabase } from "./client";
import { inNewDatabase, withClient } from "./database.fixture";
import { HallDb } from "./hallDb";
import { migrateDatabase } from "./migrate";
import { makeEmptyHall } from "./newHall";
import { bars, changes, halls, staffHours } from "./schema";

const FACTS = { name: "Gym", timeZone: "UTC", climateClass: "dry", currency: "EUR", manager: "Ada" } as const;

it("the program's role reads and writes rows, and can neither change the schema nor take history away", () =>
  inNewDatabase(async (ownerUrl) => {
    await migrateDatabase(ownerUrl);
    const role = `app_${randomBytes(6).toString("hex")}`;
    const password = `it's "quoted" ${randomBytes(4).toString("hex")}`;
    await grantAppRole(ownerUrl, role, password);
    // Twice is as once, with another password too.
    await grantAppRole(ownerUrl, role, password);
    const url = new URL(ownerUrl);
    url.username = role;
    url.password = encodeURIComponent(password);
    const { db, pool } = openDatabase(url.href);
    try {
      await makeEmptyHall(db, FACTS);
      const [row] = await db.select().from(halls);
      const hall = new HallDb(db, row!.id);
      await hall.insert(bars, {
        tag: "T1",
        name: "Bar",
        family: "power",
        state: "in-service",
        knownSince: "2026-01-01",
      });
      await hall.update(bars, undefined, { name: "Other" });
      expect((await hall.first(bars))!.name).toBe("Other");
      const may = async (statement: string) =>
        await withClient(url.href, (client) => client.query(statement)).then(
          () => true,
          (error: { code?: string }) => error.code,
        );
      for (const statement of [
        "delete from changes",
        "delete from bars",
        "delete from care_log",
        "delete from people",
        "truncate halls cascade",
        "drop table bars",
        "alter table bars add column mine text",
        "create table mine (id int)",
        "create role mine",
        "delete from drizzle.__drizzle_migrations",
        "copy bars to program 'true'",
      ])
        expect(await may(statement), statement).toBe("42501");
      expect(await may("delete from staff_hours")).toBe(true);
      expect(await may("select count(*) from drizzle.__drizzle_migrations")).toBe(true);
      expect(await hall.rows(changes)).toEqual([]);
      expect(await hall.rows(staffHours)).toEqual([]);
    } finally {
      await pool.end();
      await withClient(ownerUrl, (client) => client.query(`drop owned by ${role}; drop role ${role}`));
    }
  }));
