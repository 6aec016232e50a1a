import { spawn, type ChildProcess } from "node:child_process";
import { randomBytes } from "node:crypto";
import { once } from "node:events";
import { chmodSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Client } from "pg";
import { ensureDatabase, startCluster } from "../../scripts/lib/cluster.mjs";
import { asAppRole, databaseCommands, migrateSafely } from "../../scripts/lib/database.mjs";
import { freePort } from "../../scripts/lib/machine.mjs";
import { cleanEnv } from "../../scripts/lib/run.mjs";
import { signedIn } from "../../scripts/lib/signedIn.mjs";

/* The program as a gym runs it: the production build in a process of its own, on a cluster of its own. */

/** A moment before an evening class of the demonstration. */
export const MOMENT = "2026-03-18T16:20:00Z";
const ROOT = process.cwd();

export interface House {
  /** As the owner of the tables reaches the database, and as the program does. */
  ownerUrl: string;
  appUrl: string;
  scratch: string;
  restart: () => Promise<void>;
  close: () => Promise<void>;
}

/** A cluster with the demonstration in it; its programs live at a set moment. */
export async function openHouse({ isDurable = false } = {}): Promise<House> {
  const scratch = mkdtempSync(join(tmpdir(), "garrison-run-"));
  // PostgreSQL runs as a user of its own when we are root, and must be able to enter.
  chmodSync(scratch, 0o755);
  process.env.GARRISON_CLOCK_OFFSET_MS = String(new Date(MOMENT).getTime() - Date.now());
  const home = join(scratch, "data");
  const start = () => startCluster(home, { isDurable, preferredPort: undefined });
  let cluster = await start();
  const port = new URL(cluster.url).port;
  const ownerUrl = await ensureDatabase(cluster.url, "garrison");
  await migrateSafely(ROOT, ownerUrl, join(scratch, "backups"));
  await databaseCommands(ROOT, ownerUrl, "demo");
  return {
    ownerUrl,
    appUrl: await asAppRole(ROOT, ownerUrl, scratch),
    scratch,
    restart: async () => {
      await cluster.stop();
      cluster = await startCluster(home, { isDurable, preferredPort: Number(port) });
    },
    close: async () => {
      await cluster.stop();
      rmSync(scratch, { recursive: true, force: true });
    },
  };
}

export interface LogLine {
  level: string;
  msg: string;
  id?: string;
  method?: string;
  route?: string;
  status?: number;
}

export interface Program {
  base: string;
  /** Every line printed so far; each must be a JSON object. */
  lines: () => LogLine[];
  /** What was printed, as it was. */
  printed: () => string;
  /** Sends a signal and answers the exit code. */
  end: (signal?: NodeJS.Signals) => Promise<number | null>;
  process: ChildProcess;
  /** Asks as the demonstration's manager would, signed in and at this program's own page. */
  ask: (path: string, init?: RequestInit) => Promise<Response>;
  /** The headers that `ask` sends. */
  visitor: { cookie: string; origin: string };
}

/** Starts one copy of the program and waits until it is ready. */
export async function startProgram(house: Pick<House, "appUrl">, env: Record<string, string> = {}): Promise<Program> {
  const port = env.PORT ?? (await freePort(null));
  const base = `http://127.0.0.1:${port}`;
  const child = spawn(process.execPath, ["scripts/serve.mjs"], {
    cwd: ROOT,
    env: cleanEnv({
      DATABASE_URL: house.appUrl,
      GARRISON_SECRET: randomBytes(32).toString("hex"),
      PUBLIC_URL: base,
      PORT: String(port),
      LOG_LEVEL: "info",
      ...env,
    }),
    stdio: ["ignore", "pipe", "pipe"],
  });
  let printed = "";
  for (const pipe of [child.stdout, child.stderr]) pipe.on("data", (chunk) => (printed += chunk));
  for (let tries = 0; ; tries += 1) {
    if ((await fetch(`${base}/readyz`).catch(() => null))?.ok) break;
    if (tries > 1200 || child.exitCode !== null) throw new Error(`The program did not get ready.\n${printed}`);
    await pause(100);
  }
  const visitor = await signedIn(house.appUrl, base);
  return {
    base,
    visitor,
    ask: (path, init) => fetch(`${base}${path}`, { ...init, headers: { ...visitor, ...init?.headers } }),
    process: child,
    printed: () => printed,
    lines: () =>
      printed
        .trim()
        .split("\n")
        .map((line) => JSON.parse(line) as LogLine),
    end: async (signal = "SIGTERM") => {
      // One that a signal ended has no code.
      if (child.exitCode !== null || child.signalCode !== null) return child.exitCode;
      const closed = once(child, "close");
      child.kill(signal);
      const [code] = (await closed) as [number | null];
      return code;
    },
  };
}

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A connection of the owner's, for holding things up and for looking; ended afterwards. */
export async function withOwner<T>(house: Pick<House, "ownerUrl">, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: house.ownerUrl });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Asks until something is so; says what it was last otherwise. */
export async function until<T>(look: () => Promise<T>, isSo: (seen: T) => boolean, forMs = 60_000): Promise<T> {
  const deadline = Date.now() + forMs;
  for (;;) {
    const seen = await look();
    if (isSo(seen)) return seen;
    if (Date.now() > deadline) throw new Error(`It never became so; last seen: ${JSON.stringify(seen)}`);
    await pause(200);
  }
}

/** Every route that answers to GET, from the build itself; with something in place of what an address leaves open. */
export function everyAddress(): string[] {
  const { staticRoutes, dynamicRoutes } = JSON.parse(readFileSync(".next/routes-manifest.json", "utf8")) as {
    staticRoutes: { page: string }[];
    dynamicRoutes: { page: string }[];
  };
  return [...staticRoutes, ...dynamicRoutes]
    .map(({ page }) => page)
    .filter((page) => !page.startsWith("/_"))
    .map((page) =>
      page
        .replace("[[...path]]", "nothing")
        .replace(/\[tag\]/, "K02")
        .replace(/\[key\]/, "isla")
        .replace(/\[\w+\]/, "00000000-0000-4000-8000-000000000000"),
    );
}
