import type { Browser, Page } from "@playwright/test";
import { expect, test } from "./clock";
import { serious } from "./serious";

/** Errands at the plates: a session of several lifters on one bar, and a rack that tips. */

test("three lifters share a bar: the plan says what comes off and goes on, and what it spares", async ({ page }) => {
  await page.goto("/load");
  await page.getByRole("link", { name: "Warm-ups and sessions" }).click();
  await page.getByLabel("who, and the work set").fill("Runa 115\nIsla 110\nCato 55");
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page).toHaveURL(/who=Runa/);
  await page.getByRole("combobox", { name: "at", exact: true }).selectOption("rack-1");
  await expect(page).toHaveURL(/at=rack-1/);
  const short = page.getByRole("region", { name: "The plan in short" });
  await expect(short).toContainText(/\d+ plates handled on each side through 26 sets, the fewest possible\./);
  await expect(short).toContainText(/saves \d+ plates a side/);
  const rows = page.getByRole("region", { name: "Set by set" }).getByRole("row");
  await expect(rows).toHaveCount(27);
  await expect(rows.nth(1)).toContainText("Runa");
  await expect(rows.last()).toContainText("Cato");
  await expect(rows.filter({ hasText: "work" })).toHaveCount(9);

  // Played through, it says how long it takes and where the time goes.
  const play = page.getByRole("region", { name: "Play it" });
  await expect(play).toContainText(/Lifting \d+ min, plates \d+ min/);
  await play.getByRole("button", { name: "Play" }).click();
  await expect(play.getByText(/set [2-9] of 26/)).toBeVisible();
  await play.getByRole("button", { name: "Pause" }).click();
  const slider = play.getByRole("slider", { name: "Time in the session" });
  await slider.fill(String(await slider.getAttribute("max")));
  await expect(play.getByText("set 26 of 26")).toBeVisible();

  // Another order may spare more, and never less.
  const handled = async () => Number(/^(\d+)/.exec(await short.locator("p").first().innerText())![1]);
  const before = await handled();
  await page.getByRole("combobox", { name: "lifters" }).selectOption("fewest");
  await expect(short).toContainText(/No order handles fewer/);
  expect(await handled()).toBeLessThanOrEqual(before);

  // A line without a load is named, the others are planned.
  await page.getByLabel("who, and the work set").fill("Runa 115\nIsla");
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "“Isla” names no load" })).toBeVisible();
  await expect(rows.last()).toContainText("Runa");
});

/** A telephone of a coach. */
const telephone = async (browser: Browser) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  return { context, page: await context.newPage() };
};
const heading = (page: Page) => page.getByRole("heading", { level: 1 });
const now = (page: Page) => page.getByRole("region", { name: "Now" });
const loadOf = async (page: Page) => Number(/([\d.]+)kg/.exec((await now(page).innerText()).replace(/\s/g, ""))![1]);

test("a session of three is run on two telephones at once: a load is changed half-way, a connection drops, nothing is lost", async ({
  browser,
}) => {
  const [one, two] = [await telephone(browser), await telephone(browser)];
  await one.page.goto("/load/session?who=Ann+100%0ABo+80%0ACy+60&way=count&count=3&work=2&bar=K12&at=rack-2");
  await one.page.getByRole("button", { name: "Start" }).click();
  await expect(heading(one.page)).toContainText("set 1 of 15");
  await two.page.goto(one.page.url());
  await expect(heading(two.page)).toContainText("set 1 of 15");

  // What one touches the other sees.
  for (const set of [2, 3, 4]) {
    await now(one.page).getByRole("button", { name: "Done" }).click();
    await expect(heading(one.page)).toContainText(`set ${set} of 15`);
  }
  await expect(heading(two.page)).toContainText("set 4 of 15");
  expect(await loadOf(two.page)).toBe(await loadOf(one.page));

  // The second loses its connection and goes on; a reload of the screen is not needed, nothing it does is lost.
  await two.context.setOffline(true);
  await expect(two.page.getByText("No connection.")).toBeVisible();
  for (const set of [5, 6, 7]) {
    await now(two.page).getByRole("button", { name: "Done" }).click();
    await expect(heading(two.page)).toContainText(`set ${set} of 15`);
  }
  await expect(two.page.getByText("3 touches are saved on this device")).toBeVisible();

  // Meanwhile the first ticks the same set and changes the load of the one after.
  await now(one.page).getByRole("button", { name: "Done" }).click();
  await expect(heading(one.page)).toContainText("set 5 of 15");
  const before = await loadOf(one.page);
  await now(one.page).getByRole("button", { name: "5 kg more" }).click();
  await expect(one.page.getByRole("list", { name: "What changed" })).toContainText("What comes was replanned.");
  expect(Math.abs((await loadOf(one.page)) - before - 5)).toBeLessThan(1.5);

  // Back again: six sets are done on both, none twice, and the one that was lifted otherwise is said.
  await two.context.setOffline(false);
  await expect(two.page.getByText("No connection.")).toBeHidden({ timeout: 30_000 });
  for (const { page } of [one, two]) {
    await expect(heading(page)).toContainText("set 7 of 15");
    await expect(page.getByRole("list", { name: "What changed" })).toContainText("with other plates than planned last");
    await page.getByText(/All sets: 6 done, 9 to come/).click();
    await expect(page.getByRole("cell", { name: "done" })).toHaveCount(6);
  }

  // Left out, taken back, another load by the keypad; the sheet fits the telephone and is free of serious trouble.
  await now(two.page).getByRole("button", { name: "Skip" }).click();
  await expect(heading(one.page)).toContainText("set 8 of 15");
  await now(one.page).getByRole("button", { name: "Back" }).click();
  await expect(heading(two.page)).toContainText("set 7 of 15");
  await now(two.page).getByRole("button", { name: "Other…" }).click();
  await two.page.getByRole("textbox", { name: "Load in kg" }).fill("52,5");
  await two.page.getByRole("button", { name: "kg", exact: true }).click();
  await expect(one.page.getByRole("list", { name: "What changed" })).toContainText("52.5 kg instead of");
  expect(await one.page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await serious(one.page)).toEqual([]);

  // Its plates are its own until it ends.
  await one.page.goto("/load/session");
  const running = one.page.getByRole("region", { name: "In progress" });
  await expect(running).toContainText("K12");
  await running.getByRole("button", { name: "End K12" }).click();
  await expect(running).toBeHidden();
  await expect(two.page.getByText("Session ended: 6 of 15 sets were lifted.")).toBeVisible();
  await Promise.all([one.context.close(), two.context.close()]);
});

test("a touch without a connection survives the page being closed", async ({ browser }) => {
  const { context, page } = await telephone(browser);
  await page.goto("/load/session?who=Ann+60&way=count&count=2&work=2&bar=K13");
  await page.getByRole("button", { name: "Start" }).click();
  await expect(heading(page)).toContainText("set 1 of 4");
  await context.setOffline(true);
  await now(page).getByRole("button", { name: "Done" }).click();
  await expect(heading(page)).toContainText("set 2 of 4");
  await expect(page.getByText("1 touch is saved on this device")).toBeVisible();
  const address = page.url();
  await page.close();
  await context.setOffline(false);
  // Any page of the desk sends what waits.
  const later = await context.newPage();
  await later.goto("/bars");
  await expect
    .poll(async () => (await (await later.request.get(`${address}/state`)).json()).view.state.sets[0].state)
    .toBe("done");
  await later.goto(address);
  await expect(heading(later)).toContainText("set 2 of 4");
  for (let set = 2; set <= 4; set += 1) await now(later).getByRole("button", { name: "Done" }).click();
  await expect(later.getByRole("heading", { name: "All 4 sets are done." })).toBeVisible();
  await later.getByRole("button", { name: "The bar is empty" }).click();
  await expect(later.getByText("Session ended: 4 of 4 sets were lifted.")).toBeVisible();
  await context.close();
});

test("a bar that is quarantined is not planned", async ({ page }) => {
  await page.goto("/bars?state=quarantined");
  const tag = (await page.locator(".bar-tag").first().innerText()).trim();
  await page.goto(`/load/session?bar=${tag}`);
  await expect(page.getByRole("alert").filter({ hasText: `${tag} is quarantined` })).toBeVisible();
  await expect(page.getByRole("region", { name: "Set by set" })).toHaveCount(0);
});

test("stripping one side is warned before it tips", async ({ page }) => {
  await page.goto("/load?bar=K11&target=180");
  await expect(page.getByText(/off one side/)).toHaveCount(0);
  await page.getByRole("combobox", { name: "at", exact: true }).selectOption("rack-1");
  await expect(page.getByText(/^Rack 1: at most \d plates? off one side, then the other\.$/)).toBeVisible();
  await page.getByText("Why?").click();
  await expect(page.getByText(/A fifth is kept in reserve/)).toBeVisible();
  // Where one side may be stripped whole nothing is said.
  await page.goto("/load?bar=K11&target=30&at=rack-1");
  await expect(page.getByText(/off one side/)).toHaveCount(0);
  await page.goto("/load?bar=K02&target=72.5&clamps=none&at=rack-1");
  await expect(page.getByRole("region", { name: "The loaded bar" })).toBeVisible();
  await expect(page.getByText(/off one side/)).toHaveCount(0);
  // A curl bar lies in no rack, and that is said before any statics.
  await page.goto("/load?bar=K27&target=30&at=rack-1");
  await expect(page.locator("#load-problem")).toContainText("K27 is too narrow for Rack 1");
});

test("the stations of a class share one pool of plates: what is short is said, with what would mend it", async ({
  page,
}) => {
  await page.goto("/classes");
  await page.getByRole("link", { name: "Evening class" }).click();
  await expect(page).toHaveURL(/\/classes\/[0-9a-f-]{36}/);
  // Nobody has plates before everybody has a place.
  const address = page.url();
  await page.goto(`${address}/plates`);
  const unplaced = page.getByText("Nobody is assigned yet");
  if (await unplaced.isVisible()) {
    await page.getByRole("link", { name: "To the class" }).click();
    await page
      .getByRole("button", { name: /Assign/ })
      .first()
      .click();
  } else await page.goto(address);
  await page.getByRole("link", { name: "Plates for all stations" }).click();
  await expect(page).toHaveURL(/\/plates$/);
  await page.goto(`${page.url()}?only=kg`);
  const short = page.getByRole("region", { name: "In short" });
  await expect(short).toContainText(/\d+ of \d+ sets are short of plates\./);
  await expect(short).toContainText(/With .*pairs? of .* more nothing is short|do not fix all of it/, {
    timeout: 30_000,
  });
  // Few are listed at once, many behind a click.
  if (!(await short.getByRole("listitem").first().isVisible()))
    await short.getByText("Which, when, and who has them").click();
  await expect(short.getByRole("listitem").first()).toContainText(/Missing: .*on bars at .*Begun \d+ min later/);
  const stations = page.getByRole("region", { name: /block \d/ });
  expect(await stations.count()).toBeGreaterThan(4);
  // Fewer sets ask for less.
  await page.getByRole("textbox", { name: "work sets" }).or(page.locator("input[name=work]")).first().fill("1");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/work=1/);
  await expect(short).toContainText(/sets/);
  await stations.first().getByRole("link", { name: "Start" }).click();
  await expect(page.getByRole("region", { name: "The plan in short" })).toContainText("plates handled on each side");
});

test("Load: the keyboard's way, the drop on the floor drawn, and what another session holds", async ({ page }) => {
  await page.goto("/load?bar=K12&target=100");
  await page.keyboard.press("ArrowUp");
  await expect(page).toHaveURL(/target=102.5kg/);
  await page.keyboard.press("PageDown");
  await expect(page).toHaveURL(/target=82.5kg/);
  await expect(page.getByText(/On J-cups 1100 mm apart the plates hang [\d.]+ mm below them; drawn/)).toBeVisible();
  await page.getByRole("combobox", { name: "the set ends" }).selectOption("dropped");
  await expect(page.getByRole("img", { name: /Dropped: .* kg a mm\. The gym allows 1\.6\./ })).toBeVisible();
  // A session takes plates; another bar is told so.
  await page.goto("/load/session?who=Ann+140&way=count&count=2&work=1&bar=K13&at=rack-3");
  await page.getByRole("button", { name: "Start" }).click();
  const sheet = page.getByRole("region", { name: "Now" });
  for (const set of [2, 3]) {
    await sheet.getByRole("button", { name: "Done" }).click();
    await expect(page.getByRole("heading", { level: 1 })).toContainText(`set ${set} of 3`);
  }
  const run = page.url();
  // The sheet is ahead of the server for a moment.
  await expect.poll(async () => (await (await page.request.get(`${run}/state`)).json()).view.seq).toBe(2);
  await page.goto("/load?bar=K12&target=300");
  await expect(page.getByText(/Not counted, since they are on other bars now|Borrow/).first()).toContainText(/Rack 3/);
  await page.goto(run);
  await page.getByRole("button", { name: "End the session" }).click();
  await expect(page.getByText("Session ended")).toBeVisible();
});
