#!/usr/bin/env node
/* npm run shots [-- NAME …]: pictures of the main views from the running demo, into docs/screenshots. */
import { mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "./lib/machine.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const base = process.env.SHOTS_URL ?? `http://127.0.0.1:${process.env.PORT ?? 3210}`;
const folder = process.env.SHOTS_DIR ?? join(root, "docs/screenshots");
const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

/** Opens tonight's class and has it assigned. */
async function assigned(page) {
  await page.getByRole("link", { name: "Open" }).first().click();
  await page.getByRole("button", { name: /^Assign/ }).click();
  await page.getByText("are placed").waitFor();
}

/** Somebody is invited, and removed again. */
async function invited(page) {
  const form = page.getByRole("region", { name: "Invite" });
  await form.getByLabel("Name").fill("Ivo Tarn");
  await form.getByRole("button", { name: "Invite" }).click();
  await form.getByText("Invitation of Ivo Tarn").waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
}

/** A session some sets in; ended again, so that its plates are free for the next picture. */
async function running(page) {
  await page.getByRole("button", { name: "Start" }).click();
  const now = page.getByRole("region", { name: "Now" });
  for (let i = 0; i < 8; i += 1) {
    await now.getByRole("button", { name: "Done" }).click();
    await page.getByText(`set ${i + 2} of`).waitFor();
  }
}

/** Eight weeks for four lifters, planned. */
async function planned(page) {
  await page.getByLabel("Name").fill("Winter squats");
  for (const name of ["Isla Fenwright", "Emeric Vanholt", "Runa Dellby", "Bram Okerlund"])
    await page.getByLabel(name).check();
  await page.getByRole("button", { name: "Plan", exact: true }).click();
  await page.getByText("No better plan exists.").waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
}

const VIEWS = {
  today: ["/", desk],
  bars: ["/bars?pick=K04,K11", desk],
  bar: ["/bars/K04", desk],
  measure: ["/bars/measure?bars=K05,K10,K20&kind=shaftDiameter&at=K10", desk],
  compare: ["/compare?bars=K04,K11&load=220&lifter=bram", desk],
  match: ["/match?lift=back-squat-high&load=120&lifter=bram", desk],
  balance: ["/match/balance", desk],
  class: ["/classes", desk, "light", assigned],
  setup: ["/setups/K17?lifter=hale", desk],
  "wall-screen": ["/wall?lift=snatch", desk],
  load: ["/load?bar=K20&target=140&on=r25,i10lb", desk],
  care: ["/care", desk],
  air: ["/care/air", desk],
  log: ["/lifters/bram/log?bar=K20", desk],
  rotation: ["/classes/rotations", desk, "light", planned],
  buy: ["/buy", desk],
  people: ["/settings/people", desk, "light", invited],
  "run-phone": [
    "/load/session?who=Runa+115%0AIsla+110%0ACato+55&bar=K16&at=rack-1&lift=back-squat-high",
    phone,
    "light",
    running,
  ],
  "care-phone": ["/care/rounds", phone],
};

mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: CHROMIUM.path, args: CHROMIUM.args });
for (const [name, [path, viewport, colorScheme = "light", prepare = null]] of Object.entries(VIEWS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const context = await browser.newContext({
    viewport,
    colorScheme,
    isMobile: viewport === phone,
    hasTouch: viewport === phone,
  });
  const page = await context.newPage();
  if (path !== "/sign-in") {
    await page.goto(`${base}/sign-in`);
    await page.getByRole("button", { name: /^Maren Tidewell/ }).click();
    await page.waitForURL((url) => url.pathname !== "/sign-in");
  }
  page.on("console", (message) => message.type() === "error" && console.log(`${name}: ${message.text()}`));
  await page.goto(base + path, { waitUntil: "networkidle" });
  if (prepare) await prepare(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await context.close();
  console.log(name);
}
await browser.close();
