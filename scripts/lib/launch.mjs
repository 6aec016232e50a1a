/* What npm start and npm run demo share: a database that is ready, a build, a server, and a clean stop. */
import { randomBytes } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ensureDatabase, startCluster } from "./cluster.mjs";
import { asAppRole, databaseCommands, migrateSafely } from "./database.mjs";
import { isPortFree, requireDisk, requireNode } from "./machine.mjs";
import { keptSecret, requireBuild, requirePackages } from "./prepare.mjs";
import { cleanEnv, endAll, start } from "./run.mjs";
import { Failure, say } from "./say.mjs";
import { buildThreads } from "./threads.mjs";

/**
 * Brings the product up and keeps it up until a signal.
 * @param options.home where cluster, secrets and backups live.
 * @param options.command what people typed, for what is said.
 * @param options.prepare the command of src/data/cli.ts that fills an empty database, and what to say of its answer.
 */
export async function launch({ root, home, command, preferredPort, isDev = false, prepare, told, stopsOn }) {
  const port = Number(process.env.PORT || 3210);
  const host = process.env.HOST || "127.0.0.1";
  const logs = join(home, "logs");
  const lock = join(home, "running.pid");
  let cluster = null;
  let isStopping = false;

  const stop = async (code) => {
    if (isStopping) return;
    isStopping = true;
    await endAll();
    if (cluster) await cluster.stop();
    if (existsSync(lock) && readFileSync(lock, "utf8") === String(process.pid)) rmSync(lock, { force: true });
    process.exit(code);
  };
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stop(0));

  try {
    requireNode();
    if (!Number.isInteger(port) || port < 1 || port > 65_535)
      throw new Failure(`PORT must be a port number from 1 to 65535, not "${process.env.PORT}".`);
    mkdirSync(logs, { recursive: true });
    takeLock(lock);
    if (!(await isPortFree(port, host)))
      throw new Failure(
        `Port ${port} on ${host} is taken. Stop what uses it, or choose another: PORT=${port + 1} ${command}`,
      );
    requireDisk(root, 200, "running");
    await requirePackages(root, logs);
    // A database elsewhere: its owner migrates where one is named, and the program uses the other.
    let ownerUrl = process.env.DATABASE_OWNER_URL || process.env.DATABASE_URL;
    if (!ownerUrl) {
      cluster = await startCluster(home, { preferredPort });
      ownerUrl = await ensureDatabase(cluster.url, "garrison");
    }
    const [, url] = await Promise.all([
      isDev ? buildThreads(root) : requireBuild(root, logs),
      (async () => {
        await migrateSafely(root, ownerUrl, join(home, "backups"));
        const done = await databaseCommands(root, ownerUrl, prepare);
        const words = told(done[prepare]);
        if (words) say(words);
        return process.env.DATABASE_URL || asAppRole(root, ownerUrl, home);
      })(),
    ]);
    await serve(url);
  } catch (error) {
    // A child that Ctrl-C ended is no failure to report.
    if (isStopping) return new Promise(() => {});
    if (error instanceof Failure) console.error(`Garrison: ${error.message}`);
    else console.error(error);
    await stop(1);
  }

  async function serve(url) {
    const env = cleanEnv({
      DATABASE_URL: url,
      GARRISON_HOME: home,
      GARRISON_SECRET: process.env.GARRISON_SECRET || keptSecret(home, "session-secret", randomBytes(32)),
      PUBLIC_URL: process.env.PUBLIC_URL || `http://127.0.0.1:${port}`,
      BACKUP_FOLDER: process.env.BACKUP_FOLDER || join(home, "backups"),
      PORT: String(port),
      HOST: host,
    });
    const server = start(
      process.execPath,
      isDev ? ["node_modules/next/dist/bin/next", "dev", "-H", host, "-p", String(port)] : ["scripts/serve.mjs"],
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
    for (;;) {
      if (isStopping) return;
      const answer = await fetch(`${at}/readyz`).catch(() => null);
      if (answer?.ok) break;
      if (Date.now() > deadline)
        throw new Failure(
          answer
            ? `The server answers, but the database does not (${answer.status}).`
            : "The server did not answer within a minute.",
        );
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    isReady = true;
    say(`Garrison is ready: http://127.0.0.1:${port}`);
    stopsOn?.(stop);
  }
}

/** One program a home: a second one would share the cluster and stop it under the first. */
function takeLock(lock) {
  if (existsSync(lock)) {
    const pid = Number(readFileSync(lock, "utf8"));
    const command = pid && existsSync(`/proc/${pid}/cmdline`) ? readFileSync(`/proc/${pid}/cmdline`, "utf8") : "";
    if (pid !== process.pid && /scripts\/(demo|start)\.mjs/.test(command))
      throw new Failure(`It is running from this folder already (process ${pid}). Stop that one first.`);
  }
  writeFileSync(lock, String(process.pid));
}
