#!/usr/bin/env node
/*
 * npm run figures: what each screen of the running demo costs a browser, in one run, written to docs/figures.md: script
 * that is fetched (compressed), layout shift, and first content against two pages of the same build that have nothing
 * to work out. Ratios are of medians, taken in turn, so that a busy machine is busy for both.
 */
import { writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "./lib/machine.mjs";
import { run } from "./lib/run.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const base = process.env.FIGURES_URL ?? `http://127.0.0.1:${process.env.PORT ?? 3210}`;
const ROUNDS = Number(process.env.FIGURES_ROUNDS ?? 9);
/** The limits of the product, with which each figure stands. */
const LIMITS = { shift: 0.05, plainKb: 150, chartKb: 260, firstContent: 1.3 };
/** Nothing but a sentence, outside the frame. */
const BARE = "/there-is-no-such-page";
/** What never changes within the frame: the help. */
const STILL = "/help";

/** Screens, and whether they draw charts. */
const SCREENS = [
  ["/", false],
  ["/bars", false],
  ["/bars/K20", false],
  ["/bars/equipment", false],
  ["/compare?bars=K04,K05,K11,K16&load=220", true],
  ["/match?lift=back-squat-high&load=120&lifter=bram", false],
  ["/match/coverage", false],
  ["/match/balance", false],
  ["/setups", false],
  ["/setups/K17?lifter=hale", false],
  ["/load?bar=K20&target=140", false],
  ["/load/session?who=Runa+115%0AIsla+110&bar=K16&at=rack-1", false],
  ["/classes", false],
  ["/care", false],
  ["/care/plan", false],
  ["/care/meters", false],
  ["/care/air", true],
  ["/care/records", true],
  ["/lifters", false],
  ["/lifters/bram", false],
  ["/lifters/bram/log?bar=K20", true],
  ["/buy?weigh=no", false],
  ["/settings", false],
  ["/settings/house", false],
  ["/help", false],
  ["/wall?lift=snatch", false],
];

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

const browser = await chromium.launch({ executablePath: CHROMIUM.path, args: CHROMIUM.args });
// Without the service worker: what it hands out from the device is no script that travels, and is not compressed.
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: "block" });
const page = await context.newPage();
await page.goto(`${base}/sign-in?to=/settings`);
await page.getByRole("button", { name: /^Maren Tidewell/ }).click();
await page.waitForURL((url) => !url.pathname.includes("sign-in"));
await page.close();

/** One visit with an empty cache: milliseconds to first content, layout shift, kilobytes of script as they travel. */
async function visit(path) {
  const one = await context.newPage();
  const session = await context.newCDPSession(one);
  await session.send("Network.setCacheDisabled", { cacheDisabled: true });
  await one.addInitScript(() => {
    globalThis.shift = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (!entry.hadRecentInput) globalThis.shift += entry.value;
    }).observe({ type: "layout-shift", buffered: true });
  });
  await one.goto(base + path, { waitUntil: "load" });
  await one.waitForTimeout(600);
  const { first, shift, bytes } = await one.evaluate(() => ({
    first: performance.getEntriesByName("first-contentful-paint")[0]?.startTime ?? NaN,
    shift: globalThis.shift,
    // Without the heads of the answers: those are no script.
    bytes: performance
      .getEntriesByType("resource")
      .filter(({ name }) => /\.js(\?|$)/.test(name))
      .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
  }));
  await one.close();
  return { first, shift, kb: bytes / 1000 };
}

await visit(BARE);
await visit(STILL);
const rows = [];
for (const [path, hasCharts] of SCREENS) {
  await visit(path);
  const [own, bare, still] = [[], [], []];
  for (let round = 0; round < ROUNDS; round += 1) {
    bare.push(await visit(BARE));
    still.push(await visit(STILL));
    own.push(await visit(path));
  }
  const first = median(own.map(({ first }) => first));
  rows.push({
    path,
    kb: Math.max(...own.map(({ kb }) => kb)),
    limitKb: hasCharts ? LIMITS.chartKb : LIMITS.plainKb,
    shift: Math.max(...own.map(({ shift }) => shift)),
    ratio: first / median(bare.map(({ first }) => first)),
    overStill: first / median(still.map(({ first }) => first)),
  });
  const last = rows.at(-1);
  console.log(
    path,
    `${last.kb.toFixed(0)} kB`,
    last.shift.toFixed(3),
    last.ratio.toFixed(2),
    last.overStill.toFixed(2),
  );
}
await browser.close();

const mark = (isKept) => (isKept ? "" : " **over**");
const lines = rows.map(
  ({ path, kb, limitKb, shift, ratio, overStill }) =>
    `| \`${path.replaceAll("|", "")}\` | ${kb.toFixed(0)} of ${limitKb}${mark(kb <= limitKb)} | ${shift.toFixed(3)}${mark(shift <= LIMITS.shift)} | ${ratio.toFixed(2)}${mark(ratio <= LIMITS.firstContent)} | ${overStill.toFixed(2)}${mark(overStill <= LIMITS.firstContent)} |`,
);
const all = rows.length;
const heavy = rows.filter(({ kb, limitKb, shift }) => kb > limitKb || shift > LIMITS.shift).length;
const [overBare, overStill] = ["ratio", "overStill"].map(
  (name) => rows.filter((row) => row[name] > LIMITS.firstContent).length,
);
const mean = (name) => (rows.reduce((sum, row) => sum + row[name], 0) / all).toFixed(2);
const howMany = (over) =>
  over === 0 ? "no screen is over" : `${over} of ${all} ${over === 1 ? "screen is" : "screens are"} over`;
writeFileSync(
  join(root, "docs/figures.md"),
  `# What each screen costs a browser

Written by \`npm run figures\` from the running demonstration, 1280 × 800, empty cache, ${ROUNDS} visits each, in turn with two
pages that have nothing to work out: a bare sentence outside the frame, and the help, which stands in the same frame as
every screen.

- Script compressed at most ${LIMITS.plainKb} kB without charts and ${LIMITS.chartKb} kB with, layout shift at most ${LIMITS.shift}: ${howMany(heavy)}.
- First content at most ${LIMITS.firstContent} × the bare sentence: ${howMany(overBare)}, mean ${mean("ratio")}.
- First content at most ${LIMITS.firstContent} × the help: ${howMany(overStill)}, mean ${mean("overStill")}.

| screen | script, kB | layout shift | first content × bare | × help |
| --- | --- | --- | --- | --- |
${lines.join("\n")}
`,
);
await run(
  process.execPath,
  ["node_modules/prettier/bin/prettier.cjs", "--write", "--log-level", "warn", "docs/figures.md"],
  {
    cwd: root,
    what: "formatting docs/figures.md",
  },
);
console.log(
  `Weight and shift: ${howMany(heavy)}. First content: ${howMany(overBare)} (bare), ${howMany(overStill)} (help).`,
);
