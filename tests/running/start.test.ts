import { spawn } from "node:child_process";
import { once } from "node:events";
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, expect, it } from "vitest";
import { freePort } from "../../scripts/lib/machine.mjs";
import { cleanEnv } from "../../scripts/lib/run.mjs";
import { signedIn } from "../../scripts/lib/signedIn.mjs";
import { until } from "./program.fixture";

const scratch = mkdtempSync(join(tmpdir(), "garrison-start-"));
chmodSync(scratch, 0o755);
const home = join(scratch, "gym");
afterAll(() => rmSync(scratch, { recursive: true, force: true }));

/** npm start, as somebody types it; answers where it is and how to stop it. */
async function npmStart(env: Record<string, string> = {}) {
  const port = await freePort(null);
  const child = spawn(process.execPath, ["scripts/start.mjs"], {
    env: cleanEnv({
      GARRISON_HOME: home,
      PORT: String(port),
      DATABASE_URL: "",
      GYM_NAME: "Low Bridge Strength",
      GYM_TIME_ZONE: "Europe/Lisbon",
      GYM_CLIMATE: "dry",
      GYM_MANAGER: "Ines",
      ...env,
    }),
    stdio: ["ignore", "pipe", "pipe"],
  });
  let printed = "";
  for (const pipe of [child.stdout, child.stderr]) pipe.on("data", (chunk) => (printed += chunk));
  const ready = `Garrison is ready: http://127.0.0.1:${port}`;
  await until(
    async () => printed,
    (text) => text.includes(ready) || child.exitCode !== null,
    500_000,
  );
  return {
    base: `http://127.0.0.1:${port}`,
    printed: () => printed,
    exitCode: () => child.exitCode,
    stop: async () => {
      const closed = once(child, "close");
      child.kill("SIGINT");
      return ((await closed) as [number])[0];
    },
  };
}

/** Asks as the owner of the gym would, signed in. */
async function asOwner(base: string) {
  const url = readFileSync(join(home, "database-url"), "utf8").trim();
  const visitor = await signedIn(url, base, "Ines");
  return (path: string) => fetch(`${base}${path}`, { headers: visitor });
}

/** npm run owner, at the machine itself. */
async function npmRunOwner(args: string[], passphrase: string) {
  const child = spawn(process.execPath, ["scripts/owner.mjs", ...args], {
    env: cleanEnv({ GARRISON_HOME: home, DATABASE_URL: "" }),
    stdio: ["pipe", "pipe", "pipe"],
  });
  let printed = "";
  for (const pipe of [child.stdout, child.stderr]) pipe.on("data", (chunk) => (printed += chunk));
  child.stdin.end(`${passphrase}\n`);
  const [code] = (await once(child, "close")) as [number];
  return { code, printed };
}

it("npm start serves a gym's own empty hall to nobody but its owner, keeps it, backs it up, and stops cleanly", async () => {
  const first = await npmStart();
  expect(first.printed()).toContain("Made an empty hall: Low Bridge Strength.");
  // Nobody owns it: a one-time address is printed, and everything else is closed.
  const claim = /Make this gym yours, once: http:\/\/127\.0\.0\.1:\d+(\/claim\/[\w-]{43})/.exec(first.printed())![1]!;
  const page = async (path: string) => (await fetch(`${first.base}${path}`)).text();
  expect(await page(claim)).toContain("Low Bridge Strength");
  expect(await page(`${claim.slice(0, -1)}x`)).not.toContain("Low Bridge Strength");
  for (const path of ["/", "/bars", "/api/v1/bars", "/settings", "/wall"])
    expect((await fetch(`${first.base}${path}`)).status, path).toBe(401);

  expect(await npmRunOwner(["--name", "Ines"], "short")).toMatchObject({ code: 1 });
  const made = await npmRunOwner(["--name", "Ines"], "seven wet boats under the bridge");
  expect(made).toMatchObject({ code: 0, printed: expect.stringContaining("Ines is an owner.") as unknown });
  // Somebody owns it now: the address counts no more.
  expect(await page(claim)).not.toContain("Low Bridge Strength");
  const ask = await asOwner(first.base);
  expect(await (await ask("/")).text()).toContain("Low Bridge Strength");
  expect(await (await ask("/bars")).text()).not.toContain("K02");
  const { items } = (await (await ask("/api/v1/bars")).json()) as { items: unknown[] };
  expect(items).toEqual([]);
  const lifts = (await (await ask("/api/v1/lifts")).json()) as { items: unknown[] };
  expect(lifts.items.length).toBeGreaterThan(20);
  for (const path of ["/match", "/compare", "/setups", "/load", "/classes", "/care", "/lifters", "/settings", "/wall"])
    expect((await ask(path)).status, path).toBe(200);
  // The program's clock makes the first backup by itself.
  const folder = join(home, "backups");
  const files = () => (existsSync(folder) ? readdirSync(folder).filter((file) => file.endsWith(".dump")) : []);
  await until(
    async () => files(),
    (all) => all.length === 1,
  );
  expect(statSync(join(folder, files()[0]!)).mode & 0o777).toBe(0o600);
  expect(await first.stop()).toBe(0);

  // With an owner it may be opened to the network, and keeps to its names.
  const second = await npmStart({ GYM_NAME: "Another name", HOST: "0.0.0.0" });
  expect(second.printed()).not.toContain("Made an empty hall");
  expect(second.printed()).not.toContain("/claim/");
  expect(await (await (await asOwner(second.base))("/settings")).text()).toContain("Low Bridge Strength");
  expect(await second.stop()).toBe(0);
});

it("is not opened to the network while nobody owns it, and says what to do", async () => {
  const refused = await npmStart({ GARRISON_HOME: join(scratch, "unowned"), HOST: "0.0.0.0" });
  expect(refused.exitCode()).toBe(1);
  expect(refused.printed()).toMatch(/Nobody owns this gym yet.*npm run owner/);
});

it("goes on when its server or its database is killed, and says so", async () => {
  const program = await npmStart();
  const pidIn = (file: string) => Number(readFileSync(join(home, file), "utf8").split("\n")[0]);
  const answers = () =>
    until(
      async () => (await fetch(`${program.base}/readyz`).catch(() => null))?.status,
      (status) => status === 200,
      240_000,
    );
  process.kill(pidIn("server.pid"), "SIGKILL");
  await until(
    async () => program.printed(),
    (text) => text.includes("the server ended by itself"),
    120_000,
  );
  await answers();
  const postmaster = existsSync(join(home, "cluster/pg/postmaster.pid"))
    ? "cluster/pg/postmaster.pid"
    : "pg/postmaster.pid";
  process.kill(pidIn(postmaster), "SIGKILL");
  await until(
    async () => program.printed(),
    (text) => text.includes("PostgreSQL ended"),
    120_000,
  );
  await answers();
  expect(await (await (await asOwner(program.base))("/settings")).text()).toContain("Low Bridge Strength");
  expect(program.exitCode()).toBeNull();
  expect(await program.stop()).toBe(0);
});

it.each([
  ["an address of another machine", { HOST: "203.0.113.9" }, "HOST=203.0.113.9 is no address of this machine"],
  ["a database that is no address", { DATABASE_URL: "garrison" }, "DATABASE_URL must look like"],
  ["a port that is none", { PORT: "http" }, "PORT must be a port number"],
])("%s is refused with one sentence", async (_, env, sentence) => {
  const child = spawn(process.execPath, ["scripts/start.mjs"], {
    env: cleanEnv({ GARRISON_HOME: home, GYM_NAME: "Low Bridge Strength", GYM_MANAGER: "Ines", ...env }),
    stdio: ["ignore", "pipe", "pipe"],
  });
  let printed = "";
  for (const pipe of [child.stdout, child.stderr]) pipe.on("data", (chunk) => (printed += chunk));
  const [code] = (await once(child, "close")) as [number];
  expect(code).toBe(1);
  expect(printed).toContain(sentence);
  expect(printed).not.toContain("    at ");
});

it("a gym that is described wrongly is not set up, and every mistake is named", async () => {
  const wrong = await npmStart({
    GARRISON_HOME: join(scratch, "wrong"),
    GYM_TIME_ZONE: "Nowhere/Else",
    GYM_CLIMATE: "wet",
    GYM_CURRENCY: "pounds",
  });
  expect(wrong.exitCode()).toBe(1);
  for (const name of ["GYM_TIME_ZONE", "GYM_CLIMATE", "GYM_CURRENCY"]) expect(wrong.printed()).toContain(name);
});
