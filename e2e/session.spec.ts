import { expect, test } from "@playwright/test";

/** Errands at the plates: a session of several lifters on one bar, and a rack that tips. */

test("three lifters share a bar: the plan says what comes off and goes on, and what it spares", async ({ page }) => {
  await page.goto("/load");
  await page.getByRole("link", { name: "Ladders and sessions" }).click();
  await page.getByLabel("who, and the work set").fill("Runa 115\nIsla 110\nCato 55");
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page).toHaveURL(/who=Runa/);
  await page.getByRole("combobox", { name: "at", exact: true }).selectOption("rack-1");
  await expect(page).toHaveURL(/at=rack-1/);
  const short = page.getByRole("region", { name: "The plan in short" });
  await expect(short).toContainText(/\d+ plates handled on each side through 26 sets, the fewest there can be\./);
  await expect(short).toContainText(/spares \d+ plates a side/);
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

test("the plan is run on a telephone, set by set; a load changed half-way keeps what is done", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await page.goto("/load/session?who=Ann+100%0ABo+80&way=count&count=3&work=2");
  await page.getByRole("link", { name: "Run it" }).click();
  const now = page.getByRole("region", { name: "Now" });
  await expect(page.getByRole("heading", { name: /set 1 of 10/ })).toBeVisible();
  for (let set = 2; set <= 4; set += 1) {
    await now.getByRole("link", { name: "Done" }).click();
    await expect(page.getByRole("heading", { name: `set ${set} of 10` })).toBeVisible();
  }
  const load = async () => Number(/([\d.]+)kg/.exec((await now.innerText()).replace(/\s/g, ""))![1]);
  const before = await load();
  await now.getByRole("link", { name: "5 kg more" }).click();
  await expect(now).toContainText("1 change so far");
  expect(Math.abs((await load()) - before - 5)).toBeLessThan(1.5);
  // A link shows the next tablet the same.
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole("heading", { name: "set 4 of 10" })).toBeVisible();
  await now.getByRole("link", { name: "Skip" }).click();
  await expect(page.getByRole("heading", { name: "set 4 of 9" })).toBeVisible();
  await now.getByRole("link", { name: "Back" }).click();
  await expect(page.getByRole("heading", { name: "set 3 of 9" })).toBeVisible();
  await page.goto(page.url().replace(/([?&])i=\d+/, "$1i=9"));
  await expect(page.getByRole("heading", { name: "All 9 sets are done." })).toBeVisible();
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
  await expect(page.getByText(/may come off one side/)).toHaveCount(0);
  await page.getByRole("combobox", { name: "at", exact: true }).selectOption("rack-1");
  await expect(page.getByText(/At Rack 1 at most \d pieces \(clamp first\) may come off one side/)).toBeVisible();
  await expect(page.getByText("With a fifth in reserve")).toBeVisible();
  await page.goto("/load?bar=K11&target=30&at=rack-1");
  await expect(page.getByText("one side may be stripped without tipping it")).toBeVisible();
});
