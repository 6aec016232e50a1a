#!/usr/bin/env node
/* npm run bench: measures what the product promises about speed, as ratios within one run, and writes docs/bench.md. */
import { randomBytes } from "node:crypto";
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { cpus, tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { ensureDatabase, startCluster } from "./lib/cluster.mjs";
import { databaseCommands, migrateSafely } from "./lib/database.mjs";
import { freePort, requireNode } from "./lib/machine.mjs";
import { requireBuild, requirePackages } from "./lib/prepare.mjs";
import { cleanEnv, endAll, run, start } from "./lib/run.mjs";
import { main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const scratch = mkdtempSync(join(tmpdir(), "garrison-bench-"));
chmodSync(scratch, 0o755);
const SCREENS = [
  "/",
  "/bars",
  "/bars/K04",
  "/compare?bars=K04,K11&load=270",
  "/match?lift=snatch&load=60&lifter=tove",
  "/load?bar=K20&target=140",
  "/care",
  "/settings",
];
const ROUNDS = 25;
let cluster = null;

await main(async () => {
  try {
    requireNode();
    await requirePackages(root, scratch);
    await requireBuild(root, scratch);
    const { printed } = await run(process.execPath, ["--import", "tsx", "scripts/benchCore.ts"], {
      cwd: root,
      capture: true,
      what: "core bench",
    });
    const core = JSON.parse(printed);
    const screens = await screenTimes();
    const lines = report(core, screens);
    writeFileSync(join(root, "docs/bench.md"), lines);
    say(lines);
  } finally {
    await endAll();
    if (cluster) await cluster.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
});

async function screenTimes() {
  cluster = await startCluster(join(scratch, "data"), { preferredPort: null });
  const url = await ensureDatabase(cluster.url, "garrison_bench");
  await migrateSafely(root, url, scratch);
  await databaseCommands(root, url, "demo");
  const port = await freePort(null);
  const base = `http://127.0.0.1:${port}`;
  start(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)], {
    cwd: root,
    env: cleanEnv({ DATABASE_URL: url, GARRISON_SECRET: randomBytes(32).toString("hex"), PUBLIC_URL: base }),
    stdio: "ignore",
  });
  for (let i = 0; i < 300 && !(await fetch(`${base}/api/v1/lifts`).catch(() => null))?.ok; i += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const times = [];
  for (const path of SCREENS) {
    const taken = [];
    for (let i = 0; i < ROUNDS; i += 1) {
      const started = performance.now();
      const response = await fetch(base + path);
      await response.text();
      if (!response.ok) throw new Error(`${path} answered ${response.status}`);
      // The first answers compile and warm up; a hall's server has been up for a while.
      if (i >= 5) taken.push(performance.now() - started);
    }
    taken.sort((a, b) => a - b);
    times.push({ path, median: taken[Math.floor(taken.length / 2)], worst: taken.at(-1) });
  }
  return times;
}

function report(core, screens) {
  const ms = (value) => value.toFixed(value < 10 ? 2 : 0);
  return `# Speed

Written by \`npm run bench\` on ${cpus().length} cores (${cpus()[0].model.trim()}), Node ${process.versions.node}. Ratios are within one run.

| what | wanted | measured |
| --- | --- | --- |
| single load, 10 plate kinds, against the MIP solver package on the same problem | at least 500 times faster | ${Math.round(core.load.ratio)} times (${ms(core.load.oursUs)} µs against ${ms(core.load.theirsUs / 1000)} ms) |
| whip, closed form, a second | at least 2 million | ${(core.whip.closedPerSecond / 1e6).toFixed(1)} million |
| whip, general solver with heights, a second | – | ${Math.round(core.whip.generalPerSecond).toLocaleString("en")} |
| matching 24 bars for a lift | – | ${ms(core.match.us)} µs |

Server answer of every screen on the demo data, wanted under 150 ms (median and worst of ${ROUNDS - 5} after 5 to warm up):

| screen | median ms | worst ms |
| --- | ---: | ---: |
${screens.map(({ path, median, worst }) => `| \`${path}\` | ${ms(median)} | ${ms(worst)} |`).join("\n")}
`;
}
