import { chromium, type Browser, type Page } from "@playwright/test";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { CHROMIUM } from "../../scripts/lib/machine.mjs";
import { openHouse, startProgram, until, type House, type Program } from "./program.fixture";

/* A tablet on the floor whose server goes away: its screens open as they last stood. */

let house: House;
let program: Program;
let browser: Browser;
beforeAll(async () => {
  house = await openHouse();
  program = await startProgram(house);
  browser = await chromium.launch({ executablePath: CHROMIUM.path, args: CHROMIUM.args });
});
afterAll(async () => {
  await browser?.close();
  await program?.end();
  await house?.close();
});

async function tablet(): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [name, ...value] = program.visitor.cookie.split("=");
  await context.addCookies([{ name: name!, value: value.join("="), url: program.base }]);
  return context.newPage();
}

const keptPaths = (page: Page) =>
  page.evaluate(async () =>
    (await (await caches.open("floor-pages")).keys()).map(({ url }) => new URL(url).pathname + new URL(url).search),
  );
/** Waits until the worker looks after the page and has kept it. */
async function open(page: Page, path: string) {
  await page.goto(program.base + path);
  await page.waitForFunction(() => navigator.serviceWorker.ready.then(() => true));
  await until(
    () => keptPaths(page),
    (kept) => kept.includes(path),
  );
}
const keptNote = (page: Page) => page.getByText("The server does not answer.");

describe("the floor's screens", () => {
  it("open as they last stood while the server is away, say so, and are the server's again when it is back", async () => {
    const page = await tablet();
    await open(page, "/load?bar=K20&target=140");
    await open(page, "/care/rounds");
    await expect(keptNote(page).count()).resolves.toBe(0);
    const port = new URL(program.base).port;
    await program.end("SIGKILL");
    await page.goto(`${program.base}/load?bar=K20&target=140`);
    await keptNote(page).waitFor();
    await page
      .getByRole("img", { name: /loaded|half|K20/i })
      .first()
      .waitFor();
    // Another load was never asked for here: the last one of this screen stands instead.
    await page.goto(`${program.base}/load?bar=K04&target=100`);
    await keptNote(page).waitFor();
    await page.goto(`${program.base}/care/rounds`);
    await keptNote(page).waitFor();
    // What is no screen of the floor was never kept.
    const other = await page.context().newPage();
    await expect(other.goto(`${program.base}/lifters`)).rejects.toThrow();
    await other.close();
    expect((await keptPaths(page)).some((path) => path.startsWith("/lifters"))).toBe(false);
    program = await startProgram(house, { PORT: port, PUBLIC_URL: `http://127.0.0.1:${port}` });
    // From the kept page a link leads to the server's own again, and the note stays behind.
    await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Bars" }).last().click();
    await page.getByRole("heading", { name: "Bars" }).waitFor();
    await expect(keptNote(page).count()).resolves.toBe(0);
    await page.goto(`${program.base}/care/rounds`);
    await page.getByRole("heading", { name: "Round" }).waitFor();
    await expect(keptNote(page).count()).resolves.toBe(0);
    await page.context().close();
  });

  it("are forgotten when this person signs out, or another signs in", async () => {
    const page = await tablet();
    await open(page, "/care/rounds");
    await page.evaluate(() => localStorage.setItem("garrison-floor-of", "somebody else"));
    await page.goto(`${program.base}/settings`);
    await until(
      () => keptPaths(page),
      (kept) => kept.length === 0,
    );
    await open(page, "/care/rounds");
    await page.context().clearCookies();
    await page.goto(`${program.base}/sign-in`);
    await until(
      () => keptPaths(page),
      (kept) => kept.length === 0,
    );
    await page.context().close();
  });
});
