import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { openApiDocument } from "@/api/openapi";
import { readEnvironment, VARIABLES } from "./environment";
import { GYM_VARIABLES, readGymFacts } from "./gymFacts";
import { safeError } from "./safeError";
import { DatabaseUnavailable, isUnavailable, unavailableNoter } from "./unavailable";

const NEEDED = { DATABASE_URL: "postgres://a:b@127.0.0.1/garrison", GARRISON_SECRET: "x".repeat(32) };

describe("the environment", () => {
  it("has a starting value for everything but the database and the secret", () => {
    expect(readEnvironment(NEEDED)).toMatchObject({
      databasePoolSize: 10,
      databaseWaitMs: 4000,
      statementTimeoutMs: 30_000,
      lockTimeoutMs: 5000,
      publicUrl: "",
      logLevel: "info",
      backupFolder: null,
      backupCopyFolder: null,
      backupKeepDays: 14,
      backupHour: 3,
      clockOffsetMs: 0,
    });
  });
  it("takes what is said, an empty text as nothing said", () => {
    expect(
      readEnvironment({ ...NEEDED, BACKUP_FOLDER: "/b", BACKUP_HOUR: "5", LOG_LEVEL: "", DATABASE_POOL_SIZE: "3" }),
    ).toMatchObject({ backupFolder: "/b", backupHour: 5, logLevel: "info", databasePoolSize: 3 });
  });
  it("names everything that is missing or wrong at once", () => {
    const wrong = () =>
      readEnvironment({
        DATABASE_URL: "mysql://x",
        GARRISON_SECRET: "short",
        BACKUP_HOUR: "24",
        PUBLIC_URL: "bars.example",
      });
    for (const name of ["DATABASE_URL", "GARRISON_SECRET", "BACKUP_HOUR", "PUBLIC_URL"]) expect(wrong).toThrow(name);
    expect(() => readEnvironment({})).toThrow(/DATABASE_URL is missing[\s\S]*GARRISON_SECRET/);
  });
  it("stands in .env.example, every variable and no other", () => {
    const named = [...readFileSync(".env.example", "utf8").matchAll(/^#?([A-Z][A-Z_]+)=/gm)].map(([, name]) => name!);
    const scripts = ["DATABASE_OWNER_URL", "GARRISON_HOME", "HOST", "PORT", "ALLOWED_HOSTS", "BEHIND_PROXY"];
    expect([...named].sort()).toEqual([...VARIABLES, ...GYM_VARIABLES, ...scripts].sort());
  });
});

describe("a gym that is set up", () => {
  it("has a name, a zone, a climate, a currency and a manager, whoever says nothing", () => {
    expect(readGymFacts({ GYM_TIME_ZONE: "Europe/Lisbon" })).toEqual({
      name: "Our gym",
      timeZone: "Europe/Lisbon",
      climateClass: "temperate",
      currency: "EUR",
      manager: "Manager",
    });
    expect(readGymFacts({}).timeZone.length).toBeGreaterThan(1);
  });
  it("names every mistake", () => {
    const wrong = () => readGymFacts({ GYM_TIME_ZONE: "Nowhere", GYM_CLIMATE: "wet", GYM_CURRENCY: "eur" });
    for (const name of ["GYM_TIME_ZONE", "GYM_CLIMATE", "GYM_CURRENCY"]) expect(wrong).toThrow(name);
  });
});

describe("one version number", () => {
  it("stands in package.json, its lock file, the changelog and the description of the interface", () => {
    const { version } = JSON.parse(readFileSync("package.json", "utf8")) as { version: string };
    const lock = JSON.parse(readFileSync("package-lock.json", "utf8")) as { version: string };
    expect(lock.version).toBe(version);
    expect(/^## (\S+) — \d{4}-\d\d-\d\d$/m.exec(readFileSync("CHANGELOG.md", "utf8"))![1]).toBe(version);
    expect((openApiDocument().info as { version: string }).version).toBe(version);
  });
});

describe("an error in the log", () => {
  const failed = (cause: object, message = "secret words") =>
    Object.assign(
      new Error(`Failed query: insert … params: ${message}`, { cause: Object.assign(new Error(message), cause) }),
      {
        query: "insert …",
        params: [message],
      },
    );
  it("of a statement has its kind and place, never what it was given", () => {
    const safe = safeError(
      failed({ severity: "ERROR", code: "23505", table: "bars", constraint: "bars_tag", detail: "secret" }),
    );
    expect(safe).toMatchObject({ code: "23505", table: "bars", constraint: "bars_tag" });
    expect(JSON.stringify(safe)).not.toContain("secret");
  });
  it("of our own has its message and where it happened", () => {
    const safe = safeError(new TypeError("no such thing"));
    expect(safe).toMatchObject({ name: "TypeError", message: "no such thing" });
    expect(safe.at.length).toBeGreaterThan(0);
    expect(safeError("thrown text")).toEqual({ name: "Thrown", message: "string", at: [] });
  });
});

describe("whether trying again may help", () => {
  const coded = (code: string) => Object.assign(new Error("x"), { code });
  it.each(["57014", "55P03", "53300", "57P01", "57P03", "ECONNREFUSED", "ECONNRESET"])("%s: yes", (code) => {
    expect(isUnavailable(coded(code))).toBe(true);
    expect(isUnavailable(new Error("outer", { cause: coded(code) }))).toBe(true);
  });
  it.each(["23505", "42703", "22P02"])("%s: no", (code) => expect(isUnavailable(coded(code))).toBe(false));
  it("knows the sentences of the pool, and nothing of other things", () => {
    expect(isUnavailable(new Error("timeout exceeded when trying to connect"))).toBe(true);
    expect(isUnavailable(new Error("Connection terminated unexpectedly"))).toBe(true);
    expect(isUnavailable(new DatabaseUnavailable("away"))).toBe(true);
    expect(isUnavailable(new Error("no such bar"))).toBe(false);
    expect(isUnavailable(null)).toBe(false);
  });
  it("notes it on the request that asked, not on the one that is answered when the answer comes", () => {
    const [mine, other] = [{ isUnavailable: false }, { isUnavailable: false }];
    let current = mine;
    const held = globalThis as { garrisonRequests?: unknown };
    held.garrisonRequests = { getStore: () => current };
    try {
      const note = unavailableNoter();
      current = other;
      note(coded("23505"));
      expect(mine.isUnavailable).toBe(false);
      note(coded("55P03"));
      expect([mine.isUnavailable, other.isUnavailable]).toEqual([true, false]);
    } finally {
      delete held.garrisonRequests;
    }
    expect(() => unavailableNoter()(coded("55P03"))).not.toThrow();
  });
});
