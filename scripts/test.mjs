#!/usr/bin/env node
/*
 * npm test: everything that must hold, on a machine that has only Node and Debian. Installs what is missing, runs
 * types, lint, format, unit, database, running and browser tests against clusters and ports of its own, and ends with one line.
 * `-- --only unit|data|run|e2e` runs one part; `--grep WORD` beside `--only e2e` only the errands that bear it.
 */
import { randomBytes } from "node:crypto";
import { chmodSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { ensureDatabase, startCluster } from "./lib/cluster.mjs";
import { asAppRole, databaseCommands, migrateSafely } from "./lib/database.mjs";
import { freePort, requireChromium, requirePdfReader, requireDisk, requireNode } from "./lib/machine.mjs";
import { requireBuild, requirePackages } from "./lib/prepare.mjs";
import { cleanEnv, end, endAll, run, start } from "./lib/run.mjs";
import { Failure, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const argument = (name) => (process.argv.includes(name) ? process.argv[process.argv.indexOf(name) + 1] : null);
const only = argument("--only");
const grep = argument("--grep");
const scratch = mkdtempSync(join(tmpdir(), "garrison-test-"));
// PostgreSQL runs as a user of its own when we are root, and must be able to enter.
chmodSync(scratch, 0o755);
const logs = join(scratch, "logs");
const count = { passed: 0, failed: 0 };
/** When the browser tests take place: a Wednesday in the demonstration's winter, before its evening class. */
const MOMENT = process.env.TEST_MOMENT || "2026-03-18T16:20:00Z";
let cluster = null;

for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void finish(130));
process.exitCode = await everything().then(
  () => (count.failed === 0 && count.passed > 0 ? 0 : 1),
  (error) => {
    console.error(error instanceof Failure ? error.message : error);
    count.failed += 1;
    return 1;
  },
);
await finish(process.exitCode);

async function everything() {
  requireNode();
  requireDisk(scratch, 500, "testing");
  await requirePackages(root, logs);
  const wants = (part) => only === null || only === part;
  // The build takes one core; the checks that need no build take the other.
  const building = wants("e2e") || wants("run") ? requireBuild(root, logs) : Promise.resolve();
  building.catch(() => {});
  if (wants("data") || wants("run") || wants("e2e"))
    cluster = await startCluster(join(scratch, "data"), { isDurable: false, preferredPort: null });
  if (wants("data") || wants("e2e")) await requirePdfReader();
  // Two lanes for two cores; each of these uses one. What stands beside another prints at its end.
  const isQuiet = only === null;
  await Promise.all([
    (async () => {
      if (only === null) await readText();
      if (wants("data")) await dataTests({ isQuiet });
    })(),
    (async () => {
      if (wants("unit")) await vitest("unit", {}, { projects: ["core", "unit"] });
      if (!wants("run")) return;
      await building;
      await vitest("run", { LOG_LEVEL: "info" }, { isQuiet });
    })(),
  ]);
  // Browsers take both.
  if (wants("e2e")) {
    await requireChromium();
    await building;
    await browserTests();
  }
}

/** What is read and not run: types, style, imports, format. */
async function readText() {
  await step("types", ["node_modules/typescript/bin/tsc", "--noEmit"]);
  await step("lint", ["node_modules/eslint/bin/eslint.js", ".", "--max-warnings", "0"]);
  await step("import cycles", [
    "node_modules/dpdm/lib/bin/dpdm.js",
    ...["--no-tree", "--no-warning", "--no-progress", "--exit-code", "circular:1"],
    ...["--tsconfig", "tsconfig.json", "src/**/*.ts", "src/**/*.tsx"],
  ]);
  await step("format", ["node_modules/prettier/bin/prettier.cjs", "--check", "--log-level", "warn", "."]);
}

async function dataTests({ isQuiet }) {
  const url = await ensureDatabase(cluster.url, "garrison_data");
  await migrateSafely(root, url, join(scratch, "backups"));
  await vitest(
    "data",
    {
      DATABASE_URL: url,
      TEST_SERVER_URL: cluster.url,
      GARRISON_SECRET: randomBytes(32).toString("hex"),
      LOG_LEVEL: "silent",
    },
    { isQuiet },
  );
}

/** A check that either holds or does not; it counts as one. */
async function step(name, args) {
  say(`— ${name}`);
  const { code, printed } = await run(process.execPath, args, {
    cwd: root,
    capture: true,
    allowFailure: true,
    what: name,
  });
  if (code === 0) count.passed += 1;
  else {
    count.failed += 1;
    console.error(printed);
  }
}

/**
 * @param projects of vitest.config.mts, where the part is not one of its name
 * @param isQuiet what it prints is told at its end, where another part prints meanwhile
 */
async function vitest(part, env, { projects = [part], isQuiet = false } = {}) {
  say(`— ${part} tests`);
  const file = join(scratch, `${part}.json`);
  const args = [
    "node_modules/vitest/vitest.mjs",
    "run",
    ...projects.flatMap((name) => ["--project", name]),
    "--reporter=dot",
    "--reporter=json",
    `--outputFile.json=${file}`,
  ];
  const { code, printed } = await run(process.execPath, args, {
    cwd: root,
    env: cleanEnv(env),
    capture: isQuiet,
    allowFailure: true,
    what: `${part} tests`,
  });
  if (isQuiet) say(printed);
  tally(file, code, (report) => [
    report.numPassedTests,
    report.numFailedTests +
      report.testResults.filter(({ status, assertionResults }) => status === "failed" && assertionResults.length === 0)
        .length,
  ]);
}

async function browserTests() {
  say(`— browser tests, at ${MOMENT}`);
  process.env.GARRISON_CLOCK_OFFSET_MS = String(new Date(MOMENT).getTime() - Date.now());
  const owner = await ensureDatabase(cluster.url, "garrison_e2e");
  await migrateSafely(root, owner, join(scratch, "backups"));
  await databaseCommands(root, owner, "demo");
  const port = await freePort(null);
  const base = `http://127.0.0.1:${port}`;
  const env = cleanEnv({
    // As in a gym: the program owns nothing of the database.
    DATABASE_URL: await asAppRole(root, owner, scratch),
    GARRISON_SECRET: randomBytes(32).toString("hex"),
    PUBLIC_URL: base,
    PORT: String(port),
  });
  const server = start(process.execPath, ["scripts/serve.mjs"], { cwd: root, env });
  let printed = "";
  for (const pipe of [server.stdout, server.stderr]) pipe.on("data", (chunk) => (printed += chunk));
  try {
    await answers(base, () => printed);
    const file = join(scratch, "e2e.json");
    const args = ["node_modules/@playwright/test/cli.js", "test", ...(grep ? ["--grep", grep] : [])];
    const testEnv = cleanEnv({
      BASE_URL: base,
      PLAYWRIGHT_JSON_OUTPUT_FILE: file,
      E2E_OUTPUT: join(scratch, "e2e"),
      E2E_DATABASE_URL: owner,
      E2E_STATE: join(scratch, "signed-in.json"),
    });
    const { code } = await run(process.execPath, args, {
      cwd: root,
      env: testEnv,
      allowFailure: true,
      what: "browser tests",
    });
    tally(file, code, ({ stats, errors }) => [stats.expected + stats.flaky, stats.unexpected + errors.length]);
    if (code !== 0) say(`What the server printed:\n${printed.slice(-4000)}`);
  } finally {
    await end(server);
  }
}

async function answers(base, printed) {
  for (let tries = 0; tries < 1200; tries += 1) {
    if ((await fetch(`${base}/readyz`).catch(() => null))?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Failure(`The server for the browser tests did not answer.\n${printed()}`);
}

/** Adds what a runner reported; a runner that failed without naming a failed test counts as one failure. */
function tally(file, code, read) {
  let [passed, failed] = [0, 0];
  try {
    [passed, failed] = read(JSON.parse(readFileSync(file, "utf8")));
  } catch (error) {
    console.error(`No report from the tests: ${error.message}`);
  }
  count.passed += passed;
  count.failed += failed || (code === 0 && passed > 0 ? 0 : 1);
}

async function finish(code) {
  await endAll();
  if (cluster) await cluster.stop();
  cluster = null;
  if (count.failed === 0) rmSync(scratch, { recursive: true, force: true });
  else say(`Logs are kept in ${scratch}`);
  say(`Garrison: ${count.passed} passed, ${count.failed} failed`);
  process.exit(code);
}
