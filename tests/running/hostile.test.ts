import { readdirSync, readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { HOSTILE_TEXTS, seededNumbers } from "../../src/app/hostile.fixture";
import { openHouse, startProgram, type House, type Program } from "./program.fixture";

/* Every page and every route of the real program, asked what nobody asks: never a 500, never slow, and it lives. */

const SEED = Number(process.env.TEST_SEED ?? 20_261_127);
/** Times each address is asked with other values. */
const ROUNDS = 3;

let house: House;
let program: Program;
beforeAll(async () => {
  house = await openHouse();
  program = await startProgram(house);
});
afterAll(async () => {
  await program?.end();
  await house?.close();
});

/** Addresses by their files: folders in parentheses are no part of them. */
const addresses = readdirSync("src/app", { recursive: true, encoding: "utf8" })
  .filter((file) => /(^|\/)(page\.tsx|route\.ts)$/.test(file) && !file.includes("/events/"))
  .map((file) => `/${file.replace(/(^|\/)(page\.tsx|route\.ts)$/, "").replace(/\([^)]*\)\/?/g, "")}`)
  .sort();

/** Every name that somewhere is read from an address. */
const names = [
  ...new Set(
    readdirSync("src", { recursive: true, encoding: "utf8" })
      .filter((file) => /\.tsx?$/.test(file) && !/\.(test|fixture)\./.test(file))
      .flatMap((file) => [
        ...readFileSync(`src/${file}`, "utf8").matchAll(
          /(?:search|query|params|searchParams)(?:\.get\("|\.|\?\.)(\w+)/g,
        ),
      ])
      .map(([, name]) => name!),
  ),
].filter((name) => !["get", "has", "set", "toString", "entries", "length", "map", "filter"].includes(name));

describe("the running program", () => {
  it("knows its addresses and what is read from them", () => {
    expect(addresses.length).toBeGreaterThan(60);
    expect(names.length).toBeGreaterThan(20);
  });
  it.each(addresses)("%s answers whatever it is asked", async (address) => {
    const next = seededNumbers(SEED);
    const one = () => HOSTILE_TEXTS[Math.floor(next() * HOSTILE_TEXTS.length)]!;
    // A path holds no lone surrogate; what cannot be written cannot be sent.
    const written = (text: string) => encodeURIComponent(text.toWellFormed().slice(0, 300));
    for (let round = 0; round < ROUNDS; round += 1) {
      const path = address.replace(/\[\[?\.{0,3}(\w+)\]?\]/g, () => written(one()) || "x");
      const query = names
        .filter(() => next() < 0.3)
        .map((name) => `${name}=${written(one())}`)
        .join("&");
      const url = `${program.base}${path}${round === 0 ? "" : `?${query}`}`;
      const isPost = address.startsWith("/api/v1") && round % 2 === 1;
      const response = await fetch(url, {
        method: isPost ? "POST" : "GET",
        redirect: "manual",
        headers: {
          // Signed in, so that what is asked reaches the work; now and then from another site's page.
          ...program.visitor,
          ...(round % 5 === 4 ? { origin: "http://elsewhere.example" } : {}),
          ...(isPost ? { "content-type": "application/json" } : {}),
        },
        ...(isPost ? { body: one() } : {}),
        signal: AbortSignal.timeout(120_000),
      });
      expect(response.status, `seed ${SEED}: ${url}`).toBeLessThan(500);
      await response.arrayBuffer();
    }
  });
  it("lives after all of it", async () => {
    expect((await fetch(`${program.base}/healthz`)).status).toBe(200);
    expect((await program.ask("/")).status).toBe(200);
    expect(program.process.exitCode).toBeNull();
  });
});
