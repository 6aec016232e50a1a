import { existsSync, readdirSync, statfsSync, writeFileSync, mkdirSync } from "node:fs";
import { createServer } from "node:net";
import { cleanEnv, run } from "./run.mjs";
import { Failure, say } from "./say.mjs";

/** Debian's Chromium, and how it is started where nothing but loopback answers. */
export const CHROMIUM = {
  path: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
  ],
};

export const isRoot = process.getuid?.() === 0;

/** Stops with a sentence when Node.js is too old. */
export function requireNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 9))
    throw new Failure(`Node.js 20.9 or newer is needed; this is ${process.versions.node}.`);
}

/** Stops with a sentence when the disk is nearly full. */
export function requireDisk(folder, megabytes, what) {
  const { bavail, bsize } = statfsSync(folder);
  const free = Math.floor((bavail * bsize) / 1e6);
  if (free < megabytes)
    throw new Failure(
      `The disk is nearly full: ${what} needs about ${megabytes} MB and ${free} MB are free in ${folder}.`,
    );
}

/** Whether a port can be listened on. */
export function isPortFree(port, host) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once("error", () => resolve(false));
    server.listen({ port, host, exclusive: true }, () => server.close(() => resolve(true)));
  });
}

/** The preferred port when it is free, else any free one. */
export async function freePort(preferred, host = "127.0.0.1") {
  if (preferred && (await isPortFree(preferred, host))) return preferred;
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once("error", reject);
    server.listen({ port: 0, host }, () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** The folder with one of PostgreSQL's programs, newest version first; null when there is none. */
export function postgresBin(program = "initdb") {
  const root = "/usr/lib/postgresql";
  if (!existsSync(root)) return null;
  const versions = readdirSync(root).sort((a, b) => Number(b) - Number(a));
  const found = versions.find((version) => existsSync(`${root}/${version}/bin/${program}`));
  return found ? `${root}/${found}/bin` : null;
}

/** Installs PostgreSQL from Debian's packages as root; otherwise says the one line to type. */
export async function requirePostgres() {
  const bin = postgresBin();
  if (bin) return bin;
  if (!isRoot)
    throw new Failure("PostgreSQL is missing. Type this once, then start again:\n  sudo apt-get install -y postgresql");
  say("Installing PostgreSQL from Debian's packages …");
  mkdirSync("/etc/postgresql-common", { recursive: true });
  // We run a cluster of our own; Debian need not make and start another.
  if (!existsSync("/etc/postgresql-common/createcluster.conf"))
    writeFileSync("/etc/postgresql-common/createcluster.conf", "create_main_cluster = false\n");
  await aptInstall("postgresql");
  const installed = postgresBin();
  if (!installed)
    throw new Failure("Debian's postgresql package was installed, but its programs are not in /usr/lib/postgresql.");
  return installed;
}

/** Installs Debian's Chromium as root when it is missing; otherwise says the one line to type. */
export async function requireChromium() {
  if (existsSync(CHROMIUM.path)) return;
  if (!isRoot)
    throw new Failure("Chromium is missing. Type this once, then start again:\n  sudo apt-get install -y chromium");
  say("Installing Chromium from Debian's packages …");
  await aptInstall("chromium");
}

/** Installs Debian's PDF reader, which the browser tests read exports back with. */
export async function requirePdfReader() {
  if (existsSync("/usr/bin/pdftotext")) return;
  if (!isRoot)
    throw new Failure(
      "pdftotext is missing. Type this once, then start again:\n  sudo apt-get install -y poppler-utils",
    );
  say("Installing poppler-utils from Debian's packages …");
  await aptInstall("poppler-utils");
}

async function aptInstall(name) {
  const env = cleanEnv({ DEBIAN_FRONTEND: "noninteractive" });
  await run("apt-get", ["update", "-qq"], { env, capture: true, allowFailure: true, what: "apt-get update" });
  await run("apt-get", ["install", "-y", "-qq", name], { env, capture: true, what: `apt-get install ${name}` });
}
