#!/usr/bin/env node
/* npm run demo: from a fresh clone to a running product. See docs/layout.md and README. */
import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { ensureDatabase, startCluster } from "./lib/cluster.mjs";
import { databaseCommands, migrateSafely } from "./lib/database.mjs";
import { isPortFree, requireDisk, requireNode } from "./lib/machine.mjs";
import { keptSecret, requireBuild, requirePackages } from "./lib/prepare.mjs";
import { cleanEnv, endAll, start } from "./lib/run.mjs";
import { Failure, main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const home = join(root, ".data");
const logs = join(home, "logs");
const lock = join(home, "demo.pid");
const isFresh = process.argv.includes("--fresh");
const isDev = process.argv.includes("--dev");
const port = Number(process.env.PORT || 3210);
const host = process.env.HOST || "127.0.0.1";

let cluster = null;
let isStopping = false;

async function stop(code) {
  if (isStopping) return;
  isStopping = true;
  await endAll();
  if (cluster) await cluster.stop();
  if (existsSync(lock) && readFileSync(lock, "utf8") === String(process.pid)) rmSync(lock, { force: true });
  process.exit(code);
}
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stop(0));

await main(async () => {
  try {
    await demo();
  } catch (error) {
    // A child that Ctrl-C ended is no failure to report.
    if (isStopping) return new Promise(() => {});
    if (error instanceof Failure) console.error(`Garrison: ${error.message}`);
    else console.error(error);
    await stop(1);
  }
});

async function demo() {
  requireNode();
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Failure(`PORT must be a port number from 1 to 65535, not "${process.env.PORT}".`);
  mkdirSync(logs, { recursive: true });
  takeLock();
  if (!(await isPortFree(port, host)))
    throw new Failure(
      `Port ${port} on ${host} is taken. Stop what uses it, or choose another: PORT=${port + 1} npm run demo`,
    );
  requireDisk(root, 200, "running");
  await requirePackages(root, logs);

  let url = process.env.DATABASE_URL;
  if (!url) {
    cluster = await startCluster(home);
    url = await ensureDatabase(cluster.url, "garrison");
  }
  await Promise.all([
    isDev ? null : requireBuild(root, logs),
    (async () => {
      await migrateSafely(root, url, join(home, "backups"));
      const done = await databaseCommands(root, url, isFresh ? "fresh-demo" : "demo");
      if (Object.values(done).includes("loaded")) say("Loaded the demo data.");
    })(),
  ]);
  await serve(url);
}

async function serve(url) {
  const env = cleanEnv({
    DATABASE_URL: url,
    GARRISON_SECRET: process.env.GARRISON_SECRET || keptSecret(home, "session-secret", randomBytes(32)),
    PUBLIC_URL: process.env.PUBLIC_URL || `http://127.0.0.1:${port}`,
  });
  const server = start(
    process.execPath,
    ["node_modules/next/dist/bin/next", isDev ? "dev" : "start", "-H", host, "-p", String(port)],
    { cwd: root, env },
  );
  let isReady = false;
  let early = "";
  server.stdout.on("data", (chunk) => (isReady ? process.stdout.write(chunk) : (early += chunk)));
  server.stderr.on("data", (chunk) => process.stderr.write(chunk));
  server.on("close", (code) => {
    if (isStopping) return;
    console.error(`Garrison: the server ended by itself (exit ${code}).\n${isReady ? "" : early}`);
    void stop(1);
  });
  const at = `http://${host === "0.0.0.0" ? "127.0.0.1" : host}:${port}`;
  const deadline = Date.now() + 60_000;
  while (!isStopping) {
    const answer = await fetch(`${at}/api/v1/lifts?limit=1`).catch(() => null);
    if (answer?.ok) break;
    if (answer && answer.status >= 500) throw new Failure(`The server answers, but not well (${answer.status}).`);
    if (Date.now() > deadline) throw new Failure("The server did not answer within a minute.");
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  isReady = true;
  say(`Garrison is ready: http://127.0.0.1:${port}`);
}

/** One demo a folder: a second one would share the cluster and stop it under the first. */
function takeLock() {
  if (existsSync(lock)) {
    const pid = Number(readFileSync(lock, "utf8"));
    const command = pid && existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, "utf8") : "";
    if (pid !== process.pid && command.includes("demo.mjs"))
      throw new Failure(`It is running from this folder already (process ${pid}). Stop that one first.`);
  }
  writeFileSync(lock, String(process.pid));
}
