import { readdirSync, readFileSync } from "node:fs";
import { createHash, randomBytes } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { everyAddress, openHouse, startProgram, withOwner, type House, type Program } from "./program.fixture";

/* Every door of the running program, tried by those who have no key, the wrong one, or one that was taken away. */

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

/** What anybody may open: it shows nothing of a gym without a secret. */
const OPEN = ["/healthz", "/readyz", "/icon.svg", "/sw.js", "/sign-in", "/forgot", "/pair"];
const BY_SECRET = [/^\/claim\//, /^\/join\//, /^\/care\/calendar\//];
/** Routes without a GET, by their files: what they take is tried below. */
const WRITES_ONLY = readdirSync("src/app", { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith("/route.ts") && !/\bGET\b/.test(readFileSync(`src/app/${file}`, "utf8")))
  .map((file) => `/${file.replace(/\/route\.ts$/, "").replace(/\([^)]*\)\//g, "")}`)
  .map((path) => path.replace(/\[\w+\]/, "00000000-0000-4000-8000-000000000000"));
const isClosed = (path: string) => !OPEN.includes(path) && !BY_SECRET.some((one) => one.test(path));

interface Manifest {
  node: Record<string, { workers: Record<string, unknown>; exportedName?: string; filename?: string }>;
}
const actions = Object.entries(
  (JSON.parse(readFileSync(".next/server/server-reference-manifest.json", "utf8")) as Manifest).node,
).map(([id, { workers, exportedName = "" }]) => ({ id, exportedName, pages: Object.keys(workers) }));
/** Actions of the pages that open doors: they are for nobody. */
const DOOR_ACTIONS =
  /^(signInAction|pickAction|signOutAction|passkeyAsk|passkeyAnswer|forgotAction|joinAction|themeAction|pairTabletAction|resetAction|claimAction)$/;

/** The way a page calls an action with an empty form: React's own encoding of [undefined, FormData]. */
function callOf(id: string): RequestInit {
  const body = new FormData();
  body.set("0", '["$undefined","$K1"]');
  return { method: "POST", headers: { "next-action": id }, body };
}

describe("nobody", () => {
  it.each([
    ["no key", {}],
    ["a key that is none", { cookie: `garrison=s.${"x".repeat(43)}` }],
    ["a broken key", { cookie: "garrison=%00%ff;garrison=s.;garrison" }],
    ["a token that is none", { authorization: "Bearer nothing" }],
    ["a token and a key", { authorization: "Bearer nothing", isVisitor: "yes" }],
  ])("with %s gets 401 from every route, and no word of the gym", async (_, given) => {
    const { isVisitor, ...headers } = given as Record<string, string>;
    expect(WRITES_ONLY).toContain("/care/rounds/touch");
    const addresses = everyAddress();
    expect(addresses.length).toBeGreaterThan(70);
    for (const path of addresses.filter(isClosed)) {
      // What only takes writes says so.
      if (WRITES_ONLY.includes(path)) continue;
      // A token is for programs: on a page it is not looked at, and the key that came with it is.
      if (isVisitor && !path.startsWith("/api/")) continue;
      const response = await fetch(`${program.base}${path}`, {
        redirect: "manual",
        headers: { ...(isVisitor ? program.visitor : {}), ...headers },
      });
      expect([path, response.status]).toEqual([path, 401]);
      expect(await response.text(), path).not.toMatch(/Kestrel|Saturday bar|Okerlund|Fenwright/);
    }
  });
  it("reaches what is open, and nothing of a gym is in it but the names that a demonstration offers", async () => {
    for (const path of OPEN) expect([path, (await fetch(`${program.base}${path}`)).status]).toEqual([path, 200]);
    for (const path of ["/claim/x", "/join/x", `/join/${"x".repeat(43)}`])
      expect(await (await fetch(`${program.base}${path}`)).text()).not.toContain("Kestrel");
    expect((await fetch(`${program.base}/care/calendar/${"x".repeat(32)}.ics`)).status).toBe(404);
  });
  it("writes nothing: every route that takes a write, and every action of every page", async () => {
    const before = await counted();
    for (const path of everyAddress().filter(isClosed))
      for (const method of ["POST", "PUT", "PATCH", "DELETE"]) {
        const { status } = await fetch(`${program.base}${path}`, { method, redirect: "manual" });
        expect([401, 405], `${method} ${path}: ${status}`).toContain(status);
      }
    expect(actions.length).toBeGreaterThan(60);
    const closed = actions.filter(({ exportedName }) => !DOOR_ACTIONS.test(exportedName));
    expect(closed.length).toBeGreaterThan(50);
    const letIn: string[] = [];
    for (const { id, exportedName, pages } of closed) {
      // At a page of its own, as a page would.
      const path = pages[0]!
        .replace(/^app/, "")
        .replace(/\/\([^)]*\)/g, "")
        .replace(/\/page$/, "")
        .replace(/\[\w+\]/g, "x");
      const { status } = await fetch(`${program.base}${path || "/"}`, callOf(id));
      if (status !== 401) letIn.push(`${exportedName} ${status}`);
    }
    expect(letIn).toEqual([]);
    expect(await counted()).toEqual(before);
  });
});

/** Rows of every table that a write would touch. */
const counted = () =>
  withOwner(house, async (client) => {
    const { rows } = await client.query<{ n: string }>(
      "select string_agg(n::text, ' ') as n from (select count(*) as n from changes union all select count(*) from bars union all select count(*) from people union all select count(*) from care_log union all select count(*) from sessions) as all_of_them",
    );
    return rows[0]!.n;
  });

describe("another site's page", () => {
  const FOREIGN: [string, Record<string, string>][] = [
    ["cross-site", { origin: "http://evil.example", "sec-fetch-site": "cross-site" }],
    ["cross-site over plain HTTP", { origin: "http://evil.example" }],
    ["a neighbour's", { origin: "http://127.0.0.1:9", "sec-fetch-site": "same-site" }],
    ["without an origin", { origin: "null" }],
  ];
  it.each(FOREIGN)("%s writes nothing with the key of someone who is signed in", async (_, headers) => {
    const { cookie } = program.visitor;
    const before = await counted();
    const touch = {
      key: "foreign-page-1",
      kind: "wrong",
      tag: "K04",
      tasks: [],
      note: "x",
      madeAt: "2026-03-18T16:20:00Z",
    };
    for (const type of ["application/json", "text/plain", "application/x-www-form-urlencoded"]) {
      const response = await fetch(`${program.base}/care/rounds/touch`, {
        method: "POST",
        headers: { cookie, "content-type": type, ...headers },
        body: JSON.stringify(touch),
      });
      expect([type, response.status]).toEqual([type, 403]);
    }
    for (const { id } of actions.slice(0, 10))
      expect(
        (await fetch(`${program.base}/settings`, { ...callOf(id), headers: { "next-action": id, cookie, ...headers } }))
          .status,
      ).toBe(403);
    expect(await counted()).toEqual(before);
  });
  it("and a form of our own page that does not send JSON is told so", async () => {
    const response = await program.ask("/care/rounds/touch", {
      method: "POST",
      headers: { "content-type": "text/plain" },
      body: "{}",
    });
    expect(response.status).toBe(415);
    expect(
      (
        await program.ask("/bars/files/import", {
          method: "POST",
          headers: { "content-type": "text/plain" },
          body: "{}",
        })
      ).status,
    ).toBe(415);
  });
  it("that was pointed at this machine by its name (DNS rebinding) is told nothing", async () => {
    for (const host of ["evil.example", "evil.example:3210", "127.0.0.1.evil.example", ""]) {
      const { status, text } = await rawGet("/bars", host);
      expect([host, status]).toEqual([host, host === "" ? 400 : 421]);
      expect(text).not.toContain("Kestrel");
    }
  });
});

/** A GET with a Host of our choice, which fetch does not let one send. */
async function rawGet(path: string, host: string): Promise<{ status: number; text: string }> {
  const { connect } = await import("node:net");
  const { hostname, port } = new URL(program.base);
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), hostname);
    let text = "";
    socket.on("data", (chunk) => (text += String(chunk)));
    socket.on("error", reject);
    socket.on("close", () => resolve({ status: Number(/^HTTP\/1\.1 (\d+)/.exec(text)?.[1]), text }));
    socket.end(
      `GET ${path} HTTP/1.1\r\n${host === "" ? "" : `Host: ${host}\r\n`}Cookie: ${program.visitor.cookie}\r\nConnection: close\r\n\r\n`,
    );
  });
}

describe("every answer", () => {
  it("says what a browser may do with it, and no script runs but ours", async () => {
    const nonces = new Set<string>();
    for (const path of ["/", "/bars", "/load?bar=K20&target=140", "/wall", "/sign-in", "/settings"]) {
      const response = await program.ask(path);
      const policy = response.headers.get("content-security-policy")!;
      const nonce = /'nonce-([^']+)'/.exec(policy)![1]!;
      nonces.add(nonce);
      expect(policy).toContain("frame-ancestors 'none'");
      for (const [header, value] of [
        ["x-content-type-options", "nosniff"],
        ["referrer-policy", "same-origin"],
        ["x-frame-options", "DENY"],
        ["cross-origin-resource-policy", "same-origin"],
      ])
        expect(response.headers.get(header!), `${path} ${header}`).toBe(value);
      const page = await response.text();
      const scripts = [...page.matchAll(/<script\b([^>]*)>/g)].map(([, attributes]) => attributes!);
      expect(scripts.length, path).toBeGreaterThan(3);
      expect(
        scripts.filter((attributes) => !attributes.includes(`nonce="${nonce}"`)),
        path,
      ).toEqual([]);
      expect(page).not.toMatch(/\son(click|load|error|submit)=/i);
    }
    expect(nonces.size).toBe(6);
    // What somebody else asks a browser to allow is not believed.
    const asked = await program.ask("/", { headers: { "content-security-policy": "script-src 'nonce-mine'" } });
    expect(await asked.text()).not.toContain("nonce-mine");
  });
});

describe("a paired tablet", () => {
  /** A tablet as pairing makes it. */
  async function paired(role: string): Promise<{ cookie: string; origin: string; id: string }> {
    const token = `d.${randomBytes(32).toString("base64url")}`;
    const id = await withOwner(house, async (client) => {
      const hall = "(select hall_id from people where name = 'Maren Tidewell')";
      const person = await client.query<{ id: string }>(
        `insert into people (hall_id, name, role) values (${hall}, 'Tablet', $1) returning id`,
        [role],
      );
      const device = await client.query<{ id: string }>(
        `insert into devices (hall_id, person_id, name, token_sha256, paired_by) values (${hall}, $1, 'Tablet', $2, $1) returning id`,
        [person.rows[0]!.id, createHash("sha256").update(token).digest("hex")],
      );
      return device.rows[0]!.id;
    });
    return { cookie: `garrison=${token}`, origin: program.base, id };
  }
  it.each([
    ["wall", "/wall"],
    ["sheets", "/station"],
    ["rounds", "/care/rounds"],
  ])("for %s sees its own screen and nothing else, and revoked not even that", async (role, home) => {
    const { id, ...headers } = await paired(role);
    const status = async (path: string) =>
      (await fetch(`${program.base}${path}`, { headers, redirect: "manual" })).status;
    expect(await status(home)).toBe(200);
    const own = [/^\/wall/, /^\/station$/, /^\/care\/rounds/, /^\/load\/session\/run\//];
    const others = everyAddress().filter(
      (path) => isClosed(path) && !WRITES_ONLY.includes(path) && !own.some((one) => one.test(path)),
    );
    for (const path of others) expect([path, await status(path)]).toEqual([path, 401]);
    // Ways to write a path that lead somewhere else.
    for (const path of [
      `${home}/../bars`,
      `${home}/%2e%2e/bars`,
      `//bars`,
      `${home}/..%2fbars`,
      "/BARS",
      "/wall/%2e%2e/bars",
    ])
      expect([path, [200].includes(await status(path)) && !path.startsWith(home)]).toEqual([path, false]);
    await withOwner(house, (client) => client.query("update devices set revoked_at = now() where id = $1", [id]));
    expect(await status(home)).toBe(401);
  });
  it("for rounds ticks in its own name, and takes no bar out without a person's PIN", async () => {
    const { cookie, origin } = await paired("rounds");
    const headers = { cookie, origin };
    const touch = (more: object) =>
      fetch(`${program.base}/care/rounds/touch`, {
        method: "POST",
        headers: { ...headers, "content-type": "application/json" },
        body: JSON.stringify({ tag: "K05", madeAt: "2026-03-18T16:20:00Z", ...more }),
      });
    expect((await touch({ key: "tablet-tick-1", kind: "done", tasks: ["shaft"] })).status).toBe(200);
    const crack = { key: "tablet-crack-1", kind: "done", tasks: ["straightness"], results: { straightness: "crack" } };
    const refused = await touch(crack);
    expect(refused.status).toBe(403);
    expect(await refused.json()).toMatchObject({ error: { details: [{ path: "as" }] } });
    expect((await touch({ ...crack, as: "made-up" })).status).toBe(403);
    expect(refused.headers.get("content-type")).toContain("json");
    const state = await withOwner(house, (client) => client.query("select state from bars where tag = 'K05'"));
    expect(state.rows.map((row) => (row as { state: string }).state)).not.toContain("quarantined");
  });
});
